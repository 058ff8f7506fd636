import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { seeded } from '../number/random.js'
import { TECHNIQUES, techniqueById } from '../registry/techniques.js'
import type { ParameterValues } from '../technique/contract.js'
import { usualValues } from '../technique/quantities/boards.js'
import { differenceSpace } from './differences.js'
import { printProblem } from './expression.js'
import { shape } from './shape.js'
import { draw, type ProblemSpace } from './space.js'
import { sumSpace } from './sums.js'

/** Parameters counted the slow, obvious way, on the digits written out. */
function countSum(a: string, b: string) {
  const width = Math.max(a.length, b.length)
  let [carry, carries, nines] = [0, 0, 0]
  for (let i = width - 1; i >= 0; i -= 1) {
    const sum = Number(a.padStart(width, '0')[i]) + Number(b.padStart(width, '0')[i])
    if (sum === 9 && carry) nines += 1
    carry = sum + carry > 9 ? 1 : 0
    carries += carry
  }
  return { carries, nines, zeros: [...(a + b)].filter((d) => d === '0').length }
}

function countDifference(a: string, b: string) {
  const low = b.padStart(a.length, '0')
  let [short, through, shortBelow] = [0, 0, false]
  for (let i = a.length - 1; i >= 0; i -= 1) {
    if (a[i]! < low[i]!) short += 1
    if (a[i] === low[i] && shortBelow) through += 1
    if (a[i] !== low[i]) shortBelow = a[i]! < low[i]!
  }
  return { short, through, zeros: [...a].filter((d) => d === '0').length }
}

function everything(space: ProblemSpace): string[] {
  return Array.from({ length: Number(space.size) }, (_, i) => printProblem(space.at(BigInt(i)))).sort()
}

function pairs(da: number, db: number, keep: (a: string, b: string) => boolean, sign: string): string[] {
  const found: string[] = []
  for (let a = 10 ** (da - 1); a < 10 ** da; a += 1)
    for (let b = 10 ** (db - 1); b < 10 ** db; b += 1)
      if (keep(String(a), String(b))) found.push(`${a}${sign}${b}`)
  return found.sort()
}

describe('a space holds exactly the problems that satisfy its parameters', () => {
  test.each([
    [2, 2, { carries: 0 }],
    [2, 2, { carries: 2, nines: 1 }],
    [3, 2, { carries: 1, zeros: 1 }],
    [3, 3, { carries: 2, nines: 1 }],
    [2, 2, { carries: 3 }],
  ])('sums of %i and %i digits with %o', (da, db, parameters) => {
    const want = Object.entries(parameters) as [keyof typeof parameters, number][]
    const keep = (a: string, b: string) =>
      want.every(([k, n]) => (countSum(a, b) as Record<string, number>)[k] === n)
    expect(everything(sumSpace({ terms: [shape(da), shape(db)], ...parameters }))).toEqual(
      pairs(da, db, keep, '+'),
    )
  })

  test.each([
    [2, 2, { short: 1 }],
    [3, 3, { short: 1, through: 1 }],
    [3, 2, { short: 2, zeros: 1 }],
    [3, 3, { short: 3 }],
  ])('differences of %i and %i digits with %o', (da, db, parameters) => {
    const want = Object.entries(parameters) as [string, number][]
    const keep = (a: string, b: string) =>
      Number(a) > Number(b) &&
      want.every(([k, n]) => (countDifference(a, b) as Record<string, number>)[k] === n)
    const space = differenceSpace({ minuend: shape(da), subtrahend: shape(db), ...parameters })
    expect(everything(space)).toEqual(pairs(da, db, keep, '-'))
  })
})

test('the smaller number first is the same space turned round', () => {
  const turned = differenceSpace({ minuend: shape(2), subtrahend: shape(2), short: 1, negative: true })
  const plain = differenceSpace({ minuend: shape(2), subtrahend: shape(2), short: 1 })
  expect(everything(turned)).toEqual(
    everything(plain)
      .map((p) => p.split('-').reverse().join('-'))
      .sort(),
  )
})

/** Answer columns that carry, from the product of what is written: the slow way. */
function productCarries(a: number, b: number): number {
  const [x, y] = [String(a), String(b)].map((t) => [...t].reverse().map(Number)) as [number[], number[]]
  let [carries, carry] = [0, 0]
  for (let k = 0; k < x.length + y.length - 2; k += 1) {
    for (const [i, d] of x.entries()) carry += d * (y[k - i] ?? 0)
    carry = Math.floor(carry / 10)
    if (carry > 0) carries += 1
  }
  return carries
}
const zerosIn = (...numbers: number[]) => [...numbers.join('')].filter((d) => d === '0').length
const longestRun = (n: number) => Math.max(0, ...(String(n).match(/0+/g) ?? []).map((z) => z.length))
const range = (from: number, to: number) => Array.from({ length: to - from + 1 }, (_, i) => from + i)

/** Parameters, and the same problems found by trying everything. */
const DIALLED: [string, ParameterValues, () => string[]][] = [
  [
    'multiply-crosswise',
    { first: 2, second: 2, carries: 1, zeros: 1 },
    () =>
      range(10, 99).flatMap((a) =>
        range(10, 99).flatMap((b) =>
          productCarries(a, b) === 1 && zerosIn(a, b) === 1 ? [`${a}*${b}`] : [],
        ),
      ),
  ],
  [
    'multiply-crosswise',
    { first: 4, second: 1, largest: 4, zeroRun: 2 },
    () =>
      range(1000, 9999).flatMap((a) =>
        range(2, 4).flatMap((b) => (!/[5-9]/.test(String(a)) && longestRun(a) === 2 ? [`${a}*${b}`] : [])),
      ),
  ],
  [
    'multiply-repunit',
    { digits: 3, ones: 2, carries: 2 },
    () => range(100, 999).flatMap((a) => (productCarries(a, 11) === 2 ? [`${a}*11`] : [])),
  ],
  [
    'divide-short',
    { digits: 4, divisor: 7, remainder: 2, zeros: 1 },
    () =>
      range(1000, 9999).flatMap((a) => (a % 7 === 2 && zerosIn(Math.floor(a / 7)) === 1 ? [`${a}/7`] : [])),
  ],
  ['square-near-base', { zeros: 2, most: 12, least: 3, side: 1 }, () => range(88, 97).map((n) => `${n}^2`)],
  ['square-ending-five', { digits: 3, zeros: 1 }, () => range(1, 9).map((h) => `${h}05^2`)],
  [
    'multiply-same-head',
    { digits: 2, padded: 1 },
    () => range(1, 9).flatMap((h) => [`${h}1*${h}9`, `${h}9*${h}1`]),
  ],
  [
    'subtract-complement',
    { minuend: 4, subtrahend: 2, zeroRun: 2 },
    () =>
      range(1000, 9999).flatMap((a) =>
        range(10, 99).flatMap((b) => (longestRun(a) === 2 ? [`${a}-${b}`] : [])),
      ),
  ],
]

test.each(DIALLED)('%s with parameters %o: exactly what trying everything finds', (id, parameters, all) => {
  expect(everything(techniqueById(id).parameters.problems(parameters))).toEqual(all().sort())
})

const SMALL: [string, ProblemSpace][] = [
  ['sums', sumSpace({ terms: [shape(1), shape(2)], carries: 1, zeros: 0 })],
  ['products', techniqueById('multiply-crosswise').parameters.problems({ first: 2, second: 1, carries: 1 })],
  [
    'numbers with a run of zeros',
    techniqueById('square-duplex').parameters.problems({ digits: 4, largest: 3, zeroRun: 2 }),
  ],
  ['quotients', techniqueById('divide-short').parameters.problems({ digits: 3, divisor: 7, remainder: 2 })],
  ['either side of a base', techniqueById('square-near-base').parameters.problems({ zeros: 2, most: 20 })],
]

test.each(SMALL)('drawing %s is uniform: chi-squared over a full enumeration', (_, space) => {
  const random = seeded(11)
  const seen = new Map<string, number>()
  const draws = 400 * Number(space.size)
  for (let i = 0; i < draws; i += 1) {
    const text = printProblem(draw(space, random).next().value!)
    seen.set(text, (seen.get(text) ?? 0) + 1)
  }
  const expected = draws / Number(space.size)
  const chi = everything(space).reduce((sum, p) => sum + ((seen.get(p) ?? 0) - expected) ** 2 / expected, 0)
  const freedom = Number(space.size) - 1
  // Wilson and Hilferty's cube-root approximation: beyond 3.7 standard deviations lies 1 case in 10,000.
  const z = (Math.cbrt(chi / freedom) - (1 - 2 / (9 * freedom))) / Math.sqrt(2 / (9 * freedom))
  expect(Math.abs(z)).toBeLessThan(3.7)
})

test('no problem comes twice while others are left, and then all come again', () => {
  const space = differenceSpace({ minuend: shape(1), subtrahend: shape(1), short: 0 })
  const size = Number(space.size)
  const source = draw(space, seeded(3))
  const take = () => Array.from({ length: size }, () => printProblem(source.next().value!)).sort()
  expect(take()).toEqual(everything(space))
  expect(take()).toEqual(everything(space))
  expect(draw(sumSpace({ terms: [shape(1), shape(1)], carries: 2 }), seeded(1)).next().done).toBe(true)
})

test('every level of every technique has problems, all of which fit it; so have its parameters as they stand at first', () => {
  for (const technique of TECHNIQUES)
    for (const space of [
      ...technique.levels.map((l) => l.problems()),
      technique.parameters.problems(usualValues(technique.parameters)),
    ]) {
      fc.assert(
        fc.property(fc.bigInt(0n, space.size - 1n), (i) => {
          expect(technique.fits(space.at(i))).toEqual({ fits: true })
        }),
        { numRuns: 40 },
      )
    }
})
