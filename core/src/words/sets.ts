/** What is said of trials, of rounds and of sheets on paper. */
import { fixedWords } from '../number/marks.js'
import { count, seconds } from './english.js'

/** Each trial by its id: its name, and what it is in one sentence. */
export const TRIAL_WORDS = {
  lists: ['Ten lists of five', 'Ten sums of five two-digit numbers.'],
  'products-2x2': ['Twenty small products', 'Twenty products of two digits by two.'],
  'products-3x2': ['Ten longer products', 'Ten products of three digits by two.'],
  differences: ['Long subtraction', 'Five times fifteen digits taken from fifteen, written from the left.'],
  squares: ['Ten squares near 100', 'Ten squares of numbers at most nine from 100.'],
  roots: ['Five roots', 'Five square roots of two-digit numbers, to two decimals.'],
  frame: ['Ten numbers on the frame', 'One sum of ten numbers of ten digits, on the soroban.'],
  paper: ['One paper', '80 mixed items in 10 minutes, five points right, four off for wrong or skipped.'],
  'long-sum': ['Ten long numbers', 'One sum of ten numbers of ten digits.'],
  'long-products': ['Three long products', 'Three products of eight digits by eight.'],
  'long-roots': ['Five long roots', 'Five square roots of six-digit numbers, to two decimals.'],
  'long-differences': ['Twenty digits', 'Five times twenty digits taken from twenty.'],
} as const satisfies Record<string, readonly [name: string, about: string]>

/** "12.4 right a minute", "312 points": what a trial is measured in. */
export function scoreWords(score: number, unit: 'points' | 'a minute'): string {
  return unit === 'points' ? count(score, 'point') : `${fixedWords(score)} right a minute`
}

/** "9 of 10 right in 1 min 4 s". */
export function resultWords(right: number, of: number, ms: number): string {
  return `${right} of ${of} right in ${seconds(ms)}`
}

/** How a trial went beside those before it. @param before the best and the median of those, where there are any */
export function besideWords(
  score: number,
  unit: 'points' | 'a minute',
  before: { readonly best: number; readonly median: number } | undefined,
): string {
  if (!before) return 'Your first one: the next will be compared with it.'
  const usual = scoreWords(before.median, unit)
  if (score > before.best)
    return `Your best so far. Before it was ${scoreWords(before.best, unit)}, usually ${usual}.`
  if (score > before.median)
    return `Better than usual (${usual}); your best is ${scoreWords(before.best, unit)}.`
  return `Usually ${usual}; your best is ${scoreWords(before.best, unit)}.`
}

/** What is printed on sheets. */
export const SHEET_WORDS = {
  read: 'The number on the frame: ',
  /** @param number in words of digits */
  set: (number: string) => `Draw the beads of ${number}. `,
  sums: 'Sum of each row, each column, and the total: ',
} as const
