/** Exact fractions: always in lowest terms with the denominator above 0, so that equal ones have equal fields. */
import { type Decimal, decimal, power10 } from './decimal.js'

export interface Fraction {
  readonly over: bigint
  readonly under: bigint
}

/** Euclid's algorithm; 0 only for two zeros. */
export function gcf(a: bigint, b: bigint): bigint {
  let [x, y] = [a < 0n ? -a : a, b < 0n ? -b : b]
  while (y > 0n) [x, y] = [y, x % y]
  return x
}

/** @throws RangeError for a denominator of 0. */
export function fraction(over: bigint, under = 1n): Fraction {
  if (under === 0n) throw new RangeError('Nothing can be divided by 0.')
  const shared = gcf(over, under) * (under < 0n ? -1n : 1n)
  return { over: over / shared, under: under / shared }
}

export function plus(a: Fraction, b: Fraction): Fraction {
  return fraction(a.over * b.under + b.over * a.under, a.under * b.under)
}

export function minus(a: Fraction, b: Fraction): Fraction {
  return plus(a, { over: -b.over, under: b.under })
}

/** The product. */
export function times(a: Fraction, b: Fraction): Fraction {
  return fraction(a.over * b.over, a.under * b.under)
}

/** @throws RangeError where the second is 0. */
export function dividedBy(a: Fraction, b: Fraction): Fraction {
  return fraction(a.over * b.under, a.under * b.over)
}

/** Negative, zero or positive as a is below, equal to or above b. */
export function compareFractions(a: Fraction, b: Fraction): number {
  return Number(a.over * b.under - b.over * a.under > 0n) - Number(a.over * b.under - b.over * a.under < 0n)
}

export function fractionOf({ units, scale }: Decimal): Fraction {
  return fraction(units, power10(scale))
}

/** The decimal a fraction is; undefined for one that does not end. */
export function decimalOf({ over, under }: Fraction): Decimal | undefined {
  let scale = 0
  let rest = under
  for (const prime of [2n, 5n]) {
    let count = 0
    for (; rest % prime === 0n; rest /= prime) count += 1
    scale = Math.max(scale, count)
  }
  return rest === 1n ? decimal((over * power10(scale)) / under, scale) : undefined
}

/** The decimal with so many places nearest to a fraction, halves away from 0. */
export function roundedOf({ over, under }: Fraction, places: number): Decimal {
  const size = over < 0n ? -over : over
  const units = (2n * size * power10(places) + under) / (2n * under)
  return decimal(over < 0n ? -units : units, places)
}

/** The whole part, towards 0, and what is left, as a mixed number is written. */
export function mixedOf({ over, under }: Fraction): { readonly whole: bigint; readonly rest: Fraction } {
  const whole = over / under
  return { whole, rest: fraction(over - whole * under, under) }
}
