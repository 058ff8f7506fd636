/** What must hold for a trick to fit: the one thing that is looked at before it is used. */
import { decimal } from '../number/decimal.js'
import { asProduct, asSquare, type Problem, productOf, squareOf } from '../problem/problem.js'
import { between, kept, listed, mapped, type ProblemSpace, pairs, type Space } from '../problem/space.js'
import { CONDITIONS, type ConditionId } from '../words/conditions.js'
import { once } from './make.js'

export interface Condition {
  readonly id: ConditionId
  /** Said where it does not hold. */
  readonly no: string
  /** Only for problems of the technique's own shape; true too where another condition has to hold first. */
  readonly holds: (problem: Problem) => boolean
  /** Problems that miss this condition and no other. */
  readonly misses: () => ProblemSpace
}

/** @param holds whether it holds for a problem of the technique's shape @param misses problems that miss it and no other */
export function condition(
  id: ConditionId,
  holds: Condition['holds'],
  misses: Condition['misses'],
): Condition {
  return { id, no: CONDITIONS[id], holds, misses: once(misses) }
}

/** A condition on two whole factors. */
export function onFactors(
  id: ConditionId,
  holds: (a: bigint, b: bigint) => boolean,
  misses: () => Space<readonly [bigint, bigint]>,
): Condition {
  return condition(
    id,
    (problem) => {
      const factors = asProduct(problem)
      return factors !== undefined && holds(factors[0].units, factors[1].units)
    },
    () => mapped(misses(), ([a, b]) => productOf(decimal(a), decimal(b))),
  )
}

/** One of two factors is of a kind. @param nearly numbers that are almost of it, to be multiplied by one of two or three digits */
export function eitherFactor(
  id: ConditionId,
  is: (n: bigint) => boolean,
  nearly: readonly bigint[],
): Condition {
  return onFactors(
    id,
    (a, b) => is(a) || is(b),
    () =>
      pairs(
        kept(between(12, 999), (n) => !is(n)),
        listed(nearly),
      ),
  )
}

/** A condition on a whole number that is squared. */
export function onSquare(
  id: ConditionId,
  holds: (n: bigint) => boolean,
  misses: () => Space<bigint>,
): Condition {
  return condition(
    id,
    (problem) => {
      const n = asSquare(problem)
      return n !== undefined && holds(n.units)
    },
    () => mapped(misses(), (n) => squareOf(decimal(n))),
  )
}
