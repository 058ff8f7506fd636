/** add-compensation: round a number up, add, give back what was too much. 398+257: 400 + 257 − 2. */

import { type Decimal, decimal, toWords, unitsAt } from '../../number/decimal.js'
import { present } from '../../number/present.js'
import { nonZeroDigits } from '../../number/whole.js'
import { sumOf } from '../../problem/problem.js'
import { between, either, kept, mapped, pairs } from '../../problem/space.js'
import { COMPENSATION, SUM_MISFIT } from '../../words/addition.js'
import { condition } from '../conditions.js'
import { type Misfit, misfit, technique } from '../make.js'
import { type Adjusting, roundAndAdjust } from '../quantities/adjust.js'
import { parameter } from '../quantities/boards.js'
import { difference, holdsThat, sum } from '../quantities/quantities.js'
import { eitherWay, justBelow, ofDigits, type Rounded, roundedUp } from '../quantities/rounding.js'
import { readPlainSum } from './parts.js'

interface Compensating extends Adjusting {
  /** The number left as it is, in the same units. */
  readonly other: bigint
}

/** Either number may be rounded: the lighter one first. */
interface Choices {
  readonly ways: readonly Compensating[]
}

/** Tens that no rounder number is just above. */
const round = (least: number, most: number) => kept(between(least, most, 10), (n) => !roundedUp(n))

export const addCompensation = technique({
  id: 'add-compensation',
  words: COMPENSATION,
  family: 'addition',
  needs: ['add-running-total'],
  ways: [{}, { round: 'other' }],
  // Targets: common practice, no published source.
  levels: [
    ['One below a ten', 2.5, { digits: 2, other: 2, over: 1 }],
    ['Up to four below a ten', 3, { digits: 2, other: 2, over: 4 }],
    ['Three digits, up to three below a round number', 3.5, { over: 3 }],
    ['Three digits', 4.5, {}],
    ['Four digits, up to three below a round number', 5, { digits: 4, other: 4, over: 3 }],
    ['Two decimals', 5, { over: 3, decimals: 2 }],
    ['Numbers of different length', 4.5, { digits: 2, other: 4, over: 4 }],
  ],
  parameters: {
    parameters: [
      parameter('digits', 'Digits of the number to round', 1, 5, 3),
      parameter('other', 'Digits of the other number', 1, 12, 3),
      parameter('over', 'Below the round number at most', 1, 333),
      parameter('decimals', 'Decimals', 0, 4, 0),
    ],
    problems: ({ digits = 3, other = 3, over, decimals = 0 }) =>
      mapped(eitherWay(justBelow(digits, over), ofDigits(other, 2n)), ([a, b]) =>
        sumOf(decimal(a, decimals), decimal(b, decimals)),
      ),
  },
  conditions: [
    condition(
      'compensation/round',
      (problem) => problem.kind === 'sum' && problem.terms.some((t) => roundedUp(t.size.units) !== undefined),
      () =>
        mapped(pairs(round(100, 990), either(round(20, 990), between(2, 9))), ([a, b]) =>
          sumOf(decimal(a), decimal(b)),
        ),
    ),
  ],
  read(problem): Choices | Misfit {
    const plain = readPlainSum(problem)
    if ('because' in plain) return plain
    if (plain.terms.length !== 2) return misfit(SUM_MISFIT.two)
    const sizes = plain.terms.map((t) => t.size) as [Decimal, Decimal]
    const scale = Math.max(...sizes.map((n) => n.scale))
    const [a, b] = sizes.map((n) => unitsAt(n, scale)) as [bigint, bigint]
    const ways = [
      [a, b],
      [b, a],
    ].flatMap(([number, other]) => {
      const rounded = roundedUp(number!)
      return rounded && other! > 0n ? [{ ...rounded, other: other!, scale }] : []
    })
    if (ways.length === 0) return misfit(COMPENSATION.none)
    // The fewer digits are left to handle the lighter: 4997 is rounded to 5000 rather than 2638 to 2640.
    const left = ({ round, over }: Rounded) => nonZeroDigits(round) + nonZeroDigits(over)
    return {
      ways: ways.toSorted(
        (x, y) => left(x) - left(y) || Number(x.over - y.over) || Number(y.round - x.round),
      ),
    }
  },
  *work({ ways }, variant) {
    const way = (variant.round === 'other' ? ways[1] : undefined) ?? present(ways[0])
    const { other, scale } = way
    const say = (n: bigint) => toWords(decimal(n, scale))
    return yield* roundAndAdjust({
      rounded: way,
      first: (round) => sum(round, other, scale),
      last: (soFar, over) => difference(soFar, over, scale),
      words: {
        first: (round) => COMPENSATION.total(round, say(other)),
        whyFirst: COMPENSATION.whyTotal,
        last: COMPENSATION.back,
        whyLast: COMPENSATION.whyBack,
      },
      slips(slip, soFar, over, last) {
        slip('given-wrong-way', decimal(soFar + over, scale), 7, COMPENSATION.wrongWay(holdsThat(last)))
        slip('not-given-back', decimal(soFar, scale), 4, COMPENSATION.kept(holdsThat(last)))
      },
    })
  },
})
