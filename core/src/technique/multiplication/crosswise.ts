/**
 * multiply-crosswise: one answer digit a column; column k sums a_i × b_j over i + j = k, the shorter factor padded
 * with zeros at the left. 36×52: 12 → 2 carry 1; 6 + 30 = 36, +1 = 37 → 7 carry 3; 15 + 3 = 18: 1872.
 */

import { decimal } from '../../number/decimal.js'
import { firstOf, present } from '../../number/present.js'
import { digitsOf, lengthOf } from '../../number/whole.js'
import { CROSSWISE, MISFIT } from '../../words/multiplication.js'
import { REMARK } from '../../words/steps.js'
import type { Fact, Spot } from '../contract.js'
import { type Misfit, misfit, type SlipSink, technique } from '../make.js'
import { columnTotal } from '../quantities/quantities.js'
import { ORDER } from '../variants.js'
import { endsFirst, leftMend, rightCarry, rightRaw, type SumColumn, type Walk } from './columns.js'
import { placePoint, productBoard, readWhole } from './product.js'
import { crossPattern } from './special/pattern.js'

const MOST_DIGITS = 8

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

export const multiplyCrosswise = technique({
  id: 'multiply-crosswise',
  words: CROSSWISE,
  family: 'multiplication',
  needs: ['multiply-addition'],
  variants: [ORDER],
  // Targets: common practice, no published source (2×2 in 6 s, 3×2 in 6 s after practice from 15 s).
  levels: [
    ['Two by one digit, nothing carries', 4, { second: 1, carries: 0, zeros: 0 }],
    ['Two by one digit', 4, { second: 1 }],
    ['Two by two digits, nothing carries', 5, { carries: 0, zeros: 0 }],
    ['Two by two digits, one carry', 6, { carries: 1 }],
    ['Two by two digits, both columns carry', 6, { carries: 2 }],
    ['Three by two digits, nothing carries', 8, { first: 3, carries: 0, zeros: 0 }],
    ['Three by two digits, one carry', 10, { first: 3, carries: 1 }],
    ['Three by two digits', 15, { first: 3 }],
    ['Three by three digits, nothing carries', 12, { first: 3, second: 3, carries: 0, zeros: 0 }],
    ['Three by three digits with two zeros', 15, { first: 3, second: 3, zeros: 2 }],
    ['Three by three digits', 20, { first: 3, second: 3 }],
    ['One decimal', 12, { decimals: 1 }],
    ['Four by two digits', 20, { first: 4 }],
    ['Four by four digits, small digits', 25, { first: 4, second: 4, largest: 3 }],
    ['Four by four digits', 40, { first: 4, second: 4 }],
    ['Six by six digits', 90, { first: 6, second: 6 }],
    ['Eight by eight digits', 150, { first: 8, second: 8 }],
  ],
  parameters: productBoard(MOST_DIGITS, MOST_DIGITS),
  read(problem): Crossing | Misfit {
    const found = readWhole(problem)
    if ('because' in found) return found
    if ([found.a, found.b].some((n) => lengthOf(n) > MOST_DIGITS)) return misfit(MISFIT.long(MOST_DIGITS))
    const scales = problem.kind === 'product' ? problem.factors.map((f) => f.scale) : undefined
    // Only a product stands in two rows whose digits can be joined.
    return {
      columns: crossColumns(found.a, found.b, scales as [number, number] | undefined),
      scale: found.scale,
    }
  },
  *work({ columns, scale }, { order }) {
    return yield* placePoint(yield* present(WALKS[order!])(columns, -scale), scale)
  },
})

interface Cross {
  readonly i: number
  readonly j: number
  readonly a: number
  readonly b: number
}

/**
 * The columns of a product from the units up.
 * @param scales decimals of the two factors where they stand in the rows of the problem, so that lines can join them
 */
export function crossColumns(a: bigint, b: bigint, scales?: readonly [number, number]): SumColumn[] {
  const [as, bs] = [digitsOf(a), digitsOf(b)]
  return crossPattern(as.length, bs.length).map((pairs) => {
    const crosses = pairs.map(([i, j]): Cross => ({ i, j, a: present(as[i]), b: present(bs[j]) }))
    return crossColumn(crosses, scales)
  })
}

const told = (c: Cross) => `${c.a} × ${c.b}`

function crossColumn(crosses: readonly Cross[], scales: readonly [number, number] | undefined): SumColumn {
  const sum = crosses.reduce((total, c) => total + c.a * c.b, 0)
  const parts = crosses.map((c) => {
    const facts: Fact[] = c.a > 1 && c.b > 1 ? [`${c.a}x${c.b}`] : []
    return { text: told(c), value: c.a * c.b, load: { facts, carries: 0 } }
  })
  return {
    sum,
    quantity: (carry) => columnTotal(parts, carry),
    why: CROSSWISE.why,
    ...(scales && {
      links: crosses.map((c): [Spot, Spot] => [
        [0, c.i - scales[0]],
        [1, c.j - scales[1]],
      ]),
    }),
    slips: (slip) => crossSlips(slip, crosses, sum),
  }
}

function crossSlips(slip: SlipSink, crosses: readonly Cross[], sum: number): void {
  const holds = (c: Cross) => `${told(c)} = ${c.a * c.b}`
  if (crosses.length > 1)
    for (const c of crosses)
      slip('product-left-out', decimal(sum - c.a * c.b), 6, CROSSWISE.leftOut(holds(c), crosses.length))
  if (crosses.length === 2) {
    const [p, q] = firstOf(2, crosses)
    slip('straight-not-cross', decimal(p.a * q.b + q.a * p.b), 4, CROSSWISE.straight(told(p), told(q)))
  }
  for (const c of crosses) {
    if (c.a < 2 || c.b < 2) continue
    // The commonest wrong products are right ones of the neighbouring row of the table.
    for (const off of [-c.a, c.a, -c.b, c.b]) slip('fact', decimal(sum + off), 2, REMARK.check(holds(c)))
  }
  if (crosses.length > 1)
    for (const off of [-1, 1, -10, 10]) {
      const right = `${crosses.map((c) => c.a * c.b).join(' + ')} = ${sum}`
      slip('fact', decimal(sum + off), 1, CROSSWISE.sum(right))
    }
  for (const c of crosses) slip('wrong-place', decimal(sum + 9 * c.a * c.b), 2, CROSSWISE.offColumn(holds(c)))
}
