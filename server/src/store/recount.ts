/** Everything that is counted, counted again from attempts with their stored verdicts, and recalls. */

import { dayIn } from '@tachymetra/core/number'
import { asc, eq } from 'drizzle-orm'
import { countAttempt, type Rolled, rollUpAll } from './attempts.js'
import { type Database, write } from './database.js'
import { countDay } from './days.js'
import { rememberFact } from './facts.js'
import {
  attempt,
  factMemory,
  factRecall,
  learner,
  levelMove,
  practiceDay,
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
 * Makes days, mistakes by week and session, pace, memories of facts and moves of level by rule again, all or nothing.
 * Verdicts are taken as they are stored; moves by hand stay.
 */
export function recount(db: Database): Recounted {
  return write(db, (tx) => {
    for (const table of [practiceDay, slipWeek, sessionPace, sessionSlip, factMemory]) tx.delete(table).run()
    tx.delete(levelMove).where(eq(levelMove.by, 'rule')).run()
    const zones = new Map(
      tx
        .select()
        .from(learner)
        .all()
        .map((l) => [l.id, l.timeZone]),
    )
    const rolled: Rolled[] = []
    let attempts = 0
    // In the order of arrival, since each may have moved the level the next was judged at. Row by row: a long record
    // need not stand in memory whole.
    const ids = tx.select({ id: attempt.id }).from(attempt).orderBy(asc(attempt.arrival)).all()
    for (const { id } of ids) {
      const { shown: _, ...row } = tx.select().from(attempt).where(eq(attempt.id, id)).get()!
      countAttempt(tx, { id: row.learnerId, timeZone: zones.get(row.learnerId)! }, row)
      const { sessionId, technique, level, support } = row
      rolled.push({ sessionId, technique, level, support })
      attempts += 1
    }
    rollUpAll(tx, rolled)
    const recalls = tx.select().from(factRecall).all()
    for (const { learnerId, at, ms } of recalls)
      countDay(tx, learnerId, dayIn(at, zones.get(learnerId)!), { attempts: 0, right: 0, recalls: 1, ms })
    for (const key of new Set(recalls.map((r) => `${r.learnerId} ${r.fact}`))) {
      const [learnerId, fact] = key.split(' ')
      rememberFact(tx, learnerId!, fact!)
    }
    return { attempts, recalls: recalls.length }
  })
}
