/**
 * square-round-balance: n×n = (n − d)(n + d) + d×d with n − d or n + d round. 47: 50×44 + 9 = 2209.
 * 68: 70×66 + 4 = 4624.
 */
import { type Decimal, decimal, toText } from '../../number/decimal.js'
import { lengthOf, said, size } from '../../number/whole.js'
import { squareOf } from '../../problem/problem.js'
import { between, kept, mapped } from '../../problem/space.js'
import { POINT } from '../../words/multiplication.js'
import { BALANCE, SQUARE_MISFIT } from '../../words/squares.js'
import { onSquare } from '../conditions.js'
import type { Step } from '../contract.js'
import { productLoad, sumLoad, together } from '../facts.js'
import { wholeLine } from '../line.js'
import { type Misfit, misfit, step, technique } from '../make.js'
import { placePoint } from '../multiplication/product.js'
import { parameter } from '../quantities/boards.js'
import { ask, difference, gap, holdsThat, product, square, sum } from '../quantities/quantities.js'
import { readSquare, type Squared } from './square.js'

const MOST_DIGITS = 7
/** A round number so far away still serves. */
const FARTHEST = 20n

/** The round number to balance on, as its difference from n: the coarsest whose difference is at most 12, else the nearest ten. */
function toRound(n: bigint): bigint {
  for (let unit = 10n ** BigInt(lengthOf(n)); unit >= 10n; unit /= 10n) {
    const down = n % unit
    const d = 2n * down >= unit ? unit - down : -down
    if (size(d) <= (unit === 10n ? 5n : 12n) && n + d > 0n && n - d > 0n) return d
  }
  return 0n
}

/** Does a round number serve as well? */
const serves = (round: bigint, n: bigint) =>
  round % 10n === 0n && round > 0n && round !== n && size(round - n) <= FARTHEST && 2n * n > round

export const squareRoundBalance = technique({
  id: 'square-round-balance',
  words: BALANCE,
  family: 'squares',
  needs: ['multiply-addition'],
  ways: [{}, { square: 'first' }],
  // Targets: common practice, no published source.
  levels: [
    ['One from a ten', 5, { most: 1 }],
    ['Up to two from a ten', 6, { most: 2 }],
    ['Two digits', 7, {}],
    ['Three digits, up to two from a round number', 10, { digits: 3, most: 2 }],
    ['Three digits', 14, { digits: 3, most: 12 }],
    ['Four digits, up to three from a round number', 15, { digits: 4, most: 3 }],
  ],
  parameters: {
    parameters: [
      parameter('digits', 'Digits of the number', 1, 6, 2),
      parameter('most', 'Steps to the round number at most', 1, 12, 5),
    ],
    problems({ digits = 2, most = 5 }) {
      const numbers = between(digits === 1 ? 6n : 10n ** BigInt(digits - 1), 10n ** BigInt(digits) - 1n)
      const near = kept(numbers, (n) => {
        const d = toRound(n)
        return d !== 0n && size(d) <= BigInt(most)
      })
      return mapped(near, (n) => squareOf(decimal(n)))
    },
  },
  conditions: [
    onSquare(
      'balance/round',
      (n) => toRound(n) !== 0n,
      () => kept(between(20, 990, 10), (n) => toRound(n) === 0n),
    ),
  ],
  read(problem): Squared | Misfit {
    const found = readSquare(problem)
    if ('because' in found) return found
    if (found.n < 6n) return misfit(SQUARE_MISFIT.byHeart)
    if (lengthOf(found.n) > MOST_DIGITS) return misfit(SQUARE_MISFIT.long(MOST_DIGITS))
    return toRound(found.n) === 0n ? misfit(BALANCE.round(said(found.n))) : found
  },
  *work({ n, scale }, variant) {
    const entered = (yield roundStep(n, scale)).units
    const d = entered - n
    const far = size(d)
    const opposite = d > 0n ? difference(n, far) : sum(n, far)
    const other = (yield ask(opposite, {
      action: 'balance',
      place: -scale,
      ask: BALANCE.other(said(n)),
      why: BALANCE.whyOther(said(far)),
      holds: [
        { what: 'round', value: decimal(entered) },
        { what: 'other', value: opposite.value },
      ],
      slips(slip) {
        slip('not-balanced', decimal(n), 5, BALANCE.stay(holdsThat(opposite)))
        slip('gap-twice', decimal(n - 2n * d), 3, BALANCE.twice(holdsThat(opposite)))
      },
    })).units
    const own = square(far)
    let squared = own.value.units
    // The square of the step may be worked first and kept.
    if (variant.square === 'first')
      squared = (yield ask(own, {
        action: 'surplus',
        place: -scale,
        ask: BALANCE.square(said(far)),
        why: BALANCE.whySquare,
        holds: [
          { what: 'round', value: decimal(entered) },
          { what: 'other', value: opposite.value },
          { what: 'to add', value: own.value },
        ],
      })).units
    const toAdd = squared
    const times = product(entered, other)
    const rounded = (yield ask(times, {
      action: 'product',
      place: -scale,
      ask: BALANCE.product(said(entered), said(other)),
      why: BALANCE.whyProduct,
      writes: () => wholeLine(times.value.units, scale, true),
      holds: () => [{ what: 'product', value: times.value }],
    })).units
    const value = (yield giveBackStep(rounded, toAdd, far, scale, variant.square !== 'first')).units
    return yield* placePoint(value, scale, POINT.square)
  },
})

/** The round number near it: the nearest, or another that serves. */
function roundStep(n: bigint, scale: number): Step<Decimal> {
  const nearest = n + toRound(n)
  const others = [nearest - (nearest % 10n) - 10n, nearest + 10n, n - (n % 10n), n - (n % 10n) + 10n]
  const choices = [nearest, ...others.filter((r) => r !== nearest && serves(r, n))]
  const up = nearest > n
  return step({
    action: 'round',
    place: -scale,
    ask: BALANCE.decide(said(n)),
    why: BALANCE.whyDecide(said(n), said(size(nearest - n)), said(nearest), up),
    expect: decimal(nearest),
    also: (r) => r.scale === 0 && serves(r.units, n),
    decision: [...new Map(choices.map((r) => [toText(decimal(r)), decimal(r)])).values()],
    holds: [{ what: 'round', value: decimal(nearest) }],
    reckons: `${n} ${up ? '+' : '−'} ${size(nearest - n)}`,
    // What is missing to the round number is one complement; what is above it can be read off.
    load: gap(n, nearest).load,
  })
}

/** The square of the step added to the product. @param squared it is squared only now */
function giveBackStep(
  rounded: bigint,
  toAdd: bigint,
  far: bigint,
  scale: number,
  squared: boolean,
): Step<Decimal> {
  const whole = sum(rounded, toAdd)
  const worked = squared && {
    text: `${rounded} + ${far} × ${far}`,
    load: () => together(productLoad(far, far), sumLoad(rounded, toAdd)),
  }
  return ask(
    { ...whole, ...worked },
    {
      action: 'give-back',
      place: -scale,
      ask: BALANCE.add(said(rounded)),
      why: BALANCE.whyAdd(said(far), said(far * far)),
      writes: () => wholeLine(whole.value.units, scale),
      slips(slip) {
        const right = holdsThat(whole)
        slip('not-given-back', decimal(rounded), 5, BALANCE.missing(right))
        slip('given-wrong-way', decimal(rounded - toAdd), 4, BALANCE.taken(right))
        slip('doubled-not-squared', decimal(rounded + 2n * far), 3, BALANCE.notSquared(right))
        slip('not-squared', decimal(rounded + far), 3, BALANCE.notSquared(right))
      },
    },
  )
}
