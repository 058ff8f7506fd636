/** What the drills ask that look at a problem or an answer rather than work it. */
import { said } from '../number/whole.js'
import { seconds } from './english.js'

export const DRILL_NAMES = {
  fact: 'Facts',
  grid: 'Grid',
  fits: 'Does it fit?',
  ways: 'Which way?',
  checking: 'Is it right?',
} as const

export const FITS = {
  ask: (technique: string) => `Does "${technique}" fit here?`,
  fits: 'yes, it fits',
  /** @param because why it does not fit, a clause */
  not: (technique: string, because: string) => `${technique} does not fit: ${because}.`,
  other: (no: string) => `It does not fit, but for another reason: ${no}.`,
  fitsAfterAll: (technique: string) => `All that is needed is there: ${technique} fits.`,
} as const

export const WAYS_TO_TAKE = {
  ask: 'Which way would you take?',
  misfit: (technique: string, because: string) => `${technique} does not fit: ${because}.`,
  /** @param ms by how much the choice takes longer, by the learner's own times */
  costs: (technique: string, ms: number, best: string) =>
    `${technique} would cost you about ${seconds(ms)} more than ${best}.`,
  least: (technique: string) => `${technique} is the quickest of them for you.`,
  lighter: (technique: string, effort: number, best: string, less: number) =>
    `${technique} takes ${effort} points of effort, ${best} only ${less}.`,
} as const

export const CHECKING = {
  /** @param what the number as it is written */
  left: (check: 'nines' | 'elevens', what: string) =>
    check === 'nines'
      ? `Cast the nines out of ${what}: what is left?`
      : `Alternating digit sum of ${what}, from 0 to 10?`,
  made: (shown: string) => `${shown}: what must be left of the answer?`,
  /** Said where what was left of a number is not right. */
  how: {
    nines: 'Strike out every 9 and digits that make 9, then add up the others until one digit is left.',
    elevens: 'From the last digit to the front: add one, take the next away. Below zero, add 11.',
  },
  agree: 'Does that agree?',
  agrees: 'it agrees: the check passes',
  differs: 'it differs: the check fails',
  known: 'What do you know now?',
  wrong: 'the answer is wrong',
  open: 'nothing is proved: it may still be wrong',
  truthRight: 'It passes, and it is right. The check alone could not tell.',
  truthWrong: (right: string) => `It is wrong, and the check found it: right is ${right}.`,
  /** @param off by how much it is wrong */
  truthPasses: (check: 'nines' | 'elevens', right: string, off: bigint) =>
    `It passes, and yet it is wrong: right is ${right}. It is off by ${said(off)}, a multiple of ${check === 'nines' ? 9 : 11}, and such an error is not noticed.`,
} as const
