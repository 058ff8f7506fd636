import { expect, test } from 'vitest'
import { marked } from '../number/marks.js'
import { techniqueById } from '../registry/techniques.js'
import { aimOf, LEVEL_RULES, type LevelRules, LOOKED_BACK } from './levels.js'
import { type LatestAt, type MasteryInput, type Move, masteryOf, withMove, withSession } from './mastery.js'

const latest = (
  day: number,
  right: number,
  wrong = 0,
  more: Partial<LatestAt> & { ms?: number } = {},
): LatestAt => ({
  technique: 'add-pairs',
  level: 2,
  support: 'answer',
  at: `2026-03-${String(day).padStart(2, '0')}T10:00:00.000Z`,
  answers: Array.from({ length: right + wrong }, (_, i) => {
    return { right: i < right, timed: true, totalMs: more.ms ?? 3000 }
  }),
  ...more,
})
const move = (to: number, by: Move['by'] = 'rule'): Move => ({ technique: 'add-pairs', to, by })
const pairs = (all: readonly LatestAt[], more: Partial<MasteryInput> = {}) =>
  masteryOf({ latest: all, moves: [], ...more }).find((m) => m.technique.id === 'add-pairs')!

test('what is worked: the level in force, the least support of the latest session, the latest answers there', () => {
  const all = [
    latest(5, 3, 1, { support: 'guided' }),
    latest(6, 14, 6),
    latest(6, 2, 0, { support: 'steps' }),
    latest(4, 5, 0, { level: 4 }),
  ]
  expect(pairs(all).worked).toEqual({
    level: 2,
    support: 'answer',
    lastAt: '2026-03-06T10:00:00.000Z',
    latest: { answers: 20, right: 14, medianMs: 3000 },
    alone: { answers: 20, right: 14, medianMs: 3000 },
    aimMs: techniqueById('add-pairs').levels[1]!.targetMs,
  })
  // Work with steps later on leaves what was done alone as it was; without any there is none.
  expect(pairs([...all, latest(7, 3, 0, { support: 'guided' })]).worked).toMatchObject({
    support: 'guided',
    alone: { answers: 20, right: 14 },
  })
  expect(pairs([latest(7, 3, 0, { support: 'guided' })]).worked!.alone).toBe(undefined)
  // The level in force is that of the latest move; nothing was worked there yet.
  expect(pairs(all, { moves: [move(3)] }).worked).toMatchObject({
    level: 3,
    latest: { answers: 0, right: 0, medianMs: null },
  })
  expect(pairs([latest(8, 3, 0, { level: 0 })]).worked!.level).toBe(1)
  expect(pairs([]).worked).toBe(undefined)
  // What was only tried says nothing: no standing, no level; a level only tried is not the one in force.
  expect(pairs([latest(9, 1, 1)])).toMatchObject({ state: 'not-yet', worked: undefined })
  expect(pairs([latest(8, 2, 1), latest(9, 1, 1, { level: 8 })]).worked).toMatchObject({ level: 2 })
})

test('a level is known by what would move up from it, or by having moved on; own rules and targets decide', () => {
  const few = [latest(1, 10)]
  expect(pairs(few)).toMatchObject({
    state: 'practised',
    because: expect.stringContaining(marked('10 of the last 10 right, 3.0 s')),
  })
  expect(pairs([latest(1, 34, 1)])).toMatchObject({
    state: 'known',
    because: expect.stringContaining('level 2: 34 of the last 35'),
  })
  expect(pairs([latest(1, 18, 2)]).state).toBe('practised')
  expect(pairs([latest(1, 20, 0, { ms: 90_000 })]).state).toBe('practised')
  expect(pairs([latest(1, 20, 0, { support: 'steps' })])).toMatchObject({
    state: 'practised',
    because: 'Started: not yet tried alone.',
  })
  expect(pairs(few, { moves: [move(3)] })).toMatchObject({
    state: 'known',
    because: 'Known on level 2: moved up to level 3.',
  })
  expect(pairs(few, { moves: [move(3, 'hand')] }).because).toContain('set by hand')
  expect(pairs(few, { moves: [move(1)] }).state).toBe('practised')
  const rules: LevelRules = { ...LEVEL_RULES, odds: 3 }
  expect(pairs(few, { rules }).state).toBe('known')
  expect(pairs(few, { rules, targets: { 'add-pairs': { 2: 500 } } }).state).toBe('practised')
})

test('what is not begun is ready once all it needs is known; else what is missing is named', () => {
  const states = (all: readonly LatestAt[]) =>
    new Map(masteryOf({ latest: all, moves: [] }).map((m) => [m.technique.id, m]))
  const none = states([])
  const needy = [...none.values()].find((m) => m.technique.needs.length > 0)!
  expect(needy.state).toBe('not-yet')
  expect(needy.missing.map((t) => t.id)).toEqual(needy.technique.needs)
  expect(needy.because).toContain(`${needy.missing[0]!.name} (not begun)`)
  for (const { technique, state } of none.values())
    expect(state, technique.id).toBe(technique.needs.length === 0 ? 'ready' : 'not-yet')
  const all = needy.technique.needs.map((technique) => latest(1, 20, 0, { technique, level: 1, ms: 600 }))
  expect(states(all).get(needy.technique.id)).toMatchObject({ state: 'ready', missing: [] })
})

test('one more session goes on top and pushes the oldest out; a move begins its level anew', () => {
  const before = [latest(1, 0, 20), latest(2, 5, 0, { support: 'guided' })]
  const after = withSession(before, latest(3, 8))
  expect(after.at(-1)).toMatchObject({ at: '2026-03-03T10:00:00.000Z' })
  expect(after.at(-1)!.answers.map((a) => a.right)).toEqual([
    ...Array(8).fill(true),
    ...Array(20).fill(false),
  ])
  expect(withSession(after, latest(3, 30)).at(-1)!.answers).toHaveLength(LOOKED_BACK)
  expect(after).toContain(before[1])
  expect(withMove(after, move(2)).map((l) => l.answers.length)).toEqual([0, 0])
  expect(withMove(after, move(3))).toEqual(after)
})

test('own targets stand in for the usual ones; own parameters have none', () => {
  const own = { targets: { 'add-pairs': { 2: 4500 } } }
  expect(aimOf(own, 'add-pairs', 2)).toBe(4500)
  expect(aimOf(own, 'add-pairs', 3)).toBe(techniqueById('add-pairs').levels[2]!.targetMs)
  expect(aimOf(own, 'add-pairs', 0)).toBe(undefined)
})
