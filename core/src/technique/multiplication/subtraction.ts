/**
 * multiply-subtraction: round one factor up, take the surplus back. 89×7: 630 − 7 = 623. 48×23: 1150 − 46 = 1104.
 * A number added to the product, or taken from it, comes last: 4998×3+6.
 */

import { type Decimal, decimal, toWords } from '../../number/decimal.js'
import { present } from '../../number/present.js'
import { said } from '../../number/whole.js'
import { type Problem, productOf } from '../../problem/problem.js'
import { mapped, pairs } from '../../problem/space.js'
import { MISFIT, ROUND_BACK } from '../../words/multiplication.js'
import type { Step } from '../contract.js'
import { productLoad, takeLoad, together } from '../facts.js'
import { BLANK, wholeLine } from '../line.js'
import { type Misfit, misfit, technique } from '../make.js'
import { parameter } from '../quantities/boards.js'
import { ask, difference, gap, holdsThat, product, sum } from '../quantities/quantities.js'
import { justBelow, ofDigits, type Rounded, roundedUp, roundStep } from '../quantities/rounding.js'
import { SPLIT } from '../variants.js'
import { placePoint, readWhole, type Whole } from './product.js'
import { type Split, splitOf } from './split.js'

interface Rounding extends Whole {
  /** Added to the product at the end, or taken from it. */
  readonly more: bigint
}

export const multiplySubtraction = technique({
  id: 'multiply-subtraction',
  words: ROUND_BACK,
  family: 'multiplication',
  needs: ['multiply-addition'],
  variants: [SPLIT],
  ways: [...SPLIT.values.map((split) => ({ split })), { surplus: 'first' }],
  // Targets: common practice, no published source.
  levels: [
    ['One below a ten, by one digit', 3.5, { surplus: 1 }],
    ['Up to four below a ten, by one digit', 4, { surplus: 4 }],
    ['One below a ten, by two digits', 6, { other: 2, surplus: 1 }],
    ['Up to four below a ten, by two digits', 7, { other: 2, surplus: 4 }],
    ['Three digits just below a round number, by one digit', 5, { digits: 3, surplus: 4 }],
    ['Three digits, by one digit', 6, { digits: 3 }],
    ['Three digits, by two digits', 9, { digits: 3, other: 2 }],
    ['Four digits just below a round number, by one digit', 6, { digits: 4, surplus: 4 }],
    ['Four digits, by two digits', 12, { digits: 4, other: 2 }],
    ['A product and a number', 6, { digits: 3, surplus: 4, more: 1 }],
  ],
  parameters: {
    parameters: [
      parameter('digits', 'Digits of the number to round', 1, 5, 2),
      parameter('other', 'Digits of the other number', 1, 8, 1),
      parameter('surplus', 'Below the round number at most', 1, 333),
      parameter('more', 'One-digit number added (1) or not (0)', 0, 1, 0),
    ],
    problems({ digits = 2, other = 1, surplus, more = 0 }) {
      const factors = pairs(justBelow(digits, surplus), ofDigits(other, 2n))
      if (more === 0) return mapped(factors, ([a, b]) => productOf(decimal(a), decimal(b)))
      return mapped(
        pairs(factors, ofDigits(1)),
        ([[a, b], term]): Problem => ({
          kind: 'product-sum',
          factors: [decimal(a), decimal(b)],
          term: { sign: 1, size: decimal(term) },
        }),
      )
    },
  },
  read(problem): Rounding | Misfit {
    const plain = problem.kind === 'product-sum' ? productOf(...problem.factors) : problem
    const found = readWhole(plain)
    if ('because' in found) return found
    if (!roundedUp(found.a) && !roundedUp(found.b)) return misfit(ROUND_BACK.noneNear)
    if (found.a === 1n || found.b === 1n) return misfit(MISFIT.one)
    if (problem.kind !== 'product-sum') return { ...found, more: 0n }
    if (found.scale > 0 || problem.term.size.scale > 0) return misfit(MISFIT.whole)
    const more = BigInt(problem.term.sign) * problem.term.size.units
    return found.a * found.b + more < 0n ? misfit(ROUND_BACK.below) : { ...found, more }
  },
  *work(factors, variant) {
    const { scale, more } = factors
    const { apart, whole } = present(splitOf(factors, variant, roundedUp, costOf))
    const factor = apart.round - apart.over
    const round = yield* roundStep({ number: factor, round: apart.round, scale: 0 })
    const over = round - factor
    const first = variant.surplus === 'first'
    const before = first ? yield* surplusOf(factor, round, whole, scale) : undefined
    const times = product(round, whole)
    const rounded = (yield ask(times, {
      action: 'partial-product',
      place: -scale,
      why: ROUND_BACK.whyProduct,
      writes: () => wholeLine(times.value.units, scale, true),
      holds: () => [
        ...(before === undefined ? [] : [{ what: 'to take back', value: decimal(before) }]),
        { what: 'round product', value: times.value },
      ],
      total: true,
    })).units
    const surplus = before ?? (yield* surplusOf(factor, round, whole, scale, rounded))
    const rest = difference(rounded, surplus)
    const last = more === 0n
    let value = (yield ask(rest, {
      action: 'give-back',
      place: -scale,
      ask: ROUND_BACK.back(said(rounded)),
      why: ROUND_BACK.whyBack(said(rounded), said(surplus), said(rounded - surplus)),
      writes: () => wholeLine(rest.value.units, scale, !last),
      holds: last ? [] : [{ what: 'product', value: rest.value }],
      slips(slip) {
        const right = holdsThat(rest)
        slip('given-wrong-way', decimal(rounded + surplus), 6, ROUND_BACK.addedOn(right))
        slip('not-given-back', decimal(rounded), 3, ROUND_BACK.kept(right))
        if (over === 1n) slip('surplus-once', decimal(rounded - 1n), 4, ROUND_BACK.once(right))
      },
    })).units
    if (!last) {
      const [before, size] = [value, more < 0n ? -more : more]
      const total = more > 0n ? sum(before, size) : difference(before, size)
      value = (yield ask(total, {
        action: 'running-total',
        place: 0,
        ask: ROUND_BACK.more(said(before), toWords(decimal(size)), more > 0n),
        why: ROUND_BACK.whyMore,
        writes: () => wholeLine(total.value.units),
        slips(slip) {
          slip('part-left-out', decimal(before), 4, ROUND_BACK.moreLeft(holdsThat(total)))
          slip('wrong-sign', decimal(before - more), 3, ROUND_BACK.moreSign(holdsThat(total)))
        },
      })).units
    }
    return yield* placePoint(value, scale)
  },
})

/**
 * How much above the factor the round number is, and what that comes to.
 * @param rounded the product with the round number, where it stands already. @returns what is to be taken back
 */
function* surplusOf(
  factor: bigint,
  round: bigint,
  whole: bigint,
  scale: number,
  rounded?: bigint,
): Generator<Step, bigint, Decimal> {
  const standing = rounded === undefined ? BLANK : wholeLine(rounded, scale, true)
  const before = rounded === undefined ? [] : [{ what: 'round product', value: decimal(rounded) }]
  const too = gap(factor, round)
  const each = (yield ask(too, {
    action: 'decide',
    place: -scale,
    ask: ROUND_BACK.gap(said(factor)),
    why: ROUND_BACK.whyGap(said(round), said(factor), said(round - factor)),
    decision: [too.value],
    writes: () => standing,
    holds: [...before, { what: 'too many', value: too.value }],
  })).units
  // One too many is the other factor itself: nothing is reckoned.
  if (each === 1n) return whole
  const back = product(each, whole)
  return (yield ask(back, {
    action: 'surplus',
    place: -scale,
    ask: ROUND_BACK.surplus(said(each), said(whole)),
    why: ROUND_BACK.whySurplus(said(each), said(whole)),
    writes: () => standing,
    holds: () => [...before, { what: 'to take back', value: back.value }],
    slips: (slip) => slip('surplus-once', decimal(each), 4, ROUND_BACK.once(holdsThat(back))),
  })).units
}

function costOf({ apart: { round, over }, whole }: Split<Rounded>) {
  return together(productLoad(round, whole), productLoad(over, whole), takeLoad(round * whole, over * whole))
}
