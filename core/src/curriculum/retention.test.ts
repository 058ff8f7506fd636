import { createEmptyCard, fsrs, type Grade, Rating } from 'ts-fsrs'
import { expect, test } from 'vitest'
import { FACT_DECKS } from '../facts/decks.js'
import { daysBetween } from '../number/days.js'
import { techniqueById } from '../registry/techniques.js'
import { type LatestAt, masteryOf } from './mastery.js'
import { factsNeeded } from './needs.js'
import { chanceKept, courseOf, type PastSession, retentionOf } from './retention.js'

const session = (day: string, more: Partial<PastSession> = {}): PastSession => ({
  technique: 'add-pairs',
  level: 2,
  support: 'answer',
  at: `${day}T15:00:00.000Z`,
  answers: 10,
  right: 10,
  medianMs: 4000,
  ...more,
})
const aim = () => 4000

// Reference: ts-fsrs itself, with the same parameters and the grades of the days.
test('a technique is due when the library says, a day of practice being a review', () => {
  const plain = fsrs({ enable_fuzz: false, enable_short_term: false, maximum_interval: 60 })
  const days: [string, Partial<PastSession>, Grade][] = [
    ['2026-03-01', { right: 9 }, Rating.Good],
    ['2026-03-04', { right: 8 }, Rating.Hard],
    ['2026-03-12', { medianMs: 5100 }, Rating.Hard],
    ['2026-03-20', { right: 7 }, Rating.Again],
    ['2026-03-22', { medianMs: 5000 }, Rating.Good],
    // Without times, right answers are enough.
    ['2026-04-20', { medianMs: null }, Rating.Easy],
    ['2026-07-20', { medianMs: 4001 }, Rating.Good],
    ['2026-12-20', {}, Rating.Easy],
  ]
  let card = createEmptyCard(new Date('2026-03-01T15:00:00Z'))
  for (const [i, [day, , grade]] of days.entries()) {
    card = plain.next(card, new Date(`${day}T15:00:00.000Z`), grade).card
    const kept = retentionOf(
      days
        .slice(0, i + 1)
        .map(([on, more]) => session(on, more))
        .toReversed(),
      aim,
    )!
    expect(kept.dueAt, day).toBe(card.due.toISOString())
    expect(chanceKept(kept, kept.dueAt)).toBeGreaterThan(0.85)
  }
  // Never further away than two months, however often it came back.
  expect(daysBetween('2026-12-20', card.due.toISOString().slice(0, 10))).toBeLessThanOrEqual(62)
})

test('sessions of a day are one review; help, a problem or two and own problems say nothing', () => {
  const twice = [
    session('2026-03-01', { answers: 4, right: 4 }),
    session('2026-03-01', { answers: 6, right: 5 }),
  ]
  const once = session('2026-03-01', { right: 9 })
  expect(retentionOf(twice, aim)).toEqual(retentionOf([once], aim))
  const silent = [
    session('2026-03-02', { support: 'steps', right: 0 }),
    session('2026-03-03', { answers: 2, right: 0 }),
    session('2026-03-04', { level: 0, right: 0 }),
  ]
  expect(retentionOf([once, ...silent], aim)).toEqual(retentionOf([once], aim))
  expect(retentionOf(silent, aim)).toBeUndefined()
})

test('practice at a level has lasted since the level was reached, or since a week of rest', () => {
  const on = (days: [string, number][]) =>
    courseOf(
      days.map(([day, level]) => session(day, { level })),
      2,
    )
  const from = (day: string) => `${day}T15:00:00.000Z`
  expect(on([])).toBeUndefined()
  expect(
    on([
      ['2026-03-01', 1],
      ['2026-03-03', 2],
      ['2026-03-06', 2],
    ]),
  ).toEqual({
    begunAt: from('2026-03-01'),
    heldSince: from('2026-03-03'),
  })
  expect(
    on([
      ['2026-03-01', 2],
      ['2026-03-07', 2],
      ['2026-03-14', 2],
      ['2026-03-15', 2],
    ]),
  ).toEqual({
    begunAt: from('2026-03-01'),
    heldSince: from('2026-03-14'),
  })
})

test('what is known fades with time, is known all the same to what it leads to, and says so', () => {
  const latest: LatestAt = {
    technique: 'add-running-total',
    level: 1,
    support: 'answer',
    at: '2026-03-01T15:00:00.000Z',
    answers: Array.from({ length: 20 }, () => ({ right: true, timed: true, totalMs: 2000 })),
  }
  const past = [session('2026-03-01', { technique: latest.technique, level: 1, medianMs: 2000 })]
  const on = (now: string) => masteryOf({ latest: [latest], moves: [], past, now })
  const state = (now: string, id: string) => on(now).find((m) => m.technique.id === id)!
  expect(state('2026-03-02T15:00:00.000Z', latest.technique).state).toBe('known')
  expect(state('2026-03-09T15:00:00.000Z', latest.technique)).toMatchObject({
    state: 'fading',
    level: 1,
    missing: [],
    because: expect.stringMatching(/^Known on level 1: 20 of .*\. To be asked again, so that it stays\.$/),
  })
  expect(state('2026-03-09T15:00:00.000Z', 'add-place-sweep')).toMatchObject({ state: 'ready', missing: [] })
  // What is known lacks nothing, though what it needs was never worked.
  const alone = masteryOf({ latest: [{ ...latest, technique: 'add-place-sweep' }], moves: [] })
  expect(alone.find((m) => m.technique.id === 'add-place-sweep')).toMatchObject({
    state: 'known',
    missing: [],
  })
})

test('a technique rests on the facts of its own problems', () => {
  const tables = FACT_DECKS.find((d) => d.id === 'tables')!.cards.map((c) => c.id)
  const needed = factsNeeded(techniqueById('multiply-crosswise'))
  expect(needed.filter((f) => tables.includes(f)).length).toBeGreaterThan(10)
  expect(factsNeeded(techniqueById('add-running-total')).filter((f) => tables.includes(f))).toEqual([])
  expect(new Set(needed).size).toBe(needed.length)
})
