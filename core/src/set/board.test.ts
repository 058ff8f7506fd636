import fc from 'fast-check'
import { expect, test } from 'vitest'
import { printProblem } from '../problem/expression.js'
import { levelOf, TECHNIQUES, techniqueById } from '../registry/techniques.js'
import { trace } from '../technique/driver.js'
import {
  type BoardPart,
  boardProblem,
  checkPlan,
  movedLevel,
  problemsIn,
  thoughtAt,
  thoughtsIn,
} from './board.js'

const crosswise: Extract<BoardPart, { kind: 'technique' }> = {
  kind: 'technique',
  technique: 'multiply-crosswise',
  level: 4,
  variant: {},
  clock: { ms: 10_000, round: false },
  count: 3,
}

test('a technique shows another problem of its level each time, the same again for the same place and seed', () => {
  const at = (n: number, seed: number, level = 4) =>
    printProblem(boardProblem(crosswise, level, n, seed).problem)
  const some = Array.from({ length: 12 }, (_, n) => at(n, 5))
  expect(new Set(some).size).toBeGreaterThan(9)
  expect(some).toEqual(Array.from({ length: 12 }, (_, n) => at(n, 5)))
  expect(at(0, 5)).not.toBe(at(0, 6))
  // Three by two digits at level 8.
  expect(at(0, 5, 8)).toMatch(/^\d{3}\*\d{2}$/)
  fc.assert(
    fc.property(fc.constantFrom(...TECHNIQUES), fc.nat(), fc.nat(40), (technique, seed, n) => {
      const level = 1 + (seed % technique.levels.length)
      const part = { ...crosswise, technique: technique.id, level }
      const shown = boardProblem(part, level, n, seed)
      expect(technique.fits(shown.problem)).toEqual({ fits: true })
      expect(levelOf(technique, shown.level)).toBe(technique.levels[level - 1])
    }),
    { numRuns: 60 },
  )
})

test('easier and harder keep within the levels there are', () => {
  const { length } = techniqueById('multiply-crosswise').levels
  expect([movedLevel('multiply-crosswise', 4, 1), movedLevel('multiply-crosswise', 4, -1)]).toEqual([5, 3])
  expect(movedLevel('multiply-crosswise', 1, -1)).toBe(1)
  expect(movedLevel('multiply-crosswise', length, 1)).toBe(length)
})

test('each step is asked before it is told, and at last all of it stands there', () => {
  const { problem, variant } = boardProblem(crosswise, 4, 0, 5)
  const work = trace(techniqueById('multiply-crosswise'), problem, variant)
  const all = Array.from({ length: thoughtsIn(work) + 1 }, (_, presses) => thoughtAt(work, presses))
  expect(all[0]).toEqual({ at: 'problem' })
  expect(all.at(-1)).toEqual({ at: 'end' })
  expect(all.slice(1, -1)).toEqual(
    work.steps.flatMap((_, n) => [
      { at: 'step', n, told: false },
      { at: 'step', n, told: true },
    ]),
  )
  expect(thoughtAt(work, 10_000)).toEqual({ at: 'end' })
})

test('a plan names only what there is, and says which part does not', () => {
  const listed = { technique: 'add-pairs', level: 0, expression: '44+61+71' }
  const good: readonly BoardPart[] = [
    crosswise,
    { kind: 'problems', name: 'Own', problems: [listed, listed], clock: crosswise.clock },
    { kind: 'ways', expression: '63*67', ways: ['multiply-crosswise', 'multiply-same-head'] },
    { kind: 'facts', name: 'Tables', facts: ['7x8', '6x9', '3x4'], waitMs: 3000 },
    { kind: 'flash', digits: 1, numbers: 5, minus: false, way: 'flash', showMs: 1000 },
    { kind: 'frame' },
    { kind: 'pattern', first: 3, second: 2 },
  ]
  expect(() => checkPlan({ name: 'All', parts: good })).not.toThrow()
  expect(good.map(problemsIn)).toEqual([3, 2, 1, 3, 1, 1, 1])
  const bad: readonly (readonly [BoardPart, string])[] = [
    [{ ...crosswise, technique: 'juggling' }, 'no technique'],
    [{ ...crosswise, level: 99 }, 'levels 1 to'],
    [{ ...crosswise, variant: { order: 'sideways' } }, 'order'],
    [
      {
        kind: 'problems',
        name: 'Own',
        problems: [{ ...listed, expression: '36*52' }],
        clock: crosswise.clock,
      },
      'does not fit',
    ],
    [{ kind: 'ways', expression: '63*67', ways: ['multiply-crosswise', 'add-pairs'] }, 'does not fit'],
    [{ kind: 'facts', name: 'Tables', facts: ['7x8', 'no'], waitMs: 3000 }, 'no fact'],
  ]
  for (const [part, why] of bad)
    expect(() => checkPlan({ name: 'Bad', parts: [crosswise, part] }), why).toThrow(
      new RegExp(`^Part 2: .*${why}`),
    )
})
