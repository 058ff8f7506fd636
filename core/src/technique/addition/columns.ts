/** The columns of a sum, from the lowest place up. */
import { type Decimal, digitAt } from '../../number/decimal.js'
import type { SumProblem } from '../../problem/problem.js'
import { type Load, NO_LOAD } from '../facts.js'
import { columnTotal } from '../quantities.js'
import { rangeOf } from './parts.js'

export interface SumColumn {
  readonly place: number
  readonly digits: readonly number[]
  /** The digits summed, without what is carried in. */
  readonly sum: number
  /** What the column to the right carries in. */
  readonly carried: number
  /** The column to the right carries only because it was itself carried into. */
  readonly throughNine: boolean
}

export function columnsOf(problem: SumProblem): SumColumn[] {
  const { lowest, highest } = rangeOf(problem)
  const columns: SumColumn[] = []
  let right: SumColumn | undefined
  for (let place = lowest; place <= highest; place += 1) {
    const digits = problem.terms.map((t) => digitAt(t.size, place))
    const carried: number = right ? Math.floor((right.sum + right.carried) / 10) : 0
    right = {
      place,
      digits,
      sum: digits.reduce((a, b) => a + b, 0),
      carried,
      throughNine: right !== undefined && carried > Math.floor(right.sum / 10),
    }
    columns.push(right)
  }
  return columns
}

/** The digits of one column as a quantity. */
export const digitTotal = (digits: readonly number[], carry = 0) =>
  columnTotal(
    digits.map((d) => ({ text: String(d), value: d, load: NO_LOAD })),
    carry,
  )

/** The facts of summing one column, one digit after the other. */
export function columnLoad(digits: readonly number[]): Load {
  return digitTotal(digits).load()
}

/** Totals on the way through a column: right, but not all of it yet. */
export function runningSums(digits: readonly number[], carry: number): ((n: Decimal) => boolean) | undefined {
  return digits.length > 2 || carry > 0 ? digitTotal(digits, carry).along : undefined
}
