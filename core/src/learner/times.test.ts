import { expect, test } from 'vitest'
import { factById } from '../facts/decks.js'
import { unmarked } from '../number/marks.js'
import { normal, seeded } from '../number/random.js'
import { middleOf } from '../number/statistics.js'
import { readProblem } from '../problem/expression.js'
import { draw } from '../problem/space.js'
import { levelOf, TECHNIQUES, techniqueById } from '../registry/techniques.js'
import { compareWays, quickestFor } from '../report/compare.js'
import { JUDGE } from '../session/progress.js'
import { judgeRecord } from '../session/verdict.js'
import { demoLearners } from '../simulate/demo.js'
import { trace, variantOf } from '../technique/driver.js'
import { shareRight } from './pace.js'
import { suggestTarget } from './targets.js'
import {
  predictMs,
  slowFacts,
  type Timed,
  type TimedAnswer,
  timedAnswer,
  timedRecall,
  timedSteps,
  timesOf,
  type Workload,
  workloadOf,
} from './times.js'

/** Steps of a learner whose true times are known: facts by `factMs`, 700 ms a carry, 800 ms a step, 150 ms a key. */
function steps(factMs: (fact: string) => number, count: number, noise: number, seed: number): Timed[] {
  const random = seeded(seed)
  const digit = () => 2 + Math.floor(8 * random.unit())
  return Array.from({ length: count }, () => {
    const facts = Array.from({ length: 1 + Math.floor(2 * random.unit()) }, () => {
      const [a, b] = [digit(), digit()].sort()
      return `${a}x${b}`
    })
    const carries = Math.floor(2 * random.unit())
    const think = facts.reduce((sum, f) => sum + factMs(f), 0) + 700 * carries + 800
    // Now and then somebody comes in at the door.
    const interrupted = random.unit() < 0.03 ? 15_000 : 0
    const ms = Math.round(think * Math.exp(noise * normal(random)) + 300 + interrupted)
    return { facts, carries, kind: 'cross-sum', keys: 2, ms, right: true }
  })
}

test('slow facts are found inside longer work, whatever the interruptions', () => {
  const slow = (fact: string) => fact.includes('7')
  const found = timesOf(
    steps((f) => (slow(f) ? 1800 : 600), 3000, 0.25, 1),
    [],
    150,
  )
  const [own, others] = [true, false].map((is) =>
    middleOf(Object.entries(found.facts).flatMap(([f, e]) => (slow(f) === is ? [e.ms] : []))),
  )
  expect(own! / others!).toBeGreaterThan(1.5)
  const named = slowFacts(found).map((f) => f.fact)
  expect(named.length).toBeGreaterThan(3)
  expect(named.filter((f) => !slow(f))).toEqual([])
})

test('what a working takes is foreseen within a tenth, and more steps draw it closer', () => {
  const truth = (f: string) => (f.includes('7') ? 1500 : 700)
  const problem = trace(techniqueById('multiply-crosswise'), readProblem('63*58'), { order: 'right-carry' })
  const { facts, carries, kinds, keys } = workloadOf(problem)
  const actual = facts.filter((f) => f.includes('x')).length
  expect(actual).toBeGreaterThan(2)
  const errors = [40, 400, 4000].map((count) =>
    middleOf(
      Array.from({ length: 9 }, (_, seed) => {
        const times = timesOf(steps(truth, count, 0.3, seed), [], 150)
        // Only what the steps were made of is compared: products, carries, kinds and keys.
        const work = { ...problem, steps: problem.steps.filter((s) => s.action === 'cross-sum') }
        const load = workloadOf(work)
        const wanted =
          load.facts.reduce((sum, f) => sum + (f.includes('x') ? truth(f) : times.factMs), 0) +
          700 * load.carries +
          800 * load.kinds.length +
          150 * load.keys
        return Math.abs(Math.log(predictMs(times, '', work) / wanted))
      }),
    ),
  )
  expect(errors[2]).toBeLessThan(0.1)
  expect(errors[2]).toBeLessThan(errors[0]!)
  expect([carries, kinds.length, keys].every((n) => n > 0)).toBe(true)
})

test('a handful of sightings is drawn towards its like', () => {
  const many = steps(() => 600, 1000, 0.2, 3)
  const once: Timed = { facts: ['9x9'], carries: 0, kind: 'cross-sum', keys: 2, ms: 20_000, right: true }
  const without = many.filter((s) => !s.facts.includes('9x9'))
  const [alone, often] = [1, 30].map((n) => timesOf([...without, ...Array<Timed>(n).fill(once)], [], 150))
  expect(alone!.facts['9x9']!.ms).toBeLessThan(0.75 * often!.facts['9x9']!.ms)
})

test('every step of every technique feeds the facts it rests on; recalls and whole answers count too', () => {
  for (const technique of TECHNIQUES) {
    const variant = variantOf(technique)
    const problem = readProblem(technique.lesson.example)
    const work = trace(technique, problem, variant)
    const record = {
      id: '',
      sessionId: '',
      n: 1,
      technique: technique.id,
      variant,
      level: 1,
      support: 'guided' as const,
      expression: technique.lesson.example,
      startedAt: '2026-03-01T10:00:00.000Z',
      judge: JUDGE,
    }
    const events = work.steps.map((step, i) => ({
      kind: 'entered' as const,
      at: 1000 * (i + 1),
      text: step.kind.print(step.expect),
    }))
    const timed = timedSteps({ ...record, events })
    expect(timed.map((t) => t.facts.length)).toEqual(work.steps.map((s) => s.facts.length))
    const answered = { right: true, timed: true, totalMs: 2, events: [] }
    const answer = { ...record, support: 'answer' as const, ...answered }
    expect(timedAnswer(answer)?.work).toEqual(workloadOf(work))
    expect(timedAnswer({ ...answer, right: false })).toBeUndefined()
  }
  const recall = {
    fact: '7x8',
    right: true,
    ms: 900,
    thinkMs: 700,
    withinMs: 1200,
    at: '2026-03-01T10:00:00.000Z',
  }
  expect(timedRecall(recall)).toMatchObject({ facts: ['7x8'], kind: 'recall', keys: 2 })
  expect(timedRecall({ ...recall, ms: 61_000 })).toBeUndefined()
})

test('the quickest way is the learner’s own, of those that were worked; close ones are not told apart, others offered', () => {
  const compared = compareWays(readProblem('79*6'))
  const ways = compared.ways.map((w) => w.technique.id)
  /** With so many answers of some ways, each in just the time of its steps. */
  const of = (factMs: (f: string) => number, worked = ways) => {
    const begun = timesOf(steps(factMs, 2000, 0.2, 5), [], 150)
    const answers = compared.ways
      .filter((w) => worked.includes(w.technique.id))
      .map(({ technique, work }) => ({
        ...{ technique: technique.id, work: workloadOf(work) },
        ms: predictMs(begun, technique.id, work),
      }))
    return timesOf(steps(factMs, 2000, 0.2, 5), answers, 150)
  }
  const even = quickestFor(
    compared,
    of(() => 700),
  )!
  expect(even.each).toHaveLength(ways.length)
  expect(Math.min(...even.each.map((e) => e.ms))).toBe(even.ms)
  const slow = of((f) => (f.includes('7') ? 9000 : 500))
  const heavy = quickestFor(compared, slow)!
  expect(heavy.way.technique.id).not.toBe('multiply-addition')
  expect(heavy.close).toBe(false)
  expect(heavy.advice).toMatch(/^Quickest for you/)

  // Whoever has only worked the slow way is told of that, and that another is worth learning.
  const only = quickestFor(
    compared,
    of((f) => (f.includes('7') ? 9000 : 500), ['multiply-addition']),
  )!
  expect(only.way.technique.id).toBe('multiply-addition')
  expect(only.each.filter((e) => e.worked)).toHaveLength(1)
  expect(only.advice).toContain(`Worth learning: ${heavy.way.technique.name} would take about`)
  expect(even.advice).not.toContain('Worth learning')
  expect(
    quickestFor(
      compared,
      of(() => 700, []),
    ),
  ).toBeUndefined()
  expect(quickestFor(compared, timesOf([]))).toBeUndefined()

  // Two ways whose times are within a tenth of each other.
  const [first] = compared.ways
  const twice = { ...compared, ways: [first!, { ...compared.ways[1]!, work: first!.work }] }
  const close = quickestFor(
    twice,
    of(() => 700),
  )!
  expect(close.close).toBe(true)
  expect(unmarked(close.advice!)).toMatch(/^Too close to call for you, .* about [\d.]+ s, .* [\d.]+ s\.$/)
  // An estimate is no rival of what comes to the answer itself.
  const roots = compareWays(readProblem('sqrt(1296)'))
  expect(roots.ways.at(-1)!.technique.id).toBe('root-estimate')
  expect(roots.advice).not.toContain('Root by estimate needs')
})

test('the times of a demo clerk foresee their answers, and targets follow from them', () => {
  const { sessions } = demoLearners('2026-03-01')[5]!
  const attempts = sessions.flatMap((s) => s.attempts)
  const judged = attempts.map((a) => ({ ...a, ...judgeRecord(a) }))
  const late = judged.slice(-300)
  const times = timesOf(
    late.flatMap(timedSteps),
    late.slice(0, -40).flatMap((a) => timedAnswer(a) ?? []),
    130,
  )
  const misses = late.slice(-40).flatMap((a) => {
    const answer = timedAnswer(a)
    if (!answer) return []
    const technique = techniqueById(a.technique)
    const work = trace(technique, readProblem(a.expression), a.variant)
    return [Math.abs(Math.log(predictMs(times, a.technique, work) / a.totalMs))]
  })
  expect(misses.length).toBeGreaterThan(5)
  // A factor of 1.5 either way at the median: single times scatter by 1.3 of themselves.
  expect(middleOf(misses)).toBeLessThan(Math.log(1.5))
  const technique = techniqueById('add-running-total')
  const target = suggestTarget(times, technique, 2, {})!
  expect(target.ms / target.likelyMs).toBeCloseTo(0.9, 1)
  expect(target.ms % 100).toBe(0)
  expect(suggestTarget(timesOf([]), technique, 2, {})).toBeUndefined()
})

// Wilson's interval worked by hand for 19 of 20 at z = 1.96 (common practice, no published table): 0.764 to 0.991.
test('the share right has an interval that stays between 0 and 1', () => {
  const { low, high } = shareRight(19, 20)
  expect([low.toFixed(3), high.toFixed(3)]).toEqual(['0.764', '0.991'])
  expect(shareRight(0, 5).low).toBeCloseTo(0, 12)
  expect(shareRight(5, 5).high).toBe(1)
})

test('a fact that is slow in whole answers is found, though no step was ever asked', () => {
  const technique = techniqueById('multiply-crosswise')
  const problems = draw(levelOf(technique, 4).problems(), seeded(3))
  const random = seeded(4)
  const works = Array.from({ length: 120 }, () =>
    workloadOf(trace(technique, problems.next().value!, variantOf(technique))),
  )
  const counts = new Map<string, number>()
  for (const fact of works.flatMap((w) => w.facts)) counts.set(fact, (counts.get(fact) ?? 0) + 1)
  const [slow] = [...counts].filter(([fact]) => factById(fact)).toSorted((a, b) => b[1] - a[1])[0]!
  const answer = (work: Workload): TimedAnswer => {
    const facts = work.facts.reduce((sum, f) => sum + (f === slow ? 3000 : 800), 0)
    const ms = facts + 400 * work.carries + 600 * work.kinds.length + 150 * work.keys
    return { technique: technique.id, work, ms: Math.round(ms * Math.exp(0.15 * normal(random))) }
  }
  const times = timesOf([], works.map(answer), 150)
  expect(slowFacts(times).map((f) => f.fact)).toEqual([slow])
  // Whole answers that take long as a whole make no fact slow.
  const asked = steps(() => 800, 2000, 0.2, 5)
  const long = works.map((work) => ({ ...answer(work), ms: 3 * answer(work).ms }))
  const share = timesOf(asked, long, 150).factMs / timesOf(asked, [], 150).factMs
  expect(Math.abs(share - 1)).toBeLessThan(0.12)
  // Nothing is known of steps by themselves, so that no way is called the quickest.
  expect(times.seen).toBe(0)
})
