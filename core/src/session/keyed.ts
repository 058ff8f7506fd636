/** Answers that were given on paper and are keyed in later, item by item. */
import { UNFINISHED } from '../words/entry.js'
import type { AttemptEvent } from './events.js'
import type { Task } from './progress.js'
import { happen, reduceEvents } from './reduce.js'
import { confirm, NOTHING_TYPED } from './typing.js'

/** What stands on the paper: an answer, only whether it was right, or nothing. */
export type Keyed = { readonly text: string } | { readonly mark: 'right' | 'wrong' } | undefined

/** It was worked on paper: nothing of its times is known, so all of it is at one moment. */
const BEGUN: readonly AttemptEvent[] = [
  { kind: 'shown', at: 0, text: 'answer' },
  { kind: 'on-paper', at: 0 },
]

/**
 * The events of an item as it was keyed in: the first answer stands.
 * @returns a sentence instead where the text is no answer, or is right in another form than was asked
 */
export function keyedEvents(
  task: Task,
  keyed: Keyed,
): { readonly events: readonly AttemptEvent[] } | { readonly notice: string } {
  if (!keyed) return { events: [...BEGUN, { kind: 'skipped', at: 0 }] }
  if ('mark' in keyed) return { events: [...BEGUN, { kind: 'marked', at: 0, text: keyed.mark }] }
  // Of several questions it is only told whether all were right.
  if ('questions' in task && task.questions.length > 1) return { notice: UNFINISHED.onlyMarked }
  const begun = reduceEvents('technique' in task ? { ...task, support: 'answer' } : task, BEGUN)
  const confirmed = confirm(begun, { ...NOTHING_TYPED, text: keyed.text }, 0)
  if ('notice' in confirmed) return confirmed
  const after = happen(begun, confirmed.event)
  const events = [...BEGUN, confirmed.event]
  if (after.outcome !== undefined) return { events }
  if (after.entries.at(-1)?.as === 'form') return { notice: UNFINISHED.otherForm }
  return { events: [...events, { kind: 'handed-in', at: 0 }] }
}
