/** Erasing a learner: nothing of theirs is left in the database, its log, or the copies put aside. */
import { KEPT_REMOVED_DAYS } from '@tachymetra/core/wire'
import { removeFromAside } from './backup.js'
import type { Database } from './database.js'
import { removedLearners, removeLearner } from './learners.js'

const DAY_MS = 86_400_000

/**
 * Erases a learner with everything recorded of them, from the set-aside copies in a folder too. Files a person has put
 * elsewhere, such as backups, are out of reach.
 */
export async function erase(db: Database, data: string, id: string): Promise<void> {
  removeLearner(db, id)
  // What the pages held before is overwritten in the file; the write-ahead log would still keep it.
  db.$client.pragma('wal_checkpoint(TRUNCATE)')
  await removeFromAside(data, id)
}

/** Erases those whose time to be had back is over. @param now ISO 8601, UTC */
export async function eraseOverdue(db: Database, data: string, now: string): Promise<void> {
  const until = new Date(Date.parse(now) - KEPT_REMOVED_DAYS * DAY_MS).toISOString()
  for (const { id, removedAt } of removedLearners(db)) if (removedAt <= until) await erase(db, data, id)
}
