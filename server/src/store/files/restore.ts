/**
 * Back from a backup. The checksum of gzip tells damage, the database's own marks tell whose it is and how new, and every
 * row is checked as if it came over the wire: a file may come from anywhere.
 */
import {
  closeSync,
  createReadStream,
  createWriteStream,
  openSync,
  readdirSync,
  readSync,
  statSync,
} from 'node:fs'
import { dirname, join } from 'node:path'
import { Transform } from 'node:stream'
import { pipeline } from 'node:stream/promises'
import { createGunzip } from 'node:zlib'
import { InputError } from '@tachymetra/core/problem'
import type { Holdings } from '@tachymetra/core/wire'
import Driver from 'better-sqlite3'
import { getTableColumns, getTableName } from 'drizzle-orm'
import type { Database } from '../database.js'
import { learnerKept, removeLearner } from '../learners.js'
import { checkRows } from '../rows.js'
import { areTextsSound } from '../texts.js'
import { backUp, backUpFile, holdings, inFolder, TABLES } from './backup.js'
import { APPLICATION_ID, openDatabase, SCHEMA_VERSION } from './opening.js'

/** Most bytes of a file once unpacked, and how many times those of the packed file it may be. */
const MOST_UNPACKED = 4 * 2 ** 30
const MOST_TIMES = 60
const SMALL = 64 * 2 ** 20

const DAMAGED = 'The backup is damaged inside. Nothing was changed.'

/** Reads a file that may come from anywhere: what fails is its fault, unless it is the disk's. */
function reading<T>(work: () => T): T {
  try {
    return work()
  } catch (error) {
    if (error instanceof InputError || isOfTheDisk(error)) throw error
    throw new InputError(DAMAGED)
  }
}

function isOfTheDisk(error: unknown): boolean {
  const { code } = error as { readonly code?: unknown }
  return typeof code === 'string' && /^(SQLITE_FULL|SQLITE_IOERR|E[A-Z]+$)/.test(code)
}

/**
 * Unpacks a backup, looks at all of it, brings it up to this version's tables, and hands it to `use`.
 * @param packed its file
 * @throws InputError with the reason when it is damaged, no backup of this program, or newer than it
 */
async function opened<T>(
  packed: string,
  within: string,
  use: (file: string, db: Database) => T | Promise<T>,
): Promise<T> {
  return await inFolder(within, async (folder) => {
    const file = join(folder, 'restore.sqlite')
    const most = Math.min(MOST_UNPACKED, Math.max(SMALL, MOST_TIMES * statSync(packed).size))
    try {
      await pipeline(
        createReadStream(packed),
        createGunzip(),
        limited(most, 'The backup is too large when unpacked. Nothing was changed.'),
        createWriteStream(file, { mode: 0o600 }),
      )
    } catch (error) {
      if (error instanceof InputError || isOfTheDisk(error)) throw error
      throw new InputError('The file is damaged: this is not a complete backup. Nothing was changed.')
    }
    reading(() => inspect(file))
    const { db, close } = reading(() => openDatabase(file))
    try {
      return await use(file, db)
    } finally {
      close()
    }
  })
}

/** Lets so many bytes through. @throws InputError where there are more */
export function limited(most: number, reason: string): Transform {
  let left = most
  return new Transform({
    transform(chunk: Buffer, _encoding, done) {
      left -= chunk.length
      if (left < 0) done(new InputError(reason))
      else done(null, chunk)
    },
  })
}

function inspect(file: string): void {
  const head = Buffer.alloc(16)
  const opened = openSync(file, 'r')
  readSync(opened, head)
  closeSync(opened)
  const foreign = 'The file is no backup of this program. Nothing was changed.'
  if (head.toString('latin1') !== 'SQLite format 3\0') throw new InputError(foreign)
  const driver = new Driver(file, { readonly: true })
  try {
    // Nothing that the file brings of its own is run, and every page is looked at before it is used.
    driver.pragma('trusted_schema = OFF')
    driver.pragma('cell_size_check = ON')
    const pragma = (name: string) => Object.values((driver.pragma(name) as object[])[0] ?? {})[0]
    if (pragma('application_id') !== APPLICATION_ID) throw new InputError(foreign)
    // A view could be made to run without end, and none of our files has any; nor do ours reckon in their indexes.
    const odd = driver.prepare(
      `select 1 from sqlite_master where type in ('view', 'trigger') or (type = 'table' and sql like 'create virtual%')
       or sql like '%generated always%' or length(sql) > 4000`,
    )
    if (odd.get()) throw new InputError(foreign)
    const version = Number(pragma('user_version'))
    if (version > SCHEMA_VERSION)
      throw new InputError(
        `The backup comes from a newer version (its tables ${version}, ours ${SCHEMA_VERSION}): update first. Nothing was changed.`,
      )
    // Texts before all that reads any.
    if (!areTextsSound(driver) || pragma('integrity_check') !== 'ok') throw new InputError(DAMAGED)
    if ((driver.pragma('foreign_key_check') as object[]).length > 0) throw new InputError(DAMAGED)
  } finally {
    driver.close()
  }
}

/**
 * What a backup holds.
 * @param packed its file
 * @throws InputError as `restore` does
 */
export function look(packed: string): Promise<Holdings> {
  return opened(packed, dirname(packed), (_, db) => checkedHoldings(db))
}

/** What a database holds whose every row could have come over the wire. @throws InputError with the first that could not */
function checkedHoldings(db: Database): Holdings {
  return reading(() => {
    checkRows(db)
    return holdings(db)
  })
}

/** A restore: from which file into which database, and where what was there before is put. */
export interface Restore {
  readonly packed: string
  readonly database: string
  readonly keep: string
}

/**
 * Puts a backup in the place of everything there is, all or nothing.
 * @param alone runs the last part of it, in which nobody else may write
 * @throws InputError with the reason when the backup cannot be used; nothing is changed then
 */
export function restore(
  { packed, database, keep }: Restore,
  alone: <T>(work: () => Promise<T>) => Promise<T> = (work) => work(),
): Promise<Holdings> {
  return opened(packed, dirname(keep), async (file, found) => {
    const held = checkedHoldings(found)
    // All that is in it has to be in the file itself.
    found.$client.pragma('wal_checkpoint(TRUNCATE)')
    return await alone(async () => {
      await backUpFile(database, keep)
      replaceAll(database, file)
      return held
    })
  })
}

function replaceAll(database: string, file: string): void {
  const driver = new Driver(database)
  try {
    driver.pragma('busy_timeout = 10000')
    driver.pragma('synchronous = FULL')
    driver.pragma('secure_delete = ON')
    driver.prepare('attach database ? as backup').run(file)
    driver.exec('begin immediate')
    driver.pragma('defer_foreign_keys = ON')
    for (const table of [...TABLES].reverse()) driver.exec(`delete from main."${getTableName(table)}"`)
    for (const table of TABLES) {
      const name = getTableName(table)
      const columns = Object.keys(getTableColumns(table))
        .map((key) => `"${snake(key)}"`)
        .join(', ')
      driver.exec(`insert into main."${name}" (${columns}) select ${columns} from backup."${name}"`)
    }
    driver.exec('commit')
    driver.exec('detach database backup')
    driver.pragma('wal_checkpoint(TRUNCATE)')
  } finally {
    driver.close()
  }
}

/** Column names as the tables have them: "learnerId" is "learner_id". */
function snake(key: string): string {
  return key.replace(/[A-Z]/g, (letter) => `_${letter.toLowerCase()}`)
}

/** What restores have put aside, and copies kept from before an upgrade: databases as they were. */
const ASIDE = /^before-.*\.tachymetra$/
const BEFORE_UPGRADE = /^before-upgrade-.*\.sqlite$/

/** Is anything put aside in a folder? */
export function isAnyAside(folder: string): boolean {
  return readdirSync(folder).some((name) => ASIDE.test(name) || BEFORE_UPGRADE.test(name))
}

function removeFromCopy(file: string, learnerId: string): void {
  const driver = new Driver(file)
  try {
    driver.pragma('secure_delete = ON')
    driver.pragma('foreign_keys = ON')
    driver.prepare('delete from learner where id = ?').run(learnerId)
    driver.exec('vacuum')
  } finally {
    driver.close()
  }
}

/**
 * Removes a learner from what restores and upgrades have put aside in a folder too. A file that cannot be read stays as
 * it is.
 */
export async function removeFromAside(folder: string, learnerId: string): Promise<void> {
  for (const name of readdirSync(folder).filter((n) => BEFORE_UPGRADE.test(n)))
    try {
      removeFromCopy(join(folder, name), learnerId)
    } catch {
      // No database any more: nothing of theirs can be read from it.
    }
  for (const name of readdirSync(folder).filter((n) => ASIDE.test(n))) {
    const file = join(folder, name)
    try {
      await opened(file, folder, async (_, db) => {
        if (!learnerKept(db, learnerId)) return
        removeLearner(db, learnerId)
        await backUp(db, file)
      })
    } catch (error) {
      if (!(error instanceof InputError)) throw error
    }
  }
}
