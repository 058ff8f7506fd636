/** Kinds of answer that are fractions, each in the form it is asked in; and numerals of other bases. */

import { type Decimal, decimal, equal, readDecimal } from '../number/decimal.js'
import { decimalOf, type Fraction, fraction, fractionOf } from '../number/fraction.js'
import { present } from '../number/present.js'
import { said } from '../number/whole.js'
import { formWords, UNFINISHED } from '../words/entry.js'
import { type AnswerKind, DIGITS, pointed } from './kind.js'
import { valueText, valueWords } from './value.js'

const MOST_DIGITS = 20
const PART = `\\d{1,${MOST_DIGITS}}`
const MIXED_TEXT = new RegExp(`^(-?)(?:(${PART})[ _])?(${PART})/(${PART})$`)
const BEGINNING = /^-?(?:\d*[.,]?\d*|\d+[ _]\d*(?:\/\d*)?|\d*(?:\/\d*)?)$/

/** A fraction, a mixed number or a decimal as the exact number it is: "3/8", "87 1/2", "0.375". */
function readFraction(text: string): Fraction | undefined {
  const plain = text.trim().replace(/\s+/g, ' ')
  const [, sign, whole = '0', over, under] = MIXED_TEXT.exec(plain) ?? []
  if (over === undefined || under === undefined) {
    const number = readDecimal(pointed(plain))
    return number && fractionOf(number)
  }
  if (BigInt(under) === 0n) return undefined
  const units = BigInt(whole) * BigInt(under) + BigInt(over)
  return fraction(sign ? -units : units, BigInt(under))
}

/** How a fraction is printed in lowest terms: "19/12", a whole number by itself. */
const plainFraction = ({ over, under }: Fraction, number: (n: bigint) => string = String) =>
  under === 1n ? number(over) : `${number(over)}/${number(under)}`

interface Dress {
  readonly id: string
  readonly print: (value: Fraction) => string
  readonly say: (value: Fraction) => string
  /** Left out where any form will do. */
  readonly form?: Parameters<typeof formWords>[0]
}

function fractions({ id, print, say, form }: Dress): AnswerKind<Fraction> {
  return {
    id,
    keys: [...DIGITS, '-', ' ', '/'],
    alsoTyped: ['.'],
    unfinished: UNFINISHED.fraction,
    begins: (text) => BEGINNING.test(text) && text.length <= 3 * MOST_DIGITS,
    read: readFraction,
    print,
    say,
    same: (a, b) => a.over === b.over && a.under === b.under,
    length: (value) => print(value).length,
    ...(form !== undefined && {
      form: { ...formWords(form), is: (text: string) => spaced(text) === print(present(readFraction(text))) },
    }),
  }
}

const spaced = (text: string) => text.trim().replace(/\s+/g, '_')

/** Any number, in whichever dress. */
export const RATIONAL = fractions({
  id: 'rational',
  print: (value) => {
    const ends = decimalOf(value)
    return valueText(ends ?? value)
  },
  say: (value) => valueWords(decimalOf(value) ?? value),
})

/** A number that is asked as a decimal. */
export const AS_DECIMAL: AnswerKind<Fraction> = {
  ...RATIONAL,
  id: 'as-decimal',
  form: { ...formWords('decimal'), is: (text) => !/[/\s_]/.test(text.trim()) },
}

/** A fraction in lowest terms. */
export const FRACTION = fractions({
  id: 'fraction',
  print: (value) => plainFraction(value),
  say: (value) => plainFraction(value, said),
  form: 'fraction',
})

/** A mixed number, its fraction in lowest terms. */
export const MIXED = fractions({ id: 'mixed', print: valueText, say: valueWords, form: 'mixed' })

const RATIO_TEXT = new RegExp(`^\\s*(${PART})\\s*:\\s*(${PART})\\s*$`)

/** A ratio of two whole numbers in lowest terms, kept as the fraction it is. */
export const RATIO: AnswerKind<Fraction> = {
  id: 'ratio',
  keys: [...DIGITS, ':'],
  unfinished: UNFINISHED.ratio,
  begins: (text) => /^\d*$|^\d+:\d*$/.test(text) && text.length <= 2 * MOST_DIGITS,
  read(text) {
    const [, over, under] = RATIO_TEXT.exec(text) ?? []
    return over === undefined || under === undefined || BigInt(under) === 0n
      ? undefined
      : fraction(BigInt(over), BigInt(under))
  },
  print: ({ over, under }) => `${over}:${under}`,
  say: ({ over, under }) => `${said(over)} : ${said(under)}`,
  same: (a, b) => a.over === b.over && a.under === b.under,
  length: (value) => RATIO.print(value).length,
  form: {
    ...formWords('ratio'),
    is: (text) => text.replace(/\s/g, '') === RATIO.print(present(RATIO.read(text))),
  },
}

export const LEAST_BASE = 2
export const MOST_BASE = 16
const NUMERALS = '0123456789ABCDEF'

/** The numeral of a whole number of 0 and more in a base from 2 to 16. */
export function numeralOf(n: bigint, base: number): string {
  return n.toString(base).toUpperCase()
}

/** The number a numeral stands for; undefined where a digit is not of that base. */
export function readNumeral(text: string, base: number): bigint | undefined {
  const digits = [...text.trim().toUpperCase()].map((c) => NUMERALS.indexOf(c))
  if (digits.length === 0 || digits.length > MOST_DIGITS || digits.some((d) => d < 0 || d >= base))
    return undefined
  return digits.reduce((n, d) => n * BigInt(base) + BigInt(d), 0n)
}

/** Whole numbers written in another base. */
export function baseNumeral(base: number): AnswerKind<Decimal> {
  const keys = [...NUMERALS.slice(0, base)]
  return {
    id: `base-${base}`,
    keys,
    unfinished: UNFINISHED.base(base),
    begins: (text) => text.length <= MOST_DIGITS && [...text.toUpperCase()].every((c) => keys.includes(c)),
    read(text) {
      const n = readNumeral(text, base)
      return n === undefined ? undefined : decimal(n)
    },
    print: ({ units }) => numeralOf(units, base),
    say: ({ units }) => numeralOf(units, base),
    same: equal,
    length: ({ units }) => numeralOf(units, base).length,
  }
}
