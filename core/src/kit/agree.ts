/** What the tests that compare techniques with an independent calculation share. */
import { expect } from 'vitest'
import { type Decimal, equal, toText } from '../number/decimal.js'
import { printProblem } from '../problem/expression.js'
import type { Problem } from '../problem/problem.js'
import { TECHNIQUES } from '../registry/techniques.js'
import type { Technique } from '../technique/contract.js'
import { variantsOf } from '../technique/driver.js'
import { numberTrace } from './rule.js'

export const family = (name: Technique['family']): Technique[] => TECHNIQUES.filter((t) => t.family === name)

/** Works a problem by every technique given that fits it, in every variant, and checks the answers; ids of those. */
export function expectWorked(techniques: readonly Technique[], problem: Problem, answer: Decimal): string[] {
  const fitting = techniques.filter((t) => t.fits(problem).fits)
  for (const technique of fitting)
    for (const variant of variantsOf(technique)) {
      const got = numberTrace(technique, problem, variant).answer
      if (!equal(got, answer))
        expect.fail(
          `${technique.id} ${JSON.stringify(variant)}: ${printProblem(problem)} gives ${toText(got)}`,
        )
    }
  return fitting.map((t) => t.id)
}
