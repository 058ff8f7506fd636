/** The attempt at a problem, kept in this browser as it happens. */
import { printProblem } from '@tachymetra/core/problem'
import {
  type AttemptEvent,
  type AttemptRecord,
  type Causes,
  type Exercise,
  JUDGE,
  type Progress,
  type TypedFrom,
  verdictOf,
  type WorkedSupport,
} from '@tachymetra/core/session'
import { useEffect, useRef, useState } from 'react'
import { leftAt, noteLeaving } from '../data/leaving.js'
import { keepOpenNow, keepOpenSoon, type LocalAttempt } from '../data/store.js'
import { useCauses } from './saying.js'
import { type AttemptOnScreen, useAttempt } from './useAttempt.js'

export interface Recording {
  readonly exercise: Exercise
  /** The support chosen now; changed in the middle, the same problem goes on. */
  readonly support: WorkedSupport
  /** Which item of its set it is, from 1. */
  readonly n: number
  readonly sessionId: string
  /** The attempt as it was left, when it is gone on with. */
  readonly open: AttemptRecord | undefined
  /** Is an answer taken at its last digit, without Enter? */
  readonly byItself?: boolean
  /** Which end of an answer is typed first. */
  readonly from?: TypedFrom
  /** Told of the attempt as it stands, whenever something happens in it. */
  readonly onOpen: (open: AttemptRecord) => void
  /** Called once, the moment the attempt is over. */
  readonly onDone: (attempt: LocalAttempt) => void
}

/** What an attempt is begun or gone on with: when it was shown, and the events so far. */
function resumed(open: AttemptRecord | undefined): {
  startedAt: string
  events?: readonly AttemptEvent[]
  elapsed: number
} {
  if (!open) return { startedAt: new Date().toISOString(), elapsed: 0 }
  const last = open.events.at(-1)?.at ?? 0
  const elapsed = Math.max(last, Date.now() - Date.parse(open.startedAt))
  const left = leftAt(open.id)
  // How long the page was gone is not the learner's time.
  const gone: AttemptEvent[] =
    left !== undefined && left >= last && left <= elapsed
      ? [
          { kind: 'left', at: left },
          { kind: 'back', at: elapsed },
        ]
      : []
  return { startedAt: open.startedAt, events: [...open.events, ...gone], elapsed }
}

/** @returns the attempt, the likely cause of its last wrong answer in words, those of all in turn, and when its problem was shown */
export function useRecording(given: Recording): {
  readonly attempt: AttemptOnScreen
  readonly explained: string | undefined
  readonly causes: Causes
  readonly startedAt: string
} {
  const { exercise, support, n, sessionId, open, byItself = false, from = 'left', onOpen, onDone } = given
  const { technique, problem, variant, level } = exercise
  const [begun] = useState(() => ({ id: open?.id ?? crypto.randomUUID(), ...resumed(open) }))
  const latest = useRef(open)
  const recordOf = (events: readonly AttemptEvent[], { mostHelp }: Progress): AttemptRecord => ({
    id: begun.id,
    sessionId,
    n,
    technique: technique.id,
    variant,
    level,
    support: mostHelp,
    expression: printProblem(problem),
    startedAt: begun.startedAt,
    judge: JUDGE,
    events,
  })
  const attempt = useAttempt({
    task: exercise,
    ...(begun.events && { events: begun.events }),
    elapsed: begun.elapsed,
    byItself,
    from,
    onChange(events, progress) {
      const record = recordOf(events, progress)
      latest.current = record
      if (progress.outcome === undefined) {
        onOpen(record)
        keepOpenSoon(record)
      } else onDone({ record, verdict: verdictOf(progress, causes) })
    },
  })
  const { explained, causes } = useCauses(attempt.progress)

  const current = useRef(attempt)
  current.current = attempt
  useEffect(() => {
    const { progress } = current.current
    if (progress.outcome === undefined && progress.support !== support) current.current.support(support)
  }, [support])
  // Leaving the page, for a reload or another view: the time until the return is known.
  useEffect(() => {
    const leaving = () => {
      void keepOpenNow()
      noteLeaving(begun.id, begun.startedAt, latest.current)
    }
    window.addEventListener('pagehide', leaving)
    return () => {
      window.removeEventListener('pagehide', leaving)
      leaving()
    }
  }, [begun])
  return { attempt, explained, causes, startedAt: begun.startedAt }
}
