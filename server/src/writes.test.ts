/** Storing: whoever is told that something is stored can rely on it, whatever happened beside it. */
import { readdirSync } from 'node:fs'
import { join } from 'node:path'
import { JUDGE } from '@tachymetra/core/session'
import { GENERATOR, plainRecipe } from '@tachymetra/core/set'
import type { FactStanding, MoveWire, ProgressWire } from '@tachymetra/core/wire'
import { sql } from 'drizzle-orm'
import { afterEach, beforeAll, expect, test, vi } from 'vitest'
import { backUp } from './store/files/backup.js'
import { takenAt } from './store/times.js'
import { whileNobodyWrites, write } from './store/writes.js'
import { testServer } from './testing.js'

const { database, data, base, send, get } = testServer()
const { db } = database
const driver = db.$client

const uuid = (n: number) => `6f1b0c5e-0000-4000-8000-${String(n).padStart(12, '0')}`
const LEARNER = uuid(1)
const SESSION = uuid(2)
const SUMS = Array.from({ length: 40 }, (_, i) => `4+7+${i}`)
const recipe = plainRecipe(
  [
    {
      kind: 'listed',
      problems: SUMS.map((expression) => ({ technique: 'add-pairs', level: 1, expression })),
    },
  ],
  'answer',
)

const session = (startedAt: string) => ({
  learnerId: LEARNER,
  startedAt,
  recipe,
  seed: 1,
  generator: GENERATOR,
})
const attempt = (n: number, startedAt: string, sessionId = SESSION, text = String(11 + n - 1)) => ({
  sessionId,
  n,
  technique: 'add-pairs',
  variant: {},
  level: 1,
  support: 'answer',
  expression: SUMS[n - 1],
  startedAt,
  judge: JUDGE,
  events: [
    { kind: 'shown', at: 0, text: 'answer' },
    { kind: 'entered', at: 1500, text, first: 900, last: 1500, pause: 0 },
  ],
})
const FRAME = JSON.stringify([{ kind: 'frame' }])
/** A minute ago: what is sent is over. */
const justNow = () => new Date(Date.now() - 60_000).toISOString()
const rows = () => db.get<{ n: number }>(sql`select count(*) as n from attempt`).n

beforeAll(async () => {
  await send('PUT', `/learners/${LEARNER}`, { name: 'Wim', timeZone: 'UTC' })
  await send('PUT', `/sessions/${SESSION}`, session('2026-03-02T15:00:00.000Z'))
})
afterEach(() => vi.restoreAllMocks())

test('many that wait are stored in one transaction, and each is told by itself', async () => {
  const ran = vi.spyOn(driver, 'exec')
  const told = await Promise.allSettled(
    [1, 2, 3, 4, 5].map((n) =>
      write(db, (tx) => {
        tx.run(
          sql`insert into board_plan (id, name, parts) values (${uuid(90 + n)}, ${`Plan ${n}`}, ${FRAME})`,
        )
        if (n === 3) throw new Error('not this one')
        return n
      }),
    ),
  )
  expect(ran.mock.calls.filter(([query]) => query === 'commit')).toHaveLength(1)
  expect(told.map((t) => (t.status === 'fulfilled' ? t.value : t.reason.message))).toEqual([
    1,
    2,
    'not this one',
    4,
    5,
  ])
  const kept = db.all<{ name: string }>(sql`select name from board_plan order by name`)
  expect(kept.map((k) => k.name)).toEqual(['Plan 1', 'Plan 2', 'Plan 4', 'Plan 5'])
})

test('where the transaction cannot be put on disk, nobody is told that anything is stored', async () => {
  const before = rows()
  const real = driver.exec.bind(driver)
  let failed = 0
  vi.spyOn(driver, 'exec').mockImplementation((query) => {
    if (query !== 'commit' || failed > 0) return real(query)
    failed += 1
    throw Object.assign(new Error('database or disk is full'), { code: 'SQLITE_FULL' })
  })
  const send5 = () =>
    Promise.all(
      [1, 2, 3, 4, 5].map((n) =>
        send('PUT', `/attempts/${uuid(10 + n)}`, attempt(n, '2026-03-02T15:00:01.000Z')),
      ),
    )
  const answers = await send5()
  // Some may have come after it: those are stored, and only those.
  const stored = answers.filter((a) => a.status === 201).length
  const refused = answers.filter((a) => a.status === 507)
  expect(failed).toBe(1)
  expect(refused.length).toBeGreaterThan(0)
  expect(stored + refused.length).toBe(5)
  expect(rows() - before).toBe(stored)
  expect(refused[0]!.body).toMatchObject({ code: 'disk-full', detail: expect.stringContaining('disk') })
  // Sent again, each is stored once.
  expect((await send5()).every((a) => a.status < 300)).toBe(true)
  expect(rows() - before).toBe(5)
})

test('whoever wants to write while a restore goes on waits, and is then told the truth', async () => {
  let over = false
  const alone = whileNobodyWrites(db, async () => {
    await new Promise((resolve) => setTimeout(resolve, 150))
    over = true
  })
  const second = whileNobodyWrites(db, async () => over)
  const answer = await send('PUT', `/attempts/${uuid(20)}`, attempt(6, '2026-03-02T15:00:09.000Z'))
  expect([over, answer.status]).toEqual([true, 201])
  await alone
  expect(await second).toBe(true)
})

test('two restores in one moment keep both earlier states; attempts sent meanwhile are stored, or told that they are not', async () => {
  const file = join(data, 'sent.tachymetra')
  await backUp(db, file)
  const { readFileSync } = await import('node:fs')
  const put = () =>
    fetch(`${base()}/restore`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/octet-stream' },
      body: new Uint8Array(readFileSync(file)),
    })
  const before = rows()
  const writing = Array.from({ length: 12 }, (_, i) =>
    send('PUT', `/attempts/${uuid(40 + i)}`, attempt(10 + i, '2026-03-02T15:01:00.000Z')),
  )
  const [one, two] = await Promise.all([put(), put()])
  expect([one.status, two.status]).toEqual([200, 200])
  expect(readdirSync(data).filter((f) => /^before-.*tachymetra$/.test(f))).toHaveLength(2)
  const answers = await Promise.all(writing)
  expect(answers.every((a) => a.status === 201)).toBe(true)
  // What was stored before the last restore went with it.
  expect(rows()).toBeGreaterThanOrEqual(before)
  expect(rows()).toBeLessThanOrEqual(before + 12)
})

test('a session dated in 2036 is taken as of now: levels and facts go on, and sending it again stores it once', async () => {
  const ahead = '2036-05-01T10:00:00.000Z'
  const id = uuid(3)
  for (const _ of [1, 2])
    expect((await send('PUT', `/sessions/${id}`, session(ahead))).status).toBeLessThan(300)
  for (const _ of [1, 2])
    expect((await send('PUT', `/attempts/${uuid(60)}`, attempt(1, ahead, id))).status).toBeLessThan(300)
  const recall = {
    learnerId: LEARNER,
    fact: '7x8',
    at: ahead,
    judge: JUDGE,
    keyMs: 200,
    events: entered('56'),
  }
  for (const _ of [1, 2]) expect((await send('PUT', `/recalls/${uuid(70)}`, recall)).status).toBeLessThan(300)
  const today = new Date().toISOString()
  const dates = db.get<{ s: string; a: string; r: string }>(
    sql`select (select max(started_at) from session) as s, (select max(started_at) from attempt) as a, (select max(at) from fact_recall) as r`,
  )
  for (const date of [dates.s, dates.a, dates.r]) expect(date.slice(0, 10)).toBe(today.slice(0, 10))
  const [fact] = await get<FactStanding[]>(`/learners/${LEARNER}/facts`)
  expect(Date.parse(fact!.due)).toBeLessThan(Date.now() + 60 * 86_400_000)
  // And what is right from here on moves the level.
  for (let n = 11; n <= 40; n += 1) await send('PUT', `/attempts/${uuid(100 + n)}`, attempt(n, justNow(), id))
  const moves = await get<MoveWire[]>(`/learners/${LEARNER}/moves`)
  expect(moves.map((m) => [m.by, m.from, m.to])).toContainEqual(['rule', 1, 2])
  // Of a wrong clock here nothing is believed: it is left as it was sent.
  expect(takenAt(ahead, new Date('1970-01-02T00:00:00.000Z'))).toBe(ahead)
})

const entered = (text: string) => [{ kind: 'entered', at: 700, text, first: 500, last: 700, pause: 0 }]

test('the plan is read from what is stored, however often it was asked for before', async () => {
  const progress = () => get<ProgressWire>(`/learners/${LEARNER}/progress`)
  const before = await progress()
  expect(await progress()).toEqual(before)
  await send('PUT', `/attempts/${uuid(80)}`, attempt(30, justNow()))
  const after = await progress()
  expect(after.today.attempts).toBe(before.today.attempts + 1)
  const to = (before.moves[0]?.to ?? 1) + 1
  await send('PUT', `/learners/${LEARNER}/moves/${uuid(81)}`, { technique: 'add-pairs', to })
  expect((await progress()).moves.find((m) => m.technique === 'add-pairs')?.to).toBe(to)
  const recall = {
    learnerId: LEARNER,
    fact: '6x7',
    at: new Date().toISOString(),
    judge: JUDGE,
    keyMs: 200,
    events: entered('42'),
  }
  await send('PUT', `/recalls/${uuid(82)}`, recall)
  expect((await progress()).facts.some((f) => f.fact === '6x7')).toBe(true)
})
