import { expect, test } from 'vitest'
import { seeded } from '../number/random.js'
import { median } from '../number/statistics.js'
import { readProblem } from '../problem/expression.js'
import { techniqueById } from '../registry/techniques.js'
import { durationOf } from '../session/events.js'
import { judgeRecord } from '../session/verdict.js'
import { isItem, itemsOf } from '../set/items.js'
import { LEAST_MS, simulateAttempt } from './attempt.js'
import { demoLearners } from './demo.js'
import { SimulatedLearner } from './learner.js'

test('the demo is the same for the same day, and hangs together', () => {
  const learners = demoLearners('2026-03-01')
  expect(demoLearners('2026-03-01')).toEqual(learners)
  const ids = new Set<string>()
  let count = 0
  for (const session of learners.flatMap((l) => l.sessions)) {
    const items = itemsOf(session)
    for (const attempt of session.attempts) {
      judgeRecord(attempt)
      expect(isItem(items, attempt.n, attempt)).toBe(true)
      expect(attempt.startedAt < '2026-03-01').toBe(true)
    }
    for (const { n, fact } of session.recalls) expect(items[n - 1]).toMatchObject({ card: { id: fact } })
    for (const { id } of [...session.attempts, ...session.recalls]) {
      expect(id).toMatch(/^[0-9a-f]{8}-[0-9a-f]{4}-4[0-9a-f]{3}-[89ab][0-9a-f]{3}-[0-9a-f]{12}$/)
      ids.add(id)
      count += 1
    }
  }
  expect(ids.size).toBe(count)
})

test('a simulated learner gets faster with practice, by the power law of its traits, and forgets', () => {
  const traits = {
    factMs: 1000,
    carryMs: 0,
    keyMs: 0,
    readMs: 0,
    practice: 0.3,
    slipRate: 0,
    weak: [],
    scatter: 0,
  }
  const technique = techniqueById('add-running-total')
  const task = {
    id: '',
    sessionId: '',
    n: 1,
    technique,
    level: 6,
    problem: readProblem('364+278'),
    support: 'guided' as const,
  }
  const timeOn = (uses: number, day: string) => {
    const times = Array.from({ length: 40 }, (_, seed) => {
      const learner = new SimulatedLearner(traits, seeded(seed), 20)
      for (let i = 0; i < uses; i += 1)
        simulateAttempt(learner, { ...task, startedAt: '2026-03-01T10:00:00.000Z' })
      const { events } = simulateAttempt(learner, { ...task, startedAt: `${day}T10:00:00.000Z` })
      // Three steps, each with what no practice shortens.
      return durationOf(events) - 3 * LEAST_MS
    })
    return median(times)!
  }
  const fresh = timeOn(0, '2026-03-01')
  // 1 + 0/4 and 1 + 36/4 uses: tenfold practice divides the time by 10^0.3.
  expect(fresh / timeOn(36, '2026-03-01')).toBeCloseTo(10 ** 0.3, 1)
  // Twenty days later half of the uses have faded: 1 + 18/4.
  expect(fresh / timeOn(36, '2026-03-21')).toBeCloseTo(5.5 ** 0.3, 1)
})

test('weak digits take longer and go wrong more often', () => {
  const tries = (weak: number[]) => {
    const traits = {
      factMs: 800,
      carryMs: 0,
      keyMs: 0,
      readMs: 0,
      practice: 0,
      slipRate: 0.1,
      weak,
      scatter: 0.2,
    }
    const learner = new SimulatedLearner(traits, seeded(5))
    const recalls = Array.from({ length: 2000 }, () => learner.recall('7x8', '2026-03-01'))
    return { ms: median(recalls.map((r) => r.thinkMs))!, wrong: recalls.filter((r) => !r.right).length }
  }
  const [usual, weak] = [tries([]), tries([7])]
  expect(weak.ms / usual.ms).toBeCloseTo(2, 1)
  expect(weak.wrong / usual.wrong).toBeGreaterThan(1.5)
})
