/** What is done can be taken back; what is erased is gone. */
import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { gunzipSync } from 'node:zlib'
import { readCsv } from '@tachymetra/core/exchange'
import type { BroughtInAnswer, Holdings, LearnerWire, MoveWire, RemovedLearner } from '@tachymetra/core/wire'
import { sql } from 'drizzle-orm'
import { expect, test } from 'vitest'
import { eraseOverdue } from './store/erase.js'
import { backUp } from './store/files/backup.js'
import { recount } from './store/recount.js'
import { testServer } from './testing.js'
import { CHORES_HERE } from './work/chores.js'

const { database, data, send, get } = testServer('2026-03-01')
const { db } = database

/** Everything that is stored of one learner, table by table. */
function rowsOf(id: string): Record<string, string[]> {
  const own = db.all<{ name: string }>(
    sql.raw(
      "select m.name from sqlite_master m join pragma_table_info(m.name) p on p.name = 'learner_id' order by 1",
    ),
  )
  return Object.fromEntries(
    own.map(({ name }) => [
      name,
      db
        .all(sql.raw(`select * from "${name}" where learner_id = '${id}'`))
        // Moves of the rules are made again, under ids of their own; arrivals only tell an order.
        .map((row) => JSON.stringify({ ...(row as object), ...(name === 'level_move' && { id: '' }) }))
        .sort(),
    ]),
  )
}

test('a removed learner is in no list and no count, loses nothing, and can be had back', async () => {
  const [one, ...others] = await get<LearnerWire[]>('/learners')
  const before = [rowsOf(one!.id), await get<Holdings>('/holdings')] as const
  const removed = (await send('PUT', `/learners/${one!.id}/removal`, {})).body as RemovedLearner
  expect(removed).toEqual({ id: one!.id, name: one!.name, removedAt: expect.any(String) })
  // Twice is as good as once: the first time counts.
  expect((await send('PUT', `/learners/${one!.id}/removal`, {})).body).toEqual(removed)
  expect(await get('/learners')).toEqual(others)
  expect(await get('/learners/removed')).toEqual([removed])
  expect((await get<Holdings>('/holdings')).learners).toBe(7)
  expect((await get<Holdings>('/holdings')).attempts).toBeLessThan(before[1].attempts)
  expect((await send('GET', `/learners/${one!.id}/progress`)).status).toBe(404)
  expect((await send('PUT', `/learners/${crypto.randomUUID()}/removal`, {})).status).toBe(404)
  // The name is free meanwhile; whoever has it has to give it up first.
  const other = crypto.randomUUID()
  expect((await send('PUT', `/learners/${other}`, { name: one!.name, timeZone: 'UTC' })).status).toBe(201)
  expect((await send('DELETE', `/learners/${one!.id}/removal`, {})).body.code).toBe('name-taken')
  await send('DELETE', `/learners/${other}`, {})
  expect((await send('DELETE', `/learners/${one!.id}/removal`, {})).body).toEqual(one)
  expect(await get('/learners')).toEqual([one, ...others])
  expect(await get('/learners/removed')).toEqual([])
  expect([rowsOf(one!.id), await get<Holdings>('/holdings')]).toEqual(before)
})

test('what was practised before a removal is still stored after it', async () => {
  const id = crypto.randomUUID()
  await send('PUT', `/learners/${id}`, { name: 'Wim', timeZone: 'UTC' })
  const [demo] = await get<LearnerWire[]>('/learners')
  const csv = (await send('GET', `/learners/${demo!.id}/attempts.csv`)).body as string
  const row = readCsv(csv, () => crypto.randomUUID()).flatMap((r) => ('row' in r ? [r.row] : []))[0]!
  await send('PUT', `/learners/${id}/removal`, {})
  const session = crypto.randomUUID()
  expect((await send('PUT', `/sessions/${session}`, { ...row.session, learnerId: id })).status).toBe(201)
  const { id: _, ...attempt } = { ...row.attempt, sessionId: session }
  expect((await send('PUT', `/attempts/${crypto.randomUUID()}`, attempt)).status).toBe(201)
  await send('DELETE', `/learners/${id}/removal`, {})
  expect(rowsOf(id).attempt).toHaveLength(1)
})

test('after thirty days, or at once where that is said, nothing is left: not in the file, its log, or what was put aside', async () => {
  const [late, soon] = [crypto.randomUUID(), crypto.randomUUID()]
  const names = ['Quillfeather', 'Brambleworth']
  for (const [i, id] of [late, soon].entries())
    await send('PUT', `/learners/${id}`, { name: names[i], timeZone: 'UTC' })
  await backUp(db, join(data, 'before-test.tachymetra'))
  const traces = () =>
    readdirSync(data).flatMap((file) => {
      const bytes = readFileSync(join(data, file))
      const held = file.endsWith('.tachymetra') ? gunzipSync(bytes) : bytes
      return names.filter((name) => held.includes(name)).map((name) => `${name} in ${file}`)
    })
  expect(traces().length).toBeGreaterThan(2)
  for (const id of [late, soon]) await send('PUT', `/learners/${id}/removal`, {})
  const { removedAt } = (await get<RemovedLearner[]>('/learners/removed')).find((r) => r.id === late)!
  await send('DELETE', `/learners/${soon}`, {})
  expect(traces().filter((t) => t.startsWith(names[1]!))).toEqual([])
  const after = (days: number) => new Date(Date.parse(removedAt) + days * 86_400_000).toISOString()
  await eraseOverdue({ db, data, chores: CHORES_HERE }, after(29.9))
  expect(await get<RemovedLearner[]>('/learners/removed')).toMatchObject([{ id: late }])
  await eraseOverdue({ db, data, chores: CHORES_HERE }, after(30))
  expect(await get('/learners/removed')).toEqual([])
  expect(traces()).toEqual([])
})

test('what was brought in from a file is taken out again: everything is as before', async () => {
  const [from, to] = await get<LearnerWire[]>('/learners')
  const csv = (await send('GET', `/learners/${from!.id}/attempts.csv`)).body as string
  // The same problems, as if worked by somebody else.
  const ids = new Map<string, string>()
  const other = (id: string) => ids.get(id) ?? ids.set(id, crypto.randomUUID()).get(id)!
  const rows = readCsv(csv, () => '')
    .flatMap((r) => ('row' in r ? [r.row] : []))
    .slice(0, 60)
    .map(({ attempt, session }) => ({
      session,
      attempt: { ...attempt, id: other(attempt.id), sessionId: other(attempt.sessionId) },
    }))
  const before = rowsOf(to!.id)
  const answers = (await send('POST', `/learners/${to!.id}/attempts`, { rows })).body as BroughtInAnswer
  expect(answers.every((a) => 'stored' in a && a.stored)).toBe(true)
  expect(rowsOf(to!.id)).not.toEqual(before)
  const taken = rows.map((r) => r.attempt.id)
  // Attempts of others are not to be had this way.
  const foreign = await send('DELETE', `/learners/${from!.id}/attempts`, { ids: taken })
  expect(foreign.body).toEqual({ taken: 0 })
  expect((await send('DELETE', `/learners/${to!.id}/attempts`, { ids: [] })).status).toBe(422)
  // Half of each session first: what is counted then is what a count of all that is left gives.
  const half = taken.filter((_, i) => i % 2 === 0)
  await send('DELETE', `/learners/${to!.id}/attempts`, { ids: half })
  const counted = () => [rowsOf(to!.id), db.all(sql.raw('select * from session_slip order by 1, 2'))]
  const after = counted()
  recount(db)
  expect(counted()).toEqual(after)
  const out = await send('DELETE', `/learners/${to!.id}/attempts`, { ids: taken })
  expect(out.body).toEqual({ taken: rows.length - half.length })
  expect(rowsOf(to!.id)).toEqual(before)
})

test('the latest move of a level by hand is taken back as if it had not been; no other', async () => {
  const [, , one] = await get<LearnerWire[]>('/learners')
  const technique = 'square-duplex'
  const moves = () => get<MoveWire[]>(`/learners/${one!.id}/moves`)
  const before = await moves()
  const [first, second] = [crypto.randomUUID(), crypto.randomUUID()]
  await send('PUT', `/learners/${one!.id}/moves/${first}`, { technique, to: 3 })
  await send('PUT', `/learners/${one!.id}/moves/${second}`, { technique, to: 2 })
  expect((await send('DELETE', `/learners/${one!.id}/moves/${first}`, {})).status).toBe(422)
  for (const id of [second, second, first])
    expect((await send('DELETE', `/learners/${one!.id}/moves/${id}`, {})).status).toBe(200)
  expect(await moves()).toEqual(before)
  for (const { id } of await get<LearnerWire[]>('/learners')) {
    const byRule = (await get<MoveWire[]>(`/learners/${id}/moves`)).find((m) => m.by === 'rule')
    if (byRule) expect((await send('DELETE', `/learners/${id}/moves/${byRule.id}`, {})).status).toBe(422)
  }
})
