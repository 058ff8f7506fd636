/**
 * Sets practised on a page of their own, such as flashed lists and grids: their session is begun with the first entry, so
 * that merely looking leaves no trace.
 */
import {
  type AttemptRecord,
  judgeRecord,
  type Progress,
  type Verdict,
  verdictOf,
} from '@tachymetra/core/session'
import { type Item, itemsOf, type Recipe } from '@tachymetra/core/set'
import type { SessionStart } from '@tachymetra/core/wire'
import { startOf } from './fresh.js'
import { handIn } from './outbox.js'
import { attemptParcels, keepAttempt, keepSession, keptSession, stopped } from './store.js'

/** A session on such a page, with the items of its set. */
export interface Visit {
  readonly id: string
  readonly start: SessionStart
  readonly items: readonly (Item | undefined)[]
}

export function beginVisit(learnerId: string, recipe: Recipe): Visit {
  const start = startOf(learnerId, recipe)
  return { id: crypto.randomUUID(), start, items: itemsOf(start) }
}

/** The attempt under way in this tab: written at once at every entry, since a page that goes has no time for anything else. */
const KEY = 'tachymetra.visited'

interface Open {
  readonly start: SessionStart
  readonly record: AttemptRecord
}

/** One after another: the first makes the session that the next go into. */
let last: Promise<unknown> = Promise.resolve()

function inTurn(work: () => Promise<void>): Promise<void> {
  const done = last.then(work)
  last = done.catch(() => {})
  return done
}

function note(open: Open): void {
  try {
    sessionStorage.setItem(KEY, JSON.stringify(open))
  } catch {
    // Without storage an attempt left in the middle is not kept.
  }
}

function noted(): Open | undefined {
  try {
    return (JSON.parse(sessionStorage.getItem(KEY) ?? 'null') as Open | null) ?? undefined
  } catch {
    return undefined
  }
}

/** Lets go of an attempt, unless another has been begun since. */
function letGo({ id }: AttemptRecord): void {
  if (noted()?.record.id === id) sessionStorage.removeItem(KEY)
}

/** Lets go of the attempt under way, as when a learner is removed. */
export function forgetVisited(): void {
  sessionStorage.removeItem(KEY)
}

/** Notes an attempt as it stands; once it is over it is queued, and sent. @throws Error as `handIn` does */
export async function keepVisited(
  { start }: Visit,
  progress: Progress,
  record: AttemptRecord,
): Promise<void> {
  note({ start, record })
  if (progress.outcome === undefined) return
  await inTurn(() =>
    handIn(
      () => keep(start, record, verdictOf(progress)),
      attemptParcels({ ...start, id: record.sessionId }, record),
    ),
  )
}

async function keep(start: SessionStart, record: AttemptRecord, verdict: Verdict): Promise<void> {
  const { sessionId: id } = record
  const session = await keptSession(id)
  if (!session) await keepSession({ ...start, id, attempts: [], ended: true })
  if (!session?.attempts.some((a) => a.record.id === record.id)) await keepAttempt({ record, verdict })
  letGo(record)
}

/** Ends what this tab has left open. */
export function finishVisited(): Promise<void> {
  return inTurn(async () => {
    const open = noted()
    if (!open) return
    const record = stopped(open.record)
    if (record) await keep(open.start, record, judgeRecord(record))
    else letGo(open.record)
  })
}
