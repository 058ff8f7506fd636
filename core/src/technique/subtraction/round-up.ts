/** subtract-round-up: take away a rounder number, give back the complement. 4600−273: 4600−300 = 4300, +27: 4327. */
import { compare, decimal, toWords, unitsAt } from '../../number/decimal.js'
import { asDifference, differenceOf, type Problem } from '../../problem/problem.js'
import { between, kept, mapped, pairs } from '../../problem/space.js'
import { ROUND_UP } from '../../words/subtraction.js'
import { condition } from '../conditions.js'
import { digitCells } from '../line.js'
import { type Misfit, misfit, technique } from '../make.js'
import { type Adjusting, roundAndAdjust } from '../quantities/adjust.js'
import { parameter } from '../quantities/boards.js'
import { difference, holdsThat, sum } from '../quantities/quantities.js'
import { justBelow, ofDigits, roundedUp } from '../quantities/rounding.js'
import { readDifference, signStep } from './columns.js'

interface Rounding extends Adjusting {
  readonly minuend: bigint
  readonly turned: boolean
}

/** A difference with what is taken away rounded up; undefined where it is round itself. */
function roundable(problem: Problem): Rounding | undefined {
  const found = asDifference(problem)
  if (!found) return undefined
  const turned = compare(found.minuend, found.subtrahend) < 0
  const [upper, lower] = turned ? [found.subtrahend, found.minuend] : [found.minuend, found.subtrahend]
  const scale = Math.max(upper.scale, lower.scale)
  const rounded = roundedUp(unitsAt(lower, scale))
  return rounded && { ...rounded, minuend: unitsAt(upper, scale), scale, turned }
}

export const subtractRoundUp = technique({
  id: 'subtract-round-up',
  words: ROUND_UP,
  family: 'subtraction',
  needs: ['subtract-hold-drop'],
  // Targets: common practice, no published source.
  levels: [
    ['Three digits, one below a ten', 3, { minuend: 3, subtrahend: 2, over: 1 }],
    ['Three digits, up to four below a ten', 3.5, { minuend: 3, subtrahend: 2, over: 4 }],
    ['Round above, three digits below', 5, { zeros: 2 }],
    ['Four digits, up to three below a round number', 4, { over: 3 }],
    ['Four digits', 6, {}],
    ['Two decimals', 5, { over: 3, decimals: 2 }],
    ['Five digits', 7, { minuend: 5, subtrahend: 4, over: 33 }],
  ],
  parameters: {
    parameters: [
      parameter('minuend', 'Digits above', 2, 12, 4),
      parameter('subtrahend', 'Digits below, fewer than above', 1, 5, 3),
      parameter('over', 'Below the round number at most', 1, 333),
      parameter('zeros', 'Zeros at the end above', 0, 8, 0),
      parameter('decimals', 'Decimals', 0, 4, 0),
    ],
    // The minuend has at least one digit more, so that the round number can be taken away.
    problems({ minuend = 4, subtrahend = 3, over, zeros = 0, decimals = 0 }) {
      if (minuend <= subtrahend || zeros >= minuend)
        return { size: 0n, at: () => differenceOf(decimal(0), decimal(0)) }
      return mapped(pairs(ofDigits(minuend - zeros), justBelow(subtrahend, over)), ([a, b]) =>
        differenceOf(decimal(a * 10n ** BigInt(zeros), decimals), decimal(b, decimals)),
      )
    },
  },
  conditions: [
    condition(
      'round-up/round',
      (problem) => roundable(problem) !== undefined,
      () =>
        mapped(
          pairs(
            between(311, 999),
            kept(between(20, 290, 10), (n) => !roundedUp(n)),
          ),
          ([a, b]) => differenceOf(decimal(a), decimal(b)),
        ),
    ),
    condition(
      'round-up/room',
      (problem) => {
        const found = roundable(problem)
        return !found || found.round <= found.minuend
      },
      () =>
        mapped(
          kept(pairs(justBelow(3), between(1, 9)), ([b, more]) => {
            const rounded = roundedUp(b)
            return rounded !== undefined && b + more < rounded.round
          }),
          ([b, more]) => differenceOf(decimal(b + more), decimal(b)),
        ),
    ),
  ],
  read(problem): Rounding | Misfit {
    const found = readDifference(problem)
    if ('because' in found) return found
    const rounding = roundable(problem)
    if (!rounding) return misfit(ROUND_UP.none)
    return rounding.round > rounding.minuend ? misfit(ROUND_UP.tooMuch) : rounding
  },
  *work(rounded) {
    const { minuend, scale, turned } = rounded
    const size = yield* roundAndAdjust({
      rounded,
      first: (round) => difference(minuend, round, scale),
      last: (soFar, over) => sum(soFar, over, scale),
      words: {
        first: (round) => ROUND_UP.first(toWords(decimal(minuend, scale)), round),
        whyFirst: ROUND_UP.whyFirst,
        last: ROUND_UP.last,
        whyLast: ROUND_UP.whyLast,
      },
      slips(slip, soFar, over, last) {
        slip('given-wrong-way', decimal(soFar - over, scale), 7, ROUND_UP.wrongWay(holdsThat(last)))
        slip('not-given-back', decimal(soFar, scale), 4, ROUND_UP.kept(holdsThat(last)))
      },
    })
    if (!turned) return size
    const digits = unitsAt(size, scale)
      .toString()
      .padStart(scale + 1, '0')
    return yield signStep(size, -scale, digitCells(digits, -scale))
  },
})
