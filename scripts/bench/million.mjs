/** Desk and Record of a learner with a million attempts beside one with a thousand, opened in turn in one browser. */
import { mkdtempSync, rmSync, statSync } from 'node:fs'
import { createServer } from 'node:http'
import { createRequire } from 'node:module'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { demoLearners } from '../../core/dist/simulate/index.js'
import { launchBrowser, quantile } from './page.mjs'

const ROUNDS = 9
/** Days each copy of the pattern lies further back: a million attempts then fill some eight years. */
const STEP_DAYS = 3
/** Attempts in the pattern, at most. */
const MOST = 1000

export async function run() {
  const need = createRequire(new URL('../../server/package.json', import.meta.url))
  const { default: pino } = await import(need.resolve('pino'))
  const { createApp } = await import('../../server/dist/app.js')
  const { openDatabase } = await import('../../server/dist/store/database.js')
  const { insertAttempt, rollUpAll } = await import('../../server/dist/store/attempts.js')
  const { judgeRecord } = await import('../../core/dist/session/index.js')
  const { sql } = await import(need.resolve('drizzle-orm'))
  const folder = mkdtempSync(join(tmpdir(), 'tachymetra-million-'))
  const web = new URL('../../web/dist', import.meta.url).pathname

  // A pattern of a thousand attempts, judged and rolled up as any others.
  const today = new Date().toISOString().slice(0, 10)
  const count = (learner) => learner.sessions.reduce((sum, s) => sum + s.attempts.length, 0)
  const pattern = demoLearners(today).sort((a, b) => count(b) - count(a))[0]
  const most = Math.min(MOST, count(pattern))
  const stores = [1, Math.ceil(1e6 / most)].map((copies) => {
    const file = join(folder, `${copies}.sqlite`)
    const { db, close } = openDatabase(file)
    const learner = { id: pattern.id, timeZone: 'UTC' }
    db.run(sql`insert into learner values (${pattern.id}, 'Bench', 'UTC', 0)`)
    let left = most
    db.run(sql`pragma synchronous = off`)
    db.transaction((tx) => {
      for (const { attempts, ...row } of pattern.sessions.filter((s) => s.attempts.length).toReversed()) {
        const its = attempts.slice(0, left)
        if (its.length === 0) break
        left -= its.length
        const { id, startedAt, recipe, seed, generator } = row
        tx.run(
          sql`insert into session values (${id}, ${pattern.id}, ${startedAt}, ${JSON.stringify(recipe)}, ${seed}, ${generator})`,
        )
        for (const a of its) insertAttempt(tx, a, judgeRecord(a), learner)
        rollUpAll(tx, its)
      }
    })
    multiply(db, sql, copies)
    const attempts = db.get(sql`select count(*) as n from attempt`).n
    db.run(sql`vacuum`)
    db.run(sql`analyze`)
    const bytes = statSync(file).size
    const server = createServer(
      createApp({ db, data: folder, log: pino({ level: 'silent' }), web, loopback: true }),
    )
    return { attempts, bytes, server, close }
  })
  for (const { server } of stores) await new Promise((ready) => server.listen(0, '127.0.0.1', ready))

  const browser = await launchBrowser()
  const page = await browser.newPage()
  const opened = async ({ server }, path, ready) => {
    const started = performance.now()
    await page.goto(`http://127.0.0.1:${server.address().port}${path}`)
    await page.waitForSelector(ready)
    return performance.now() - started
  }
  process.stdout.write('\nA learner with a million attempts beside one with a thousand\n')
  for (const [name, path, ready] of [
    ['Desk, with the plan', '/', '.plan > li'],
    ['Record, with its charts', '/record', '.ant-table-row'],
  ]) {
    const times = stores.map(() => [])
    for (let i = 0; i <= ROUNDS; i += 1)
      for (const [k, store] of stores.entries()) {
        const ms = await opened(store, path, ready)
        // The first round warms caches on either side.
        if (i > 0) times[k].push(ms)
      }
    const [small, large] = times.map((t) => quantile(t, 0.5))
    process.stdout.write(
      `  ${name.padEnd(24)} ${small.toFixed(0)} ms and ${large.toFixed(0)} ms: ${(large / small).toFixed(2)} x\n`,
    )
  }
  const [, large] = stores
  process.stdout.write(
    `  ${large.attempts} attempts in ${(large.bytes / 1e6).toFixed(0)} MB: ${Math.round(large.bytes / large.attempts)} bytes an attempt, its entries and indexes counted in\n`,
  )
  await browser.close()
  for (const { server, close: shut } of stores) {
    server.closeAllConnections()
    server.close()
    shut()
  }
  rmSync(folder, { recursive: true, force: true })
}

/** Copies every session further into the past, ids and dates shifted, rollups with them. */
function multiply(db, sql, copies) {
  db.run(sql`create temp table copy (k integer primary key)`)
  db.run(
    sql`with recursive n(k) as (select 1 union all select k + 1 from n where k < ${copies - 1}) insert into copy select k from n where ${copies} > 1`,
  )
  const id = (column) => sql.raw(`printf('%08x', k) || substr(${column}, 9)`)
  const back = (column) => sql.raw(`strftime('%Y-%m-%dT%H:%M:%fZ', julianday(${column}) - ${STEP_DAYS} * k)`)
  const rest = (table, skip) =>
    sql.raw(
      db
        .all(sql.raw(`select name from pragma_table_info('${table}')`))
        .map((c) => `t."${c.name}"`)
        .slice(skip)
        .join(', '),
    )
  db.run(
    sql`insert into session select ${id('id')}, learner_id, ${back('started_at')}, recipe, seed, generator from session, copy`,
  )
  db.run(
    sql`insert into attempt (id, session_id, learner_id, n, technique, level, variant, support, expression, started_at, hints, outcome, think_ms, key_ms, total_ms, idle_ms, shown, "right", clean, timed, judge, events, entries, arrival) select ${id('id')}, ${id('session_id')}, learner_id, n, technique, level, variant, support, expression, ${back('started_at')}, hints, outcome, think_ms, key_ms, total_ms, idle_ms, shown, "right", clean, timed, judge, events, entries, arrival + k * ${MOST} from attempt, copy`,
  )
  db.run(
    sql`insert into session_pace select ${id('session_id')}, technique, level, support, learner_id, ${back('started_at')}, ${rest('session_pace', 6)} from session_pace t, copy`,
  )
  db.run(
    sql`insert into session_slip select ${id('session_id')}, ${rest('session_slip', 1)} from session_slip t, copy`,
  )
  db.run(
    sql`insert into practice_day select learner_id, day, sum(attempts), sum("right"), 0, sum(ms) from (select learner_id, date(julianday(day) - ${STEP_DAYS} * k) as day, attempts, "right", ms from practice_day, copy) where true group by 1, 2 on conflict (learner_id, day) do update set attempts = practice_day.attempts + excluded.attempts, "right" = practice_day."right" + excluded."right", ms = practice_day.ms + excluded.ms`,
  )
  db.run(
    sql`insert into slip_week select learner_id, week, technique, slip, place, sum(count) from (select learner_id, date(julianday(week) - ${STEP_DAYS} * k, '-6 days', 'weekday 1') as week, technique, slip, place, count from slip_week, copy) where true group by 1, 2, 3, 4, 5 on conflict do update set count = slip_week.count + excluded.count`,
  )
  db.run(sql`drop table copy`)
}
