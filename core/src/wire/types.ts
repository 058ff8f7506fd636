/** What goes over HTTP between browser and server. */

import type { LevelMove } from '../curriculum/levels.js'
import type { LatestAt } from '../curriculum/mastery.js'
import type { PastSession } from '../curriculum/retention.js'
import type { SlipCount } from '../learner/bugs.js'
import type { Best, Pace } from '../learner/pace.js'
import type { FactMemory } from '../learner/recall.js'
import type { JudgedEntry } from '../session/progress.js'
import type { RecallRecord } from '../session/recall.js'
import type { AttemptRecord, Figures, Outcome } from '../session/record.js'
import type { WorkedSupport } from '../session/support.js'
import type { OwnSet } from '../set/own.js'
import type { WeakKind } from '../set/paper.js'
import type { PracticeSet, Recipe } from '../set/recipe.js'
import type { NewSheet } from '../set/sheet.js'

/** A learner, as the server tells of one. */
export interface LearnerWire {
  /** A UUID made where it came about. */
  readonly id: string
  /** What it is called, as it was typed. */
  readonly name: string
  /** IANA name, such as Europe/Berlin. */
  readonly timeZone: string
  /** Was the learner invented for the demo? */
  readonly demo: boolean
}

/** Days a removed learner can be had back, before everything of theirs is erased. */
export const KEPT_REMOVED_DAYS = 30

/** A learner who was removed and can still be had back. */
export interface RemovedLearner {
  /** A UUID made where it came about. */
  readonly id: string
  /** As it was typed. */
  readonly name: string
  /** ISO 8601, UTC. */
  readonly removedAt: string
}

/** A learner as it is added. */
export interface NewLearner {
  /** A UUID made where it came about. */
  readonly id: string
  /** What it is called, as it was typed. */
  readonly name: string
  /** IANA name, such as Europe/Berlin. */
  readonly timeZone: string
}

/** One stretch of practice as the browser announces it: the set that is practised. */
export interface SessionStart extends PracticeSet {
  /** Whose it is. */
  readonly learnerId: string
  /** ISO 8601, UTC. */
  readonly startedAt: string
}

/** A session with its figures. */
export interface SessionWire extends SessionStart {
  /** A UUID made where it came about. */
  readonly id: string
  /** Attempts by technique, level and support, most supported first. */
  readonly paces: readonly ItemPace[]
  /** The mistakes in it, the most frequent first. */
  readonly slips: readonly { readonly id: string; readonly count: number }[]
}

/** What the attempts at problems of one technique and level came to, under one support. */
export interface ItemPace extends Pace {
  /** The id of the technique, or of the drill. */
  readonly technique: string
  /** The level, from 1; 0 for parameters of one's own. */
  readonly level: number
  /** How much help was given. */
  readonly support: WorkedSupport
}

/** A paper or a trial that was worked: its recipe, and each item in the order it was left. */
export interface WorkedSet {
  /** A UUID made where it came about. */
  readonly id: string
  /** ISO 8601, UTC. */
  readonly startedAt: string
  /** How it is drawn, marked and timed. */
  readonly recipe: Recipe
  /** What was answered, in order. */
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
  /** A UUID made where it came about. */
  readonly id: string
}

/** A sheet with the times it was keyed back in. */
export interface SheetWire extends NewSheet {
  /** When and for whom it was keyed back in. */
  readonly keyed: readonly { readonly learnerId: string; readonly sessionId: string; readonly at: string }[]
}

/** Sheets that were made together, without their items. */
export interface SheetBatch extends Pick<NewSheet, 'batch' | 'title' | 'madeAt' | 'copies'> {
  /** How many items each has. */
  readonly items: number
  /** The codes of its papers, in order. */
  readonly codes: readonly string[]
}

/** Some sessions, and whether there are more. */
export interface SessionPage {
  /** The newest first. */
  readonly sessions: readonly SessionWire[]
  /** Pass as `before` for the next page; absent on the last. */
  readonly next?: string
}

/** An attempt as a row of a list. */
export interface AttemptSummary {
  /** A UUID made where it came about. */
  readonly id: string
  /** Which item of its set, from 1. */
  readonly n: number
  /** The id of the technique, or of the drill. */
  readonly technique: string
  /** The level, from 1; 0 for parameters of one's own. */
  readonly level: number
  /** How much help was given. */
  readonly support: WorkedSupport
  /** The problem as it is typed and printed by `printProblem`. */
  readonly expression: string
  /** How it ended. */
  readonly outcome: Figures['outcome']
  /** Right at the first try. */
  readonly right: boolean
  /** Right without help and without a wrong value. */
  readonly clean: boolean
  /** Does its time count? Not what was stopped, nor what was worked on paper. */
  readonly timed: boolean
  /** From the showing to the answer, in milliseconds, without pauses. */
  readonly totalMs: number
  /** Ids of the slips behind its wrong values. */
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
  /** ISO 8601, UTC. */
  readonly at: string
  /** The id of the technique, or of the drill. */
  readonly technique: string
  /** The level, from 1; 0 for parameters of one's own. */
  readonly level: number
  /** How much help was given. */
  readonly support: WorkedSupport
  /** How many attempts. */
  readonly attempts: number
  /** How many of them were right. */
  readonly right: number
  /** Median of the right answers that were timed, in milliseconds; null where there is none. */
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
  /** Every fact that was recalled. */
  readonly facts: readonly FactStanding[]
  /** Mistakes of the last BUG_DAYS, by week. */
  readonly slips: readonly SlipWeek[]
  /** Kinds that went badly on the latest papers. */
  readonly weak: readonly WeakKind[]
  /** The learner's own day, and what was done on it. */
  readonly day: string
  /** What was done today so far. */
  readonly today: DayWire
}

/** A technique a learner has sat down to. */
export interface PractisedWire {
  /** The id of the technique, or of the drill. */
  readonly technique: string
  /** Problems worked in the fortnight before the latest session. */
  readonly lately: number
}

/** A move of a level, as it is kept. */
export interface MoveWire extends LevelMove {
  /** A UUID made where it came about. */
  readonly id: string
}

/** A move by hand as the browser asks for it. */
export interface HandMove {
  /** The id of the technique, or of the drill. */
  readonly technique: string
  /** The level after. */
  readonly to: number
}

/** What was done on one day of the learner's own. */
export interface DayWire {
  /** ISO date in the learner's time zone. */
  readonly day: string
  /** How many attempts. */
  readonly attempts: number
  /** How many of the attempts were right. */
  readonly right: number
  /** How many recalls of facts. */
  readonly recalls: number
  /** Time at work, in milliseconds. */
  readonly ms: number
}

/** One mistake whose cause is known. */
export interface LatestMistake {
  /** The id of the attempt it was made in. */
  readonly attempt: string
  /** When its problem was shown: ISO 8601, UTC. */
  readonly at: string
  /** The id of the technique, or of the drill. */
  readonly technique: string
  /** 0 for problems of the learner's own parameters. */
  readonly level: number
  /** The problem as it is typed and printed by `printProblem`. */
  readonly expression: string
  /** What was entered, as text of its kind. */
  readonly text: string
  /** The id of the slip. */
  readonly slip: string
  /** 0 for the units, 1 for the tens, -1 for the tenths. */
  readonly place: number
}

/** How often a slip was made at a place in one week; weeks begin on Monday. */
export interface SlipWeek extends SlipCount {
  /** ISO date of its Monday. */
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
  /** How many recalls of facts. */
  readonly recalls: number
  /** How many of them were right. */
  readonly right: number
  /** Over the latest recalls that were right. */
  readonly medianMs: number | null
  /** Were the latest recalls all right? */
  readonly latestRight: boolean
}

/** Attempts brought in from a file, each with the session it belongs to. */
export interface BroughtIn {
  /** The attempts, each with the session it belongs to. */
  readonly rows: readonly {
    readonly attempt: AttemptRecord
    readonly session: Omit<SessionStart, 'learnerId'>
  }[]
}

/** What became of each, in their order. */
export type BroughtInAnswer = readonly ({ readonly stored: boolean } | { readonly error: string })[]

/** What a backup holds, or this program does. */
export interface Holdings {
  /** How many learners. */
  readonly learners: number
  /** How many attempts. */
  readonly attempts: number
  /** How many recalls of facts. */
  readonly recalls: number
  /** When the latest attempt was begun; null when there is none. */
  readonly latest: string | null
}

/** An error body (RFC 9457). */
export interface ProblemDetails {
  /** The kind of problem as a URI (RFC 9457). */
  readonly type: string
  /** The kind of problem in words. */
  readonly title: string
  /** The HTTP status. */
  readonly status: number
  /** Stable, for programs; the browser finds its words by it. */
  readonly code: ProblemCode
  /** What went wrong this time, in words. */
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
/** What went wrong, as a stable code; the browser finds the words. */
export type ProblemCode = (typeof PROBLEM_CODES)[number]
