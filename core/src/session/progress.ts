/** What an attempt is at a moment, and what is said of its entries. */

import type { LocatedSlip } from '../diagnose/diagnose.js'
import type { Problem } from '../problem/problem.js'
import type { AnyQuestion } from '../question/question.js'
import type { Technique, Variant } from '../technique/contract.js'
import type { ElsewhereAs, Reading } from '../technique/listening/reading.js'
import type { Walk } from '../technique/listening/walks.js'
import type { Clock } from './clock.js'
import type { Outcome } from './record.js'
import type { WorkedSupport } from './support.js'

/**
 * The rules entries are judged by. Version 1 took only what the open step of the one variant set asked; version 2
 * follows several walks, lets steps be stepped over and counts nothing that is right in itself; version 3 tells what is on
 * the way to a value from its quantities, the same way for every technique.
 */
export const JUDGE = 3
/** The first version of the judge. */
export const FIRST_JUDGE = 1

/** A problem worked by a technique. */
export interface Exercise {
  /** By which technique it is worked. */
  readonly technique: Technique
  /** Where practitioners differ: what was chosen. */
  readonly variant: Variant
  /** The level, from 1; 0 for parameters of one's own. */
  readonly level: number
  /** How much help was given. */
  readonly support: WorkedSupport
  /** The problem itself. */
  readonly problem: Problem
}

/** Questions without a technique: answered one after another, or in any order. */
export interface QuestionList {
  readonly questions: readonly AnyQuestion[]
  readonly inOrder: boolean
}

/** What is worked in one attempt. */
export type Task = Exercise | QuestionList

/** Every verdict on an entry; `given`: the value was shown by the program. */
export const ENTRY_VERDICTS = [
  'right',
  'ahead',
  'so-far',
  'elsewhere',
  'slip',
  'wrong',
  'given',
] as const satisfies readonly (Reading['verdict'] | 'given')[]
export type EntryVerdict = (typeof ENTRY_VERDICTS)[number]

/** One entry with the verdict on it. */
export interface JudgedEntry {
  /** As it was typed, in the one way it is read. */
  readonly text: string
  /** Milliseconds since the last entry that moved on, or since the problem was shown. */
  readonly ms: number
  /** What it was judged to be. */
  readonly verdict: EntryVerdict
  /** Number of the step that was open, from 1; 0 where only the answer was asked. */
  readonly step: number
  /** The place of that step; for a value that belongs elsewhere, that place. */
  readonly place: number
  /** Steps it answered: several where some were stepped over. */
  readonly took: number
  /** Why a true value was not taken. */
  readonly as?: ElsewhereAs
  /** So far, but it is also what comes of this mistake. */
  readonly possible?: string
  /** What is known of a wrong entry: one slip, or those that led to it together. */
  readonly slips: readonly LocatedSlip[]
}

/** Did the entry move the work on? */
export function moved({ verdict }: Pick<JudgedEntry, 'verdict'>): boolean {
  return verdict === 'right' || verdict === 'ahead' || verdict === 'given'
}

/** Did it leave the question open without being counted: on the way to what is asked, or true and not asked? */
export function passedOver({ verdict }: Pick<JudgedEntry, 'verdict'>): boolean {
  return verdict === 'so-far' || verdict === 'elsewhere'
}

/** Was the entry a mistake? Not so what was right in itself, and not asked. */
export function mistaken({ verdict }: Pick<JudgedEntry, 'verdict'>): boolean {
  return verdict === 'slip' || verdict === 'wrong'
}

/** Where an attempt stands. */
export interface Progress {
  /** What is asked. */
  readonly task: Task
  /** The version of the judge, from 1. */
  readonly judge: number
  /** The support now. */
  readonly support: WorkedSupport
  /** The most help there was so far. */
  readonly mostHelp: WorkedSupport
  /** The walks still alive, the one worked first; empty for a list of questions. */
  readonly walks: readonly Walk[]
  /** Where the last entry may also have led to. */
  readonly spare: () => readonly Walk[]
  /** For a list of questions: which are answered. */
  readonly answered: readonly boolean[]
  /** What was entered so far, judged, in order. */
  readonly entries: readonly JudgedEntry[]
  /** Counted tries at the open question. */
  readonly tries: number
  /** Tries at the question that ended the attempt, or that was answered last. */
  readonly lastTries: number
  /** How many hints were taken. */
  readonly hints: number
  /** Does the hint of the open step stand there? */
  readonly hintOpen: boolean
  /** How it ended; undefined while it goes on. */
  readonly outcome: Outcome | undefined
  /** Worked on paper and keyed in later: nothing of its times is the learner's. */
  readonly onPaper: boolean
  /** When keys were pressed and where it paused. */
  readonly clock: Clock
}
