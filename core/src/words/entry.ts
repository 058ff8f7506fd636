/** What is said of an entry as such: not finished yet, or mistyped. */

export const UNFINISHED = {
  number: 'That is not a number yet.',
  quotient: 'Type the quotient, then r, then what is left over.',
  choice: 'Choose one of the answers.',
  roman: 'That is not a Roman numeral.',
  nothing: 'Type your answer first.',
  tries: 'That is not right, and there were a great many tries: have it shown, or skip it.',
} as const

export const KEYING = {
  point: 'The digits are right; look where the point stands.',
  digit: (typed: string, right: string) => `Only one digit differs: ${typed} was typed for ${right}.`,
  swapped: (typed: string, right: string) => `Two digits changed places: ${typed} for ${right}.`,
  doubled: (digit: string) => `The ${digit} was typed twice.`,
  extra: (digit: string) => `There is a ${digit} too many.`,
  missing: (digit: string) => `A ${digit} is missing.`,
} as const
