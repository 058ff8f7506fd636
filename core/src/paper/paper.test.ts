import { Decimal } from 'decimal.js'
import fc from 'fast-check'
import { expect, test } from 'vitest'
import { oracle } from '../kit/oracle.js'
import { seeded } from '../number/random.js'
import { answerText, printProblem, readProblem, solvedWords } from '../problem/expression.js'
import { answerOf } from '../problem/problem.js'
import { meetsText } from '../question/question.js'
import type { Technique } from '../technique/contract.js'
import { answerQuestion, trace, variantOf } from '../technique/driver.js'
import { PAPER_KINDS } from './kinds.js'

/** Items of a level that are looked at: all of a small one. */
const MANY = 60n
const SMALL = 250n

function* itemsOf({ levels }: Technique) {
  for (const [l, level] of levels.entries()) {
    const [space, random] = [level.problems(), seeded(l + 1)]
    const all = space.size <= SMALL
    for (let i = 0n; i < (all ? space.size : MANY); i += 1n)
      yield space.at(all ? i : random.below(space.size))
  }
}

// OEIS A000290 from 11 on, A000578 from 1 on, and A001221, A000005, A000203 from 2 on (all from memory).
test.each([
  ['#^2', 11, '121 144 169 196 225 256 289 324 361 400 441 484 529 576 625'],
  ['#^3', 1, '1 8 27 64 125 216 343 512 729 1000 1331 1728 2197 2744 3375 4096 4913 5832 6859 8000'],
  ['primes(#)', 2, '1 1 1 1 2 1 1 1 2 1 2 1 2 2 1 1 2 1 2 2 2 1 2 1 2 1 2 1 3'],
  ['divisors(#)', 2, '2 2 3 2 4 2 4 3 4 2 6 2 4 4 5 2 6 2 6 4 4 2 8 3 4 4 6 2 8'],
  ['divisorsum(#)', 2, '3 4 7 6 12 8 15 13 18 12 28 14 24 24 31 18 39 20 42 32 36 24 60 31 42 40 56 30 72'],
])('%s as it is published', (item, from, published) => {
  const values = published.split(' ')
  expect(values.map((_, i) => answerText(readProblem(item.replace('#', String(from + i)))))).toEqual(values)
})

test.each(PAPER_KINDS.map((kind) => [kind.id, kind] as const))(
  '%s: the answer is that of other libraries, whether reckoned plainly or worked, and the item reads back',
  (_, kind) => {
    for (const item of itemsOf(kind)) {
      const text = printProblem(item)
      const right = oracle(text)
      expect(readProblem(text), text).toEqual(item)
      // An estimate is checked by its exact value, to six decimals.
      const near = text.startsWith('~')
        ? Math.abs(Number(answerText(item)) - Number(right)) < 1e-5
        : undefined
      expect(near ?? answerText(item), text).toBe(near === undefined ? right : true)
      const work = trace(kind, item, variantOf(kind))
      // Shown with its answer as the quick way comes to it, in the words of its form.
      if (near === undefined)
        expect(solvedWords(item, work.answer), text).toBe(solvedWords(item, answerOf(item)))
      const question = answerQuestion(kind, variantOf(kind), work)
      expect([text, right, meetsText(question, right)]).toEqual([text, right, true])
      expect(work.steps.flatMap((s) => s.slips()).length, text).toBeGreaterThanOrEqual(3)
    }
  },
)

test('an estimate is right within five percent of the exact value on either side, to the very edge', () => {
  const kind = PAPER_KINDS.find((k) => k.id === 'paper-estimate')!
  // Products and sums, whose exact values are whole.
  for (const level of kind.levels.slice(0, 3)) {
    const [space, random] = [level.problems(), seeded(9)]
    for (let i = 0; i < 40; i += 1) {
      const item = space.at(random.below(space.size))
      const exact = new Decimal(oracle(printProblem(item)))
      const question = answerQuestion(kind, variantOf(kind), trace(kind, item, variantOf(kind)))
      const right = (value: Decimal) => meetsText(question, value.toFixed())
      fc.assert(
        fc.property(fc.double({ min: -0.12, max: 0.12, noNaN: true }), (off) => {
          const typed = exact.times(1 + off).toDecimalPlaces(4)
          expect(right(typed), `${printProblem(item)} as ${typed}`).toBe(
            typed.minus(exact).abs().lte(exact.times('0.05')),
          )
        }),
        { numRuns: 20 },
      )
      const [low, high] = [exact.times('0.95'), exact.times('1.05')]
      expect([low, high, low.minus('0.0001'), high.plus('0.0001')].map(right)).toEqual([
        true,
        true,
        false,
        false,
      ])
    }
  }
})

test('each kind has three levels or more, no two alike', () => {
  for (const { id, levels } of PAPER_KINDS) {
    expect(levels.length, id).toBeGreaterThanOrEqual(3)
    const first = levels.map((l) => {
      const space = l.problems()
      return Array.from({ length: 5 }, (_, i) =>
        printProblem(space.at((BigInt(i) * (space.size - 1n)) / 4n)),
      ).join()
    })
    expect(new Set(first).size, id).toBe(levels.length)
    expect(new Set(levels.map((l) => l.name)).size, id).toBe(levels.length)
  }
})
