/**
 * What this browser keeps of sessions, as queries: each as it was left, with what its page could not write any more when it
 * went.
 */
import {
  type AttemptRecord,
  leftIn,
  resumed,
  type StretchEvent,
  stretchAfter,
} from '@tachymetra/core/session'
import { useQuery } from '@tanstack/react-query'
import { queryClient } from '../wire/queryClient.js'
import { visitedOfOlder } from './older.js'
import { flush, handInHappened } from './outbox.js'
import { keepHappened, keptSession, type LocalSession, unfinishedSession } from './store.js'

/** What is written at once as a page goes, since it has no time for anything else. */
const LEFT = 'tachymetra.left'
/** The session of its own page that is under way in this tab. */
const HERE = 'tachymetra.here'

interface Left {
  readonly attempt: string
  /** Milliseconds from the showing of the problem. */
  readonly at: number
  readonly record?: AttemptRecord
  /** The session, without what is handed in; left out by earlier versions. */
  readonly session?: LocalSession
}

/** Notes that an attempt is being left. @param record as it stands; undefined while nothing has happened in it */
export function noteLeaving(
  session: LocalSession,
  { id, startedAt }: Pick<AttemptRecord, 'id' | 'startedAt'>,
  record: AttemptRecord | undefined,
): void {
  const { open: _, ...kept } = session
  const left: Left = {
    attempt: id,
    at: Math.max(0, Date.now() - Date.parse(startedAt)),
    ...(record && { record, session: { ...kept, attempts: [] } }),
  }
  try {
    localStorage.setItem(LEFT, JSON.stringify(left))
  } catch {
    // Without storage the time away counts as a pause.
  }
}

function lastLeft(): Left | undefined {
  try {
    return (JSON.parse(localStorage.getItem(LEFT) ?? 'null') as Left | null) ?? undefined
  } catch {
    return undefined
  }
}

/** Lets go of what was left in this browser, as when a learner is removed. */
export function forgetLeft(): void {
  localStorage.removeItem(LEFT)
  sessionStorage.removeItem(HERE)
}

/** An attempt as it is gone on with now, with how long its page was gone. */
export function resumedNow(open: AttemptRecord): ReturnType<typeof resumed> {
  const left = lastLeft()
  const at = left?.attempt === open.id && Number.isFinite(left.at) ? Math.round(left.at) : undefined
  return resumed(open, at, Date.now())
}

/** A session as it was left. @returns undefined for one that is not kept here */
export async function leftSession(id: string): Promise<LocalSession | undefined> {
  const left = lastLeft()
  const noted = left?.record?.sessionId === id ? left.record : undefined
  const session = (await keptSession(id)) ?? (noted && left?.session)
  if (!session || !noted) return session
  const event = leftIn(noted)
  const after = stretchAfter(session, event)
  if (after !== session && event.kind === 'done') await keepHappened(session, event)
  return after
}

const keptKey = (id: string) => ['kept', id] as const

/** A session as this browser has kept it, read anew by every page that asks; null for one that is not here. */
export function useKept(id: string) {
  const query = useQuery({
    queryKey: keptKey(id),
    // A browser that lets nothing be read has kept nothing.
    queryFn: async () => (await leftSession(id).catch(() => undefined)) ?? null,
    gcTime: 0,
    staleTime: Number.POSITIVE_INFINITY,
  })
  return query.data
}

/** The newest session of a learner that was left before its end, with something done in it; null where there is none. */
export function useUnfinished(learnerId: string) {
  const query = useQuery({
    queryKey: ['kept', 'unfinished', learnerId],
    queryFn: async () => (await unfinishedSession(learnerId).catch(() => undefined)) ?? null,
    gcTime: 0,
  })
  return query.data
}

/** What happens in a session is kept, and sent once it is over. @throws Error in words where it can be neither */
export async function happenedIn(session: LocalSession, event: StretchEvent): Promise<void> {
  await handInHappened(session, event)
  await queryClient.invalidateQueries({ queryKey: ['kept', 'unfinished', session.learnerId] })
}

let waiting: { readonly session: LocalSession; readonly record: AttemptRecord } | undefined

/** Keeps an attempt under way right after the key that changed it, so that what is said need not wait. */
export function keepSoon(session: LocalSession, record: AttemptRecord): void {
  // Where the browser stores nothing the attempt goes on, and is handed in when it is over.
  if (!waiting) setTimeout(() => keepNow().catch(() => undefined))
  waiting = { session, record }
}

/** Keeps what still waits to be kept. */
export async function keepNow(): Promise<void> {
  const kept = waiting
  waiting = undefined
  if (kept) await keepHappened(kept.session, { kind: 'worked', record: kept.record })
}

/** Notes which session of a page of its own this tab is at: it is not gone on with, but what was begun in it is kept. */
export function noteHere(session: LocalSession): void {
  try {
    sessionStorage.setItem(HERE, session.id)
  } catch {
    // Without storage an attempt left in the middle is not kept.
  }
}

/** Ends what this tab has left open on a page of its own. */
export async function endHere(): Promise<void> {
  for (const [session, event] of await leftHere()) await happenedIn(session, event)
  await flush()
}

const ENDED = { kind: 'ended' } as const

/** What is left to tell of a session in which this was last: that it is over, or that it is not gone on with. */
const endOf = (session: LocalSession, last: StretchEvent) =>
  last.kind === 'done' ? ([session, last] as const) : ([stretchAfter(session, last), ENDED] as const)

/** What this tab was at, as this version notes it and as an earlier one did; taken out. */
async function leftHere(): Promise<readonly (readonly [LocalSession, StretchEvent])[]> {
  try {
    const older = visitedOfOlder(sessionStorage)
    const id = sessionStorage.getItem(HERE)
    sessionStorage.removeItem(HERE)
    const session = id === null ? undefined : await leftSession(id).catch(() => undefined)
    return [
      ...(older ? [endOf(older.session, leftIn(older.record))] : []),
      ...(session ? [[session, ENDED] as const] : []),
    ]
  } catch {
    // Where the browser keeps nothing, nothing was left.
    return []
  }
}
