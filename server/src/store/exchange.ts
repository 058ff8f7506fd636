/** Attempts taken out in the order of time, and brought in one by one. */
import { InputError } from '@tachymetra/core/problem'
import type { AttemptWire, BroughtIn, BroughtInAnswer } from '@tachymetra/core/wire'
import { attemptSchema, check } from '@tachymetra/core/wire'
import { and, asc, eq, inArray, sql } from 'drizzle-orm'
import { attemptRow, judged, storeAttempt, wholeAttempt } from './attempts.js'
import { type Database, write } from './database.js'
import { attempt, sitting } from './schema.js'
import { addSitting, sittingRow } from './sittings.js'

/** An attempt with what is known of its sitting. */
export interface Taken {
  readonly attempt: AttemptWire
  readonly planned: number
  readonly sittingStartedAt: string
}

const SITTINGS_AT_ONCE = 50

/** All attempts of a learner, oldest first, some at a time, so that a long record never stands in memory whole. */
export function* allAttempts(db: Database, learnerId: string): Generator<Taken[]> {
  let after: { startedAt: string; id: string } | undefined
  for (;;) {
    const sittings = db
      .select()
      .from(sitting)
      .where(
        and(
          eq(sitting.learnerId, learnerId),
          after ? sql`(${sitting.startedAt}, ${sitting.id}) > (${after.startedAt}, ${after.id})` : undefined,
        ),
      )
      .orderBy(asc(sitting.startedAt), asc(sitting.id))
      .limit(SITTINGS_AT_ONCE)
      .all()
    after = sittings.at(-1)
    if (!after) return
    const of = new Map(sittings.map((s) => [s.id, s]))
    const rows = db
      .select()
      .from(attempt)
      .where(inArray(attempt.sittingId, [...of.keys()]))
      .all()
    const order = new Map(sittings.map((s, i) => [s.id, i]))
    rows.sort((a, b) => order.get(a.sittingId)! - order.get(b.sittingId)! || a.n - b.n)
    yield rows.map((row) => {
      const its = of.get(row.sittingId)!
      return {
        attempt: wholeAttempt(row, its),
        planned: its.planned,
        sittingStartedAt: its.startedAt,
      }
    })
  }
}

/**
 * Stores attempts brought in from a file, each for itself: one that is refused leaves the others alone. Others are
 * served between two rows, since judging a hundred of them takes a while.
 * @returns for each whether it was stored (false: it was there already), or why not
 */
export async function bringIn(
  db: Database,
  learnerId: string,
  { rows }: BroughtIn,
): Promise<BroughtInAnswer> {
  const answers: BroughtInAnswer[number][] = []
  for (const row of rows) {
    try {
      answers.push({ stored: await bringInOne(db, learnerId, row) })
    } catch (error) {
      if (!(error instanceof InputError)) throw error
      answers.push({ error: error.message })
    }
    await new Promise(setImmediate)
  }
  return answers
}

async function bringInOne(db: Database, learnerId: string, row: BroughtIn['rows'][number]): Promise<boolean> {
  const checked = check(attemptSchema, row.attempt)
  if ('error' in checked) throw new InputError(checked.error)
  const record = checked.value
  const verdict = await judged(record)
  return write(db, (tx) => {
    const its = sittingRow(tx, record.sittingId)
    if (
      its &&
      (its.learnerId !== learnerId || its.technique !== record.technique || its.level !== record.level)
    )
      throw new InputError('Its sitting belongs to another learner, technique or level.')
    const stored = attemptRow(tx, record.id)
    if (stored) {
      if (stored.sittingId === record.sittingId && stored.expression === record.expression) return false
      throw new InputError('Another attempt has this id.')
    }
    if (!its) {
      const { technique, level } = record
      const { planned, sittingStartedAt: startedAt } = row
      addSitting(tx, record.sittingId, { learnerId, technique, level, planned, startedAt })
    }
    storeAttempt(tx, record, verdict)
    return true
  })
}
