/** What a technique trains is the learner's to decide: nothing that is asked or shown before says it. */
import { expect, test } from 'vitest'
import { numberTrace } from '../kit/rule.js'
import { absolute, type Decimal, isZero, toText } from '../number/decimal.js'
import { type Random, seeded } from '../number/random.js'
import { printProblem } from '../problem/expression.js'
import { type Problem, rowsOf } from '../problem/problem.js'
import { COURSE } from '../registry/techniques.js'
import { beadWorkOf, isAbacus } from '../soroban/step.js'
import type { Level, Step } from './contract.js'
import { variantsOf } from './driver.js'

const PROBLEMS = 8

const numbersIn = (text: string): string[] => text.replaceAll('\u2009', '').match(/\d+(\.\d+)?/g) ?? []

/** What everybody can read anyway: the numbers of the problem, their digits and runs of digits, and what was answered. */
function plain(problem: Problem, before: readonly Step<Decimal>[]): Set<string> {
  const known = new Set<string>(before.map((s) => toText(absolute(s.expect))))
  for (const { size } of rowsOf(problem)) {
    const text = toText(size)
    for (let from = 0; from < text.length; from += 1)
      for (let to = from + 1; to <= text.length; to += 1) known.add(text.slice(from, to))
  }
  return known
}

/** What may be decided; a gap is one as well. */
const decisionOf = ({ decision, action, expect }: Step<Decimal>) =>
  decision ?? (action === 'deviation' ? [expect] : undefined)

function problemAt(level: Level, random: Random): Problem {
  const space = level.problems()
  return space.at(random.below(space.size))
}

const decided = COURSE.map((technique) => {
  const random = seeded(29)
  const found = technique.levels.flatMap((level) =>
    Array.from({ length: PROBLEMS }, () => problemAt(level, random)).flatMap((problem) =>
      variantsOf(technique)
        .slice(0, 4)
        .map((variant) => ({ problem, steps: numberTrace(technique, problem, variant).steps })),
    ),
  )
  return { technique, found }
})

test.each(decided)('$technique.id: before it is answered no decision is told', ({ technique, found }) => {
  for (const { problem, steps } of found)
    for (const [i, step] of steps.entries()) {
      const right = decisionOf(step)
      if (!right) continue
      const known = plain(problem, steps.slice(0, i))
      const answers = right.map((v) => toText(absolute(v))).filter((text) => !known.has(text))
      for (const { ask } of steps.slice(0, i + 1))
        for (const answer of answers)
          if (numbersIn(ask).includes(answer))
            expect.fail(`${printProblem(problem)}: "${ask}" tells ${answer}, which is asked for`)
      // The digits that are worked are not joined, and no rod is lit or marked before it is found.
      expect(step.links ?? []).toEqual([])
      if (isAbacus(technique) && !isZero(step.expect))
        expect([step.place, beadWorkOf(step)]).toEqual([0, undefined])
    }
})

test('decisions are asked where the technique trains one', () => {
  const asking = decided
    .filter(({ found }) => found.some(({ steps }) => steps.some(decisionOf)))
    .map(({ technique }) => technique.id)
  expect(asking).toEqual(
    expect.arrayContaining([
      'add-compensation',
      'subtract-complement',
      'subtract-round-up',
      'multiply-subtraction',
      'multiply-factors',
      'multiply-common-factor',
      'multiply-same-head',
      'multiply-near-base',
      'square-ending-five',
      'square-near-base',
      'square-round-balance',
      'soroban-multiply',
    ]),
  )
})
