/** How problems of one's own are worked: each by its own technique, by one that is chosen, or by the best that fits. */
import { InputError } from '../problem/error.js'
import { readProblem } from '../problem/expression.js'
import type { Problem } from '../problem/problem.js'
import { OWN_LEVEL, techniqueById } from '../registry/techniques.js'
import type { OwnProblem, OwnSet } from '../set/own.js'
import type { ListedProblem } from '../set/recipe.js'
import { isAbacus } from '../soroban/step.js'
import type { Technique } from '../technique/contract.js'
import { rootEstimate } from '../technique/roots/estimate.js'
import { compareWays } from './compare.js'

/** The technique that takes least in the head; on the frame, or an estimate, only where nothing else fits. */
function bestFor(problem: Problem): Technique | undefined {
  const ways = compareWays(problem).ways.map((way) => way.technique)
  return ways.find((t) => !isAbacus(t) && t !== rootEstimate) ?? ways[0]
}

/**
 * A problem as it is practised: by its own technique, else the one chosen where it fits, else the best.
 * @throws InputError where no technique works it
 */
export function listedOwn({ expression, technique }: OwnProblem, chosen: string | null): ListedProblem {
  const problem = readProblem(expression)
  const fits = chosen !== null && techniqueById(chosen).fits(problem).fits
  const id = technique ?? (fits ? chosen : bestFor(problem)?.id)
  if (!id) throw new InputError('No technique here works this problem.')
  return { technique: id, level: OWN_LEVEL, expression }
}

/** How many problems a chosen technique does not fit. */
export function misfitsOf({ problems, technique }: Pick<OwnSet, 'problems' | 'technique'>): number {
  if (technique === null) return 0
  const chosen = techniqueById(technique)
  return problems.filter((p) => !p.technique && !chosen.fits(readProblem(p.expression)).fits).length
}
