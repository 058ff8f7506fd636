/** What goes over HTTP between browser and server: types, and Joi schemas checked on both sides with the same words. */
import Joi from 'joi'
import type { LevelMove } from '../curriculum/levels.js'
import { FACT_DECKS } from '../facts/decks.js'
import { FADE_LEVELS, type Fade } from '../learner/fade.js'
import type { SlipCount } from '../learner/habit.js'
import type { Pace } from '../learner/pace.js'
import type { FactMemory, RecallRecord } from '../learner/recall.js'
import type { LearnerSettings } from '../learner/settings.js'
import { isInstant } from '../number/days.js'
import { MAX_EXPRESSION } from '../problem/expression.js'
import { levelOf, TECHNIQUES, techniqueById } from '../registry/techniques.js'
import { EVENT_KINDS, MOST_EVENTS } from '../session/events.js'
import { type AttemptRecord, type Figures, MOST_MS, RECORDED } from '../session/record.js'
import { JUDGE, type JudgedEntry } from '../session/reduce.js'
import { WORKED_SUPPORTS, type WorkedSupport } from '../session/support.js'
import { schoolOf } from '../technique/driver.js'

export interface LearnerWire {
  readonly id: string
  readonly name: string
  readonly timeZone: string
  readonly demo: boolean
}

export interface NewLearner {
  readonly id: string
  readonly name: string
  readonly timeZone: string
}

/** One stretch of practice as the browser announces it. */
export interface SittingStart {
  readonly learnerId: string
  readonly technique: string
  readonly level: number
  readonly planned: number
  readonly startedAt: string
}

export interface SittingWire extends SittingStart {
  readonly id: string
  /** Attempts by support, most supported first. */
  readonly paces: readonly SupportPace[]
  readonly slips: readonly { readonly id: string; readonly count: number }[]
}

export interface SupportPace extends Pace {
  readonly support: WorkedSupport
}

export interface SittingPage {
  readonly sittings: readonly SittingWire[]
  /** Pass as `before` for the next page; absent on the last. */
  readonly next?: string
}

export interface AttemptSummary {
  readonly id: string
  readonly n: number
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

/** One dot of the pace chart: a sitting's attempts under one support. */
export interface PacePoint {
  readonly at: string
  readonly technique: string
  readonly level: number
  readonly support: WorkedSupport
  readonly attempts: number
  readonly right: number
  readonly medianMs: number | null
}

/** What the coach looks at to say what to do today. */
export interface CoachWire {
  /** The newest sittings of every technique, oldest first: one row a sitting and support. */
  readonly results: readonly PacePoint[]
  /** The latest move of every technique that was ever moved. */
  readonly moves: readonly MoveWire[]
  readonly facts: readonly FactStanding[]
  /** Slips of the last HABIT_DAYS, by week. */
  readonly slips: readonly SlipWeek[]
  /** The learner's own day, and what was done on it. */
  readonly day: string
  readonly today: DayWire
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

/** How often a slip was made at a place in one week; weeks begin on Monday. */
export interface SlipWeek extends SlipCount {
  readonly week: string
}

/** One fact recalled, as the browser sends it. */
export interface RecallWire extends RecallRecord {
  readonly id: string
  readonly learnerId: string
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

/** Attempts brought in from a file, each with the sitting it belongs to. */
export interface BroughtIn {
  readonly rows: readonly {
    readonly attempt: AttemptRecord
    readonly planned: number
    readonly sittingStartedAt: string
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
  readonly detail: string
}

const id = Joi.string().guid({ version: 'uuidv4', separator: '-' }).lowercase()
const instant = Joi.string()
  .max(30)
  .custom((value: string, helpers) =>
    isInstant(value) ? value : helpers.message({ custom: '{{#label}} must be a real date and time in UTC' }),
  )
const day = Joi.string().custom((value: string, helpers) =>
  isInstant(`${value}T00:00:00Z`) ? value : helpers.message({ custom: '{{#label}} must be a real date' }),
)
const ms = Joi.number().integer().min(0).max(MOST_MS)
const techniqueId = Joi.string().max(60)

export const idSchema = id.required()

export const newLearnerSchema = Joi.object<NewLearner>({
  id: id.required(),
  name: Joi.string().trim().min(1).max(60).required().label('Name'),
  timeZone: Joi.string().max(60).required().custom(timeZone),
})

export const learnerNameSchema = Joi.object<{ name: string }>({
  name: Joi.string().trim().min(1).max(60).required().label('Name'),
})

export const sittingStartSchema = Joi.object<SittingStart>({
  learnerId: id.required(),
  technique: techniqueId.required(),
  level: Joi.number().integer().min(0).max(100).required(),
  planned: Joi.number().integer().min(1).max(100).required().label('How many'),
  startedAt: instant.required(),
})

const judge = Joi.number().integer().min(1).max(JUDGE)
const event = Joi.object({
  kind: Joi.string()
    .valid(...EVENT_KINDS)
    .required(),
  at: ms.allow(null).required(),
  text: Joi.string().max(130),
  first: ms,
  last: ms,
  pause: ms,
})

/** How each kind of field is checked. */
const KINDS: Record<(typeof RECORDED)[keyof typeof RECORDED]['kind'], Joi.Schema> = {
  id,
  count: Joi.number().integer().min(1).max(1000),
  number: Joi.number().integer().min(0).max(100),
  word: techniqueId,
  variant: Joi.object().pattern(Joi.string().max(30), Joi.string().max(30)).max(10),
  support: Joi.string().valid(...WORKED_SUPPORTS),
  expression: Joi.string().max(MAX_EXPRESSION),
  instant,
  judge,
  events: Joi.array().max(MOST_EVENTS).items(event),
  presentation: Joi.object({
    way: Joi.string().valid('flash', 'tape-left', 'tape-down', 'still').required(),
    showMs: Joi.number().integer().min(1).max(60_000).required(),
    gapMs: Joi.number().integer().min(0).max(60_000).required(),
    worstMs: Joi.number().min(0).max(60_000).required(),
    meanMs: Joi.number().min(0).max(60_000).required(),
  }),
}

export const attemptSchema = Joi.object<AttemptRecord>(
  Object.fromEntries(
    Object.entries(RECORDED).map(([name, field]) => {
      const schema = KINDS[field.kind]
      return [name, 'optional' in field ? schema : schema.required()]
    }),
  ),
)

/** Most attempts in one request. */
export const MOST_BROUGHT_IN = 100

export const broughtInSchema = Joi.object<BroughtIn>({
  rows: Joi.array()
    .items(
      Joi.object({
        // Checked one by one, so that one bad row does not keep the others out.
        attempt: Joi.object().unknown().required(),
        planned: Joi.number().integer().min(1).max(100).required(),
        sittingStartedAt: instant.required(),
      }),
    )
    .min(1)
    .max(MOST_BROUGHT_IN)
    .required(),
})

export const recallSchema = Joi.object<RecallWire>({
  id: id.required(),
  learnerId: id.required(),
  fact: Joi.string().max(20).required(),
  at: instant.required(),
  judge: judge.required(),
  keyMs: Joi.number().min(20).max(5000).required(),
  events: Joi.array().max(20).items(event).required(),
})

const share = (least: number, most: number) => Joi.number().integer().min(least).max(most)
const planItem = Joi.string()
  .valid('facts', ...TECHNIQUES.map((t) => t.id))
  .label('Item')

const fade = Joi.object<Fade>({
  level: Joi.string()
    .valid(...FADE_LEVELS)
    .required(),
  run: Joi.number().integer().min(-100).max(100).required(),
})

/** What is changed of a learner's settings, each setting whole. @see LearnerSettings */
export const settingsSchema = Joi.object<Partial<LearnerSettings> & { fade?: Fade }>({
  minutes: Joi.number().min(1).max(120).label('Minutes a day'),
  at: Joi.string()
    .pattern(/^([01]\d|2[0-3]):[0-5]\d$/, 'a time of day')
    .label('Time of day'),
  decks: Joi.array()
    .items(Joi.string().valid(...FACT_DECKS.map((d) => d.id)))
    .unique()
    .label('Decks'),
  rules: Joi.object({
    upOf: share(5, 100).required().label('Answers to move up'),
    upRight: share(1, 100)
      .max(Joi.ref('upOf'))
      .required()
      .label('Right answers to move up')
      .messages({ 'number.max': '{{#label}} must not be more than the answers looked at' }),
    backOf: share(3, 100).required().label('Answers to go back'),
    backBelow: share(0, 100)
      .max(Joi.ref('backOf'))
      .required()
      .label('Right answers to stay')
      .messages({ 'number.max': '{{#label}} must not be more than the answers looked at' }),
  }),
  targets: Joi.object()
    .pattern(
      techniqueId,
      Joi.object().pattern(/^\d{1,2}$/, Joi.number().integer().min(500).max(600_000).label('Target')),
    )
    .custom(knownTargets),
  schools: Joi.object()
    .pattern(techniqueId, Joi.object().pattern(Joi.string().max(30), Joi.string().max(30)))
    .custom(knownSchools),
  fades: Joi.object().pattern(techniqueId, Joi.object().pattern(/^\d{1,2}$/, fade)),
  // What browsers of earlier versions have yet to send.
  fade,
  cautions: Joi.object({ read: Joi.boolean().required(), lifted: Joi.boolean().required() }),
  pinned: Joi.array().items(planItem).unique().max(50),
  banned: Joi.array().items(planItem).unique().max(50),
  skipped: Joi.array()
    .items(Joi.object({ item: planItem.required(), day: day.required() }))
    .max(100),
  busy: Joi.array()
    .items(Joi.object({ from: instant.required(), to: instant.required() }))
    .max(1000)
    .label('Busy times'),
  keying: Joi.object({ ms: Joi.number().min(20).max(5000).required(), at: instant.required() }).allow(null),
}).min(1)

export const handMoveSchema = Joi.object<HandMove>({
  technique: techniqueId.required(),
  to: Joi.number().integer().min(1).max(100).required().label('Level'),
})

export const latestSchema = Joi.object<{ technique: string; level: number }>({
  technique: techniqueId.required(),
  level: Joi.number().integer().min(1).max(100).required(),
})

export const paceSchema = Joi.object<{ technique: string }>({ technique: techniqueId.required() })

export const pageSchema = Joi.object<{ before?: string; limit: number; technique?: string }>({
  technique: techniqueId,
  before: Joi.string()
    .max(80)
    .pattern(/^[0-9TZ:.-]+_[0-9a-f-]{36}$/, 'page mark'),
  limit: Joi.number().integer().min(1).max(100).default(20),
})

/**
 * Checks a value against a schema; strings are not turned into numbers except where `convert` is set.
 * @returns the checked value, or a message naming every fault.
 */
export function check<T>(
  schema: Joi.Schema<T>,
  value: unknown,
  convert = false,
): { value: T } | { error: string } {
  const result = schema.validate(value, { convert, abortEarly: false, errors: { wrap: { label: false } } })
  return result.error
    ? {
        error: `${result.error.details
          .map((d) => d.message)
          .slice(0, 5)
          .join('; ')}.`,
      }
    : { value: result.value as T }
}

function knownTargets(targets: LearnerSettings['targets']): LearnerSettings['targets'] {
  for (const [id, levels] of Object.entries(targets))
    for (const level of Object.keys(levels)) levelOf(techniqueById(id), Number(level))
  return targets
}

function knownSchools(schools: LearnerSettings['schools']): LearnerSettings['schools'] {
  for (const [id, school] of Object.entries(schools)) schoolOf(techniqueById(id), school)
  return schools
}

function timeZone(value: string, helpers: Joi.CustomHelpers): string | Joi.ErrorReport {
  try {
    new Intl.DateTimeFormat('en', { timeZone: value })
    return value
  } catch {
    return helpers.message({ custom: `{{#label}} is not a known time zone` })
  }
}
