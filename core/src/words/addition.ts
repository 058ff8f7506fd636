/** Words of the ways of adding. */
import { placeName } from '../number/places.js'
import { listed } from './english.js'

export const SUM_MISFIT = {
  sums: 'it works sums, and this is none',
  minus: 'every number must be added, none taken away',
  nothingAdded: 'nothing is added here; take a way of subtracting',
  belowZero: 'the total would fall below zero on the way',
  two: 'it adds two numbers',
} as const

export const PARTS = {
  add: (total: string, part: string) => `${total} and ${part} more: what is the total?`,
  take: (total: string, part: string) => `${total} less ${part}: what is the total?`,
  now: (part: string) => `Now the ${part}: the total?`,
  why: (place: number, taken: boolean) =>
    taken ? `Take all the ${placeName(place)} away at once.` : `Add all the ${placeName(place)} at once.`,
  carry: (right: string, left: string) => `You forgot to carry: ${right}, so the ${left} go up by one.`,
  borrow: (right: string, left: string) => `You forgot to borrow: ${right}, so the ${left} go down by one.`,
  place: (digit: string, wrong: number, part: string) =>
    `The ${digit} is not ${placeName(wrong)}: it is ${part}.`,
  leftOut: (part: string) => `The ${part} is missing.`,
  minus: (part: string) => `Take the ${part} away.`,
  plus: (part: string) => `Add the ${part}.`,
  nothing: (total: string) => `Nothing is added to ${total}: what is the total?`,
  whyNothing: 'Adding zero changes nothing.',
} as const

export const RUNNING_TOTAL = {
  name: 'Running total',
  about: 'Keep the first number whole and add the next one part by part, highest place first.',
  lesson: {
    example: '364+278',
    when: 'Two or three numbers, spoken or written: the first is still in your ear.',
    whenNot: 'A long list: sweep it place by place.',
    because: [
      '278 is 200 + 70 + 8.',
      '364 + 200 = 564, then 564 + 70 = 634, then 634 + 8 = 642.',
      'From the left each total is already near the answer.',
    ],
  },
} as const

export const PLACE_SWEEP = {
  name: 'Place sweep',
  about: 'Sweep the list place by place: all the tens, then all the units, saying only the totals.',
  lesson: {
    example: '38+94+75',
    when: 'Three numbers and more, of any length.',
    whenNot: 'Two short numbers: a running total is as quick.',
    because: [
      'First the tens: 30, 120, 190.',
      'Then the units: 198, 202, 207.',
      'Say only the totals. After the tens you are already near the answer.',
    ],
  },
} as const

export const PAIRS = {
  name: 'Tens first',
  about: 'For lists: in each place find digits that make ten, add those as whole tens, then the rest.',
  lesson: {
    example: '47+63+28+52',
    when: 'A list of four numbers and more that you can see: the eye finds the tens.',
    whenNot: 'Numbers that are read out: there is nothing to look at.',
    because: [
      'You may add in any order.',
      'Tens: 4 + 6 = 10, so that is 100 at once; then 2 and 5.',
      'Units: 7 + 3 = 10 and 8 + 2 = 10, two tens at once: 190.',
    ],
  },
  decide: (place: string, shown: string) =>
    `${place}: ${shown} are left. How many make ten together? If none, zero.`,
  ask: (place: string, shown: string, total: string | undefined) =>
    `${place}: ${shown} ${shown.includes(' ') ? 'are' : 'is'} left. ${total ? `From ${total}, what` : 'What'} is the total now?`,
  whyTen: (group: readonly string[]) => `${group.join(' + ')} = 10, so add a whole ten at once.`,
  whyOne: 'What makes no ten is added one at a time, in any order.',
  whyNone: (shown: readonly string[]) => `No digits among ${listed(shown)} make exactly 10.`,
  missed: (group: readonly string[]) => `There is a ten: ${group.join(' + ')} = 10.`,
  noneOf: (size: number, shown: readonly string[]) =>
    `No ${size} digits among ${listed(shown)} make exactly 10.`,
  noTen: (shown: readonly string[]) => `No digits among ${listed(shown)} make exactly 10.`,
  place: (group: readonly string[], place: number, part: string) =>
    `${listed(group)} ${group.length === 1 ? 'is' : 'are'} ${placeName(place)}: add ${part}.`,
  leftOut: (shown: readonly string[]) =>
    `${listed(shown)} ${shown.length === 1 ? 'is' : 'are'} still to be added.`,
  tally: 'tens found',
} as const

export const COLUMNS_LEFT = {
  name: 'Columns from the left',
  about: 'Write the sum from the left, one digit a column, and change a digit when a carry comes.',
  lesson: {
    example: '457+386',
    when: 'Two long numbers under each other: the answer is written as it is read.',
    whenNot: 'Many numbers: take column totals.',
    because: [
      'Hundreds: 4 + 3 = 7.',
      'Tens: 5 + 8 = 13, so write 3 and the 7 becomes 8.',
      'Units: 7 + 6 = 13, so write 3 and the 3 becomes 4: 843.',
    ],
  },
  first: (shown: string) => `${shown}. What do you write?`,
  next: (shown: string) => `${shown}. Which digit do you write?`,
  glance: (shown: string) => `${shown}. Look right: does anything come over? What do you write?`,
  mend: (digit: string) => `A carry comes in. What does the ${digit} become?`,
  whySum: (right: string, carry: number) =>
    carry === 0 ? `${right}, and nothing is carried in.` : `${right}, and ${carry} more is carried in.`,
  whyNine: (next: string) => `The ${next} make 9, so a carry from beyond comes through them.`,
  whyMend: 'Ten of one column are one of the next.',
  whyNineMend: 'A nine that goes up becomes 0, and the digit before it goes up too.',
  through: (next: string) => `Look past the ${next}: they make 9, and a carry comes from beyond.`,
  lost: (right: string) => `You forgot to carry: ${right}.`,
  needless: (next: string) => `The ${next} do not carry.`,
  oneDigit: (right: string) => `One digit a column: ${right}, and its ten goes to the left.`,
  notMended: (right: string) => `You forgot to carry: ${right}.`,
  once: (by: string) => `Carry the ${by} only once.`,
} as const

export const ADD_BLOCKS = {
  name: 'Add by blocks',
  about: 'Two digits at a time from the right: write two, carry the rest.',
  lesson: {
    example: '4738+2685',
    when: 'You add two-digit numbers at once, and write the answer from the right.',
    whenNot: 'The answer is said as it is read: work from the left.',
    because: ['38 + 85 = 123: write 23 and carry 1.', '47 + 26 + 1 = 74.', 'Together 7423.'],
  },
  one: 'the numbers are one block, so there is nothing to carry between blocks',
  ask: (place: string, numbers: string, carried: number) =>
    `${numbers}${carried > 0 ? `, and ${carried} carried` : ''}: how much, from the ${place} on?`,
  why: 'Write the last two digits and carry the rest.',
  whyLast: 'This is the last block: write all of it.',
  carry: (carried: number, right: string) => `You forgot to carry ${carried}: ${right}.`,
  leftOut: (part: string, right: string) => `The ${part} is missing: ${right}.`,
  tenOff: (less: boolean, right: string) => `That is ten too ${less ? 'few' : 'many'}: ${right}.`,
} as const

export const COLUMN_TOTALS = {
  name: 'Column totals',
  about: 'Add up every column fully from the left; your estimate gets better as you go.',
  lesson: {
    example: '4268+1907+3355+2840',
    when: 'Many numbers under each other, and carries get lost.',
    whenNot: 'Speed is all: a place sweep has fewer steps.',
    because: [
      'Column by column: 10 thousands, 22 hundreds, 15 tens, 20 units.',
      'Write each total under its column, its tens one place to the left.',
      'Your estimates: 10000, 12200, 12350, 12370. Nothing has to be carried in your head.',
    ],
  },
  column: (shown: string) => `${shown}. Look for tens. How much is the whole column?`,
  whyColumn: 'Add up the whole column; a second digit goes one place to the left.',
  tenOff: (few: boolean, right: string) => `Ten too ${few ? 'few' : 'many'}: ${right}.`,
  leftOut: (digit: string, right: string) => `You left a ${digit} out: ${right}.`,
  whole: (right: string) => `The whole total, with its tens: ${right}.`,
  first: (total: string, place: string) => `${total} ${place}: what is your first estimate?`,
  next: (before: string, total: string, place: string, last: boolean) =>
    `${before} and ${total} ${place}: what is ${last ? 'the sum' : 'your estimate now'}?`,
  whyEstimate: (total: string, place: string, part: string) => `${total} ${place} are ${part}.`,
  tooLow: (words: string) => `One place too low: ${words}`,
  tooHigh: (words: string) => `One place too high: ${words}`,
  spill: (tens: string, place: string, words: string) =>
    `You forgot to carry ${tens} to the ${place}: ${words}`,
  missing: (place: string, words: string) => `The ${place} are missing: ${words}`,
} as const

export const ADJUST = {
  gap: (n: string) => `How much above ${n} is your round number?`,
  whyGap: (round: string, n: string, over: string) => `${round} − ${n} = ${over}.`,
} as const

export const COMPENSATION = {
  name: 'Round up and give back',
  about: 'Round one number up, add it, and give back what was too much.',
  lesson: {
    example: '398+257',
    when: 'One number is a little below a round one: 398, 79, 2997.',
    whenNot: 'Neither is: there is nothing to gain.',
    because: ['398 is 400 − 2.', '400 + 257 = 657, which is 2 too many.', '657 − 2 = 655.'],
  },
  total: (round: string, other: string) => `${round} and ${other}: how much?`,
  whyTotal: 'A round number is easy to add.',
  back: (total: string) => `Give back from ${total} what was too much: what is the sum?`,
  whyBack: (total: string, over: string, sum: string) => `${total} − ${over} = ${sum}.`,
  wrongWay: (right: string) => `You rounded up, so take it away: ${right}.`,
  kept: (right: string) => `It is still to be given back: ${right}.`,
  none: 'no number is a little below a round one',
} as const

export const FLASH = {
  name: 'Flash list',
  about: 'Numbers come one after another; only the running total is kept.',
  lesson: {
    example: '7+8-4+9',
    when: 'You work on a frame you only imagine.',
    whenNot: 'You can look at the numbers again: then there are easier ways.',
    because: [
      'Each number goes onto the imagined frame as it comes.',
      '7 + 8 = 15, then 15 − 4 = 11, then 11 + 9 = 20.',
      'Forget each number at once; the frame keeps the total.',
    ],
  },
  ask: (total: string, number: string, taken: boolean) =>
    `${total} ${taken ? 'less' : 'and'} ${number}: what is the total?`,
  why: 'Put the number on the frame you imagine, highest place first.',
  missed: (right: string) => `You missed this number: ${right}.`,
  twice: (right: string) => `You took this number twice: ${right}.`,
  sign: (taken: boolean, right: string) => `This number is ${taken ? 'taken away' : 'added'}: ${right}.`,
  previous: (right: string) => `That was the number before: ${right}.`,
  lists: 'it works lists of numbers added and taken away',
} as const
