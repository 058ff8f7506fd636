import { expect, test } from 'vitest'
import type { Ink } from '../charts/axis.js'
import { chart, type Run, rangeWords, reached } from './outcome.js'

/** A run that comes so far on each of some days, ten minutes a day. */
const run = (policy: Run['policy'], halfway: readonly number[], seed = 1): Run =>
  ({
    policy,
    seed,
    days: halfway.map((n, i) => ({
      day: i + 1,
      minutes: 10 * (i + 1),
      known: Math.max(0, n - 1),
      halfway: n,
    })),
  }) as unknown as Run

test('the first day on which so many have come so far; none where that is never', () => {
  const one = run('plan', [0, 1, 1, 3, 3])
  expect(reached(one, 'halfway', 1)?.day).toBe(2)
  expect(reached(one, 'halfway', 2)?.day).toBe(4)
  expect(reached(one, 'known', 2)?.day).toBe(4)
  expect(reached(one, 'halfway', 4)).toBeUndefined()
})

test('how long it takes: weeks and minutes from least to most, hours from an hour and a half on', () => {
  const after = (days: number) => run('plan', [...Array(days - 1).fill(0), 2])
  expect(rangeWords([after(7)], 'halfway', 2, 10)).toBe('after 1 week (70 minutes of practice)')
  expect(rangeWords([after(8)], 'halfway', 2, 10)).toBe('after 2 weeks (80 minutes of practice)')
  expect(rangeWords([after(1), after(8)], 'halfway', 2, 10)).toBe(
    'after 1 to 2 weeks (10 to 80 minutes of practice)',
  )
  // 90 minutes are an hour and a half, said as two hours.
  expect(rangeWords([after(9)], 'halfway', 2, 10)).toBe('after 2 weeks (2 hours of practice)')
  expect(rangeWords([after(1), after(14)], 'halfway', 2, 10)).toBe(
    'after 1 to 2 weeks (1 to 2 hours of practice)',
  )
  expect(rangeWords([after(7), run('plan', [0, 0])], 'halfway', 2, 10)).toBe(
    'after 1 week (70 minutes of practice); 1 of 2 not within 10 weeks',
  )
  expect(rangeWords([run('plan', [0, 0])], 'halfway', 2, 10)).toBe('not within 10 weeks')
})

test('the chart: the range of the runs by the plan, and the middle run of each way, week by week', () => {
  const ink = new Proxy({}, { get: (_, name) => String(name) }) as unknown as Ink
  const runs = [
    run(
      'plan',
      Array.from({ length: 14 }, (_, i) => Math.floor(i / 2)),
      1,
    ),
    run(
      'plan',
      Array.from({ length: 14 }, (_, i) => i),
      2,
    ),
    run(
      'plan',
      Array.from({ length: 14 }, () => 0),
      3,
    ),
    run(
      'random',
      Array.from({ length: 14 }, () => 1),
      4,
    ),
  ]
  const { traces, layout } = chart(ink, runs, 3, 9) as unknown as {
    traces: { y: number[]; name?: string; line: { dash?: string } }[]
    layout: { xaxis: { range: number[] }; yaxis: { range: number[] } }
  }
  // On days 0, 7, 14; after the last day it stays where it was.
  expect(traces[0]!.y).toEqual([0, 6, 13, 13])
  expect(traces[1]!.y).toEqual([0, 0, 0, 0])
  expect(traces[2]).toMatchObject({ name: 'by the plan', y: [0, 3, 6, 6], line: { dash: 'solid' } })
  expect(traces[3]).toMatchObject({ name: 'at random', y: [0, 1, 1, 1], line: { dash: 'dot' } })
  expect(layout.xaxis.range).toEqual([0, 3])
  expect(layout.yaxis.range).toEqual([0, 9.1])
  const alone = chart(ink, runs.slice(0, 1), 1, 9) as unknown as { traces: { name?: string }[] }
  expect(alone.traces.at(-1)!.name).toBe('the middle run')
})
