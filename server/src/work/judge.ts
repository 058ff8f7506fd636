/**
 * Judging attempts. Most are right and judged at once; looking into wrong answers may take a good part of a second, and
 * goes to other threads, so that nobody else waits. How far it is looked into is bounded in work, not in time.
 */
import { availableParallelism } from 'node:os'
import { InputError } from '@tachymetra/core/problem'
import {
  type AttemptRecord,
  finishedProgress,
  JUDGE,
  judgeRecord,
  type Verdict,
  verdictOf,
  wrongAnswers,
} from '@tachymetra/core/session'
import { Piscina } from 'piscina'
import { TooBusy } from '../store/writes.js'

/** @throws InputError when the record does not hang together; TooBusy where too many wait to be judged */
export type Judge = (record: AttemptRecord) => Promise<Verdict>

/** What another thread says to an attempt. */
export type Judged = { readonly verdict: Verdict } | { readonly refused: string }

/** Letters of a problem, and events of an attempt, beyond which even reading it takes a while. */
const LONG = 60
const MANY = 60
const MOST_WAITING = 2000

/** Judges here and now. */
export const judgeHere: Judge = async (record) => judgeRecord(record)

/** Judges in threads of their own where it may take a while. @param file the script they run, compiled */
export function judgePool(file: string): { readonly judge: Judge; close(): Promise<void> } {
  const pool = new Piscina<AttemptRecord, Judged>({
    filename: file,
    minThreads: 1,
    maxThreads: Math.max(1, availableParallelism() - 1),
    maxQueue: MOST_WAITING,
    // Whatever the server itself was started with.
    execArgv: [],
    // A thread that is let go has to read the whole core again when it is needed.
    idleTimeout: 600_000,
  })
  return {
    async judge(record) {
      // Older ones are read in another way.
      if (record.judge === JUDGE && record.expression.length <= LONG && record.events.length <= MANY) {
        const progress = finishedProgress(record)
        if (wrongAnswers(progress).length === 0) return verdictOf(progress, [])
      }
      if (pool.queueSize >= MOST_WAITING) throw new TooBusy()
      const judged = await pool.run(record)
      if ('refused' in judged) throw new InputError(judged.refused)
      return judged.verdict
    },
    close: () => pool.destroy(),
  }
}
