/** Shared by the tests of techniques, and by the benchmark of slips. */

import { diagnose } from '../diagnose/diagnose.js'
import { present } from '../number/present.js'
import { type Random, seeded } from '../number/random.js'
import { readProblem } from '../problem/expression.js'
import type { Problem } from '../problem/problem.js'
import { meets } from '../question/question.js'
import type { Value } from '../question/value.js'
import type { Slip, Technique, Variant } from '../technique/contract.js'
import { answerQuestion, trace, variantOf, variantsOf } from '../technique/driver.js'

/** The values asked for, as plain text: what a learner would type. */
export function values(technique: Technique, expression: string, variant: Variant = {}): string[] {
  return trace(technique, readProblem(expression), variantOf(technique, variant)).steps.map((s) =>
    s.kind.print(s.expect),
  )
}

/** A working in which one slip was made, and the wrong answer it led to. */
export interface Slipped {
  readonly problem: Problem
  readonly variant: Variant
  readonly slip: Slip
  readonly step: number
  readonly answer: Value
}

/** A random problem of a random level and variant, with a random slip that does not lead to a right answer. */
export function slipAtRandom(technique: Technique, random: Random): Slipped {
  const pick = <T>(things: readonly T[]): T => present(things[Number(random.below(BigInt(things.length)))])
  for (;;) {
    const space = pick(technique.levels).problems()
    const problem = space.at(random.below(space.size))
    const variant = pick(variantsOf(technique))
    const right = trace(technique, problem, variant)
    const step = Number(random.below(BigInt(right.steps.length)))
    const slips = present(right.steps[step]).slips()
    let at = random.unit() * slips.reduce((sum, s) => sum + s.odds, 0)
    const slip = slips.find((s) => {
      at -= s.odds
      return at < 0
    })
    if (!slip) continue
    const { answer } = trace(technique, problem, variant, (_, i) => (i === step ? slip.entry : undefined))
    if (!meets(answerQuestion(technique, variant, right), answer))
      return { problem, variant, slip, step, answer }
  }
}

export interface Recognition {
  readonly cases: number
  /** Share of the cases in which the slip made was named first, and among the first three. */
  readonly first: number
  readonly firstThree: number
  /** Slips missed among the first three, by what was named instead. */
  readonly missed: ReadonlyMap<string, number>
}

/** How often one random slip is recognised from the answer alone. */
export function recognition(technique: Technique, cases: number, seed: number): Recognition {
  const random = seeded(seed)
  const missed = new Map<string, number>()
  let [first, firstThree] = [0, 0]
  for (let i = 0; i < cases; i += 1) {
    const { problem, variant, slip, answer } = slipAtRandom(technique, random)
    const ids = diagnose(technique, problem, variant, answer).causes.map((c) => c.slips[0].id)
    if (ids[0] === slip.id) first += 1
    else {
      const instead = `${slip.id} < ${ids[0] ?? 'nothing'}${ids.slice(0, 3).includes(slip.id) ? '' : ' !'}`
      missed.set(instead, (missed.get(instead) ?? 0) + 1)
    }
    if (ids.slice(0, 3).includes(slip.id)) firstThree += 1
  }
  return { cases, first: first / cases, firstThree: firstThree / cases, missed }
}

/** A technique that counts the steps it is made to ask. */
export function counting(technique: Technique): { technique: Technique; asked: () => number } {
  let asked = 0
  return {
    asked: () => asked,
    technique: {
      ...technique,
      *work(problem, variant) {
        const work = technique.work(problem, variant)
        let state = work.next()
        while (!state.done) {
          asked += 1
          state = work.next(yield state.value)
        }
        return state.value
      },
    },
  }
}
