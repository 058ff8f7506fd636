/** One attempt at one problem: what is recorded of it, and what that record says. */

import { diagnose } from '../diagnose/diagnose.js'
import type { Shown } from '../flash/list.js'
import { type Decimal, readDecimal } from '../number/decimal.js'
import { InputError } from '../problem/error.js'
import { readProblem } from '../problem/expression.js'
import type { Problem } from '../problem/problem.js'
import type { School, Step, Technique } from '../technique/contract.js'
import { acceptsAnswer, judgeEntry, replay, schoolOf, trace } from '../technique/driver.js'
import { checkLevel, techniqueById } from '../technique/registry.js'

/**
 * How much help stands on the bench, fading downwards: the whole working, each step asked in words, only the
 * place of each step, nothing but the problem.
 */
export const SUPPORTS = ['watch', 'guided', 'steps', 'answer'] as const
export type Support = (typeof SUPPORTS)[number]

export const SUPPORT_NAMES: Record<Support, string> = {
  watch: 'Watch',
  guided: 'Guided',
  steps: 'Steps only',
  answer: 'Answer only',
}

/** Supports under which the learner does the work, so that an attempt is recorded. */
export const WORKED_SUPPORTS = ['guided', 'steps', 'answer'] as const
export type WorkedSupport = (typeof WORKED_SUPPORTS)[number]

/** A problem left alone for longer than this is not timed. */
export const IDLE_MS = 60_000

/** Times are kept up to a day: a problem may be left open over night. */
export const MOST_MS = 86_400_000
/** Entries kept of one attempt. */
export const MOST_ENTRIES = 500

/** Wrong answers of one attempt that are looked into: after so many tries it is guessing. */
const MOST_DIAGNOSED = 20

/** One entry, right or wrong, in the order typed. */
export interface Entered {
  /** Step number from 1; 0 for a final answer given without steps. */
  readonly step: number
  /** A plain decimal. */
  readonly value: string
  /** Milliseconds since the last accepted entry, or since the problem was shown. */
  readonly ms: number
  /** 'program' when the learner asked to be shown the value. */
  readonly by: 'learner' | 'program'
}

/** What the browser records and sends of an attempt. Times are whole milliseconds. */
export interface AttemptRecord {
  /** Made in the browser (UUID); sending an attempt twice stores it once. */
  readonly id: string
  readonly sittingId: string
  /** Position in the sitting, from 1. */
  readonly n: number
  readonly technique: string
  readonly school: Readonly<Record<string, string>>
  readonly level: number
  readonly support: WorkedSupport
  readonly expression: string
  /** ISO 8601, UTC. */
  readonly startedAt: string
  readonly entries: readonly Entered[]
  readonly hints: number
  readonly outcome: 'done' | 'skipped'
  /** Shown to first key. */
  readonly thinkMs: number
  /** First to last key. */
  readonly keyMs: number
  readonly totalMs: number
  /** The longest stretch without a key. */
  readonly idleMs: number
  /** For numbers that were flashed or glided by: how they were shown. */
  readonly shown?: Shown
}

/** An entry with the verdict on it. */
export interface JudgedEntry extends Entered {
  readonly right: boolean
  /** Id of the likeliest slip behind a wrong entry, where one is known. */
  readonly slip?: string
  readonly remark?: string
  readonly place: number
}

/** What an attempt comes to. */
export interface Verdict {
  /** Worked to the end by the learner, the final answer right at its first try and not shown. */
  readonly right: boolean
  /** Right, and no wrong entry, hint or shown value on the way. */
  readonly clean: boolean
  /** False when the problem was left alone for over a minute: its times then count for nothing. */
  readonly timed: boolean
  readonly entries: readonly JudgedEntry[]
}

/** The named parts of a record, read and checked against the techniques there are. */
export interface Reading {
  readonly technique: Technique
  readonly school: School
  readonly problem: Problem
}

/** @throws InputError for an unknown technique, school or level, or a problem that cannot be read or does not fit. */
export function readAttempt(
  record: Pick<AttemptRecord, 'technique' | 'school' | 'level' | 'expression'>,
): Reading {
  const technique = techniqueById(record.technique)
  checkLevel(technique, record.level)
  const school = schoolOf(technique, record.school)
  const problem = readProblem(record.expression)
  const fit = technique.fits(problem)
  if (!fit.fits) throw new InputError(`${technique.name} does not fit ${record.expression}: ${fit.because}.`)
  return { technique, school, problem }
}

/**
 * Judges every entry afresh from the problem; nothing the sender may claim about right and wrong is used.
 * @throws InputError when the record does not hang together: entries out of order, after the end, or short
 * of an outcome that is called done.
 */
export function judgeAttempt(record: AttemptRecord): Verdict {
  const reading = readAttempt(record)
  const entries = record.support === 'answer' ? judgeAnswers(record, reading) : judgeSteps(record, reading)
  const last = entries.at(-1)
  const lastTries = entries.filter((e) => e.step === last?.step)
  const right = record.outcome === 'done' && lastTries.length === 1 && last!.right && last!.by === 'learner'
  const clean = right && record.hints === 0 && entries.every((e) => e.right && e.by === 'learner')
  return { right, clean, timed: record.idleMs <= IDLE_MS, entries }
}

function judgeAnswers(record: AttemptRecord, { technique, problem, school }: Reading): JudgedEntry[] {
  const right = trace(technique, problem, school)
  const judged = record.entries.map((entered, i): JudgedEntry => {
    if (entered.step !== 0)
      throw new InputError(`Entry ${i + 1} names a step, but only the answer was asked.`)
    const value = numberIn(entered)
    if (!acceptsAnswer(right, value)) {
      const cause =
        i < MOST_DIAGNOSED ? diagnose(technique, problem, school, value).causes[0]?.slips[0] : undefined
      return {
        ...entered,
        right: false,
        place: cause?.place ?? 0,
        ...(cause && { slip: cause.id, remark: cause.remark }),
      }
    }
    if (i < record.entries.length - 1) throw new InputError(`Entry ${i + 2} comes after the right answer.`)
    return { ...entered, right: true, place: 0 }
  })
  ended(record, judged.at(-1)?.right ?? false)
  return judged
}

function judgeSteps(record: AttemptRecord, { technique, problem, school }: Reading): JudgedEntry[] {
  const accepted: Decimal[] = []
  const judged: JudgedEntry[] = []
  let position = replay(technique, problem, school, accepted)
  for (const [i, entered] of record.entries.entries()) {
    const step: Step | undefined = position.next
    if (!step) throw new InputError(`Entry ${i + 1} comes after the last step.`)
    if (entered.step !== accepted.length + 1)
      throw new InputError(
        `Entry ${i + 1} is for step ${entered.step}, but step ${accepted.length + 1} is open.`,
      )
    const value = numberIn(entered)
    const verdict = judgeEntry(step, value)
    judged.push({
      ...entered,
      right: verdict.right,
      place: step.place,
      ...(!verdict.right && verdict.slip && { slip: verdict.slip.id, remark: verdict.slip.remark }),
    })
    if (!verdict.right) continue
    accepted.push(value)
    position = replay(technique, problem, school, accepted)
  }
  ended(record, position.answer !== undefined)
  return judged
}

function ended(record: AttemptRecord, reached: boolean): void {
  if (record.outcome === 'done' && !reached)
    throw new InputError('The attempt is called done, but its answer was not reached.')
  if (record.outcome === 'skipped' && reached)
    throw new InputError('The attempt is called skipped, but its answer was reached.')
}

function numberIn(entered: Entered): Decimal {
  const value = readDecimal(entered.value)
  if (!value) throw new InputError(`"${entered.value.slice(0, 60)}" is not a number of at most 40 digits.`)
  return value
}
