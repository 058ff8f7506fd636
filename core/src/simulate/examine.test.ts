import { expect, test } from 'vitest'
import { type LatestAt, masteryOf } from '../curriculum/mastery.js'
import { EXAMINEES } from '../examiners/kinds.js'
import { DEFAULT_SETTINGS } from '../learner/settings.js'
import { seeded } from '../number/random.js'
import type { PlanInput } from '../plan/input.js'
import { examine, targetsWithin } from './examine.js'
import { nextItem, POLICIES, type Policy } from './policies.js'

const adult = EXAMINEES.find((k) => k.id === 'adult')!
const goal = ['add-running-total', 'subtract-hold-drop', 'subtract-blocks']

const worked = (technique: string, right: number, totalMs: number): LatestAt => ({
  technique,
  level: 1,
  support: 'answer',
  at: '2026-03-08T15:00:00.000Z',
  answers: Array.from({ length: 20 }, (_, i) => ({ right: i < right, timed: true, totalMs })),
})

/** What each way of choosing takes, once the facts of the day are done. */
function chosen(policy: Policy, latest: readonly LatestAt[], turns = 6, done: [string, number][] = []) {
  const now = '2026-03-10T15:00:00.000Z'
  const input: PlanInput = {
    settings: { ...DEFAULT_SETTINGS, decks: [] },
    ...{ day: '2026-03-10', now, memories: [], slow: [], slips: [], metToday: new Set() },
    recall: { share: undefined, ms: undefined },
    mastery: masteryOf({ latest, moves: [], now }),
    done: new Map(done),
  }
  const random = seeded(1)
  return Array.from({ length: turns }, (_, turn) => nextItem(policy, input, { goal, turn, random })?.id)
}

test('each way of choosing is what its name says, never what lacks its prerequisites, never other techniques', () => {
  const [known, slow, slower] = [
    worked('add-running-total', 20, 1500),
    worked('subtract-hold-drop', 15, 4000),
    worked('add-running-total', 15, 9000),
  ] as const
  expect(new Set(chosen('one-by-one', [known, slow]))).toEqual(new Set(['subtract-hold-drop']))
  expect(new Set(chosen('slowest-first', [slower, slow]))).toEqual(new Set(['add-running-total']))
  // What was never worked has no pace at all.
  expect(new Set(chosen('slowest-first', [known]))).toEqual(new Set(['subtract-hold-drop']))
  expect(chosen('in-turn', [known, slow], 4)).toEqual([
    ...['add-running-total', 'subtract-hold-drop'],
    ...['add-running-total', 'subtract-hold-drop'],
  ])
  expect(new Set(chosen('random', [known, slow], 30))).toEqual(new Set(goal.slice(0, 2)))
  for (const policy of POLICIES) {
    for (const id of chosen(policy, [known, slow])) expect(goal, policy).toContain(id)
    // The day has an end.
    expect(chosen(policy, [known], 1, [['add-running-total', 4]]), policy).toEqual([undefined])
  }
})

test('an examination: targets are within reach, lasting ones are met later, nothing is known before it was begun', () => {
  const targets = targetsWithin(adult, goal)
  expect(targets).toEqual(targetsWithin(adult, goal))
  const practice = { minutes: 6, policy: 'plan' as const, targets, goal, seed: 3 }
  const examined = examine(adult, practice, 75, true)
  expect(examine(adult, practice, 75, true)).toEqual(examined)
  const { minutes, toAll, toLasting, kept, later, known, begun, blocked, facts, again } = examined
  expect(toAll).toBeGreaterThan(5)
  expect(toLasting).toBeGreaterThanOrEqual(toAll!)
  expect(minutes).toBeGreaterThan(toLasting!)
  expect(minutes).toBeLessThan(6.5 * 75)
  for (const n of [kept, later, known]) expect(n).toBeLessThanOrEqual(goal.length)
  expect(known).toBe(goal.length)
  expect(begun.every((day) => day !== undefined && day < 75)).toBe(true)
  expect(blocked).toBeLessThanOrEqual(7)
  expect(facts).toBe(119)
  expect(again).toBeGreaterThan(0.05)
  expect(again).toBeLessThan(0.3)
  // Nobody meets what no practice leads to.
  const beyond = Object.fromEntries(goal.map((id) => [id, { 1: 500 }]))
  expect(examine(adult, { ...practice, targets: beyond }, 20, true)).toMatchObject({
    ...{ toAll: undefined, toLasting: undefined, kept: 0, later: 0 },
  })
}, 60_000)
