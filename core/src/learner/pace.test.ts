import { expect, test } from 'vitest'
import { median } from '../number/statistics.js'
import { paceOf, perMinute } from './pace.js'
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
  })
  expect([perMinute(pace), perMinute(paceOf([]))]).toEqual([15, undefined])
})

test('the keying baseline is due when missing or old', () => {
  const at = '2026-03-01T10:00:00.000Z'
  const later = (days: number) => new Date(Date.parse(at) + days * 86_400_000).toISOString()
  expect(keyingDue({ keying: null }, at)).toBe(true)
  expect(keyingDue({ keying: { ms: 150, at } }, later(KEYING_DAYS - 1))).toBe(false)
  expect(keyingDue({ keying: { ms: 150, at } }, later(KEYING_DAYS + 1))).toBe(true)
})
