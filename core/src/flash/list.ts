/** Lists of signed numbers as they are flashed, and how fast they go. */
import { decimal } from '../number/decimal.js'
import type { Random } from '../number/random.js'
import { InputError } from '../problem/error.js'
import type { SumProblem, Term } from '../problem/problem.js'

export interface FlashParameters {
  readonly digits: number
  readonly count: number
  /** Numbers may be taken away, as long as the running total stays at 0 or above. */
  readonly minus: boolean
}

/** The most numbers of a list. */
export const MOST_FLASHED = 30

/**
 * A list drawn number by number: each size uniform among the numbers of so many digits, each sign by a fair coin
 * where taking away leaves the total at 0 or above.
 * @throws InputError for parameters out of range.
 */
export function flashList({ digits, count, minus }: FlashParameters, random: Random): SumProblem {
  if (digits < 1 || digits > 9 || count < 2 || count > MOST_FLASHED)
    throw new InputError(`A list has 2 to ${MOST_FLASHED} numbers of 1 to 9 digits.`)
  const least = 10n ** BigInt(digits - 1)
  const terms: Term[] = []
  let total = 0n
  for (let i = 0; i < count; i += 1) {
    const size = least + random.below(9n * least)
    const sign = minus && i > 0 && size <= total && random.unit() < 0.5 ? -1 : 1
    total += BigInt(sign) * size
    terms.push({ sign, size: decimal(size) })
  }
  return { kind: 'sum', terms }
}

/** How long each number stands and how long nothing does, in milliseconds. */
export interface FlashPace {
  /** How long each number stands, in milliseconds. */
  readonly showMs: number
  /** How long nothing stands between two, in milliseconds. */
  readonly gapMs: number
}

/** Flashes to a second at the most, unless a coach has read the warning and lifted it (WCAG 2.2, 2.3.1). */
export const SAFE_PER_SECOND = 3

/** The pace kept to the safe rate: the numbers come no faster than three a second. */
export function safePace({ showMs, gapMs }: FlashPace): FlashPace {
  const least = Math.ceil(1000 / SAFE_PER_SECOND)
  return showMs + gapMs >= least ? { showMs, gapMs } : { showMs: least - gapMs, gapMs }
}

/** When each number appears, counted from the start: planned from there, so that nothing drifts. */
export function onsets(count: number, { showMs, gapMs }: FlashPace): number[] {
  return Array.from({ length: count }, (_, i) => i * (showMs + gapMs))
}

/** How fast the next list comes, and the run of right ones that leads there. */
export interface Staircase {
  /** How long each number of the next list stands, in milliseconds. */
  readonly showMs: number
  /** Right answers in a row at this speed. */
  readonly run: number
}

/** The shortest time a number stands by the staircase, in milliseconds. */
export const FASTEST_MS = 150
/** The longest time a number stands by the staircase, in milliseconds. */
export const SLOWEST_MS = 4000
const STEP = 0.12

/** Two right in a row: faster; one wrong: slower (a two-down one-up staircase, Levitt 1971: it settles near 71 % right). */
export function stairAfter({ showMs, run }: Staircase, right: boolean): Staircase {
  if (!right) return { showMs: Math.min(SLOWEST_MS, Math.round(showMs * (1 + STEP))), run: 0 }
  if (run === 0) return { showMs, run: 1 }
  return { showMs: Math.max(FASTEST_MS, Math.round(showMs / (1 + STEP))), run: 0 }
}

/** How numbers come: one after another in place, gliding one way or another, or all at once. */
export const SHOWN_WAYS = ['flash', 'tape-left', 'tape-right', 'tape-down', 'still'] as const

/** How a list was shown, kept with the attempt at it. */
export interface Shown extends FlashPace {
  /** In which way they were shown. */
  readonly way: (typeof SHOWN_WAYS)[number]
  /** The largest and the mean difference between planned and shown onsets, in milliseconds; 0 for a still list. */
  readonly worstMs: number
  /** How far each was off its plan on average, in milliseconds. */
  readonly meanMs: number
}
