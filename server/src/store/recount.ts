/** Everything that is counted, counted again from attempts with their stored verdicts, and recalls. */

import { dayIn } from '@tachymetra/core/number'
import { asc, eq, inArray } from 'drizzle-orm'
import { countAttempt, type Rolled, rollUpAll } from './attempts.js'
import { type Database, type Transaction, writeNow } from './database.js'
import { countDay } from './days.js'
import { rememberAllFacts } from './facts.js'
import { changed } from './kept.js'
import {
  attempt,
  factMemory,
  factRecall,
  learner,
  practiceDay,
  session,
  sessionPace,
  sessionSlip,
  slipWeek,
} from './schema.js'

/** How much was gone through. */
export interface Recounted {
  readonly attempts: number
  readonly recalls: number
}

/**
 * Makes days, mistakes by week and session, pace and memories of facts again, all or nothing. Verdicts and moves of level are
 * taken as they are stored.
 */
export function recount(db: Database): Recounted {
  return writeNow(db, (tx) => {
    const counted = tx
      .select()
      .from(learner)
      .all()
      .map((one) => recountOf(tx, one))
    return {
      attempts: counted.reduce((sum, c) => sum + c.attempts, 0),
      recalls: counted.reduce((sum, c) => sum + c.recalls, 0),
    }
  })
}

/** The same for one learner. */
export function recountOf(
  tx: Transaction,
  { id: learnerId, timeZone }: { readonly id: string; readonly timeZone: string },
): Recounted {
  const own = tx.select({ id: session.id }).from(session).where(eq(session.learnerId, learnerId))
  tx.delete(practiceDay).where(eq(practiceDay.learnerId, learnerId)).run()
  tx.delete(slipWeek).where(eq(slipWeek.learnerId, learnerId)).run()
  tx.delete(sessionPace).where(eq(sessionPace.learnerId, learnerId)).run()
  tx.delete(sessionSlip).where(inArray(sessionSlip.sessionId, own)).run()
  tx.delete(factMemory).where(eq(factMemory.learnerId, learnerId)).run()
  const rolled: Rolled[] = []
  // Row by row: a long record need not stand in memory whole.
  const ids = tx
    .select({ id: attempt.id })
    .from(attempt)
    .where(eq(attempt.learnerId, learnerId))
    .orderBy(asc(attempt.startedAt), asc(attempt.n))
    .all()
  for (const { id } of ids) {
    const { shown: _, ...row } = tx.select().from(attempt).where(eq(attempt.id, id)).get()!
    countAttempt(tx, { id: learnerId, timeZone }, row)
    const { sessionId, technique, level, support } = row
    rolled.push({ sessionId, technique, level, support })
  }
  rollUpAll(tx, rolled)
  const recalls = tx.select().from(factRecall).where(eq(factRecall.learnerId, learnerId)).all()
  for (const { at, ms } of recalls)
    countDay(tx, learnerId, dayIn(at, timeZone), { attempts: 0, right: 0, recalls: 1, ms })
  rememberAllFacts(tx, learnerId)
  changed(tx, learnerId)
  return { attempts: ids.length, recalls: recalls.length }
}
