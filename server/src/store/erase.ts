/** Erasing a learner: nothing of theirs is left in the database, its log, or the copies put aside. */
import { KEPT_REMOVED_DAYS } from '@tachymetra/core/wire'
import { sql } from 'drizzle-orm'
import type { Chores } from '../work/chores.js'
import type { Database, Transaction } from './database.js'
import { isAnyAside } from './files/restore.js'
import { removedLearners, removeLearner, setAsideLong } from './learners.js'
import { attempt, factRecall, session } from './schema.js'
import { write } from './writes.js'

const DAY_MS = 86_400_000
/** Rows deleted at once: others write in between. */
const SLICE = 200

/** Where things are erased: the database, the folder of what is put aside, and who goes through that. */
export interface Erasing {
  readonly db: Database
  readonly data: string
  readonly chores: Pick<Chores, 'removeFromAside'>
}

/**
 * Erases a learner with everything recorded of them, from the set-aside copies in a folder too. Files a person has put
 * elsewhere, such as backups, are out of reach.
 */
export async function erase({ db, data, chores }: Erasing, id: string): Promise<void> {
  // Whatever happens from here on, it is gone on with at the next start.
  await write(db, (tx) => setAsideLong(tx, id))
  for (const table of [attempt, factRecall, session])
    while ((await write(db, (tx) => deleteSome(tx, table, id))) === SLICE);
  await write(db, (tx) => removeLearner(tx, id))
  // What the pages held before is overwritten in the file; the write-ahead log would still keep it.
  db.$client.pragma('wal_checkpoint(TRUNCATE)')
  if (isAnyAside(data)) await chores.removeFromAside(data, id)
}

function deleteSome(tx: Transaction, table: typeof attempt | typeof factRecall | typeof session, id: string) {
  const some = sql`rowid in (select rowid from ${table} where learner_id = ${id} limit ${SLICE})`
  return tx.delete(table).where(some).run().changes
}

/** Erases those whose time to be had back is over. @param now ISO 8601, UTC */
export async function eraseOverdue(where: Erasing, now: string): Promise<void> {
  const until = new Date(Date.parse(now) - KEPT_REMOVED_DAYS * DAY_MS).toISOString()
  for (const { id, removedAt } of removedLearners(where.db)) if (removedAt <= until) await erase(where, id)
}
