/** What the browser keeps of its own: attempts not yet sent, and the sitting under way. */
import type { AttemptRecord, DialValues, School, Support } from '@tachymetra/core'
import type { RecallWire, SittingStart } from '@tachymetra/core/wire'
import { type DBSchema, type IDBPDatabase, openDB } from 'idb'

/** A sitting as planned on the desk, with what has been done of it. */
export interface LocalSitting extends SittingStart {
  readonly id: string
  readonly seed: number
  /** Where practitioners differ: what was chosen, by option. */
  readonly school?: School
  /** For problems of the learner's own dials (OWN_LEVEL). */
  readonly dials?: DialValues
  /** Support the sitting begins with. */
  readonly support: Support
  readonly attempts: readonly AttemptRecord[]
  readonly ended: boolean
}

/** Something for the server, kept until it has said that it is stored. */
export interface Parcel {
  /** PUT where none is named, as in what an older version has queued. */
  readonly method?: 'PATCH'
  readonly path: string
  readonly body: unknown
  /** The server's reason for refusing it for good. */
  readonly refused?: string
}

interface Shape extends DBSchema {
  outbox: { key: number; value: Parcel }
  sittings: { key: string; value: LocalSitting }
}

let opened: Promise<IDBPDatabase<Shape>> | undefined

function database(): Promise<IDBPDatabase<Shape>> {
  opened ??= openDB<Shape>('tachymetra', 1, {
    upgrade(db) {
      db.createObjectStore('outbox', { autoIncrement: true })
      db.createObjectStore('sittings', { keyPath: 'id' })
    },
  })
  return opened
}

/** Keeps a new sitting. Sittings of other days are let go. */
export async function keepSitting(sitting: LocalSitting): Promise<void> {
  const tx = (await database()).transaction('sittings', 'readwrite')
  const today = sitting.startedAt.slice(0, 10)
  for (const old of await tx.store.getAll())
    if (old.startedAt.slice(0, 10) !== today) await tx.store.delete(old.id)
  await tx.store.put(sitting)
  await tx.done
}

export async function keptSitting(id: string): Promise<LocalSitting | undefined> {
  return (await database()).get('sittings', id)
}

/**
 * Adds an attempt to its sitting and queues it for the server, both or neither. The first one brings the
 * announcement of the sitting with it, so that a sitting in which nothing was done leaves no trace.
 */
export async function keepAttempt(record: AttemptRecord): Promise<void> {
  const { id, ...body } = record
  const tx = (await database()).transaction(['sittings', 'outbox'], 'readwrite')
  const sitting = await tx.objectStore('sittings').get(record.sittingId)
  if (sitting) {
    if (sitting.attempts.length === 0)
      await tx.objectStore('outbox').add({ path: `/sittings/${sitting.id}`, body: announcement(sitting) })
    await tx.objectStore('sittings').put({ ...sitting, attempts: [...sitting.attempts, record] })
  }
  await tx.objectStore('outbox').add({ path: `/attempts/${id}`, body })
  await tx.done
}

/** Drops a removed learner's sittings and whatever of theirs was still to be sent. */
export async function forgetLearner(learnerId: string): Promise<void> {
  const tx = (await database()).transaction(['sittings', 'outbox'], 'readwrite')
  const gone = new Set<string>()
  for (const sitting of await tx.objectStore('sittings').getAll())
    if (sitting.learnerId === learnerId) {
      gone.add(sitting.id)
      await tx.objectStore('sittings').delete(sitting.id)
    }
  const [keys, values] = await Promise.all([
    tx.objectStore('outbox').getAllKeys(),
    tx.objectStore('outbox').getAll(),
  ])
  for (const [i, { path, body }] of values.entries()) {
    const its = body as { learnerId?: string; sittingId?: string }
    if (path.includes(learnerId) || its.learnerId === learnerId || (its.sittingId && gone.has(its.sittingId)))
      await tx.objectStore('outbox').delete(keys[i]!)
  }
  await tx.done
}

/** Queues one recall of a fact for the server. */
export async function keepRecall({ id, ...body }: RecallWire): Promise<void> {
  await (await database()).add('outbox', { path: `/recalls/${id}`, body })
}

/** Queues a change of some fields; one of the same thing that has not been sent yet goes with it. */
export async function keepChange(path: string, change: object): Promise<void> {
  const tx = (await database()).transaction('outbox', 'readwrite')
  const [keys, values] = await Promise.all([tx.store.getAllKeys(), tx.store.getAll()])
  let body = change
  for (const [i, parcel] of values.entries()) {
    if (parcel.path !== path || parcel.method !== 'PATCH') continue
    if (parcel.refused === undefined) body = { ...(parcel.body as object), ...body }
    await tx.store.delete(keys[i]!)
  }
  await tx.store.add({ method: 'PATCH', path, body })
  await tx.done
}

/** The changes that have not been sent yet, unless the server has refused them. */
export async function keptChange<T>(path: string): Promise<Partial<T>> {
  try {
    const all = await (await database()).getAll('outbox')
    const kept = all.filter((p) => p.path === path && p.method === 'PATCH' && p.refused === undefined)
    return Object.assign({}, ...kept.map((p) => p.body))
  } catch {
    return {}
  }
}

function announcement({ learnerId, technique, level, planned, startedAt }: LocalSitting): SittingStart {
  return { learnerId, technique, level, planned, startedAt }
}

export async function endSitting(id: string): Promise<void> {
  const tx = (await database()).transaction('sittings', 'readwrite')
  const sitting = await tx.store.get(id)
  if (sitting) await tx.store.put({ ...sitting, ended: true })
  await tx.done
}

/** The parcels in the order they were queued, with their keys. */
export async function parcels(): Promise<[number, Parcel][]> {
  const tx = (await database()).transaction('outbox')
  const [keys, values] = await Promise.all([tx.store.getAllKeys(), tx.store.getAll()])
  return keys.map((key, i) => [key, values[i]!])
}

export async function settleParcel(key: number, refused?: string): Promise<void> {
  const tx = (await database()).transaction('outbox', 'readwrite')
  const parcel = await tx.store.get(key)
  if (refused !== undefined && parcel) await tx.store.put({ ...parcel, refused }, key)
  else await tx.store.delete(key)
  await tx.done
}
