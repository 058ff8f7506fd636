/** What older versions kept otherwise, turned into what this one keeps. */
import { rulesOfOlder } from '@tachymetra/core/curriculum'
import { factById } from '@tachymetra/core/facts'
import { fadesOfOlder, recallLimit } from '@tachymetra/core/learner'
import {
  currentSlip,
  eventsOfOlder,
  type JudgedEntry,
  type OlderAttempt,
  type OlderEntry,
  type WorkedSupport,
} from '@tachymetra/core/session'
import { type ListedProblem, plainRecipe, withRecorded } from '@tachymetra/core/set'
import type { LevelReason } from '@tachymetra/core/words'
import type Driver from 'better-sqlite3'

type OlderRow = Omit<OlderAttempt, 'entries'> & { readonly id: string }

interface OlderEntryRow extends OlderEntry {
  readonly place: number
  readonly right: number
  readonly slip: string | null
}

/**
 * Up to version 4 entries were rows of their own and hints a number. They become the events of their attempts, and what
 * was judged of them stays as it was. All or nothing; without such rows nothing is done.
 */
export function upgradeEntries(driver: Driver.Database): void {
  const older = driver.prepare("select 1 from sqlite_master where name = 'older_entry'").get()
  if (!older) return
  driver
    .transaction(() => {
      const attempts = driver.prepare(
        'select id, hints, outcome, think_ms as thinkMs, key_ms as keyMs, total_ms as totalMs, idle_ms as idleMs from attempt',
      )
      const entriesOf = driver.prepare(
        'select step, place, value, ms, by, "right", slip from older_entry where attempt_id = ? order by position',
      )
      const change = driver.prepare('update attempt set events = ?, entries = ? where id = ?')
      for (const row of attempts.all() as OlderRow[]) {
        const entries = entriesOf.all(row.id) as OlderEntryRow[]
        change.run(
          JSON.stringify(eventsOfOlder({ ...row, entries })),
          JSON.stringify(entries.map(judged)),
          row.id,
        )
      }
      driver.exec('drop table older_entry')
    })
    .immediate()
}

function judged({ value, ms, step, place, by, right, slip }: OlderEntryRow): JudgedEntry {
  const verdict = right ? (by === 'program' ? 'given' : 'right') : slip ? 'slip' : 'wrong'
  const slips = slip ? [{ step, place, id: currentSlip(slip) }] : []
  return { text: value, ms, verdict, step, place, took: right ? 1 : 0, slips }
}

/**
 * Up to version 5 one mistake had several names, and up to version 6 what was said of it was kept with it. Counts of the
 * same mistake are put together, and what is kept of entries names it as it is named now, by its id alone. Done again it
 * changes nothing.
 */
export function renameSlips(driver: Driver.Database): void {
  driver
    .transaction(() => {
      for (const [table, others] of [
        ['session_slip', 'session_id'],
        ['slip_week', 'learner_id, week, technique, place'],
      ]) {
        const ids = driver.prepare(`select distinct slip from ${table}`).all() as { slip: string }[]
        for (const { slip } of ids) {
          if (currentSlip(slip) === slip) continue
          driver
            .prepare(
              `insert into ${table} (${others}, slip, count) select ${others}, ?, count from ${table} where slip = ?
              on conflict do update set count = count + excluded.count`,
            )
            .run(currentSlip(slip), slip)
          driver.prepare(`delete from ${table} where slip = ?`).run(slip)
        }
      }
      const kept = driver.prepare(
        `select id, entries from attempt where entries like '%"slips":[{%' and id > ? order by id limit 1000`,
      )
      const change = driver.prepare('update attempt set entries = ? where id = ?')
      type Row = { readonly id: string; readonly entries: string }
      // A thousand at a time: a long record is not held all at once.
      let rows = kept.all('') as Row[]
      while (rows.length > 0) {
        for (const { id, entries } of rows) {
          const renamed = (JSON.parse(entries) as JudgedEntry[]).map((entry) => ({
            ...entry,
            slips: entry.slips.map(({ step, place, id }) => ({ step, place, id: currentSlip(id) })),
          }))
          const text = JSON.stringify(renamed)
          if (text !== entries) change.run(text, id)
        }
        rows = kept.all(rows.at(-1)!.id) as Row[]
      }
    })
    .immediate()
}

/** Up to version 5 one fade stood for all abacus work. Done again it changes nothing. */
export function spreadFades(driver: Driver.Database): void {
  changeSet(driver, '$.fade', ({ fade, ...others }) => ({ ...others, fades: fadesOfOlder(fade) }))
}

/**
 * Up to version 6 a session was so many problems of one technique and level, and how they were drawn was not kept: its
 * set is the list of what was recorded. Done again it changes nothing.
 */
export function listSets(driver: Driver.Database): void {
  driver
    .transaction(() => {
      const sessions = driver
        .prepare("select id from session where json_extract(recipe, '$.older') is not null")
        .all() as { id: string }[]
      const attempts = driver.prepare(
        'select n, technique, level, support, expression from attempt where session_id = ? order by n',
      )
      const change = driver.prepare('update session set recipe = ? where id = ?')
      for (const { id } of sessions) {
        const rows = attempts.all(id) as (ListedProblem & { n: number; support: WorkedSupport })[]
        const recipe = rows.reduce(
          (list, { n, technique, level, expression }) =>
            withRecorded(list, n, { technique, level, expression }),
          plainRecipe([], rows[0]?.support ?? 'guided'),
        )
        change.run(JSON.stringify(recipe), id)
      }
    })
    .immediate()
}

/** Sentences that were kept of moves by the rules. */
const UP =
  /^Of the last (\d+) answers (\d+) were right, the median ([\d.]+) s: both within the target of ([\d.]+) s\.$/
const BACK = /^Of the last (\d+) answers (\d+) were right, fewer than (\d+):/

/** Why a move by the rules was made, from the sentence that was kept of it. */
function reasonFrom(sentence: string): LevelReason {
  const up = UP.exec(sentence)?.slice(1).map(Number)
  if (up) {
    const [of, right, median, target] = up as [number, number, number, number]
    const [medianMs, targetMs] = [Math.round(1000 * median), Math.round(1000 * target)]
    return { id: 'up', of, right, medianMs, targetMs }
  }
  const back = BACK.exec(sentence)?.slice(1).map(Number)
  if (!back) return { id: 'rule' }
  const [of, right, least] = back as [number, number, number]
  return { id: 'back', of, right, least }
}

/** Up to version 6 the reason of a move was kept as a sentence. Done again it changes nothing. */
export function nameReasons(driver: Driver.Database): void {
  driver
    .transaction(() => {
      const moves = driver
        .prepare(
          "select id, by, json_extract(reason, '$.older') as older from level_move where json_extract(reason, '$.older') is not null",
        )
        .all() as { id: string; by: 'rule' | 'hand'; older: string }[]
      const change = driver.prepare('update level_move set reason = ? where id = ?')
      for (const { id, by, older } of moves)
        change.run(JSON.stringify(by === 'hand' ? { id: 'hand' } : reasonFrom(older)), id)
    })
    .immediate()
}

/**
 * Up to version 8 so many of the latest answers had to be right. Whoever had other numbers set goes up after as many right
 * answers in a row as before. Done again it changes nothing.
 */
export function sequentialRules(driver: Driver.Database): void {
  changeSet(driver, '$.rules.upOf', ({ rules, ...others }) => ({ ...others, rules: rulesOfOlder(rules) }))
}

/**
 * Up to version 9 recalls were judged by the usual limits and what was set as the learner's time at the moment of counting:
 * those limits are kept with them. Done again it changes nothing.
 */
export function keepLimits(driver: Driver.Database): void {
  driver
    .transaction(() => {
      const asked = driver
        .prepare(
          `select distinct r.learner_id as learnerId, r.fact, json_extract(s.settings, '$.extraTime') as extraTime,
            json_type(s.settings, '$.extraTime') = 'null' as unlimited
          from fact_recall r left join learner_settings s on s.learner_id = r.learner_id where r.within_ms = 0`,
        )
        .all() as { learnerId: string; fact: string; extraTime: number | null; unlimited: number | null }[]
      const change = driver.prepare(
        'update fact_recall set within_ms = ? where learner_id = ? and fact = ? and within_ms = 0',
      )
      for (const { learnerId, fact, extraTime, unlimited } of asked) {
        const found = factById(fact)
        const limit = found && recallLimit(found.deck, { extraTime: unlimited ? null : (extraTime ?? 1) })
        // A fact that is in no deck any more has no limit that could be told.
        change.run(limit ?? null, learnerId, fact)
      }
    })
    .immediate()
}

/** Changes what is set for every learner whose settings have something at a path. */
function changeSet(
  driver: Driver.Database,
  path: string,
  // biome-ignore lint/suspicious/noExplicitAny: settings as an older version kept them
  changed: (settings: any) => object,
): void {
  driver
    .transaction(() => {
      const change = driver.prepare('update learner_settings set settings = ? where learner_id = ?')
      const set = driver
        .prepare(
          'select learner_id as learnerId, settings from learner_settings where json_extract(settings, ?) is not null',
        )
        .all(path)
      for (const { learnerId, settings } of set as { learnerId: string; settings: string }[])
        change.run(JSON.stringify(changed(JSON.parse(settings))), learnerId)
    })
    .immediate()
}
