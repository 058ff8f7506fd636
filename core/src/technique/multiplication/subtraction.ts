/**
 * multiply-subtraction: round one factor up, take the surplus back. 79×6: 480 − 6 = 474. 48×23: 1150 − 46 = 1104.
 */
import { decimal } from '../../number/decimal.js'
import { lengthOf, said } from '../../number/whole.js'
import { productOf } from '../../problem/problem.js'
import { mapped, pairs } from '../../problem/space.js'
import { dial } from '../boards.js'
import { differenceLoad, productLoad, together } from '../facts.js'
import { level } from '../level.js'
import { lineOf } from '../line.js'
import { misfit, step, technique } from '../make.js'
import { justBelow, ofDigits, type Rounded, roundedUp } from '../rounding.js'
import { SPLIT } from '../schools.js'
import { productSlips, takingSlips } from '../slips.js'
import { FACTOR_DECIMALS, placePoint, readWhole } from './product.js'
import { type Split, splitOf } from './split.js'

const near = (digits: number, other: number, surplus?: number) =>
  mapped(pairs(justBelow(digits, surplus), ofDigits(other, 2n)), ([a, b]) =>
    productOf(decimal(a), decimal(b)),
  )

export const multiplySubtraction = technique({
  id: 'multiply-subtraction',
  name: 'Round up and take back',
  family: 'multiplication',
  about: 'Round one factor up, multiply, and take the surplus back.',
  needs: ['multiply-addition'],
  lesson: {
    example: '79*6',
    when: 'A factor lies just below a round number: 79, 48, 2997.',
    whenNot: 'It lies well below, like 74: the surplus is then as much work as the product.',
    because: [
      '79 is 80 − 1.',
      '79 × 6 = 80 × 6 − 1 × 6.',
      'The round product comes from the table; only the surplus is taken back.',
    ],
  },
  schools: [SPLIT],
  // Targets: common practice, no published source.
  levels: [
    level('One below a ten, by one digit', 3.5, () => near(2, 1, 1)),
    level('Up to three below a ten, by one digit', 4, () => near(2, 1)),
    level('One below a ten, by two digits', 6, () => near(2, 2, 1)),
    level('Up to three below a ten, by two digits', 7, () => near(2, 2)),
    level('Three digits just below a round number, by one digit', 5, () => near(3, 1, 3)),
    level('Three digits, by one digit', 6, () => near(3, 1)),
    level('Three digits, by two digits', 9, () => near(3, 2)),
    level('Four digits just below a round number, by one digit', 6, () => near(4, 1, 3)),
    level('Four digits, by two digits', 12, () => near(4, 2)),
  ],
  dials: {
    dials: [
      dial('digits', 'Digits of the factor to round', 1, 5, 2),
      dial('other', 'Digits of the other factor', 1, 8, 1),
      dial('surplus', 'Surplus at most', 1, 333),
    ],
    problems: ({ digits = 2, other = 1, surplus }) => near(digits, other, surplus),
  },
  read(problem) {
    const found = readWhole(problem)
    if ('because' in found) return found
    if (!roundedUp(found.a) && !roundedUp(found.b)) return misfit('no factor lies just below a round number')
    return found.a === 1n || found.b === 1n ? misfit('a factor is 1') : found
  },
  *work(factors, school) {
    const { scale } = factors
    const { apart, whole } = splitOf(factors, school, roundedUp, costOf)!
    const { round, over } = apart
    const factor = round - over
    const product = (yield step({
      action: 'partial-product',
      place: lengthOf(round) - 1,
      ask: `${said(factor)} is ${said(round)} less ${said(over)}. ${said(round)} × ${said(whole)}: how much?`,
      why: `${said(round)} has fewer digits to multiply than ${said(factor)}.`,
      expect: decimal(round * whole),
      writes: () => lineOf(decimal(round * whole), 0, true),
      holds: () => [{ what: 'round product', value: decimal(round * whole) }],
      load: () => productLoad(round, whole),
      slips: (slip) => productSlips(slip, round, whole),
    })).units
    const surplus =
      over === 1n
        ? whole
        : (yield step({
            action: 'surplus',
            place: 0,
            ask: `${said(over)} × ${said(whole)}: how much is to be taken back?`,
            why: `${said(round)} is ${said(over)} too many, and each one counts ${said(whole)}.`,
            expect: decimal(over * whole),
            writes: () => lineOf(decimal(product), 0, true),
            holds: () => [
              { what: 'round product', value: decimal(product) },
              { what: 'to take back', value: decimal(over * whole) },
            ],
            load: () => productLoad(over, whole),
            slips: (slip) => {
              slip(
                'surplus-once',
                decimal(over),
                4,
                `The surplus counts ${said(whole)} times: ${said(over)} × ${said(whole)}.`,
              )
              productSlips(slip, over, whole)
            },
          })).units
    const rest = product - surplus
    const answer = yield step({
      action: 'give-back',
      place: 0,
      ask: `${said(product)} less ${said(surplus)}: how much is left?`,
      why: 'The round product is too large by the surplus.',
      expect: decimal(rest),
      writes: () => lineOf(decimal(rest), 0),
      load: () => differenceLoad(product, surplus),
      slips: (slip) => {
        slip(
          'surplus-added',
          decimal(product + surplus),
          6,
          `The factor was rounded up, so the ${said(surplus)} is taken away.`,
        )
        slip('surplus-kept', decimal(product), 3, `The ${said(surplus)} is still to be taken back.`)
        if (over === 1n)
          slip(
            'surplus-once',
            decimal(product - 1n),
            4,
            `One ${said(whole)} is too many, not 1: take ${said(whole)} back.`,
          )
        takingSlips(slip, product, surplus)
      },
    })
    return yield* placePoint(answer.units, scale, FACTOR_DECIMALS)
  },
})

function costOf({ apart: { round, over }, whole }: Split<Rounded>) {
  return together(
    productLoad(round, whole),
    productLoad(over, whole),
    differenceLoad(round * whole, over * whole),
  )
}
