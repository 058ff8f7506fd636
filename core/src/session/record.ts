/**
 * What is kept of an attempt, as one table: the name of each field, what kind of value it holds, and its column in a
 * file of comma-separated values. The types below, the schema it is checked with and the columns follow from it.
 */
import type { Shown } from '../flash/list.js'
import type { AttemptEvent } from './events.js'
import type { WorkedSupport } from './support.js'

/** How an attempt ended: with its answer, or without. */
export const OUTCOMES = ['done', 'skipped', 'timed-out', 'stopped'] as const
/** How an attempt ended. */
export type Outcome = (typeof OUTCOMES)[number]

/** Values a field may hold, by kind. */
interface Kinds {
  /** A UUID made in the browser. */
  id: string
  /** A whole number from 1. */
  count: number
  /** A whole number from 0. */
  number: number
  word: string
  /** A value for each option in which practitioners differ. */
  variant: Readonly<Record<string, string>>
  support: WorkedSupport
  expression: string
  /** ISO 8601, UTC. */
  instant: string
  /** A version of the judge, from 1. */
  judge: number
  events: readonly AttemptEvent[]
  presentation: Shown
  flag: boolean
  outcome: Outcome
  /** Whole milliseconds. */
  ms: number
}

interface Field {
  readonly kind: keyof Kinds
  readonly column: string
  /** May be left out. */
  readonly optional?: true
}

/** What the browser records and sends. */
export const RECORDED = {
  /** Sending an attempt twice stores it once. */
  id: { kind: 'id', column: 'attempt' },
  sessionId: { kind: 'id', column: 'session' },
  /** Position in the session. */
  n: { kind: 'count', column: 'n' },
  technique: { kind: 'word', column: 'technique' },
  variant: { kind: 'variant', column: 'variant' },
  /** 0 for problems of the learner's own parameters. */
  level: { kind: 'number', column: 'level' },
  /** The most help there was at any time in it. */
  support: { kind: 'support', column: 'support' },
  expression: { kind: 'expression', column: 'expression' },
  startedAt: { kind: 'instant', column: 'started' },
  /** The version of the judge that the learner was told the verdicts of. */
  judge: { kind: 'judge', column: 'judge' },
  events: { kind: 'events', column: 'events' },
  /** For numbers that were flashed or glided by: how they were shown. */
  shown: { kind: 'presentation', column: 'shown', optional: true },
} as const satisfies Record<string, Field>

/** What judging its events comes to. */
export const JUDGED = {
  outcome: { kind: 'outcome', column: 'outcome' },
  /** Worked to the end by the learner, the final answer right at its first try and not shown. */
  right: { kind: 'flag', column: 'right' },
  /** Right first time: right, and no wrong entry, hint or shown value on the way. */
  clean: { kind: 'flag', column: 'clean' },
  /** False when the problem was left alone for over a minute: its times then count for nothing. */
  timed: { kind: 'flag', column: 'timed' },
  hints: { kind: 'number', column: 'hints' },
  /** Shown to first key; first to last key; shown to the end; the longest stretch without a sign of life. */
  thinkMs: { kind: 'ms', column: 'think_ms' },
  keyMs: { kind: 'ms', column: 'key_ms' },
  totalMs: { kind: 'ms', column: 'total_ms' },
  idleMs: { kind: 'ms', column: 'idle_ms' },
} as const satisfies Record<string, Field>

type Of<F extends Record<string, Field>> = {
  readonly [K in keyof F as F[K] extends { optional: true } ? never : K]: Kinds[F[K]['kind']]
} & { readonly [K in keyof F as F[K] extends { optional: true } ? K : never]?: Kinds[F[K]['kind']] }

/** What the browser records and sends of an attempt. */
export type AttemptRecord = Of<typeof RECORDED>
/** The figures of a verdict. */
export type Figures = Of<typeof JUDGED>

/** Times are kept up to a day: a problem may be left open over night. */
export const MOST_MS = 86_400_000
