import { randomUUID } from 'node:crypto'
import { JUDGE, judgeRecord } from '@tachymetra/core/session'
import { DEMO_COACH, demoLearners } from '@tachymetra/core/simulate'
import { insertAttempt, rollUp } from './attempts.js'
import { type Database, write } from './database.js'
import { addRecalls } from './facts.js'
import { coach, learner, sitting } from './schema.js'

/**
 * Fills an empty database with the demo data, six weeks up to yesterday. Does nothing when anybody is in it.
 * @returns the number of attempts stored.
 */
export function loadDemo(db: Database, today: string): number {
  if (db.select({ id: learner.id }).from(learner).limit(1).get()) return 0
  let attempts = 0
  write(db, (tx) => {
    const coachId = randomUUID()
    tx.insert(coach).values({ id: coachId, name: DEMO_COACH }).run()
    for (const { id, name, sittings, recalls } of demoLearners(today)) {
      tx.insert(learner).values({ id, coachId, name, timeZone: 'UTC', demo: true }).run()
      for (const { attempts: records, ...row } of sittings) {
        tx.insert(sitting).values(row).run()
        for (const record of records) insertAttempt(tx, record, judgeRecord(record), { id, timeZone: 'UTC' })
        for (const support of new Set(records.map((r) => r.support))) rollUp(tx, row.id, support)
        attempts += records.length
      }
      addRecalls(
        tx,
        id,
        'UTC',
        recalls.map((r) => ({ ...r, learnerId: id, entry: null, judge: JUDGE })),
      )
    }
  })
  return attempts
}
