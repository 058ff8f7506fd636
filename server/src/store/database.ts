/** The database as everything in the store is given it. */
import { dirname, join } from 'node:path'
import { fileURLToPath } from 'node:url'
import type Driver from 'better-sqlite3'
import type { BetterSQLite3Database } from 'drizzle-orm/better-sqlite3'
import type * as schema from './schema.js'

export type Database = BetterSQLite3Database<typeof schema> & { readonly $client: Driver.Database }
/** A transaction on the database, or the database itself. */
export type Transaction = Parameters<Parameters<Database['transaction']>[0]>[0]

export const MIGRATIONS = join(dirname(fileURLToPath(import.meta.url)), '../../drizzle')

/**
 * Runs a transaction that writes, at once and by itself: before the server serves, and in commands; requests wait their
 * turn (see `writes.ts`). It takes the lock at once: one that read first and then had to wait for another writer would
 * fail, since what it has read is out of date.
 */
export function writeNow<T>(db: Database, work: (tx: Transaction) => T): T {
  return db.transaction(work, { behavior: 'immediate' })
}
