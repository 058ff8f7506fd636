import type { AttemptEvent } from '@tachymetra/core/session'
import { paperRecipe, paperScore, USUAL_PAPER } from '@tachymetra/core/set'
import fc from 'fast-check'
import { expect, test } from 'vitest'
import type { Ink } from '../charts/axis.js'
import type { LocalSession } from '../kept/store.js'
import { marksOf, paperChart, type Scored } from './chart.js'
import { type KeptAnswer, keptOf, lastAnswers } from './results.js'

const answer = (n: number, outcome: KeptAnswer['outcome'], right = false) =>
  ({ n, outcome, right }) as unknown as KeptAnswer

test('what counts at an item is the last answer given, else that it was skipped', () => {
  const some = fc.record({
    n: fc.integer({ min: 1, max: 4 }),
    outcome: fc.constantFrom('done' as const, 'skipped' as const),
    right: fc.boolean(),
  })
  fc.assert(
    fc.property(fc.array(some, { maxLength: 12 }), (given) => {
      const answers = given.map((g) => answer(g.n, g.outcome, g.right))
      const last = lastAnswers(answers)
      for (const n of new Set(given.map((g) => g.n))) {
        const its = answers.filter((a) => a.n === n)
        const done = its.filter((a) => a.outcome === 'done')
        expect(last.get(n)).toBe(done.at(-1) ?? its[0])
      }
      expect(last.size).toBe(new Set(given.map((g) => g.n)).size)
    }),
  )
})

test('of a paper in this browser each answer is told with how long its page was gone', () => {
  const events: AttemptEvent[] = [
    { kind: 'shown', at: 0, text: 'answer' },
    { kind: 'left', at: 1000 },
    { kind: 'back', at: 4000 },
    { kind: 'left', at: 5000 },
    { kind: 'back', at: 5500 },
    { kind: 'entered', at: 6000, text: '7' },
    // Left and not come back to: nothing to add.
    { kind: 'left', at: 7000 },
  ]
  const record = { id: 'a', n: 3, technique: 'paper-mean', level: 2, events }
  const verdict = { outcome: 'done', right: true, totalMs: 2500, timed: true, entries: [] }
  const session = {
    id: 's',
    learnerId: 'l',
    startedAt: '2026-03-01T10:00:00Z',
    recipe: {},
    attempts: [{ record, verdict }],
  }
  const kept = keptOf(session as unknown as LocalSession)
  expect(kept).toMatchObject({ id: 's', learnerId: 'l', startedAt: '2026-03-01T10:00:00Z' })
  expect(kept.answers[0]).toMatchObject({
    id: 'a',
    n: 3,
    technique: 'paper-mean',
    level: 2,
    outcome: 'done',
    right: true,
    ms: 2500,
    timed: true,
    awayMs: 3500,
  })
})

test('papers over time: points as a line, mistakes and skipped items as bars; only as many days named as have room', () => {
  const recipe = paperRecipe({ ...USUAL_PAPER, count: 5 }, 1)
  const outcomes = (marks: string) =>
    [...marks].flatMap((m, i) =>
      m === '.' ? [] : [{ n: i + 1, outcome: 'done' as const, right: m === 'r' }],
    )
  const papers = ['r.wwr', 'rr...', 'wwwww', 'r....', '.....', 'rrrrr'].map((marks, i) => ({
    id: String(i),
    startedAt: `2026-03-0${i + 1}T23:00:00Z`,
    recipe,
    answers: [],
    score: paperScore(recipe, outcomes(marks) as unknown as Parameters<typeof paperScore>[1]),
  })) as unknown as Scored[]
  expect(papers.map((p) => marksOf(p, 'wrong'))).toEqual([2, 0, 5, 0, 0, 0])
  expect(papers.map((p) => marksOf(p, 'skipped'))).toEqual([1, 0, 0, 0, 0, 0])
  const ink = new Proxy({}, { get: (_, name) => String(name) }) as unknown as Ink
  const { traces, layout } = paperChart(ink, papers, 'Pacific/Auckland') as unknown as {
    traces: { x: number[]; y: number[] }[]
    layout: { xaxis: { tickvals: number[]; ticktext: string[]; range: number[] } }
  }
  // Two right, two wrong and one skipped: 5 + 5 - 4 - 4 - 4.
  expect(traces.map((t) => t.y)).toEqual([
    [-2, 10, -20, 5, 0, 25],
    [2, 0, 5, 0, 0, 0],
    [1, 0, 0, 0, 0, 0],
  ])
  expect(traces[0]!.x).toEqual([1, 2, 3, 4, 5, 6])
  // The newest is always named, in the learner's own day.
  expect(layout.xaxis.tickvals).toEqual([2, 4, 6])
  expect(layout.xaxis.ticktext).toEqual(['3 Mar', '5 Mar', '7 Mar'])
  expect(layout.xaxis.range).toEqual([0.4, 6.6])
})
