/** Judges attempts in a thread of its own. */
import { InputError } from '@tachymetra/core/problem'
import { type AttemptRecord, judgeRecord } from '@tachymetra/core/session'
import type { Judged } from './judge.js'

export default function judge(record: AttemptRecord): Judged {
  try {
    return { verdict: judgeRecord(record) }
  } catch (error) {
    // Of an error of our own only its words come across.
    if (error instanceof InputError) return { refused: error.message }
    throw error
  }
}
