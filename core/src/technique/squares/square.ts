/** Squares worked with the point forgotten: twice as many decimals as the number had. */
import type { Problem } from '../../problem/problem.js'
import { asSquare } from '../../problem/problem.js'
import { type Misfit, misfit } from '../make.js'

export interface Squared {
  /** The number, its point forgotten. */
  readonly n: bigint
  /** Decimals of the square. */
  readonly scale: number
}

export function readSquare(problem: Problem): Squared | Misfit {
  const number = asSquare(problem)
  if (!number) return misfit('it works the square of a number, and this is none')
  if (number.units === 0n) return misfit('the square of 0 is 0: nothing to work')
  return { n: number.units, scale: 2 * number.scale }
}

export const SQUARE_DECIMALS = 'The square has twice as many decimals as the number.'
