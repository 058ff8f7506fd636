/** Words of short division. */
export const SHORT = {
  name: 'Short division',
  about: 'Divide by one digit from the left: how often, what is left, and the next digit beside it.',
  lesson: {
    example: '2184/6',
    when: 'The divisor has one digit, or is 10, 11 or 12.',
    whenNot: 'The divisor is 2, 4 or 5: halving or doubling is quicker.',
    because: [
      '21 ÷ 6: 3 times 6 is 18, and 3 are left.',
      'The 3 that are left stand before the 8: 38. 6 times 6 is 36, and 2 are left.',
      '24: 4 times 6. The answer is 364.',
    ],
  },
  often: (divisor: string, part: string) => `how often does ${divisor} go into ${part}?`,
  whyOften: (right: string, part: string) => `${right} is the most that fits into ${part}.`,
  zero: (divisor: string, part: string) => `${divisor} does not go into ${part}: write a 0 first.`,
  few: (right: string) => `It goes in once more: ${right}.`,
  many: (right: string, part: string) => `${right}, and that is more than ${part}.`,
  left: (n: string, product: string, stated: boolean) =>
    `${n} less ${product}: ${stated ? 'what remains?' : 'what is left?'}`,
  whyLeft: (stated: boolean) =>
    stated ? 'No digits are left, so this is the remainder.' : 'What is left stands before the next digit.',
  forgotten: (right: string) => `What is left goes to the next digit: ${right}.`,
  none: 'it works a division, and this is none',
  whole: 'the divisor must be whole: move both points first',
  range: 'the divisor must be 2 to 12: short division keeps what is left in mind',
  asks: (places: number) => `the quotient, cut off after ${places} decimals`,
  asksQuotient: 'the quotient, then r and what is left over',
} as const
