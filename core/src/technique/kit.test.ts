import { expect, test } from 'vitest'
import { seeded } from '../number/random.js'
import { printProblem } from '../problem/expression.js'
import type { School, Technique } from './contract.js'
import { variantsOf } from './driver.js'
import { FAULTS, spoilt } from './faults.js'
import { evaluated, falseEquations, workingFaults } from './kit.js'
import { TECHNIQUES } from './registry.js'

const SEEDS = 20
/** Problems looked through for one in which a fault can stand. */
const TRIES = 25

/** A random problem of a random level, worked in a random way. */
function drawn(technique: Technique, seed: number) {
  const random = seeded(seed)
  const pick = <T>(some: readonly T[]): T => some[Number(random.below(BigInt(some.length)))]!
  const space = pick(technique.levels.slice(0, 10)).problems()
  const usual = variantsOf(technique)[0]!
  const school: School = { ...usual, ...pick([...variantsOf(technique), ...(technique.ways ?? [])]) }
  return { problem: space.at(random.below(space.size)), school, random }
}

test.each(TECHNIQUES.map((t) => [t.id, t] as const))(
  '%s: every fault put into it is found, and none without',
  (_, technique) => {
    const table: Record<string, string> = {}
    for (const fault of FAULTS) {
      let [stood, found] = [0, 0]
      for (let seed = 0; seed < SEEDS; seed += 1)
        for (let turn = 0; turn < TRIES; turn += 1) {
          const { problem, school, random } = drawn(technique, 1000 * seed + turn)
          const harmed = spoilt(technique, problem, school, fault, random)
          if (!harmed) continue
          stood += 1
          const caught = workingFaults(harmed, problem, school).length > 0
          found += caught ? 1 : 0
          if (!caught) table[`${fault} (${printProblem(problem)} ${JSON.stringify(school)})`] = 'missed'
          break
        }
      if (found < stood) table[fault] = `${found}/${stood}`
    }
    expect(table).toEqual({})
    for (let seed = 0; seed < 2 * SEEDS; seed += 1) {
      const { problem, school } = drawn(technique, seed)
      expect(workingFaults(technique, problem, school), printProblem(problem)).toEqual([])
    }
  },
)

test('equations are read as they are written', () => {
  expect(falseEquations('Check it: 6 × 2 = 13.')).toEqual(['6 × 2 = 13'])
  expect(
    falseEquations('6 × 2 = 12, and 4\u2009268 − 3 = 4\u2009265. Half: 7 ÷ 2 = 3.5, 10 − 12 = −2.'),
  ).toEqual([])
  expect(evaluated('2 × 3 × 4 + 5 × 5')!.units).toBe(49n)
})
