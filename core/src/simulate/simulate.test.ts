import { expect, test } from 'vitest'
import { settingsForAge } from '../learner/settings.js'
import { seeded } from '../number/random.js'
import { median } from '../number/statistics.js'
import { readProblem } from '../problem/expression.js'
import { techniqueById } from '../registry/techniques.js'
import { durationOf } from '../session/events.js'
import { judgeRecord } from '../session/verdict.js'
import { isItem, itemsOf } from '../set/items.js'
import type { Step } from '../technique/contract.js'
import { trace, variantOf } from '../technique/driver.js'
import { LEAST_MS, simulateAttempt } from './attempt.js'
import { demoLearners } from './demo.js'
import { KINDS, type Kind } from './kinds.js'
import { BEGINNER, SimulatedLearner } from './learner.js'
import { simulate } from './weeks.js'

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
  // At every stage: how many days ago each was first and last here, and what the farthest and the one who is stuck work at.
  const ago = (at: string) => Math.ceil((Date.parse('2026-03-01') - Date.parse(at)) / 86_400_000)
  const of = (name: string) => learners.find((l) => l.name === name)!
  const days = (name: string) => [...new Set(of(name).sessions.map((s) => ago(s.startedAt)))]
  expect(days('Junia Bale')).toEqual([1])
  expect(Math.max(...days('Pell Okonjo'))).toBe(18)
  expect(of('Pell Okonjo').settings).toEqual(settingsForAge(10))
  expect(Math.min(...days('Corin Hask'))).toBeGreaterThan(12)
  const worked = (name: string, technique: string) =>
    of(name).sessions.flatMap((s) => s.attempts.filter((a) => a.technique === technique))
  expect(worked('Ilse Marrow', 'multiply-crosswise').some((a) => /^\d{4}\*\d{4}$/.test(a.expression))).toBe(
    true,
  )
  const stuck = worked('Rafe Lindqvist', 'subtract-hold-drop')
  // For six weeks never beyond.
  expect(stuck.length).toBeGreaterThan(100)
  expect(stuck.filter((a) => a.level < 3 || a.level > 4)).toEqual([])
  expect(stuck.filter((a) => !judgeRecord(a).clean).length).toBeGreaterThan(stuck.length / 12)
  // A paper a week, in order and in its time: some items right, some wrong, some let go, the last one cut off.
  const papers = of('Sunniva Dray').sessions.filter((s) => s.recipe.paper)
  expect(papers.map((s) => ago(s.startedAt))).toEqual([37, 30, 23, 16, 9, 2])
  const marks = papers.map(({ recipe, attempts }) => {
    expect(attempts.map((a) => a.n)).toEqual(attempts.map((_, i) => i + 1))
    const spent = attempts.reduce((sum, a) => sum + durationOf(a.events), 0)
    expect(recipe.clock).toEqual({ kind: 'whole', ms: spent })
    const judged = attempts.map((a) => judgeRecord(a))
    expect(judged.at(-1)!.outcome).toBe('timed-out')
    expect(judged.filter((j) => j.outcome === 'done').length).toBeGreaterThanOrEqual(6)
    return {
      wrong: judged.filter((j) => j.outcome === 'done' && !j.right).length,
      skipped: judged.filter((j) => j.outcome === 'skipped').length,
    }
  })
  // A good week may have none.
  for (const kind of ['wrong', 'skipped'] as const)
    expect(marks.filter((m) => m[kind] > 0).length, kind).toBeGreaterThanOrEqual(papers.length - 1)
})

test('a new technique costs more time and mistakes, worn off by practice and back after weeks; a fact has a floor', () => {
  const technique = techniqueById('add-running-total')
  const [step] = trace(technique, readProblem('364+278'), variantOf(technique)).steps as [Step, ...Step[]]
  const traits = {
    ...BEGINNER,
    ...{ readMs: 0, keyMs: 0, practice: 0, slipRate: 0, scatter: 0 },
    fresh: { share: 1, slipRate: 0.5 },
  }
  const tries = (problems: number, day: string) => {
    const all = Array.from({ length: 400 }, (_, seed) => {
      const learner = new SimulatedLearner(traits, seeded(seed))
      learner.practised(technique.id, '2026-03-01', problems)
      return learner.tryStep(technique, step, 'guided', day)
    })
    return { ms: median(all.map((t) => t.ms))!, wrong: all.filter((t) => t.slip).length / all.length }
  }
  const known = tries(1000, '2026-03-01')
  expect(tries(0, '2026-03-01').ms / known.ms).toBeCloseTo(2, 2)
  expect(tries(12, '2026-03-01').ms / known.ms).toBeCloseTo(1.5, 2)
  // Of two dozen problems one dozen is left after 45 days.
  expect(tries(24, '2026-04-15').ms / known.ms).toBeCloseTo(1.5, 2)
  expect(known.wrong).toBe(0)
  expect(tries(0, '2026-03-01').wrong).toBeCloseTo(0.5, 1)

  const learner = new SimulatedLearner({ ...traits, practice: 0.5, floor: 0.4 }, seeded(1))
  const times = Array.from({ length: 100 }, () => learner.recall('7x8', '2026-03-01').thinkMs)
  expect(times[0]).toBe(traits.factMs)
  expect(times.at(-1)).toBe(0.4 * traits.factMs)
})

test('simulated weeks: never fewer at a first level than half-way up, moods between days', () => {
  const [, , adult] = KINDS as readonly [Kind, Kind, Kind]
  const input = {
    ...adult,
    fadeDays: 20,
    minutes: 10,
    days: 30,
    attendance: 1,
    policy: 'plan' as const,
    seed: 1,
  }
  const goal = ['add-running-total', 'add-pairs']
  const days = [...simulate({ ...input, goal })]
  for (const [i, d] of days.entries()) {
    expect(d.day).toBe(i + 1)
    expect(d.halfway).toBeLessThanOrEqual(d.moves)
    expect(d.minutes).toBeGreaterThan(days[i - 1]?.minutes ?? 0)
  }
  expect(days.at(-1)!.known).toBeGreaterThan(0)
  const moody = new SimulatedLearner({ ...BEGINNER, practice: 0, scatter: 0, moods: 0.2 }, seeded(1))
  const on = (day: string) => moody.recall('7x8', day).thinkMs
  expect(on('2026-03-01')).toBe(on('2026-03-01'))
  expect(on('2026-03-02')).not.toBe(on('2026-03-01'))
})

test('a simulated learner gets faster with practice, by the power law of its traits, and forgets', () => {
  const traits = {
    ...BEGINNER,
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
      ...BEGINNER,
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
