/** Everything in one file: a snapshot of the database, gzipped. */
import {
  createReadStream,
  createWriteStream,
  existsSync,
  mkdtempSync,
  readdirSync,
  renameSync,
  rmSync,
} from 'node:fs'
import { dirname, join } from 'node:path'
import { pipeline } from 'node:stream/promises'
import { createGzip } from 'node:zlib'
import type { Holdings } from '@tachymetra/core/wire'
import Driver from 'better-sqlite3'
import { sql } from 'drizzle-orm'
import type { Database } from '../database.js'
import * as schema from '../schema.js'

/** Every table, those that others refer to first. */
export const TABLES = [
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
