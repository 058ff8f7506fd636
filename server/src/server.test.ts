import { hostname } from 'node:os'
import { type LatestAnswer, LOOKED_BACK } from '@tachymetra/core/curriculum'
import { type FactMemory, judgeRecall, paceOf, remember } from '@tachymetra/core/learner'
import type { RecallRecord } from '@tachymetra/core/session'
import { type AttemptRecord, JUDGE, judgeRecord } from '@tachymetra/core/session'
import { GENERATOR, type ListedProblem, plainRecipe } from '@tachymetra/core/set'
import { demoLearners } from '@tachymetra/core/simulate'
import type {
  AttemptSummary,
  AttemptWire,
  FactStanding,
  LearnerWire,
  SessionPage,
  SessionStart,
  SessionWire,
} from '@tachymetra/core/wire'
import { sql } from 'drizzle-orm'
import { expect, test } from 'vitest'
import { isOurs } from './app.js'
import { readSettings, StartError } from './main.js'
import { loadDemo } from './store/demo.js'
import { testServer } from './testing.js'

const { database, send, get, base } = testServer('2026-03-01')

const learnerId = '6f1b0c5e-0000-4000-8000-000000000001'
const sessionId = '6f1b0c5e-0000-4000-8000-000000000002'
const attemptId = '6f1b0c5e-0000-4000-8000-000000000003'
/** A session of problems that are written out. */
const startOf = (...problems: ListedProblem[]): SessionStart => ({
  learnerId,
  startedAt: '2026-11-20T15:00:00.000Z',
  recipe: plainRecipe([{ kind: 'listed', problems }], 'answer'),
  seed: 0,
  generator: GENERATOR,
})
const start = startOf({ technique: 'add-running-total', level: 5, expression: '364+278' })
const attempt: Omit<AttemptRecord, 'id'> = {
  sessionId,
  n: 1,
  technique: 'add-running-total',
  variant: {},
  level: 5,
  support: 'answer',
  expression: '364+278',
  startedAt: '2026-11-20T15:00:05.000Z',
  judge: JUDGE,
  events: [
    { kind: 'shown', at: 0, text: 'answer' },
    { kind: 'entered', at: 4000, text: '542', first: 3000, last: 3500, pause: 200 },
    { kind: 'entered', at: 6000, text: '642', first: 5500, last: 6000, pause: 300 },
  ],
}

test('learner, session and attempt are stored once, however often they are sent', async () => {
  const learner = { name: 'Wim', timeZone: 'Europe/Lisbon' }
  expect((await send('PUT', `/learners/${learnerId}`, learner)).status).toBe(201)
  expect((await send('PUT', `/learners/${learnerId}`, learner)).status).toBe(200)
  expect((await send('PUT', `/sessions/${sessionId}`, start)).status).toBe(201)
  expect((await send('PUT', `/sessions/${sessionId}`, start)).status).toBe(200)
  const both = await Promise.all([1, 2].map(() => send('PUT', `/attempts/${attemptId}`, attempt)))
  expect(both.map((r) => r.status).sort()).toEqual([200, 201])

  // Judged here: the first try was wrong, whatever the sender may say.
  const stored = await get<AttemptWire>(`/attempts/${attemptId}`)
  expect(stored).toMatchObject({
    ...attempt,
    entries: [{ verdict: 'slip', slips: [{ id: 'carry-lost' }] }, { verdict: 'right' }],
    right: false,
    thinkMs: 3000,
    keyMs: 3000,
    totalMs: 6000,
    idleMs: 3000,
  })
  const { sessions } = await get<SessionPage>(`/learners/${learnerId}/sessions`)
  expect(sessions).toHaveLength(1)
  expect(sessions[0]).toMatchObject({
    paces: [{ support: 'answer', attempts: 1, right: 0, medianMs: 6000 }],
    slips: [{ id: 'carry-lost', count: 1 }],
  })
})

test('the same id with other contents is a conflict and changes nothing', async () => {
  expect((await send('PUT', `/learners/${learnerId}`, { name: 'Other', timeZone: 'UTC' })).status).toBe(409)
  expect((await send('PUT', `/sessions/${sessionId}`, { ...start, seed: 6 })).status).toBe(409)
  expect(
    (
      await send('PUT', `/attempts/${attemptId}`, {
        ...attempt,
        events: attempt.events.slice(0, 3).with(2, { kind: 'skipped', at: 1e5 }),
      })
    ).status,
  ).toBe(409)
  expect(await get(`/attempts/${attemptId}`)).toMatchObject({ totalMs: 6000 })
})

const other = '6f1b0c5e-0000-4000-8000-00000000000f'
const entry = attempt.events[1]!
test.each([
  ['malformed JSON', 'PUT', `/attempts/${other}`, '{"a":', 400],
  ['a list for a body', 'PUT', `/attempts/${other}`, [1], 422],
  ['a body too large', 'PUT', `/attempts/${other}`, JSON.stringify({ x: 'x'.repeat(300_000) }), 413],
  ['an unknown field', 'PUT', `/attempts/${other}`, { ...attempt, right: true }, 422],
  ['a wrong type', 'PUT', `/attempts/${other}`, { ...attempt, n: '1' }, 422],
  [
    'a fraction of a millisecond',
    'PUT',
    `/attempts/${other}`,
    { ...attempt, events: [{ ...entry, at: 1.5 }] },
    422,
  ],
  ['a day that is none', 'PUT', `/attempts/${other}`, { ...attempt, startedAt: '2026-02-30T15:00:00Z' }, 422],
  ['hour 24', 'PUT', `/attempts/${other}`, { ...attempt, startedAt: '2026-02-20T24:00:00Z' }, 422],
  ['the year 99', 'PUT', `/attempts/${other}`, { ...attempt, startedAt: '0099-02-20T15:00:00Z' }, 422],
  ['the year 12024', 'PUT', `/attempts/${other}`, { ...attempt, startedAt: '+012024-02-20T15:00:00Z' }, 422],
  ['no T in an instant', 'PUT', `/attempts/${other}`, { ...attempt, startedAt: '2026-02-20 15:00:00Z' }, 422],
  ['a judge yet to come', 'PUT', `/attempts/${other}`, { ...attempt, judge: JUDGE + 1 }, 422],
  ['a missing field', 'PUT', `/attempts/${other}`, { ...attempt, expression: undefined }, 422],
  [
    'letters for a value',
    'PUT',
    `/attempts/${other}`,
    { ...attempt, events: [{ ...entry, text: 'six' }] },
    422,
  ],
  ['an empty value', 'PUT', `/attempts/${other}`, { ...attempt, events: [{ ...entry, text: '' }] }, 422],
  [
    '400 digits',
    'PUT',
    `/attempts/${other}`,
    { ...attempt, events: [{ ...entry, text: '9'.repeat(400) }] },
    422,
  ],
  [
    'a problem of 400 digits',
    'PUT',
    `/attempts/${other}`,
    { ...attempt, expression: `1+${'9'.repeat(400)}` },
    422,
  ],
  ['a problem that is none', 'PUT', `/attempts/${other}`, { ...attempt, expression: '364+' }, 422],
  ['no end', 'PUT', `/attempts/${other}`, { ...attempt, events: [entry] }, 422],
  ['an unknown technique', 'PUT', `/attempts/${other}`, { ...attempt, technique: 'guess' }, 422],
  ['another level than the item', 'PUT', `/attempts/${other}`, { ...attempt, level: 4 }, 422],
  ['an unknown session', 'PUT', `/attempts/${other}`, { ...attempt, sessionId: other }, 404],
  ['an id that is none', 'PUT', '/attempts/17', attempt, 422],
  ['an unknown learner', 'PUT', `/sessions/${other}`, { ...start, learnerId: other }, 404],
  [
    'a level that is not there',
    'PUT',
    `/sessions/${other}`,
    startOf({ technique: 'add-pairs', level: 77, expression: '7+8+3' }),
    422,
  ],
  ['a nameless learner', 'PUT', `/learners/${other}`, { name: ' ', timeZone: 'UTC' }, 422],
  ['an unknown time zone', 'PUT', `/learners/${other}`, { name: 'Bo', timeZone: 'Moon/Base' }, 422],
  ['nothing there', 'GET', '/attempts/6f1b0c5e-0000-4000-8000-0000000000ff', undefined, 404],
  ['a bad page mark', 'GET', `/learners/${learnerId}/sessions?before=x`, undefined, 422],
  ['a bad page size', 'GET', `/learners/${learnerId}/sessions?limit=1000`, undefined, 422],
  ['no such route', 'DELETE', '/learners', undefined, 415],
  ['no such address', 'GET', '/nothing', undefined, 404],
])('%s is refused with a reason', async (_, method, path, body, status) => {
  const { db } = database
  const counts = () =>
    db.all(
      'select (select count(*) from learner), (select count(*) from session), (select count(*) from attempt)',
    )
  const before = counts()
  const answer = await send(method, path, body)
  expect(answer).toMatchObject({
    status,
    body: {
      status,
      code: expect.stringMatching(/^[a-z-]+$/),
      title: expect.any(String),
      detail: expect.stringMatching(/\w{3}/),
    },
  })
  expect(answer.type).toContain('application/problem+json')
  expect(counts()).toEqual(before)
})

test('a form from another page, and another host name for this machine, are turned away', async () => {
  const form = { 'Content-Type': 'text/plain' }
  expect((await send('PUT', `/learners/${other}`, '{"name":"Bo","timeZone":"UTC"}', form)).status).toBe(415)
  const { request } = await import('node:http')
  const status = await new Promise((done) => {
    request(`${base()}/learners`, { headers: { Host: 'elsewhere.example' } }, (r) =>
      done(r.resume().statusCode),
    ).end()
  })
  expect(status).toBe(403)
})

test('the demo is there once, its pages join up, and its rollups are what its attempts say', async () => {
  const demo = demoLearners('2026-03-01')
  expect(loadDemo(database.db, '2026-03-01')).toBe(0)
  const learners = await get<LearnerWire[]>('/learners')
  expect(learners.filter((l) => l.demo).map((l) => l.name)).toEqual(demo.map((l) => l.name).sort())

  const { id, sessions } = demo[1]!
  const seen: SessionWire[] = []
  for (let page: SessionPage | undefined; !page || page.next; seen.push(...page.sessions))
    page = await get<SessionPage>(
      `/learners/${id}/sessions?limit=7${page?.next ? `&before=${page.next}` : ''}`,
    )
  const worked = sessions.filter((s) => s.attempts.length > 0)
  expect(seen.map((s) => s.id)).toEqual(worked.map((s) => s.id).reverse())

  for (const { id: session, attempts } of worked) {
    const verdicts = attempts.map(judgeRecord).map((v) => ({ ...v, done: v.outcome === 'done' }))
    const [pace] = seen.find((s) => s.id === session)!.paces
    const { technique, level, support } = attempts[0]!
    expect(pace).toEqual({ ...JSON.parse(JSON.stringify(paceOf(verdicts))), technique, level, support })
  }
  const last = worked.at(-1)!
  const whole = await get<{ attempts: AttemptSummary[] }>(`/sessions/${last.id}`)
  expect(whole.attempts.map((a) => a.expression)).toEqual(last.attempts.map((a) => a.expression))
})

test('settings that cannot be used are named', () => {
  expect(readSettings({ PORT: '8080' }, ['--empty'])).toMatchObject({
    port: 8080,
    host: '127.0.0.1',
    demo: false,
  })
  expect(() => readSettings({ PORT: 'eighty' }, [])).toThrow(StartError)
  expect(() => readSettings({}, ['--fast'])).toThrow('--fast')
  for (const HOST of ['0.0.0.0', '192.168.1.5', '::', 'localhost.example', '127.example'])
    expect(() => readSettings({ HOST }, []), HOST).toThrow('no sign-in')
  expect(readSettings({ HOST: '0.0.0.0' }, ['--open'])).toMatchObject({ host: '0.0.0.0', open: true })
  for (const HOST of ['localhost', '127.0.0.2', '::1']) expect(readSettings({ HOST }, []).host).toBe(HOST)
})

test.each([
  ['localhost:4173', true, true],
  ['127.0.0.1', true, true],
  ['[::1]:80', true, true],
  ['192.168.1.5:4173', false, true],
  ['[fe80::1]:4173', false, true],
  [hostname(), false, true],
  ['rebound.example', false, false],
  ['127.0.0.1.example', false, false],
  ['localhost.example', false, false],
  ['', false, false],
])('the host %s is one of ours on this machine alone: %s, with others let in: %s', (host, alone, open) => {
  expect([isOurs(host, true), isOurs(host, false)]).toEqual([alone, open])
})

test('own parameters are level 0; how a list was shown is kept with its attempt, within bounds', async () => {
  const own = '6f1b0c5e-0000-4000-8000-00000000f001'
  const listed = startOf({ technique: 'flash-sum', level: 0, expression: '7+8-4' })
  expect((await send('PUT', `/sessions/${own}`, listed)).status).toBe(201)
  const flashed = {
    ...attempt,
    sessionId: own,
    technique: 'flash-sum',
    level: 0,
    support: 'answer',
    expression: '7+8-4',
    events: [{ kind: 'entered', at: 900, text: '11' }],
    shown: { way: 'flash', showMs: 300, gapMs: 50, worstMs: 8.4, meanMs: 2.1 },
  }
  const id = '6f1b0c5e-0000-4000-8000-00000000f002'
  expect((await send('PUT', `/attempts/${id}`, { ...flashed, shown: { way: 'smoke' } })).status).toBe(422)
  expect((await send('PUT', `/attempts/${id}`, flashed)).status).toBe(201)
  expect(await get(`/attempts/${id}`)).toMatchObject({ shown: flashed.shown, level: 0, right: true })
  expect(await get(`/attempts/${attemptId}`)).not.toHaveProperty('shown')
})

test('recalls: stored once, in the order of their times whenever they arrive; unknown facts and learners refused', async () => {
  const entered = (text: string, at: number) => [{ kind: 'entered', at, text, first: at - 100, last: at }]
  const recall = {
    learnerId,
    fact: '7x8',
    at: '2026-11-20T15:00:00.000Z',
    judge: JUDGE,
    keyMs: 200,
    events: entered('56', 800),
  }
  const path = (n: number) => `/recalls/6f1b0c5e-0000-4000-8000-00000000e00${n}`
  expect((await send('PUT', path(1), recall)).status).toBe(201)
  expect((await send('PUT', path(1), recall)).status).toBe(200)
  expect((await send('PUT', path(1), { ...recall, fact: '6x7' })).status).toBe(409)
  expect((await send('PUT', path(2), { ...recall, fact: '1x1' })).status).toBe(422)
  expect((await send('PUT', path(2), { ...recall, events: [] })).status).toBe(422)
  expect((await send('PUT', path(2), { ...recall, learnerId: attemptId })).status).toBe(404)
  // The second in time arrives last.
  const later = { ...recall, events: entered('54', 2000), at: '2026-11-25T15:00:00.000Z' }
  const between = { ...recall, at: '2026-11-22T15:00:00.000Z' }
  expect((await send('PUT', path(3), later)).status).toBe(201)
  expect((await send('PUT', path(4), between)).status).toBe(201)
  const [standing, ...others] = await get<FactStanding[]>(`/learners/${learnerId}/facts`)
  expect(others).toEqual([])
  const inOrder = [recall, between, later].reduce<FactMemory | undefined>(
    (memory, r) => remember(memory, judgeRecall({ withinMs: 1200, ...r } as RecallRecord)),
    undefined,
  )!
  expect(standing).toMatchObject({
    fact: '7x8',
    due: inOrder.due,
    recalls: 3,
    right: 2,
    medianMs: 700,
    latestRight: false,
  })
})

test('a learner is renamed, and removed with everything recorded of them', async () => {
  const id = '6f1b0c5e-0000-4000-8000-00000000d001'
  const session = '6f1b0c5e-0000-4000-8000-00000000d002'
  const work = '6f1b0c5e-0000-4000-8000-00000000d003'
  await send('PUT', `/learners/${id}`, { name: 'Nils', timeZone: 'UTC' })
  expect((await send('PATCH', `/learners/${id}`, { name: '  ' })).status).toBe(422)
  expect((await send('PATCH', `/learners/${id}`, { name: 'Nils B' })).body).toMatchObject({
    id,
    name: 'Nils B',
  })
  await send('PUT', `/sessions/${session}`, { ...start, learnerId: id })
  expect((await send('PUT', `/attempts/${work}`, { ...attempt, sessionId: session })).status).toBe(201)
  await send('PUT', '/recalls/6f1b0c5e-0000-4000-8000-00000000d004', {
    learnerId: id,
    fact: '7x8',
    at: start.startedAt,
    judge: JUDGE,
    keyMs: 200,
    events: [{ kind: 'entered', at: 700, text: '56' }],
  })
  await send('PATCH', `/learners/${id}/settings`, { targets: { 'add-pairs': { 2: 4500 } } })
  await send('PUT', `/learners/${id}/moves/6f1b0c5e-0000-4000-8000-00000000d005`, {
    technique: 'add-pairs',
    to: 2,
  })
  expect((await send('DELETE', `/learners/${id}`, {})).status).toBe(200)
  expect((await send('DELETE', `/learners/${id}`, {})).status).toBe(200)
  expect((await send('PATCH', `/learners/${id}`, { name: 'x' })).status).toBe(404)
  for (const path of [`/attempts/${work}`, `/sessions/${session}`, `/learners/${id}/facts`])
    expect((await send('GET', path)).status).toBe(404)
  const own = ['fact_recall', 'fact_memory', 'learner_settings', 'level_move', 'practice_day', 'slip_week']
  const left = ['attempt', 'session', 'session_pace', ...own].map((table) => {
    const column = { attempt: 'id', session: 'id', session_pace: 'session_id' }[table] ?? 'learner_id'
    const key = { attempt: work, session, session_pace: session }[table] ?? id
    return database.db.all(sql.raw(`select 1 from ${table} where ${column} = '${key}'`)).length
  })
  expect(left.every((rows) => rows === 0)).toBe(true)
})

test('the latest answers at a level, newest first, without steps; one that was skipped is one missed', async () => {
  const [demo] = await get<LearnerWire[]>('/learners')
  const sessions = (await get<SessionPage>(`/learners/${demo!.id}/sessions?limit=100`)).sessions
  const { technique, level } = sessions.flatMap((s) => s.paces).find((p) => p.support === 'answer')!
  const path = (query: string) => `/learners/${demo!.id}/latest?${query}`
  const latest = await get<LatestAnswer[]>(path(`technique=${technique}&level=${level}`))
  const want: LatestAnswer[] = []
  for (const session of sessions.filter((s) =>
    s.paces.some((p) => p.technique === technique && p.level === level),
  )) {
    const { attempts } = await get<{ attempts: AttemptSummary[] }>(`/sessions/${session.id}`)
    const answers = attempts.filter((a) => a.support === 'answer').reverse()
    want.push(
      ...answers.map(({ right, timed, totalMs, outcome }) => ({
        right,
        timed: timed && outcome === 'done',
        totalMs,
      })),
    )
  }
  expect(latest.length).toBeGreaterThan(0)
  expect(latest).toEqual(want.slice(0, LOOKED_BACK))
  expect((await send('GET', path('technique=x'))).status).toBe(422)
})
