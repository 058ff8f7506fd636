/** The kinds of problem, and their plain answers. Reading and printing them is in expression.ts. */
import {
  add,
  compare,
  type Decimal,
  decimal,
  equal,
  lowestPlace,
  multiply,
  negate,
  power10,
  subtract,
  unitsAt,
  ZERO,
} from '../number/decimal.js'
import { squareRoot } from '../number/root.js'
import { asDecimal, isQuotient, sameValue, type Value } from '../question/value.js'
import { type ItemProblem, itemAnswer } from './items/forms.js'

/** Sums and differences: `8341-3675` is 8341 added, 3675 taken away. */
export interface SumProblem {
  /** Numbers added and taken away. */
  readonly kind: 'sum'
  /** In the order they are worked; at least one. */
  readonly terms: readonly Term[]
}

/** A number that is added (sign 1) or taken away (sign -1); its size is 0 or more. */
export interface Term {
  readonly sign: 1 | -1
  readonly size: Decimal
}

export interface ProductProblem {
  readonly kind: 'product'
  readonly factors: Factors
}

/** Multiplicand and multiplier, neither below 0. */
export type Factors = readonly [Decimal, Decimal]

/** A product with a number added to it, or taken from it: `4998*3+6`. */
export interface ProductSumProblem {
  readonly kind: 'product-sum'
  readonly factors: Factors
  readonly term: Term
}

/** Two products added, or the second taken from the first: `16*23+16*27`. */
export interface ProductPairProblem {
  readonly kind: 'product-pair'
  readonly left: Factors
  readonly sign: 1 | -1
  readonly right: Factors
}

/** The divisor is above 0. */
export interface QuotientProblem {
  readonly kind: 'quotient'
  readonly dividend: Decimal
  readonly divisor: Decimal
}

export interface SquareProblem {
  readonly kind: 'square'
  readonly number: Decimal
}

export interface RootProblem {
  readonly kind: 'root'
  readonly radicand: Decimal
}

/** One number by itself, to be read from a frame or set on it. */
export interface NumberProblem {
  readonly kind: 'number'
  readonly number: Decimal
}

/** Problems of one operation, or of two products: they stand on the place rule. */
export type PlainProblem =
  | SumProblem
  | ProductProblem
  | ProductPairProblem
  | ProductSumProblem
  | QuotientProblem
  | SquareProblem
  | RootProblem
  | NumberProblem

/** Every kind of problem that can be worked. */
export type Problem = PlainProblem | ItemProblem

/** Is it an item of a paper rather than a problem of the course? */
export function isItem(problem: Problem): problem is ItemProblem {
  return problem.kind === 'item'
}

/** Decimals after which a quotient or a root that does not end is cut off. */
export const CUT_PLACES = 6

/** The term as one signed number. */
export function signed({ sign, size }: Term): Decimal {
  return sign < 0 ? negate(size) : size
}

/**
 * The answer, reckoned plainly; no technique is involved. Exact, but for quotients and roots that do not end:
 * these are cut off after CUT_PLACES decimals.
 */
export function answerOf(problem: PlainProblem): Decimal
/** The right answer, worked out plainly; see the signatures for what it comes to. */
export function answerOf(problem: Problem): Value
/** The right answer, worked out plainly; see the signatures for what it comes to. */
export function answerOf(problem: Problem): Value {
  switch (problem.kind) {
    case 'sum':
      return problem.terms.reduce((total, term) => add(total, signed(term)), ZERO)
    case 'product':
      return multiply(...problem.factors)
    case 'product-sum':
      return add(multiply(...problem.factors), signed(problem.term))
    case 'product-pair': {
      const [left, right] = [multiply(...problem.left), multiply(...problem.right)]
      return problem.sign < 0 ? subtract(left, right) : add(left, right)
    }
    case 'quotient': {
      const scale = Math.max(problem.dividend.scale, problem.divisor.scale)
      const units = unitsAt(problem.dividend, scale) * power10(CUT_PLACES)
      return decimal(units / unitsAt(problem.divisor, scale), CUT_PLACES)
    }
    case 'square':
      return multiply(problem.number, problem.number)
    case 'root':
      return squareRoot(problem.radicand, CUT_PLACES)
    case 'number':
      return problem.number
    case 'item':
      return itemAnswer(problem)
  }
}

/** One number of a problem as it stands on the place rule, with the sign before it and after it. */
export interface Row {
  /** The sign in front of it. */
  readonly before: '' | '+' | '−' | '×' | '÷' | '√'
  /** The number, without its sign. */
  readonly size: Decimal
  /** What stands behind it. */
  readonly after?: '²'
}

/** Does an answer say all of it? Quotients and roots that do not end are cut off, and remainders left out. */
export function isExact(problem: PlainProblem, answer: Decimal): boolean
export function isExact(problem: Problem, answer: Value): boolean
export function isExact(problem: Problem, given: Value): boolean {
  if (isItem(problem)) return sameValue(given, itemAnswer(problem))
  if (isQuotient(given) && problem.kind === 'quotient') {
    const { quotient, remainder } = given
    const back = add(multiply(quotient, problem.divisor), remainder)
    return equal(back, problem.dividend) && compare(remainder, problem.divisor) < 0
  }
  const answer = asDecimal(given)
  if (!answer) return false
  switch (problem.kind) {
    case 'quotient':
      return equal(multiply(answer, problem.divisor), problem.dividend)
    case 'root':
      return equal(multiply(answer, answer), problem.radicand)
    default:
      return equal(answer, answerOf(problem))
  }
}

/** Does the running total of a sum fall below zero on the way? */
export function fallsBelowZero({ terms }: SumProblem): boolean {
  let total = ZERO
  return terms.some((term) => {
    total = add(total, signed(term))
    return total.units < 0n
  })
}

/** The numbers of a problem, a row each, in the order they are written; none for an item of a paper. */
export function rowsOf(problem: Problem): Row[] {
  switch (problem.kind) {
    case 'sum':
      return problem.terms.map((t, i) => ({ before: t.sign < 0 ? '−' : i > 0 ? '+' : '', size: t.size }))
    case 'product':
      return [
        { before: '', size: problem.factors[0] },
        { before: '×', size: problem.factors[1] },
      ]
    case 'product-sum':
      return [
        { before: '', size: problem.factors[0] },
        { before: '×', size: problem.factors[1] },
        { before: problem.term.sign < 0 ? '−' : '+', size: problem.term.size },
      ]
    case 'product-pair':
      return [
        { before: '', size: problem.left[0] },
        { before: '×', size: problem.left[1] },
        { before: problem.sign < 0 ? '−' : '+', size: problem.right[0] },
        { before: '×', size: problem.right[1] },
      ]
    case 'quotient':
      return [
        { before: '', size: problem.dividend },
        { before: '÷', size: problem.divisor },
      ]
    case 'square':
      return [{ before: '', size: problem.number, after: '²' }]
    case 'root':
      return [{ before: '√', size: problem.radicand }]
    case 'number':
      return [{ before: '', size: problem.number }]
    case 'item':
      return []
  }
}

/** True when every number is added, none taken away. */
export function isPlainSum(problem: Problem): problem is SumProblem {
  return problem.kind === 'sum' && problem.terms.every((t) => t.sign > 0)
}

/** Minuend and subtrahend of a plain difference a - b, else undefined. */
export function asDifference(problem: Problem): { minuend: Decimal; subtrahend: Decimal } | undefined {
  if (problem.kind !== 'sum') return undefined
  const [first, second, ...rest] = problem.terms
  if (!first || !second || rest.length > 0 || first.sign < 0 || second.sign > 0) return undefined
  return { minuend: first.size, subtrahend: second.size }
}

/** The two factors of a product; a square counts as a number by itself. Else undefined. */
export function asProduct(problem: Problem): Factors | undefined {
  if (problem.kind === 'product') return problem.factors
  return problem.kind === 'square' ? [problem.number, problem.number] : undefined
}

/** The number squared, also when it is written as a product of equal factors. Else undefined. */
export function asSquare(problem: Problem): Decimal | undefined {
  if (problem.kind === 'square') return problem.number
  if (problem.kind !== 'product') return undefined
  const [a, b] = problem.factors
  return a.units === b.units && a.scale === b.scale ? a : undefined
}

/** The lowest place any number of the problem has a digit at: 0 for whole numbers. */
export function lowestOf(problem: Problem): number {
  return isItem(problem) ? 0 : Math.min(...rowsOf(problem).map((r) => lowestPlace(r.size)))
}

export function sumOf(...numbers: readonly Decimal[]): SumProblem {
  return { kind: 'sum', terms: numbers.map((size) => ({ sign: 1, size })) }
}

export function differenceOf(minuend: Decimal, subtrahend: Decimal): SumProblem {
  return {
    kind: 'sum',
    terms: [
      { sign: 1, size: minuend },
      { sign: -1, size: subtrahend },
    ],
  }
}

export function productOf(multiplicand: Decimal, multiplier: Decimal): ProductProblem {
  return { kind: 'product', factors: [multiplicand, multiplier] }
}

export function squareOf(number: Decimal): SquareProblem {
  return { kind: 'square', number }
}

export function rootOf(radicand: Decimal): RootProblem {
  return { kind: 'root', radicand }
}

export function quotientOf(dividend: Decimal, divisor: Decimal): QuotientProblem {
  return { kind: 'quotient', dividend, divisor }
}

export function numberOf(number: Decimal): NumberProblem {
  return { kind: 'number', number }
}
