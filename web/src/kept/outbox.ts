/**
 * Sends what is kept in the outbox, oldest first, whenever there is something and the server answers. Parcels
 * carry ids made here or say what a field becomes, so sending one twice does what sending it once does.
 */
import { type StretchEvent, stretchAfter } from '@tachymetra/core/session'
import { call, Failed, Refusal, Unreachable } from '../wire/api.js'
import { shared } from '../wire/shared.js'
import {
  dropRefused,
  keepHappened,
  keptAnnouncement,
  type LocalSession,
  type Parcel,
  parcels,
  parcelsOf,
  settleParcel,
  takeBackRefusals,
} from './store.js'

export interface Waiting {
  readonly unsent: number
  readonly refused: readonly string[]
  /** What the server says of itself, where it fails. */
  readonly trouble?: string
}

const FIRST_WAIT_MS = 1000
/** So that all is there within three seconds of the server's return. */
const LONGEST_WAIT_MS = 2000

const waiting = shared<Waiting>({ unsent: 0, refused: [] })
let wait = FIRST_WAIT_MS
let timer: ReturnType<typeof setTimeout> | undefined
let sending: Promise<void> | undefined
let again = false
let onSent: () => void = () => {}

/**
 * Keeps something in this browser until it is sent; where the browser stores nothing, it is sent at once.
 * @param now what the server needs of it
 * @throws Error, in words for the learner, when it could neither be kept nor sent
 */
export async function handIn(keep: () => Promise<void>, now: readonly Parcel[]): Promise<void> {
  try {
    await keep()
    void flush()
  } catch {
    try {
      for (const { path, body } of now) await call('PUT', path, body)
    } catch {
      throw new Error('This could not be kept: the browser refuses to store it, and it could not be sent.')
    }
    onSent()
  }
}

/** The same for what happens in a session. @param session as the page holds it, before it happened */
export function handInHappened(session: LocalSession, event: StretchEvent): Promise<void> {
  return handIn(() => keepHappened(session, event), parcelsOf(session, stretchAfter(session, event)))
}

/** Starts sending what is left from earlier, and again whenever the network comes back. */
export function startOutbox(sent: () => void): void {
  onSent = sent
  window.addEventListener('online', flush)
  document.addEventListener('visibilitychange', () => {
    if (document.visibilityState === 'visible' && waiting.get().unsent > 0) flush()
  })
  flush()
}

/**
 * Sends now. Calls while sending is under way are folded into one more round after it.
 * @returns when whatever was kept before the call has been sent, or could not be.
 */
export function flush(): Promise<void> {
  if (sending) {
    again = true
    return sending
  }
  clearTimeout(timer)
  sending = round()
    .catch(() => false)
    .then((allSent) => {
      sending = undefined
      wait = allSent ? FIRST_WAIT_MS : Math.min(LONGEST_WAIT_MS, wait * 2)
      if (again) {
        again = false
        return flush()
      }
      if (!allSent) timer = setTimeout(flush, wait)
      return undefined
    })
  return sending
}

let trouble: string | undefined

/** How often the server has failed at a parcel: so long those of its session wait, after that only itself. */
const failures = new Map<number, number>()
const PATIENT = 3
/** Parcels in a row at which the server fails before the rest is left for later. */
const MOST_FAILED = 4

/** @returns true when nothing is left to send. */
async function round(): Promise<boolean> {
  let reached = true
  let sent = 0
  let failed = 0
  trouble = undefined
  // Sessions that could not be announced: their attempts have to wait.
  const waitingFor = new Set<string>()
  for (const [key, parcel] of await parcels()) {
    if (parcel.refused !== undefined) continue
    const { sessionId } = parcel.body as { sessionId?: string }
    if (sessionId && waitingFor.has(sessionId)) continue
    try {
      await call(parcel.method ?? 'PUT', parcel.path, parcel.body)
      await settleParcel(key)
      failures.delete(key)
      sent += 1
      failed = 0
    } catch (error) {
      if (error instanceof Unreachable) {
        reached = false
        break
      }
      if (error instanceof Refusal && error.code === 'not-found') {
        // Its session is not there: put back from a backup of before, say. It is announced again, and then the parcel is
        // taken; without a learner nothing more can be done.
        if (!sessionId || !(await announcedAgain(sessionId))) await settleParcel(key, error.message)
        else reached = false
        continue
      }
      if (error instanceof Refusal && !error.passing) {
        await settleParcel(key, error.message)
        continue
      }
      reached = false
      if (error instanceof Failed) trouble = error.message
      // One bad parcel holds up nobody but what belongs to it, and that not for ever.
      const times = (failures.get(key) ?? 0) + 1
      failures.set(key, times)
      waitingFor.add(parcel.path.replace('/sessions/', ''))
      if (sessionId && times < PATIENT) waitingFor.add(sessionId)
      failed += 1
      if (failed >= MOST_FAILED) break
    }
  }
  publish((await parcels()).map(([, p]) => p))
  if (sent > 0) onSent()
  return reached
}

/** Announces a session that the server does not know, where it is still kept here. @returns whether it is known now */
async function announcedAgain(sessionId: string): Promise<boolean> {
  const parcel = await keptAnnouncement(sessionId)
  if (!parcel) return false
  try {
    await call('PUT', parcel.path, parcel.body)
    return true
  } catch {
    return false
  }
}

/** Sends what was refused once more. */
export async function tryAgain(): Promise<void> {
  await takeBackRefusals()
  await flush()
}

/** Lets go of what was refused. */
export async function throwAway(): Promise<void> {
  await dropRefused()
  publish((await parcels()).map(([, p]) => p))
}

function publish(all: readonly Parcel[]): void {
  const refused = all.flatMap((p) => p.refused ?? [])
  waiting.set({ unsent: all.length - refused.length, refused, ...(trouble && { trouble }) })
}

/** What has not reached the server yet, kept current. */
export const useWaiting = waiting.use
