import { paceOf } from '@tachymetra/core/learner'
import { dayIn, median } from '@tachymetra/core/number'
import type { AttemptRecord, Verdict } from '@tachymetra/core/session'
import type { AttemptSummary, AttemptWire } from '@tachymetra/core/wire'
import { and, asc, eq, inArray, sql } from 'drizzle-orm'
import type { Database } from './database.js'
import { countDay, countSlips, dropEmpty } from './days.js'
import { changed } from './kept.js'
import { moveByRule } from './moves.js'
import { placeholders, prepared, type Store } from './prepared.js'
import { attempt, factRecall, levelMove, session, sessionPace, sessionSlip } from './schema.js'
import { listRecorded, type SessionHead, sessionHead } from './sessions.js'

export type AttemptRow = typeof attempt.$inferSelect

/**
 * Stores an attempt with its verdict and brings the rollups up to date.
 * @param its the session, as it stands in this transaction
 * @returns false when it was stored in the meantime
 */
export function storeAttempt(tx: Store, record: AttemptRecord, verdict: Verdict, its: SessionHead): boolean {
  const learner = { id: its.learnerId, timeZone: its.timeZone }
  if (!insertAttempt(tx, record, verdict, learner)) return false
  listRecorded(tx, its, record.n, record)
  addToPace(tx, record, verdict, its)
  return true
}

/**
 * The row of one attempt, its share in the learner's day, week and session, and the move of level it may bring about;
 * all but the pace of its session.
 * @returns false when there is one with its id already; nothing is changed then
 */
export function insertAttempt(
  db: Store,
  record: AttemptRecord,
  verdict: Verdict,
  learner: { readonly id: string; readonly timeZone: string },
): boolean {
  const { shown, ...row } = record
  const values = { ...row, ...verdict, learnerId: learner.id, shown: shown ?? null }
  if (insertRow(db).run(values).changes === 0) return false
  countAttempt(db, learner, { ...verdict, ...row })
  if (row.support === 'answer') moveByRule(db, learner.id, { ...verdict, ...row })
  changed(db, learner.id)
  return true
}

/** What is counted of an attempt that is stored. */
export interface Countable extends Omit<Verdict, 'judge'> {
  readonly id: string
  readonly sessionId: string
  readonly technique: string
  readonly level: number
  readonly startedAt: string
}

/** Its share in the rollups that are added up: day, week, session. @param by -1 takes it out again */
export function countAttempt(
  db: Store,
  learner: { readonly id: string; readonly timeZone: string },
  one: Countable,
  by: 1 | -1 = 1,
): void {
  const day = dayIn(one.startedAt, learner.timeZone)
  const ms = one.timed ? by * one.totalMs : 0
  countDay(db, learner.id, day, { attempts: by, right: one.right ? by : 0, recalls: 0, ms })
  countSlips(db, learner.id, day, one.technique, one.entries, by)
  for (const { id: slip } of one.entries.flatMap((e) => e.slips))
    addToSession(db).run({ sessionId: one.sessionId, slip, count: by })
}

/**
 * Takes attempts of a learner out again, with their share in what is counted and the moves of level they brought about;
 * sessions that hold nothing without them go too. Those of others are left alone.
 * @returns how many were taken out
 */
export function removeAttempts(
  db: Store,
  learner: { readonly id: string; readonly timeZone: string },
  ids: readonly string[],
): number {
  const named = and(eq(attempt.learnerId, learner.id), inArray(attempt.id, [...ids]))
  const rows = db.select().from(attempt).where(named).all()
  for (const row of rows) countAttempt(db, learner, row, -1)
  db.delete(attempt).where(named).run()
  // A move of level bears the id of the answer that brought it about.
  db.delete(levelMove)
    .where(and(eq(levelMove.learnerId, learner.id), inArray(levelMove.id, [...ids])))
    .run()
  for (const id of new Set(rows.map((r) => r.sessionId))) {
    const held =
      db.select({ id: attempt.id }).from(attempt).where(eq(attempt.sessionId, id)).get() ??
      db.select({ id: factRecall.id }).from(factRecall).where(eq(factRecall.sessionId, id)).get()
    if (!held) db.delete(session).where(eq(session.id, id)).run()
    db.delete(sessionSlip)
      .where(and(eq(sessionSlip.sessionId, id), eq(sessionSlip.count, 0)))
      .run()
  }
  rollUpAll(db, rows)
  dropEmpty(db, learner.id)
  if (rows.length > 0) changed(db, learner.id)
  return rows.length
}

const COLUMNS = [
  'id',
  'sessionId',
  'learnerId',
  'n',
  'technique',
  'level',
  'variant',
  'support',
  'expression',
  'startedAt',
  'hints',
  'outcome',
  'thinkMs',
  'keyMs',
  'totalMs',
  'idleMs',
  'shown',
  'right',
  'clean',
  'timed',
  'judge',
  'events',
  'entries',
] as const

const insertRow = prepared((db) =>
  db
    .insert(attempt)
    .values(placeholders(...COLUMNS))
    .onConflictDoNothing()
    .prepare(),
)
const addToSession = prepared((db) =>
  db
    .insert(sessionSlip)
    .values(placeholders('sessionId', 'slip', 'count'))
    .onConflictDoUpdate({
      target: [sessionSlip.sessionId, sessionSlip.slip],
      set: { count: sql`${sessionSlip.count} + excluded.count` },
    })
    .prepare(),
)

/** What is of one session, technique, level and support. */
const ofGroup = (rows: typeof attempt | typeof sessionPace) =>
  and(
    eq(rows.sessionId, sql.placeholder('sessionId')),
    eq(rows.technique, sql.placeholder('technique')),
    eq(rows.level, sql.placeholder('level')),
    eq(rows.support, sql.placeholder('support')),
  )

const rowsOfSession = prepared((db) =>
  db
    .select({
      right: attempt.right,
      clean: attempt.clean,
      timed: attempt.timed,
      totalMs: attempt.totalMs,
      outcome: attempt.outcome,
    })
    .from(attempt)
    .where(ofGroup(attempt))
    .prepare(),
)
const insertPace = prepared((db) =>
  db
    .insert(sessionPace)
    .values(
      placeholders(
        'sessionId',
        'technique',
        'level',
        'support',
        'learnerId',
        'startedAt',
        'attempts',
        'right',
        'clean',
        'medianMs',
        'bestMs',
        'timed',
        'timedMs',
        'timedRight',
      ),
    )
    .onConflictDoUpdate({
      target: [sessionPace.sessionId, sessionPace.technique, sessionPace.level, sessionPace.support],
      set: {
        attempts: sql`excluded.attempts`,
        right: sql`excluded."right"`,
        clean: sql`excluded.clean`,
        medianMs: sql`excluded.median_ms`,
        bestMs: sql`excluded.best_ms`,
        timed: sql`excluded.timed`,
        timedMs: sql`excluded.timed_ms`,
        timedRight: sql`excluded.timed_right`,
      },
    })
    .prepare(),
)
const paceRow = prepared((db) => db.select().from(sessionPace).where(ofGroup(sessionPace)).prepare())
/** The one or two times in the middle of those that count. */
const middleTimes = prepared((db) =>
  db
    .select({ ms: attempt.totalMs })
    .from(attempt)
    .where(and(ofGroup(attempt), eq(attempt.timed, true), eq(attempt.outcome, 'done')))
    .orderBy(attempt.totalMs)
    .limit(sql.placeholder('most'))
    .offset(sql.placeholder('before'))
    .prepare(),
)

/** What is rolled up together of a session. */
export type Rolled = Pick<AttemptRow, 'sessionId' | 'technique' | 'level' | 'support'>

/** The pace of a session with one more attempt, which is stored already: by difference, but for the time in the middle. */
function addToPace(
  db: Store,
  { sessionId, technique, level }: AttemptRecord,
  { support, right, clean, timed, outcome, totalMs }: Verdict,
  { learnerId, startedAt }: SessionHead,
): void {
  const its = { sessionId, technique, level, support }
  const before = paceRow(db).get(its)
  const counts = timed && outcome === 'done'
  const ofTime = (before?.timed ?? 0) + (counts ? 1 : 0)
  const most = ofTime % 2 === 0 ? 2 : 1
  const middle = counts ? middleTimes(db).all({ ...its, most, before: (ofTime - 1) >> 1 }) : []
  const best = Math.min(
    before?.bestMs ?? Number.POSITIVE_INFINITY,
    counts && right ? totalMs : Number.POSITIVE_INFINITY,
  )
  insertPace(db).run({
    ...its,
    learnerId,
    startedAt,
    attempts: (before?.attempts ?? 0) + 1,
    right: (before?.right ?? 0) + (right ? 1 : 0),
    clean: (before?.clean ?? 0) + (clean ? 1 : 0),
    medianMs: counts ? median(middle.map((m) => m.ms))! : (before?.medianMs ?? null),
    bestMs: Number.isFinite(best) ? best : null,
    timed: ofTime,
    timedMs: (before?.timedMs ?? 0) + (counts ? totalMs : 0),
    timedRight: (before?.timedRight ?? 0) + (counts && right ? 1 : 0),
  })
}

/** Counts the pace of a session at one technique and level under one support afresh: a handful of rows. */
function rollUp(db: Store, { sessionId, technique, level, support }: Rolled): void {
  const its = { sessionId, technique, level, support }
  const rows = rowsOfSession(db).all(its)
  if (rows.length === 0) {
    const none = Object.entries(its).map(([key, value]) => eq(sessionPace[key as keyof typeof its], value))
    db.delete(sessionPace)
      .where(and(...none))
      .run()
    return
  }
  const pace = paceOf(rows.map((r) => ({ ...r, done: r.outcome === 'done' })))
  const times = { medianMs: pace.medianMs ?? null, bestMs: pace.bestMs ?? null }
  const { learnerId, startedAt } = sessionHead(db, sessionId)!
  insertPace(db).run({ ...pace, ...times, ...its, learnerId, startedAt })
}

/** The same for all that some attempts are part of. */
export function rollUpAll(db: Store, attempts: readonly Rolled[]): void {
  const each = new Map(
    attempts.map((a) => [`${a.sessionId} ${a.technique} ${a.level} ${a.support}`, a] as const),
  )
  for (const one of each.values()) rollUp(db, one)
}

const byId = prepared((db) =>
  db
    .select()
    .from(attempt)
    .where(eq(attempt.id, sql.placeholder('id')))
    .prepare(),
)

export function attemptRow(db: Pick<Database, 'select'>, id: string): AttemptRow | undefined {
  return byId(db).get({ id })
}

/** One attempt whole, ready to be replayed. */
export function attemptById(db: Database, id: string): AttemptWire | undefined {
  const row = attemptRow(db, id)
  return row && wholeAttempt(row)
}

/** A row as it goes over the wire. */
export function wholeAttempt({ shown, ...row }: AttemptRow): AttemptWire {
  return { ...row, ...(shown && { shown }) }
}

/** The attempts of a session in their order, one line each. */
export function attemptsOf(db: Database, sessionId: string): AttemptSummary[] {
  const rows = db.select().from(attempt).where(eq(attempt.sessionId, sessionId)).orderBy(asc(attempt.n)).all()
  return rows.map(
    ({ id, n, technique, level, support, expression, outcome, right, clean, timed, totalMs, entries }) => {
      const slips = entries.flatMap((e) => e.slips.map((s) => s.id))
      return { id, n, technique, level, support, expression, outcome, right, clean, timed, totalMs, slips }
    },
  )
}
