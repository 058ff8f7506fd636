/** Squares worked with the point forgotten: twice as many decimals as the number had. */
import { asSquare, type Problem } from '../../problem/problem.js'
import { SQUARE_MISFIT } from '../../words/squares.js'
import { type Misfit, misfit } from '../make.js'

export interface Squared {
  /** The number, its point forgotten. */
  readonly n: bigint
  /** Decimals of the square. */
  readonly scale: number
}

export function readSquare(problem: Problem): Squared | Misfit {
  const number = asSquare(problem)
  if (!number) return misfit(SQUARE_MISFIT.none)
  if (number.units === 0n) return misfit(SQUARE_MISFIT.zero)
  return { n: number.units, scale: 2 * number.scale }
}
