/** Adding, taking away and multiplying in columns from the right. */
import { present } from '../number/present.js'
import { digitsOf, lengthOf } from '../number/whole.js'
import type { Fact } from '../technique/contract.js'
import type { Load } from '../technique/facts.js'
import { WRITTEN } from '../words/written.js'
import type { Sheet } from './sheet.js'

/** How the row of the result is written. */
interface Row {
  readonly decimals?: number
  readonly before?: string
}

/**
 * Adds numbers whose rows stand on the sheet. Facts: one for each digit that meets another, and one for a carry of more
 * than 1; a carry of 1 raises the column, which is the carry itself.
 * @param ends the column of the last digit of each number
 */
export function addColumns(
  sheet: Sheet,
  numbers: readonly bigint[],
  given: Row & { readonly ends?: readonly number[] } = {},
): void {
  const { ends = [], ...row } = given
  const placed = numbers.map((n, i) => n * 10n ** BigInt(ends[i] ?? 0))
  const columns = Math.max(...placed.map(lengthOf), (row.decimals ?? 0) + 1)
  const result = sheet.row(row)
  let carry = 0
  for (let column = 0; column < columns; column += 1) {
    const digits = placed.flatMap((n, i) =>
      column < (ends[i] ?? 0) || column >= lengthOf(n) ? [] : [present(digitsOf(n)[column])],
    )
    if (carry > 0) digits.push(carry)
    const total = digits.reduce((a, b) => a + b, 0)
    const last = column === columns - 1
    const next = last ? 0 : Math.floor(total / 10)
    sheet.text(result, String(last ? total : total % 10), column)
    sheet.done(WRITTEN.column(digits, total, next, last), {
      facts: sumFacts(digits, carry),
      carries: next > 0 ? 1 : 0,
    })
    carry = next
  }
}

function sumFacts(digits: readonly number[], carry: number): Fact[] {
  const facts: Fact[] = []
  let total = 0
  for (const [i, digit] of digits.entries()) {
    const isCarry = carry > 0 && i === digits.length - 1
    if (total > 0 && digit > 0 && !(isCarry && carry === 1)) facts.push(`${total % 10}+${digit}`)
    total += digit
  }
  return facts.filter((fact) => !fact.startsWith('0+'))
}

/** Takes y from x, neither smaller than 0 and y not larger, both standing on the sheet. */
export function takeColumns(sheet: Sheet, x: bigint, y: bigint, row: Row): void {
  const { decimals = 0 } = row
  const [tops, bottoms] = [digitsOf(x), digitsOf(y)]
  const result = sheet.row(row)
  const columns = Math.max(lengthOf(x), decimals + 1)
  // Zeros in front are not written.
  const written = Math.max(lengthOf(x - y), decimals + 1)
  let lent = 0
  for (let column = 0; column < columns; column += 1) {
    const bottom = bottoms[column] ?? 0
    if (column >= written && bottom === 0 && (tops[column] ?? 0) - lent === 0) break
    const top = (tops[column] ?? 0) - lent
    const short = top < bottom
    if (column < written) sheet.text(result, String(top - bottom + (short ? 10 : 0)), column)
    const facts: Fact[] = bottom > 0 ? [`${short ? top + 10 : top}-${bottom}`] : []
    const said = short ? WRITTEN.borrow(top, bottom, lent > 0) : WRITTEN.less(top, bottom, lent > 0)
    sheet.done(said, { facts, carries: short ? 1 : 0 })
    lent = short ? 1 : 0
  }
}

/** Multiplies by one digit into a row, digit by digit. @param end the column of the row's last digit */
export function digitRow(sheet: Sheet, row: number, n: bigint, by: number, end: number): void {
  let carry = 0
  const digits = digitsOf(n)
  for (const [i, digit] of digits.entries()) {
    const total = digit * by + carry
    const last = i === digits.length - 1
    const next = last ? 0 : Math.floor(total / 10)
    sheet.text(row, String(last ? total : total % 10), end + i)
    sheet.done(WRITTEN.times(digit, by, carry, total, last), productDigit(digit, by, carry, next))
    carry = next
  }
}

function productDigit(digit: number, by: number, carry: number, next: number): Load {
  const product = digit * by
  const facts: Fact[] = digit > 1 && by > 1 ? [`${by}x${digit}`] : []
  if (carry > 1 && product % 10 > 0) facts.push(`${product % 10}+${carry}`)
  return { facts, carries: next > 0 ? 1 : 0 }
}
