/** What an answer may be: a number, an exact fraction, a quotient with what is left over, or one of several choices. */
import { type Decimal, toText, toWords } from '../number/decimal.js'
import { type Fraction, fraction, fractionOf, mixedOf } from '../number/fraction.js'
import { said } from '../number/whole.js'

/** A whole quotient and what is left over. */
export interface QuotientRemainder {
  readonly quotient: Decimal
  readonly remainder: Decimal
}

/** An answer: a number of some kind, or a choice by its id. */
export type Value = Decimal | Fraction | QuotientRemainder | string

const isDecimal = (value: Value): value is Decimal => typeof value === 'object' && 'units' in value
/** Is it a quotient with what is left over? */
export function isQuotient(value: Value): value is QuotientRemainder {
  return typeof value === 'object' && 'quotient' in value
}

const isFraction = (value: Value): value is Fraction => typeof value === 'object' && 'under' in value

/** The value as a decimal number; undefined for a fraction that is no whole number, and for what is no number. */
export function asDecimal(value: Value | undefined): Decimal | undefined {
  if (value === undefined) return undefined
  if (isDecimal(value)) return value
  // A quotient with nothing left over is a number.
  if (isQuotient(value)) return value.remainder.units === 0n ? value.quotient : undefined
  return isFraction(value) && value.under === 1n ? { units: value.over, scale: 0 } : undefined
}

/** Those of some values that are decimal numbers. */
export function decimals(values: readonly Value[]): readonly Decimal[] {
  return values.flatMap((value) => asDecimal(value) ?? [])
}

/** The value as an exact fraction; undefined for what is no single number. */
export function asFraction(value: Value): Fraction | undefined {
  if (isFraction(value)) return value
  const plain = asDecimal(value)
  return plain && fractionOf(plain)
}

/** Are two values the same, whichever kinds of answer they belong to? */
export function sameValue(a: Value, b: Value): boolean {
  if (typeof a === 'string' || typeof b === 'string') return a === b
  if (isDecimal(a) && isDecimal(b)) return a.units === b.units && a.scale === b.scale
  const [x, y] = [asFraction(a), asFraction(b)]
  if (x && y) return x.over === y.over && x.under === y.under
  return !x && !y && valueText(a) === valueText(b)
}

/** A value as it is kept where its kind is not known: "42_2/9", "428r4". */
export function valueText(value: Value): string {
  if (typeof value === 'string') return value
  if (isDecimal(value)) return toText(value)
  if (isFraction(value)) return mixedText(value, String, '_')
  return toText(value.quotient) + (value.remainder.units === 0n ? '' : `r${toText(value.remainder)}`)
}

/** The same for people: "42 2/9", "428 r 4". A choice is not named here but by its kind. */
export function valueWords(value: Value): string {
  if (typeof value === 'string') return value
  if (isDecimal(value)) return toWords(value)
  if (isFraction(value)) return mixedText(value, said, ' ')
  return toWords(value.quotient) + (value.remainder.units === 0n ? '' : ` r ${toWords(value.remainder)}`)
}

function mixedText(value: Fraction, number: (n: bigint) => string, between: string): string {
  const { whole, rest } = mixedOf(value)
  const { over, under } = whole === 0n ? rest : fraction(rest.over < 0n ? -rest.over : rest.over, rest.under)
  if (rest.over === 0n) return number(whole)
  return `${whole === 0n ? '' : `${number(whole)}${between}`}${number(over)}/${number(under)}`
}
