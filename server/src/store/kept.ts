/** What was worked out of a learner's rows, kept in memory until any of them changes. */
import type { Store } from './prepared.js'

interface Kept {
  version: number
  readonly values: Map<string, { readonly version: number; readonly value: unknown }>
}

/** By the connection, which a database and its transactions have in common; then by learner. */
const kept = new WeakMap<object, Map<string, Kept>>()

function keptOf(db: Pick<Store, 'select'>, learnerId: string): Kept {
  const { session } = db as unknown as { session: object }
  const all = kept.get(session) ?? new Map<string, Kept>()
  kept.set(session, all)
  const its = all.get(learnerId) ?? { version: 0, values: new Map() }
  all.set(learnerId, its)
  return its
}

/** To be called with every change of what a learner has done, or of what is set for them. */
export function changed(db: Pick<Store, 'select'>, learnerId: string): void {
  keptOf(db, learnerId).version += 1
}

/** Nothing that was kept holds any more: the whole record is another. */
export function allChanged(db: Pick<Store, 'select'>): void {
  const { session } = db as unknown as { session: object }
  kept.delete(session)
}

/** The value as it was worked out last, or worked out now. @param name of the value, with all else it depends on */
export function keptFor<T>(db: Pick<Store, 'select'>, learnerId: string, name: string, make: () => T): T {
  const its = keptOf(db, learnerId)
  const found = its.values.get(name)
  if (found?.version === its.version) return found.value as T
  const { version } = its
  const value = make()
  // Values of another day are of no more use.
  for (const [other, { version: of }] of its.values) if (of !== version) its.values.delete(other)
  its.values.set(name, { version, value })
  return value
}
