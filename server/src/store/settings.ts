import { DEFAULT_SETTINGS, type LearnerSettings } from '@tachymetra/core/learner'
import { eq, sql } from 'drizzle-orm'
import type { Database, Transaction } from './database.js'
import { changed } from './kept.js'
import { prepared } from './prepared.js'
import { learnerSettings } from './schema.js'

const rowOf = prepared((db) =>
  db
    .select()
    .from(learnerSettings)
    .where(eq(learnerSettings.learnerId, sql.placeholder('learnerId')))
    .prepare(),
)

/** What was set for a learner, over the defaults. */
export function settingsOf(db: Pick<Database, 'select'>, learnerId: string): LearnerSettings {
  const row = rowOf(db).get({ learnerId })
  return { ...DEFAULT_SETTINGS, ...row?.settings }
}

/** Changes some settings of a learner. @returns all of them as they are then */
export function changeSettings(
  tx: Transaction,
  learnerId: string,
  change: Partial<LearnerSettings>,
): LearnerSettings {
  const settings = { ...settingsOf(tx, learnerId), ...change }
  tx.insert(learnerSettings)
    .values({ learnerId, settings })
    .onConflictDoUpdate({ target: learnerSettings.learnerId, set: { settings } })
    .run()
  changed(tx, learnerId)
  return settings
}
