/**
 * multiply-addition: take one factor apart by places, from the left, and keep a running total.
 * 67×8: 480, 56, 536. 34×27: 810, 108, 918.
 */
import { decimal } from '../../number/decimal.js'
import { digitsOf, said } from '../../number/whole.js'
import { productSpace } from '../../problem/products.js'
import { shape } from '../../problem/shape.js'
import { productLoad, sumLoad, together } from '../facts.js'
import { level } from '../level.js'
import { lineOf } from '../line.js'
import { misfit, step, technique } from '../make.js'
import { SPLIT } from '../schools.js'
import { additionSlips, productSlips } from '../slips.js'
import { FACTOR_DECIMALS, placePoint, productBoard, readWhole } from './product.js'
import { type Split, splitOf } from './split.js'

const products = (first: number, second: number, more: { carries?: number; zeros?: number } = {}) =>
  productSpace({ first: shape(first), second: shape(second), ...more })

export const multiplyAddition = technique({
  id: 'multiply-addition',
  name: 'Split and add',
  family: 'multiplication',
  about: 'Take one factor apart by places, multiply part by part from the left, and keep a running total.',
  needs: ['add-running-total'],
  lesson: {
    example: '67*8',
    when: 'One factor is short: one digit, or two with small digits.',
    whenNot: 'A factor just below a round number: round it up. Two long factors: go crosswise.',
    because: [
      '67 is 60 + 7.',
      '67 × 8 = 60 × 8 + 7 × 8.',
      'The largest part comes first, so the total is near the answer at once.',
    ],
  },
  schools: [SPLIT],
  // Targets: common practice, no published source.
  levels: [
    level('Two by one digit, nothing carries', 3, () => products(2, 1, { carries: 0, zeros: 0 })),
    level('Two by one digit', 3.5, () => products(2, 1)),
    level('Three by one digit, nothing carries', 5, () => products(3, 1, { carries: 0, zeros: 0 })),
    level('Three by one digit with a zero', 5, () => products(3, 1, { zeros: 1 })),
    level('Three by one digit', 6, () => products(3, 1)),
    level('Two by two digits, nothing carries', 8, () => products(2, 2, { carries: 0, zeros: 0 })),
    level('Two by two digits', 10, () => products(2, 2)),
    level('One decimal by one digit', 5, () => productSpace({ first: shape(1, 1), second: shape(1) })),
    level('Four by one digit', 8, () => products(4, 1)),
    level('Three by two digits', 15, () => products(3, 2)),
  ],
  dials: productBoard(8, 4),
  read(problem) {
    const found = readWhole(problem)
    if ('because' in found) return found
    if (found.a < 10n && found.b < 10n)
      return misfit('both factors have one digit: the table gives the answer')
    return found
  },
  *work(factors, school) {
    const { scale } = factors
    const { apart: parts, whole } = splitOf(factors, school, apart, costOf)!
    let total = 0n
    for (const [i, part] of parts.entries()) {
      const expect = part * whole
      const before = total
      const given = yield step({
        action: 'partial-product',
        place: digitsOf(part).length - 1,
        ask: `${said(part)} × ${said(whole)}: how much?`,
        why: `${said(part)} is a part of ${said(parts.reduce((sum, p) => sum + p, 0n))}, so its product is a part of the answer.`,
        expect: decimal(expect),
        writes: () => lineOf(decimal(before + (before === 0n ? expect : 0n)), 0, true),
        holds: () => [
          ...(before > 0n ? [{ what: 'total', value: decimal(before) }] : []),
          { what: 'product', value: decimal(expect) },
        ],
        load: () => productLoad(part, whole),
        slips: (slip) => productSlips(slip, part, whole),
      })
      if (i === 0) {
        total = given.units
        continue
      }
      const next = parts[i + 1]
      const product = given.units
      const sum = before + product
      total = (yield step({
        action: 'running-total',
        place: 0,
        ask: `${said(before)} and ${said(product)} more: what is the total?`,
        why: 'The products of the parts make up the product of the whole.',
        expect: decimal(sum),
        writes: () => lineOf(decimal(sum), 0, next !== undefined),
        holds: () => (next ? [{ what: 'total', value: decimal(sum) }] : []),
        load: () => sumLoad(before, product),
        slips: (slip) => {
          slip(
            'part-left-out',
            decimal(before),
            3,
            `The ${said(product)} is still to be added to ${said(before)}.`,
          )
          additionSlips(slip, before, product)
        },
      })).units
    }
    return yield* placePoint(total, scale, FACTOR_DECIMALS)
  },
})

/** The parts of a number by places, from the left: 304 is 300 and 4. */
function partsOf(n: bigint): bigint[] {
  return digitsOf(n)
    .map((d, place) => BigInt(d) * 10n ** BigInt(place))
    .filter((part) => part > 0n)
    .reverse()
}

function apart(factor: bigint): bigint[] | undefined {
  const parts = partsOf(factor)
  return factor > 9n ? parts : undefined
}

function costOf({ apart: parts, whole }: Split<readonly bigint[]>) {
  let total = 0n
  return together(
    ...parts.map((part) => {
      const before = total
      total += part * whole
      return before === 0n
        ? productLoad(part, whole)
        : together(productLoad(part, whole), sumLoad(before, part * whole))
    }),
  )
}
