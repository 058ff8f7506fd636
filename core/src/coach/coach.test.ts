import { expect, test } from 'vitest'
import { seeded } from '../number/random.js'
import { InputError } from '../problem/error.js'
import { readProblem } from '../problem/expression.js'
import { schoolOf, trace } from '../technique/driver.js'
import { effortOf } from '../technique/effort.js'
import { techniqueById } from '../technique/registry.js'
import { type AttemptRecord, judgeAttempt } from './attempt.js'
import { demoLearners } from './demo.js'
import { median, paceOf, perMinute } from './pace.js'
import { LEAST_MS, simulateAttempt } from './simulated.js'

const base: AttemptRecord = {
  id: '0b0c3a52-1111-4222-8333-944455556666',
  sittingId: '0b0c3a52-1111-4222-8333-944455557777',
  n: 1,
  technique: 'add-running-total',
  school: {},
  level: 1,
  support: 'guided',
  expression: '364+278',
  startedAt: '2026-11-20T15:00:00.000Z',
  entries: [],
  hints: 0,
  outcome: 'done',
  thinkMs: 900,
  keyMs: 3000,
  totalMs: 3900,
  idleMs: 1200,
}
const entered = (...list: [step: number, value: string, by?: 'program'][]) =>
  list.map(([step, value, by]) => ({ step, value, ms: 1000, by: by ?? ('learner' as const) }))

test('a wrong entry on the way is kept with its slip; the answer still counts as right, but not as clean', () => {
  const verdict = judgeAttempt({ ...base, entries: entered([1, '564'], [2, '534'], [2, '634'], [3, '642']) })
  expect(verdict).toMatchObject({ right: true, clean: false, timed: true })
  expect(verdict.entries[1]).toMatchObject({ right: false, slip: 'lost-carry', place: 1 })
})

test('clean needs every entry right, unaided; idle time is not timed', () => {
  const entries = entered([1, '564'], [2, '634'], [3, '642'])
  expect(judgeAttempt({ ...base, entries })).toMatchObject({ right: true, clean: true })
  expect(judgeAttempt({ ...base, entries, hints: 1 })).toMatchObject({ right: true, clean: false })
  expect(judgeAttempt({ ...base, entries, idleMs: 60_001 })).toMatchObject({ timed: false })
  const shown = entered([1, '564'], [2, '634'], [3, '642', 'program'])
  expect(judgeAttempt({ ...base, entries: shown })).toMatchObject({ right: false, clean: false })
})

test('an answer without steps is diagnosed, and only its first try counts as right', () => {
  const verdict = judgeAttempt({ ...base, support: 'answer', entries: entered([0, '542'], [0, '642']) })
  expect(verdict).toMatchObject({ right: false, clean: false })
  expect(verdict.entries[0]).toMatchObject({ right: false, slip: 'lost-carry', place: 1 })
})

test.each([
  ['a step that is not open', { entries: entered([2, '634']) }],
  ['an entry after the end', { entries: entered([1, '564'], [2, '634'], [3, '642'], [4, '1']) }],
  ['done without the answer', { entries: entered([1, '564']) }],
  ['skipped with the answer', { outcome: 'skipped', entries: entered([1, '564'], [2, '634'], [3, '642']) }],
  ['a value that is no number', { entries: entered([1, 'lots']) }],
  ['a problem that does not fit', { expression: '8-9' }],
  ['an unknown technique', { technique: 'guessing' }],
  ['a level that is not there', { level: 99 }],
  ['a school that is not there', { school: { carry: 'glance' } }],
] as [string, Partial<AttemptRecord>][])('%s is refused', (_, wrong) => {
  expect(() => judgeAttempt({ ...base, ...wrong })).toThrow(InputError)
})

test('effort counts facts, carries and the most digits held', () => {
  const technique = techniqueById('subtract-hold-drop')
  const work = trace(technique, readProblem('8341-3675'), schoolOf(technique))
  expect(effortOf(work)).toEqual({ facts: 4, carries: 3, held: 1, total: 8 })
})

test('pace: medians over timed work, the best only among right answers', () => {
  expect([median([]), median([3]), median([9, 1, 4]), median([1, 2, 5, 9])]).toEqual([undefined, 3, 4, 4])
  const one = { right: true, clean: true, timed: true, done: true, totalMs: 6000 }
  const attempts = [
    one,
    { ...one, right: false, clean: false, totalMs: 2000 },
    { ...one, timed: false, totalMs: 90_000 },
  ]
  const pace = paceOf(attempts)
  expect(pace).toEqual({
    attempts: 3,
    right: 2,
    clean: 2,
    medianMs: 4000,
    bestMs: 6000,
    timed: 2,
    timedMs: 8000,
  })
  expect([perMinute(pace), perMinute(paceOf([]))]).toEqual([15, undefined])
})

test('the demo is the same for the same day, and hangs together', () => {
  const learners = demoLearners('2026-03-01')
  expect(demoLearners('2026-03-01')).toEqual(learners)
  const ids = new Set<string>()
  for (const { sittings } of learners) {
    for (const attempt of sittings.flatMap((s) => s.attempts)) {
      judgeAttempt(attempt)
      expect(attempt.id).toMatch(/^[0-9a-f]{8}-[0-9a-f]{4}-4[0-9a-f]{3}-[89ab][0-9a-f]{3}-[0-9a-f]{12}$/)
      ids.add(attempt.id)
      expect(attempt.startedAt < '2026-03-01').toBe(true)
    }
  }
  expect(ids.size).toBe(learners.flatMap((l) => l.sittings.flatMap((s) => s.attempts)).length)
})

test('a simulated learner gets faster with practice, by the power law of its habits', () => {
  const habits = {
    factMs: 1000,
    carryMs: 500,
    keyMs: 0,
    readMs: 1000,
    practice: 0.3,
    slipRate: 0,
    weak: [],
    scatter: 0.1,
  }
  const technique = techniqueById('add-running-total')
  const task = { ...base, technique, level: 6, problem: readProblem('364+278'), support: 'guided' as const }
  const timeAfter = (practised: number) => {
    const random = seeded(3)
    const times = Array.from({ length: 40 }, () => simulateAttempt(habits, { ...task, practised }, random))
    // Three steps, each with what no practice shortens.
    return median(times.map((a) => a.totalMs))! - 3 * LEAST_MS
  }
  // 1 + 0/10 and 1 + 90/10 problems: tenfold practice divides the time by 10^0.3.
  expect(timeAfter(0) / timeAfter(90)).toBeCloseTo(10 ** 0.3, 2)
})
