/**
 * multiply-factors: break one factor into one-digit factors and multiply by one after the other. 38×35 = 38×5×7:
 * 190, 1330. The middle value is said twice, for it is held. Any way to break it up will do.
 */

import { type Decimal, decimal } from '../../number/decimal.js'
import { firstOf, present } from '../../number/present.js'
import { said } from '../../number/whole.js'
import { productOf } from '../../problem/problem.js'
import { between, kept, mapped, pairs } from '../../problem/space.js'
import { FACTORS, MISFIT } from '../../words/multiplication.js'
import type { Step } from '../contract.js'
import { productLoad, together } from '../facts.js'
import { BLANK, wholeLine } from '../line.js'
import { misfit, step, technique } from '../make.js'
import { parameter } from '../quantities/boards.js'
import { ask, holdsThat, product } from '../quantities/quantities.js'
import { ofDigits } from '../quantities/rounding.js'
import { SPLIT } from '../variants.js'
import { placePoint, readWhole } from './product.js'
import { type Split, splitOf } from './split.js'

export const multiplyFactors = technique({
  id: 'multiply-factors',
  words: FACTORS,
  family: 'multiplication',
  needs: ['multiply-addition'],
  variants: [SPLIT],
  // Targets: common practice, no published source.
  levels: [
    ['One digit by two factors', 4, { digits: 1, count: 2, most: 30 }],
    ['Two digits by two factors, to 30', 6, { count: 2, most: 30 }],
    ['Two digits by two factors', 7, { count: 2 }],
    ['Two digits by three factors', 9, { count: 3 }],
    ['Three digits by two factors', 10, { digits: 3, count: 2 }],
    ['Three digits by three factors', 13, { digits: 3, count: 3 }],
    ['Three digits by a three-digit product', 16, { digits: 3, count: 3, most: 729 }],
  ],
  parameters: {
    parameters: [
      parameter('digits', 'Digits of the number', 1, 8, 2),
      parameter('count', 'Factors the other breaks into', 2, 6),
      parameter('most', 'Largest value of the other factor', 10, 999, 99),
    ],
    // Tens are left out, for they are worked by their zero.
    problems({ digits = 2, count, most = 99 }) {
      const composite = kept(between(10, most), (n) => {
        const ways = waysApart(n)
        return n % 10n !== 0n && ways.length > 0 && (count === undefined || present(ways[0]).length === count)
      })
      return mapped(pairs(ofDigits(digits, 2n), composite), ([a, b]) => productOf(decimal(a), decimal(b)))
    },
  },
  read(problem) {
    const found = readWhole(problem)
    if ('because' in found) return found
    if (found.a === 1n || found.b === 1n) return misfit(MISFIT.one)
    return breaksUp(found.a) || breaksUp(found.b) ? found : misfit(FACTORS.prime)
  },
  *work(factors, variant) {
    const { scale } = factors
    const { apart, whole } = present(splitOf(factors, variant, bestApart, costOf))
    const composed = apart.reduce((total, f) => total * f, 1n)
    let value = whole
    let left = composed
    let way: readonly bigint[] = apart
    while (left > 1n) {
      const first = value === whole && left === composed
      const known = left < 10n
      const factor = known ? left : yield* decide(left, way, scale, value === whole ? undefined : value)
      way =
        left % factor === 0n
          ? way[0] === factor
            ? way.slice(1)
            : (bestApart(left / factor, value) ?? [])
          : []
      const before = value
      const rest = left % factor === 0n ? left / factor : 1n
      const last = rest === 1n
      const times = product(before, factor)
      value = (yield ask(times, {
        action: 'product',
        place: -scale,
        ask: known && !first ? FACTORS.askRest(said(before)) : FACTORS.ask(said(before), said(factor), !last),
        why: FACTORS.why(said(composed)),
        writes: () => wholeLine(times.value.units, scale, !last),
        holds: () => (last ? [] : [{ what: 'so far', value: times.value }]),
        total: true,
        slips(slip) {
          if (last && !first) {
            slip('factor-left-out', decimal(before), 4, FACTORS.leftOut(said(composed)))
            slip('middle-lost', decimal(whole * factor), 5, FACTORS.middle(said(before)))
          }
          times.slips(slip)
          slip(
            'added-not-multiplied',
            decimal(before + factor),
            1,
            `${FACTORS.multiply}: ${holdsThat(times)}.`,
          )
        },
      })).units
      left = rest
    }
    return yield* placePoint(value, scale)
  },
})

/** Which one-digit factor is taken first: any that leaves a number which breaks up too. */
function* decide(
  left: bigint,
  way: readonly bigint[],
  scale: number,
  soFar: bigint | undefined,
): Generator<Step, bigint, Decimal> {
  const expected = way[0] ?? present(present(waysApart(left)[0])[0])
  const valid = digits.filter((f) => left % f === 0n && (left / f < 10n || breaksUp(left / f)))
  const rest = way.length > 1 ? way : present(waysApart(left)[0])
  const entry = (yield step({
    action: 'decide',
    place: -scale,
    ask: FACTORS.decide(said(left)),
    why: FACTORS.whyDecide(rest.map(said), said(left)),
    expect: decimal(expected),
    also: (n) => n.scale === 0 && valid.includes(n.units),
    decision: [expected, ...valid.filter((f) => f !== expected)].map((f) => decimal(f)),
    writes: () => (soFar === undefined ? BLANK : wholeLine(soFar, scale, true)),
    holds: [
      ...(soFar === undefined ? [] : [{ what: 'so far', value: decimal(soFar) }]),
      { what: 'factor', value: decimal(expected) },
    ],
    reckons: `${left} ÷ ${left / expected}`,
    load: { facts: [`${Number(left)}/${Number(left / expected)}`], carries: 0 },
    slips(slip) {
      for (const f of digits)
        if (f !== expected && !valid.includes(f)) slip('fact', decimal(f), 1, FACTORS.notFactor(said(left)))
    },
  })).units
  return entry < 1n ? expected : entry
}

const digits = [2n, 3n, 4n, 5n, 6n, 7n, 8n, 9n]

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
  const [fewest] = firstOf(1, waysApart(factor))
  const ways = waysApart(factor).filter((w) => w.length === fewest.length)
  const cost = (apart: readonly bigint[]) => {
    const { facts, carries } = costOf({ apart, whole })
    return facts.length + carries
  }
  const orders = ways.flatMap((w) => [w, [...w].reverse()])
  return orders.reduce((best, way) => (cost(way) < cost(best) ? way : best), present(orders[0]))
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
