/** Words of the ways of subtracting. */
import { placeName } from '../number/places.js'
import { plural } from './english.js'

export const DIFFERENCE_MISFIT = 'it works one number less another, and nothing else'

export const TURNED = {
  opening: 'The first number is the smaller, so subtract the other way round. ',
  ask: 'You subtracted the other way round. What is the answer with its sign?',
  why: 'The first number was the smaller, so the answer is below zero.',
  lost: 'The answer is below zero: put a minus sign before it.',
} as const

/** Words of subtraction column by column. */
export const COLUMN = {
  hold: (sum: string) => `${sum}. What do you hold?`,
  write: (sum: string) => `${sum}. Which digit do you write?`,
  complement: (top: string, bottom: string) =>
    `${top} − ${bottom} can't be done. What goes with ${bottom} to make ten?`,
  addTop: (top: string, last: boolean) =>
    `Add the ${top} above to it. ${last ? 'Which digit do you write?' : 'What do you hold?'}`,
  addTopWrite: (top: string) => `Add the ${top} above to it. Which digit do you write?`,
  borrowed: (counts: string, bottom: string) => `${counts} − ${bottom}, with the ten you borrowed`,
  plain: (top: string, bottom: string) => `${top} − ${bottom}`,
  equal: 'Both digits are equal, and there is a borrow from further right. Which digit do you write?',
  whyPlain: 'Nothing has to be borrowed here.',
  whyComplement: (bottom: string, complement: string, top: string, value: string) =>
    `10 − ${bottom} = ${complement}, and ${complement} + ${top} = ${value}.`,
  whyTen: (counts: string, bottom: string, value: string) =>
    `You borrowed a ten: ${counts} − ${bottom} = ${value}.`,
  whyEqual: 'A ten comes in from the left, and one is passed on: 10 − 1 = 9.',
  glance: (held: string) =>
    `You hold ${held}. Look right, past equal columns: does the next one need to borrow? If not, write ${held}; if it does, one less.`,
  whyGlance: (lends: boolean, past: number, next: number) =>
    lends
      ? `${past > 0 ? `Past the equal ${plural(past, 'column')}, the` : 'The'} ${placeName(next)} need to borrow.`
      : 'No column to the right needs to borrow from here.',
  borrow: (next: number) =>
    `You forgot to borrow: the ${placeName(next)} need one from here. Write one less.`,
  through: (next: number) =>
    `Look past equal columns: the ${placeName(next)} need one from here. Write one less.`,
  needless: 'Nothing has to be borrowed from here. Write it as it is.',
  smaller: (right: string) => `You took the top digit from the bottom one: ${right}.`,
  tenMissing: (right: string) => `You borrowed a ten for this column: ${right}.`,
  added: (right: string) => `Take away, do not add: ${right}.`,
  mend: (digit: string) => `Something had to be borrowed. What does the ${digit} become?`,
  whyMend: (digit: string, after: string) =>
    digit === '0'
      ? 'A zero cannot give one away by itself: it becomes 9, and the digit before it goes down too.'
      : `${digit} − 1 = ${after}.`,
  notMended: (right: string) => `You forgot to borrow: ${right}.`,
  zeroNine: 'You forgot to borrow: a zero becomes 9, and the digit before it goes down.',
  twice: 'It goes down by only one.',
} as const

export const COMPLEMENTS = {
  name: 'Complements',
  about: 'Where the top digit is too small, take what makes ten with the bottom digit and add the top one.',
  lesson: {
    example: '8341-3675',
    when: 'Subtraction of any length, read off from the left as you say it.',
    whenNot: 'A number a little below a round one is taken away: round it up and give back.',
    because: [
      "Hundreds: 3 − 6 can't be done. 4 goes with 6 to make ten, and 4 + 3 = 7.",
      'The ten was borrowed, so the digit on the left goes down by one: 5 becomes 4.',
      'Go on like this: 4666.',
    ],
  },
} as const

export const HOLD_DROP = {
  name: 'Hold and borrow',
  about: 'Read the answer off from the left: hold each digit, look right, then write it or one less.',
  lesson: {
    example: '7052-3068',
    when: 'Subtraction of any length, for those who know 13 − 6 faster than what goes with 6.',
    whenNot: 'A number a little below a round one is taken away: round it up and give back.',
    because: [
      'Thousands: 7 − 3 = 4. Look right, past 0 − 0: 5 − 6 needs to borrow, so write 3.',
      'Equal columns pass the borrow on: they become 9.',
      'Tens: 15 − 6 = 9, and the units need one, so write 8. Units: 12 − 8 = 4. The answer is 3984.',
    ],
  },
} as const

export const BLOCKS = {
  name: 'Blocks of two',
  about:
    'Two digits at a time from the right: where a block is too small, see by how much, and borrow a hundred.',
  lesson: {
    example: '6214-1857',
    when: 'You see two-digit differences at once, and write the answer from the right.',
    whenNot: 'The answer is said as it is read: work from the left.',
    because: [
      '14 − 57 is 43 short, so write 100 − 43 = 57 and borrow.',
      '62 − 1 = 61, because one was borrowed, and 61 − 18 = 43.',
      'Together 4357.',
    ],
  },
  take: (top: string, bottom: string, lent: boolean) =>
    `${top}${lent ? ', one less for the borrow,' : ''} minus ${bottom}: how much?`,
  short: (top: string, bottom: string, lent: boolean) =>
    `${top}${lent ? ', one less for the borrow,' : ''} minus ${bottom}: how much is it short?`,
  whyTake: 'This block is large enough.',
  whyShort: (right: string) => `${right}, so that much is missing.`,
  write: (short: string) => `${short} short, and a hundred is borrowed: which two digits do you write?`,
  whyWrite: (short: string, value: string) => `100 − ${short} = ${value}.`,
  borrow: (right: string) => `You forgot that one was borrowed: ${right}.`,
  needless: (right: string) => `Nothing was borrowed here: ${right}.`,
  missing: (right: string) => `That is what is missing. Write the rest of a hundred: ${right}.`,
} as const

export const ROUND_UP = {
  name: 'Round up and add back',
  about: 'Take away a rounder number and add back what was too much.',
  lesson: {
    example: '4600-273',
    when: 'The number you take away is a little below a round one.',
    whenNot: 'It is far below, like 142: subtract by columns.',
    because: ['273 is 27 below 300.', '4600 − 300 = 4300, which took 27 too much.', '4300 + 27 = 4327.'],
  },
  first: (minuend: string, round: string) => `${minuend} less ${round}: how much?`,
  whyFirst: 'A round number is easy to take away.',
  last: (soFar: string) => `Add back to ${soFar} what was too much: what is the answer?`,
  whyLast: (soFar: string, over: string, end: string) => `${soFar} + ${over} = ${end}.`,
  wrongWay: (right: string) => `You took too much away, so add it: ${right}.`,
  kept: (right: string) => `It is still to be added back: ${right}.`,
  none: 'the number taken away is not a little below a round one',
  tooMuch: 'the round number would be more than there is to take it from',
} as const
