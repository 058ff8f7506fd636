import { expect, test } from 'vitest'
import { numberAnswer } from '../kit/rule.js'
import { seeded } from '../number/random.js'
import { printProblem, readProblem } from '../problem/expression.js'
import { asProduct, type Problem } from '../problem/problem.js'
import { draw } from '../problem/space.js'
import { TECHNIQUES, techniqueById } from '../registry/techniques.js'

const tricks = TECHNIQUES.filter((t) => t.conditions)

test('there are tricks that fit some problems only, and a condition belongs to one of them alone', () => {
  expect(tricks.length).toBeGreaterThan(10)
  const ids = tricks.flatMap((t) => t.conditions?.map((c) => c.id) ?? [])
  expect(new Set(ids).size).toBe(ids.length)
})

const some = (technique: (typeof tricks)[number], count: number): Problem[] =>
  technique.levels.flatMap((level, i) => [...take(draw(level.problems(), seeded(i)), count)])

function* take<T>(from: Iterator<T>, count: number): Generator<T> {
  for (let i = 0; i < count; i += 1) yield from.next().value
}

test.each(tricks.map((t) => [t.id, t] as const))(
  '%s: all hold where it fits; each can be missed by itself',
  (_, trick) => {
    const conditions = trick.conditions!
    for (const problem of some(trick, 40))
      expect(
        conditions.filter((c) => !c.holds(problem)).map((c) => c.id),
        printProblem(problem),
      ).toEqual([])
    for (const missed of conditions) {
      const space = missed.misses()
      expect(space.size > 20n, `${missed.id} has ${space.size} problems`).toBe(true)
      const problems = [...take(draw(space, seeded(5)), 300)]
      expect(new Set(problems.map(printProblem)).size).toBeGreaterThan(10)
      for (const problem of problems) {
        const text = printProblem(problem)
        expect(
          conditions.filter((c) => !c.holds(problem)).map((c) => c.id),
          text,
        ).toEqual([missed.id])
        expect(trick.fits(problem).fits, text).toBe(false)
        // Of the same shape as what fits: only the condition tells them apart.
        expect(
          some(trick, 1)
            .map((p) => p.kind)
            .includes(problem.kind) || asProduct(problem) !== undefined,
          text,
        ).toBe(true)
        expect(numberAnswer(problem).units > 0n, text).toBe(true)
      }
    }
  },
)

// Looked at by hand; docs/method.md, Conditions.
test.each<[string, string, string]>([
  ['multiply-same-head', '63*57', 'same-head/heads'],
  ['multiply-same-head', '63*68', 'same-head/units'],
  ['multiply-near-base', '97*34', 'near-base/near'],
  ['multiply-near-base', '97*1004', 'near-base/same'],
  ['square-near-base', '31^2', 'square-near/near'],
  ['square-near-base', '63^2', 'square-near/gap'],
  ['square-ending-five', '64^2', 'ending-five/five'],
  ['multiply-complement-repdigit', '64*32', 'ten-pair/twins'],
  ['multiply-complement-repdigit', '65*33', 'ten-pair/ten'],
  ['multiply-repunit', '724*112', 'ones/ones'],
  ['multiply-by-nines', '64*98', 'nines/nines'],
  ['multiply-by-nines', '400*99', 'nines/zeros'],
  ['multiply-common-factor', '16*23+17*27', 'common/shared'],
  ['multiply-common-factor', '16*23+16*28', 'common/round'],
  ['multiply-double-halve', '34*18', 'double/five'],
  ['multiply-double-halve', '35*17', 'double/even'],
  ['square-round-balance', '40^2', 'balance/round'],
  ['subtract-round-up', '463-140', 'round-up/round'],
  ['subtract-round-up', '290-288', 'round-up/room'],
  ['add-compensation', '340+60', 'compensation/round'],
])('%s does not fit %s: %s', (id, expression, missed) => {
  const problem = readProblem(expression)
  const trick = techniqueById(id)
  expect(trick.fits(problem).fits).toBe(false)
  expect(trick.conditions!.filter((c) => !c.holds(problem)).map((c) => c.id)).toEqual([missed])
})
