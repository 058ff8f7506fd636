/** What happens in an attempt, as the browser records it: no key strokes, only when the first and the last key fell. */
import type { WorkedSupport } from './support.js'

export const EVENT_KINDS = [
  'shown',
  'entered',
  'hint',
  'given',
  'handed-in',
  'on-paper',
  'marked',
  'support',
  'left',
  'back',
  'skipped',
  'timed-out',
  'stopped',
] as const
export type EventKind = (typeof EVENT_KINDS)[number]

/** One thing that happened. Times are whole milliseconds since the problem was shown. */
export interface AttemptEvent {
  /**
   * `shown`: the problem came on screen (its `text` is the support it began with); `entered`: a value was confirmed;
   * `hint`: a hint was opened; `given`: the program showed the value that was asked; `handed-in`: the last answer stands,
   * right or wrong, since it is only said later; `on-paper`: it was
   * worked on paper and is keyed in now; `marked`: of an answer on paper it is only told whether it was `right` or
   * `wrong` (its `text`); `support`: from here on there was another support (its `text`); `left` and `back`: the page was gone in between; `skipped`, `timed-out`, `stopped`:
   * the attempt ended without its answer.
   */
  readonly kind: EventKind
  /** Null only for hints of attempts that were judged before events had times. */
  readonly at: number | null
  /** What was entered, as text of its kind; a support. */
  readonly text?: string
  /** When the first and the last key of an entry fell. */
  readonly first?: number
  /** When the last key of an entry was pressed, in milliseconds since the showing. */
  readonly last?: number
  /** The longest stretch without a key within an entry. */
  readonly pause?: number
  /** Which of several open questions an entry answers, from 0. */
  readonly of?: number
}

/** Events kept of one attempt; after so many wrong entries only right ones are taken, so that there is room for them. */
export const MOST_EVENTS = 1500
export const MOST_WRONG = 1000

/** From the problem's coming to the last thing that happened, in milliseconds. */
export function durationOf(events: readonly AttemptEvent[]): number {
  return events.at(-1)?.at ?? 0
}

/** The support an attempt began with. */
export function firstSupport(events: readonly AttemptEvent[], otherwise: WorkedSupport): WorkedSupport {
  const [first] = events
  return first?.kind === 'shown' && first.text !== undefined ? (first.text as WorkedSupport) : otherwise
}
