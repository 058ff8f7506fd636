/** Words of the work on the frame. */

import { placeName, placeTitle } from '../number/places.js'
import { present } from '../number/present.js'
import { count } from './english.js'

const rodName = (place: number): string => `the ${placeName(place)} rod`

export const FRAME_MISFIT = {
  number: 'it takes one number by itself',
  rods: (most: number) => `a frame has at most ${most} rods`,
  tooLong: 'it needs more rods than a frame has',
  sums: 'it works sums and differences, and this is none',
  first: 'the first number must be set, so it cannot be taken away',
  belowZero: 'the value on the frame would fall below zero on the way',
} as const

export const READ = {
  name: 'Beads: read',
  about: 'Say the number that stands on the frame.',
  lesson: {
    example: '4096',
    when: 'First of all: a frame must be read at a glance.',
    whenNot: 'Always needed.',
    because: [
      'A bead counts when it touches the bar.',
      'The upper bead is worth 5, each lower bead 1.',
      'The dotted rods are units, thousands, millions.',
    ],
  },
  ask: 'Which number stands on the frame?',
  why: 'Rod by rod from the left: five for the upper bead at the bar, one for each lower bead at the bar.',
} as const

export const SET = {
  name: 'Beads: set',
  about: 'Set a number on the cleared frame, its units on the unit rod.',
  lesson: {
    example: '4096',
    when: 'Before any work on the frame.',
    whenNot: 'Always needed.',
    because: [
      'From the left, as you say the number.',
      'Thumb for lower beads up, index finger for the rest; 6 to 9 with both at once.',
      'The units go on a dotted rod, so that you can read the number again.',
    ],
  },
  ask: (number: string) => `Set ${number}.`,
  why: 'From the highest place: the upper bead for five and more, lower beads for the rest.',
  whyFirst: 'The first number goes onto the cleared frame, its units on the unit rod.',
  left: (number: string) => `Every digit is one rod too far to the left. Set ${number}.`,
  right: (number: string) => `Every digit is one rod too far to the right. Set ${number}.`,
  upper: 'The upper bead is worth five, a lower bead one.',
  upperMissing: (place: number) => `The upper bead on ${rodName(place)} is missing.`,
  beadOff: (few: boolean, place: number) =>
    `One lower bead too ${few ? 'few' : 'many'} on ${rodName(place)}.`,
} as const

export const BEADS_ADD = {
  name: 'Beads: add and take away',
  about: 'Sums, differences and chains of both on the frame, rod by rod from the left.',
  lesson: {
    example: '364+278-95',
    when: 'Any chain of numbers: the frame carries what your head would have to keep.',
    whenNot: 'Two short numbers, which you say faster than you set them.',
    because: [
      '+4 is +5 − 1: where four lower beads are not free, the upper bead and one back do the same.',
      '+8 is +10 − 2: where the rod is too full, one on the left and two off do the same.',
      'The highest place first: what stands on the frame is near the answer from the start.',
    ],
  },
  ask: (place: number, digit: string, taken: boolean) =>
    `${placeTitle(place)}: ${taken ? `take ${digit} away` : `add ${digit}`}.`,
  carry: (move: string) => `You forgot the one on the left. ${move}`,
  wrongWay: (complement: string, move: string) => `The ${complement} goes the other way. ${move}`,
  complement: (complement: string, move: string) =>
    `One on the left is ten: the ${complement} is still to do. ${move}`,
  fiveAsTen: (move: string) => `You worked a five as a ten. ${move}`,
  back: (back: string, move: string) => `The upper bead is five: ${back} must go back. ${move}`,
  upper: (move: string) => `The upper bead is worth five. ${move}`,
  undone: (move: string) => `This is still to do. ${move}`,
  wrongRod: (wrong: number, place: number) =>
    `It went onto ${rodName(wrong)}; it belongs on ${rodName(place)}.`,
  sign: (taken: boolean) => (taken ? 'Take this number away.' : 'Add this number.'),
  beadOff: (few: boolean, move: string) => `One lower bead too ${few ? 'few' : 'many'}. ${move}`,
} as const

/** A digit on its rod, as a teacher would say it. */
export interface Move {
  readonly place: number
  /** Added above 0, taken away below. */
  readonly digit: number
  /** What stands on the rod. */
  readonly stands: number
  readonly kind: 'direct' | 'five' | 'ten' | 'ten-five'
  readonly cascade: number
  readonly tenFirst: boolean
}

export function moveOf({ place, digit, stands, kind, cascade, tenFirst }: Move): string {
  const size = Math.abs(digit)
  const ten = 10 - size
  const title = `${placeTitle(place)} rod`
  if (kind === 'direct') return `${title}: just ${digit > 0 ? 'add' : 'take away'} ${size}.`
  if (kind === 'five')
    return digit > 0
      ? `${title}: ${size} lower beads are not free. Upper bead down, ${5 - size} back: 5 − ${5 - size} = ${size}.`
      : `${title}: ${size} lower beads are not there. Upper bead up, ${5 - size} back: 5 − ${5 - size} = ${size}.`
  const five = kind === 'ten-five'
  const passed =
    cascade === 0 ? '' : ` It passes ${count(cascade, 'rod')} of ${digit > 0 ? 'nine' : 'zero'} on the way.`
  if (digit > 0) {
    const off = `take away ${ten}${five ? ` (upper bead up, ${5 - ten} back)` : ''}`
    return `${title}: ${size} does not fit. ${inOrder(off, 'add 1 on the left', tenFirst)}.${passed}`
  }
  const on = `add ${ten}${five ? ` (upper bead down, ${5 - ten} back)` : ''}`
  return `${title}: ${stands} is less than ${size}. ${inOrder(on, 'take 1 away on the left', tenFirst)}.${passed}`
}

function inOrder(here: string, left: string, tenFirst: boolean): string {
  const [first, then] = tenFirst ? [left, here] : [here, left]
  return `${present(first[0]).toUpperCase()}${first.slice(1)}, then ${then}`
}

export const BEADS_MULTIPLY = {
  name: 'Beads: multiply',
  about: 'The product grows on the frame, one two-digit product at a time.',
  lesson: {
    example: '36*52',
    when: 'Long numbers: the frame keeps the sum, your head only the table.',
    whenNot: 'The numbers fit a short cut that gives the answer at once.',
    because: [
      'Count the digits of both numbers: 36 and 52 have four, so start on rod 4.',
      '3 × 5 is 15, 3 × 2 is 06: every product has two digits. The next one starts where the last one ended.',
      'A new digit of the first number begins one rod further to the right than the row before: 6 × 5 and 6 × 2. It comes to 1872.',
    ],
  },
  start: 'On which rod do you start? Count from the unit rod, which is 1.',
  whyStart: (a: string, b: string, rod: string) => `Count the digits of both numbers: ${a} + ${b} = ${rod}.`,
  row: (digit: string) => `A new row, for the ${digit}: on which rod does it begin?`,
  whyRow: (rod: string) => `One rod further to the right for each digit of the outer number: rod ${rod}.`,
  leadingZero: (place: number, words: string) =>
    `${placeTitle(place)} rod: which digit of ${words} goes here?`,
  whyLeadingZero: (words: string, shown: string) => `${words} is ${shown}: every product has two digits.`,
  put: (words: string) => `${words}: put both digits on, beginning at the finger.`,
  why: (words: string, shown: string, moves: string) => `${words} is ${shown}. ${moves}`,
  oneOff: (left: boolean, rod: string) => `One rod too far to the ${left ? 'left' : 'right'}: rod ${rod}.`,
  zero: (words: string, shown: string) => `${words} is ${shown}: with its 0 first.`,
  finger: (left: boolean, place: number) =>
    `One rod too far to the ${left ? 'left' : 'right'}: begin on ${rodName(place)}.`,
  carry: (place: number) => `You forgot the one on the left of ${rodName(place)}.`,
  missing: (digit: string, shown: string, place: number) =>
    `The ${digit} of ${shown} is missing on ${rodName(place)}.`,
  undone: (right: string) => `This product is still to be put on: ${right}.`,
} as const
