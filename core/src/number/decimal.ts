import { POINT, THOUSANDS } from './marks.js'

/**
 * Exact decimals: a whole number of units, `scale` places right of the point. No float ever holds a checked
 * value. A decimal is always kept in lowest form (no trailing zeros after the point), so two decimals are
 * equal exactly when both fields are.
 */
export interface Decimal {
  /** The value counted in units of 10^-scale. */
  readonly units: bigint
  /** Places right of the point, 0 or more. */
  readonly scale: number
}

/** Nothing. */
export const ZERO: Decimal = { units: 0n, scale: 0 }

/** 10^n as a BigInt, for n of 0 and more. */
export function power10(n: number): bigint {
  return SMALL_POWERS[n] ?? 10n ** BigInt(n)
}
const SMALL_POWERS: readonly bigint[] = Array.from({ length: 40 }, (_, n) => 10n ** BigInt(n))

/** The decimal units × 10^-scale in lowest form. */
export function decimal(units: bigint | number, scale = 0): Decimal {
  let u = typeof units === 'number' ? BigInt(units) : units
  let s = scale || 0 // never -0, which would not compare equal
  if (s < 0) {
    u *= power10(-s)
    s = 0
  }
  while (s > 0 && u % 10n === 0n) {
    u /= 10n
    s -= 1
  }
  return { units: u, scale: s }
}

/** digit × 10^place; place may be negative. */
export function atPlace(digit: number | bigint, place: number): Decimal {
  return decimal(digit, -place)
}

/** The value counted in units of 10^-scale; `scale` must not be below the decimal's own. */
export function unitsAt(value: Decimal, scale: number): bigint {
  return value.scale === scale ? value.units : value.units * power10(scale - value.scale)
}

/** The sum, in lowest form. */
export function add(a: Decimal, b: Decimal): Decimal {
  const scale = Math.max(a.scale, b.scale)
  return decimal(unitsAt(a, scale) + unitsAt(b, scale), scale)
}

export function negate(a: Decimal): Decimal {
  return { units: -a.units, scale: a.scale }
}

export function subtract(a: Decimal, b: Decimal): Decimal {
  return add(a, negate(b))
}

export function multiply(a: Decimal, b: Decimal): Decimal {
  return decimal(a.units * b.units, a.scale + b.scale)
}

/** The value without its sign. */
export function absolute(a: Decimal): Decimal {
  return a.units < 0n ? negate(a) : a
}

/** Are two decimals the same number? Exact, since both are in lowest form. */
export function equal(a: Decimal, b: Decimal): boolean {
  return a.units === b.units && a.scale === b.scale
}

/** Negative, zero or positive as a is below, equal to or above b. */
export function compare(a: Decimal, b: Decimal): number {
  const d = subtract(a, b).units
  return d < 0n ? -1 : d > 0n ? 1 : 0
}

export function isZero(a: Decimal): boolean {
  return a.units === 0n
}

export function isNegative(a: Decimal): boolean {
  return a.units < 0n
}

/** The digit (0 to 9) standing at a place of |value|. */
export function digitAt(value: Decimal, place: number): number {
  const shift = place + value.scale
  if (shift < 0) return 0
  const size = value.units < 0n ? -value.units : value.units
  return Number((size / power10(shift)) % 10n)
}

/** The place of the highest digit of |value| that is not 0; 0 for a value below 1. */
export function highestPlace(value: Decimal): number {
  const size = value.units < 0n ? -value.units : value.units
  return Math.max(0, size.toString().length - 1 - value.scale)
}

/** The place of the last digit: 0 for whole numbers, negative for decimals. */
export function lowestPlace(value: Decimal): number {
  return value.scale === 0 ? 0 : -value.scale
}

/** How many digits it is written with. */
export function digitCount(value: Decimal): number {
  return Math.max(highestPlace(value) + 1 - lowestPlace(value), 1)
}

/** Plain text: optional minus, digits, optional point and digits. */
export function toText(value: Decimal): string {
  const sign = value.units < 0n ? '-' : ''
  const digits = (value.units < 0n ? -value.units : value.units).toString().padStart(value.scale + 1, '0')
  if (value.scale === 0) return sign + digits
  const cut = digits.length - value.scale
  return `${sign}${digits.slice(0, cut)}.${digits.slice(cut)}`
}

/** Text for people: thousands parted by thin spaces, a true minus sign, the point marked as one of a number. */
export function toWords(value: Decimal): string {
  if (value.scale === 0 && value.units >= 0n && value.units < 1000n) return value.units.toString()
  const [whole = '', part] = toText(absolute(value)).split('.')
  const grouped = whole.replace(/\B(?=(\d{3})+$)/g, THOUSANDS)
  return (value.units < 0n ? '−' : '') + grouped + (part === undefined ? '' : `${POINT}${part}`)
}

const DECIMAL_TEXT = /^([+-]?)(\d+)(?:\.(\d+))?$|^([+-]?)\.(\d+)$/

/**
 * Reads one plain decimal ("-12.50", ".5"); white space, thousands commas and thin spaces are passed over.
 * Returns undefined for anything else, or for more than `maxDigits` digits.
 */
export function readDecimal(text: string, maxDigits = MAX_DIGITS): Decimal | undefined {
  const plain = text.replace(/[\s,\u2009\u202f\u2060]/g, '').replace(/^[−–]/, '-')
  const found = DECIMAL_TEXT.exec(plain)
  if (!found) return undefined
  const sign = found[1] ?? found[4]
  const whole = found[2] ?? '0'
  const part = found[3] ?? found[5] ?? ''
  if (whole.length + part.length > maxDigits) return undefined
  const units = BigInt(whole + part)
  return decimal(sign === '-' ? -units : units, part.length)
}

/** The most digits one number may have: the longest work taught has 30, its answer a few more. */
export const MAX_DIGITS = 40
