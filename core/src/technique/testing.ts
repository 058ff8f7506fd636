/** Shared by the tests of single techniques. */
import fc from 'fast-check'
import { expect } from 'vitest'
import { diagnose } from '../diagnose/diagnose.js'
import { toText } from '../number/decimal.js'
import { readProblem } from '../problem/expression.js'
import { answerOf } from '../problem/problem.js'
import type { Technique } from './contract.js'
import { schoolOf, trace } from './driver.js'

/** The values asked for, as plain text: what a learner would type. */
export function values(technique: Technique, expression: string): string[] {
  return trace(technique, readProblem(expression), schoolOf(technique)).steps.map((s) => toText(s.expect))
}

/** Decimal numbers of up to 30 digits written out, none below 0. */
export const numbers = fc.oneof(
  fc.bigInt(0n, 10n ** 30n - 1n).map(String),
  fc
    .tuple(fc.bigInt(0n, 10n ** 12n), fc.stringMatching(/^\d{1,5}[1-9]$/))
    .map(([whole, part]) => `${whole}.${part}`),
)

/**
 * Makes every slip of the working of a problem and checks that the diagnosis of the answer it leads to has its
 * id among the first three.
 */
export function expectSlipsFound(technique: Technique, expression: string): void {
  const problem = readProblem(expression)
  const school = schoolOf(technique)
  trace(technique, problem, school).steps.forEach((step, at) => {
    for (const slip of step.slips()) {
      const { answer } = trace(technique, problem, school, (_, i) => (i === at ? slip.entry : undefined))
      const { right, causes } = diagnose(technique, problem, school, answer)
      if (toText(answer) === toText(answerOf(problem))) expect(right).toBe(true)
      else
        expect(
          causes.slice(0, 3).map((c) => c.slips[0].id),
          `${expression}: ${slip.id} at step ${at + 1} gives ${toText(answer)}`,
        ).toContain(slip.id)
    }
  })
}
