/** Which places an answer may have, as far as the lengths of the numbers tell; nothing more is told by them. */
import { type Decimal, decimal, highestPlace, lowestPlace, power10 } from '../number/decimal.js'
import { answerOf, lowestOf, type PlainProblem, type Problem, type Term } from './problem.js'

/** The places an answer has, as they are told before it is known. */
export interface AnswerPlaces {
  /** The highest place of the answer; tens are 1. */
  readonly high: number
  /** The lowest; tenths are -1. */
  readonly low: number
}

/**
 * The places to lay out for an answer, from the lengths of the numbers alone: as if every digit were a nine.
 * @param decimals how many decimals are asked for, where the numbers do not say: of a root or a quotient
 */
export function answerPlaces(problem: Problem, decimals = 0): AnswerPlaces {
  const least = Math.min(0, lowestOf(problem))
  switch (problem.kind) {
    case 'sum': {
      const added = total(problem.terms.filter((t) => t.sign > 0))
      const taken = total(problem.terms.filter((t) => t.sign < 0))
      return { high: Math.max(added, taken), low: least }
    }
    case 'product':
    case 'square':
    case 'product-sum':
    case 'product-pair': {
      const most = answerOf(nines(problem))
      return { high: highestPlace(most), low: Math.min(least, lowestPlace(most)) }
    }
    case 'quotient': {
      const { dividend, divisor } = problem
      return { high: Math.max(0, highestPlace(dividend) - highestPlace(divisor)), low: -decimals }
    }
    case 'root':
      return { high: Math.floor(highestPlace(problem.radicand) / 2), low: -decimals }
    case 'number':
      return { high: highestPlace(problem.number), low: least }
    // It stands on no rule.
    case 'item':
      return { high: 0, low: 0 }
  }
}

/** The highest place of so many nines added. */
function total(terms: readonly Term[]): number {
  return highestPlace(
    decimal(terms.reduce((sum, { size }) => sum + power10(highestPlace(size) + 1) - 1n, 0n)),
  )
}

/** A number as long as this one, all nines. */
function longest(size: Decimal): Decimal {
  return decimal(power10(Math.max(0, highestPlace(size)) + 1 + size.scale) - 1n, size.scale)
}

/** The problem with the largest numbers of these lengths. */
function nines(problem: PlainProblem): PlainProblem {
  switch (problem.kind) {
    case 'product':
      return { ...problem, factors: [longest(problem.factors[0]), longest(problem.factors[1])] }
    case 'square':
      return { ...problem, number: longest(problem.number) }
    case 'product-sum': {
      const { factors, term } = problem
      const [a, b] = factors
      return { ...problem, factors: [longest(a), longest(b)], term: { sign: 1, size: longest(term.size) } }
    }
    case 'product-pair': {
      const { left, right } = problem
      return {
        ...problem,
        left: [longest(left[0]), longest(left[1])],
        sign: 1,
        right: [longest(right[0]), longest(right[1])],
      }
    }
    default:
      return problem
  }
}
