/**
 * What people say on the way to a value, made from the quantities of its step and for every technique alike: what the
 * question prints, what is multiplied, added and taken away and what some of it comes to, the carry, the raised digit, the
 * number before its zeros, an amount taken in parts, and what stands already (common practice, no published source).
 */

import {
  add,
  type Decimal,
  decimal,
  digitAt,
  equal,
  isZero,
  multiply,
  negate,
  readDecimal,
  toText,
  toWords,
} from '../../number/decimal.js'
import { decimalOf, dividedBy, fractionOf, times } from '../../number/fraction.js'
import { THOUSANDS, unmarked } from '../../number/marks.js'
import { present } from '../../number/present.js'
import type { Problem } from '../../problem/problem.js'
import { asDecimal, asFraction, decimals, type Value, valueText } from '../../question/value.js'
import { type Action, AT_PLACE, type Step, type Technique } from '../contract.js'
import { once } from '../make.js'
import { decimalsByParts, headFirst, inParts, productParts, quotientParts } from './by-parts.js'

type Sayings = Map<string, number>

/** How often each value may be said on the way to what a step asks. */
export class SoFar {
  private readonly counts: Sayings = new Map()
  /** Those printed in the question: never read as what comes next. */
  private readonly echoes = new Set<string>()

  /** @param ownWays what only another way of working comes to, worked out when it is first looked for */
  constructor(private readonly ownWays: () => Sayings) {}

  /** As often as the step has quantities of this value; 0 for a value that is not on the way. */
  times(value: Value): number {
    const key = keyOf(value)
    return this.counts.get(key) ?? this.ownWays().get(key) ?? 0
  }

  isEcho(value: Value): boolean {
    return this.echoes.has(keyOf(value))
  }

  /** Is it only on the way by another way of working? The whole answer goes before such a value. */
  isByOtherWays(value: Value): boolean {
    return !this.counts.has(keyOf(value))
  }

  /** All quantities there are, each as often as it occurs. */
  get size(): number {
    let all = 0
    for (const count of this.counts.values()) all += count
    for (const [key, count] of this.ownWays()) if (!this.counts.has(key)) all += count
    return all
  }

  /** Adds the quantities of one source; what other sources have too is the same quantity. */
  take(values: readonly Value[], echoes = false): void {
    merge(this.counts, values)
    if (echoes) for (const value of values) this.echoes.add(keyOf(value))
  }
}

/** Adds values of one source to those of others, each as often as one source has it at most. */
function merge(counts: Sayings, values: readonly Value[]): void {
  const mine: Sayings = new Map()
  for (const value of values) {
    const key = keyOf(value)
    mine.set(key, (mine.get(key) ?? 0) + 1)
  }
  for (const [key, count] of mine) counts.set(key, Math.max(count, counts.get(key) ?? 0))
}

/** A value without its sign, since a gap is said with or without one; equal numbers of different kinds are one. */
function keyOf(value: Value): string {
  const plain = asDecimal(value)
  if (plain) return toText(plain.units < 0n ? negate(plain) : plain)
  const exact = asFraction(value)
  const ends = exact && decimalOf(exact)
  return ends ? keyOf(ends) : valueText(value)
}

/** A position on a walk, as far as what may be said there depends on it. */
export interface Standing {
  readonly technique: Technique
  readonly problem: Problem
  readonly next: Step | undefined
  readonly steps: readonly Step[]
  readonly entries: readonly Value[]
  /** The last entry as it was made. */
  readonly typed?: Value | undefined
  /** What is held in mind before the open step. */
  readonly held: readonly Value[]
  /** The whole of what stands written, and the digit written last. */
  readonly written: readonly Value[]
}

/**
 * What may be said on the way to what the open step asks.
 * @param last what was said before it at this step, which may be gone on from
 */
export function soFarAt(standing: Standing, last?: Value): SoFar {
  const { next: step, technique, problem, entries, steps, typed } = standing
  if (!step) return new SoFar(() => new Map())
  const terms = step.reckons === undefined ? [] : readTerms(step.reckons)
  const carry = step.carry ?? 0
  const found = new SoFar(once(() => ownWaysAt(technique, problem, step, terms, carry)))
  found.take(onTheWay(terms, carry))
  if (last) found.take(goneOn(terms, carry, last))
  found.take(step.parts?.() ?? [])
  // A decision that was not asked in words is folded into this value, and may be said.
  const folded = foldedBefore(steps)
  found.take(
    folded.flatMap((s, i) => [
      present(entries[entries.length - folded.length + i]),
      ...(s.decision ?? []),
      ...(s.parts?.() ?? []),
    ]),
  )
  const expect = asDecimal(step.expect)
  const fine = [...terms.flatMap((t) => [t.value, ...t.factors]), ...(expect ? [expect] : [])]
  found.take(fine.flatMap(beforeZeros))
  if (expect && step.total) found.take([decimal(digitAt(expect, step.place))])
  found.take([...numbersIn(step.ask), ...folded.flatMap((s) => numbersIn(s.ask))], true)
  found.take(digitsWorked(problem, step), true)
  const lastEntry = entries[entries.length - folded.length - 1]
  // The same number may have been said, be held and stand written: it is one.
  const stands = [...[lastEntry, typed].flatMap((v) => v ?? []), ...standing.held, ...standing.written]
  found.take([...new Map(stands.map((value) => [keyOf(value), value])).values()])
  return found
}

/** What other ways of working a step come to: they are the learner's own, but a mistake with a name of its own is told. */
function ownWaysAt(
  technique: Technique,
  problem: Problem,
  step: Step,
  terms: readonly Term[],
  carry: number,
): Sayings {
  const slips = step.slips()
  const isSlip = (value: Value, named: boolean) =>
    slips.some((s) => (s.id !== 'fact') === named && keyOf(s.entry) === keyOf(value))
  const isNoSlip = (v: Value) => !isSlip(v, true) && !isSlip(v, false)
  const isDigit = AT_PLACE.includes(step.action) && !step.total && !WHOLE_COLUMN.includes(step.action)
  const found: Sayings = new Map()
  merge(found, technique.ownWays?.(problem) ?? [])
  merge(
    found,
    decimalsByParts(problem).filter((v) => !isZero(v) && isNoSlip(v)),
  )
  if (!isDigit)
    merge(
      found,
      sumsByParts(terms, carry).filter((v) => !isSlip(v, true)),
    )
  merge(found, productsByParts(terms).filter(isNoSlip))
  return found
}

/** A column's value as a whole, which may be larger than what people add at a glance. */
const WHOLE_COLUMN: readonly Action[] = ['cross-sum', 'column-total']

/** The decisions right before the open step. */
function foldedBefore(steps: readonly Step[]): readonly Step[] {
  let from = steps.length
  while (from > 0 && present(steps[from - 1]).decision) from -= 1
  return steps.slice(from)
}

/** The digits of a sum or a difference in the column that is worked. */
function digitsWorked(problem: Problem, { place, action, total }: Step): Decimal[] {
  if (
    problem.kind !== 'sum' ||
    total ||
    action === 'mend' ||
    !(AT_PLACE.includes(action) || action === 'decide')
  )
    return []
  return problem.terms.map((t) => decimal(digitAt(t.size, place)))
}

/** The products that are added up at a step, each by itself. */
export function productsAt({ reckons }: Step): Value[] {
  return reckons === undefined
    ? []
    : readTerms(reckons).flatMap((t) => (t.factors.length > 1 ? [t.value] : []))
}

/** What is not in a value yet of what is added up at a step, as it is written; nothing where that cannot be told. */
export function missingFrom({ reckons, expect }: Step, value: Value): readonly string[] {
  const [said, whole] = [asDecimal(value), asDecimal(expect)]
  const terms = reckons === undefined ? [] : readTerms(reckons)
  if (!said || !whole || terms.length < 2 || terms.some((t) => t.sign < 0 || t.divided)) return []
  const written = terms.map((t) => t.factors.map(toWords).join(' × '))
  // Where it may be made up of more than one choice of them, nobody knows which are in it.
  const rests = new Map<string, readonly string[]>()
  for (const some of subsets(terms.length)) {
    const sum = some.reduce((total, i) => add(total, present(asDecimal(present(terms[i]).value))), said)
    const texts = some.map((i) => present(written[i]))
    if (equal(sum, whole)) rests.set(texts.toSorted().join(), texts)
  }
  const [rest = [], another] = [...rests.values()]
  return another || rest.length > 2 ? [] : rest
}

/** Which of up to eight things may be chosen. */
function subsets(count: number): number[][] {
  const most = 2 ** Math.min(count, 8)
  return Array.from({ length: most }, (_, bits) =>
    Array.from({ length: count }, (_, i) => i).filter((i) => (bits >> i) % 2 === 1),
  )
}

interface Term {
  readonly sign: 1 | -1
  /** What is multiplied; for a quotient what is divided, and what by. */
  readonly factors: readonly Decimal[]
  readonly divided: boolean
  readonly value: Value
}

const NUMBER = /\d+(?:\.\d+)?/g

/** A sentence with its numbers as they are typed. */
const bare = (text: string) => unmarked(text).replaceAll(THOUSANDS, '')

/** The numbers printed in a sentence. */
function numbersIn(sentence: string): Decimal[] {
  return [...bare(sentence).matchAll(NUMBER)].map(([n]) => present(readDecimal(n)))
}

const known = new Map<string, readonly Term[]>()
const MOST_KNOWN = 500

/** What is reckoned, as the terms that are added up; none for what is written in another way. */
function readTerms(text: string): readonly Term[] {
  const before = known.get(text)
  if (before) return before
  if (known.size >= MOST_KNOWN) known.clear()
  const found = makeTerms(text)
  known.set(text, found)
  return found
}

function makeTerms(text: string): readonly Term[] {
  const plain = bare(text)
  return [...plain.matchAll(/(^[−-]?|[+−-] ?)((?:√?[\d.]+)(?: [×÷] [\d.]+)*)/g)].map(
    ([, sign, product]): Term => {
      const divided = product!.includes('÷')
      const factors = [...product!.matchAll(/[\d.]+/g)].map(([n]) => present(readDecimal(n)))
      const signs = [...product!.matchAll(/[×÷]/g)].map(([s]) => s)
      return {
        sign: /[−-]/.test(sign!) ? -1 : 1,
        factors,
        divided,
        value: divided ? worked(factors, signs) : factors.reduce(multiply),
      }
    },
  )
}

/** Products and quotients one after another. */
function worked([first, ...others]: readonly Decimal[], signs: readonly string[]): Value {
  let value = fractionOf(first!)
  for (const [i, n] of others.entries())
    if (signs[i] === '×') value = times(value, fractionOf(n))
    else if (!isZero(n)) value = dividedBy(value, fractionOf(n))
  return decimalOf(value) ?? value
}

/** So many terms have every sum of some of them said; of more, those from either end and the tens. */
const FEW = 3

function onTheWay(terms: readonly Term[], carry: number): Value[] {
  const inside = terms.flatMap((t) => insideOf(t, terms.length === 1))
  const values = decimals(terms.map((t) => (t.divided || t.sign > 0 ? t.value : negated(t.value))))
  const sums = terms.length > FEW ? runningSums(values) : sumsOfSome(values)
  const carries =
    carry > 0 ? [decimal(carry), ...[...values, ...sums].map((n) => add(n, decimal(carry)))] : []
  return [...inside, ...sums, ...carries, ...headFirst(values)]
}

/** What is said by whoever works a sum or a difference by parts. */
function sumsByParts(terms: readonly Term[], carry: number): Value[] {
  const values = decimals(terms.map((t) => (t.divided || t.sign > 0 ? t.value : negated(t.value))))
  return inParts(values, values.reduce(add, decimal(carry)))
}

/** What is said by whoever works a product or a quotient by parts, by rounder numbers or by factors. */
function productsByParts(terms: readonly Term[]): Value[] {
  return terms.flatMap(({ factors: [x, y, ...more], divided, value }) => {
    if (!x || !y || more.length > 0) return []
    return divided ? quotientParts(x, y, value) : productParts(x, y)
  })
}

const negated = (value: Value): Value => {
  const n = asDecimal(value)
  return n ? negate(n) : value
}

/** Every quantity in a product or a quotient. */
function insideOf({ factors, divided, value }: Term, alone: boolean): Value[] {
  if (factors.length === 1) return [value]
  const found: Value[] = [...factors]
  for (let i = 0; i < factors.length; i += 1)
    for (let j = i + 2; j <= factors.length; j += 1)
      if (!divided && j - i < factors.length) found.push(factors.slice(i, j).reduce(multiply))
  return alone ? found : [...found, value]
}

/** The sums of every two and more of a few numbers, but all of them. */
function sumsOfSome(values: readonly Decimal[]): Decimal[] {
  if (values.length !== FEW) return []
  const [a, b, c] = values as [Decimal, Decimal, Decimal]
  return [add(a, b), add(a, c), add(b, c)]
}

/** The totals on the way through many numbers, from either end, and with those that make ten taken first. */
function runningSums(values: readonly Decimal[]): Decimal[] {
  const found: Decimal[] = []
  // What is carried into a block is written last, and may go in first.
  const [last, ...others] = values.toReversed()
  const carries = last && toText(last).length === 1 && others.every((n) => toText(n).length > 1)
  const carryFirst = carries ? [[last, ...values.slice(0, -1)]] : []
  for (const row of [values, values.toReversed(), tensFirst(values), ...carryFirst]) {
    let total = present(row[0])
    // Digits that make ten are one already.
    if (row.length < values.length) found.push(total)
    for (const value of row.slice(1, -1)) {
      total = add(total, value)
      found.push(total)
    }
  }
  return [...new Map(found.map((n) => [toText(n), n])).values()]
}

/** Digits with those that make ten taken together first: 7 4 3 6 as 10, 10. */
function tensFirst(values: readonly Decimal[]): Decimal[] {
  const left = [...values]
  const tens: Decimal[] = []
  for (let i = 0; i < left.length; ) {
    const j = left.findIndex((v, k) => k > i && v.units > 0n && toText(add(v, present(left[i]))) === '10')
    if (j < 0) i += 1
    else {
      tens.push(decimal(10))
      left.splice(j, 1)
      left.splice(i, 1)
    }
  }
  return [...tens, ...left]
}

/** What the value last said may be gone on to: one more of the terms, where some of the others come to it. */
function goneOn(terms: readonly Term[], carry: number, last: Value): Decimal[] {
  const values = decimals(terms.map((t) => t.value))
  const said = asDecimal(last)
  if (!said || terms.length <= FEW || said.scale > 0 || values.some((v) => v.scale > 0 || v.units < 0n))
    return []
  const numbers = [...values.map((v) => Number(v.units)), ...(carry > 0 ? [carry] : [])]
  const whole = numbers.reduce((a, b) => a + b, 0)
  const target = Number(said.units)
  return numbers.flatMap((n, i) =>
    n > 0 && target + n < whole && comesTo(numbers.toSpliced(i, 1), target) ? [decimal(target + n)] : [],
  )
}

/** Do some of these come to a sum? */
function comesTo(numbers: readonly number[], sum: number): boolean {
  let reached = new Set([0])
  for (const n of numbers) reached = new Set([...reached, ...[...reached].map((r) => r + n)])
  return reached.has(sum)
}

/** A number before its zeros are hung on. */
function beforeZeros(value: Value): Decimal[] {
  const n = asDecimal(value)
  if (!n || n.scale > 0 || n.units === 0n) return []
  let units = n.units
  while (units % 10n === 0n) units /= 10n
  return units === n.units ? [] : [decimal(units)]
}

/** The ten- and the nine-complement of a digit, and another digit with ten more. */
export function borrowing(top: number, bottom: number): Decimal[] {
  return [decimal(top + 10), decimal(10 - bottom), decimal(9 - bottom)]
}
