/** The columns of a sum, from the lowest place up. */
import { type Decimal, decimal, digitAt } from '../../number/decimal.js'
import type { SumProblem } from '../../problem/problem.js'
import { COLUMN_TOTALS } from '../../words/addition.js'
import { at, REMARK } from '../../words/steps.js'
import type { NumberWork } from '../contract.js'
import { type Load, NO_LOAD } from '../facts.js'
import { leftRaw } from '../multiplication/columns.js'
import { columnTotal, type Quantity } from '../quantities/quantities.js'
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

/**
 * Every column summed from the left, its sum left raw, and all of them settled from the right.
 * @param beside what else may be said at a column, such as an estimate
 */
export function* rawColumns(
  problem: SumProblem,
  beside: (place: number) => readonly Decimal[] = () => [],
): NumberWork {
  const columns = columnsOf(problem)
  const { lowest } = rangeOf(problem)
  const value: bigint = yield* leftRaw(
    columns.map(({ digits, place, sum }) => ({
      sum,
      quantity: (): Quantity => ({ ...digitTotal(digits), parts: () => beside(place) }),
      why: () => COLUMN_TOTALS.whyColumn,
      slips(slip) {
        const right = `${digits.join(' + ')} = ${sum}`
        for (const off of [-1, 1]) slip('fact', decimal(sum + off), 3, at(place, REMARK.check(right)))
      },
    })),
    lowest,
  )
  return decimal(value, -lowest)
}
