import { chmodSync, existsSync, readFileSync, renameSync, rmSync } from 'node:fs'
import { join } from 'node:path'
import Driver from 'better-sqlite3'
import { drizzle } from 'drizzle-orm/better-sqlite3'
import { migrate } from 'drizzle-orm/better-sqlite3/migrator'
import { type Database, MIGRATIONS } from '../database.js'
import * as schema from '../schema.js'
import { areTextsSound } from '../texts.js'
import { bringBackAhead } from '../times.js'
import {
  keepLimits,
  listSets,
  nameReasons,
  renameSlips,
  sequentialRules,
  spreadFades,
  upgradeEntries,
} from './upgrade.js'

/** Marks a database file as this program's own ("TaCh"). */
export const APPLICATION_ID = 0x54614368

/** How many migrations a folder holds: the version of the tables they make. */
function versionOf(migrations: string): number {
  const journal = readFileSync(join(migrations, 'meta/_journal.json'), 'utf8')
  return (JSON.parse(journal) as { entries: unknown[] }).entries.length
}

/** The version of this program's tables. */
export const SCHEMA_VERSION = versionOf(MIGRATIONS)

/** A database that cannot be used; the message is one line for a person. Nothing was changed. */
export class DatabaseError extends Error {}

export interface Opening {
  /**
   * A folder in which a copy is kept before tables are brought up to date; without it none is kept, as for a file that is
   * a copy itself.
   */
  readonly keep?: string
  /** Told where the copy is. */
  readonly say?: (line: string) => void
  /** Where the migrations are; this program's own unless a test brings others. */
  readonly migrations?: string
}

/**
 * Opens the database file, made if missing, and brings its tables up to date. Every committed transaction is
 * on disk before it is acknowledged (write-ahead log, synchronous = FULL), so a killed process loses nothing.
 * @throws DatabaseError when it belongs to another program or a newer version, or loses rows on the way up; whatever
 * the driver throws when the file cannot be opened or is no database.
 */
export function openDatabase(file: string, opening: Opening = {}): { db: Database; close(): void } {
  const { migrations = MIGRATIONS } = opening
  const newest = versionOf(migrations)
  let driver = new Driver(file)
  const before = inspected(driver, newest)
  // Nobody else on the machine reads what is recorded of children.
  chmodSync(file, 0o600)
  driver.pragma('journal_mode = WAL')
  driver.pragma('synchronous = FULL')
  driver.pragma('busy_timeout = 5000')
  // What is deleted is overwritten: a removed learner leaves nothing behind in the file.
  driver.pragma('secure_delete = ON')
  if (before !== newest) {
    const copy = before !== undefined && opening.keep ? kept(driver, opening.keep, before) : undefined
    if (copy) opening.say?.(`The record is brought up to date; as it was, it stays in ${copy}.`)
    try {
      bringUp(driver, migrations)
    } catch (error) {
      driver.close()
      if (copy) putBack(copy, file)
      throw error
    }
    driver.pragma(`application_id = ${APPLICATION_ID}`)
    driver.pragma(`user_version = ${newest}`)
    // The write-ahead log would keep what the upgrade has removed.
    driver.pragma('wal_checkpoint(TRUNCATE)')
  }
  driver.pragma('foreign_keys = ON')
  const db = drizzle(driver, { schema, casing: 'snake_case' })
  if (before !== undefined && before !== newest) bringBackAhead(db)
  return {
    db,
    close() {
      driver.pragma('wal_checkpoint(TRUNCATE)')
      driver.close()
      driver = undefined as never
    },
  }
}

/** Is every page of a database as it should be, and every text one? One that is not there yet is. */
export function isSound(file: string): boolean {
  if (!existsSync(file)) return true
  let driver: Driver.Database | undefined
  try {
    driver = new Driver(file)
    if (!areTextsSound(driver)) return false
    return Object.values((driver.pragma('quick_check(1)') as object[])[0] ?? {})[0] === 'ok'
  } catch {
    return false
  } finally {
    driver?.close()
  }
}

/** The version of the tables in a file, undefined for an empty one. @throws DatabaseError */
function inspected(driver: Driver.Database, newest: number): number | undefined {
  const tables = driver.prepare("select name from sqlite_master where type = 'table'").all() as {
    name: string
  }[]
  if (tables.length === 0) return undefined
  const mark = pragma(driver, 'application_id')
  const version = pragma(driver, 'user_version')
  // The first versions did not mark their files.
  const ours =
    mark === APPLICATION_ID || (mark === 0 && tables.some((t) => t.name === '__drizzle_migrations'))
  if (!ours) {
    driver.close()
    throw new DatabaseError('it belongs to another program.')
  }
  if (version > newest) {
    driver.close()
    throw new DatabaseError(
      `a newer version of this program made it (its tables ${version}, ours ${newest}): update first.`,
    )
  }
  return version
}

function pragma(driver: Driver.Database, name: string): number {
  return Number(Object.values((driver.pragma(name) as object[])[0] ?? {})[0])
}

/**
 * Migrates. Foreign keys are off meanwhile, and must be so outside the transaction: a table that is made anew is dropped
 * first, and with them on every row that refers to it would go with it. They are checked afterwards instead.
 */
function bringUp(driver: Driver.Database, migrations: string): void {
  driver.pragma('foreign_keys = OFF')
  migrate(drizzle(driver, { schema, casing: 'snake_case' }), { migrationsFolder: migrations })
  upgradeEntries(driver)
  renameSlips(driver)
  spreadFades(driver)
  listSets(driver)
  nameReasons(driver)
  sequentialRules(driver)
  keepLimits(driver)
  const lost = driver.pragma('foreign_key_check') as { table: string }[]
  if (lost.length > 0)
    throw new DatabaseError(`bringing its tables up to date would lose rows (${lost[0]!.table}).`)
}

/** Copies the database into a folder. @returns the copy's path */
function kept(driver: Driver.Database, folder: string, version: number): string {
  const stamp = new Date().toISOString().slice(0, 23).replaceAll(/[:.]/g, '-')
  const copy = join(folder, `before-upgrade-of-${version}-${stamp}.sqlite`)
  const half = `${copy}.part`
  rmSync(half, { force: true })
  driver.prepare('vacuum into ?').run(half)
  chmodSync(half, 0o600)
  renameSync(half, copy)
  return copy
}

function putBack(copy: string, file: string): void {
  for (const name of [file, `${file}-wal`, `${file}-shm`]) if (existsSync(name)) rmSync(name)
  const driver = new Driver(copy)
  driver.prepare('vacuum into ?').run(file)
  driver.close()
}
