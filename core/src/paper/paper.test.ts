import { expect, test } from 'vitest'
import { oracle } from '../kit/oracle.js'
import { seeded } from '../number/random.js'
import { answerText, printProblem, readProblem } from '../problem/expression.js'
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
      const question = answerQuestion(kind, variantOf(kind), work)
      expect([text, right, meetsText(question, right)]).toEqual([text, right, true])
      expect(work.steps.flatMap((s) => s.slips()).length, text).toBeGreaterThanOrEqual(3)
    }
  },
)

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
