/** What is asked and said of one small piece of reckoning, whatever technique it is part of. */
import { placeTitle } from '../number/places.js'

/** The usual question. */
export const howMuch = (text: string): string => `${text}: how much?`

export const equation = (text: string, value: string): string => `${text} = ${value}`

/**
 * What is said of a mistake: a sentence, or how it is made of how far the entry is off, as the difference of the two numbers:
 * "10 too low". Undefined where that says nothing, as of a digit that went round from 9 to 0.
 */
export type Remark = string | ((amount: string | undefined) => string)

export const OFF = {
  low: (amount: string) => `${amount} too low`,
  high: (amount: string) => `${amount} too high`,
} as const

/** Remarks: what went wrong, and the equation that holds. */
export const REMARK = {
  check: (right: string) => `Check it: ${right}.`,
  /** How far off it is, is told of the very two numbers; see `Remark`. */
  off:
    (right: string): Remark =>
    (amount) =>
      amount === undefined ? `Check it: ${right}.` : `You are ${amount}: ${right}.`,
  zeroMissing: (right: string) => `A zero is missing: ${right}.`,
  zeroTooMany: (right: string) => `One zero too many: ${right}.`,
  carryLost: (right: string) => `You forgot to carry: ${right}.`,
  borrowMissed: (right: string) => `You forgot to borrow: ${right}.`,
  complementTens: (right: string) => `Only the last digit is taken from ten, the others from nine: ${right}.`,
  complementNine: (right: string) => `That goes with it to make nine. To make ten: ${right}.`,
  notHalved: (right: string) => `Halve it: ${right}.`,
  notDoubled: (right: string) => `Double it: ${right}.`,
  doubledNotSquared: (right: string) => `Squared means times itself, not doubled: ${right}.`,
  added: (right: string) => `Multiply here, do not add: ${right}.`,
  wrongSign: (right: string) => `Plus and minus are mixed up: ${right}.`,
} as const

/** The head of a sentence about a column. */
export function at(place: number, sentence: string): string
export function at(place: number, sentence: Remark): Remark
export function at(place: number, sentence: Remark): Remark {
  const head = (words: string) => `${placeTitle(place)}: ${words}`
  return typeof sentence === 'string' ? head(sentence) : (amount) => head(sentence(amount))
}

/** The question where only the answer is asked; what is asked of it may be told. */
export const ANSWER = {
  ask: (asks: string | undefined) => (asks ? `The answer? (${asks})` : 'The answer?'),
} as const
