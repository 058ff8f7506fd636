/** Forms that are expressions of several operations: worked exactly, or estimated within five percent. */

import { type Decimal, readDecimal } from '../../number/decimal.js'
import { dividedBy, type Fraction, fractionOf, minus, plus, roundedOf, times } from '../../number/fraction.js'
import { present } from '../../number/present.js'
import { squareRoot } from '../../number/root.js'
import { RATIONAL } from '../../question/fractions.js'
import { DECIMAL } from '../../question/kind.js'
import { ITEM, MISTYPED } from '../../words/items.js'
import { InputError } from '../error.js'
import { type Form, form, type Parts, parts, printed, shown } from './form.js'

const SIGNS: Readonly<Record<string, string>> = { '+': ' + ', '-': ' − ', '*': ' × ', '/': ' ÷ ' }

const ROOT = /^(?:sqrt ?\( ?|√ ?)(\d{1,20}(?:\.\d{1,12})?) ?\)?$/i
const MOST_NUMBERS = 12

function expression(text: string): Parts | undefined {
  const root = ROOT.exec(text)
  if (root) return parts([present(readDecimal(present(root[1])))], ['sqrt'])
  if (!/^\d{1,20}(?:\.\d{1,12})?(?: ?[-+*/] ?\d{1,20}(?:\.\d{1,12})?)+$/.test(text)) return undefined
  const numbers = text.split(/ ?[-+*/] ?/).map((n) => present(readDecimal(n)))
  const signs = [...text.replace(/[^-+*/]/g, '')]
  const byZero = signs.some((s, i) => s === '/' && present(numbers[i + 1]).units === 0n)
  return numbers.length > MOST_NUMBERS || byZero ? undefined : parts(numbers, signs)
}

/** Products and quotients of an expression, each with the sign before it. */
export interface Chain {
  readonly sign: 1 | -1
  readonly numbers: readonly Decimal[]
  /** The signs between its numbers. */
  readonly signs: readonly string[]
}

/** An expression as the chains that are worked before they are added up. */
export function chainsOf({ numbers, signs }: Parts): readonly Chain[] {
  const chains: { sign: 1 | -1; numbers: Decimal[]; signs: string[] }[] = [
    { sign: 1, numbers: [present(numbers[0])], signs: [] },
  ]
  for (const [i, sign] of signs.entries()) {
    const n = present(numbers[i + 1])
    if (sign === '+' || sign === '-') chains.push({ sign: sign === '+' ? 1 : -1, numbers: [n], signs: [] })
    else {
      present(chains.at(-1)).numbers.push(n)
      present(chains.at(-1)).signs.push(sign)
    }
  }
  return chains
}

/** What a chain comes to, from the left. */
export function chainValue({ numbers, signs }: Pick<Chain, 'numbers' | 'signs'>): Fraction {
  return numbers
    .slice(1)
    .reduce(
      (value, n, i) => (signs[i] === '*' ? times : dividedBy)(value, fractionOf(n)),
      fractionOf(present(numbers[0])),
    )
}

/** Decimals of an exact value that is only to be estimated. */
const EXACT_PLACES = 6

export function expressionValue(p: Parts): Fraction {
  if (p.signs[0] === 'sqrt') return fractionOf(squareRoot(present(p.numbers[0]), EXACT_PLACES))
  return chainsOf(p)
    .map((chain) => ({ ...chain, value: chainValue(chain) }))
    .reduce<Fraction>((sum, { sign, value }) => (sign > 0 ? plus : minus)(sum, value), {
      over: 0n,
      under: 1n,
    })
}

const written = (p: Parts, n: (value: Decimal) => string, sign: (s: string) => string) =>
  p.signs[0] === 'sqrt'
    ? ''
    : p.numbers.map((value, i) => (i > 0 ? sign(present(p.signs[i - 1])) : '') + n(value)).join('')

export const EXPRESSION_FORMS = {
  estimate: form({
    read: (text) => {
      const found = text.startsWith('~') ? expression(text.slice(1).trim()) : undefined
      if (found && expressionValue(found).over <= 0n) throw new InputError(MISTYPED.notAbove)
      return found
    },
    print: (p) =>
      `~${p.signs[0] === 'sqrt' ? `sqrt(${printed(present(p.numbers[0]))})` : written(p, printed, (s) => s)}`,
    words: (p) =>
      ITEM.about(
        p.signs[0] === 'sqrt'
          ? `√${shown(present(p.numbers[0]))}`
          : written(p, shown, (s) => present(SIGNS[s])),
      ),
    kind: () => DECIMAL,
    answer: (p) => roundedOf(expressionValue(p), EXACT_PLACES),
    joint: ' ≈ ',
  }),
  operations: form<Fraction>({
    // Only what is no root and no single operation: those are read before.
    read: (text) => (ROOT.test(text) ? undefined : expression(text)),
    print: (p) => written(p, printed, (s) => s),
    words: (p) => written(p, shown, (s) => present(SIGNS[s])),
    kind: () => RATIONAL,
    answer: expressionValue,
    joint: ' = ',
  }),
} as const satisfies Readonly<Record<string, Form>>
