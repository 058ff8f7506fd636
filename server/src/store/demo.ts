import { JUDGE, judgeRecord } from '@tachymetra/core/session'
import { demoLearners } from '@tachymetra/core/simulate'
import { eq } from 'drizzle-orm'
import { insertAttempt, rollUpAll } from './attempts.js'
import { type Database, writeNow } from './database.js'
import { addRecalls } from './facts.js'
import { openDatabase } from './files/opening.js'
import { allLearners } from './learners.js'
import { learner, session } from './schema.js'
import { changeSettings } from './settings.js'

/** Everybody invented, with all that is recorded of them. */
export function demoIds(db: Database): string[] {
  return db
    .select({ id: learner.id })
    .from(learner)
    .where(eq(learner.demo, true))
    .all()
    .map(({ id }) => id)
}

/**
 * Fills an empty database with the demo data, six weeks up to yesterday. Does nothing when anybody is here.
 * @returns the number of attempts stored.
 */
export function loadDemo(db: Database, today: string): number {
  if (allLearners(db).length > 0) return 0
  let stored = 0
  writeNow(db, (tx) => {
    // Those of an earlier demo who were removed come anew.
    tx.delete(learner).where(eq(learner.demo, true)).run()
    for (const { id, name, settings, sessions } of demoLearners(today)) {
      tx.insert(learner).values({ id, name, timeZone: 'UTC', demo: true }).run()
      changeSettings(tx, id, settings)
      for (const { attempts, recalls: _, ...row } of sessions) {
        tx.insert(session)
          .values({ ...row, learnerId: id })
          .run()
        for (const record of attempts) insertAttempt(tx, record, judgeRecord(record), { id, timeZone: 'UTC' })
        rollUpAll(tx, attempts)
        stored += attempts.length
      }
      const recalls = sessions.flatMap(({ id: sessionId, recalls }) =>
        recalls.map((r) => ({ ...r, learnerId: id, sessionId, entry: null, judge: JUDGE })),
      )
      addRecalls(tx, id, 'UTC', recalls)
    }
  })
  return stored
}

/** The same for a database in a file, which others have open too. */
export function fillWithDemo(file: string, today: string): number {
  const { db, close } = openDatabase(file)
  try {
    return loadDemo(db, today)
  } finally {
    close()
  }
}
