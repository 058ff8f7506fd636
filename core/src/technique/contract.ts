/**
 * The contract every technique keeps. A technique is a coroutine: `work` yields each step it would ask of the
 * learner, receives what was entered, and goes on from that entry, right or wrong. The worked example, guided
 * practice, diagnosis and effort are all runs of the same definition (see driver.ts).
 */
import type { Decimal } from '../number/decimal.js'
import type { Problem } from '../problem/problem.js'
import type { ProblemSpace } from '../problem/space.js'
import type { OnEntry, Question } from '../question/question.js'
import type { Value } from '../question/value.js'
import type { Lesson } from '../words/lesson.js'
import type { SlipId } from '../words/slips.js'
import type { Condition } from './conditions.js'

/** The headings techniques stand under, in teaching order. */
export const FAMILIES = [
  'addition',
  'subtraction',
  'multiplication',
  'division',
  'squares',
  'roots',
  'soroban',
  'paper',
] as const
export type Family = (typeof FAMILIES)[number]

/** A way of working one kind of problem by hand. */
export interface Technique {
  /** Kept in records: it never changes. */
  readonly id: string
  /** The field's name for it. */
  readonly name: string
  /** Under which heading it stands. */
  readonly family: Family
  /** What it is, in one sentence a learner reads before choosing it. */
  readonly about: string
  /** The techniques it needs, by id: these come first. */
  readonly needs: readonly string[]
  /** What its page tells. */
  readonly lesson: Lesson
  /** Where practitioners differ; the first value of each option is the default. */
  readonly variants: readonly VariantOption[]
  /**
   * The variants followed beside the one set: every way practitioners work it, those that are offered as a choice and
   * those that are only recognised. Left out where they are just the values of `variants`.
   */
  readonly ways?: readonly Variant[]
  /** From easy to hard. */
  readonly levels: readonly Level[]
  /** For problems between the levels: set freely by learner or coach. */
  readonly parameters: ParameterSpace
  /** Does it work this problem, and if not, why. */
  fits(problem: Problem): Fit
  /** Where it is a trick that fits some problems of its shape only: what must hold, each by itself. */
  readonly conditions?: readonly Condition[]
  /** What is measured of a working besides time and slips, such as tens found. */
  readonly tally?: (problem: Problem, entries: readonly Decimal[]) => Tally
  /** What the answer is, where that needs saying: "the root to 3 decimals, the rest cut off". */
  readonly asks?: (variant: Variant) => string
  /** What may be said at any step by whoever works a problem in a way of their own: it is so far. */
  readonly ownWays?: (problem: Problem) => readonly Value[]
  /** Is a value the answer rounded, where the rest is to be cut off, or cut off too soon? True, but not asked. */
  readonly rounds?: (problem: Problem, variant: Variant, value: Value) => boolean
  /** Only to be called with a problem that fits. */
  work(problem: Problem, variant: Variant): Work
}

/** So many found of so many there were. */
export interface Tally {
  /** What was counted, in words. */
  readonly what: string
  /** How many were found. */
  readonly found: number
  /** Of how many. */
  readonly of: number
}

/** A working: what is asked, what was entered, and what it comes to. */
export type Work = Generator<Step, Value, Value>

/** One whose values are all decimals. */
export type NumberWork = Generator<Step, Decimal, Decimal>

export type Fit = { readonly fits: true } | { readonly fits: false; readonly because: string }

export interface VariantOption {
  readonly key: string
  /** What the choice is about, in a few words. */
  readonly name: string
  readonly values: readonly string[]
  /** What each value means. */
  readonly words: Readonly<Record<string, string>>
}

/** One thing about generated problems that can be set. */
export interface Parameter {
  readonly key: string
  readonly name: string
  readonly least: number
  readonly most: number
  /** Where it stands before anyone turns it; left out for a parameter that is open, so that anything goes. */
  readonly usual?: number
}

/** A value for each parameter that is set; an open parameter is left out. */
export type ParameterValues = Readonly<Record<string, number>>

export interface ParameterSpace {
  readonly parameters: readonly Parameter[]
  /** The problems that satisfy the values; none when they contradict each other. @throws InputError when they cannot be counted. */
  problems(values: ParameterValues): ProblemSpace
}

/** A value for every variant option of the technique. */
export type Variant = Readonly<Record<string, string>>

/** One level of a technique: a named setting of its parameters. */
export interface Level {
  readonly name: string
  readonly values: ParameterValues
  /** How this level is worked where the learner has chosen no variant. */
  readonly variant?: Variant
  /** Median time per problem to aim for, in milliseconds. */
  readonly targetMs: number
  /** The problems of this level; counted when first asked for. */
  readonly problems: () => ProblemSpace
}

/** One question of the working. */
export interface Step<V extends Value = Value> extends Question<V> {
  /** What is done in it. */
  readonly action: Action
  /** The place acted on: a power of ten, 0 = units. */
  readonly place: number
  /** One sentence on why, shown on request. */
  readonly why: string
  /** Digits of the problem that are worked together, so that they can be joined by a line. */
  readonly links?: readonly (readonly [Spot, Spot])[] | undefined
  /** What the value comes from, as it is written: "6 × 2", "564 + 70". Left out where nothing is reckoned. */
  readonly reckons?: string | undefined
  /**
   * The step is a decision, and this is what may be decided, the worked example's first. Where nothing is asked in words
   * it is not asked: the next value shows what was decided.
   */
  readonly decision?: readonly V[] | undefined
  /** How it is typed by whoever says its digits alone, zeros in front too: "06" for the 6 that is put on two rods. */
  readonly typedAs?: string | undefined
  /** The whole total of a column of which one digit is written: it says the digit too. */
  readonly sum?: Decimal | undefined
  /** What is carried into the column, where it is not part of what is reckoned. */
  readonly carry?: number | undefined
  /** Quantities of the step besides those it reckons with, such as a complement: said on the way, they are so far. */
  readonly parts?: (() => readonly Value[]) | undefined
  /** The value holds all that was worked before it, so that it may be said without the steps before. */
  readonly total: boolean
  /** Digits that may be taken next, in any order. */
  readonly picks?: Picks | undefined
  /** What stands written, and what must be kept in mind, once the step is answered as expected. */
  readonly writes: AnswerLine
  /** What is kept in the head or on the fingers after it. */
  readonly holds: readonly Held[]
  /** The same by what was entered, where several entries are right. */
  readonly after?: OnEntry<V, Moment> | undefined
  /** The elementary facts it rests on: '7+8', '13-6'. */
  readonly facts: readonly Fact[]
  /** Digits raised or lowered by a carry or a borrow in this step. */
  readonly carries: number
  /** Digits kept in mind on the way to the value, besides what was kept before it. */
  readonly kept: number
  /**
   * Wrong entries with a known cause, no two alike: the likelier cause is kept. Made on demand, since most
   * runs never look at them.
   */
  slips(): readonly Slip<V>[]
}

/** What stands written and what is kept in mind at one moment. */
export interface Moment {
  readonly writes: AnswerLine
  readonly holds: readonly Held[]
}

/** Digits that can be taken by touch, and what they come to. */
export interface Picks {
  /** The digits that are taken, each on its row. */
  readonly spots: readonly Spot[]
  /** The entry that taking these spots comes to. */
  value(chosen: readonly Spot[]): Decimal
}

/** A digit of the problem: the row counted from 0, and its place. */
export type Spot = readonly [row: number, place: number]

/** What is done in a step. */
export type Action =
  | 'add-part'
  | 'take-part'
  | 'say-total'
  | 'hold'
  | 'glance'
  | 'write'
  | 'mend'
  | 'sign'
  | 'column-total'
  | 'estimate'
  | 'round'
  | 'give-back'
  | 'block'
  | 'complement'
  | 'partial-product'
  | 'running-total'
  | 'surplus'
  | 'cross-sum'
  | 'settle'
  | 'front'
  | 'back'
  | 'join'
  | 'deviation'
  | 'double'
  | 'halve'
  | 'product'
  | 'quotient-digit'
  | 'remainder'
  | 'point'
  | 'root'
  | 'divisor'
  | 'net'
  | 'correction'
  | 'beads'
  | 'set'
  | 'read'
  | 'balance'
  | 'quotient'
  | 'decide'
  | 'value'
  | 'answer'

export type Fact = `${number}${'+' | '-' | 'x' | '/'}${number}`

/** A value kept in mind between steps. */
export interface Held {
  /** What it is, in words. */
  readonly what: string
  /** The value held. */
  readonly value: Value
}

/** What stands on the answer line, by place. */
export interface AnswerLine {
  /** Does a minus stand in front? */
  readonly negative: boolean
  /** Its digits, each at its place. */
  readonly cells: readonly AnswerCell[]
  /** The answer comes in two parts: this many places, counted from the line's lowest, belong to the back. */
  readonly back?: number
}

/** Digits of the answer line at a place. */
export interface AnswerCell {
  /** Where it stands; tens are 1, tenths -1. */
  readonly place: number
  /** One digit; more when a sum stands raw and its tens spill to the left. */
  readonly digits: string
  /** Still only kept in mind: it may change. */
  readonly draft: boolean
}

/** Steps whose value stands at the place they act on. */
export const AT_PLACE: readonly Action[] = [
  'hold',
  'glance',
  'write',
  'mend',
  'settle',
  'quotient-digit',
  'column-total',
  'cross-sum',
]

/** A wrong entry with a known cause. */
export interface Slip<V extends Value = Value> {
  /** Which of the known mistakes. */
  readonly id: SlipId
  /** What it leads to. */
  readonly entry: V
  /** The value before or against the decision that the step is there for, such as a borrow missed: it is never so far. */
  readonly decisive: boolean
  /** What was done and what to do. */
  readonly remark: string
  /** How common this slip is beside the others of the technique (relative weight). */
  readonly odds: number
}
