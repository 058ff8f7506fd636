/** How long keying takes by itself: shown numbers are copied, so that no thought comes in. */

import { decimal } from '../number/decimal.js'
import { present } from '../number/present.js'
import type { Random } from '../number/random.js'
import { middleOf } from '../number/statistics.js'
import { WHOLE } from '../question/kind.js'
import type { Question } from '../question/question.js'
import type { AttemptEvent } from '../session/events.js'
import { moved, type Progress } from '../session/progress.js'

const NUMBERS = 10
const DIGITS = 4
/** Bounds on a baseline, in milliseconds. */
const LEAST_MS = 20
const MOST_MS = 5000

/** Numbers to be copied, each asking for itself. */
export function numbersToCopy(random: Random): Question[] {
  const lowest = 10n ** BigInt(DIGITS - 1)
  return Array.from({ length: NUMBERS }, () => {
    const number = random.below(9n * lowest) + lowest
    return { ask: String(number), kind: WHOLE, expect: decimal(number) }
  })
}

/** Milliseconds from one key to the next: the median over the numbers that were copied rightly. */
export function keyingOf(events: readonly AttemptEvent[], { entries }: Progress): number {
  const typed = events.filter((e) => e.kind === 'entered')
  const gaps = typed.flatMap(({ text = '', first, last }, i) =>
    moved(present(entries[i])) && first !== undefined && last !== undefined
      ? [(last - first) / (text.length - 1)]
      : [],
  )
  return Math.min(MOST_MS, Math.max(LEAST_MS, Math.round(middleOf(gaps))))
}
