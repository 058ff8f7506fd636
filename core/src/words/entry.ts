/** What is said of an entry as such: not finished yet, or mistyped. */

export const UNFINISHED = {
  number: 'That is not a number yet.',
  quotient: 'Type the quotient, then r, then what is left over.',
  choice: 'Choose one of the answers.',
  roman: 'That is not a Roman numeral.',
  nothing: 'Type your answer first.',
  tries: 'That is not right, and you have tried many times. Press S to see it, or N to skip it.',
} as const

export const KEYING = {
  point: 'The digits are right. Check where the point goes.',
  digit: (typed: string, right: string) => `Typed wrong? ${typed} instead of ${right}.`,
  swapped: (typed: string, right: string) => `Two digits changed places: ${typed} instead of ${right}.`,
  doubled: (digit: string) => `The ${digit} was typed twice.`,
  extra: (digit: string) => `There is a ${digit} too many.`,
  missing: (digit: string) => `A ${digit} is missing.`,
} as const
