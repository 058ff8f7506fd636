import { expect, test } from 'vitest'
import { median } from '../number/statistics.js'
import { newBestOf, paceOf, rightPerMinute } from './pace.js'
import { KEYING_DAYS, keyingDue } from './settings.js'

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
    timedRight: 1,
  })
  expect([rightPerMinute(pace), rightPerMinute(paceOf([]))]).toEqual([7.5, undefined])
})

test('a best of one’s own is told once, the pace of the whole first, and never where there was nothing before', () => {
  const answers = (times: readonly number[], wrong = 0) =>
    paceOf([
      ...times.map((totalMs) => ({ right: true, clean: true, timed: true, done: true, totalMs })),
      ...Array.from({ length: wrong }, () => ({
        right: false,
        clean: false,
        timed: true,
        done: true,
        totalMs: 1,
      })),
    ])
  const before = { technique: 'x', level: 1, support: 'answer', bestMs: 2000, perMinute: 20 } as const
  const five = [2500, 2500, 2500, 2500, 2500]
  expect(newBestOf(answers(five), before)).toEqual({ kind: 'per-minute', now: 24, before: 20 })
  // Wrong ones take their time and count for nothing; four are too few to tell.
  expect(newBestOf(answers(five, 5), { ...before, perMinute: 24 })).toBeUndefined()
  expect(newBestOf(answers(five.slice(1)), before)).toBeUndefined()
  expect(newBestOf(answers([1900, 9000]), before)).toEqual({ kind: 'answer', now: 1900, before: 2000 })
  expect(newBestOf(answers([2000]), before)).toBeUndefined()
  expect(newBestOf(answers(five), undefined)).toBeUndefined()
  expect(newBestOf(answers(five), { ...before, perMinute: null, bestMs: null })).toBeUndefined()
})

test('the keying baseline is due when missing or old', () => {
  const at = '2026-03-01T10:00:00.000Z'
  const later = (days: number) => new Date(Date.parse(at) + days * 86_400_000).toISOString()
  expect(keyingDue({ keying: null }, at)).toBe(true)
  expect(keyingDue({ keying: { ms: 150, at } }, later(KEYING_DAYS - 1))).toBe(false)
  expect(keyingDue({ keying: { ms: 150, at } }, later(KEYING_DAYS + 1))).toBe(true)
})
