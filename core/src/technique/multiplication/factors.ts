/**
 * multiply-factors: break one factor into one-digit factors and multiply by one after the other. 46×35 = 46×5×7:
 * 230, 1610. The middle value is said twice, for it is held.
 */
import { decimal } from '../../number/decimal.js'
import { lengthOf, said } from '../../number/whole.js'
import { productOf } from '../../problem/problem.js'
import { between, kept, mapped, pairs } from '../../problem/space.js'
import { dial } from '../boards.js'
import { productLoad, together } from '../facts.js'
import { level } from '../level.js'
import { lineOf } from '../line.js'
import { misfit, step, technique } from '../make.js'
import { ofDigits } from '../rounding.js'
import { SPLIT } from '../schools.js'
import { productSlips } from '../slips.js'
import { FACTOR_DECIMALS, placePoint, readWhole } from './product.js'
import { type Split, splitOf } from './split.js'

/** Numbers that break up; tens are left out, for they are worked by their zero. */
const composite = (count?: number, most = 99) =>
  kept(between(10, most), (n) => {
    const ways = waysApart(n)
    return n % 10n !== 0n && ways.length > 0 && (count === undefined || ways[0]!.length === count)
  })
const by = (digits: number, count?: number, most?: number) =>
  mapped(pairs(ofDigits(digits, 2n), composite(count, most)), ([a, b]) => productOf(decimal(a), decimal(b)))

export const multiplyFactors = technique({
  id: 'multiply-factors',
  name: 'One factor after another',
  family: 'multiplication',
  about: 'Break one factor into one-digit factors and multiply by them one after the other.',
  needs: ['multiply-addition'],
  lesson: {
    example: '46*35',
    when: 'A factor is a product of one-digit numbers: 35 = 5 × 7, 48 = 6 × 8.',
    whenNot: 'It hides a prime above 7, like 26 or 34.',
    because: [
      '35 is 5 × 7.',
      '46 × 35 = 46 × 5 × 7.',
      'Two short products take the place of a product and a sum.',
    ],
  },
  schools: [SPLIT],
  // Targets: common practice, no published source.
  levels: [
    level('One digit by two factors', 4, () => by(1, 2, 30)),
    level('Two digits by two factors, to 30', 6, () => by(2, 2, 30)),
    level('Two digits by two factors', 7, () => by(2, 2)),
    level('Two digits by three factors', 9, () => by(2, 3)),
    level('Three digits by two factors', 10, () => by(3, 2)),
    level('Three digits by three factors', 13, () => by(3, 3)),
    level('Three digits by a three-digit product', 16, () => by(3, 3, 729)),
  ],
  dials: {
    dials: [
      dial('digits', 'Digits of the number', 1, 8, 2),
      dial('count', 'Factors the other breaks into', 2, 6),
      dial('most', 'Largest value of the other factor', 10, 999, 99),
    ],
    problems: ({ digits = 2, count, most = 99 }) => by(digits, count, most),
  },
  read(problem) {
    const found = readWhole(problem)
    if ('because' in found) return found
    if (found.a === 1n || found.b === 1n) return misfit('a factor is 1')
    return breaksUp(found.a) || breaksUp(found.b) ? found : misfit('no factor breaks into one-digit factors')
  },
  *work(factors, school) {
    const { scale } = factors
    const { apart, whole } = splitOf(factors, school, bestApart, costOf)!
    const composed = apart.reduce((product, f) => product * f, 1n)
    let value = whole
    for (const [i, factor] of apart.entries()) {
      const before = value
      const expect = before * factor
      const last = i === apart.length - 1
      const opening = i === 0 ? `${said(composed)} is ${apart.map(said).join(' × ')}. ` : ''
      value = (yield step({
        action: 'product',
        place: lengthOf(expect) - 1,
        ask: `${opening}${said(before)} × ${said(factor)}: how much?`,
        why: 'Multiplying by the factors one after the other is multiplying by their product.',
        expect: decimal(expect),
        writes: () => lineOf(decimal(expect), 0, !last),
        holds: () => (last ? [] : [{ what: 'so far', value: decimal(expect) }]),
        load: () => productLoad(before, factor),
        slips: (slip) => {
          if (last) {
            slip(
              'factor-left-out',
              decimal(before),
              4,
              `${said(composed)} has one factor more: times ${said(factor)}.`,
            )
            if (i > 0)
              slip(
                'middle-lost',
                decimal(whole * factor),
                5,
                `The value to multiply is ${said(before)}, not ${said(whole)}: say it twice to hold it.`,
              )
          }
          productSlips(slip, before, factor)
          slip(
            'factors-added',
            decimal(before + factor),
            1,
            `The ${said(factor)} is a factor: multiply by it.`,
          )
        },
      })).units
    }
    return yield* placePoint(value, scale, FACTOR_DECIMALS)
  },
})

/** Every way to write a number as one-digit factors in rising order, fewest factors first; none for 1-digit numbers. */
function waysApart(n: bigint): bigint[][] {
  const found: bigint[][] = []
  const search = (rest: bigint, least: bigint, factors: bigint[]) => {
    if (rest <= 9n && rest >= least && factors.length > 0) found.push([...factors, rest])
    for (let f = least; f <= 9n && f * f <= rest; f += 1n)
      if (rest % f === 0n) search(rest / f, f, [...factors, f])
  }
  if (n >= 10n) search(n, 2n, [])
  return found.sort((x, y) => x.length - y.length)
}

function breaksUp(n: bigint): boolean {
  if (n < 10n) return false
  let rest = n
  for (const p of [2n, 3n, 5n, 7n]) while (rest % p === 0n) rest /= p
  return rest === 1n
}

/** The way with the least work for this other factor; ties go to fewer factors, the smaller first. */
function bestApart(factor: bigint, whole: bigint): bigint[] | undefined {
  if (!breaksUp(factor)) return undefined
  const [fewest] = waysApart(factor)
  const ways = waysApart(factor).filter((w) => w.length === fewest!.length)
  const cost = (apart: readonly bigint[]) => {
    const { facts, carries } = costOf({ apart, whole })
    return facts.length + carries
  }
  const orders = ways.flatMap((w) => [w, [...w].reverse()])
  return orders.reduce((best, way) => (cost(way) < cost(best) ? way : best), orders[0]!)
}

function costOf({ apart, whole }: Split<readonly bigint[]>) {
  let value = whole
  return together(
    ...apart.map((factor) => {
      const load = productLoad(value, factor)
      value *= factor
      return load
    }),
  )
}
