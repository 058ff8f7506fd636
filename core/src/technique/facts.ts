/** The elementary facts and carries that one written operation on whole numbers rests on, digit by digit. */
import { significant, size } from '../number/whole.js'
import type { Fact } from './contract.js'

/** What an operation asks of the mind. */
export interface Load {
  readonly facts: readonly Fact[]
  /** Digits raised or lowered by a carry or a borrow. */
  readonly carries: number
  /** Digits kept in mind on the way to the value, besides what is kept already: 27 and 54 until they are added. */
  readonly kept?: number
}

export const NO_LOAD: Load = { facts: [], carries: 0 }

export function together(...loads: readonly Load[]): Load {
  const kept = Math.max(0, ...loads.map((l) => l.kept ?? 0))
  return {
    facts: loads.flatMap((l) => l.facts),
    carries: loads.reduce((sum, l) => sum + l.carries, 0),
    ...(kept > 0 && { kept }),
  }
}

/** Facts of a + b: one for each column where two digits meet, one for each carry that meets a digit. */
export function sumLoad(a: bigint, b: bigint): Load {
  const facts: Fact[] = []
  let carries = 0
  let carry = 0
  for (let [x, y] = [size(a), size(b)]; x > 0n || y > 0n || carry > 0; x /= 10n, y /= 10n) {
    const [p, q] = [Number(x % 10n), Number(y % 10n)]
    if (p > 0 && q > 0) facts.push(`${p}+${q}`)
    if (carry > 0 && (p + q) % 10 > 0) facts.push(`${(p + q) % 10}+1`)
    carry = p + q + carry >= 10 ? 1 : 0
    // Where nothing stands on the left nothing is raised: 8 + 4 is 12, as it is said.
    if (x >= 10n || y >= 10n) carries += carry
    if (y === 0n && carry === 0) break
  }
  return { facts, carries }
}

/** Facts of a - b for a >= b >= 0. */
export function differenceLoad(a: bigint, b: bigint): Load {
  const facts: Fact[] = []
  let carries = 0
  let borrow = 0
  for (let [x, y] = [a, b]; y > 0n || borrow > 0; x /= 10n, y /= 10n) {
    const top = Number(x % 10n) - borrow
    const bottom = Number(y % 10n)
    borrow = top < bottom ? 1 : 0
    carries += borrow
    if (bottom > 0) facts.push(`${top + 10 * borrow}-${bottom}`)
    if (x === 0n) break
  }
  return { facts, carries }
}

/**
 * Facts of a difference worked in the head: like `differenceLoad`, but what is taken from a round number leaves one
 * complement, however long, and one less in front of it: 4000 − 32 is 39|68.
 */
export function takeLoad(a: bigint, b: bigint): Load {
  const unit = 10n ** BigInt(b.toString().length)
  if (b < 10n || a % unit !== 0n || a === 0n) return differenceLoad(a, b)
  return { facts: [`${Number(unit)}-${Number(b)}`], carries: a > unit ? 1 : 0 }
}

/** Facts of digit × n: a table fact for each digit, and a sum for each carry that goes in. Times 0 and 1 cost nothing. */
export function digitProductLoad(digit: number, n: bigint): Load {
  const facts: Fact[] = []
  let carries = 0
  let carry = 0
  if (digit < 2) return NO_LOAD
  for (let x = size(n); x > 0n; x /= 10n) {
    const d = Number(x % 10n)
    const product = digit * d
    if (d > 1) facts.push(`${digit}x${d}`)
    if (carry > 0 && product % 10 > 0) facts.push(`${product % 10}+${carry}`)
    carry = Math.floor((product + carry) / 10)
    if (carry > 0 && x >= 10n) carries += 1
  }
  return { facts, carries }
}

/** Facts of twice n: 25 and 25 is one fact, as with all halves of round numbers. */
export function doubleLoad(n: bigint): Load {
  const { digits } = significant(n)
  return [25n, 125n].includes(digits)
    ? { facts: [`2x${Number(digits)}`], carries: 0 }
    : digitProductLoad(2, digits)
}

/** Facts of a × b worked digit by digit of b, the rows added as they come: both are kept until they are. */
export function productLoad(a: bigint, b: bigint): Load {
  // Squares to 25 are known by heart.
  if (a === b && a <= 25n && a > 1n) return { facts: [`${Number(a)}x${Number(a)}`], carries: 0 }
  const loads: Load[] = []
  let total = 0n
  let unit = 1n
  // By one digit nothing is kept but the carry, from whichever side it is looked at.
  const rows = significant(a).digits > 9n
  for (let y = size(b); y > 0n; y /= 10n, unit *= 10n) {
    const digit = y % 10n
    if (digit === 0n) continue
    const row = digit * a * unit
    loads.push(digitProductLoad(Number(digit), significant(a).digits))
    if (total > 0n) {
      const kept = rows ? digitsKept(total) + digitsKept(row) : 0
      loads.push({ ...sumLoad(total, row), kept })
    }
    total += row
  }
  return together(...loads)
}

/** Facts of an exact or cut quotient by short division: how often, and what is left, digit by digit; a table fact is one. */
export function quotientLoad(dividend: bigint, divisor: bigint): Load {
  const { digits: d, zeros } = significant(divisor)
  const n = dividend % 10n ** BigInt(zeros) === 0n ? dividend / 10n ** BigInt(zeros) : dividend
  if (d < 2n) return NO_LOAD
  if (d <= 12n && n / d <= 12n)
    return { facts: n === 0n ? [] : [`${Number(n - (n % d))}/${Number(d)}`], carries: 0 }
  const facts: Fact[] = []
  let rest = 0n
  for (const digit of n.toString()) {
    const part = rest * 10n + BigInt(digit)
    const goes = part - (part % d)
    if (goes > 0n) facts.push(`${Number(goes)}/${Number(d)}`)
    rest = part - goes
    if (goes > 0n && rest > 0n) facts.push(`${Number(part)}-${Number(goes)}`)
  }
  return { facts, carries: 0 }
}

/** Digits to be kept in mind with a value; zeros at the end are no load: 570 is kept as "fifty-seven tens". */
export function digitsKept(n: bigint): number {
  return n === 0n ? 1 : significant(n).digits.toString().length
}
