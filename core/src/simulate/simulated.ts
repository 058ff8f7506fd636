/**
 * A simulated learner: times and slips drawn from stated habits, so that demo data, tests and forecasts have
 * somebody plausible to work with. Times shrink with practice by the power law of practice (Newell and
 * Rosenbloom 1981); single times scatter log-normally about their median, as response times commonly do.
 */
import { type Decimal, toText } from '../number/decimal.js'
import { normal, type Random } from '../number/random.js'
import { printProblem } from '../problem/expression.js'
import type { Problem } from '../problem/problem.js'
import { meets } from '../question/question.js'
import { type AttemptEvent, durationOf } from '../session/events.js'
import type { AttemptRecord } from '../session/record.js'
import {
  beginTask,
  type Exercise,
  happen,
  JUDGE,
  openQuestion,
  openStep,
  type Progress,
} from '../session/reduce.js'
import type { WorkedSupport } from '../session/support.js'
import type { Fact, Slip, Step, Technique } from '../technique/contract.js'
import { schoolOf, trace } from '../technique/driver.js'

export interface Habits {
  /** Median time for one elementary fact before any practice, in milliseconds. */
  readonly factMs: number
  /** Median time to carry or drop one digit. */
  readonly carryMs: number
  /** Time to key one digit. */
  readonly keyMs: number
  /** Time to take in a question, or a new problem. */
  readonly readMs: number
  /** Exponent of the power law: 0 learns nothing, 0.4 learns fast. */
  readonly practice: number
  /** Chance of a slip at one step before any practice. */
  readonly slipRate: number
  /** Digits whose facts come at half speed and slip twice as often. */
  readonly weak: readonly number[]
  /** Spread of single times: standard deviation of their logarithm. */
  readonly scatter: number
}

/** No practice makes a question quicker than seeing it and moving a finger takes. */
export const LEAST_MS = 180

/** A problem as set to the simulated learner. */
export interface SimulatedTask {
  readonly id: string
  readonly sittingId: string
  readonly n: number
  readonly technique: Technique
  readonly level: number
  readonly support: WorkedSupport
  readonly problem: Problem
  readonly startedAt: string
  /** Problems of this technique worked before. */
  readonly practised: number
}

/** The record the browser would have made had these habits sat before it. */
export function simulateAttempt(habits: Habits, task: SimulatedTask, random: Random): AttemptRecord {
  const { technique, level, support, problem } = task
  const mind = new Mind(habits, task.practised, random)
  const school = schoolOf(technique)
  const exercise: Exercise = { technique, school, level, support, problem }
  const events: AttemptEvent[] = []
  let progress = beginTask(exercise)
  const happens = (event: AttemptEvent) => {
    events.push(event)
    progress = happen(progress, event)
  }
  happens({ kind: 'shown', at: 0 })
  while (progress.outcome === undefined) {
    const step = openStep(progress)
    const { value, ms } = step ? tryStep(step, support, mind) : tryAnswer(exercise, mind)
    const text = toText(value)
    const at = durationOf(events) + ms
    // After some tries the learner asks to be shown, whatever was to be the next.
    if (progress.tries >= PATIENCE - 1 && mistakenAt(progress, value)) happens({ kind: 'given', at })
    else {
      const first = durationOf(events) + Math.max(1, ms - Math.round(habits.keyMs * (text.length - 1)))
      happens({ kind: 'entered', at, text, first: Math.min(first, at), last: at })
    }
  }
  return {
    id: task.id,
    sittingId: task.sittingId,
    n: task.n,
    technique: technique.id,
    school,
    level,
    support,
    expression: printProblem(problem),
    startedAt: task.startedAt,
    judge: JUDGE,
    events,
  }
}

/** Tries at one question, the last of which the learner asks to be shown. */
const PATIENCE = 3

/** Would this value leave the question open? */
function mistakenAt(progress: Progress, value: Decimal): boolean {
  return !meets(openQuestion(progress)!, value)
}

/** One try at a question: what is entered, and how long after the one before. */
interface Try {
  readonly value: Decimal
  readonly ms: number
}

function tryStep(step: Step, support: WorkedSupport, mind: Mind): Try {
  const ms = LEAST_MS + mind.timeFor(step, support === 'guided')
  return { value: mind.slipAt(step)?.entry ?? step.expect, ms }
}

function tryAnswer({ technique, problem, school }: Exercise, mind: Mind): Try {
  let ms = LEAST_MS
  const { answer } = trace(technique, problem, school, (step) => {
    ms += mind.timeFor(step, false)
    return mind.slipAt(step)?.entry
  })
  return { value: answer, ms: Math.round(ms) }
}

class Mind {
  private readonly factor: number
  constructor(
    private readonly habits: Habits,
    practised: number,
    private readonly random: Random,
  ) {
    this.factor = (1 + practised / 10) ** -habits.practice
  }

  timeFor(step: Step, asked: boolean): number {
    const { factMs, carryMs, keyMs, readMs, scatter } = this.habits
    const facts = step.facts.reduce((sum, f) => sum + factMs * (this.isWeak(f) ? 2 : 1), 0.2 * factMs)
    const thinking = (facts + carryMs * step.carries + (asked ? readMs : 0.2 * readMs)) * this.factor
    const scattered = thinking * Math.exp(scatter * normal(this.random))
    return Math.round(scattered + keyMs * toText(step.expect).length)
  }

  slipAt(step: Step): Slip | undefined {
    const weak = step.facts.some((f) => this.isWeak(f))
    const chance = this.habits.slipRate * this.factor * (1 + Math.min(2, step.carries)) * (weak ? 2 : 1)
    if (this.random.unit() >= chance) return undefined
    const slips = step.slips()
    let pick = this.random.unit() * slips.reduce((sum, s) => sum + s.odds, 0)
    return slips.find((s) => {
      pick -= s.odds
      return pick < 0
    })
  }

  private isWeak(fact: Fact): boolean {
    return this.habits.weak.some((d) => fact.includes(String(d)))
  }
}
