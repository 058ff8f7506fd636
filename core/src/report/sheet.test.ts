import { expect, test } from 'vitest'
import type { LevelMove } from '../curriculum/levels.js'
import { masteryOf } from '../curriculum/mastery.js'
import { DEFAULT_SETTINGS } from '../learner/settings.js'
import { marked } from '../number/marks.js'
import { sheetOf } from './sheet.js'

test('the sheet says what was done, where each technique stands and why levels moved', () => {
  const reason = { id: 'up', of: 20, right: 20, medianMs: 3000, targetMs: 4000 } as const
  const move = (to: number, at: string): LevelMove => {
    return { technique: 'add-pairs', from: to - 1, to, at, by: 'rule', reason }
  }
  const moves = [move(2, '2026-03-05T10:00:00.000Z'), move(5, '2025-01-01T10:00:00.000Z')]
  const answers = Array.from({ length: 16 }, (_, i) => ({
    right: i > 1,
    timed: true,
    totalMs: 3000 + 100 * (i % 11),
  }))
  const at = '2026-03-06T10:00:00.000Z'
  // A later guided try takes nothing from what was done alone; where all was guided, no target stands beside it.
  const guided = { level: 2, support: 'guided' as const, at: '2026-03-07T10:00:00.000Z' }
  const slow = [1, 2, 3].map(() => ({ right: true, timed: true, totalMs: 23_000 }))
  const latest = [
    { technique: 'add-pairs', level: 2, support: 'answer' as const, at, answers },
    { ...guided, technique: 'add-pairs', answers: slow },
    { ...guided, technique: 'subtract-hold-drop', answers: slow },
  ]
  const sheet = sheetOf({
    name: 'Wim',
    day: '2026-03-10',
    settings: { ...DEFAULT_SETTINGS, extraTime: 2, targets: { 'add-pairs': { 2: 4500 } } },
    moves,
    mastery: masteryOf({ latest, moves: [], targets: { 'add-pairs': { 2: 4500 } } }),
    days: [
      { day: '2026-03-06', ms: 150_000, attempts: 8 },
      { day: '2026-03-01', ms: 90_000, attempts: 8 },
      { day: '2025-12-01', ms: 900_000, attempts: 99 },
    ],
    facts: [{ latestRight: true }, { latestRight: false }],
    slips: [
      { slip: 'carry-lost', count: 2, week: '2026-03-02' },
      { slip: 'carry-lost', count: 1, week: '2026-02-23' },
      { slip: 'fact', count: 9, week: '2025-12-01' },
    ],
  })
  expect(sheet.title).toBe('Progress of Wim, 2026-03-10')
  expect(sheet.lines).toEqual([
    'The last 28 days: practice on 2 of them, 4 minutes together, 16 problems.',
    'Facts met: 2; right the last time: 1.',
    'With twice the usual time.',
  ])
  expect(sheet.tables.map((t) => t.rows)).toEqual([
    [
      ['Tens first', 'in practice', '2', 'answer only', '14 of 16', marked('3.4 s'), marked('4.5 s')],
      ['Hold and borrow', 'in practice', '2', 'guided', '3 of 3', marked('23.0 s'), '-'],
    ],
    [
      [
        '2026-03-05',
        'Tens first',
        '1 to 2',
        marked('Of the last 20 answers 20 were right, the median 3.0 s: both within the target of 4.0 s.'),
      ],
    ],
    [['forgot to carry', '3']],
  ])
})

test('mistakes of the weeks the sheet looks back on, the first of them whole though it began earlier', () => {
  const told = (weeks: readonly string[]) =>
    sheetOf({
      name: 'Wim',
      day: '2026-03-10',
      settings: DEFAULT_SETTINGS,
      moves: [],
      mastery: [],
      days: [],
      facts: [],
      slips: weeks.map((week, i) => ({ slip: 'carry-lost', count: 10 ** i, week })),
    }).tables.map((t) => t.rows)
  // Twenty-eight days back from 10 March is 11 February; a week that holds it may begin on the 5th, not earlier.
  expect(told(['2026-02-02', '2026-02-04', '2026-02-05', '2026-03-02'])).toEqual([
    [['forgot to carry', '1100']],
  ])
  expect(told(['2026-02-04'])).toEqual([])
})
