/** A table of random numbers, summed along its rows and down its columns; the two grand totals must agree. */
import { decimal } from '../number/decimal.js'
import type { Random } from '../number/random.js'
import { WHOLE } from '../question/kind.js'
import type { Question } from '../question/question.js'

export interface Grid {
  readonly cells: readonly (readonly number[])[]
  readonly rowSums: readonly number[]
  readonly columnSums: readonly number[]
  readonly total: number
}

/** Numbers of so many digits (1 to 4), each equally likely. */
export function randomGrid(rows: number, columns: number, digits: number, random: Random): Grid {
  const least = 10n ** BigInt(digits - 1)
  const cells = Array.from({ length: rows }, () =>
    Array.from({ length: columns }, () => Number(least + random.below(9n * least))),
  )
  const sum = (numbers: readonly number[]) => numbers.reduce((a, b) => a + b, 0)
  const rowSums = cells.map(sum)
  return {
    cells,
    rowSums,
    columnSums: cells[0]!.map((_, c) => sum(cells.map((row) => row[c]!))),
    total: sum(rowSums),
  }
}

/** The sums a grid asks for: the rows, the columns, and the grand total both ways. */
export function gridQuestions({ rowSums, columnSums, total }: Grid): Question[] {
  const asked = (ask: string, sum: number): Question => ({ ask, kind: WHOLE, expect: decimal(sum) })
  return [
    ...rowSums.map((sum, r) => asked(`Row ${r + 1}`, sum)),
    ...columnSums.map((sum, c) => asked(`Column ${c + 1}`, sum)),
    asked('Total of the rows', total),
    asked('Total of the columns', total),
  ]
}
