/**
 * Everything a practitioner says while working a step: each number of the question, each product, what some of them come
 * to, the carry, the raised digit, the complements, what was said before, the number before its zeros, parts of an amount.
 * Worked out from what is reckoned as it is written and from the digits of the problem; nothing is shared with the rules
 * by which entries are read.
 */

import {
  absolute,
  add,
  type Decimal,
  decimal,
  digitAt,
  multiply,
  negate,
  toText,
} from '../../number/decimal.js'
import { present } from '../../number/present.js'
import { type Problem, rowsOf } from '../../problem/problem.js'
import { asDecimal, type Value } from '../../question/value.js'
import type { Held, Step } from '../../technique/contract.js'
import { numbersIn, plain, termsOf } from '../sentences.js'

/** What is said at a step, in the order people say it; none of it twice. */
export function aloud(
  problem: Problem,
  step: Step,
  held: readonly Held[],
  last: Value | undefined,
): string[] {
  const carry = asDecimal(held.find((h) => h.what === 'carry')?.value)
  const terms = step.reckons?.includes('÷') ? [] : termsOf((step.reckons ?? '').replace('√', ''))
  const values = terms.map((t) => (t.sign < 0 ? negate(t.value) : t.value))
  const factors = terms.flatMap((t) => t.text.split(' × ').map((f) => decimalIn(f)))
  const said: Decimal[] = [
    ...digitsOf(problem, step),
    ...factors,
    ...values,
    ...sums(values),
    ...(carry && step.action === 'cross-sum' ? [carry, ...values.slice(0, 1).map((v) => add(v, carry))] : []),
    ...(step.action === 'cross-sum' ? [] : heldNumbers(held)),
    ...(last === undefined ? [] : [asDecimal(last)].flatMap((n) => n ?? [])),
    ...numbersIn(step.ask).flatMap((n) => decimalIn(n)),
    ...beforeZeros(values),
    ...inParts(values),
  ]
  return [...new Set(said.map((n) => toText(absolute(n))))]
}

const decimalIn = (text: string): Decimal => {
  const [whole = '', part = ''] = plain(text).split('.')
  return decimal(BigInt(whole + part), part.length)
}

const heldNumbers = (held: readonly Held[]) => held.flatMap((h) => asDecimal(h.value) ?? [])

/** In a column of a difference: the digits, and where the ten is borrowed the raised one and what makes ten and nine. */
function digitsOf(problem: Problem, { place, action, reckons }: Step): Decimal[] {
  if (problem.kind !== 'sum' || !['hold', 'write', 'column-total'].includes(action)) return []
  const digits = rowsOf(problem).map((r) => digitAt(r.size, place))
  const taken = problem.terms.length === 2 && present(problem.terms[1]).sign < 0
  const [a, b] = digits as [number, number]
  const [top, bottom] = a < b === (reckons ?? '').startsWith(String(b)) ? [b, a] : [a, b]
  const raised = taken && top < bottom && /^1\d − /.test(reckons ?? '')
  return [...digits, ...(raised ? [10 + top, 10 - bottom, 9 - bottom] : [])].map((d) => decimal(d))
}

/** Of up to three every two of them; of more the totals from either end. */
function sums(values: readonly Decimal[]): Decimal[] {
  if (values.length < 3) return []
  if (values.length === 3) {
    const [a, b, c] = values as [Decimal, Decimal, Decimal]
    return [add(a, b), add(b, c), add(a, c)]
  }
  return [values, values.toReversed()].flatMap((row) =>
    row.slice(1, -1).map((_, i) => row.slice(0, i + 2).reduce(add)),
  )
}

function beforeZeros(values: readonly Decimal[]): Decimal[] {
  return values.flatMap((v) => {
    const bare = toText(v).replace(/0+$/, '')
    return v.scale === 0 && bare !== toText(v) && /\d/.test(bare) ? [decimal(BigInt(bare))] : []
  })
}

/** Of an amount that is taken or added first its highest place: 2000 of 2184. */
function inParts(values: readonly Decimal[]): Decimal[] {
  const [x, y, z] = values
  if (!x || !y || z || y.scale > 0 || x.scale > 0) return []
  const size = toText(absolute(y))
  if (size.length < 3) return []
  const head = decimal(BigInt(present(size[0]) + '0'.repeat(size.length - 1)))
  const signed = y.units < 0n ? negate(head) : head
  return [head, add(x, signed)].filter(
    (n) => n.units !== y.units && toText(n) !== toText(multiply(x, decimal(0))),
  )
}
