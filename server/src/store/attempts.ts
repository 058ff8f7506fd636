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
export function storeAttempt(
  tx: Pick<Database, 'select' | 'insert' | 'run'>,
  record: AttemptRecord,
): Verdict {
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
  db: Pick<Database, 'insert' | 'select'>,
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

function insertRows(db: Pick<Database, 'insert'>, record: AttemptRecord, verdict: Verdict): void {
  const { entries: _, technique: __, level: ___, ...row } = record
  const { entries, ...judged } = verdict
  db.insert(attempt)
    .values({ ...row, ...judged })
    .run()
  if (entries.length === 0) return
  db.insert(stepEntry)
    .values(entries.map((entry, position) => ({ ...entry, attemptId: record.id, position })))
    .run()
}

/** Counts a sitting's attempts under one support afresh: a handful of rows. */
export function rollUp(
  db: Pick<Database, 'select' | 'insert' | 'run'>,
  sittingId: string,
  support: string,
): void {
  const rows = db
    .select()
    .from(attempt)
    .where(and(eq(attempt.sittingId, sittingId), eq(attempt.support, support)))
    .all()
  const pace = paceOf(rows.map((r) => ({ ...r, done: r.outcome === 'done' })))
  const counts = { ...pace, medianMs: pace.medianMs ?? null, bestMs: pace.bestMs ?? null }
  db.insert(sittingPace)
    .values({ sittingId, support, ...counts })
    .onConflictDoUpdate({ target: [sittingPace.sittingId, sittingPace.support], set: counts })
    .run()
  db.run(sql`
    insert or replace into ${sittingSlip} (sitting_id, slip, count)
    select ${sittingId}, ${stepEntry.slip}, count(*) from ${stepEntry}
    join ${attempt} on ${attempt.id} = ${stepEntry.attemptId}
    where ${attempt.sittingId} = ${sittingId} and ${stepEntry.slip} is not null
    group by ${stepEntry.slip}`)
}

export function attemptRow(db: Database, id: string): AttemptRow | undefined {
  return db.select().from(attempt).where(eq(attempt.id, id)).get()
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
