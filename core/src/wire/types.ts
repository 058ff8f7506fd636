/** What goes over HTTP between browser and server. */

import type { LevelMove } from '../curriculum/levels.js'
import type { LatestAt } from '../curriculum/mastery.js'
import type { PastSession } from '../curriculum/retention.js'
import type { SlipCount } from '../learner/bugs.js'
import type { Best, Pace } from '../learner/pace.js'
import type { FactMemory } from '../learner/recall.js'
import type { RecallRecord } from '../session/recall.js'
import type { AttemptRecord, Figures, Outcome } from '../session/record.js'
import type { JudgedEntry } from '../session/reduce.js'
import type { WorkedSupport } from '../session/support.js'
import type { OwnSet } from '../set/own.js'
import type { WeakKind } from '../set/paper.js'
import type { PracticeSet, Recipe } from '../set/recipe.js'
import type { NewSheet } from '../set/sheet.js'

export interface LearnerWire {
  readonly id: string
  readonly name: string
  readonly timeZone: string
  readonly demo: boolean
}

/** Days a removed learner can be had back, before everything of theirs is erased. */
export const KEPT_REMOVED_DAYS = 30

/** A learner who was removed and can still be had back. */
export interface RemovedLearner {
  readonly id: string
  readonly name: string
  /** ISO 8601, UTC. */
  readonly removedAt: string
}

export interface NewLearner {
  readonly id: string
  readonly name: string
  readonly timeZone: string
}

/** One stretch of practice as the browser announces it: the set that is practised. */
export interface SessionStart extends PracticeSet {
  readonly learnerId: string
  /** ISO 8601, UTC. */
  readonly startedAt: string
}

export interface SessionWire extends SessionStart {
  readonly id: string
  /** Attempts by technique, level and support, most supported first. */
  readonly paces: readonly ItemPace[]
  readonly slips: readonly { readonly id: string; readonly count: number }[]
}

/** What the attempts at problems of one technique and level came to, under one support. */
export interface ItemPace extends Pace {
  readonly technique: string
  readonly level: number
  readonly support: WorkedSupport
}

/** A paper or a trial that was worked: its recipe, and each item in the order it was left. */
export interface WorkedSet {
  readonly id: string
  readonly startedAt: string
  readonly recipe: Recipe
  readonly answers: readonly {
    readonly n: number
    readonly outcome: Outcome
    readonly right: boolean
    readonly ms: number
    /** Mistakes found in wrong answers, by id. */
    readonly slips: readonly string[]
  }[]
}

/** Problems of a learner's own, kept by their name. */
export interface OwnSetWire extends OwnSet {
  readonly id: string
}

/** A sheet with the times it was keyed back in. */
export interface SheetWire extends NewSheet {
  readonly keyed: readonly { readonly learnerId: string; readonly sessionId: string; readonly at: string }[]
}

/** Sheets that were made together, without their items. */
export interface SheetBatch extends Pick<NewSheet, 'batch' | 'title' | 'madeAt' | 'copies'> {
  /** How many items each has. */
  readonly items: number
  readonly codes: readonly string[]
}

export interface SessionPage {
  readonly sessions: readonly SessionWire[]
  /** Pass as `before` for the next page; absent on the last. */
  readonly next?: string
}

export interface AttemptSummary {
  readonly id: string
  readonly n: number
  readonly technique: string
  readonly level: number
  readonly support: WorkedSupport
  readonly expression: string
  readonly outcome: Figures['outcome']
  readonly right: boolean
  readonly clean: boolean
  readonly timed: boolean
  readonly totalMs: number
  readonly slips: readonly string[]
}

/** An attempt as it is kept: its events, and the verdict it was given. */
export type AttemptWire = AttemptRecord &
  Figures & {
    readonly learnerId: string
    readonly entries: readonly JudgedEntry[]
  }

/** One dot of the pace chart: a session's attempts under one support. */
export interface PacePoint {
  readonly at: string
  readonly technique: string
  readonly level: number
  readonly support: WorkedSupport
  readonly attempts: number
  readonly right: number
  readonly medianMs: number | null
  /** Right answers a minute; null where too little was timed to tell. */
  readonly perMinute: number | null
}

/** What mastery and today's plan are read from. */
export interface ProgressWire {
  /** The latest answers of every technique, by level and support. */
  readonly latest: readonly LatestAt[]
  /** What was worked today by technique, in the order begun. */
  readonly worked: readonly { readonly technique: string; readonly attempts: number; readonly ms: number }[]
  /** The best of one's own without steps, by technique and level. */
  readonly bests: readonly Best[]
  /** The latest move of every technique that was ever moved. */
  readonly moves: readonly MoveWire[]
  /** The latest sessions of every technique, newest first. */
  readonly past: readonly PastSession[]
  readonly facts: readonly FactStanding[]
  /** Mistakes of the last BUG_DAYS, by week. */
  readonly slips: readonly SlipWeek[]
  /** Kinds that went badly on the latest papers. */
  readonly weak: readonly WeakKind[]
  /** The learner's own day, and what was done on it. */
  readonly day: string
  readonly today: DayWire
}

/** A technique a learner has sat down to. */
export interface PractisedWire {
  readonly technique: string
  /** Problems worked in the fortnight before the latest session. */
  readonly lately: number
}

export interface MoveWire extends LevelMove {
  readonly id: string
}

/** A move by hand as the browser asks for it. */
export interface HandMove {
  readonly technique: string
  readonly to: number
}

/** What was done on one day of the learner's own. */
export interface DayWire {
  readonly day: string
  readonly attempts: number
  readonly right: number
  readonly recalls: number
  /** Time at work, in milliseconds. */
  readonly ms: number
}

/** One mistake whose cause is known. */
export interface LatestMistake {
  readonly attempt: string
  /** When its problem was shown: ISO 8601, UTC. */
  readonly at: string
  readonly technique: string
  /** 0 for problems of the learner's own parameters. */
  readonly level: number
  readonly expression: string
  /** What was entered, as text of its kind. */
  readonly text: string
  readonly slip: string
  /** 0 for the units, 1 for the tens, -1 for the tenths. */
  readonly place: number
}

/** How often a slip was made at a place in one week; weeks begin on Monday. */
export interface SlipWeek extends SlipCount {
  readonly week: string
}

/** One fact recalled, as the browser sends it: item n of the set of its session. */
export interface RecallWire extends Omit<RecallRecord, 'withinMs'> {
  readonly id: string
  readonly learnerId: string
  /** Left out by browsers of earlier versions. */
  readonly sessionId?: string
  readonly n?: number
  /** Left out by browsers of earlier versions, which knew only of the usual limits. */
  readonly withinMs?: number | null
}

/** Where a learner stands with one fact. */
export interface FactStanding extends FactMemory {
  readonly recalls: number
  readonly right: number
  /** Over the latest recalls that were right. */
  readonly medianMs: number | null
  /** Were the latest recalls all right? */
  readonly latestRight: boolean
}

/** Attempts brought in from a file, each with the session it belongs to. */
export interface BroughtIn {
  readonly rows: readonly {
    readonly attempt: AttemptRecord
    readonly session: Omit<SessionStart, 'learnerId'>
  }[]
}

/** What became of each, in their order. */
export type BroughtInAnswer = readonly ({ readonly stored: boolean } | { readonly error: string })[]

/** What a backup holds, or this program does. */
export interface Holdings {
  readonly learners: number
  readonly attempts: number
  readonly recalls: number
  /** When the latest attempt was begun; null when there is none. */
  readonly latest: string | null
}

/** An error body (RFC 9457). */
export interface ProblemDetails {
  readonly type: string
  readonly title: string
  readonly status: number
  /** Stable, for programs; the browser finds its words by it. */
  readonly code: ProblemCode
  readonly detail: string
}

/** What can be wrong with a request. */
export const PROBLEM_CODES = [
  'unreadable',
  'not-allowed-from-here',
  'not-found',
  'stored-otherwise',
  'name-taken',
  'not-empty',
  'too-large',
  'wrong-content-type',
  'invalid',
  'not-in-set',
  'server-failed',
  'database-damaged',
  'too-busy',
  'disk-full',
] as const
export type ProblemCode = (typeof PROBLEM_CODES)[number]
