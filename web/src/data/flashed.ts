/** Flashed lists: their sitting is begun with the first entry, so that merely looking leaves no trace. */
import { OWN_LEVEL } from '@tachymetra/core/registry'
import {
  type AttemptRecord,
  judgeRecord,
  type Progress,
  type Verdict,
  verdictOf,
} from '@tachymetra/core/session'
import { keepAttempt, keepSitting, keptSitting, stopped } from './store.js'

/** The list under way in this tab: written at once at every entry, since a page that goes has no time for anything else. */
const KEY = 'tachymetra.flashed'

interface Open {
  readonly learnerId: string
  readonly record: AttemptRecord
}

/** One after another: the first makes the sitting that the next go into. */
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
    // Without storage a list left in the middle is not kept.
  }
}

function noted(): Open | undefined {
  try {
    return (JSON.parse(sessionStorage.getItem(KEY) ?? 'null') as Open | null) ?? undefined
  } catch {
    return undefined
  }
}

/** Lets go of a list, unless another has been begun since. */
function letGo({ id }: AttemptRecord): void {
  if (noted()?.record.id === id) sessionStorage.removeItem(KEY)
}

/** Lets go of the list under way, as when a learner is removed. */
export function forgetFlashed(): void {
  sessionStorage.removeItem(KEY)
}

/** Notes an attempt as it stands, and queues it once it is over. */
export async function keepFlashed(
  learnerId: string,
  progress: Progress,
  record: AttemptRecord,
): Promise<void> {
  note({ learnerId, record })
  if (progress.outcome !== undefined) await inTurn(() => keep(learnerId, record, verdictOf(progress)))
}

async function keep(learnerId: string, record: AttemptRecord, verdict: Verdict): Promise<void> {
  const { sittingId: id, technique, startedAt } = record
  const sitting = await keptSitting(id)
  if (!sitting) {
    const own = { level: OWN_LEVEL, planned: 1, seed: 0, support: 'answer' as const }
    await keepSitting({ ...own, id, learnerId, technique, startedAt, attempts: [], ended: true })
  }
  if (!sitting?.attempts.some((a) => a.record.id === record.id)) await keepAttempt({ record, verdict })
  letGo(record)
}

/** Ends what this tab has left open. */
export function finishFlashed(): Promise<void> {
  return inTurn(async () => {
    const open = noted()
    if (!open) return
    const record = stopped(open.record)
    if (record) await keep(open.learnerId, record, judgeRecord(record))
    else letGo(open.record)
  })
}
