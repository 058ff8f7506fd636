/** Words of the ways of squaring. */
import { count } from './english.js'

export const SQUARE_MISFIT = {
  none: 'it works the square of a number, and this is none',
  zero: 'the square of 0 is 0',
  long: (digits: number) => `the number has more than ${count(digits, 'digit')}`,
  byHeart: 'squares of small numbers are known by heart',
} as const

export const SQUARE_NEAR_BASE = {
  name: 'Square near a base',
  about: 'Near 10, 100 or 1000: the gap once more in front, the gap squared behind.',
  lesson: {
    example: '96^2',
    when: 'The number is near 10, 100 or 1000, on either side.',
    whenNot: 'The gap is hard to square: 63 is quicker from a round neighbour.',
    because: [
      '96 is 4 short of 100.',
      'Front: 4 less again, 96 − 4 = 92.',
      'Back: 4 × 4 = 16, in two places. Together 9216.',
    ],
  },
  hard: (gap: string) => `the gap ${gap} is hard to square`,
} as const

export const ENDING_FIVE = {
  name: 'Ending in five',
  about: 'Leave the 5, multiply the head by the next number, and write 25 behind.',
  lesson: {
    example: '75^2',
    when: 'The number ends in 5, with or without decimals.',
    whenNot: 'It ends in anything else.',
    because: ['75 is halfway between 70 and 80.', 'Front: 7 × 8 = 56.', 'Back: always 25. Together 5625.'],
  },
  ask: (front: string) => `The front is ${front}. Write the back behind it: what is the answer?`,
  back: 'Back: 5 × 5. How much is it?',
  why: '5 × 5 = 25 fills the last two places.',
  missing: 'The back is missing: 5 × 5 = 25.',
  five: 'The back is 5 × 5 = 25, not 5.',
  added: 'Write the 25 behind the front, in two places of its own.',
  ten: 'The back is 5 × 5 = 25, not 10.',
  ends: (digit: string) => `the number ends in ${digit}, not 5`,
} as const

export const BALANCE = {
  name: 'Round and balance',
  about: 'Go to a round neighbour and as far the other way: multiply those two and add the step squared.',
  lesson: {
    example: '47^2',
    when: 'Any number a few steps from a round one.',
    whenNot: 'It ends in 5 or is near 100 or 1000: those ways are shorter.',
    because: [
      '47 is 3 below 50. Go 3 the other way too: 44.',
      '50 × 44 = 2200.',
      'That is 3 × 3 = 9 too small, so 2209.',
    ],
  },
  decide: (n: string) => `Which round number is near ${n}?`,
  whyDecide: (n: string, step: string, round: string, up: boolean) =>
    `${n} ${up ? '+' : '−'} ${step} = ${round}.`,
  other: (n: string) => `As far the other way from ${n}: which number?`,
  whyOther: (step: string) => `You went ${step} one way, so go ${step} the other way.`,
  stay: (right: string) => `Go as far the other way: ${right}.`,
  twice: (right: string) => `Not twice as far: ${right}.`,
  product: (round: string, other: string) => `${round} × ${other}: how much?`,
  whyProduct: 'A round number is easy to multiply; this is a little less than the square.',
  square: (step: string) => `${step} × ${step}: how much is the square of your step?`,
  whySquare: 'It is what the product will be short by.',
  add: (product: string) => `Add the square of your step to ${product}: what is the answer?`,
  whyAdd: (step: string, square: string) => `The product is too small by ${step} × ${step} = ${square}.`,
  missing: (right: string) => `Add the square of your step: ${right}.`,
  taken: (right: string) => `Add it, do not take it away: ${right}.`,
  notSquared: (right: string) => `Square your step first: ${right}.`,
  round: (n: string) => `${n} is round already`,
} as const

export const DUPLEX = {
  name: 'Duplex',
  about: 'Any number squared, one answer digit a column: each column is the duplex of a group of digits.',
  lesson: {
    example: '34^2',
    when: 'Any number without a round neighbour.',
    whenNot: 'It ends in 5 or is near 100 or 1000.',
    because: [
      'The duplex of two digits is twice their product, of one digit its square.',
      '34: from the right 4 × 4 = 16, then 2 × 3 × 4 = 24, then 3 × 3 = 9.',
      'One digit a column, the rest carried: 1156.',
    ],
  },
  column: (group: string) => `the duplex of ${group}. How much is that?`,
  why: 'Pair the outer digits and double each product; a middle digit is squared.',
  once: (pair: string, right: string) => `${pair} counts twice: ${right}.`,
  middleTwice: (right: string) => `The middle digit is squared once, not twice: ${right}.`,
  middleMissing: (right: string) => `The middle digit squared is missing: ${right}.`,
  missing: (pair: string, right: string) => `${pair} is missing: ${right}.`,
  oneDigit: 'the square of one digit is a table fact',
} as const
