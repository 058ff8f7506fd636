/** What goes over HTTP between browser and server: types, and Joi schemas checked on both sides with the same words. */
import Joi from 'joi'
import {
  type AttemptRecord,
  type JudgedEntry,
  WORKED_SUPPORTS,
  type WorkedSupport,
} from '../coach/attempt.js'
import type { Pace } from '../coach/pace.js'
import type { FactMemory, Recall } from '../coach/recall.js'
import { MAX_EXPRESSION } from '../problem/expression.js'

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
  readonly outcome: AttemptRecord['outcome']
  readonly right: boolean
  readonly clean: boolean
  readonly timed: boolean
  readonly totalMs: number
  readonly slips: readonly string[]
}

export interface AttemptWire extends Omit<AttemptRecord, 'entries'> {
  readonly learnerId: string
  readonly entries: readonly JudgedEntry[]
  readonly right: boolean
  readonly clean: boolean
  readonly timed: boolean
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

/** Where a learner last stood with one technique. */
export interface Standing {
  readonly technique: string
  readonly level: number
  /** The least support used in the latest sitting; null when nothing was worked in it. */
  readonly support: WorkedSupport | null
  readonly lastAt: string
}

/** One fact recalled, as the browser sends it. */
export interface RecallWire extends Recall {
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

/** An error body (RFC 9457). */
export interface ProblemDetails {
  readonly type: string
  readonly title: string
  readonly status: number
  readonly detail: string
}

const id = Joi.string().guid({ version: 'uuidv4', separator: '-' }).lowercase()
const instant = Joi.string().isoDate().max(30).pattern(/Z$/, 'UTC')
const ms = Joi.number().integer().min(0).max(86_400_000)
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

export const attemptSchema = Joi.object<AttemptRecord>({
  id: id.required(),
  sittingId: id.required(),
  n: Joi.number().integer().min(1).max(1000).required(),
  technique: techniqueId.required(),
  school: Joi.object().pattern(Joi.string().max(30), Joi.string().max(30)).max(10).required(),
  level: Joi.number().integer().min(0).max(100).required(),
  support: Joi.string()
    .valid(...WORKED_SUPPORTS)
    .required(),
  expression: Joi.string().max(MAX_EXPRESSION).required(),
  startedAt: instant.required(),
  entries: Joi.array()
    .max(500)
    .items(
      Joi.object({
        step: Joi.number().integer().min(0).max(500).required(),
        value: Joi.string().max(60).required(),
        ms: ms.required(),
        by: Joi.string().valid('learner', 'program').required(),
      }),
    )
    .required(),
  hints: Joi.number().integer().min(0).max(1000).required(),
  outcome: Joi.string().valid('done', 'skipped').required(),
  thinkMs: ms.required(),
  keyMs: ms.required(),
  totalMs: ms.required(),
  idleMs: ms.required(),
  shown: Joi.object({
    way: Joi.string().valid('flash', 'tape-left', 'tape-down', 'still').required(),
    showMs: Joi.number().integer().min(1).max(60_000).required(),
    gapMs: Joi.number().integer().min(0).max(60_000).required(),
    worstMs: Joi.number().min(0).max(60_000).required(),
    meanMs: Joi.number().min(0).max(60_000).required(),
  }),
})

export const recallSchema = Joi.object<RecallWire>({
  id: id.required(),
  learnerId: id.required(),
  fact: Joi.string().max(20).required(),
  right: Joi.boolean().required(),
  ms: ms.required(),
  at: instant.required(),
})

export const latestSchema = Joi.object<{ technique: string; level: number }>({
  technique: techniqueId.required(),
  level: Joi.number().integer().min(1).max(100).required(),
})

export const pageSchema = Joi.object<{ before?: string; limit: number }>({
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

function timeZone(value: string, helpers: Joi.CustomHelpers): string | Joi.ErrorReport {
  try {
    new Intl.DateTimeFormat('en', { timeZone: value })
    return value
  } catch {
    return helpers.message({ custom: `{{#label}} is not a known time zone` })
  }
}
