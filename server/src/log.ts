/** The request log: one that cannot be written is said once, and the server goes on without it. */
import { openSync, renameSync, statSync, write } from 'node:fs'
import { join } from 'node:path'

/** One that has grown beyond this is put aside, and the one put aside before is dropped; in bytes. */
const LOG_LIMIT = 10_000_000

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
  let under = 0
  let failing = false
  let done: (() => void)[] = []
  return {
    write(line) {
      under += 1
      write(opened, line, (error) => {
        if (error && !failing)
          say(`The log ${file} cannot be written: ${error.message}. The server goes on without it.`)
        failing = error !== null
        under -= 1
        if (under > 0) return
        for (const tell of done) tell()
        done = []
      })
    },
    flushed: () => (under === 0 ? Promise.resolve() : new Promise((tell) => done.push(tell))),
  }
}
