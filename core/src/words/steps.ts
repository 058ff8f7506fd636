/** What is asked and said of one small piece of reckoning, whatever technique it is part of. */
import { placeTitle } from '../number/places.js'

/** The usual question. */
export const howMuch = (text: string): string => `${text}: how much?`

export const equation = (text: string, value: string): string => `${text} = ${value}`

/** Remarks: what went wrong, and the equation that holds. */
export const REMARK = {
  check: (right: string) => `Check it: ${right}.`,
  tooFew: (right: string) => `You are 1 short: ${right}.`,
  tooMany: (right: string) => `You are 1 over: ${right}.`,
  tenTooFew: (right: string) => `You are 10 short: ${right}.`,
  tenTooMany: (right: string) => `You are 10 over: ${right}.`,
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
export const at = (place: number, sentence: string): string => `${placeTitle(place)}: ${sentence}`

/** The question where only the answer is asked; what is asked of it may be told. */
export const ANSWER = {
  ask: (asks: string | undefined) => (asks ? `The answer? (${asks})` : 'The answer?'),
} as const
