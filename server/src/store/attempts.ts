import { paceOf } from '@tachymetra/core/learner'
import { dayIn } from '@tachymetra/core/number'
import {
  type AttemptRecord,
  type Causes,
  causesOf,
  type Exercise,
  finishedProgress,
  type Verdict,
  verdictOf,
  wrongAnswers,
} from '@tachymetra/core/session'
import type { AttemptSummary, AttemptWire } from '@tachymetra/core/wire'
import { and, asc, eq, sql } from 'drizzle-orm'
import { type Database, write } from './database.js'
import { countDay, countSlips } from './days.js'
import { moveByRule } from './moves.js'
import { placeholders, prepared, type Store } from './prepared.js'
import { attempt, sittingPace, sittingSlip } from './schema.js'
import { learnerOfSitting, sittingRow } from './sittings.js'

export type AttemptRow = typeof attempt.$inferSelect

/**
 * Judges an attempt, and lets others be served before each of its wrong answers: each may take a while to look into.
 * @throws InputError when the record does not hang together.
 */
export async function judged(record: AttemptRecord): Promise<Verdict> {
  const progress = finishedProgress(record)
  const exercise = progress.task as Exercise
  const causes: Causes[number][] = []
  for (const [nth, { text }] of wrongAnswers(progress).entries()) {
    await new Promise(setImmediate)
    causes.push(causesOf(exercise, text, nth))
  }
  return verdictOf(progress, causes)
}

/**
 * Stores an attempt with its verdict and brings the rollups up to date, all or nothing. The sitting must exist.
 * @returns false when it was stored in the meantime
 */
export function addAttempt(db: Database, record: AttemptRecord, verdict: Verdict): boolean {
  return write(db, (tx) => storeAttempt(tx, record, verdict))
}

/** The same inside a transaction that is already open. */
export function storeAttempt(tx: Store, record: AttemptRecord, verdict: Verdict): boolean {
  if (!insertAttempt(tx, record, verdict, learnerOfSitting(tx, record.sittingId))) return false
  rollUp(tx, record.sittingId, record.support)
  return true
}

/**
 * The row of one attempt, its share in the learner's day, week and sitting, and the move of level it may bring about;
 * all but the pace of its sitting.
 * @returns false when there is one with its id already; nothing is changed then
 */
export function insertAttempt(
  db: Store,
  record: AttemptRecord,
  verdict: Verdict,
  learner: { readonly id: string; readonly timeZone: string },
): boolean {
  const { technique, level, shown, ...row } = record
  const stored = insertRow(db).get({ ...row, ...verdict, shown: shown ?? null }) as
    | { readonly arrival: number }
    | undefined
  if (!stored) return false
  countAttempt(db, learner, { ...verdict, ...stored, technique, level, ...row })
  return true
}

/** What is counted of an attempt that is stored. */
export interface Countable extends Omit<Verdict, 'judge'> {
  readonly id: string
  readonly sittingId: string
  readonly technique: string
  readonly level: number
  readonly startedAt: string
  readonly arrival: number
}

/** Its share in the rollups that are added up: day, week, sitting; and the move of level it may bring about. */
export function countAttempt(
  db: Store,
  learner: { readonly id: string; readonly timeZone: string },
  one: Countable,
): void {
  const day = dayIn(one.startedAt, learner.timeZone)
  const ms = one.timed ? one.totalMs : 0
  countDay(db, learner.id, day, { attempts: 1, right: one.right ? 1 : 0, recalls: 0, ms })
  countSlips(db, learner.id, day, one.technique, one.entries)
  for (const { id: slip } of one.entries.flatMap((e) => e.slips))
    addToSitting(db).run({ sittingId: one.sittingId, slip })
  if (one.support === 'answer' && one.outcome === 'done') moveByRule(db, learner.id, one)
}

const COLUMNS = [
  'id',
  'sittingId',
  'n',
  'school',
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
    .values({
      ...placeholders(...COLUMNS),
      arrival: sql`(select coalesce(max(arrival), 0) + 1 from attempt)`,
    })
    .onConflictDoNothing()
    .returning({ arrival: attempt.arrival })
    .prepare(),
)
const addToSitting = prepared((db) =>
  db
    .insert(sittingSlip)
    .values({ ...placeholders('sittingId', 'slip'), count: 1 })
    .onConflictDoUpdate({
      target: [sittingSlip.sittingId, sittingSlip.slip],
      set: { count: sql`${sittingSlip.count} + 1` },
    })
    .prepare(),
)

const rowsOfSitting = prepared((db) =>
  db
    .select({
      right: attempt.right,
      clean: attempt.clean,
      timed: attempt.timed,
      totalMs: attempt.totalMs,
      outcome: attempt.outcome,
    })
    .from(attempt)
    .where(
      and(
        eq(attempt.sittingId, sql.placeholder('sittingId')),
        eq(attempt.support, sql.placeholder('support')),
      ),
    )
    .prepare(),
)
const insertPace = prepared((db) =>
  db
    .insert(sittingPace)
    .values(
      placeholders(
        'sittingId',
        'support',
        'attempts',
        'right',
        'clean',
        'medianMs',
        'bestMs',
        'timed',
        'timedMs',
      ),
    )
    .onConflictDoUpdate({
      target: [sittingPace.sittingId, sittingPace.support],
      set: {
        attempts: sql`excluded.attempts`,
        right: sql`excluded."right"`,
        clean: sql`excluded.clean`,
        medianMs: sql`excluded.median_ms`,
        bestMs: sql`excluded.best_ms`,
        timed: sql`excluded.timed`,
        timedMs: sql`excluded.timed_ms`,
      },
    })
    .prepare(),
)
/** Counts the pace of a sitting under one support afresh: a handful of rows. */
export function rollUp(db: Store, sittingId: string, support: string): void {
  const rows = rowsOfSitting(db).all({ sittingId, support })
  const pace = paceOf(rows.map((r) => ({ ...r, done: r.outcome === 'done' })))
  const times = { medianMs: pace.medianMs ?? null, bestMs: pace.bestMs ?? null }
  insertPace(db).run({ ...pace, ...times, sittingId, support })
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
  const its = row && sittingRow(db, row.sittingId)
  return row && its && wholeAttempt(row, its)
}

/** A row as it goes over the wire. */
export function wholeAttempt(
  { shown, arrival: _, ...row }: AttemptRow,
  {
    learnerId,
    technique,
    level,
  }: { readonly learnerId: string; readonly technique: string; readonly level: number },
): AttemptWire {
  return { ...row, ...(shown && { shown }), learnerId, technique, level }
}

/** The attempts of a sitting in their order, one line each. */
export function attemptsOf(db: Database, sittingId: string): AttemptSummary[] {
  const rows = db.select().from(attempt).where(eq(attempt.sittingId, sittingId)).orderBy(asc(attempt.n)).all()
  return rows.map(({ id, n, support, expression, outcome, right, clean, timed, totalMs, entries }) => {
    const slips = entries.flatMap((e) => e.slips.map((s) => s.id))
    return { id, n, support, expression, outcome, right, clean, timed, totalMs, slips }
  })
}
