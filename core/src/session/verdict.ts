/** What an attempt comes to. A verdict is kept as it was found, with the version of the judge that found it. */
import { type Cause, diagnose, workFor } from '../diagnose/diagnose.js'
import { drillById } from '../drill/drills.js'
import { InputError } from '../problem/error.js'
import { readProblem } from '../problem/expression.js'
import { SIGNED } from '../question/kind.js'
import { meetsText } from '../question/question.js'
import { checkLevel, techniqueById } from '../registry/techniques.js'
import { readAnswerOf, variantOf } from '../technique/driver.js'
import { Walk } from '../technique/listening/walks.js'
import { firstSupport } from './events.js'
import { asksTheSame, olderVariant } from './older.js'
import {
  type Exercise,
  FIRST_JUDGE,
  JUDGE,
  type JudgedEntry,
  mistaken,
  moved,
  type Progress,
  passedOver,
  type Task,
} from './progress.js'
import { type AttemptRecord, type Figures, MOST_MS } from './record.js'
import { beginTask, happen, reduceEvents } from './reduce.js'
import type { WorkedSupport } from './support.js'

/** A problem left alone for longer than this is not timed. */
export const IDLE_MS = 60_000

/** What an attempt comes to, as the learner was told. */
export interface Verdict extends Figures {
  /** The version of the judge, from 1. */
  readonly judge: number
  /** The most help that was given. */
  readonly support: WorkedSupport
  /** What was entered, judged, in order. */
  readonly entries: readonly JudgedEntry[]
}

/** Likely causes of the wrong answers of an attempt, in their order; undefined where they are not known yet. */
export type Causes = readonly (readonly Cause[] | undefined)[]

/**
 * The exercise a record tells of.
 * @throws InputError for an unknown technique, variant or level, or a problem that cannot be read or does not fit.
 */
export function exerciseOf(
  record: Pick<
    AttemptRecord,
    'technique' | 'variant' | 'level' | 'expression' | 'support' | 'events' | 'judge'
  >,
): Exercise {
  const technique = techniqueById(record.technique)
  checkLevel(technique, record.level)
  const defaults = record.judge > FIRST_JUDGE ? {} : olderVariant(technique)
  const variant = variantOf(technique, { ...defaults, ...record.variant })
  const problem = readProblem(record.expression)
  const fit = technique.fits(problem)
  if (!fit.fits) throw new InputError(`${technique.name} does not fit ${record.expression}: ${fit.because}.`)
  const support = firstSupport(record.events, record.support)
  return { technique, variant, level: record.level, support, problem }
}

/** What a record tells of: a problem worked by a technique, or an item of a drill. @throws InputError as `exerciseOf` does */
function taskOf(record: Parameters<typeof exerciseOf>[0]): Task {
  return drillById(record.technique)?.read(record.expression) ?? exerciseOf(record)
}

/** Folds the events of a record. @throws InputError as `taskOf` and the events do. */
export function progressOf(record: Omit<AttemptRecord, 'id' | 'sessionId' | 'n' | 'startedAt'>): Progress {
  return record.events.reduce(happen, beginTask(taskOf(record), record.judge))
}

/** The same for a record that is to be kept. @throws InputError when it has no end or names another support. */
export function finishedProgress(record: AttemptRecord): Progress {
  const progress = progressOf(record)
  if (progress.outcome === undefined) throw new InputError('The attempt has no end.')
  if (progress.mostHelp !== record.support)
    throw new InputError(`The attempt is called "${record.support}", but there was "${progress.mostHelp}".`)
  return progress
}

/**
 * Judges every entry afresh from the problem; nothing the sender may claim about right and wrong is used.
 * @throws InputError when the record does not hang together.
 */
export function judgeRecord(record: AttemptRecord): Verdict {
  if (record.judge === JUDGE || record.support === 'answer') return verdictOf(finishedProgress(record))
  const replayed = replayOf(record)
  return replayed ? verdictOf(replayed) : judgedByItsEnd(record)
}

/**
 * An attempt worked in steps that are asked otherwise now: only its end can be judged, what came before stays uncounted.
 * @throws InputError when the record does not hang together.
 */
function judgedByItsEnd(record: AttemptRecord): Verdict {
  const { technique, problem, variant } = exerciseOf(record)
  const answer = Walk.begin(technique, problem, variant).whole()
  // Every entry answers a question of its own, so that times and the end are read as of any attempt.
  const questions = record.events.flatMap(({ kind, text = '' }) => {
    if (kind === 'given') return [answer]
    const value = kind === 'entered' ? SIGNED.read(text) : undefined
    return value ? [{ ask: '', kind: SIGNED, expect: value }] : []
  })
  const events = record.events.filter((e) => e.kind !== 'support' && e.kind !== 'shown')
  const { judge, support } = record
  const figures = figuresOf(reduceEvents({ questions, inOrder: true }, events, judge))
  const entries = reduceEvents({ questions, inOrder: true }, events, judge).entries.map(
    (entry, i, all): JudgedEntry =>
      i === all.length - 1 || entry.verdict === 'given'
        ? {
            ...entry,
            step: 0,
            verdict: entry.verdict === 'given' || meetsText(answer, entry.text) ? entry.verdict : 'wrong',
          }
        : { ...entry, step: 0, took: 0, verdict: 'elsewhere' },
  )
  const right = figures.outcome === 'done' && entries.at(-1)?.verdict === 'right'
  return { judge, support, ...figures, right, clean: false, entries }
}

/**
 * What happened in a kept attempt, worked again; undefined where its steps are asked otherwise now. Whoever reached the
 * end by them was asked just these.
 * @throws InputError as `exerciseOf` does.
 */
export function replayOf(record: AttemptRecord): Progress | undefined {
  if (record.judge === JUDGE || record.support === 'answer' || drillById(record.technique))
    return progressOf(record)
  const { technique } = exerciseOf(record)
  try {
    const progress = finishedProgress(record)
    return progress.outcome === 'done' || record.judge > FIRST_JUDGE || asksTheSame(technique)
      ? progress
      : undefined
  } catch (error) {
    if (error instanceof InputError) return undefined
    throw error
  }
}

/**
 * The whole verdict, with what led to each wrong entry.
 * @param causes those already known of its wrong answers; the others are looked for.
 * @throws InputError for an attempt that has no end.
 */
export function verdictOf(progress: Progress, causes: Causes = []): Verdict {
  const { judge, mostHelp: support } = progress
  return { judge, support, ...figuresOf(progress), entries: kept(explained(progress, causes)) }
}

/** Entries as they are kept: mistakes by step, place and id, without what is said of them. */
function kept(entries: readonly JudgedEntry[]): readonly JudgedEntry[] {
  return entries.map((entry) => ({
    ...entry,
    slips: entry.slips.map(({ step, place, id }) => ({ step, place, id })),
  }))
}

/** The figures of a verdict alone. @throws InputError for an attempt that has no end. */
export function figuresOf(progress: Progress): Figures {
  const { task, clock, entries, outcome, hints } = progress
  if (outcome === undefined) throw new InputError('The attempt has no end.')
  const last = entries.at(-1)
  // Of a list every answer has to be right at its first try, of a problem the one that ends it.
  const first = 'technique' in task ? progress.lastTries === 1 : !entries.some(mistaken)
  const right = outcome === 'done' && first && moved(last!) && last!.verdict !== 'given'
  const unaided = (e: JudgedEntry) => passedOver(e) || (moved(e) && e.verdict !== 'given')
  const end = clock.at - clock.away
  const firstKey = clock.firstKeyAt ?? end
  return {
    outcome,
    right,
    clean: right && hints === 0 && entries.every(unaided),
    timed: !progress.onPaper && clock.idle <= IDLE_MS,
    hints,
    thinkMs: within(firstKey),
    keyMs: within((clock.lastKeyAt ?? firstKey) - firstKey),
    totalMs: within(end),
    idleMs: within(clock.idle),
  }
}

/** The wrong answers of an attempt whose causes are to be looked for: those given without steps, in their order. */
export function wrongAnswers({ task, entries }: Progress): readonly JudgedEntry[] {
  return 'technique' in task ? entries.filter((e) => e.step === 0 && e.verdict === 'wrong') : []
}

/** Wrong answers with what led to them. */
function explained(progress: Progress, causes: Causes): readonly JudgedEntry[] {
  const { task, entries } = progress
  if (!('technique' in task)) return entries
  const wrong = wrongAnswers(progress)
  let nth = 0
  return entries.map((entry) => {
    if (!wrong.includes(entry)) return entry
    const [cause] = causes[nth] ?? causesOf(task, entry.text, nth)
    nth += 1
    return cause ? { ...entry, verdict: 'slip', place: cause.slips[0].place, slips: cause.slips } : entry
  })
}

/** The likely causes of a wrong answer. @param nth which of the attempt's wrong answers it is, from 0: each is looked into for half as long as the one before. */
export function causesOf(
  { technique, problem, variant }: Pick<Exercise, 'technique' | 'problem' | 'variant'>,
  answer: string,
  nth: number,
): readonly Cause[] {
  const value = readAnswerOf(technique, problem, variant, answer)
  const work = workFor(nth)
  return value !== undefined && work > 0 ? diagnose(technique, problem, variant, value, work).causes : []
}

function within(ms: number): number {
  return Math.min(MOST_MS, Math.max(0, ms))
}
