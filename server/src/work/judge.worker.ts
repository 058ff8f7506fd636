/** Judges attempts in a thread of its own. */
import { constants, platform, setPriority } from 'node:os'
import { InputError } from '@tachymetra/core/problem'
import { type AttemptRecord, judgeRecord } from '@tachymetra/core/session'
import type { Judged } from './judge.js'

// Whoever waits for an answer goes first. Only on Linux is a priority the thread's own, and not the whole process's.
if (platform() === 'linux')
  try {
    setPriority(constants.priority.PRIORITY_BELOW_NORMAL)
  } catch {
    // Not allowed here: then it shares.
  }

export default function judge(record: AttemptRecord): Judged {
  try {
    return { verdict: judgeRecord(record) }
  } catch (error) {
    // Of an error of our own only its words come across.
    if (error instanceof InputError) return { refused: error.message }
    throw error
  }
}
