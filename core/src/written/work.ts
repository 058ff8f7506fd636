/**
 * The usual written way, step by step: columns from the right with carries for sums, a row a digit for products, long
 * division, digit pairs brought down for roots (as the schoolbooks have it; common practice, no published source).
 */

import {
  add,
  type Decimal,
  decimal,
  isNegative,
  subtract,
  toWords,
  unitsAt,
  ZERO,
} from '../number/decimal.js'
import { present } from '../number/present.js'
import { integerRoot } from '../number/root.js'
import { digitsOf, lengthOf, said, size } from '../number/whole.js'
import {
  asProduct,
  CUT_PLACES,
  type Factors,
  type Problem,
  type SumProblem,
  signed,
} from '../problem/problem.js'
import { countOf, type Effort } from '../technique/effort.js'
import { differenceLoad, digitProductLoad, type Load } from '../technique/facts.js'
import { WRITTEN } from '../words/written.js'
import { addColumns, digitRow, takeColumns } from './columns.js'
import { Sheet, type Worked } from './sheet.js'

/** The problem worked on paper: what stands there at the start, and each step with what stands there after it. */
export function workedOnPaper(problem: Problem): Worked {
  const sheet = new Sheet()
  switch (problem.kind) {
    case 'sum':
      sumInColumns(sheet, problem)
      break
    case 'product':
    case 'square':
      product(sheet, present(asProduct(problem)))
      break
    case 'product-sum': {
      const found = product(sheet, problem.factors)
      combine(sheet, found, problem.term.size, problem.term.sign)
      break
    }
    case 'product-pair': {
      const left = product(sheet, problem.left)
      const right = product(sheet, problem.right)
      combine(sheet, left, right, problem.sign)
      break
    }
    case 'quotient':
      longDivision(sheet, problem.dividend, problem.divisor)
      break
    case 'root':
      rootByPairs(sheet, problem.radicand)
      break
    case 'number':
    case 'item':
      break
  }
  return sheet
}

/** What the written way takes. Everything is on the paper, so at most one carry is held. */
export function writtenEffort(problem: Problem): Effort {
  const { facts, carries } = countOf(workedOnPaper(problem).steps)
  const held = carries > 0 ? 1 : 0
  return { facts, carries, held, total: facts + carries + held }
}

function sumInColumns(sheet: Sheet, { terms }: SumProblem): void {
  if (terms.every((t) => t.sign > 0)) {
    const scale = Math.max(...terms.map((t) => t.size.scale))
    const numbers = terms.map((t) => unitsAt(t.size, scale))
    for (const [i, n] of numbers.entries())
      sheet.number(n, { before: i > 0 ? '+' : '', decimals: scale, line: i === numbers.length - 1 })
    sheet.begun()
    addColumns(sheet, numbers, { decimals: scale })
    return
  }
  const [first, ...others] = terms
  let total = first ? signed(first) : ZERO
  for (const term of others) total = combine(sheet, total, term.size, term.sign)
}

/** Adds a number to what was found, or takes it away, on rows of their own. */
function combine(sheet: Sheet, found: Decimal, n: Decimal, sign: 1 | -1): Decimal {
  const scale = Math.max(found.scale, n.scale)
  const [x, y] = [size(unitsAt(found, scale)), unitsAt(n, scale)]
  const minus = isNegative(found) ? '−' : ''
  sheet.number(x, { before: minus, decimals: scale })
  sheet.number(y, { before: sign < 0 ? '−' : '+', decimals: scale, line: true })
  sheet.begun()
  if (isNegative(found) === sign < 0) addColumns(sheet, [x, y], { decimals: scale, before: minus })
  else if (x >= y) takeColumns(sheet, x, y, { decimals: scale, before: minus })
  else {
    const words = (n: bigint) => toWords(decimal(n, scale))
    sheet.done(WRITTEN.turned(words(y), words(x), !minus))
    takeColumns(sheet, y, x, { decimals: scale, before: minus ? '' : '−' })
  }
  return sign > 0 ? add(found, n) : subtract(found, n)
}

/** A row a digit of the second factor, each one place further left, then the rows added; the point comes last. */
function product(sheet: Sheet, [a, b]: Factors): Decimal {
  sheet.number(a.units, { decimals: a.scale })
  sheet.number(b.units, { before: '×', decimals: b.scale, line: true })
  sheet.begun()
  const scale = a.scale + b.scale
  const rows: { row: number; value: bigint; end: number }[] = []
  let zeros = 0
  for (const [end, by] of digitsOf(b.units).entries()) {
    if (by === 0) {
      zeros += 1
      continue
    }
    if (end > 0) sheet.done(WRITTEN.further(end))
    const row = sheet.row()
    rows.push({ row, value: a.units * BigInt(by), end })
    digitRow(sheet, row, a.units, by, end)
  }
  // Of one row only the zeros at its end are missing; of none at all the product is 0.
  let result = rows[0]?.row ?? sheet.row()
  if (rows.length > 1) {
    sheet.change(present(rows.at(-1)).row, { line: true })
    const values = rows.map((r) => r.value)
    addColumns(sheet, values, { ends: rows.map((r) => r.end) })
    result = sheet.last
  } else if (zeros > 0) {
    sheet.text(result, '0'.repeat(zeros), 0)
    sheet.done(WRITTEN.zeros(zeros))
  }
  if (scale > 0) {
    const missing = scale + 1 - lengthOf(a.units * b.units)
    if (missing > 0) sheet.text(result, '0'.repeat(missing), scale + 1 - missing)
    sheet.change(result, { decimals: scale })
    sheet.done(WRITTEN.point(scale))
  }
  return decimal(a.units * b.units, scale)
}

/** One guess, one product and one difference for every digit of the quotient; the divisor is made whole first. */
function longDivision(sheet: Sheet, dividend: Decimal, divisor: Decimal): void {
  const by = divisor.units
  const moved = Math.max(0, divisor.scale - dividend.scale)
  const whole = dividend.units * 10n ** BigInt(moved)
  const decimals = Math.max(0, dividend.scale - divisor.scale)
  const more = decimalsMore(whole, by, decimals)
  const digits = `${whole.toString().padStart(decimals + 1, '0')}${'0'.repeat(more)}`
  const quotient = sheet.row({ decimals: decimals + more })
  sheet.number(whole, { before: WRITTEN.into(said(by)), decimals: decimals + more, line: true }, more)
  sheet.begun()
  let part = 0n
  let paper: number | undefined
  for (const [i, digit] of [...digits].entries()) {
    const column = digits.length - 1 - i
    part = part * 10n + BigInt(digit)
    const begun = paper !== undefined
    if (paper !== undefined) {
      sheet.text(paper, digit, column)
      sheet.done(WRITTEN.down(digit, said(part)))
    }
    const q = part / by
    // Nothing is written before the first digit, but for a 0 before the point.
    if (q === 0n && !begun && column > decimals + more) continue
    sheet.text(quotient, String(q), column)
    sheet.done(WRITTEN.goes(said(part), said(by), Number(q)), {
      facts: q > 0n ? [`${Number(part)}/${Number(by)}`] : [],
      carries: 0,
    })
    if (q > 0n) {
      paper = takeAway(sheet, part, q * by, column, digitProductLoad(Number(q), by))
      part -= q * by
    } else paper ??= sheet.number(part, {}, column)
  }
  sheet.done(part > 0n ? WRITTEN.remainder(said(part)) : WRITTEN.noRemainder)
}

/** How many zeros are put behind a dividend with decimals until nothing is left over; none where that takes too many. */
function decimalsMore(dividend: bigint, divisor: bigint, decimals: number): number {
  let rest = dividend % divisor
  for (let more = 0; decimals > 0 && more <= CUT_PLACES; more += 1, rest = (rest * 10n) % divisor)
    if (rest === 0n) return more
  return 0
}

/** Writes a product under what it is taken from, and the rest under that. @returns the row of the rest */
function takeAway(sheet: Sheet, from: bigint, taken: bigint, column: number, load: Load): number {
  sheet.number(taken, { before: '−', line: true }, column)
  const row = sheet.number(from - taken, {}, column)
  const { facts, carries } = differenceLoad(from, taken)
  sheet.done(WRITTEN.takeAway(said(taken), said(from), said(from - taken)), {
    facts: [...load.facts, ...facts],
    carries: load.carries + carries,
  })
  return row
}

/** Digits brought down in pairs from the point: 20 times the root so far, the next digit, its product taken away. */
function rootByPairs(sheet: Sheet, radicand: Decimal): void {
  const places = Math.max(ROOT_PLACES, Math.ceil(radicand.scale / 2))
  const units = unitsAt(radicand, 2 * places)
  const root = integerRoot(units).toString()
  // A perfect square ends where its digits do.
  const ends = BigInt(root) ** 2n === units ? root.replace(/0*$/, '').length : root.length
  const shown = Math.max(ends, root.length - places)
  const all = units.toString().padStart(2 * root.length, '0')
  const digits = all.slice(0, 2 * shown)
  const decimals = shown - (root.length - places)
  const top = sheet.row({ decimals: 2 * decimals })
  sheet.number(BigInt(digits), { before: '√', decimals: 2 * decimals, line: true })
  sheet.begun()
  let [rest, found] = [0n, 0n]
  let paper: number | undefined
  for (let i = 0; i < shown; i += 1) {
    const pair = digits.slice(2 * i, 2 * i + 2)
    const column = 2 * (shown - 1 - i)
    rest = rest * 100n + BigInt(pair)
    if (paper !== undefined) {
      sheet.text(paper, pair, column)
      sheet.done(WRITTEN.pairDown(pair, said(rest)))
    }
    const digit = BigInt(present(root[i]))
    const twenty = 20n * found
    const taken = (twenty + digit) * digit
    sheet.text(top, String(digit), column)
    const doubled = digitProductLoad(2, found)
    sheet.done(
      found === 0n
        ? WRITTEN.firstRoot(said(rest), Number(digit))
        : WRITTEN.rootDigit(said(found), said(twenty), Number(digit), said(rest)),
      {
        facts: [...doubled.facts, `${Number(rest)}/${Number(twenty + digit || 1n)}`],
        carries: doubled.carries,
      },
    )
    paper = takeAway(sheet, rest, taken, column, digitProductLoad(Number(digit), twenty + digit))
    rest -= taken
    found = found * 10n + digit
  }
  sheet.done(rest > 0n ? WRITTEN.rootOn : WRITTEN.noRemainder)
}

/** Decimals of a root that does not end. */
const ROOT_PLACES = 3
