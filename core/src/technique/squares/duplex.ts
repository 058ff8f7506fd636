/**
 * square-duplex: the duplex of a group of digits is twice each product of outer pairs plus the middle digit
 * squared; a square is the duplexes of growing, then shrinking groups, carried.
 */
import { decimal } from '../../number/decimal.js'
import { digitsOf, lengthOf } from '../../number/whole.js'
import { type NumberDials, numberSpace } from '../../problem/numbers.js'
import { squareOf } from '../../problem/problem.js'
import { shape } from '../../problem/shape.js'
import { mapped } from '../../problem/space.js'
import { dial } from '../boards.js'
import type { Fact } from '../contract.js'
import { sumLoad, together } from '../facts.js'
import { level } from '../level.js'
import { type Misfit, misfit, type SlipSink, technique } from '../make.js'
import { rightCarry, type SumColumn } from '../multiplication/columns.js'
import { placePoint } from '../multiplication/product.js'
import { readSquare, SQUARE_DECIMALS } from './square.js'

const MOST_DIGITS = 8

const space = (digits: number, dials: NumberDials = {}, decimals = 0) =>
  mapped(numberSpace([shape(digits - decimals, decimals)], dials), ([n]) => squareOf(n!))

export const squareDuplex = technique({
  id: 'square-duplex',
  name: 'Duplex',
  family: 'squares',
  about: 'Any number squared, one answer digit a column: each column is the duplex of a group of digits.',
  needs: ['multiply-crosswise'],
  lesson: {
    example: '34^2',
    when: 'Any number, when no round neighbour or base is near.',
    whenNot: 'It ends in 5 or lies near a base.',
    because: [
      'Crosswise with twice the same number, every cross product comes twice: 3×4 and 4×3.',
      'So each pair is multiplied once and doubled, and only a middle digit meets itself.',
      '34²: 4² = 16, twice 3×4 = 24, 3² = 9, carried: 1156.',
    ],
  },
  schools: [],
  // Targets: common practice, no published source.
  levels: [
    level('Two digits up to 3', 4, () => space(2, { largest: 3 })),
    level('Two digits', 6, () => space(2)),
    level('Three digits up to 3', 8, () => space(3, { largest: 3 })),
    level('Three digits with a zero', 9, () => space(3, { zeros: 1 })),
    level('Three digits', 14, () => space(3)),
    level('Three digits, one decimal', 15, () => space(3, {}, 1)),
    level('Four digits', 25, () => space(4)),
    level('Six digits', 60, () => space(6)),
    level('Eight digits', 110, () => space(8)),
  ],
  dials: {
    dials: [
      dial('digits', 'Digits of the number', 2, MOST_DIGITS, 3),
      dial('decimals', 'Decimals', 0, 4, 0),
      dial('largest', 'Largest digit', 1, 9),
      dial('zeros', 'Zeros written', 0, 7),
      dial('zeroRun', 'Longest run of zeros', 0, 7),
    ],
    problems: ({ digits = 3, decimals = 0, ...counts }) =>
      space(digits, counts, Math.min(decimals, digits - 1)),
  },
  read(problem): Duplexes | Misfit {
    const found = readSquare(problem)
    if ('because' in found) return found
    if (found.n < 10n) return misfit('the square of one digit is a table fact')
    return lengthOf(found.n) > MOST_DIGITS
      ? misfit(`the number has more than ${MOST_DIGITS} digits`)
      : { columns: duplexColumns(found.n), scale: found.scale }
  },
  *work({ columns, scale }) {
    const value = yield* rightCarry(columns)
    return yield* placePoint(value, scale, SQUARE_DECIMALS)
  },
})

interface Duplexes {
  readonly columns: readonly SumColumn[]
  readonly scale: number
}

/** Duplex of digits, from either end: D(a) = aa, D(ab) = 2ab, D(abc) = 2ac + bb. */
export function duplexOf(group: readonly number[]): number {
  let sum = 0
  for (let [i, j] = [0, group.length - 1]; i <= j; i += 1, j -= 1)
    sum += (i === j ? 1 : 2) * group[i]! * group[j]!
  return sum
}

function duplexColumns(n: bigint): SumColumn[] {
  const digits = digitsOf(n)
  return Array.from({ length: 2 * digits.length - 1 }, (_, k): SumColumn => {
    const group = digits.slice(Math.max(0, k - digits.length + 1), k + 1).reverse()
    const pairs: [number, number][] = []
    for (let [i, j] = [0, group.length - 1]; i < j; i += 1, j -= 1) pairs.push([group[i]!, group[j]!])
    const middle = group.length % 2 ? group[group.length >> 1] : undefined
    const parts = [
      ...pairs.map(([p, q]) => `2×${p}×${q}`),
      ...(middle === undefined ? [] : [`${middle}×${middle}`]),
    ]
    return {
      sum: duplexOf(group),
      work: () => `duplex of ${group.join(' ')}: ${parts.join(' + ')}`,
      why: 'Outer digits are paired and each product doubled; a middle digit is squared.',
      load: () => {
        const values = [
          ...pairs.map(([p, q]) => 2 * p * q),
          ...(middle === undefined ? [] : [middle * middle]),
        ].filter((v) => v > 0)
        let total = 0
        const sums = values.map((v) => {
          const load = total > 0 ? sumLoad(BigInt(total), BigInt(v)) : { facts: [], carries: 0 }
          total += v
          return { facts: load.facts, carries: 0 }
        })
        const facts: Fact[] = [
          ...pairs.flatMap(([p, q]): Fact[] => (p > 0 && q > 0 ? [`${p}x${q}`, `${p * q}x2`] : [])),
          ...(middle !== undefined && middle > 1 ? [`${middle}x${middle}` as const] : []),
        ]
        return together({ facts, carries: 0 }, ...sums)
      },
      slips: (slip) => duplexSlips(slip, pairs, middle, duplexOf(group), parts.join(' + ')),
    }
  })
}

function duplexSlips(
  slip: SlipSink,
  pairs: readonly [number, number][],
  middle: number | undefined,
  sum: number,
  work: string,
): void {
  const right = `${work} = ${sum}`
  for (const [p, q] of pairs)
    slip('not-doubled', decimal(sum - p * q), 7, `${p} × ${q} counts twice: ${right}.`)
  if (middle !== undefined && pairs.length > 0) {
    slip(
      'middle-doubled',
      decimal(sum + middle * middle),
      4,
      `The middle digit meets itself only once: ${right}.`,
    )
    slip(
      'middle-left-out',
      decimal(sum - middle * middle),
      4,
      `The middle digit squared belongs in it: ${right}.`,
    )
  }
  if (pairs.length > 1)
    for (const [p, q] of pairs)
      slip('product-left-out', decimal(sum - 2 * p * q), 4, `${p} × ${q} was left out: ${right}.`)
  for (const [p, q] of pairs) {
    if (p < 2 || q < 2) continue
    for (const off of [-2 * p, 2 * p, -2 * q, 2 * q])
      slip('fact', decimal(sum + off), 2, `A table fact is off: ${p} × ${q} = ${p * q}.`)
  }
  if (middle !== undefined && middle > 1) {
    slip(
      'doubled-not-squared',
      decimal(sum - middle * middle + 2 * middle),
      2,
      `${middle} is squared, not doubled: ${right}.`,
    )
    for (const off of [-middle, middle])
      slip('fact', decimal(sum + off), 2, `A table fact is off: ${middle} × ${middle} = ${middle * middle}.`)
  }
}
