import { expect, test } from 'vitest'
import { paceOf, perMinute } from '../learner/pace.js'
import { seeded } from '../number/random.js'
import { median } from '../number/statistics.js'
import { readProblem } from '../problem/expression.js'
import { techniqueById } from '../registry/techniques.js'
import { durationOf } from '../session/events.js'
import { judgeRecord } from '../session/verdict.js'
import { demoLearners } from '../simulate/demo.js'
import { LEAST_MS, simulateAttempt } from '../simulate/simulated.js'
import { trace, variantOf } from '../technique/driver.js'
import { effortOf } from '../technique/effort.js'

test('effort counts facts, carries and the most digits held', () => {
  const technique = techniqueById('subtract-hold-drop')
  const work = trace(technique, readProblem('8341-3675'), variantOf(technique))
  expect(effortOf(work)).toEqual({ facts: 4, carries: 3, held: 4, total: 11 })
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
  for (const { sessions } of learners) {
    for (const attempt of sessions.flatMap((s) => s.attempts)) {
      judgeRecord(attempt)
      expect(attempt.id).toMatch(/^[0-9a-f]{8}-[0-9a-f]{4}-4[0-9a-f]{3}-[89ab][0-9a-f]{3}-[0-9a-f]{12}$/)
      ids.add(attempt.id)
      expect(attempt.startedAt < '2026-03-01').toBe(true)
    }
  }
  expect(ids.size).toBe(learners.flatMap((l) => l.sessions.flatMap((s) => s.attempts)).length)
})

test('a simulated learner gets faster with practice, by the power law of its traits', () => {
  const traits = {
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
  const task = {
    id: '',
    sessionId: '',
    n: 1,
    startedAt: '2026-03-01T10:00:00.000Z',
    technique,
    level: 6,
    problem: readProblem('364+278'),
    support: 'guided' as const,
  }
  const timeAfter = (practised: number) => {
    const random = seeded(3)
    const times = Array.from({ length: 40 }, () => simulateAttempt(traits, { ...task, practised }, random))
    // Three steps, each with what no practice shortens.
    return median(times.map((a) => durationOf(a.events)))! - 3 * LEAST_MS
  }
  // 1 + 0/10 and 1 + 90/10 problems: tenfold practice divides the time by 10^0.3.
  expect(timeAfter(0) / timeAfter(90)).toBeCloseTo(10 ** 0.3, 2)
})
