import { type CheckKind, checkQuestions } from '@tachymetra/core/drill'
import { type AnyQuestion, asDecimal } from '@tachymetra/core/question'
import type { Exercise } from '@tachymetra/core/session'
import { useState } from 'react'
import type { AttemptOnScreen } from '../practice/useAttempt.js'

/** An answer that is checked before it is handed in. */
export interface Unsure {
  /** As it was typed, and when; in milliseconds since the problem was shown. */
  readonly text: string
  readonly at: number
  readonly check: CheckKind
  readonly questions: readonly AnyQuestion[]
  readonly passes: boolean
}

/**
 * The check before the verdict, where a set asks for one: the clock rests meanwhile, so that an answer is timed as it was
 * typed. @param onSure hands the answer in, at the time it was typed
 */
export function useCheckFirst(
  check: CheckKind | undefined,
  { problem }: Exercise,
  attempt: AttemptOnScreen,
  onSure: (at: number) => void,
) {
  const [unsure, setUnsure] = useState<Unsure>()
  const [rested, setRested] = useState(0)
  return {
    unsure,
    /** How long the clock has rested, in milliseconds. */
    rested,
    /** @returns whether there is something to check */
    begin(): boolean {
      const { text } = attempt.latest().typing
      const value = asDecimal(attempt.question()?.kind.read(text))
      const asked = check && value && checkQuestions(check, problem, value)
      if (!asked) return false
      setUnsure({ text, at: attempt.at(), check, ...asked })
      return true
    },
    handIn() {
      if (unsure) onSure(unsure.at)
      setUnsure(undefined)
    },
    /** Another answer: the time since is not worked on the problem. */
    change() {
      if (!unsure) return
      const now = attempt.at()
      attempt.note('left', unsure.at)
      attempt.note('back', now)
      attempt.clear()
      setRested(rested + now - unsure.at)
      setUnsure(undefined)
    },
  }
}
