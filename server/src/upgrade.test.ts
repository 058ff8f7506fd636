/** Databases made by earlier versions of this program, and what must not be lost on the way up. */
import {
  existsSync,
  mkdirSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  statSync,
  writeFileSync,
} from 'node:fs'
import { createServer } from 'node:http'
import type { AddressInfo } from 'node:net'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { gunzipSync, gzipSync } from 'node:zlib'
import { LEVEL_RULES, rulesOfOlder } from '@tachymetra/core/curriculum'
import { readCsv, type statementOf } from '@tachymetra/core/exchange'
import { fadeOf } from '@tachymetra/core/learner'
import { unmarked } from '@tachymetra/core/number'
import {
  eventsOfOlder,
  type JudgedEntry,
  judgeRecord,
  moved,
  RENAMED_SLIPS,
  withRemarks,
} from '@tachymetra/core/session'
import { AS_RECORDED, itemsOf, listedItem } from '@tachymetra/core/set'
import type {
  AttemptSummary,
  AttemptWire,
  MoveWire,
  PacePoint,
  PractisedWire,
  ProgressWire,
  SessionPage,
  SessionWire,
} from '@tachymetra/core/wire'
import { levelReasonWords } from '@tachymetra/core/words'
import Driver from 'better-sqlite3'
import { sql } from 'drizzle-orm'
import { expect, test, vi } from 'vitest'
import { openData, readSettings, StartError } from './main.js'
import { type Database, writeNow } from './store/database.js'
import { backUpFile } from './store/files/backup.js'
import { DatabaseError, openDatabase, SCHEMA_VERSION } from './store/files/opening.js'
import { removeFromAside, restore } from './store/files/restore.js'
import { recount } from './store/recount.js'
import { attempt } from './store/schema.js'
import { settingsOf } from './store/settings.js'
import { testApp } from './testing.js'

const FIXTURES = join(import.meta.dirname, 'fixtures')
const MIGRATIONS = join(import.meta.dirname, '../drizzle')
const folder = () => mkdtempSync(join(tmpdir(), 'tachymetra-upgrade-'))
const unpacked = (name: string) => gunzipSync(readFileSync(join(FIXTURES, `${name}.gz`)))

/** A database as a version left it, in a folder of its own. */
function fixture(version: number): { file: string; data: string } {
  const data = folder()
  const file = join(data, 'old.sqlite')
  writeFileSync(file, unpacked(`version-${version}.sqlite`))
  return { file, data }
}

/** Everything that is counted, but for the ids of moves, which older versions drew at random. */
function counted(db: Database): Record<string, unknown[]> {
  const tables = {
    practice_day: '*',
    slip_week: '*',
    session_pace: '*',
    session_slip: '*',
    fact_memory: '*',
    // To the tenth of a second that was kept in words of older moves.
    level_move:
      'learner_id, technique, "from", "to", at, by, reason ->> \'id\' as reason, reason ->> \'right\' as "right"',
  }
  return Object.fromEntries(
    Object.entries(tables).map(([table, columns]) => [
      table,
      db
        .all(sql.raw(`select ${columns} from ${table}`))
        .map((row) => JSON.stringify(row))
        .sort(),
    ]),
  )
}

test.each([1, 2, 3, 4])(
  'a database of version %i opens with every attempt, and a copy of it is kept and said',
  (version) => {
    const { file, data } = fixture(version)
    const before = new Driver(file)
    const count = (table: string) =>
      (before.prepare(`select count(*) as n from ${table}`).get() as { n: number }).n
    const [attempts, entries] = [count('attempt'), count('step_entry')]
    before.close()
    const said: string[] = []
    const { db, close } = openDatabase(file, { keep: data, say: (line) => said.push(line) })
    const rows = db.all<{ events: string; entries: string; judge: number }>(
      sql.raw('select events, entries, judge from attempt'),
    )
    expect(rows).toHaveLength(attempts)
    expect(attempts).toBeGreaterThan(40)
    expect(rows.reduce((sum, r) => sum + JSON.parse(r.entries).length, 0)).toBe(entries)
    expect(rows.every((r) => r.judge === 1 && JSON.parse(r.events).length > 0)).toBe(true)
    expect(db.all(sql.raw('pragma foreign_key_check'))).toEqual([])
    const [copy] = readdirSync(data).filter((f) => f.startsWith(`before-upgrade-of-`))
    expect(said.join()).toContain(copy)
    expect(statSync(join(data, copy!)).mode & 0o777).toBe(0o600)
    // The copy is the database as it was: it opens once more.
    const again = openDatabase(join(data, copy!))
    expect(counted(again.db)).toEqual(counted(db))
    again.close()
    // Counted again, everything is the same; what the upgrade to version 4 counted by UTC is put right.
    const first = counted(db)
    recount(db)
    if (version === 4) expect(counted(db)).toEqual(first)
    const second = counted(db)
    recount(db)
    expect(counted(db)).toEqual(second)
    close()
    // Opened again, nothing is brought up and nothing kept.
    openDatabase(file, { keep: data }).close()
    expect(readdirSync(data).filter((f) => /^before-.*sqlite$/.test(f))).toHaveLength(1)
  },
)

test('whoever is removed is removed from the copy kept before the upgrade too', async () => {
  const { file, data } = fixture(4)
  const { db, close } = openDatabase(file, { keep: data })
  const [one] = db.all<{ id: string; name: string }>(sql.raw('select id, name from learner order by name'))
  const copy = join(data, readdirSync(data).find((f) => /^before-upgrade-.*sqlite$/.test(f))!)
  expect(readFileSync(copy).includes(one!.name)).toBe(true)
  writeFileSync(join(data, 'before-upgrade-broken.sqlite'), 'nothing')
  await removeFromAside(data, one!.id)
  expect(readFileSync(copy).includes(one!.name)).toBe(false)
  const left = new Driver(copy)
  expect(left.prepare('select count(*) as n from learner').get()).toMatchObject({ n: 1 })
  expect(left.prepare('select count(*) as n from attempt').get()).toMatchObject({ n: expect.any(Number) })
  expect(
    left
      .prepare('select 1 from step_entry e left join attempt a on a.id = e.attempt_id where a.id is null')
      .all(),
  ).toEqual([])
  left.close()
  close()
})

/** An entry as it was given out before there were verdicts; what was said of a mistake is not kept any more. */
const asBefore = ({ text, ms, verdict, step, place, slips: [slip] }: JudgedEntry) => ({
  step,
  place,
  value: text,
  ms,
  right: moved({ verdict }),
  by: verdict === 'given' ? 'program' : 'learner',
  ...(slip && { slip: slip.id }),
})

/** What a version gave out, by the names things have now: mistakes, sessions, variants. */
function renamed(then: unknown): unknown {
  return JSON.parse(
    JSON.stringify(then)
      .replace(/"([a-z-]+)"/g, (_, id) => `"${RENAMED_SLIPS[id] ?? id}"`)
      .replaceAll('"sittingId"', '"sessionId"')
      .replaceAll('"sittings"', '"sessions"')
      .replaceAll(/"schools?"/g, (name) => name.replace('school', 'variant')),
  )
}

type Sitting = { technique: string; level: number; planned: number; paces: object[] }

/** A sitting as it was given out, as the session it is now. */
function asSession({ technique, level, planned: _, paces, ...rest }: Sitting) {
  return { ...rest, paces: paces.map((pace) => ({ ...pace, technique, level })) }
}

const withoutSet = ({ recipe: _, seed: __, generator, paces, ...rest }: SessionWire) => {
  expect(generator).toBe(AS_RECORDED)
  // How many of the timed ones were right was not counted then.
  for (const { timedRight, timed, right } of paces)
    expect(timedRight).toBeLessThanOrEqual(Math.min(timed, right))
  return { ...rest, paces: paces.map(({ timedRight: ___, ...pace }) => pace) }
}

/** Values without the fields that are not kept any more. */
function without<T>(value: T, ...names: readonly string[]): T {
  return JSON.parse(JSON.stringify(value, (key, some) => (names.includes(key) ? undefined : some)))
}

/** Compares what an address gives now with what it gave then. */
function compare(path: string, text: string, then: unknown): void {
  if (path.endsWith('.csv')) {
    const attempts = (csv: string) =>
      readCsv(csv, () => '').map((r) => ('row' in r ? [r.row.attempt, r.row.session.startedAt] : r.error))
    expect(attempts(text), path).toEqual(attempts(then as string))
    return
  }
  const [now, before] = [JSON.parse(text), renamed(then) as never]
  if (path.startsWith('/attempts/')) {
    const { events, judge, entries, ...attempt } = now as AttemptWire
    // Before there were events entries were of another form.
    if ('events' in (before as object))
      expect({ events, judge, entries, ...attempt }, path).toEqual(without(before, 'remark'))
    else {
      expect(judge).toBe(1)
      expect({ ...attempt, entries: entries.map(asBefore) }, path).toEqual(without(before, 'remark'))
    }
  } else if (/^\/sittings\//.test(path)) {
    const { attempts, ...session } = now as SessionWire & { attempts: AttemptSummary[] }
    const { attempts: lines, ...then } = before as Sitting & { attempts: object[] }
    expect(withoutSet(session), path).toEqual(asSession(then))
    expect(without(attempts, 'technique', 'level')).toEqual(lines)
    // The set of what was a sitting is the list of what was recorded.
    expect(itemsOf(session).map((item) => item && listedItem(item)?.expression)).toEqual(
      attempts.map((a) => a.expression),
    )
  } else if (path.includes('/sittings?')) {
    const { sessions, ...page } = now as SessionPage
    const { sessions: sittings, ...pageBefore } = before as { sessions: Sitting[] }
    expect({ ...page, sessions: sessions.map(withoutSet) }, path).toEqual({
      ...pageBefore,
      sessions: sittings.map(asSession),
    })
  } else if (path.endsWith('/techniques')) {
    expect((now as PractisedWire[]).map((p) => p.technique)).toEqual(before)
  } else if (path.endsWith('/moves')) {
    const said = (now as MoveWire[]).map(({ reason, ...move }) => ({
      ...move,
      because: unmarked(levelReasonWords(reason)),
    }))
    // A target of a minute and more is said in minutes now.
    expect(said, path).toEqual(JSON.parse(JSON.stringify(before).replaceAll('90.0 s', '1 min 30 s')))
  } else if (path.endsWith('/coach')) {
    const { latest, worked: _, moves, bests: __, past, weak, ...rest } = now as ProgressWire
    const {
      results,
      moves: movesBefore,
      ...restBefore
    } = before as never as ProgressWire & { results: PacePoint[] }
    expect(rest, path).toEqual(restBefore)
    // Papers came later.
    expect(weak, path).toEqual([])
    expect(without(moves, 'reason'), path).toEqual(without(movesBefore, 'because'))
    for (const { answers: attempts, ...its } of past)
      expect(results, path).toContainEqual(expect.objectContaining({ ...its, attempts }))
    // The same techniques, levels and supports, each begun when it was.
    for (const { technique, level, support, at } of latest) {
      const same = results.filter(
        (r) => r.technique === technique && r.level === level && r.support === support,
      )
      expect(same.map((r) => r.at).at(-1), `${path} ${technique}`).toBe(at)
    }
    expect(new Set(latest.map((l) => l.technique))).toEqual(new Set(results.map((r) => r.technique)))
  } else if (path.includes('/latest?')) {
    // No more of them than the rules look back on.
    const { length } = now as unknown[]
    expect(now, path).toEqual((before as unknown[]).slice(0, length))
    expect(length).toBeGreaterThanOrEqual(Math.min(5, (before as unknown[]).length))
  } else if (path.endsWith('/times')) {
    // Own times are read off the steps as they are asked now; what does not hang on them is the same.
    expect(now.keyMs, path).toEqual((before as { keyMs: number }).keyMs)
  } else if (path.endsWith('/statements.json')) {
    // Addresses and what an attempt is part of are told otherwise; what was worked, and what came of it, is the same.
    const worked = (statements: unknown) =>
      (statements as ReturnType<typeof statementOf>[]).map(({ id, actor, verb, object, result }) => {
        const { success, completion, duration, response } = result as Record<string, unknown>
        const { name } = (object as { definition: { name: object } }).definition
        return [id, actor.account.name, verb, name, success, completion, duration, response]
      })
    expect(worked(now), path).toEqual(worked(before))
  } else if (path.includes('/pace?')) expect(without(now, 'perMinute'), path).toEqual(before)
  else if (path.endsWith('/settings')) {
    // The one fade is that of every technique and level on the frame: see below.
    const since = {
      ...{ extraTime: 1, ownPace: true, textSize: 1, wording: 'full', alarm: null },
      ...{
        zero: 'plain',
        contrast: 'usual',
        calm: false,
        readAloud: false,
        ownKeyboard: false,
        ownAbacus: false,
      },
      ...{ keypad: 'touch', keypadSide: 'right', keypadOrder: 'calculator', papers: [] },
    }
    const { rules, ...rest } = without(before, 'fade', 'fades') as {
      rules: Parameters<typeof rulesOfOlder>[0]
    }
    expect(without(now, 'fades'), path).toEqual({ ...rest, ...since, rules: rulesOfOlder(rules) })
  } else expect(now, path).toEqual(before)
}

test.each([4, 6])(
  'every figure of record, sheet and plan is what it was before the upgrade from version %i',
  async (version) => {
    const { now, figures } = JSON.parse(unpacked(`version-${version}.json`).toString()) as {
      now: string
      figures: Record<string, never>
    }
    vi.useFakeTimers({ now: new Date(now), toFake: ['Date'] })
    const { file, data } = fixture(version)
    const { db, close } = openDatabase(file)
    const server = createServer(testApp(db, file, data))
    await new Promise<void>((ready) => server.listen(0, '127.0.0.1', ready))
    const base = `http://127.0.0.1:${(server.address() as AddressInfo).port}/api`
    expect(Object.keys(figures).length).toBeGreaterThan(75)
    for (const [path, then] of Object.entries(figures)) {
      const response = await fetch(
        base + path.replace('/sittings', '/sessions').replace(/coach$/, 'progress'),
      )
      expect(response.status, path).toBe(200)
      compare(path, await response.text(), then)
    }
    server.close()
    close()
    vi.useRealTimers()
  },
)

test('nothing that is kept is prose: mistakes by id and place, moves by reason and numbers', () => {
  for (const version of [3, 4, 6, 7]) {
    const { file } = fixture(version)
    const { db, close } = openDatabase(file)
    const entries = db.all<{ entries: string }>(sql.raw('select entries from attempt'))
    const slips = entries.flatMap((row) => (JSON.parse(row.entries) as JudgedEntry[]).flatMap((e) => e.slips))
    expect(slips.length).toBeGreaterThan(0)
    for (const slip of slips) expect(Object.keys(slip).sort()).toEqual(['id', 'place', 'step'])
    const reasons = db
      .all<{ reason: string }>(sql.raw('select reason from level_move'))
      .map((m) => JSON.parse(m.reason))
    for (const reason of reasons)
      for (const [key, value] of Object.entries(reason))
        expect(
          key === 'id' ? ['up', 'back', 'hand'].includes(value as string) : typeof value === 'number',
        ).toBe(true)
    if (version === 6) expect(reasons.map((r) => r.id)).toContain('up')
    close()
  }
})

/** What is said otherwise since then. */
/** How far off an entry was is told as the true difference now. */
const reworded = (remark = '') =>
  remark
    .replace(
      /(?:One|Ten) too (?:few|many):|You are [\d\u2009.]+ (?:short|over|too low|too high):/,
      'You are off:',
    )
    .replace('Multiply crosswise:', 'Cross them:')

test('a mistake that was kept by its id is said again as its working says it', () => {
  const { file } = fixture(6)
  const before = new Driver(file)
  const said = new Map(
    (before.prepare('select id, entries from attempt').all() as { id: string; entries: string }[]).map(
      (row) => [
        row.id,
        (JSON.parse(row.entries) as JudgedEntry[]).flatMap((e) => e.slips.map((s) => s.remark)),
      ],
    ),
  )
  before.close()
  const { db, close } = openDatabase(file)
  let count = 0
  for (const row of db.select().from(attempt).all()) {
    const { shown: _, ...record } = row
    const remarks = withRemarks(record, row.entries).flatMap((e) => e.slips.map((slip) => slip.remark))
    expect(remarks.map(reworded), row.expression).toEqual(said.get(row.id)?.map((remark) => reworded(remark)))
    count += remarks.length
  }
  expect(count).toBeGreaterThan(15)
  // Where the working has no such mistake any more, its name and place are told.
  const row = db
    .select()
    .from(attempt)
    .all()
    .find((a) => a.entries.some((e) => e.slips.length > 0))!
  const { shown: _, ...record } = row
  const gone = row.entries.map((e) => ({
    ...e,
    slips: e.slips.map(() => ({ step: 1, place: 2, id: 'long-gone' })),
  }))
  const told = withRemarks(record, gone).flatMap((e) => e.slips.map((slip) => slip.remark))
  expect(new Set(told)).toEqual(new Set(['Long gone: hundreds.']))
  close()
})

test('what was judged before is judged the same from its events, where the judge has not changed', () => {
  const { file } = fixture(4)
  const older = new Driver(file)
  const entriesOf = older.prepare(
    'select step, value, ms, by from step_entry where attempt_id = ? order by position',
  )
  const rows = older
    .prepare('select a.*, s.technique, s.level from attempt a join sitting s on s.id = a.sitting_id')
    .all() as Record<string, never>[]
  for (const row of rows) {
    const entries = entriesOf.all(row.id) as {
      step: number
      value: string
      ms: number
      by: 'learner' | 'program'
    }[]
    const times = { thinkMs: row.think_ms!, keyMs: row.key_ms!, totalMs: row.total_ms!, idleMs: row.idle_ms! }
    const verdict = judgeRecord({
      id: row.id!,
      sessionId: row.sitting_id!,
      n: row.n!,
      technique: row.technique!,
      variant: JSON.parse(row.school!),
      level: row.level!,
      support: row.support!,
      expression: row.expression!,
      startedAt: row.started_at!,
      judge: 1,
      events: eventsOfOlder({ entries, hints: row.hints!, outcome: row.outcome!, ...times }),
    })
    const { right, clean, timed, hints, outcome } = verdict
    expect(
      { right: Number(right), clean: Number(clean), timed: Number(timed), hints, outcome },
      String(row.expression),
    ).toEqual({
      right: row.right,
      clean: row.clean,
      timed: row.timed,
      hints: row.hints,
      outcome: row.outcome,
    })
  }
  older.close()
})

/** The migrations with one more. */
function withMigration(statements: string): string {
  const copy = join(folder(), 'drizzle')
  mkdirSync(join(copy, 'meta'), { recursive: true })
  for (const name of readdirSync(MIGRATIONS).filter((n) => n.endsWith('.sql')))
    writeFileSync(join(copy, name), readFileSync(join(MIGRATIONS, name)))
  const journal = JSON.parse(readFileSync(join(MIGRATIONS, 'meta/_journal.json'), 'utf8'))
  const when = Math.max(...journal.entries.map((e: { when: number }) => e.when)) + 1
  journal.entries.push({
    idx: journal.entries.length,
    version: '6',
    when,
    tag: '9999_trial',
    breakpoints: true,
  })
  writeFileSync(join(copy, 'meta/_journal.json'), JSON.stringify(journal))
  writeFileSync(join(copy, '9999_trial.sql'), statements.split('\n').join('--> statement-breakpoint\n'))
  return copy
}

const everything = (db: Database) =>
  ['learner', 'session', 'attempt', 'fact_recall', 'level_move', 'learner_settings'].map(
    (table) => db.get<{ n: number }>(sql.raw(`select count(*) as n from ${table}`)).n,
  )

test('the one fade of a learner becomes that of every technique and level on the frame', () => {
  const { file } = fixture(4)
  const before = new Driver(file)
  const { id } = before.prepare('select id from learner').get() as { id: string }
  const fade = { level: 'empty', run: 2 }
  before
    .prepare('insert or replace into learner_settings (learner_id, settings) values (?, ?)')
    .run(id, JSON.stringify({ minutes: 9, fade }))
  before.close()
  const { db, close } = openDatabase(file)
  const settings = settingsOf(db, id)
  expect(settings).not.toHaveProperty('fade')
  expect(settings.minutes).toBe(9)
  for (const technique of ['soroban-add', 'soroban-multiply'])
    expect([0, 1, 5].map((level) => fadeOf(settings.fades, technique, level))).toEqual([fade, fade, fade])
  expect(Object.keys(settings.fades)).not.toContain('add-pairs')
  close()
})

test('a migration that makes the table of learners anew loses no row', () => {
  const { file, data } = fixture(4)
  const first = openDatabase(file)
  const before = everything(first.db)
  first.close()
  const migrations = withMigration(
    [
      'PRAGMA foreign_keys=OFF;',
      'CREATE TABLE `__new_learner` (`id` text PRIMARY KEY NOT NULL, `name` text NOT NULL, `time_zone` text NOT NULL, `demo` integer NOT NULL, `pin` text);',
      'INSERT INTO `__new_learner` SELECT `id`, `name`, `time_zone`, `demo`, null FROM `learner`;',
      'DROP TABLE `learner`;',
      'ALTER TABLE `__new_learner` RENAME TO `learner`;',
      'PRAGMA foreign_keys=ON;',
    ].join('\n'),
  )
  const { db, close } = openDatabase(file, { migrations, keep: data })
  expect(everything(db)).toEqual(before)
  expect(db.all(sql.raw('select pin from learner'))).toHaveLength(2)
  expect(db.get(sql.raw('pragma foreign_keys'))).toMatchObject({ foreign_keys: 1 })
  close()
})

test('rules of one’s own ask for as many right answers as before, and moves stay as they were made', () => {
  const { file } = fixture(7)
  const before = new Driver(file)
  const [one, other] = before.prepare('select id from learner').all() as { id: string }[]
  const moves = () => before.prepare('select id, "from", "to", at, by from level_move order by id').all()
  const kept = moves()
  const put = before.prepare(
    "insert or replace into learner_settings (learner_id, settings) values (?, json_object('minutes', 9, 'rules', json(?)))",
  )
  put.run(one!.id, JSON.stringify({ upOf: 8, upRight: 8, backOf: 10, backBelow: 7 }))
  put.run(other!.id, JSON.stringify({ upOf: 20, upRight: 19, backOf: 10, backBelow: 7 }))
  before.close()
  const { db, close } = openDatabase(file)
  expect(settingsOf(db, one!.id)).toMatchObject({ minutes: 9, rules: { ...LEVEL_RULES, odds: 3 } })
  expect(settingsOf(db, other!.id).rules).toEqual(LEVEL_RULES)
  const now = () => db.all(sql.raw('select id, "from", "to", at, by from level_move order by id'))
  expect(kept.length).toBeGreaterThan(0)
  expect(now()).toEqual(kept)
  recount(db)
  expect(now()).toEqual(kept)
  close()
})

test('a migration that would lose rows is taken back, and the database is as it was', () => {
  const { file, data } = fixture(4)
  const first = openDatabase(file)
  const before = everything(first.db)
  first.close()
  const migrations = withMigration('DELETE FROM `learner`;')
  expect(() => openDatabase(file, { migrations, keep: data })).toThrow(/would lose rows/)
  const { db, close } = openDatabase(file)
  expect(everything(db)).toEqual(before)
  close()
})

test('a database of a newer version, and one of another program, are refused in one line and left alone', () => {
  const { file } = fixture(4)
  openDatabase(file).close()
  const newer = new Driver(file)
  newer.pragma(`user_version = ${SCHEMA_VERSION + 1}`)
  newer.close()
  const bytes = readFileSync(file)
  expect(() => openDatabase(file)).toThrow(/newer version.*update first/)
  expect(readFileSync(file)).toEqual(bytes)
  const foreign = join(folder(), 'foreign.sqlite')
  const other = new Driver(foreign)
  other.exec('create table notes (text)')
  other.close()
  expect(() => openDatabase(foreign)).toThrow(DatabaseError)
  expect(new Driver(foreign).prepare('select name from sqlite_master').all()).toEqual([{ name: 'notes' }])
})

test('a second process on a folder is refused; folder and files are for this account alone', () => {
  const data = folder()
  const settings = readSettings({ TACHYMETRA_DATA: data }, ['--empty'])
  const first = openData(settings, () => {})
  expect(() => openData(settings, () => {})).toThrow(StartError)
  expect(() => openData(settings, () => {})).toThrow(/another Tachymetra/)
  expect(statSync(data).mode & 0o777).toBe(0o700)
  for (const name of readdirSync(data)) expect(statSync(join(data, name)).mode & 0o077, name).toBe(0)
  first.close()
  openData(settings, () => {}).close()
})

test('a backup taken by another process beside a writer holds up nobody and loses nothing', async () => {
  const data = folder()
  const file = join(data, 'busy.sqlite')
  const { db, close } = openDatabase(file)
  const other = new Driver(file)
  other.pragma('busy_timeout = 0')
  // Another writer comes in between what a transaction reads and what it writes.
  writeNow(db, (tx) => {
    tx.run(
      sql.raw(
        "insert into learner (id, name, time_zone, demo) values ('6f1b0c5e-0000-4000-8000-000000000001', 'Wim', 'UTC', 0)",
      ),
    )
    expect(() =>
      other.exec(
        "insert into learner (id, name, time_zone, demo) values ('6f1b0c5e-0000-4000-8000-000000000002', 'Bo', 'UTC', 0)",
      ),
    ).toThrow(/locked|busy/i)
  })
  other.close()
  const copy = join(data, 'copy.tachymetra')
  await backUpFile(file, copy)
  writeNow(db, (tx) =>
    tx.run(
      sql.raw(
        "insert into learner (id, name, time_zone, demo) values ('6f1b0c5e-0000-4000-8000-000000000003', 'Cas', 'UTC', 0)",
      ),
    ),
  )
  const fresh = openDatabase(join(data, 'fresh.sqlite'))
  const held = await restore({
    packed: copy,
    database: join(data, 'fresh.sqlite'),
    keep: join(data, 'kept.tachymetra'),
  })
  expect(held.learners).toBe(1)
  expect(db.all(sql.raw('select id from learner'))).toHaveLength(2)
  expect(readdirSync(data).filter((f) => f.startsWith('.working-'))).toEqual([])
  fresh.close()
  close()
})

test('a backup of any earlier version is brought up to date as it is restored', async () => {
  const database = join(folder(), 'now.sqlite')
  const { db, close } = openDatabase(database)
  for (const version of [1, 2, 3, 4, 6, 7]) {
    // The first versions did not mark what they made; their backups came later and did.
    const { file, data } = fixture(version)
    const mark = new Driver(file)
    mark.pragma(`application_id = ${0x54614368}`)
    mark.pragma('wal_checkpoint(TRUNCATE)')
    mark.close()
    const kept = join(data, 'kept.tachymetra')
    const packed = join(data, 'packed')
    writeFileSync(packed, gzipSync(readFileSync(file)))
    const held = await restore({ packed, database, keep: kept })
    expect(held).toMatchObject({ learners: 2, attempts: expect.any(Number) })
    expect(existsSync(kept)).toBe(true)
    expect(db.all(sql.raw("select 1 from attempt where events = '[]'"))).toEqual([])
  }
  close()
})
