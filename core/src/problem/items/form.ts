/** What every form of paper item has: how it is typed, said and answered. */

import { type Decimal, decimal, readDecimal, toText, toWords } from '../../number/decimal.js'
import { type Fraction, fraction, fractionOf } from '../../number/fraction.js'
import { present } from '../../number/present.js'
import type { AnswerKind } from '../../question/kind.js'
import type { Value } from '../../question/value.js'

/** The numbers of an item in the order its form has them, and what else tells it from others of its form. */
export interface Parts {
  readonly numbers: readonly Decimal[]
  /** Signs of operation, units and the like. */
  readonly signs: readonly string[]
}

export interface Form {
  /**
   * Reads the typed form: signs plain, blanks single. undefined for a text of another form.
   * @throws InputError for one of this form that cannot be answered
   */
  read(text: string): Parts | undefined
  /** As it is typed and kept; reading it gives the same parts. */
  print(parts: Parts): string
  /** For people. */
  words(parts: Parts): string
  /** The kind of answer it has. */
  kind(parts: Parts): AnswerKind<Value>
  /** The answer, reckoned plainly. */
  answer(parts: Parts): Value
  /** What is right as well, where more than one rule can be meant; nothing where it is left out. */
  others?(parts: Parts): readonly Value[]
  /** What stands between the words and the answer; a colon where it is left out. */
  readonly joint?: string
}

/** A form whose answers are all of one type, as one of any values. */
export function form<V extends Value>(given: {
  readonly read: Form['read']
  readonly print: Form['print']
  readonly words: Form['words']
  kind(parts: Parts): AnswerKind<V>
  answer(parts: Parts): V
  others?(parts: Parts): readonly V[]
  readonly joint?: string
}): Form {
  return given as unknown as Form
}

export const parts = (
  numbers: readonly (Decimal | bigint | number)[],
  signs: readonly string[] = [],
): Parts => ({
  numbers: numbers.map((n) => (typeof n === 'object' ? n : decimal(n))),
  signs,
})

/** Patterns of numbers as they are typed. */
export const WHOLE_TEXT = '(\\d{1,20})'
export const NUMBER_TEXT = '(\\d{1,20}(?:\\.\\d{1,12})?)'

export const number = (text: string): Decimal => present(readDecimal(text))

/** The whole number at a place of the parts. */
export const whole = ({ numbers }: Parts, i: number): bigint => present(numbers[i]).units
export const wholes = ({ numbers }: Parts): bigint[] => numbers.map((n) => n.units)

export const printed = (n: Decimal): string => toText(n)
export const shown = (n: Decimal | bigint): string => toWords(typeof n === 'bigint' ? decimal(n) : n)

/** The quotient of two numbers of the parts. */
export const ratioOf = ({ numbers }: Parts, i: number, j: number): Fraction => {
  const [a, b] = [fractionOf(present(numbers[i])), fractionOf(present(numbers[j]))]
  return fraction(a.over * b.under, a.under * b.over)
}

/** A form typed as a word with whole numbers in brackets: "gcf(36,48)". */
export function called(names: string, count: { readonly least: number; readonly most: number }) {
  const pattern = new RegExp(`^(?:${names}) ?\\( ?([\\d., ]+?) ?\\)$`, 'i')
  return (text: string): Decimal[] | undefined => {
    const found = pattern
      .exec(text)?.[1]
      ?.split(/ ?, ?/)
      .map((n) => readDecimal(n))
    if (!found || found.length < count.least || found.length > count.most || found.includes(undefined))
      return undefined
    return found as Decimal[]
  }
}
