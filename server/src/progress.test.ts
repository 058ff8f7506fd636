import { masteryOf } from '@tachymetra/core/curriculum'
import { DEFAULT_SETTINGS, type LearnerSettings, slowFacts, type Times } from '@tachymetra/core/learner'
import { planDay } from '@tachymetra/core/plan'
import { JUDGE } from '@tachymetra/core/session'
import { GENERATOR, plainRecipe } from '@tachymetra/core/set'
import type {
  AttemptWire,
  DayWire,
  LatestMistake,
  LearnerWire,
  MoveWire,
  ProgressWire,
  SessionPage,
  SlipWeek,
} from '@tachymetra/core/wire'
import { sql } from 'drizzle-orm'
import { expect, test } from 'vitest'
import { recount } from './store/recount.js'
import { testServer } from './testing.js'

const { send, get, database } = testServer(new Date().toISOString().slice(0, 10))
const uuid = (n: number) => `6f1b0c5e-0000-4000-8000-${String(n).padStart(12, '0')}`
const learnerId = uuid(1)

/** Sums of two digits without carrying, answered rightly unless told otherwise. */
async function work(session: number, rights: readonly boolean[], day: string, of = learnerId, ms = 1500) {
  const [technique, level] = ['add-running-total', 1] as const
  const startedAt = `${day}T15:00:00.000Z`
  const problems = rights.map(() => ({ technique, level, expression: '23+6' }))
  const recipe = plainRecipe([{ kind: 'listed', problems }], 'answer')
  const start = { learnerId: of, startedAt, recipe, seed: 0, generator: GENERATOR }
  expect((await send('PUT', `/sessions/${uuid(session)}`, start)).status).toBe(201)
  for (const [i, right] of rights.entries()) {
    const events = [
      ...(right ? [] : [{ kind: 'entered', at: 800, text: '39' }]),
      { kind: 'entered', at: ms, text: '29' },
    ]
    const at = new Date(Date.parse(startedAt) + i * (ms + 3500)).toISOString()
    const attempt = {
      technique,
      level,
      variant: {},
      support: 'answer',
      expression: '23+6',
      judge: JUDGE,
      events,
    }
    const body = { ...attempt, startedAt: at, sessionId: uuid(session), n: i + 1 }
    expect((await send('PUT', `/attempts/${uuid(1000 * session + i)}`, body)).status).toBe(201)
  }
}

test('settings: each fault named and nothing changed by it, the defaults until then, the rest stays', async () => {
  await send('PUT', `/learners/${learnerId}`, { name: 'Wim', timeZone: 'Pacific/Auckland' })
  const path = `/learners/${learnerId}/settings`
  expect(await get(path)).toEqual(DEFAULT_SETTINGS)
  for (const [change, reason] of [
    [{ minutes: 0 }, 'Minutes a day'],
    [{ at: '25:00' }, 'Time of day'],
    [{ decks: ['nothing'] }, 'decks'],
    [{ rules: { odds: 10, good: 0.8, poor: 0.9, hard: 0.6 } }, 'less than the share'],
    [{ rules: { odds: 1, good: 0.98, poor: 0.85, hard: 0.6 } }, 'How sure'],
    [{ targets: { 'add-pairs': { 99: 5000 } } }, '99'],
    [{ variants: { 'multiply-crosswise': { order: 'sideways' } } }, 'sideways'],
    [{ pinned: ['juggling'] }, 'Item'],
    [{ rules: { odds: 20 } }, 'required'],
    [{}, 'at least 1'],
    [{ speed: 1 }, 'not allowed'],
  ] as const) {
    const { status, body } = await send('PATCH', path, change)
    expect({ status, detail: body.detail }).toEqual({
      status: 422,
      detail: expect.stringContaining(reason),
    })
  }
  expect(await get(path)).toEqual(DEFAULT_SETTINGS)
  const set = { minutes: 6, pinned: ['facts'], targets: { 'add-pairs': { 2: 4500 } } }
  expect((await send('PATCH', path, set)).body).toEqual({ ...DEFAULT_SETTINGS, ...set })
  // What another browser does not name stays.
  expect((await send('PATCH', path, { minutes: 8 })).body).toEqual({
    ...DEFAULT_SETTINGS,
    ...set,
    minutes: 8,
  })
  expect(await get(path)).toEqual({ ...DEFAULT_SETTINGS, ...set, minutes: 8 })
})

test('levels move by the rules at the answer that meets them, and by hand; every move has its reason', async () => {
  const moves = () => get<MoveWire[]>(`/learners/${learnerId}/moves`)
  await work(2, Array(16).fill(true), '2026-03-02')
  expect(await moves()).toEqual([])
  await work(3, [true, true], '2026-03-03')
  expect(await moves()).toMatchObject([
    {
      from: 1,
      to: 2,
      by: 'rule',
      at: '2026-03-03T15:00:01.500Z',
      reason: { id: 'sure', of: 17, right: 17, odds: 13, medianMs: 1500, targetMs: expect.any(Number) },
    },
  ])
  // Back by hand: what came before the move no longer counts.
  const hand = { technique: 'add-running-total', to: 1 }
  expect((await send('PUT', `/learners/${learnerId}/moves/${uuid(9)}`, { ...hand, to: 77 })).status).toBe(422)
  expect((await send('PUT', `/learners/${learnerId}/moves/${uuid(9)}`, hand)).status).toBe(201)
  expect((await send('PUT', `/learners/${learnerId}/moves/${uuid(9)}`, hand)).status).toBe(200)
  expect((await moves())[0]).toMatchObject({ from: 2, to: 1, by: 'hand', reason: { id: 'hand' } })
  expect(await get(`/learners/${learnerId}/latest?technique=add-running-total&level=1`)).toEqual([])
  const progress = await get<ProgressWire>(`/learners/${learnerId}/progress`)
  const practised = masteryOf(progress).filter((m) => m.worked)
  expect(practised).toMatchObject([
    { technique: { id: 'add-running-total' }, worked: { level: 1, latest: { answers: 0 } } },
  ])
})

test('without a time limit right answers move up however long they took, and facts count as known', async () => {
  const slow = uuid(7)
  await send('PUT', `/learners/${slow}`, { name: 'Ada', timeZone: 'UTC' })
  const settings = `/learners/${slow}/settings`
  expect((await send('PATCH', settings, { extraTime: 0 })).status).toBe(422)
  expect((await send('PATCH', settings, { extraTime: null })).body).toMatchObject({ extraTime: null })
  await work(71, Array(17).fill(true), '2026-03-02', slow, 60_000)
  const [move] = await get<MoveWire[]>(`/learners/${slow}/moves`)
  expect(move).toMatchObject({ to: 2, by: 'rule', reason: { id: 'sure', of: 17, right: 17 } })
  expect(move!.reason).not.toHaveProperty('targetMs')

  // A recall keeps the limit it was judged by, whatever is set later; where none is told it is the usual one of that time.
  const recipe = plainRecipe([{ kind: 'facts', facts: ['7x8', '6x7', '6x8'] }], 'answer')
  const start = { learnerId: slow, startedAt: '2026-03-02T15:00:00.000Z', recipe, seed: 0 }
  await send('PUT', `/sessions/${uuid(72)}`, {
    ...start,
    generator: GENERATOR,
    recipe: { ...recipe, extraTime: null },
  })
  const recalled = async (n: number, fact: string, text: string, within: object) => {
    const events = [{ kind: 'entered', at: 9000, text }]
    const its = { fact, at: start.startedAt, judge: JUDGE, keyMs: 200, events, learnerId: slow }
    const sent = { ...its, ...within, sessionId: uuid(72), n }
    expect((await send('PUT', `/recalls/${uuid(72 + n)}`, sent)).status).toBe(201)
  }
  await recalled(1, '7x8', '56', {})
  await send('PATCH', settings, { extraTime: 1 })
  await recalled(2, '6x7', '42', {})
  await recalled(3, '6x8', '48', { withinMs: 20_000 })
  const dues = async () => {
    const { facts } = await get<ProgressWire>(`/learners/${slow}/progress`)
    return ['7x8', '6x7', '6x8'].map((fact) => facts.find((f) => f.fact === fact)!.due)
  }
  const before = await dues()
  const [unlimited, usual, own] = before as [string, string, string]
  expect(usual < unlimited).toBe(true)
  expect(own > unlimited).toBe(true)
  recount(database.db)
  expect(await dues()).toEqual(before)
  expect((await send('PUT', `/recalls/${uuid(79)}`, { withinMs: 5 })).status).toBe(422)
})

test('days are counted in the learner’s own time zone, slips by week and place', async () => {
  const today = new Date().toISOString().slice(0, 10)
  await work(5, [false, true], today)
  // 15:00 UTC is the next morning in Auckland.
  const next = new Date(Date.parse(today) + 86_400_000).toISOString().slice(0, 10)
  const days = await get<DayWire[]>(`/learners/${learnerId}/days`)
  expect(days.at(-1)).toEqual({ day: next, attempts: 2, right: 1, recalls: 0, ms: 3000 })
  const slips = await get<SlipWeek[]>(`/learners/${learnerId}/slips`)
  expect(slips).toMatchObject([{ technique: 'add-running-total', count: 1, place: expect.any(Number) }])
})

test('the latest mistakes come newest first, each with what was entered, and none of others or without a cause', async () => {
  const [of, other] = [uuid(40), uuid(41)]
  for (const id of [of, other])
    await send('PUT', `/learners/${id}`, { name: `M ${id.at(-1)}`, timeZone: 'UTC' })
  await work(42, [false, true, false], '2026-03-02', of)
  await work(43, Array(20).fill(false), '2026-03-01', of)
  await work(44, [false], '2026-03-03', other)
  const found = await get<LatestMistake[]>(`/learners/${of}/mistakes`)
  expect(found).toHaveLength(20)
  expect(found.slice(0, 3).map((m) => m.attempt)).toEqual([uuid(42_002), uuid(42_000), uuid(43_019)])
  expect(found[0]).toEqual({
    attempt: uuid(42_002),
    at: expect.stringContaining('2026-03-02'),
    technique: 'add-running-total',
    level: 1,
    expression: '23+6',
    text: '39',
    slip: expect.any(String),
    place: expect.any(Number),
  })
  const plan = database.db.all<{ detail: string }>(
    sql`explain query plan select id from attempt where learner_id = ${of} and clean = 0 order by started_at desc`,
  )
  expect(plan.map((p) => p.detail).join()).toContain('attempt_with_mistake')
})

test('the rollups of the demo are what its rows say, and its plan fits the minutes', async () => {
  const learners = (await get<LearnerWire[]>('/learners')).filter((l) => l.demo)
  expect(learners).toHaveLength(8)
  const again: string[] = []
  for (const { id } of learners) {
    const days = await get<DayWire[]>(`/learners/${id}/days`)
    const { sessions } = await get<SessionPage>(`/learners/${id}/sessions?limit=100`)
    const worked = sessions.flatMap((s) => s.paces)
    if (sessions.length < 100)
      expect(days.reduce((sum, d) => sum + d.attempts, 0)).toBe(
        worked.reduce((sum, p) => sum + p.attempts, 0),
      )

    const { latest, moves, past, facts, slips, day, today } = await get<ProgressWire>(
      `/learners/${id}/progress`,
    )
    const settings = await get<LearnerSettings>(`/learners/${id}/settings`)
    const times = await get<Times>(`/learners/${id}/times`)
    expect(times.seen).toBeGreaterThan(50)
    const now = new Date().toISOString()
    const plan = planDay({
      settings,
      day,
      now,
      recall: times.recall,
      memories: facts,
      slow: slowFacts(times).map((s) => s.fact),
      mastery: masteryOf({ ...settings, latest, moves, past, now }),
      slips,
      metToday: new Set(),
      done: new Map(),
    })
    const kinds = plan.map((i) => i.kind)
    expect(kinds[0]).toBe('facts')
    expect(kinds.at(-1)).toMatch(/edge|new/)
    // Whoever began yesterday has nothing that fades.
    if (worked.length < 5) expect(kinds).toHaveLength(2)
    again.push(...kinds.slice(1, -1))
    expect(plan.reduce((sum, i) => sum + i.minutes, 0)).toBeCloseTo(settings.minutes, 5)
    expect(today).toMatchObject({ day, attempts: 0 })
  }
  expect(new Set(again)).toEqual(new Set(['mixed', 'review']))
})

test('a move is only ever made from the level in force', async () => {
  const [one] = (await get<LearnerWire[]>('/learners')).filter((l) => l.demo)
  const moves = (await get<MoveWire[]>(`/learners/${one!.id}/moves`)).reverse()
  expect(moves.length).toBeGreaterThan(0)
  const at = new Map<string, number>()
  for (const { technique, from, to } of moves) {
    expect(at.get(technique) ?? from).toBe(from)
    expect(Math.abs(to - from)).toBe(1)
    at.set(technique, to)
  }
})

test('an attempt is given back as it was sent, whatever was rolled up', async () => {
  expect(await get<AttemptWire>(`/attempts/${uuid(5000)}`)).toMatchObject({
    expression: '23+6',
    right: false,
    entries: [
      { text: '39', verdict: 'slip' },
      { text: '29', verdict: 'right' },
    ],
  })
})
