import { expect, test } from 'vitest'
import { aimOf, DEFAULT_SETTINGS, KEYING_DAYS, keyingDue } from '../learner/settings.js'
import { minutesOf } from '../plan/today.js'
import { techniqueById } from '../registry/techniques.js'
import { sheetOf } from '../report/sheet.js'
import type { LevelMove } from './levels.js'
import { type Result, readiness } from './readiness.js'
import { standsOf } from './stands.js'

const result = (day: number, more: Partial<Result> = {}): Result => ({
  technique: 'add-pairs',
  level: 2,
  support: 'answer',
  attempts: 8,
  right: 7,
  medianMs: 4000,
  at: `2026-03-${String(day).padStart(2, '0')}T10:00:00.000Z`,
  ...more,
})

const move = (to: number, more: Partial<LevelMove> = {}): LevelMove => ({
  technique: 'add-pairs',
  from: to - 1,
  to,
  at: '2026-03-05T10:00:00.000Z',
  by: 'rule',
  because: 'Of the last 20 answers 20 were right.',
  ...more,
})

test('a stand looks at the newest sessions of its level and support, as far as twenty problems', () => {
  const results = [
    result(1, { medianMs: 90_000, right: 0 }),
    result(2, { level: 1 }),
    result(3, { medianMs: 5000 }),
    result(4, { support: 'guided', right: 0 }),
    result(5, { medianMs: null }),
    result(6, { medianMs: 3000, right: 8 }),
  ]
  expect(standsOf(results, [])).toEqual([
    {
      technique: 'add-pairs',
      level: 2,
      support: 'answer',
      lastAt: results[5]!.at,
      // Three sessions of eight; the one not timed has no say in the pace.
      latest: { problems: 24, right: 22, medianMs: 4000 },
    },
  ])
  // The level in force is that of the latest move; nothing was worked there yet.
  expect(standsOf(results, [move(3)])[0]).toMatchObject({ level: 3, latest: { problems: 0, medianMs: null } })
  // Two supports in one session: the one with less help counts.
  const both = [result(7, { support: 'steps' }), result(7, { support: 'guided' })]
  expect(standsOf(both, [])[0]!.support).toBe('steps')
  expect(standsOf([result(8, { level: 0 })], [])[0]!.level).toBe(1)
})

test('rungs below the one in force are known, and the rules and targets of the learner decide', () => {
  const standing = (...given: Parameters<typeof readiness>) =>
    readiness(...given).find((r) => r.technique.id === 'add-pairs')!
  const few = [result(1, { attempts: 10, right: 10, medianMs: 1000 })]
  expect(standing(few).standing).toBe('practised')
  expect(standing(few, { moves: [move(3)] })).toMatchObject({
    standing: 'known',
    because: 'At target on level 2: moved up to level 3.',
  })
  expect(standing(few, { moves: [move(3, { by: 'hand' })] }).because).toContain('set by hand')
  expect(standing(few, { moves: [move(1, { from: 2 })] }).standing).toBe('practised')
  const rules = { upOf: 10, upRight: 9, backOf: 10, backBelow: 5 }
  expect(standing(few, { rules }).standing).toBe('known')
  expect(standing(few, { rules, targets: { 'add-pairs': { 2: 500 } } }).standing).toBe('practised')
})

test('own targets stand in for the usual ones; own parameters have none', () => {
  const own = { targets: { 'add-pairs': { 2: 4500 } } }
  expect(aimOf(own, 'add-pairs', 2)).toBe(4500)
  expect(aimOf(own, 'add-pairs', 3)).toBe(techniqueById('add-pairs').levels[2]!.targetMs)
  expect(aimOf(own, 'add-pairs', 0)).toBe(undefined)
  expect(minutesOf({ attempts: 10, medianMs: 3000 })).toBe(1)
})

test('the keying baseline is due when missing or old', () => {
  const at = '2026-03-01T10:00:00.000Z'
  const later = (days: number) => new Date(Date.parse(at) + days * 86_400_000).toISOString()
  expect(keyingDue({ keying: null }, at)).toBe(true)
  expect(keyingDue({ keying: { ms: 150, at } }, later(KEYING_DAYS - 1))).toBe(false)
  expect(keyingDue({ keying: { ms: 150, at } }, later(KEYING_DAYS + 1))).toBe(true)
})

test('the sheet says what was done, where each technique stands and why levels moved', () => {
  const results = [result(1), result(6, { medianMs: 3000 })]
  const sheet = sheetOf({
    name: 'Wim',
    day: '2026-03-10',
    settings: { ...DEFAULT_SETTINGS, targets: { 'add-pairs': { 2: 4500 } } },
    results,
    moves: [move(2), move(5, { at: '2025-01-01T10:00:00.000Z' })],
    readiness: readiness(results),
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
    'Facts met: 2; surely recalled lately: 1.',
  ])
  expect(sheet.tables.map((t) => t.rows)).toEqual([
    [['Tens first', 'in practice', '2', 'answer only', '14 of 16', '3.5 s', '4.5 s']],
    [['2026-03-05', 'Tens first', '1 to 2', 'Of the last 20 answers 20 were right.']],
    [['forgot to carry', '3']],
  ])
})
