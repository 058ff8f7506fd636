import type { BoardPart, BoardPlan } from '@tachymetra/core/set'
import fc from 'fast-check'
import { expect, test } from 'vitest'
import type { WallPlace } from '../data/board.js'
import { beginning, moved, pressesAt, type WallMove, workedAt } from './wall.js'

const technique = (round: boolean): BoardPart => ({
  kind: 'technique',
  technique: 'subtract-hold-drop',
  level: 4,
  variant: {},
  clock: { ms: 8000, round },
  count: 2,
})
const PLAN: BoardPlan = {
  name: 'Lesson',
  parts: [
    technique(false),
    technique(true),
    { kind: 'ways', expression: '63*67', ways: ['multiply-crosswise', 'multiply-same-head'] },
    { kind: 'facts', name: 'Tables', facts: ['7x8', '6x9'], waitMs: 3000 },
    { kind: 'flash', digits: 1, numbers: 3, minus: false, way: 'tape-right', showMs: 900 },
    { kind: 'pattern', first: 3, second: 2 },
    { kind: 'frame' },
  ],
}
const SEED = 11

/** After some keys, from the beginning. */
const after = (...moves: readonly WallMove[]) =>
  moves.reduce((place, move) => moved(PLAN, place, move, SEED), beginning(PLAN, 0))

test('onward by one key alone: every thought of every problem of every part, and then it stays', () => {
  let place = beginning(PLAN, 0)
  const seen: WallPlace[] = [place]
  for (let i = 0; i < 400; i += 1) {
    const next = moved(PLAN, place, 'onward', SEED)
    if (next === place) break
    seen.push(next)
    place = next
  }
  expect([...new Set(seen.map((p) => p.part))]).toEqual([0, 1, 2, 3, 4, 5, 6])
  for (const [part, of] of [
    [0, 2],
    [3, 2],
  ] as const)
    expect(new Set(seen.filter((p) => p.part === part).map((p) => p.n)).size).toBe(of)
  // Thought by thought where it is taught; the answer at once in a round.
  const first = seen.filter((p) => p.part === 0 && p.n === 0).map((p) => p.presses)
  expect(first).toEqual(
    Array.from({ length: pressesAt(PLAN.parts[0]!, beginning(PLAN, 0), SEED) + 1 }, (_, i) => i),
  )
  expect(seen.filter((p) => p.part === 1 && p.n === 0).length).toBe(2)
  expect(place).toEqual({ part: 6, n: 0, level: 0, moves: 0, presses: 0 })
})

test('back undoes what onward did within a problem, and leads to the one before', () => {
  expect(after('onward', 'onward', 'back')).toEqual(after('onward'))
  expect(after('next', 'back')).toEqual(after())
  expect(after('back')).toEqual(after())
  expect(after('next-part', 'back')).toEqual(after())
  expect(after('next-part', 'next-part', 'back-part').part).toBe(1)
})

test('easier and harder bring another problem of another level, and none that was seen', () => {
  const texts = (place: WallPlace) => workedAt(PLAN.parts[0]!, place, SEED)!.shown
  const [first, harder, again] = [after(), after('onward', 'harder'), after('harder', 'easier')]
  expect([first.level, harder.level, again.level]).toEqual([4, 5, 4])
  expect(harder.presses).toBe(0)
  expect(texts(again).problem).not.toEqual(texts(first).problem)
  const lowest = after('easier', 'easier', 'easier', 'easier', 'easier')
  expect(lowest.level).toBe(1)
  expect(moved(PLAN, lowest, 'easier', SEED)).toBe(lowest)
  // What has no levels stays as it is.
  const facts = beginning(PLAN, 3)
  expect(moved(PLAN, facts, 'harder', SEED)).toBe(facts)
})

test('whatever is pressed, there is something on the board', () => {
  const move = fc.constantFrom<WallMove>(
    'onward',
    'back',
    'next',
    'harder',
    'easier',
    'answer',
    'next-part',
    'back-part',
  )
  fc.assert(
    fc.property(fc.array(move, { maxLength: 60 }), (moves) => {
      const place = after(...moves)
      const part = PLAN.parts[place.part]!
      expect(place.presses).toBeLessThanOrEqual(pressesAt(part, place, SEED))
      expect(place.presses).toBeGreaterThanOrEqual(0)
      expect(moved(PLAN, place, 'answer', SEED).presses).toBe(pressesAt(part, place, SEED))
    }),
    { numRuns: 100 },
  )
})
