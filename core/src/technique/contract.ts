/**
 * The contract every technique keeps. A technique is a coroutine: `work` yields each step it would ask of the
 * learner, receives what was entered, and goes on from that entry, right or wrong. The worked example, guided
 * practice, diagnosis and effort are all runs of the same definition (see driver.ts).
 */
import type { Decimal } from '../number/decimal.js'
import type { Problem } from '../problem/problem.js'
import type { ProblemSpace } from '../problem/space.js'

export const FAMILIES = ['addition', 'subtraction'] as const
export type Family = (typeof FAMILIES)[number]

/** A way of working one kind of problem by hand. */
export interface Technique {
  readonly id: string
  readonly name: string
  readonly family: Family
  /** What it is, in one sentence a learner reads before choosing it. */
  readonly about: string
  /** Where practitioners differ; the first value of each option is the default. */
  readonly schools: readonly SchoolOption[]
  /** From easy to hard. */
  readonly levels: readonly Level[]
  fits(problem: Problem): Fit
  /** Only to be called with a problem that fits. */
  work(problem: Problem, school: School): Work
}

export type Work = Generator<Step, Decimal, Decimal>

export type Fit = { readonly fits: true } | { readonly fits: false; readonly because: string }

export interface SchoolOption {
  readonly key: string
  readonly values: readonly string[]
}

/** A value for every school option of the technique. */
export type School = Readonly<Record<string, string>>

/** One rung of a technique's ladder. */
export interface Level {
  readonly name: string
  /** Median time per problem to aim for, in milliseconds. */
  readonly targetMs: number
  /** The problems of this level; counted when first asked for. */
  readonly problems: () => ProblemSpace
}

/** One question of the working. */
export interface Step {
  readonly action: Action
  /** The place acted on: a power of ten, 0 = units. */
  readonly place: number
  /** The question, in words a ten-year-old reads. */
  readonly ask: string
  /** One sentence on why, shown on request. */
  readonly why: string
  readonly expect: Decimal
  /** What stands written, and what must be kept in mind, once the step is answered as expected. */
  readonly writes: AnswerLine
  readonly holds: readonly Held[]
  /** The elementary facts it rests on: '7+8', '13-6'. */
  readonly facts: readonly Fact[]
  /** Digits raised or lowered by a carry or a drop in this step. */
  readonly carries: number
  /**
   * Wrong entries with a known cause, no two alike: the likelier cause is kept. Made on demand, since most
   * runs never look at them.
   */
  slips(): readonly Slip[]
}

export type Action = 'add-part' | 'take-part' | 'say-total' | 'hold' | 'glance' | 'write' | 'sign'

export type Fact = `${number}${'+' | '-'}${number}`

/** A value kept in mind between steps. */
export interface Held {
  readonly what: string
  readonly value: Decimal
}

/** What stands on the answer line, by place. */
export interface AnswerLine {
  readonly negative: boolean
  readonly cells: readonly AnswerCell[]
}

export interface AnswerCell {
  readonly place: number
  readonly digits: string
  /** Still only kept in mind: it may change. */
  readonly draft: boolean
}

/** A wrong entry with a known cause. */
export interface Slip {
  readonly id: string
  readonly entry: Decimal
  /** What was done and what to do. */
  readonly remark: string
  /** How common this slip is beside the others of the technique (relative weight). */
  readonly odds: number
}
