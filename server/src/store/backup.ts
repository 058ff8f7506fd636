/**
 * Everything in one file and back: a snapshot of the database, gzipped. The checksum of gzip tells damage, the
 * database's own marks tell whose it is and how new.
 */
import {
  closeSync,
  createReadStream,
  createWriteStream,
  existsSync,
  mkdtempSync,
  openSync,
  readdirSync,
  readSync,
  renameSync,
  rmSync,
} from 'node:fs'
import { dirname, join } from 'node:path'
import { type Readable, Transform } from 'node:stream'
import { pipeline } from 'node:stream/promises'
import { createGunzip, createGzip } from 'node:zlib'
import { InputError } from '@tachymetra/core/problem'
import type { Holdings } from '@tachymetra/core/wire'
import Driver from 'better-sqlite3'
import { getTableColumns, getTableName, sql } from 'drizzle-orm'
import { APPLICATION_ID, type Database, openDatabase, SCHEMA_VERSION, write } from './database.js'
import { learnerKept, removeLearner } from './learners.js'
import * as schema from './schema.js'

/** Every table, those that others refer to first. */
const TABLES = [
  schema.learner,
  schema.learnerSettings,
  schema.levelMove,
  schema.session,
  schema.attempt,
  schema.sessionPace,
  schema.sessionSlip,
  schema.factRecall,
  schema.factMemory,
  schema.practiceDay,
  schema.slipWeek,
  schema.ownSet,
  schema.sheet,
  schema.boardPlan,
  schema.roomCount,
] as const

const WORKING = '.working-'

/** Runs with a folder of its own within another, gone afterwards: what is in it is as private as the data beside it. */
export async function inFolder<T>(within: string, work: (folder: string) => Promise<T>): Promise<T> {
  const folder = mkdtempSync(join(within, WORKING))
  try {
    return await work(folder)
  } finally {
    rmSync(folder, { recursive: true, force: true })
  }
}

/** Removes what a process that was killed in the middle has left behind: half copies, and copies nobody waits for. */
export function clearWorking(data: string): void {
  for (const name of readdirSync(data).filter((n) => n.startsWith(WORKING) || n.endsWith('.part')))
    rmSync(join(data, name), { recursive: true, force: true })
}

/** A file name for a backup made now; such names sort by time. */
export function backupName(): string {
  return `${new Date().toISOString().slice(0, 19).replaceAll(':', '-')}.tachymetra`
}

/** A path for what a restore puts aside: never one that is there already. */
export function beforePath(data: string): string {
  const stamp = new Date().toISOString().slice(0, 23).replaceAll(/[:.]/g, '-')
  for (let n = 1; ; n += 1) {
    const path = join(data, `before-${stamp}${n > 1 ? `-${n}` : ''}.tachymetra`)
    if (!existsSync(path)) return path
  }
}

const ASIDE = /^before-.*\.tachymetra$/

/** Writes everything as it stands at this moment to a file, whole or not at all. */
export async function backUp(db: Database, file: string): Promise<void> {
  await packed((snapshot) => db.run(sql`vacuum into ${snapshot}`), file)
}

/** The same from a database that another process may be writing to. @throws when it cannot be read */
export async function backUpFile(database: string, file: string): Promise<void> {
  // Not opened for reading only: a log that a killed process left behind is then taken in.
  const driver = new Driver(database)
  try {
    driver.pragma('busy_timeout = 5000')
    await packed((snapshot) => driver.prepare('vacuum into ?').run(snapshot), file)
  } finally {
    driver.close()
  }
}

function packed(copyTo: (snapshot: string) => unknown, file: string): Promise<void> {
  return inFolder(dirname(file), async (folder) => {
    const [snapshot, whole] = [join(folder, 'snapshot.sqlite'), join(folder, 'whole')]
    copyTo(snapshot)
    await pipeline(
      createReadStream(snapshot),
      createGzip({ level: 6 }),
      createWriteStream(whole, { mode: 0o600 }),
    )
    renameSync(whole, file)
  })
}

/** How much there is of everybody together, those who were removed left out. */
export function holdings(db: Database): Holdings {
  const one = <T>(query: string) => (db.get(sql.raw(query)) as { v: T }).v
  const here = 'learner_id in (select id from learner where removed_at is null)'
  return {
    learners: one<number>('select count(*) as v from learner where removed_at is null'),
    attempts: one<number>(`select count(*) as v from attempt where ${here}`),
    recalls: one<number>(`select count(*) as v from fact_recall where ${here}`),
    latest: one<string | null>(`select max(started_at) as v from attempt where ${here}`),
  }
}

/**
 * Unpacks a backup, looks at all of it, brings it up to this version's tables, and hands it to `use`.
 * @throws InputError with the reason when it is damaged, no backup of this program, or newer than it
 */
async function opened<T>(
  source: Readable,
  data: string,
  use: (file: string, db: Database) => T | Promise<T>,
): Promise<T> {
  return await inFolder(data, async (folder) => {
    const file = join(folder, 'restore.sqlite')
    try {
      await pipeline(source, createGunzip(), limited(MOST_UNPACKED), createWriteStream(file, { mode: 0o600 }))
    } catch (error) {
      if (error instanceof InputError) throw error
      throw new InputError('The file is damaged: this is not a complete backup. Nothing was changed.')
    }
    inspect(file)
    const { db, close } = openDatabase(file)
    try {
      return await use(file, db)
    } finally {
      close()
    }
  })
}

/** More than a variant writes in many years. */
const MOST_UNPACKED = 4 * 2 ** 30

function limited(most: number): Transform {
  let left = most
  return new Transform({
    transform(chunk: Buffer, _encoding, done) {
      left -= chunk.length
      if (left < 0) done(new InputError('The backup is too large when unpacked. Nothing was changed.'))
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
    const pragma = (name: string) => Object.values((driver.pragma(name) as object[])[0] ?? {})[0]
    if (pragma('application_id') !== APPLICATION_ID) throw new InputError(foreign)
    // A view could be made to run without end, and none of our files has any.
    if (driver.prepare("select 1 from sqlite_master where type in ('view', 'trigger')").get())
      throw new InputError(foreign)
    const version = Number(pragma('user_version'))
    if (version > SCHEMA_VERSION)
      throw new InputError(
        `The backup comes from a newer version (its tables ${version}, ours ${SCHEMA_VERSION}): update first. Nothing was changed.`,
      )
    if (pragma('integrity_check') !== 'ok' || (driver.pragma('foreign_key_check') as object[]).length > 0)
      throw new InputError('The backup is damaged inside. Nothing was changed.')
  } catch (error) {
    if (error instanceof InputError) throw error
    throw new InputError('The backup is damaged inside. Nothing was changed.')
  } finally {
    driver.close()
  }
}

/** What a backup holds. @throws InputError as `restore` does */
export function look(source: Readable, data: string): Promise<Holdings> {
  return opened(source, data, (_, db) => holdings(db))
}

/**
 * Puts a backup in the place of everything there is, all or nothing.
 * @param keep a file that what was there before is written to first
 * @throws InputError with the reason when the backup cannot be used; nothing is changed then
 */
export function restore(db: Database, source: Readable, keep: string): Promise<Holdings> {
  return opened(source, dirname(keep), async (file, found) => {
    await backUp(db, keep)
    const held = holdings(found)
    replaceAll(db, file)
    return held
  })
}

/** Copies kept from before an upgrade: databases as they were. */
const BEFORE_UPGRADE = /^before-upgrade-.*\.sqlite$/

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
      await opened(createReadStream(file), folder, async (_, db) => {
        if (!learnerKept(db, learnerId)) return
        removeLearner(db, learnerId)
        await backUp(db, file)
      })
    } catch (error) {
      if (!(error instanceof InputError)) throw error
    }
  }
}

function replaceAll(db: Database, file: string): void {
  db.run(sql`attach database ${file} as backup`)
  try {
    write(db, (tx) => {
      tx.run(sql`pragma defer_foreign_keys = on`)
      for (const table of [...TABLES].reverse()) tx.delete(table).run()
      for (const table of TABLES) {
        const name = sql.identifier(getTableName(table))
        const columns = sql.join(
          Object.keys(getTableColumns(table)).map((key) => sql.identifier(snake(key))),
          sql`, `,
        )
        tx.run(sql`insert into main.${name} (${columns}) select ${columns} from backup.${name}`)
      }
    })
  } finally {
    db.run(sql`detach database backup`)
  }
}

/** Column names as the tables have them: "learnerId" is "learner_id". */
function snake(key: string): string {
  return key.replace(/[A-Z]/g, (letter) => `_${letter.toLowerCase()}`)
}
