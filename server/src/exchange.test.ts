import { readdirSync, readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { gunzipSync, gzipSync } from 'node:zlib'
import { readCsv, readFacts } from '@tachymetra/core/exchange'
import type { BroughtInAnswer, FactStanding, Holdings, LearnerWire, MoveWire } from '@tachymetra/core/wire'
import { sql } from 'drizzle-orm'
import Papa from 'papaparse'
import { expect, test } from 'vitest'
import type { Database } from './store/database.js'
import { backUp } from './store/files/backup.js'
import { openDatabase, SCHEMA_VERSION } from './store/files/opening.js'
import { look, restore } from './store/files/restore.js'
import { testServer } from './testing.js'

const { database, data, base, send, get } = testServer('2026-03-01')
const { db } = database

/** Every row of every table, in one order. */
function allRows(of: Database): Record<string, unknown[]> {
  const tables = of.all<{ name: string }>(
    sql.raw(
      "select name from sqlite_master where type = 'table' and name not like '%drizzle%' order by name",
    ),
  )
  return Object.fromEntries(
    tables.map(({ name }) => [
      name,
      of
        .all(sql.raw(`select * from "${name}"`))
        .map((row) => JSON.stringify(row))
        .sort()
        .map((row) => JSON.parse(row)),
    ]),
  )
}

async function upload(path: string, body: Buffer, type = 'application/octet-stream') {
  const response = await fetch(base() + path, {
    method: 'POST',
    headers: { 'Content-Type': type },
    body: new Uint8Array(body),
  })
  return { status: response.status, body: (await response.json()) as { detail: string } & Holdings }
}

test('a backup restored into an empty program is equal row for row', async () => {
  const file = join(data, 'all.tachymetra')
  await backUp(db, file)
  const empty = openDatabase(join(data, 'empty.sqlite'))
  const [database, kept] = [join(data, 'empty.sqlite'), join(data, 'kept.tachymetra')]
  const held = await restore({ packed: file, database, keep: kept })
  const rows = allRows(db)
  expect(Object.keys(rows).length).toBe(15)
  expect(rows.attempt!.length).toBeGreaterThan(4000)
  expect(allRows(empty.db)).toEqual(rows)
  expect(held).toEqual(await get('/holdings'))
  // And back again: what was there before is in the file kept.
  await restore({ packed: kept, database, keep: join(data, 'kept2.tachymetra') })
  expect(allRows(empty.db).learner).toEqual([])
  empty.close()
}, 60_000)

test('a backup that is damaged, foreign or newer is refused with its reason and changes nothing', async () => {
  const file = join(data, 'good.tachymetra')
  await backUp(db, file)
  const good = readFileSync(file)
  const before = allRows(db)
  const flipped = Buffer.from(good)
  flipped[good.length >> 1]! ^= 0xff
  const other = openDatabase(join(data, 'other.sqlite'))
  other.db.run(sql.raw('pragma application_id = 7'))
  other.close()
  const newer = openDatabase(join(data, 'newer.sqlite'))
  newer.db.run(sql.raw(`pragma user_version = ${SCHEMA_VERSION + 1}`))
  newer.close()
  const viewed = openDatabase(join(data, 'viewed.sqlite'))
  viewed.db.run(
    sql.raw(
      'create view endless as with recursive n(i) as (select 1 union all select i + 1 from n) select count(*) from n',
    ),
  )
  viewed.close()
  const inside = gunzipSync(good)
  inside.fill(0x41, inside.length >> 1, (inside.length >> 1) + 20_000)
  for (const [bytes, reason] of [
    [flipped, 'damaged'],
    [good.subarray(0, good.length - 100), 'damaged'],
    [Buffer.alloc(0), 'damaged'],
    [Buffer.from('hello'), 'damaged'],
    [gzipSync(Buffer.from('hello')), 'no backup'],
    [gzipSync(readFileSync(join(data, 'other.sqlite'))), 'no backup'],
    [gzipSync(readFileSync(join(data, 'viewed.sqlite'))), 'no backup'],
    [gzipSync(readFileSync(join(data, 'newer.sqlite'))), 'newer version'],
    [gzipSync(inside), 'damaged inside'],
  ] as const)
    for (const path of ['/restore/look', '/restore']) {
      const { status, body } = await upload(path, Buffer.from(bytes))
      expect({ status, detail: body.detail }).toEqual({
        status: 422,
        detail: expect.stringContaining(reason),
      })
    }
  expect((await upload('/restore', good, 'text/plain')).status).toBe(415)
  expect(allRows(db)).toEqual(before)
}, 60_000)

test('over HTTP: taken down, looked at, put back; what was there is kept aside', async () => {
  const response = await fetch(`${base()}/backup`)
  expect(response.headers.get('content-disposition')).toMatch(/\.tachymetra"?$/)
  const bytes = Buffer.from(await response.arrayBuffer())
  const before = allRows(db)
  const [first] = await get<LearnerWire[]>('/learners')
  expect((await send('DELETE', `/learners/${first!.id}`, {})).status).toBe(200)
  expect((await upload('/restore/look', bytes)).body.learners).toBe(8)
  expect((await get<LearnerWire[]>('/learners')).length).toBe(7)
  expect((await upload('/restore', bytes)).body).toMatchObject({ learners: 8 })
  expect(allRows(db)).toEqual(before)
  const aside = readdirSync(data).filter((f) => f.startsWith('before-'))
  expect(aside).toHaveLength(1)
  // Whoever is removed is removed from there as well; what cannot be read is left alone.
  const [, second] = await get<LearnerWire[]>('/learners')
  writeFileSync(join(data, 'before-broken.tachymetra'), 'nothing')
  await send('DELETE', `/learners/${second!.id}`, {})
  const kept = await look(join(data, aside[0]!))
  expect(kept.learners).toBe(6)
  expect(gunzipSync(readFileSync(join(data, aside[0]!))).includes(second!.name)).toBe(false)
  expect((await upload('/restore', bytes)).body).toMatchObject({ learners: 8 })
}, 60_000)

test('CSV taken out and brought in by another program gives the same attempts; bad rows alone stay out', async () => {
  const [one] = await get<LearnerWire[]>('/learners')
  const text = (await send('GET', `/learners/${one!.id}/attempts.csv`)).body as string
  const rows = readCsv(text, () => '').map((r) => ('row' in r ? r.row : undefined)!)
  expect(rows.length).toBeGreaterThan(100)
  const other = '6f1b0c5e-0000-4000-8000-0000000000aa'
  await send('PUT', `/learners/${other}`, { name: 'Wim', timeZone: 'UTC' })
  // They belong to somebody already.
  const here = await send('POST', `/learners/${other}/attempts`, { rows: rows.slice(0, 2) })
  expect(here.body).toEqual([
    { error: expect.stringContaining('another learner') },
    { error: expect.any(String) },
  ])
  await send('DELETE', `/learners/${one!.id}`, {})
  const bad = { ...rows[1]!, attempt: { ...rows[1]!.attempt, expression: '1+' } }
  const sendRows = async (some: readonly unknown[]) =>
    (await send('POST', `/learners/${other}/attempts`, { rows: some })).body as BroughtInAnswer
  expect(await sendRows([rows[0], bad, rows[0]])).toEqual([
    { stored: true },
    { error: expect.any(String) },
    { stored: false },
  ])
  for (let i = 0; i < rows.length; i += 50) await sendRows(rows.slice(i, i + 50))
  const named = (csv: string) => csv.replaceAll(/^(?:Wim|[^,]+)(?=,[0-9a-f]{8}-)/gm, 'somebody')
  expect(named((await send('GET', `/learners/${other}/attempts.csv`)).body as string)).toBe(named(text))
  expect((await send('POST', `/learners/${other}/attempts`, { rows: [] })).status).toBe(422)
}, 60_000)

test('statements are one JSON list, one an attempt', async () => {
  const [one] = await get<LearnerWire[]>('/learners')
  const statements = await get<{ id: string }[]>(`/learners/${one!.id}/statements.json`)
  expect(new Set(statements.map((s) => s.id)).size).toBe(statements.length)
  expect(statements.length).toBeGreaterThan(100)
  const nobody = '6f1b0c5e-0000-4000-8000-0000000000ab'
  await send('PUT', `/learners/${nobody}`, { name: 'Nobody', timeZone: 'UTC' })
  expect(await get(`/learners/${nobody}/statements.json`)).toEqual([])
})

test('facts go out and come in elsewhere, each once; what is remembered follows, and is taken out again', async () => {
  const [one] = await get<LearnerWire[]>('/learners')
  const text = (await send('GET', `/learners/${one!.id}/facts.csv`)).body as string
  const rows = readFacts(text, () => crypto.randomUUID()).map((r) => {
    if ('error' in r) throw new Error(r.error)
    return { ...r.fact, id: crypto.randomUUID() }
  })
  const other = crypto.randomUUID()
  await send('PUT', `/learners/${other}`, { name: 'Elsewhere', timeZone: 'UTC' })
  const bring = async (some: readonly object[]) =>
    (await send('POST', `/learners/${other}/facts`, { rows: some })).body as unknown as BroughtInAnswer
  const first = rows.slice(0, -10)
  expect(await bring(first)).toEqual(first.map(() => ({ stored: true })))
  expect(await bring([...rows.slice(-12), { ...rows[0], fact: '7x9' }, { ...rows[0], id: 'x' }])).toEqual([
    { stored: false },
    { stored: false },
    ...rows.slice(-10).map(() => ({ stored: true })),
    { error: 'Another recall has this id.' },
    { error: expect.stringContaining('id') },
  ])
  const plain = async (id: string) => {
    const facts = await get<FactStanding[]>(`/learners/${id}/facts`)
    return facts.toSorted((a, b) => a.fact.localeCompare(b.fact))
  }
  expect(await plain(other)).toEqual(await plain(one!.id))
  const counted = () =>
    db.get<{ n: number | null }>(
      sql.raw(`select sum(recalls) as n from practice_day where learner_id = '${other}'`),
    ).n
  expect(counted()).toBe(rows.length)
  // Only what is this learner's goes.
  const theirs = readFacts(text, () => crypto.randomUUID()).flatMap((r) => ('fact' in r ? [r.fact.id] : []))
  const ids = [...rows.map((r) => r.id), ...theirs.slice(0, 5)]
  expect((await send('DELETE', `/learners/${other}/facts`, { ids })).body).toEqual({ taken: rows.length })
  expect(await plain(other)).toEqual([])
  expect(counted()).toBeNull()
  expect((await plain(one!.id)).length).toBeGreaterThan(5)
})

test('facts and levels go out as tables of their own, named by learner and day, and described to programs', async () => {
  const [one] = await get<LearnerWire[]>('/learners')
  const fetched = async (path: string) => {
    const response = await fetch(`${base()}/learners/${one!.id}/${path}`)
    return { name: response.headers.get('content-disposition')!, text: await response.text() }
  }
  const parsed = (text: string) =>
    Papa.parse<Record<string, string>>(text.replace(/^\uFEFF/, ''), { header: true, skipEmptyLines: true })
  const day = new Date().toISOString().slice(0, 10)
  const facts = await fetched('facts.csv')
  expect(facts.name).toContain(`facts of ${one!.name}, ${day}.csv`)
  const recalls = parsed(facts.text).data
  const count = db.get<{ n: number }>(
    sql.raw(`select count(*) as n from fact_recall where learner_id = '${one!.id}'`),
  )
  expect(recalls).toHaveLength(count.n)
  expect(recalls.every((r) => r.learner === one!.name && /^(yes|no)$/.test(r.right!))).toBe(true)
  const levels = parsed((await fetched('levels.csv')).text).data
  const moves = await get<MoveWire[]>(`/learners/${one!.id}/moves`)
  expect(levels.map((l) => [l.technique, l.to, l.moved])).toEqual(
    moves.map((m) => [m.technique, String(m.to), m.at]).reverse(),
  )
  // Every column of every table is described, in its order.
  const described = JSON.parse((await fetched('datapackage.json')).text) as {
    resources: { name: string; path: string; schema: { fields: { name: string; type: string }[] } }[]
  }
  for (const { name, path, schema } of described.resources) {
    const { name: file, text } = await fetched(`${name}.csv`)
    expect(file).toContain(path)
    expect(schema.fields.map((f) => f.name)).toEqual(parsed(text).meta.fields)
    for (const { name: column, type } of schema.fields)
      if (type === 'integer')
        expect(parsed(text).data.every((row) => /^-?\d*$/.test(row[column]!))).toBe(true)
  }
})
