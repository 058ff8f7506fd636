/** The attempt at an item of a set, kept in this browser as it happens. */
import { printProblem } from '@tachymetra/core/problem'
import { OWN_LEVEL } from '@tachymetra/core/registry'
import {
  type AttemptEvent,
  type AttemptRecord,
  type Causes,
  type Exercise,
  JUDGE,
  type Progress,
  type Task,
  type TypedFrom,
  type Verdict,
  verdictOf,
  type WorkedSupport,
} from '@tachymetra/core/session'
import { useEffect, useRef, useState } from 'react'
import { keepNow, noteLeaving, resumedNow } from '../kept/kept.js'
import type { LocalSession } from '../kept/store.js'
import { useCauses } from '../working/saying.js'
import { type AttemptOnScreen, useAttempt } from './useAttempt.js'

/** What a record says of the item it was worked at. */
type Worked = Pick<AttemptRecord, 'technique' | 'variant' | 'level' | 'expression' | 'shown'>

export interface ItemGiven {
  readonly session: LocalSession
  /** Which item of its set it is, from 1. */
  readonly n: number
  /** The attempt as it was left, when it is gone on with. */
  readonly open?: AttemptRecord | undefined
  /** Is an answer taken at its last digit, without Enter? */
  readonly byItself?: boolean
  /** Which end of an answer is typed first. */
  readonly from?: TypedFrom
  /** Told of the attempt as it stands, whenever something happens in it; with the verdict once, when it is over. */
  readonly onHappened: (record: AttemptRecord, verdict: Verdict | undefined, progress: Progress) => void
}

interface Recorded {
  readonly attempt: AttemptOnScreen
  /** When its problem was shown. */
  readonly startedAt: string
}

function useRecorded(
  given: ItemGiven,
  task: Task,
  worked: Worked,
  causes: () => Causes | undefined,
): Recorded {
  const { session, n, open, byItself = false, from = 'left', onHappened } = given
  const [begun] = useState(() => ({
    id: open?.id ?? crypto.randomUUID(),
    startedAt: open?.startedAt ?? new Date().toISOString(),
    ...(open && resumedNow(open)),
  }))
  const latest = useRef(open)
  const recordOf = (events: readonly AttemptEvent[], { mostHelp }: Progress): AttemptRecord => ({
    id: begun.id,
    sessionId: session.id,
    n,
    ...worked,
    support: 'technique' in task ? mostHelp : 'answer',
    startedAt: begun.startedAt,
    judge: JUDGE,
    events,
  })
  const attempt = useAttempt({
    task,
    ...(begun.events && { events: begun.events }),
    elapsed: begun.elapsed ?? 0,
    byItself,
    from,
    onChange(events, progress) {
      const record = recordOf(events, progress)
      latest.current = record
      const over = progress.outcome !== undefined
      onHappened(record, over ? verdictOf(progress, causes()) : undefined, progress)
    },
  })
  const kept = useRef(session)
  kept.current = session
  // Leaving the page, for a reload or another view: the time until the return is known.
  useEffect(() => {
    const leaving = () => {
      void keepNow()
      noteLeaving(kept.current, begun, latest.current)
    }
    window.addEventListener('pagehide', leaving)
    return () => {
      window.removeEventListener('pagehide', leaving)
      leaving()
    }
  }, [begun])
  return { attempt, startedAt: begun.startedAt }
}

/**
 * A problem that is worked by a technique.
 * @param support the support chosen now; changed in the middle, the same problem goes on
 * @returns besides the attempt the likely cause of its last wrong answer in words, and those of all in turn
 */
export function useExercise(
  given: ItemGiven & {
    readonly exercise: Exercise
    readonly support: WorkedSupport
    readonly shown?: Worked['shown']
  },
): Recorded & { readonly explained: string | undefined; readonly causes: Causes } {
  const { exercise, support, shown } = given
  const { technique, problem, variant, level } = exercise
  const found = useRef<Causes>(undefined)
  const worked: Worked = {
    technique: technique.id,
    variant,
    level,
    expression: printProblem(problem),
    ...(shown && { shown }),
  }
  const recorded = useRecorded(given, exercise, worked, () => found.current)
  const { attempt } = recorded
  const { explained, causes } = useCauses(attempt.progress)
  found.current = causes
  const current = useRef(attempt)
  current.current = attempt
  useEffect(() => {
    const { progress } = current.current
    if (progress.outcome === undefined && progress.support !== support) current.current.support(support)
  }, [support])
  return { ...recorded, explained, causes }
}

/** What no technique works: a table, finished work, which way to take. @param id of the drill */
export function useDrill(
  given: ItemGiven & { readonly task: Task; readonly id: string; readonly text: string },
): Recorded {
  const { task, id, text } = given
  const worked: Worked = { technique: id, variant: {}, level: OWN_LEVEL, expression: text }
  return useRecorded(given, task, worked, () => undefined)
}
