/**
 * Sends what is kept in the outbox, oldest first, whenever there is something and the server answers. Parcels
 * carry ids made here or say what a field becomes, so sending one twice does what sending it once does.
 */
import { call, Failed, Refusal } from './api.js'
import { shared } from './shared.js'
import { type Parcel, parcels, settleParcel } from './store.js'

export interface Waiting {
  readonly unsent: number
  readonly refused: readonly string[]
}

const FIRST_WAIT_MS = 1000
const LONGEST_WAIT_MS = 10_000

const waiting = shared<Waiting>({ unsent: 0, refused: [] })
let wait = FIRST_WAIT_MS
let timer: ReturnType<typeof setTimeout> | undefined
let sending: Promise<void> | undefined
let again = false
let onSent: () => void = () => {}

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

/** How often the server has failed at a parcel; after so many times those behind it go first. */
const failures = new Map<number, number>()
const PATIENT = 3

/** @returns true when nothing is left to send. */
async function round(): Promise<boolean> {
  let reached = true
  let sent = 0
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
    } catch (error) {
      if (error instanceof Refusal && !error.passing) {
        await settleParcel(key, error.message)
        continue
      }
      reached = false
      if (!(error instanceof Failed)) break
      const failed = (failures.get(key) ?? 0) + 1
      failures.set(key, failed)
      if (failed < PATIENT) break
      waitingFor.add(parcel.path.replace('/sessions/', ''))
    }
  }
  publish((await parcels()).map(([, p]) => p))
  if (sent > 0) onSent()
  return reached
}

function publish(all: readonly Parcel[]): void {
  const refused = all.flatMap((p) => p.refused ?? [])
  waiting.set({ unsent: all.length - refused.length, refused })
}

/** What has not reached the server yet, kept current. */
export const useWaiting = waiting.use
