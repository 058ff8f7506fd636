/** A record as long as is wanted: a pattern of a thousand attempts, copied further and further into the past. */
import { createRequire } from 'node:module'
import { demoLearners } from '../../core/dist/simulate/index.js'

/** Days each copy of the pattern lies further back: a million attempts then fill some eight years. */
const STEP_DAYS = 3
/** Attempts in the pattern, at most. */
const MOST = 1000

/**
 * Makes a database with one learner of about so many attempts, judged and rolled up as any others.
 * @returns the learner's id, and how many attempts there are
 */
export async function longRecord(file, wanted) {
  const need = createRequire(new URL('../../server/package.json', import.meta.url))
  const { openDatabase } = await import('../../server/dist/store/files/opening.js')
  const { insertAttempt, rollUpAll } = await import('../../server/dist/store/attempts.js')
  const { judgeRecord } = await import('../../core/dist/session/index.js')
  const { sql } = await import(need.resolve('drizzle-orm'))
  const today = new Date().toISOString().slice(0, 10)
  const count = (learner) => learner.sessions.reduce((sum, s) => sum + s.attempts.length, 0)
  const pattern = demoLearners(today).sort((a, b) => count(b) - count(a))[0]
  const most = Math.min(MOST, count(pattern))
  const { db, close } = openDatabase(file)
  const learner = { id: pattern.id, timeZone: 'UTC' }
  db.run(sql`insert into learner (id, name, time_zone, demo) values (${pattern.id}, 'Bench', 'UTC', 0)`)
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
  multiply(db, sql, Math.ceil(wanted / most))
  const { n } = db.get(sql`select count(*) as n from attempt`)
  db.run(sql`vacuum`)
  db.run(sql`analyze`)
  close()
  return { id: pattern.id, attempts: n }
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
    sql`insert into attempt (id, session_id, learner_id, n, technique, level, variant, support, expression, started_at, hints, outcome, think_ms, key_ms, total_ms, idle_ms, shown, "right", clean, timed, judge, events, entries) select ${id('id')}, ${id('session_id')}, learner_id, n, technique, level, variant, support, expression, ${back('started_at')}, hints, outcome, think_ms, key_ms, total_ms, idle_ms, shown, "right", clean, timed, judge, events, entries from attempt, copy`,
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
