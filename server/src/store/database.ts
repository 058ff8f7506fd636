import { readFileSync } from 'node:fs'
import { dirname, join } from 'node:path'
import { fileURLToPath } from 'node:url'
import Driver from 'better-sqlite3'
import { type BetterSQLite3Database, drizzle } from 'drizzle-orm/better-sqlite3'
import { migrate } from 'drizzle-orm/better-sqlite3/migrator'
import * as schema from './schema.js'

export type Database = BetterSQLite3Database<typeof schema> & { readonly $client: Driver.Database }

/** Marks a database file as this program's own ("TaCh"). */
export const APPLICATION_ID = 0x54614368

const MIGRATIONS = join(dirname(fileURLToPath(import.meta.url)), '../../drizzle')

/** How many migrations this program knows: the version of its tables. */
export const SCHEMA_VERSION = (
  JSON.parse(readFileSync(join(MIGRATIONS, 'meta/_journal.json'), 'utf8')) as { entries: unknown[] }
).entries.length

/**
 * Opens the database file, made if missing, and brings its tables up to date. Every committed transaction is
 * on disk before it is acknowledged (write-ahead log, synchronous = FULL), so a killed process loses nothing.
 * @throws when the file cannot be opened or is no database.
 */
export function openDatabase(file: string): { db: Database; close(): void } {
  const driver = new Driver(file)
  driver.pragma('journal_mode = WAL')
  driver.pragma('synchronous = FULL')
  driver.pragma('foreign_keys = ON')
  driver.pragma('busy_timeout = 5000')
  // What is deleted is overwritten: a removed learner leaves nothing behind in the file.
  driver.pragma('secure_delete = ON')
  const db = drizzle(driver, { schema, casing: 'snake_case' })
  migrate(db, { migrationsFolder: MIGRATIONS })
  driver.pragma(`application_id = ${APPLICATION_ID}`)
  driver.pragma(`user_version = ${SCHEMA_VERSION}`)
  return {
    db,
    close() {
      driver.pragma('wal_checkpoint(TRUNCATE)')
      driver.close()
    },
  }
}
