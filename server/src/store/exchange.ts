/** Attempts taken out in the order of time, and brought in one by one. */

import { checkFactRow } from '@tachymetra/core/learner'
import { InputError } from '@tachymetra/core/problem'
import { checkRecipe } from '@tachymetra/core/set'
import type { AttemptWire, BroughtIn, BroughtInAnswer, LearnerWire, MoveWire } from '@tachymetra/core/wire'
import { attemptSchema, check, factRowSchema } from '@tachymetra/core/wire'
import { and, asc, eq, inArray, sql } from 'drizzle-orm'
import type { Judge } from '../work/judge.js'
import { attemptRow, removeAttempts, storeAttempt, wholeAttempt } from './attempts.js'
import type { Database, Transaction } from './database.js'
import { addRecalls, removeRecalls, type StoredRecall } from './facts.js'
import { movesOf } from './moves.js'
import { attempt, factRecall, session } from './schema.js'
import { addSession, belongs, type SessionRow, sessionHead } from './sessions.js'
import { takenAt } from './times.js'
import { write } from './writes.js'

/** An attempt with its session. */
export interface Taken {
  readonly attempt: AttemptWire
  readonly session: SessionRow
}

const AHEAD = 'It is dated ahead of today: the clock it was recorded by was wrong.'

const SESSIONS_AT_ONCE = 15

/** All attempts of a learner, oldest first, some at a time, so that a long record never stands in memory whole. */
export function* allAttempts(db: Database, learnerId: string): Generator<Taken[]> {
  let after: { startedAt: string; id: string } | undefined
  for (;;) {
    const sessions = db
      .select()
      .from(session)
      .where(
        and(
          eq(session.learnerId, learnerId),
          after ? sql`(${session.startedAt}, ${session.id}) > (${after.startedAt}, ${after.id})` : undefined,
        ),
      )
      .orderBy(asc(session.startedAt), asc(session.id))
      .limit(SESSIONS_AT_ONCE)
      .all()
    after = sessions.at(-1)
    if (!after) return
    const of = new Map(sessions.map((s) => [s.id, s]))
    const rows = db
      .select()
      .from(attempt)
      .where(inArray(attempt.sessionId, [...of.keys()]))
      .all()
    const order = new Map(sessions.map((s, i) => [s.id, i]))
    rows.sort((a, b) => order.get(a.sessionId)! - order.get(b.sessionId)! || a.n - b.n)
    yield rows.map((row) => ({ attempt: wholeAttempt(row), session: of.get(row.sessionId)! }))
  }
}

const RECALLS_AT_ONCE = 2000

/** All recalls of a learner, oldest first, some at a time. */
export function* allRecalls(db: Database, learnerId: string): Generator<StoredRecall[]> {
  let after = { at: '', id: '' }
  for (;;) {
    const rows = db
      .select()
      .from(factRecall)
      .where(
        and(
          eq(factRecall.learnerId, learnerId),
          sql`(${factRecall.at}, ${factRecall.id}) > (${after.at}, ${after.id})`,
        ),
      )
      .orderBy(asc(factRecall.at), asc(factRecall.id))
      .limit(RECALLS_AT_ONCE)
      .all()
    const last = rows.at(-1)
    if (!last) return
    after = last
    yield rows
  }
}

/** All moves of level of a learner, oldest first. */
export function allMoves(db: Database, learnerId: string): MoveWire[] {
  return movesOf(db, learnerId, Number.MAX_SAFE_INTEGER).reverse()
}

/**
 * Stores attempts brought in from a file, each for itself: one that is refused leaves the others alone.
 * @returns for each whether it was stored (false: it was there already), or why not
 */
export async function bringIn(
  db: Database,
  judge: Judge,
  learnerId: string,
  { rows }: BroughtIn,
): Promise<BroughtInAnswer> {
  const answers: BroughtInAnswer[number][] = []
  for (const row of rows) {
    try {
      answers.push({ stored: await bringInOne(db, judge, learnerId, row) })
    } catch (error) {
      if (!(error instanceof InputError)) throw error
      answers.push({ error: error.message })
    }
  }
  return answers
}

async function bringInOne(
  db: Database,
  judge: Judge,
  learnerId: string,
  row: BroughtIn['rows'][number],
): Promise<boolean> {
  const checked = check(attemptSchema, row.attempt)
  if ('error' in checked) throw new InputError(checked.error)
  const record = checked.value
  if (takenAt(record.startedAt) !== record.startedAt) throw new InputError(AHEAD)
  checkRecipe(row.session.recipe)
  const verdict = await judge(record)
  return write(db, (tx) => {
    const before = sessionHead(tx, record.sessionId)
    if (before && before.learnerId !== learnerId)
      throw new InputError('Its session belongs to another learner.')
    const stored = attemptRow(tx, record.id)
    if (stored) {
      if (stored.sessionId === record.sessionId && stored.expression === record.expression) return false
      throw new InputError('Another attempt has this id.')
    }
    if (!before) addSession(tx, record.sessionId, { learnerId, ...row.session })
    const its = before ?? sessionHead(tx, record.sessionId)!
    // Refused, it takes the session back with it.
    if (!belongs(tx, its, record.n, record)) throw new InputError(`It is not item ${record.n} of its set.`)
    storeAttempt(tx, record, verdict, its)
    return true
  })
}

/**
 * Stores recalls of facts brought in from a file, each for itself, and works out once what is remembered then.
 * @returns for each whether it was stored (false: it was there already), or why not
 */
export function bringInFacts(
  db: Database,
  learner: LearnerWire,
  rows: readonly object[],
): Promise<BroughtInAnswer> {
  return write(db, (tx) => {
    const good: StoredRecall[] = []
    const answers = rows.map((row): BroughtInAnswer[number] => {
      const checked = check(factRowSchema, row)
      if ('error' in checked) return checked
      try {
        checkFactRow(checked.value)
        if (takenAt(checked.value.at) !== checked.value.at) return { error: AHEAD }
      } catch (error) {
        if (error instanceof InputError) return { error: error.message }
        throw error
      }
      const recall = { ...checked.value, learnerId: learner.id, sessionId: null, n: null }
      const same = (r: StoredRecall) =>
        r.learnerId === learner.id && r.fact === recall.fact && r.at === recall.at
      const stored =
        good.find((r) => r.id === recall.id) ??
        tx.select().from(factRecall).where(eq(factRecall.id, recall.id)).get()
      if (stored) return same(stored) ? { stored: false } : { error: 'Another recall has this id.' }
      good.push(recall)
      return { stored: true }
    })
    addRecalls(tx, learner.id, learner.timeZone, good)
    return answers
  })
}

/** So many are taken out at once: others write in between. */
const TAKEN_AT_ONCE = 200

async function inSlices(
  db: Database,
  ids: readonly string[],
  taken: (tx: Transaction, some: readonly string[]) => number,
) {
  let all = 0
  for (let i = 0; i < ids.length; i += TAKEN_AT_ONCE)
    all += await write(db, (tx) => taken(tx, ids.slice(i, i + TAKEN_AT_ONCE)))
  return all
}

/** Takes recalls out again that were brought in; those of others are left alone. @returns how many were taken out */
export function takeOutFacts(db: Database, learner: LearnerWire, ids: readonly string[]): Promise<number> {
  return inSlices(db, ids, (tx, some) => removeRecalls(tx, learner, some))
}

/**
 * Takes attempts out again that were brought in, and sessions that hold nothing without them. Those of others are left
 * alone.
 * @returns how many were taken out
 */
export function takeOut(db: Database, learner: LearnerWire, ids: readonly string[]): Promise<number> {
  return inSlices(db, ids, (tx, some) => removeAttempts(tx, learner, some))
}
