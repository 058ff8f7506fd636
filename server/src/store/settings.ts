import { DEFAULT_SETTINGS, type LearnerSettings } from '@tachymetra/core'
import { eq, sql } from 'drizzle-orm'
import type { Database } from './database.js'
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

/** Replaces all settings of a learner. */
export function saveSettings(db: Database, learnerId: string, settings: LearnerSettings): void {
  db.insert(learnerSettings)
    .values({ learnerId, settings })
    .onConflictDoUpdate({ target: learnerSettings.learnerId, set: { settings } })
    .run()
}
