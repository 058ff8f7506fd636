import { mistaken, moved, type Progress } from '@tachymetra/core/session'
import { HAS_TOUCH } from '../data/touch.js'

interface Seen {
  readonly progress: Progress
  /** Something is typed and not confirmed. */
  readonly typed: boolean
  /** Which problem of the session it is. */
  readonly at: number
}

/** What is explained, and when: the first that holds is shown, so that each is met once and in its turn. */
const TIPS: readonly (readonly [when: (seen: Seen) => boolean, tip: string])[] = [
  [
    ({ progress }) => progress.outcome !== undefined,
    HAS_TOUCH ? 'Done. Tap Next problem.' : 'Done. Enter goes on to the next problem.',
  ],
  [
    ({ typed }) => typed,
    HAS_TOUCH ? 'Tap Enter to check it.' : 'Press Enter to check it; Backspace takes a digit back.',
  ],
  [
    ({ progress }) => progress.entries.some(mistaken) && !moved(progress.entries.at(-1)!),
    'No harm done: work it once more.',
  ],
  [({ progress, at }) => at === 1 && progress.entries.length === 0, 'Type the number that is asked.'],
  [
    ({ progress, at }) => at === 1 && progress.entries.length > 0,
    'Good. The next question is about the place that is lit.',
  ],
  [
    ({ progress, at }) => at === 2 && progress.entries.length === 0,
    HAS_TOUCH ? 'Not sure? Hint tells why.' : 'Not sure? H gives a hint.',
  ],
  [
    ({ progress, at }) => at === 3 && progress.entries.length === 0,
    HAS_TOUCH ? 'Keys lists every key.' : 'N skips a problem, Esc stops, and ? lists every key.',
  ],
]

/** A word on the key that is needed now, in the first session only. */
export function Tips(seen: Seen) {
  const tip = TIPS.find(([when]) => when(seen))?.[1]
  return (
    <p className="tip" role="note">
      {tip ?? '\u00a0'}
    </p>
  )
}
