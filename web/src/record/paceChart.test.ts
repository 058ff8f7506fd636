import { DEFAULT_SETTINGS } from '@tachymetra/core/learner'
import type { Forecast } from '@tachymetra/core/plan'
import { techniqueById } from '@tachymetra/core/registry'
import type { PacePoint } from '@tachymetra/core/wire'
import { expect, test } from 'vitest'
import type { Ink } from '../charts/axis.js'
import { paceChart } from './paceChart.js'

const ink = new Proxy({}, { get: (_, name) => String(name) }) as unknown as Ink
const TECHNIQUE = 'multiply-crosswise'
const point = (support: PacePoint['support'], level: number, more: Partial<PacePoint> = {}) =>
  ({
    at: `2026-03-0${level}T10:00:00Z`,
    technique: TECHNIQUE,
    level,
    support,
    attempts: 10,
    right: 8,
    medianMs: 5000,
    perMinute: 9,
    ...more,
  }) as PacePoint
const days = [
  { day: '2026-03-01', ms: 5000 },
  { day: '2026-03-02', ms: 4000 },
]
// Three days of a band: the last is still to come.
const found = {
  curve: { a: 1, b: 0, c: 0 },
  band: [1, 2, 3].map((n) => ({ low: 1000 * n, high: 2000 * n })),
} as unknown as Forecast
type Trace = {
  name?: string
  x?: string[]
  y: (number | null)[]
  yaxis?: string
  hovertext?: string[]
  error_y?: { array: number[]; arrayminus: number[] }
}
const drawn = (measure: 'time' | 'minute', points: readonly PacePoint[], forecast?: Forecast) =>
  paceChart(ink, measure, {
    technique: TECHNIQUE,
    points,
    settings: DEFAULT_SETTINGS,
    days,
    found: forecast,
  }) as unknown as {
    traces: Trace[]
    layout: { yaxis: { title: { text: string } }; yaxis2: { range: number[] } }
  }

test('each support that was used has its line of seconds, and below it the share right with how sure that is', () => {
  const { traces, layout } = drawn('time', [
    point('guided', 1),
    point('answer', 2, { medianMs: null }),
    point('answer', 3),
  ])
  const [guided, guidedShare, alone, aloneShare, target, ...more] = traces
  expect(more).toEqual([])
  expect([guided!.y, alone!.y]).toEqual([[5], [null, 5]])
  expect(guided!.hovertext).toEqual(['level 1, 8 of 10 right'])
  expect(guidedShare!.y).toEqual([80])
  expect([guidedShare!.yaxis, aloneShare!.yaxis]).toEqual(['y2', 'y2'])
  // Wilson's interval for 8 of 10 is 49.0 % to 94.3 % (worked by hand from the formula of 1927).
  expect(guidedShare!.error_y!.array[0]).toBeCloseTo(14.3, 1)
  expect(guidedShare!.error_y!.arrayminus[0]).toBeCloseTo(31, 1)
  expect(target!.y).toEqual([1, 2, 3].map((n) => techniqueById(TECHNIQUE).levels[n - 1]!.targetMs / 1000))
  expect(layout.yaxis.title.text).toBe('seconds')
  expect(layout.yaxis2.range).toEqual([0, 105])
})

test('right answers a minute have no target and no curve', () => {
  const { traces, layout } = drawn('minute', [point('answer', 1)], found)
  expect(traces.map((t) => t.y)).toEqual([[9], [80]])
  expect(layout.yaxis.title.text).toBe('right a minute')
})

test('the practice curve lies in its band, over the days that have been', () => {
  const { traces } = drawn('time', [point('answer', 1)], found)
  expect(traces.slice(0, 2).map((t) => t.y)).toEqual([
    [2, 4],
    [1, 2],
  ])
  expect(traces[1]!.name).toBe('Practice curve')
  expect(traces[2]!.y).toHaveLength(2)
  expect(traces[0]!.x).toEqual(['2026-03-01T12:00:00Z', '2026-03-02T12:00:00Z'])
})
