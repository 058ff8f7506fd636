/** The request log: one that cannot be written is said once, and the server goes on without it. */
import { openSync, renameSync, statSync, write } from 'node:fs'
import { join } from 'node:path'

/** One that has grown beyond this is put aside, and the one put aside before is dropped; in bytes. */
const LOG_LIMIT = 10_000_000
/** Lines that wait to be written, at most. */
const MOST_WAITING = 10_000

export interface LogFile {
  write(line: string): void
  /** When all that was written so far is there, or could not be. */
  flushed(): Promise<void>
}

/**
 * @param say told when the log cannot be written, and not again before it could
 * @throws where it cannot be opened
 */
export function openLog(data: string, say: (line: string) => void): LogFile {
  const file = join(data, 'server.log')
  const size = statSync(file, { throwIfNoEntry: false })?.size ?? 0
  if (size > LOG_LIMIT) renameSync(file, `${file}.1`)
  const opened = openSync(file, 'a', 0o600)
  let waiting: string[] = []
  let under = false
  let failing = false
  let done: (() => void)[] = []
  /** Writes all that waits in one go, and what came meanwhile after it. */
  const next = () => {
    under = waiting.length > 0
    if (under) {
      const lines = waiting.join('')
      waiting = []
      write(opened, lines, (error) => {
        if (error && !failing)
          say(`The log ${file} cannot be written: ${error.message}. The server goes on without it.`)
        failing = error !== null
        next()
      })
      return
    }
    for (const tell of done) tell()
    done = []
  }
  return {
    write(line) {
      // Where the disk does not answer, the newest are let go.
      if (waiting.length < MOST_WAITING) waiting.push(line)
      if (under) return
      under = true
      setImmediate(next)
    },
    flushed: () => (under ? new Promise((tell) => done.push(tell)) : Promise.resolve()),
  }
}
