/**
 * square-duplex: the duplex of a group of digits is twice each product of outer pairs plus the middle digit
 * squared; a square is the duplexes of growing, then shrinking groups, carried.
 */

import { decimal } from '../../number/decimal.js'
import { present } from '../../number/present.js'
import { digitsOf, lengthOf } from '../../number/whole.js'
import { numberSpace } from '../../problem/numbers.js'
import { squareOf } from '../../problem/problem.js'
import { shape } from '../../problem/shape.js'
import { mapped } from '../../problem/space.js'
import { POINT } from '../../words/multiplication.js'
import { DUPLEX, SQUARE_MISFIT } from '../../words/squares.js'
import { REMARK } from '../../words/steps.js'
import type { Fact } from '../contract.js'
import { type Misfit, misfit, type SlipSink, technique } from '../make.js'
import { rightCarry, type SumColumn } from '../multiplication/columns.js'
import { placePoint } from '../multiplication/product.js'
import { parameter } from '../quantities/boards.js'
import { columnTotal, holdsThat, type Quantity } from '../quantities/quantities.js'
import { readSquare } from './square.js'

const MOST_DIGITS = 8

interface Duplexes {
  readonly columns: readonly SumColumn[]
  readonly scale: number
}

export const squareDuplex = technique({
  id: 'square-duplex',
  words: DUPLEX,
  family: 'squares',
  needs: ['multiply-crosswise'],
  // Targets: common practice, no published source.
  levels: [
    ['Two digits up to 3', 4, { digits: 2, largest: 3 }],
    ['Two digits', 6, { digits: 2 }],
    ['Three digits up to 3', 8, { largest: 3 }],
    ['Three digits with a zero', 9, { zeros: 1 }],
    ['Three digits', 14, {}],
    ['Three digits, one decimal', 15, { decimals: 1 }],
    ['Four digits', 25, { digits: 4 }],
    ['Six digits', 60, { digits: 6 }],
    ['Eight digits', 110, { digits: 8 }],
  ],
  parameters: {
    parameters: [
      parameter('digits', 'Digits of the number', 2, MOST_DIGITS, 3),
      parameter('decimals', 'Decimals', 0, 4, 0),
      parameter('largest', 'Largest digit', 1, 9),
      parameter('zeros', 'Zeros written', 0, 7),
      parameter('zeroRun', 'Longest run of zeros', 0, 7),
    ],
    problems({ digits = 3, decimals = 0, ...counts }) {
      const behind = Math.min(decimals, digits - 1)
      return mapped(numberSpace([shape(digits - behind, behind)], counts), ([n]) => squareOf(n!))
    },
  },
  read(problem): Duplexes | Misfit {
    const found = readSquare(problem)
    if ('because' in found) return found
    if (found.n < 10n) return misfit(DUPLEX.oneDigit)
    return lengthOf(found.n) > MOST_DIGITS
      ? misfit(SQUARE_MISFIT.long(MOST_DIGITS))
      : { columns: duplexColumns(found.n), scale: found.scale }
  },
  *work({ columns, scale }) {
    return yield* placePoint(yield* rightCarry(columns, -scale), scale, POINT.square)
  },
})

interface Duplex {
  readonly pairs: readonly (readonly [number, number])[]
  readonly middle: number | undefined
}

/** Pairs of outer digits, and the digit in the middle of an odd group. */
function pairsOf(group: readonly number[]): Duplex {
  const pairs = group
    .slice(0, group.length >> 1)
    .map((p, i) => [p, present(group[group.length - 1 - i])] as const)
  return { pairs, middle: group.length % 2 ? group[group.length >> 1] : undefined }
}

/** Duplex of digits, from either end: D(a) = aa, D(ab) = 2ab, D(abc) = 2ac + bb. @param carry what comes in from the column before */
export function duplexOf(group: readonly number[], carry = 0): Quantity {
  const { pairs, middle } = pairsOf(group)
  const doubled = pairs.map(([p, q]) => {
    const facts: Fact[] = p > 0 && q > 0 ? [`${p}x${q}`, `${p * q}x2`] : []
    return { text: `2 × ${p} × ${q}`, value: 2 * p * q, load: { facts, carries: 0 } }
  })
  const squared = (m: number) => {
    const facts: Fact[] = m > 1 ? [`${m}x${m}`] : []
    return { text: `${m} × ${m}`, value: m * m, load: { facts, carries: 0 } }
  }
  return columnTotal([...doubled, ...(middle === undefined ? [] : [squared(middle)])], carry)
}

function duplexColumns(n: bigint): SumColumn[] {
  const digits = digitsOf(n)
  return Array.from({ length: 2 * digits.length - 1 }, (_, k): SumColumn => {
    const group = digits.slice(Math.max(0, k - digits.length + 1), k + 1).reverse()
    return {
      sum: Number(duplexOf(group).value.units),
      quantity: (carry) => duplexOf(group, carry),
      ask: DUPLEX.column(group.join(' ')),
      why: () => DUPLEX.why,
      slips: (slip) => duplexSlips(slip, group),
    }
  })
}

/** The mistakes of one duplex. */
export function duplexSlips(slip: SlipSink, group: readonly number[]): void {
  const { pairs, middle } = pairsOf(group)
  const duplex = duplexOf(group)
  const right = holdsThat(duplex)
  const sum = Number(duplex.value.units)
  const say = (id: Parameters<SlipSink>[0], by: number, odds: number, remark: string) =>
    slip(id, decimal(sum + by), odds, remark)
  for (const [p, q] of pairs) say('not-doubled', -p * q, 7, DUPLEX.once(`${p} × ${q}`, right))
  if (middle !== undefined && pairs.length > 0) {
    say('doubled', middle * middle, 4, DUPLEX.middleTwice(right))
    say('product-left-out', -middle * middle, 4, DUPLEX.middleMissing(right))
  }
  if (pairs.length > 1)
    for (const [p, q] of pairs) say('product-left-out', -2 * p * q, 4, DUPLEX.missing(`${p} × ${q}`, right))
  for (const [p, q] of pairs)
    if (p > 1 && q > 1)
      for (const off of [-2 * p, 2 * p, -2 * q, 2 * q])
        say('fact', off, 2, REMARK.check(`${p} × ${q} = ${p * q}`))
  if (middle !== undefined && middle > 1) {
    const square = `${middle} × ${middle} = ${middle * middle}`
    say('doubled-not-squared', 2 * middle - middle * middle, 2, REMARK.doubledNotSquared(square))
    for (const off of [-middle, middle]) say('fact', off, 2, REMARK.check(square))
  }
}
