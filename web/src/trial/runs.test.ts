import { TRIALS, type TrialStanding } from '@tachymetra/core/set'
import { expect, test } from 'vitest'
import type { Ink } from '../charts/axis.js'
import { type Run, runTable, shortScore, standingLines, trialChart, trialSheet } from './runs.js'

const points = TRIALS.find((t) => t.unit === 'points')!
const minute = TRIALS.find((t) => t.unit !== 'points')!
const run = (i: number, score: number, whole = true): Run =>
  ({
    id: String(i),
    startedAt: `2026-03-0${i}T23:00:00Z`,
    recipe: {},
    result: { score, right: 4, of: 5, ms: 60_000, whole },
  }) as unknown as Run
const ink = new Proxy({}, { get: (_, name) => String(name) }) as unknown as Ink

test('a score is a whole number of points, or has one decimal', () => {
  expect(shortScore(35, points.unit)).toBe('35')
  expect(shortScore(7.25, minute.unit)).toBe('7.\u20603')
})

test('how the runs stand: best and usual, and where half of them lie once there are enough', () => {
  const standing: TrialStanding = { runs: 1, best: 40, median: 30, spread: undefined }
  expect(standingLines(points, standing)).toEqual(['1 run: best 40 points, usually 30 points.'])
  expect(standingLines(points, { ...standing, runs: 9, spread: [20, 35] })[1]).toBe(
    'Half of them lie between 20 and 35 points.',
  )
})

test('the chart: a dot for each run in its order, the median across, the band only where there is one', () => {
  const runs = [1, 2, 3, 4, 5, 6, 7].map((i) => run(i, 10 * i))
  const none = trialChart(
    ink,
    points,
    runs,
    { runs: 7, best: 70, median: 40, spread: undefined },
    'Pacific/Auckland',
  )
  expect(none.traces).toHaveLength(2)
  const { traces, layout } = trialChart(
    ink,
    points,
    runs,
    { runs: 7, best: 70, median: 40, spread: [20, 60] },
    'Pacific/Auckland',
  ) as unknown as {
    traces: { x: number[]; y: number[] }[]
    layout: { xaxis: { tickvals: number[]; ticktext: string[] } }
  }
  expect(traces.map((t) => t.y)).toEqual([
    [20, 20],
    [60, 60],
    [40, 40],
    [10, 20, 30, 40, 50, 60, 70],
  ])
  expect(traces[0]!.x).toEqual([0.4, 7.6])
  // Every other one of seven, the newest among them, by the learner's own day.
  expect(layout.xaxis.tickvals).toEqual([1, 3, 5, 7])
  expect(layout.xaxis.ticktext).toEqual(['2 Mar', '4 Mar', '6 Mar', '8 Mar'])
})

test('the table has the newest run first, and says of one that was left that it was; the sheet has all of it', () => {
  const runs = [run(1, 10), run(2, 20, false)]
  const table = runTable(points, runs, 'UTC')
  expect(table.columns).toEqual(['When', 'Points', 'Result'])
  expect(runTable(minute, runs, 'UTC').columns[1]).toBe('Right a minute')
  expect(table.rows.map((r) => r.slice(0, 2))).toEqual([
    ['2 Mar, 23:00', 'not all worked'],
    ['1 Mar, 23:00', '10'],
  ])
  const standing: TrialStanding = { runs: 1, best: 10, median: 10, spread: undefined }
  const sheet = trialSheet('Mo', points, runs, standing, 'UTC', '2026-03-02')
  expect(sheet).toMatchObject({ title: `Mo: ${points.name}, 2026-03-02`, day: '2026-03-02', tables: [table] })
  expect(sheet.lines[0]).toBe(points.about)
})
