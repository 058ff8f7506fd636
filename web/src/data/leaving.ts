/**
 * When a page was left in the middle of an attempt, and what had happened in it: kept where it can be written at once,
 * since a page that goes has no time for anything else.
 */
import { type AttemptRecord, judgeRecord, progressOf } from '@tachymetra/core/session'
import { keepAttempt, keptSitting, type LocalSitting } from './store.js'

const KEY = 'tachymetra.left'

interface Left {
  readonly attempt: string
  /** Milliseconds from the showing of the problem. */
  readonly at: number
  readonly record?: AttemptRecord
}

/** Notes that an attempt is being left. @param record as it stands; undefined while nothing has happened in it */
export function noteLeaving(attempt: string, startedAt: string, record: AttemptRecord | undefined): void {
  const at = Math.max(0, Date.now() - Date.parse(startedAt))
  try {
    localStorage.setItem(KEY, JSON.stringify({ attempt, at, ...(record && { record }) } satisfies Left))
  } catch {
    // Without storage the time away counts as a pause.
  }
}

/** Lets go of it, as when a learner is removed. */
export function forgetLeaving(): void {
  localStorage.removeItem(KEY)
}

function lastLeft(): Left | undefined {
  try {
    return (JSON.parse(localStorage.getItem(KEY) ?? 'null') as Left | null) ?? undefined
  } catch {
    return undefined
  }
}

/** Milliseconds from the showing of an attempt's problem to its being left; undefined where nothing is known. */
export function leftAt(attempt: string): number | undefined {
  const left = lastLeft()
  return left?.attempt === attempt && Number.isFinite(left.at) ? Math.round(left.at) : undefined
}

/** A sitting as it was left: with what its page could not write any more when it went. */
export async function leftSitting(id: string): Promise<LocalSitting | undefined> {
  const sitting = await keptSitting(id)
  const record = lastLeft()?.record
  if (!sitting || record?.sittingId !== id || sitting.attempts.some((a) => a.record.id === record.id))
    return sitting
  const kept = sitting.open?.id === record.id ? sitting.open.events.length : 0
  if (record.events.length <= kept) return sitting
  if (progressOf(record).outcome === undefined) return { ...sitting, open: record }
  await keepAttempt({ record, verdict: judgeRecord(record) })
  return keptSitting(id)
}
