/**
 * When a page was left in the middle of an attempt, and what had happened in it: kept where it can be written at once,
 * since a page that goes has no time for anything else.
 */
import { type AttemptRecord, judgeRecord, progressOf } from '@tachymetra/core/session'
import { keepAttempt, keptSession, type LocalSession } from './store.js'

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

/** A session as it was left: with what its page could not write any more when it went. */
export async function leftSession(id: string): Promise<LocalSession | undefined> {
  const session = await keptSession(id)
  const record = lastLeft()?.record
  if (!session || record?.sessionId !== id || session.attempts.some((a) => a.record.id === record.id))
    return session
  const kept = session.open?.id === record.id ? session.open.events.length : 0
  if (record.events.length <= kept) return session
  if (progressOf(record).outcome === undefined) return { ...session, open: record }
  await keepAttempt({ record, verdict: judgeRecord(record) })
  return keptSession(id)
}
