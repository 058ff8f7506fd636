/** Flashed lists: their sitting is begun with the first entry, so that merely looking leaves no trace. */
import { type AttemptRecord, judgeRecord, OWN_LEVEL, type Progress, verdictOf } from '@tachymetra/core'
import { keepAttempt, keepOpen, keepSitting, keptSitting, stopped } from './store.js'

/** The sitting of this tab, so that what a reload cuts off in the middle is found again. */
const KEY = 'tachymetra.flashed'

/** One after another: the first makes the sitting that the next go into. */
let last: Promise<unknown> = Promise.resolve()

/** Keeps an attempt as it stands, and queues it once it is over. */
export function keepFlashed(learnerId: string, progress: Progress, record: AttemptRecord): Promise<void> {
  const kept = last.then(() => keep(learnerId, progress, record))
  last = kept.catch(() => {})
  return kept
}

async function keep(learnerId: string, progress: Progress, record: AttemptRecord): Promise<void> {
  const { sittingId: id, technique, startedAt } = record
  if (!(await keptSitting(id))) {
    sessionStorage.setItem(KEY, id)
    const own = { level: OWN_LEVEL, planned: 1, seed: 0, support: 'answer' as const }
    await keepSitting({ ...own, id, learnerId, technique, startedAt, attempts: [], ended: true })
  }
  if (progress.outcome === undefined) await keepOpen(record)
  else await keepAttempt({ record, verdict: verdictOf(progress) })
}

/** Ends what this tab has left open. */
export async function finishFlashed(): Promise<void> {
  const open = (await keptSitting(sessionStorage.getItem(KEY) ?? ''))?.open
  const record = open && stopped(open)
  if (record) await keepAttempt({ record, verdict: judgeRecord(record) })
}
