/** Words of the ways of finding a root. */
import { marked } from '../number/marks.js'
import { count, plural } from './english.js'

/** What an estimate of a root is held against. */
export const TRUE_ROOT = (root: string, off: string, low: boolean) =>
  `The root itself is ${root}…, so the estimate is about ${off} too ${low ? 'low' : 'high'}.`

export const ROOT_MISFIT = {
  none: 'it works a square root, and this is none',
  below: 'a number below 1: move the point by two places first',
} as const

export const ESTIMATE = {
  name: 'Root by estimate',
  about: 'Start from the nearest square you know and add what is left, shared out over twice its root.',
  lesson: {
    example: 'sqrt(70)',
    when: 'Two decimals are enough.',
    whenNot: 'More digits are wanted, or the number is long: take duplexes.',
    because: [
      '8 × 8 = 64 is the largest square that fits, and 6 are left.',
      'If the root grows by a little, the square grows by about twice the root times that little.',
      marked('So share the 6 out over 16: 6 ÷ 16 = 0.375, and the root is about 8.375, a little too large.'),
    ],
  },
  asks: 'the estimate to two decimals',
  start: (n: string, nearest: boolean) =>
    nearest ? `Which number's square is nearest to ${n}?` : `Which number's square just fits in ${n}?`,
  whyStart: 'You know this square; the rest is a small correction.',
  above: (right: string) => `Too large: ${right}.`,
  below: (right: string) => `A larger one still fits: ${right}.`,
  nearer: (right: string) => `Another one is nearer: ${right}.`,
  left: (n: string, r: string, under: boolean) =>
    under ? `How far is ${r} × ${r} above ${n}?` : `${n} less ${r} × ${r}: how much is left?`,
  whyLeft: (square: string) => `${square}.`,
  divisor: (r: string) => `Twice ${r}: how much?`,
  whyDivisor: 'If the root grows by a little, the square grows by about twice the root times that little.',
  squared: (right: string) => `Twice the root, not its square: ${right}.`,
  reduce: (left: string, twice: string) => `By which number can ${left} and ${twice} both be divided?`,
  whyReduce: (left: string, twice: string, by: string, a: string, b: string) =>
    `${left} ÷ ${by} = ${a} and ${twice} ÷ ${by} = ${b}.`,
  reduceAgain: (a: string, b: string) => `Divide both of them by it: ${a} over ${b} is left.`,
  divide: (left: string, by: string) => `${left} ÷ ${by}: how much, to two or three decimals?`,
  whyDivide: 'Share out what is left over twice the root. A fraction will do too.',
  division: 'Divide once more: one decimal is off.',
  point: 'Look where the point goes.',
  stillDivide: (left: string, by: string) => `The ${left} must still be divided by ${by}.`,
  upsideDown: (left: string, by: string) => `Divide ${left} by ${by}, not the other way round.`,
  add: (r: string, under: boolean) =>
    under
      ? `Take the correction away from ${r}: what is your estimate?`
      : `Add the correction to ${r}: what is your estimate?`,
  whyAdd: 'The estimate is never below the true root, and very near it when the square was near.',
  wrongWay: (under: boolean) =>
    under ? 'You started above, so take the correction away.' : 'You started below, so add the correction.',
  missing: 'The correction is missing.',
  again: (n: string, estimate: string) =>
    `Still far off, so once more: ${n} ÷ ${estimate}. How much, to two or three decimals?`,
  whyAgain: 'If one number is too large, the other is too small; the root lies between them.',
  middle: (a: string, b: string) => `Halfway between ${a} and ${b}: what is your estimate?`,
  notHalved: 'Halve the sum to get halfway.',
  quotient: 'Halfway between both, not the last value itself.',
  upTo: (most: string) => `only up to ${most}: the first square must be known`,
} as const

export const ROOT_DUPLEX = {
  name: 'Root by duplexes',
  about: 'One root digit after another: divide by twice the first digit, and take away duplexes as you go.',
  lesson: {
    example: 'sqrt(2704)',
    when: 'More digits are wanted than an estimate gives, or the number is long.',
    whenNot: 'Two decimals are enough and a square you know is near.',
    because: [
      'Pair the digits off from the point: 27 and 04. 5 × 5 = 25 fits in 27, and 2 are left.',
      'Twice 5 is 10, and you divide by that to the end. 20 ÷ 10 = 2, so the root is 52.',
      'Before every further digit take away the duplex of the digits after the first: 2 × 2 = 4, and 4 − 4 = 0.',
    ],
  },
  asks: (decimals: string) =>
    decimals === '0'
      ? 'the whole root, the rest cut off'
      : `the root to ${decimals} ${plural(Number(decimals), 'decimal')}, the rest cut off`,
  first: (group: string) => `First group ${group}: which digit's square just fits?`,
  whyFirst: (groups: number) =>
    `Pair the digits off from the point: the root has ${count(groups, 'whole digit')}.`,
  above: (right: string) => `Too large: ${right}.`,
  below: (right: string) => `A larger one still fits: ${right}.`,
  left: (group: string, root: string) => `${group} less ${root} × ${root}: what is left?`,
  whyLeft: 'What is left stands before the next digit.',
  divisor: (root: string) => `Twice ${root}: how much?`,
  whyDivisor: 'You divide by this to the end.',
  duplex: (gross: string, group: string) => `${gross} stands there. The duplex of ${group}: how much?`,
  whyDuplex: 'The digits after the first have used this much of the column already.',
  net: (gross: string, duplex: string) => `${gross} less the duplex ${duplex}: what is left to divide?`,
  whyNet: (right: string) => `${right}.`,
  forgotten: (right: string) => `Take the duplex away first: ${right}.`,
  added: (right: string) => `Take the duplex away, do not add it: ${right}.`,
  digit: (divisor: string, net: string) =>
    `How often does ${divisor} go into ${net}? Take one less if the next take-away would not fit.`,
  whyDigit: (right: string, lowered: boolean) =>
    lowered
      ? `${right}, and that leaves enough for the next take-away.`
      : `${right} fits, and enough is left.`,
  lower: 'One less: the next take-away would not fit.',
  few: (right: string) => `One more still fits: ${right}.`,
  many: (right: string) => `Too much: ${right}.`,
  rest: (net: string, q: string, divisor: string) => `${net} less ${q} × ${divisor}: what is left?`,
  whyRest: 'It may be larger than what you divide by: more will be taken from it.',
  restForgotten: (right: string) => `What is left goes on to the next digit: ${right}.`,
  digits: (most: number) => `more than ${count(most, 'digit')} stand before the point`,
} as const
