/** A worked problem as an equation between whole numbers: what every check without redoing looks at. */

import {
  type Decimal,
  decimal,
  lowestPlace,
  multiply,
  power10,
  subtract,
  toWords,
  unitsAt,
} from '../number/decimal.js'
import { present } from '../number/present.js'
import { asProduct, type Problem } from '../problem/problem.js'

/** A number of the equation: its digits with the point forgotten, and how it is written. */
export interface Part {
  readonly units: bigint
  readonly text: string
}

/** One product of the left side; a plain number is a product of one. */
export interface Product {
  readonly sign: 1 | -1
  readonly factors: readonly Part[]
}

/** The products on the left make the number on the right. All units are of the same place. */
export interface Equation {
  readonly left: readonly Product[]
  readonly right: Part
}

/**
 * The equation an answer claims: numbers of the problem on the left for sums and products; for quotients and roots
 * the answer stands on the left with its remainder and makes up the dividend or radicand.
 * @returns undefined where an answer leaves a rest that nobody states: a root or estimate that is cut off.
 */
export function equationOf(problem: Problem, answer: Decimal): Equation | undefined {
  switch (problem.kind) {
    case 'sum':
      return aligned(
        problem.terms.map((t) => ({ sign: t.sign, factors: [t.size] })),
        answer,
      )
    case 'product':
    case 'square':
      return aligned([{ sign: 1, factors: present(asProduct(problem)) }], answer)
    case 'product-pair':
      return aligned(
        [
          { sign: 1, factors: problem.left },
          { sign: problem.sign, factors: problem.right },
        ],
        answer,
      )
    case 'number':
    case 'item':
      return undefined
    case 'quotient': {
      const rest = remainderOf(problem.dividend, problem.divisor, answer.scale)
      const parts = [{ sign: 1 as const, factors: [answer, problem.divisor] }]
      return aligned(rest.units === 0n ? parts : [...parts, { sign: 1, factors: [rest] }], problem.dividend)
    }
    case 'root': {
      // Squared back, a root that does not come out leaves a rest that is not part of the answer.
      const exact = isSquareOf(problem.radicand, answer) || isSquare(problem.radicand)
      return exact ? aligned([{ sign: 1, factors: [answer, answer] }], problem.radicand) : undefined
    }
  }
}

/** What the true division leaves when it is carried to so many decimals, but never less far than the dividend goes. */
export function remainderOf(dividend: Decimal, divisor: Decimal, scale: number): Decimal {
  const places = Math.max(scale, dividend.scale)
  const units = unitsAt(dividend, places + divisor.scale)
  return decimal(units % divisor.units, places + divisor.scale)
}

function isSquareOf(n: Decimal, root: Decimal): boolean {
  return subtract(multiply(root, root), n).units === 0n
}

function isSquare(n: Decimal): boolean {
  const units = n.scale % 2 === 0 ? n.units : n.units * 10n
  let x = units
  if (x < 2n) return true
  for (let y = (x + 1n) / 2n; y < x; y = (x + units / x) / 2n) x = y
  return x * x === units
}

function aligned(
  products: readonly { readonly sign: 1 | -1; readonly factors: readonly Decimal[] }[],
  result: Decimal,
): Equation {
  const scaleOf = (factors: readonly Decimal[]) => factors.reduce((sum, f) => sum + f.scale, 0)
  const scale = Math.max(result.scale, ...products.map((p) => scaleOf(p.factors)))
  return {
    left: products.map(({ sign, factors }) => ({
      sign,
      // The first factor of a product takes the zeros that line it up with the others.
      factors: factors.map((f, i) => ({
        units: i === 0 ? f.units * power10(scale - scaleOf(factors)) : f.units,
        text: toWords(f),
      })),
    })),
    right: { units: unitsAt(result, scale), text: toWords(result) },
  }
}

export function unitOf(answer: Decimal): Decimal {
  return { units: 1n, scale: -lowestPlace(answer) }
}
