import { chmodSync } from 'node:fs'
import { join } from 'node:path'
import Driver from 'better-sqlite3'
import { DatabaseError } from './opening.js'

/**
 * Keeps every other process off a data folder until it is let go, or this process ends in whatever way: the lock is the
 * operating system's, on a database of its own with nothing in it.
 * @throws DatabaseError when another process has it
 */
export function lockFolder(folder: string): { release(): void } {
  const file = join(folder, 'in-use.sqlite')
  const driver = new Driver(file)
  try {
    driver.pragma('busy_timeout = 0')
    driver.exec('begin exclusive')
  } catch {
    driver.close()
    throw new DatabaseError(
      'another Tachymetra is running on it. Stop that one first, or choose another folder.',
    )
  }
  chmodSync(file, 0o600)
  return {
    release() {
      driver.exec('rollback')
      driver.close()
    },
  }
}
