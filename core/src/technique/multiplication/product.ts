/** What the ways of multiplying share: whole factors, the point, and the parameters of products. */
import { type Decimal, decimal } from '../../number/decimal.js'
import { asProduct, type Problem } from '../../problem/problem.js'
import { productSpace } from '../../problem/products.js'
import { shape } from '../../problem/shape.js'
import { MISFIT, POINT } from '../../words/multiplication.js'
import type { ParameterSpace, Step } from '../contract.js'
import { lineOf } from '../line.js'
import { type Misfit, misfit, step } from '../make.js'
import { parameter } from '../quantities/boards.js'

/** A product worked on whole numbers; the point is put at the end. */
export interface Whole {
  readonly a: bigint
  readonly b: bigint
  /** Decimals of the product: those of the factors together. */
  readonly scale: number
}

const MOST_FACTOR_DIGITS = 20

/** The factors of a product of anything but 0, the points forgotten. */
export function readWhole(problem: Problem): Whole | Misfit {
  const factors = asProduct(problem)
  if (!factors) return misfit(MISFIT.product)
  const [a, b] = factors
  if (a.units === 0n || b.units === 0n) return misfit(MISFIT.zero)
  if ([a, b].some((f) => f.units.toString().length > MOST_FACTOR_DIGITS))
    return misfit(MISFIT.long(MOST_FACTOR_DIGITS))
  return { a: a.units, b: b.units, scale: a.scale + b.scale }
}

/** The same, for a technique that needs whole factors. */
export function readWholeFactors(problem: Problem): Whole | Misfit {
  const found = readWhole(problem)
  if ('because' in found) return found
  return found.scale > 0 ? misfit(MISFIT.whole) : found
}

/** The last step of work with the point forgotten; none for whole numbers. `rule` says where the places come from. */
export function* placePoint(
  value: bigint,
  scale: number,
  rule: string = POINT.factors,
): Generator<Step, Decimal, Decimal> {
  if (scale === 0) return decimal(value)
  const expect = decimal(value, scale)
  return yield step({
    action: 'point',
    place: -expect.scale,
    ask: POINT.ask(rule),
    why: POINT.why,
    expect,
    writes: () => lineOf(expect, -expect.scale),
    slips(slip) {
      slip('point-misplaced', decimal(value, scale - 1), 4, POINT.count(scale))
      slip('point-misplaced', decimal(value, scale + 1), 2, POINT.count(scale))
      slip('point-forgotten', decimal(value), 3, POINT.forgotten(scale))
    },
  })
}

/** Parameters of products. @param digits the most digits of each factor. */
export function productBoard(first = 8, second = 8, least = 1): ParameterSpace {
  return {
    parameters: [
      parameter('first', 'Digits of the first factor', least, first, Math.max(2, least)),
      parameter('second', 'Digits of the second factor', least, second, Math.min(second, Math.max(2, least))),
      parameter('decimals', 'Decimals of the first factor', 0, 3, 0),
      parameter('largest', 'Largest digit', 1, 9),
      parameter('zeros', 'Zeros written', 0, 14),
      parameter('zeroRun', 'Longest run of zeros', 0, 7),
      parameter('carries', 'Columns that carry', 0, 14),
    ],
    problems({ first: a = 2, second: b = 2, decimals = 0, ...counts }) {
      return productSpace({
        ...counts,
        first: shape(a - Math.min(decimals, a - 1), Math.min(decimals, a - 1)),
        second: shape(b),
      })
    },
  }
}
