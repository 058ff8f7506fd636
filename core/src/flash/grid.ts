/** A table of random numbers, summed along its rows and down its columns; the two grand totals must agree. */

import { decimal } from '../number/decimal.js'
import { firstOf, present } from '../number/present.js'
import type { Random } from '../number/random.js'
import { InputError } from '../problem/error.js'
import { WHOLE } from '../question/kind.js'
import type { Question } from '../question/question.js'

/** A table of numbers with its sums. */
export interface Grid {
  /** The numbers, row by row. */
  readonly cells: readonly (readonly number[])[]
  /** The sum of each row, from the top. */
  readonly rowSums: readonly number[]
  /** The sum of each column, from the left. */
  readonly columnSums: readonly number[]
  /** The sum of all. */
  readonly total: number
}

/** Numbers of so many digits (1 to 4), each equally likely. */
export function randomGrid(rows: number, columns: number, digits: number, random: Random): Grid {
  const least = 10n ** BigInt(digits - 1)
  return gridOf(
    Array.from({ length: rows }, () =>
      Array.from({ length: columns }, () => Number(least + random.below(9n * least))),
    ),
  )
}

/** A grid with these numbers, row by row. */
function gridOf(cells: readonly (readonly number[])[]): Grid {
  const sum = (numbers: readonly number[]) => numbers.reduce((a, b) => a + b, 0)
  const rowSums = cells.map(sum)
  return {
    cells,
    rowSums,
    columnSums: present(cells[0]).map((_, c) => sum(cells.map((row) => present(row[c])))),
    total: sum(rowSums),
  }
}

/** A grid in one line: "12 34; 56 78". */
export function printGrid({ cells }: Grid): string {
  return cells.map((row) => row.join(' ')).join('; ')
}

/** @throws InputError for a text that is no table of 2 to 8 rows and columns of numbers of at most 4 digits */
export function readGrid(text: string): Grid {
  const cells = text.split('; ').map((row) => row.split(' '))
  const [first] = firstOf(1, cells)
  const whole = cells.flat().every((n) => /^[1-9]\d{0,3}$/.test(n))
  const fits = (n: number) => n >= 2 && n <= 8
  if (!whole || !fits(cells.length) || !fits(first.length) || cells.some((r) => r.length !== first.length))
    throw new InputError(`"${text.slice(0, 60)}" is no grid.`)
  return gridOf(cells.map((row) => row.map(Number)))
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

/** A digit added to a digit, with what is carried, takes about a second (common practice, no published source). */
const DIGIT_MS = 1000

/** Time to aim for over all sums of a grid, in milliseconds: a second for every digit that is added to another. */
export function gridTarget({ cells, columnSums, rowSums }: Grid): number {
  const added = (numbers: readonly number[]) => numbers.slice(1).reduce((sum, n) => sum + String(n).length, 0)
  const columns = columnSums.map((_, c) => cells.map((row) => present(row[c])))
  const digits = [...cells, ...columns, rowSums, columnSums].reduce((sum, list) => sum + added(list), 0)
  return digits * DIGIT_MS
}
