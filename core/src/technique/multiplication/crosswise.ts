/**
 * multiply-crosswise: one answer digit a column; column k sums a_i × b_j over i + j = k, the shorter factor padded
 * with zeros at the left. 36×52: 12 → 2 carry 1; 6 + 30 = 36, +1 = 37 → 7 carry 3; 15 + 3 = 18: 1872.
 */
import { decimal } from '../../number/decimal.js'
import { digitsOf } from '../../number/whole.js'
import { productSpace } from '../../problem/products.js'
import { shape } from '../../problem/shape.js'
import type { Fact, Spot } from '../contract.js'
import { sumLoad, together } from '../facts.js'
import { level } from '../level.js'
import { type Misfit, misfit, type SlipSink, technique } from '../make.js'
import { ORDER } from '../schools.js'
import {
  endsFirst,
  leftMend,
  rightCarry,
  rightRaw,
  type SumColumn,
  type Walk,
  type Walking,
} from './columns.js'
import { FACTOR_DECIMALS, placePoint, productBoard, readWhole } from './product.js'

export const MOST_DIGITS = 8

const products = (
  first: number,
  second: number,
  counts: { carries?: number; largest?: number; zeros?: number } = {},
) => productSpace({ first: shape(first), second: shape(second), ...counts })

export const multiplyCrosswise = technique({
  id: 'multiply-crosswise',
  name: 'Crosswise',
  family: 'multiplication',
  about: 'Any length by any length: one answer digit a column, each the sum of its cross products.',
  needs: ['multiply-addition'],
  lesson: {
    example: '36*52',
    when: 'Any two factors, when the answer is written digit by digit and no part shall be stored.',
    whenNot: 'The factors have a shape of their own: near a base, the same head, repeated digits.',
    because: [
      '36 × 52 = (30 + 6) × (50 + 2).',
      'Units: 6×2. Tens: 3×2 and 6×5, for tens times units are tens. Hundreds: 3×5.',
      'A column holds one digit, so its tens go into the next.',
    ],
  },
  schools: [ORDER],
  // Targets: common practice, no published source (2×2 in 6 s, 3×2 in 6 s after practice from 15 s).
  levels: [
    level('Two by one digit, nothing carries', 4, () => products(2, 1, { carries: 0, zeros: 0 })),
    level('Two by one digit', 4, () => products(2, 1)),
    level('Two by two digits, nothing carries', 5, () => products(2, 2, { carries: 0, zeros: 0 })),
    level('Two by two digits, one carry', 6, () => products(2, 2, { carries: 1 })),
    level('Two by two digits, both columns carry', 6, () => products(2, 2, { carries: 2 })),
    level('Three by two digits, nothing carries', 8, () => products(3, 2, { carries: 0, zeros: 0 })),
    level('Three by two digits, one carry', 10, () => products(3, 2, { carries: 1 })),
    level('Three by two digits', 15, () => products(3, 2)),
    level('Three by three digits, nothing carries', 12, () => products(3, 3, { carries: 0, zeros: 0 })),
    level('Three by three digits with two zeros', 15, () => products(3, 3, { zeros: 2 })),
    level('Three by three digits', 20, () => products(3, 3)),
    level('One decimal', 12, () => productSpace({ first: shape(1, 1), second: shape(2) })),
    level('Four by two digits', 20, () => products(4, 2)),
    level('Four by four digits, small digits', 25, () => products(4, 4, { largest: 3 })),
    level('Four by four digits', 40, () => products(4, 4)),
    level('Six by six digits', 90, () => products(6, 6)),
    level('Eight by eight digits', 150, () => products(8, 8)),
  ],
  dials: productBoard(MOST_DIGITS, MOST_DIGITS),
  read(problem): Crossing | Misfit {
    const found = readWhole(problem)
    if ('because' in found) return found
    const longest = Math.max(found.a.toString().length, found.b.toString().length)
    return longest > MOST_DIGITS
      ? misfit(`a factor has ${longest} digits; at most ${MOST_DIGITS} are worked crosswise`)
      : { columns: crossColumns(found.a, found.b), scale: found.scale }
  },
  *work({ columns, scale }, school) {
    const value = yield* workColumns(columns, school.order!)
    return yield* placePoint(value, scale, FACTOR_DECIMALS)
  },
})

interface Crossing {
  readonly columns: readonly SumColumn[]
  readonly scale: number
}

const WALKS: Readonly<Record<string, Walk>> = {
  'right-carry': rightCarry,
  'right-raw': rightRaw,
  'left-mend': leftMend,
  'ends-first': endsFirst,
}

/** @param order one of the values of the school option `order`. */
export function* workColumns(columns: readonly SumColumn[], order: string, shift = 0): Walking {
  return yield* WALKS[order]!(columns, shift)
}

interface Cross {
  readonly i: number
  readonly j: number
  readonly a: number
  readonly b: number
}

/** The columns of a product from the units up. */
export function crossColumns(a: bigint, b: bigint): SumColumn[] {
  const [as, bs] = [digitsOf(a), digitsOf(b)]
  return Array.from({ length: as.length + bs.length - 1 }, (_, k) => {
    const crosses: Cross[] = []
    for (let i = Math.min(k, as.length - 1); i >= Math.max(0, k - bs.length + 1); i -= 1)
      crosses.push({ i, j: k - i, a: as[i]!, b: bs[k - i]! })
    return crossColumn(crosses)
  })
}

function crossColumn(crosses: readonly Cross[]): SumColumn {
  const products = crosses.map((c) => c.a * c.b)
  const sum = products.reduce((total, p) => total + p, 0)
  return {
    sum,
    work: () => crosses.map((c) => `${c.a}×${c.b}`).join(' + '),
    why: 'Every product of two digits whose places add up to this place belongs in this column.',
    load: () => {
      const sums = []
      let total = 0
      for (const p of products.filter((n) => n > 0)) {
        if (total > 0) sums.push(sumLoad(BigInt(total), BigInt(p)))
        total += p
      }
      return together(
        { facts: crosses.filter((c) => c.a > 1 && c.b > 1).map((c): Fact => `${c.a}x${c.b}`), carries: 0 },
        ...sums.map(({ facts }) => ({ facts, carries: 0 })),
      )
    },
    links: () =>
      crosses.map((c): [Spot, Spot] => [
        [0, c.i],
        [1, c.j],
      ]),
    slips: (slip) => crossSlips(slip, crosses, sum),
  }
}

function crossSlips(slip: SlipSink, crosses: readonly Cross[], sum: number): void {
  const told = (c: Cross) => `${c.a} × ${c.b} = ${c.a * c.b}`
  if (crosses.length > 1) {
    for (const c of crosses)
      slip(
        'product-left-out',
        decimal(sum - c.a * c.b),
        6,
        `${told(c)} belongs in this column too: ${crosses.length} products are summed here.`,
      )
    if (crosses.length === 2) {
      const [p, q] = crosses as readonly [Cross, Cross]
      slip(
        'straight-not-cross',
        decimal(p.a * q.b + q.a * p.b),
        4,
        `Multiply crosswise here: ${p.a} with ${p.b} and ${q.a} with ${q.b}.`,
      )
    }
  }
  for (const c of crosses) {
    if (c.a < 2 || c.b < 2) continue
    // The commonest wrong products are right ones of the neighbouring row of the table.
    for (const off of [-c.a, c.a, -c.b, c.b])
      slip('fact', decimal(sum + off), 2, `A table fact is off: ${told(c)}.`)
  }
  if (crosses.length > 1) {
    for (const off of [-1, 1, -10, 10])
      slip(
        'sum',
        decimal(sum + off),
        1,
        `The products are right, their sum is not: ${crosses.map((c) => c.a * c.b).join(' + ')} = ${sum}.`,
      )
  }
  for (const c of crosses)
    slip('off-column', decimal(sum + 9 * c.a * c.b), 2, `${told(c)} went in one column too far to the left.`)
}
