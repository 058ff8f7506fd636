/** The columns of a sum, from the lowest place up. */
import { digitAt } from '../../number/decimal.js'
import type { SumProblem } from '../../problem/problem.js'
import type { Load } from '../facts.js'
import { sumLoad, together } from '../facts.js'
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

/** The facts of summing one column, one digit after the other. */
export function columnLoad(digits: readonly number[]): Load {
  let total = 0
  return together(
    ...digits.map((d) => {
      const { facts } = total > 0 && d > 0 ? sumLoad(BigInt(total), BigInt(d)) : { facts: [] }
      total += d
      return { facts, carries: 0 }
    }),
  )
}
