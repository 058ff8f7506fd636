import {
  type AttemptRecord,
  dayIn,
  judgeAttempt,
  paceOf,
  type Verdict,
  type WorkedSupport,
} from '@tachymetra/core'
import type { AttemptSummary, AttemptWire } from '@tachymetra/core/wire'
import { and, asc, eq, inArray, isNotNull, sql } from 'drizzle-orm'
import type { Database } from './database.js'
import { countDay, countSlips } from './days.js'
import { moveByRule } from './moves.js'
import { placeholders, prepared, type Store } from './prepared.js'
import { attempt, sittingPace, sittingSlip, stepEntry } from './schema.js'
import { learnerOfSitting, sittingRow } from './sittings.js'

export type AttemptRow = typeof attempt.$inferSelect
export type EntryRow = typeof stepEntry.$inferSelect

/**
 * Stores an attempt with its entries and brings the sitting's rollups up to date, all or nothing.
 * The sitting must exist. Returns the verdict it was stored with.
 * @throws InputError when the record does not hang together.
 */
export function addAttempt(db: Database, record: AttemptRecord): Verdict {
  return db.transaction((tx) => storeAttempt(tx, record))
}

/** The same inside a transaction that is already open. */
export function storeAttempt(tx: Store, record: AttemptRecord): Verdict {
  const verdict = judgeAttempt(record)
  insertAttempt(tx, record, verdict, learnerOfSitting(tx, record.sittingId))
  rollUp(tx, record.sittingId, record.support)
  return verdict
}

/**
 * The rows of one attempt, its share in the learner's day and week, and the move of level it may bring about;
 * all but the rollups of its sitting.
 */
export function insertAttempt(
  db: Store,
  record: AttemptRecord,
  verdict: Verdict,
  learner: { readonly id: string; readonly timeZone: string },
): void {
  insertRows(db, record, verdict)
  const day = dayIn(record.startedAt, learner.timeZone)
  const ms = verdict.timed ? record.totalMs : 0
  countDay(db, learner.id, day, { attempts: 1, right: verdict.right ? 1 : 0, recalls: 0, ms })
  countSlips(db, learner.id, day, record.technique, verdict.entries)
  if (record.support !== 'answer' || record.outcome !== 'done') return
  const endedAt = new Date(Date.parse(record.startedAt) + record.totalMs).toISOString()
  moveByRule(db, learner.id, record.technique, record.level, endedAt)
}

const insertRow = prepared((db) =>
  db
    .insert(attempt)
    .values(
      placeholders(
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
        'right',
        'clean',
        'timed',
      ),
    )
    .prepare(),
)
const insertEntry = prepared((db) =>
  db
    .insert(stepEntry)
    .values(
      placeholders('attemptId', 'position', 'step', 'place', 'value', 'ms', 'by', 'right', 'slip', 'remark'),
    )
    .prepare(),
)

function insertRows(db: Store, record: AttemptRecord, verdict: Verdict): void {
  const { entries: _, technique: __, level: ___, ...row } = record
  const { entries, ...judged } = verdict
  // Few are flashed; for the others the column is left empty.
  if (row.shown)
    db.insert(attempt)
      .values({ ...row, ...judged })
      .run()
  else insertRow(db).run({ ...row, ...judged })
  for (const [position, entry] of entries.entries())
    insertEntry(db).run({ slip: null, remark: null, ...entry, attemptId: record.id, position })
}

const rowsOfSitting = prepared((db) =>
  db
    .select()
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
const countSlipsAgain = prepared((db) =>
  db
    .insert(sittingSlip)
    .select(
      db
        .select({
          sittingId: attempt.sittingId,
          slip: sql<string>`${stepEntry.slip}`.as('slip'),
          count: sql<number>`count(*)`.as('count'),
        })
        .from(stepEntry)
        .innerJoin(attempt, eq(attempt.id, stepEntry.attemptId))
        .where(and(eq(attempt.sittingId, sql.placeholder('sittingId')), isNotNull(stepEntry.slip)))
        .groupBy(stepEntry.slip),
    )
    .onConflictDoUpdate({
      target: [sittingSlip.sittingId, sittingSlip.slip],
      set: { count: sql`excluded.count` },
    })
    .prepare(),
)

/** Counts a sitting's attempts under one support afresh: a handful of rows. */
export function rollUp(db: Store, sittingId: string, support: string): void {
  const rows = rowsOfSitting(db).all({ sittingId, support })
  const pace = paceOf(rows.map((r) => ({ ...r, done: r.outcome === 'done' })))
  const times = { medianMs: pace.medianMs ?? null, bestMs: pace.bestMs ?? null }
  insertPace(db).run({ ...pace, ...times, sittingId, support })
  countSlipsAgain(db).run({ sittingId })
}

const byId = prepared((db) =>
  db
    .select()
    .from(attempt)
    .where(eq(attempt.id, sql.placeholder('id')))
    .prepare(),
)

export function attemptRow(db: Database, id: string): AttemptRow | undefined {
  return byId(db).get({ id })
}

/** One attempt whole, ready to be replayed. */
export function attemptById(db: Database, id: string): AttemptWire | undefined {
  const row = attemptRow(db, id)
  const its = row && sittingRow(db, row.sittingId)
  if (!row || !its) return undefined
  return wholeAttempt(row, its, entriesOf(db, [id]).get(id) ?? [])
}

/** The entries of many attempts in their order, by the attempt's id. */
export function entriesOf(db: Pick<Database, 'select'>, ids: readonly string[]): Map<string, EntryRow[]> {
  const rows = db
    .select()
    .from(stepEntry)
    .where(inArray(stepEntry.attemptId, [...ids]))
    .orderBy(asc(stepEntry.attemptId), asc(stepEntry.position))
    .all()
  const of = new Map<string, EntryRow[]>()
  for (const row of rows) {
    const its = of.get(row.attemptId)
    if (its) its.push(row)
    else of.set(row.attemptId, [row])
  }
  return of
}

/** The rows of an attempt put together, as they go over the wire. */
export function wholeAttempt(
  row: AttemptRow,
  its: { readonly learnerId: string; readonly technique: string; readonly level: number },
  entries: readonly EntryRow[],
): AttemptWire {
  const { shown, ...plain } = row
  return {
    ...plain,
    ...(shown && { shown }),
    learnerId: its.learnerId,
    technique: its.technique,
    level: its.level,
    support: row.support as WorkedSupport,
    outcome: row.outcome as AttemptRecord['outcome'],
    entries: entries.map(({ attemptId: _, position: __, slip, remark, by, ...entry }) => ({
      ...entry,
      by: by as 'learner' | 'program',
      ...(slip && { slip }),
      ...(remark && { remark }),
    })),
  }
}

/** The attempts of a sitting in their order, one line each. */
export function attemptsOf(db: Database, sittingId: string): AttemptSummary[] {
  const rows = db.select().from(attempt).where(eq(attempt.sittingId, sittingId)).orderBy(asc(attempt.n)).all()
  const slips = db
    .select({ attemptId: stepEntry.attemptId, slip: stepEntry.slip })
    .from(stepEntry)
    .where(
      and(
        inArray(
          stepEntry.attemptId,
          rows.map((r) => r.id),
        ),
        isNotNull(stepEntry.slip),
      ),
    )
    .orderBy(asc(stepEntry.position))
    .all()
  return rows.map(({ id, n, support, expression, outcome, right, clean, timed, totalMs }) => ({
    id,
    n,
    support: support as WorkedSupport,
    expression,
    outcome: outcome as AttemptRecord['outcome'],
    right,
    clean,
    timed,
    totalMs,
    slips: slips.filter((s) => s.attemptId === id).map((s) => s.slip!),
  }))
}
