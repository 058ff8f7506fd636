/** A problem as it is heard: signs as words, numbers whole. */
import { isItem, type Problem, problemWords } from '@tachymetra/core/problem'
import { aloud } from './words.js'

const SPOKEN: readonly (readonly [RegExp, string])[] = [
  [/−/g, 'minus'],
  [/\+/g, 'plus'],
  [/×/g, 'times'],
  [/÷/g, 'divided by'],
  [/²/g, ' squared'],
  [/³/g, ' cubed'],
  [/([⁰¹⁴⁵⁶⁷⁸⁹²³]+)/g, ' to the power of $1'],
  [/√/g, 'root of '],
  [/∛/g, 'cube root of '],
]

/** Signs of items only: a fraction bar and a ratio are heard otherwise than a date or a time. */
const IN_ITEMS: readonly (readonly [RegExp, string])[] = [
  [/(\d) (\d+\/)/g, '$1 and $2'],
  [/(\d+)\/(\d+)/g, '$1 over $2'],
  [/ : /g, ' to '],
  [/ = /g, ' is '],
  [/%/g, 'percent'],
  [/_/g, 'blank'],
  [/…/g, 'and so on'],
]

const RAISED = '⁰¹²³⁴⁵⁶⁷⁸⁹'

/** The problem in words for a screen reader. */
export function spoken(problem: Problem): string {
  const signs = isItem(problem) ? [...SPOKEN, ...IN_ITEMS] : SPOKEN
  const text = signs.reduce((said, [sign, word]) => said.replace(sign, word), problemWords(problem))
  return aloud(text.replace(/[⁰¹²³⁴⁵⁶⁷⁸⁹]/g, (digit) => String(RAISED.indexOf(digit))))
}
