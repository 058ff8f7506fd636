/** An attempt as the browser would have recorded it, had a simulated learner sat before it. */

import { present } from '../number/present.js'
import { printProblem } from '../problem/expression.js'
import type { Problem } from '../problem/problem.js'
import { meets } from '../question/question.js'
import { type Value, valueText } from '../question/value.js'
import { type AttemptEvent, durationOf } from '../session/events.js'
import { type Exercise, JUDGE, type Progress } from '../session/progress.js'
import type { AttemptRecord } from '../session/record.js'
import { beginTask, happen, openQuestion, openStep } from '../session/reduce.js'
import type { WorkedSupport } from '../session/support.js'
import type { Technique } from '../technique/contract.js'
import { trace, variantOf } from '../technique/driver.js'
import type { SimulatedLearner } from './learner.js'

/** No practice makes a question quicker than seeing it and moving a finger takes. */
export const LEAST_MS = 180

/** Tries at one question, the last of which the learner asks to be shown. */
const PATIENCE = 3

/** A problem as set to the simulated learner. */
export interface SimulatedTask {
  readonly id: string
  readonly sessionId: string
  readonly n: number
  readonly technique: Technique
  readonly level: number
  readonly support: WorkedSupport
  readonly problem: Problem
  readonly startedAt: string
}

export function simulateAttempt(learner: SimulatedLearner, task: SimulatedTask): AttemptRecord {
  const { technique, level, support, problem } = task
  const day = task.startedAt.slice(0, 10)
  const variant = variantOf(technique)
  const exercise: Exercise = { technique, variant, level, support, problem }
  const events: AttemptEvent[] = []
  let progress = beginTask(exercise)
  const happens = (event: AttemptEvent) => {
    events.push(event)
    progress = happen(progress, event)
  }
  happens({ kind: 'shown', at: 0 })
  while (progress.outcome === undefined) {
    const { value, ms } = oneTry(learner, exercise, progress, day)
    const text = present(openQuestion(progress)).kind.print(value)
    const at = durationOf(events) + ms
    // After some tries the learner asks to be shown, whatever was to be the next.
    if (progress.tries >= PATIENCE - 1 && !meets(present(openQuestion(progress)), value))
      happens({ kind: 'given', at })
    else {
      const keys = Math.round(learner.traits.keyMs * (text.length - 1))
      const first = durationOf(events) + Math.max(1, ms - keys)
      happens({ kind: 'entered', at, text, first: Math.min(first, at), last: at })
    }
  }
  learner.practised(technique.id, day)
  return {
    id: task.id,
    sessionId: task.sessionId,
    n: task.n,
    technique: technique.id,
    variant,
    level,
    support,
    expression: printProblem(problem),
    startedAt: task.startedAt,
    judge: JUDGE,
    events,
  }
}

/** One try at what is asked: what is entered, and how long after the one before. */
function oneTry(
  learner: SimulatedLearner,
  { technique, problem, variant, support }: Exercise,
  progress: Progress,
  day: string,
): { readonly value: Value; readonly ms: number } {
  const open = openStep(progress)
  if (open) {
    const { ms, slip } = learner.tryStep(technique, open, support, day)
    return { value: slip?.entry ?? open.expect, ms: LEAST_MS + ms }
  }
  let ms = LEAST_MS
  const { answer } = trace(technique, problem, variant, (step) => {
    const tried = learner.tryStep(technique, step, support, day)
    ms += tried.ms
    return tried.slip?.entry
  })
  // What nobody would write, as a remainder below zero, shows the mistake, and it is mended before it is entered.
  const { kind, expect } = present(openQuestion(progress))
  const value = kind.read(kind.print(answer)) === undefined ? expect : answer
  return { value, ms: ms + Math.round(learner.traits.keyMs * valueText(value).length) }
}
