/** Sets of problems that were typed, pasted or read from a file. */
import { flashSum } from '../flash/sum.js'
import { InputError } from '../problem/error.js'
import { readProblem } from '../problem/expression.js'
import { TECHNIQUES, techniqueById } from '../registry/techniques.js'

/** Most problems of one set. */
export const MOST_OWN = 1000

/** A problem somebody typed. */
export interface OwnProblem {
  /** The problem as it is typed and printed by `printProblem`. */
  readonly expression: string
  /** How this one is to be worked; where it is left out, as is chosen for the set. */
  readonly technique?: string
}

/** Problems somebody typed, kept by a name. */
export interface OwnSet {
  /** What it is called, as it was typed. */
  readonly name: string
  /** How all are to be worked; null: each by the technique that fits it best. */
  readonly technique: string | null
  /** Its problems, in order. */
  readonly problems: readonly OwnProblem[]
}

/** Is a problem one that can be worked, by its technique where it has one? @throws InputError that says why not */
export function checkOwn({ expression, technique }: OwnProblem): void {
  const problem = readProblem(expression)
  if (problem.kind === 'number')
    throw new InputError('This is a number alone: there is nothing to work out. Type a whole problem: 36*52.')
  if (technique === undefined) {
    // Numbers that come one by one are no way of working what stands there.
    if (!TECHNIQUES.some((t) => t !== flashSum && t.fits(problem).fits))
      throw new InputError('No technique here works this problem.')
    return
  }
  const known = techniqueById(technique)
  const fit = known.fits(problem)
  if (!fit.fits) throw new InputError(`${known.name} does not fit: ${fit.because}.`)
}
