/** The clock of an attempt, moved by its events. */
import { InputError } from '../problem/error.js'
import type { AttemptEvent } from './events.js'

/** Milliseconds since the problem was shown, the time the page was gone taken off. */
export interface Clock {
  /** The latest event, as it was recorded. */
  readonly at: number
  readonly away: number
  readonly leftAt: number | undefined
  readonly firstKeyAt: number | undefined
  readonly lastKeyAt: number | undefined
  /** When an entry last moved on. */
  readonly movedAt: number
  /** The last sign of life. */
  readonly signAt: number
  readonly idle: number
}

export const UNSTARTED: Clock = {
  at: 0,
  away: 0,
  leftAt: undefined,
  firstKeyAt: undefined,
  lastKeyAt: undefined,
  movedAt: 0,
  signAt: 0,
  idle: 0,
}

/** The time of the latest event as time at work. */
export function worked({ at, away }: Clock): number {
  return at - away
}

/** Time at work since an entry last moved on. */
export function sinceMoved(clock: Clock): number {
  return worked(clock) - clock.movedAt
}

/** @param older by the rules of the first judge. @throws InputError when the event does not follow */
export function ticked(before: Clock, event: AttemptEvent, older: boolean): Clock {
  if (event.at === null) {
    if (event.kind !== 'hint' || !older) throw new InputError(`"${event.kind}" has no time.`)
    return before
  }
  if (event.at < before.at) throw new InputError(`"${event.kind}" comes before what was recorded earlier.`)
  const { first, last = first } = event
  if (first !== undefined && (first > last! || last! > event.at))
    throw new InputError('The keys of an entry come after it.')
  if (event.kind === 'back' && before.leftAt !== undefined) {
    const gone = event.at - before.leftAt
    const away = before.away + gone
    return {
      ...before,
      at: event.at,
      away,
      leftAt: undefined,
      signAt: event.at - away,
      idle: Math.max(before.idle, gone),
    }
  }
  // What comes while the page is said to be gone shows that it is back.
  const clock = event.kind === 'left' ? { ...before, leftAt: event.at } : { ...before, leftAt: undefined }
  const at = event.at - clock.away
  const keyed = (ms: number | undefined) => (ms === undefined ? undefined : Math.max(0, ms - clock.away))
  const [firstKey, lastKey] = [keyed(first), keyed(last)]
  const gaps = older
    ? [event.pause ?? 0]
    : [(firstKey ?? at) - clock.signAt, event.pause ?? 0, at - (lastKey ?? at)]
  return {
    ...clock,
    at: event.at,
    firstKeyAt: clock.firstKeyAt ?? firstKey,
    lastKeyAt: lastKey ?? clock.lastKeyAt,
    signAt: at,
    idle: Math.max(clock.idle, ...gaps),
  }
}
