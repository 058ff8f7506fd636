/**
 * A simulated learner: times and slips drawn from stated habits, so that demo data, tests and forecasts have
 * somebody plausible to work with. Times shrink with practice by the power law of practice (Newell and
 * Rosenbloom 1981); single times scatter log-normally about their median, as response times commonly do.
 */
import { type Decimal, equal, toText } from '../number/decimal.js'
import { normal, type Random } from '../number/random.js'
import { printProblem } from '../problem/expression.js'
import type { Problem } from '../problem/problem.js'
import type { Fact, Slip, Step, Technique } from '../technique/contract.js'
import { replay, schoolOf, trace } from '../technique/driver.js'
import type { AttemptRecord, Entered, WorkedSupport } from './attempt.js'

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
export interface Task {
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
export function simulateAttempt(habits: Habits, task: Task, random: Random): AttemptRecord {
  const mind = new Mind(habits, task.practised, random)
  const entries = task.support === 'answer' ? answers(task, mind) : steps(task, mind)
  const totalMs = entries.reduce((sum, e) => sum + e.ms, 0)
  const thinkMs = Math.max(1, entries[0]!.ms - Math.round(habits.keyMs * (entries[0]!.value.length - 1)))
  return {
    id: task.id,
    sittingId: task.sittingId,
    n: task.n,
    technique: task.technique.id,
    school: schoolOf(task.technique),
    level: task.level,
    support: task.support,
    expression: printProblem(task.problem),
    startedAt: task.startedAt,
    entries,
    hints: 0,
    outcome: 'done',
    thinkMs: Math.min(thinkMs, totalMs),
    keyMs: totalMs - Math.min(thinkMs, totalMs),
    totalMs,
    idleMs: Math.max(...entries.map((e) => e.ms)),
  }
}

/** Tries at one question before the learner asks to be shown. */
const PATIENCE = 3

function steps({ technique, problem, support }: Task, mind: Mind): Entered[] {
  const school = schoolOf(technique)
  const entries: Entered[] = []
  const accepted: Decimal[] = []
  let position = replay(technique, problem, school, accepted)
  while (position.next) {
    const step = position.next
    let ms = 0
    for (let tries = 1; ; tries += 1) {
      ms += LEAST_MS + mind.timeFor(step, support === 'guided')
      const slip = mind.slipAt(step)
      const by = slip && tries === PATIENCE ? 'program' : 'learner'
      const value = slip && by === 'learner' ? slip.entry : step.expect
      entries.push({ step: accepted.length + 1, value: toText(value), ms, by })
      if (equal(value, step.expect)) break
    }
    accepted.push(step.expect)
    position = replay(technique, problem, school, accepted)
  }
  return entries
}

function answers({ technique, problem }: Task, mind: Mind): Entered[] {
  const entries: Entered[] = []
  const right = trace(technique, problem, schoolOf(technique)).answer
  let ms = 0
  for (let tries = 1; ; tries += 1) {
    ms += LEAST_MS
    const slipped = trace(technique, problem, schoolOf(technique), (step) => {
      ms += mind.timeFor(step, false)
      return mind.slipAt(step)?.entry
    })
    const by = tries === PATIENCE && !equal(slipped.answer, right) ? 'program' : 'learner'
    const value = by === 'program' ? right : slipped.answer
    entries.push({ step: 0, value: toText(value), ms: Math.round(ms), by })
    if (equal(value, right)) return entries
  }
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
