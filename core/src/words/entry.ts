/** What is said of an entry as such: not finished yet, on the way, or mistyped. */
import { placeName } from '../number/places.js'

export const UNFINISHED = {
  number: 'That is not a number yet.',
  fraction: 'Type a whole number, a fraction such as 3/4, or a mixed number such as 2 3/4.',
  ratio: 'Type a ratio such as 3:4.',
  base: (base: number) => `Type a numeral in base ${base}.`,
  quotient: 'Type the quotient, then r, then what is left over.',
  choice: 'Choose one of the answers.',
  roman: 'That is not a Roman numeral.',
  nothing: 'Type your answer first.',
  onlyMarked: 'Press the right arrow where all of it is right, the left one where it is not.',
  otherForm: 'The value is right, in another form than asked. Press the right arrow to count it as right.',
  tries: 'That is not right, and you have tried many times. Press S to see it, or N to skip it.',
} as const

/** What is said of a value that was neither taken nor counted. */
export const PASSED_OVER = {
  soFar: (value: string) => `${value} so far. Go on: what does it come to?`,
  /** The digit alone of a total that is asked as a whole. */
  digit: (digit: string, place: number) => `${counted(digit, place)} so far. What is the total?`,
  /** Said once more than it stands for something. */
  again: (value: string, missing: readonly string[]) =>
    `${value} again: ${missing.length > 0 ? belong(missing) : 'there is more to it.'}`,
  rounded: (value: string) =>
    `${value} is true, but rounded or cut too soon. Give every decimal that is asked, and cut off the rest.`,
  later: (value: string, place: number) =>
    `${value} is right, but it belongs to the ${placeName(place)}. This step comes first.`,
} as const

const belong = (parts: readonly string[]) =>
  `${parts.join(' and ')} ${parts.length > 1 ? 'belong' : 'belongs'} here too.`

const counted = (digit: string, place: number) =>
  `${digit} ${digit === '1' ? placeName(place).replace(/s$/, '') : placeName(place)}`

/** The forms a value is asked in. */
const FORM = {
  fraction: 'as a fraction in lowest terms',
  mixed: 'as a mixed number in lowest terms',
  ratio: 'as a ratio in lowest terms',
  decimal: 'as a decimal',
} as const

/** Estimates are right within five percent. */
export const ESTIMATED = {
  asks: 'within 5 % on either side',
  asksWhole: 'a whole number within 5 % on either side',
  saysWhole: 'Give it as a whole number.',
} as const

/** What is asked of the form, and what is said of the right value in another form. */
export function formWords(form: keyof typeof FORM): { readonly asks: string; readonly says: string } {
  return { asks: FORM[form], says: `The value is right. Write it ${FORM[form]}.` }
}

export const KEYING = {
  point: 'The digits are right. Check where the point goes.',
  digit: (typed: string, right: string) => `Typed wrong? ${typed} instead of ${right}.`,
  swapped: (typed: string, right: string) => `Two digits changed places: ${typed} instead of ${right}.`,
  doubled: (digit: string) => `The ${digit} was typed twice.`,
  extra: (digit: string) => `There is a ${digit} too many.`,
  missing: (digit: string) => `A ${digit} is missing.`,
} as const
