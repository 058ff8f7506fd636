/**
 * square-round-balance: n×n = (n − d)(n + d) + d×d with n − d or n + d round. 47: 50×44 + 9 = 2209.
 * 68: 70×66 + 4 = 4624.
 */
import { decimal } from '../../number/decimal.js'
import { lengthOf, said, size } from '../../number/whole.js'
import { squareOf } from '../../problem/problem.js'
import { between, kept, mapped } from '../../problem/space.js'
import { dial } from '../boards.js'
import { differenceLoad, productLoad, sumLoad } from '../facts.js'
import { level } from '../level.js'
import { BLANK, lineOf } from '../line.js'
import { type Misfit, misfit, step, technique } from '../make.js'
import { placePoint } from '../multiplication/product.js'
import { additionSlips, productSlips } from '../slips.js'
import { readSquare, SQUARE_DECIMALS, type Squared } from './square.js'

const MOST_DIGITS = 7

/** The round number to balance on, as its difference from n: the coarsest whose difference is at most 12, else the nearest ten. */
function toRound(n: bigint): bigint {
  for (let unit = 10n ** BigInt(lengthOf(n)); unit >= 10n; unit /= 10n) {
    const down = n % unit
    const d = 2n * down >= unit ? unit - down : -down
    if (size(d) <= (unit === 10n ? 5n : 12n) && n + d > 0n && n - d > 0n) return d
  }
  return 0n
}

const space = (digits: number, most: number) =>
  mapped(
    kept(between(digits === 1 ? 6n : 10n ** BigInt(digits - 1), 10n ** BigInt(digits) - 1n), (n) => {
      const d = toRound(n)
      return d !== 0n && size(d) <= BigInt(most)
    }),
    (n) => squareOf(decimal(n)),
  )

export const squareRoundBalance = technique({
  id: 'square-round-balance',
  name: 'Round and balance',
  family: 'squares',
  about: 'Go as far down as up, so that one neighbour is round: multiply those two and add the step squared.',
  needs: ['multiply-addition', 'square-ending-five'],
  lesson: {
    example: '47^2',
    when: 'Any number a few steps from a round one.',
    whenNot: 'It ends in 5, or lies near a power of ten: those ways are shorter.',
    because: [
      '(n + d)(n − d) = n² − d².',
      'So n² = (n + d)(n − d) + d²: 47² = 50 × 44 + 3².',
      'One of the two factors is round, so the product is easy.',
    ],
  },
  schools: [],
  // Targets: common practice, no published source.
  levels: [
    level('One from a ten', 5, () => space(2, 1)),
    level('Up to two from a ten', 6, () => space(2, 2)),
    level('Two digits', 7, () => space(2, 5)),
    level('Three digits, up to two from a round number', 10, () => space(3, 2)),
    level('Three digits', 14, () => space(3, 12)),
    level('Four digits, up to three from a round number', 15, () => space(4, 3)),
  ],
  dials: {
    dials: [
      dial('digits', 'Digits of the number', 1, 6, 2),
      dial('most', 'Steps to the round number at most', 1, 12, 5),
    ],
    problems: ({ digits = 2, most = 5 }) => space(digits, most),
  },
  read(problem): Squared | Misfit {
    const found = readSquare(problem)
    if ('because' in found) return found
    if (found.n < 6n) return misfit('squares of small numbers are known by heart')
    if (lengthOf(found.n) > MOST_DIGITS) return misfit(`the number has more than ${MOST_DIGITS} digits`)
    return toRound(found.n) === 0n ? misfit(`${said(found.n)} is round already`) : found
  },
  *work({ n, scale }) {
    const d = toRound(n)
    const step1 = size(d)
    const round = (yield step({
      action: 'round',
      place: 1,
      ask: `Which round number is ${said(step1)} ${d > 0n ? 'above' : 'below'} ${said(n)}?`,
      why: 'A round factor makes the product easy.',
      expect: decimal(n + d),
      writes: BLANK,
      holds: [{ what: 'round', value: decimal(n + d) }],
      load: () => (d > 0n ? sumLoad(n, step1) : differenceLoad(n, step1)),
      slips: (slip) => {
        slip(
          'wrong-side',
          decimal(n - d),
          2,
          `The round neighbour lies ${d > 0n ? 'above' : 'below'}: ${said(n + d)}.`,
        )
        slip(
          'round-off',
          decimal(n + d + 10n),
          2,
          `Ten too many: ${said(n)} ${d > 0n ? 'and' : 'less'} ${said(step1)} is ${said(n + d)}.`,
        )
        slip(
          'round-off',
          decimal(n + d - 10n),
          2,
          `Ten too few: ${said(n)} ${d > 0n ? 'and' : 'less'} ${said(step1)} is ${said(n + d)}.`,
        )
      },
    })).units
    const other = (yield step({
      action: 'balance',
      place: 0,
      ask: `As far to the other side: ${said(n)} ${d > 0n ? 'less' : 'and'} ${said(step1)}. How much?`,
      why: `Up and down by the same ${said(step1)}, so the product differs from the square by ${said(step1)} × ${said(step1)}.`,
      expect: decimal(n - d),
      writes: BLANK,
      holds: [
        { what: 'round', value: decimal(round) },
        { what: 'other', value: decimal(n - d) },
      ],
      load: () => (d > 0n ? differenceLoad(n, step1) : sumLoad(n, step1)),
      slips: (slip) => {
        const right = `${said(n)} ${d > 0n ? '−' : '+'} ${said(step1)} = ${said(n - d)}`
        slip('not-balanced', decimal(n), 5, `The other factor moves as far the other way: ${right}.`)
        slip('step-twice', decimal(n - 2n * d), 3, `Only ${said(step1)} to the other side: ${right}.`)
        slip('fact', decimal(n - d + 1n), 2, `One too many. ${right}.`)
        slip('fact', decimal(n - d - 1n), 2, `One too few. ${right}.`)
      },
    })).units
    const product = (yield step({
      action: 'product',
      place: lengthOf(round * other) - 1,
      ask: `${said(round)} × ${said(other)}: how much?`,
      why: 'This is the square less the step squared.',
      expect: decimal(round * other),
      writes: () => lineOf(decimal(round * other), 0, true),
      holds: () => [{ what: 'product', value: decimal(round * other) }],
      load: () => productLoad(round, other),
      slips: (slip) => productSlips(slip, round, other),
    })).units
    const square = step1 * step1
    const value = (yield step({
      action: 'give-back',
      place: 0,
      ask: `Give back ${said(step1)} × ${said(step1)}: what is the square?`,
      why: `The product is too small by ${said(step1)} squared.`,
      expect: decimal(product + square),
      writes: () => lineOf(decimal(product + square), 0),
      load: () => ({
        facts: [...productLoad(step1, step1).facts, ...sumLoad(product, square).facts],
        carries: sumLoad(product, square).carries,
      }),
      slips: (slip) => {
        const right = `${said(product)} + ${said(square)} = ${said(product + square)}`
        slip('step-forgotten', decimal(product), 5, `${said(step1)} squared is still to be added: ${right}.`)
        slip('step-taken', decimal(product - square), 4, `The step squared is added: ${right}.`)
        slip(
          'doubled-not-squared',
          decimal(product + 2n * step1),
          3,
          `${said(step1)} is squared, not doubled: ${right}.`,
        )
        slip('step-not-squared', decimal(product + step1), 3, `${said(step1)} is squared first: ${right}.`)
        additionSlips(slip, product, square)
      },
    })).units
    return yield* placePoint(value, scale, SQUARE_DECIMALS)
  },
})
