/**
 * Kinds of answer. A kind reads what was typed, prints a value as it is kept, says it to people, compares two values
 * and names the keys it is written with. An entry in code, on the wire and in the database is text of its kind, as
 * `print` gives it.
 */

import {
  absolute,
  compare,
  type Decimal,
  decimal,
  equal,
  multiply,
  readDecimal,
  subtract,
  toText,
  toWords,
} from '../number/decimal.js'
import { placeName } from '../number/places.js'
import { present } from '../number/present.js'
import { ESTIMATED, UNFINISHED } from '../words/entry.js'
import { type QuotientRemainder, valueText, valueWords } from './value.js'

export interface AnswerKind<V> {
  readonly id: string
  /** The keys that write an entry, besides rubbing out and confirming. Letters are capitals or small as typed. */
  readonly keys: readonly string[]
  /** Keys that are taken too, but have no place on a keypad. */
  readonly alsoTyped?: readonly string[]
  /** Answers to choose from, where there is nothing to write: the text of each and what it is called. */
  readonly choices?: readonly AnswerChoice[]
  /** Said about a text that is no value yet. */
  readonly unfinished: string
  /** May an entry begin like this? */
  begins(text: string): boolean
  /** The value a text stands for; undefined when it stands for none. */
  read(text: string): V | undefined
  /** The text of a value: reading it gives the same value again. */
  print(value: V): string
  /** The value for people. */
  say(value: V): string
  same(a: V, b: V): boolean
  /** How many keys the value takes. */
  length(value: V): number
  /** Is a value so near another, as a share of it? Only kinds that can be estimated have it. */
  near?(value: V, of: V, share: Decimal): boolean
  /**
   * Where a value is asked in one of several forms: what is asked, what is said of the right value in another form, and
   * whether a text is in the form asked. Text in another form is kept as it was typed, blanks as "_".
   */
  readonly form?: { readonly asks: string; readonly says: string; is(text: string): boolean }
}

export interface AnswerChoice {
  /** The letter it is answered with. */
  readonly key: string
  readonly id: string
  readonly name: string
}

export const DIGITS = ['0', '1', '2', '3', '4', '5', '6', '7', '8', '9'] as const
/** Longest number that can be typed: a sign, 40 digits and a point. */
const MOST_CHARACTERS = 42

/** Digits in groups, parted by what can be no decimal sign; or by points or commas, two and more of them or one before decimals. */
const GROUPED = [
  /^-?\d{1,3}(?:[ '’\u2009\u202f]\d{3})+(?:[.,]\d+)?$/,
  /^-?\d{1,3}(?:([.,])\d{3})(?:\1\d{3})+$/,
  /^-?\d{1,3}(?:,\d{3})+\.\d+$/,
  /^-?\d{1,3}(?:\.\d{3})+,\d+$/,
  /^-?\d{1,2}(?:,\d{2})+,\d{3}$/,
] as const
/** The beginnings of such numbers. */
const GROUPING = /^-?\d{1,3}(?:[ .,'’\u2009\u202f]\d{2,3})*[ .,'’\u2009\u202f]\d{0,3}$/

/** A number without the signs that part its groups; as it stands where none do. */
function ungrouped(text: string): string {
  if (!GROUPED.some((way) => way.test(text))) return text
  const plain = text.replace(/[ '’\u2009\u202f]/g, '')
  const decimals = /^-?\d+(?:([.,])\d+)?$/.exec(plain) !== null && !/^-?\d{1,3}([.,]\d{3})+$/.test(text)
  if (decimals) return plain
  const last = /[.,](?=[^.,]*$)/.exec(plain)
  const mixed = plain.includes('.') && plain.includes(',')
  return mixed && last
    ? `${plain.slice(0, last.index).replace(/[.,]/g, '')}.${plain.slice(last.index + 1)}`
    : plain.replace(/[.,]/g, '')
}

/** What else a typed number may stand for: a sign before three digits parts decimals, or thousands. */
export function otherReading(text: string): string | undefined {
  return /^-?[1-9]\d{0,2}[.,]\d{3}$/.test(text) ? text.replace(/[.,]/, '') : undefined
}

/** In an entry a comma is a decimal point. */
export const pointed = (text: string) => text.replace(',', '.')

/** Decimals of a fraction that does not end: more than any tolerance looks at. */
const FRACTION_PLACES = 12

/** A fraction or a mixed number as a decimal: "3/8", "87 1/2"; one that does not end is cut off. */
function readFraction(text: string): Decimal | undefined {
  const found = /^(-?)(?:(\d{1,20}) )?(\d{1,20})\/(\d{1,20})$/.exec(text.trim())
  const [, sign, whole = '0', over, under] = found ?? []
  if (!over || !under || BigInt(under) === 0n) return undefined
  const units = BigInt(whole) * BigInt(under) + BigInt(over)
  const value = (units * 10n ** BigInt(FRACTION_PLACES)) / BigInt(under)
  return decimal(sign ? -value : value, FRACTION_PLACES)
}

function numbers(
  id: string,
  keys: readonly string[],
  beginning: RegExp,
  fractions = false,
): AnswerKind<Decimal> {
  const fraction = /^-?(?:\d+ )?\d*(?:\/\d*)?$|^-?\d+ $/
  return {
    ...(fractions && { alsoTyped: ['/', ' '] }),
    id,
    keys,
    unfinished: UNFINISHED.number,
    begins: (text) =>
      (beginning.test(pointed(text)) || (fractions && fraction.test(text)) || GROUPING.test(text)) &&
      text.length <= MOST_CHARACTERS,
    read(text) {
      const plain = pointed(ungrouped(text.trim()))
      if (fractions && text.includes('/')) return readFraction(text)
      return beginning.test(plain) && !plain.includes(',') ? readDecimal(plain) : undefined
    },
    print: toText,
    say: toWords,
    same: equal,
    length: (value) => toText(value).length,
    near: (value, of, share) => compare(absolute(subtract(value, of)), absolute(multiply(of, share))) <= 0,
  }
}

/** A whole number, 0 or more. */
export const WHOLE = numbers('whole', DIGITS, /^\d*$/)
/** A number of 0 or more, with a point or a comma. */
export const DECIMAL = numbers('decimal', [...DIGITS, '.'], /^\d*\.?\d*$/, true)
/** An estimate, which is given as a whole number. */
export const WHOLE_ESTIMATE: AnswerKind<Decimal> = {
  ...DECIMAL,
  form: {
    asks: ESTIMATED.asksWhole,
    says: ESTIMATED.saysWhole,
    is: (text) => DECIMAL.read(text)?.scale === 0,
  },
}

/** An estimate so small that no whole number is near enough. */
export const FINE_ESTIMATE: AnswerKind<Decimal> = {
  ...DECIMAL,
  form: { asks: ESTIMATED.asks, says: '', is: () => true },
}

/** Places a number is said with, by name, the singular too. */
const PLACES = new Map(
  Array.from({ length: 19 }, (_, i) => i - 3).flatMap((place) => {
    const name = placeName(place)
    return [name, name.replace(/s$/, '')].map((n) => [n, place] as const)
  }),
)

function withPlace(text: string): Decimal | undefined {
  const [, digits, name] = /^\s*(\d{1,3}) ([a-z ]+?)\s*$/i.exec(text) ?? []
  const place = name === undefined ? undefined : PLACES.get(name.toLowerCase())
  return place === undefined ? undefined : decimal(BigInt(digits!), -place)
}

const signed = numbers('signed', [...DIGITS, '.', '-'], /^-?\d*\.?\d*$/, true)
/** Any number, below 0 too. */
export const SIGNED: AnswerKind<Decimal> = {
  ...signed,
  // What is missing, as it is said: "43 short" is −43; a digit with its place: "7 thousands".
  read: (text) => withPlace(text) ?? signed.read(text.replace(/^\s*(\d[\d.]*) short\s*$/, '-$1')),
}
/** What stands on a frame: entered by moving beads, or as the number they show. */
export const FRAME: AnswerKind<Decimal> = { ...DECIMAL, id: 'frame' }

const QUOTIENT_TEXT = /^(\d{1,40})(?:r(\d{1,40}))?$/

/** A quotient with its remainder: "428r4"; without one when nothing is left over. */
export const QUOTIENT: AnswerKind<QuotientRemainder> = {
  id: 'quotient',
  keys: [...DIGITS, 'r'],
  unfinished: UNFINISHED.quotient,
  begins: (text) => /^\d*$|^\d+r\d*$/.test(text) && text.length <= 2 * MOST_CHARACTERS,
  read(text) {
    const found = QUOTIENT_TEXT.exec(text.replace(/\s/g, ''))
    if (!found) return undefined
    return { quotient: decimal(BigInt(present(found[1]))), remainder: decimal(BigInt(found[2] ?? 0)) }
  },
  print: valueText,
  say: valueWords,
  same: (a, b) => equal(a.quotient, b.quotient) && equal(a.remainder, b.remainder),
  length: (value) => QUOTIENT.print(value).length,
}

/** Letters that choices are answered with, in their order. */
const LETTERS = 'abcdefghijklmnopqrstuvwxyz'

/**
 * One of a few answers, each with a letter of its own. Ids must differ from one another, and be no single letters.
 * @param typed reads the answer where it may be typed as well, such as a value among values: its id, undefined for none
 */
export function choiceOf(
  given: readonly Omit<AnswerChoice, 'key'>[],
  typed?: { readonly keys: readonly string[]; readonly idOf: (text: string) => string | undefined },
): AnswerKind<string> {
  const choices = given.map((c, i): AnswerChoice => ({ ...c, key: present(LETTERS[i]) }))
  const found = (text: string) => choices.find((c) => c.id === text || c.key === text.toLowerCase())
  const letter = (text: string) => choices.some((c) => c.key === text.toLowerCase())
  return {
    id: 'choice',
    keys: choices.map((c) => c.key),
    ...(typed && { alsoTyped: typed.keys }),
    choices,
    unfinished: UNFINISHED.choice,
    begins: (text) =>
      text === '' ||
      letter(text) ||
      (typed !== undefined &&
        text.length <= MOST_CHARACTERS &&
        [...text].every((k) => typed.keys.includes(k))),
    read: (text) => found(text)?.id ?? typed?.idOf(text.trim()),
    print: (value) => value,
    say: (value) => found(value)?.name ?? value,
    same: (a, b) => a === b,
    length: () => 1,
  }
}

const ROMAN_SIGNS: readonly (readonly [number, string])[] = [
  [1000, 'M'],
  [900, 'CM'],
  [500, 'D'],
  [400, 'CD'],
  [100, 'C'],
  [90, 'XC'],
  [50, 'L'],
  [40, 'XL'],
  [10, 'X'],
  [9, 'IX'],
  [5, 'V'],
  [4, 'IV'],
  [1, 'I'],
]
/** The largest number written with these seven signs. */
const MOST_ROMAN = 3999

/**
 * A Roman numeral from 1 to 3999, as it is written today: signs from the largest down, a smaller one before a larger
 * only in the six pairs above (common practice, no published source).
 */
export const ROMAN: AnswerKind<Decimal> = {
  id: 'roman',
  keys: ['I', 'V', 'X', 'L', 'C', 'D', 'M'],
  unfinished: UNFINISHED.roman,
  begins: (text) => /^[IVXLCDM]{0,15}$/i.test(text),
  read(text) {
    const given = text.trim().toUpperCase()
    let [n, rest] = [0, given]
    for (const [worth, signs] of ROMAN_SIGNS)
      while (rest.startsWith(signs)) {
        n += worth
        rest = rest.slice(signs.length)
      }
    return rest === '' && n > 0 && n <= MOST_ROMAN && roman(n) === given ? decimal(n) : undefined
  },
  print: (value) => roman(Number(value.units)),
  say: (value) => roman(Number(value.units)),
  same: equal,
  length: (value) => roman(Number(value.units)).length,
}

function roman(n: number): string {
  let [left, text] = [n, '']
  for (const [worth, signs] of ROMAN_SIGNS)
    while (left >= worth) {
      text += signs
      left -= worth
    }
  return text
}
