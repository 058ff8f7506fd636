/** Joi schemas of what goes over HTTP, checked on both sides with the same words. */
import Joi from 'joi'
import { FACT_DECKS } from '../facts/decks.js'
import { SHOWN_WAYS } from '../flash/list.js'
import { FADE_LEVELS, type Fade } from '../learner/fade.js'
import type { FactRow } from '../learner/recall.js'
import {
  ALARMS,
  CONTRASTS,
  EXTRA_TIMES,
  KEYPAD_ORDERS,
  KEYPAD_SIDES,
  KEYPADS,
  type LearnerSettings,
  TEXT_SIZES,
  ZEROS,
} from '../learner/settings.js'
import { isInstant } from '../number/days.js'
import { MAX_EXPRESSION } from '../problem/expression.js'
import { levelOf, TECHNIQUES, techniqueById } from '../registry/techniques.js'
import { EVENT_KINDS, MOST_EVENTS } from '../session/events.js'
import { JUDGE } from '../session/progress.js'
import { type AttemptRecord, MOST_MS, RECORDED } from '../session/record.js'
import { WORKED_SUPPORTS } from '../session/support.js'
import { AS_RECORDED, GENERATOR } from '../set/items.js'
import { MOST_ITEMS } from '../set/recipe.js'
import { variantOf } from '../technique/driver.js'
import { ownSet, paperSetup, recipe, sheet, techniqueId } from './recipe.js'
import type { BroughtIn, HandMove, NewLearner, RecallWire, SessionStart } from './types.js'

export const id = Joi.string().guid({ version: 'uuidv4', separator: '-' }).lowercase()
export const instant = Joi.string()
  .max(30)
  .custom((value: string, helpers) =>
    isInstant(value) ? value : helpers.message({ custom: '{{#label}} must be a real date and time in UTC' }),
  )
const day = Joi.string().custom((value: string, helpers) =>
  isInstant(`${value}T00:00:00Z`) ? value : helpers.message({ custom: '{{#label}} must be a real date' }),
)
export const ms = Joi.number().integer().min(0).max(MOST_MS)

/** A UUID. */
export const idSchema = id.required()

/** A learner as it is added. */
export const newLearnerSchema = Joi.object<NewLearner>({
  id: id.required(),
  name: Joi.string().trim().min(1).max(60).required().label('Name'),
  timeZone: Joi.string().max(60).required().custom(timeZone),
})

/** A new name. */
export const learnerNameSchema = Joi.object<{ name: string }>({
  name: Joi.string().trim().min(1).max(60).required().label('Name'),
})

const set = {
  recipe: recipe.required(),
  seed: Joi.number()
    .integer()
    .min(-(2 ** 31))
    .max(2 ** 31)
    .required(),
  generator: Joi.number().integer().min(AS_RECORDED).max(GENERATOR).required(),
}

/** A session as it is announced. */
export const sessionStartSchema = Joi.object<SessionStart>({
  learnerId: id.required(),
  startedAt: instant.required(),
  ...set,
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
  of: Joi.number().integer().min(0).max(100),
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
    way: Joi.string()
      .valid(...SHOWN_WAYS)
      .required(),
    showMs: Joi.number().integer().min(1).max(60_000).required(),
    gapMs: Joi.number().integer().min(0).max(60_000).required(),
    worstMs: Joi.number().min(0).max(60_000).required(),
    meanMs: Joi.number().min(0).max(60_000).required(),
  }),
}

/** An attempt as it is sent. */
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

/** Attempts brought in from a file. */
export const broughtInSchema = Joi.object<BroughtIn>({
  rows: Joi.array()
    .items(
      Joi.object({
        // Checked one by one, so that one bad row does not keep the others out.
        attempt: Joi.object().unknown().required(),
        session: Joi.object({ startedAt: instant.required(), ...set }).required(),
      }),
    )
    .min(1)
    .max(MOST_BROUGHT_IN)
    .required(),
})

/** A limit for a recall; null without one. */
const recallWithin = Joi.number().integer().min(100).max(600_000).allow(null)

/** A recall of a fact as a file holds it. */
export const factRowSchema = Joi.object<FactRow>({
  id: id.required(),
  fact: Joi.string().max(20).required(),
  at: instant.required(),
  entry: Joi.string().max(20).allow(null).required(),
  right: Joi.boolean().required(),
  ms: Joi.number().integer().min(0).max(600_000).required(),
  thinkMs: Joi.number().integer().min(0).max(600_000).required(),
  withinMs: recallWithin.required(),
  judge: judge.required(),
})

/** Most recalls in one request. */
export const MOST_FACTS_IN = 1000

/** Recalls brought in from a file. */
export const factsInSchema = Joi.object<{ readonly rows: readonly object[] }>({
  // Checked one by one, so that one bad row does not keep the others out.
  rows: Joi.array().items(Joi.object().unknown()).min(1).max(MOST_FACTS_IN).required(),
})

/** Most attempts taken out again in one request: as many as its body holds. */
export const MOST_TAKEN_OUT = 5000

/** Ids of what was brought in and is taken out again. */
export const takenOutSchema = Joi.object<{ readonly ids: readonly string[] }>({
  ids: Joi.array().items(id.required()).min(1).max(MOST_TAKEN_OUT).required(),
})

/** A recall as it is sent. */
export const recallSchema = Joi.object<RecallWire>({
  id: id.required(),
  learnerId: id.required(),
  sessionId: id,
  n: Joi.number().integer().min(1).max(MOST_ITEMS),
  fact: Joi.string().max(20).required(),
  at: instant.required(),
  judge: judge.required(),
  keyMs: Joi.number().min(20).max(5000).required(),
  withinMs: recallWithin,
  events: Joi.array().max(20).items(event).required(),
}).and('sessionId', 'n')

/** A share of all, neither none nor every one. */
const part = Joi.number().min(0.01).max(0.999)
const planItem = Joi.string()
  .valid('facts', 'mixed', ...TECHNIQUES.map((t) => t.id))
  .label('Item')

const fade = Joi.object<Fade>({
  level: Joi.string()
    .valid(...FADE_LEVELS)
    .required(),
  run: Joi.number().integer().min(-100).max(100).required(),
})

/** What is changed of a learner's settings, each setting whole. @see LearnerSettings */
export const settingsSchema = Joi.object<Partial<LearnerSettings>>({
  minutes: Joi.number().min(1).max(120).label('Minutes a day'),
  at: Joi.string()
    .pattern(/^([01]\d|2[0-3]):[0-5]\d$/, 'a time of day')
    .label('Time of day'),
  decks: Joi.array()
    .items(Joi.string().valid(...FACT_DECKS.map((d) => d.id)))
    .unique()
    .label('Decks'),
  rules: Joi.object({
    odds: Joi.number().integer().min(2).max(100).required().label('How sure'),
    good: part.required().label('Right when ready'),
    poor: part.less(Joi.ref('good')).required().label('Right too seldom').messages({
      'number.less': '{{#label}} must be less than the share of somebody who is ready',
    }),
    hard: part.less(Joi.ref('poor')).required().label('Right where it is too hard').messages({
      'number.less': '{{#label}} must be less than the share of somebody who is not yet ready',
    }),
  }),
  targets: Joi.object()
    .pattern(
      techniqueId,
      Joi.object().pattern(/^\d{1,2}$/, Joi.number().integer().min(500).max(600_000).label('Target')),
    )
    .custom(knownTargets),
  extraTime: Joi.valid(...EXTRA_TIMES).label('Time allowed'),
  ownPace: Joi.boolean().label('Own pace'),
  textSize: Joi.number()
    .valid(...TEXT_SIZES)
    .label('Text size'),
  wording: Joi.string().valid('full', 'easy').label('Words'),
  variants: Joi.object()
    .pattern(techniqueId, Joi.object().pattern(Joi.string().max(30), Joi.string().max(30)))
    .custom(knownVariants),
  fades: Joi.object().pattern(techniqueId, Joi.object().pattern(/^\d{1,2}$/, fade)),
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
  zero: Joi.valid(...ZEROS).label('Zero'),
  contrast: Joi.valid(...CONTRASTS).label('Contrast'),
  calm: Joi.boolean().label('Calm'),
  readAloud: Joi.boolean().label('Read aloud'),
  keypad: Joi.valid(...KEYPADS).label('Keys on screen'),
  keypadSide: Joi.valid(...KEYPAD_SIDES).label('Side of the keys'),
  keypadOrder: Joi.valid(...KEYPAD_ORDERS).label('Order of the keys'),
  ownKeyboard: Joi.boolean().label('Own keyboard'),
  ownAbacus: Joi.boolean().label('Own abacus'),
  papers: Joi.array().items(paperSetup).max(20).unique('name').label('Papers'),
  alarm: Joi.valid(null, ...ALARMS).label('Reminder'),
  keying: Joi.object({ ms: Joi.number().min(20).max(5000).required(), at: instant.required() }).allow(null),
}).min(1)

/** A sheet as it is kept. */
export const sheetSchema = sheet
/** A set of own problems. */
export const ownSetSchema = ownSet

/** A level set by hand. */
export const handMoveSchema = Joi.object<HandMove>({
  technique: techniqueId.required(),
  to: Joi.number().integer().min(1).max(100).required().label('Level'),
})

/** How many of the latest are asked for. */
export const latestSchema = Joi.object<{ technique: string; level: number }>({
  technique: techniqueId.required(),
  level: Joi.number().integer().min(1).max(100).required(),
})

/** Which part of the pace is asked for. */
export const paceSchema = Joi.object<{ technique: string }>({ technique: techniqueId.required() })

/** Which bests of one's own: of one technique, or as they were before an instant. */
export const bestsSchema = Joi.object<{ technique?: string; before?: string }>({
  technique: techniqueId,
  before: instant,
})

/** Which page of a list is asked for. */
export const pageSchema = Joi.object<{ before?: string; limit: number; technique?: string }>({
  technique: techniqueId,
  before: Joi.string()
    .max(80)
    .pattern(/^[0-9TZ:.-]+_[0-9a-f-]{36}$/, 'page mark'),
  limit: Joi.number().integer().min(1).max(100).default(20),
})

function knownTargets(targets: LearnerSettings['targets']): LearnerSettings['targets'] {
  for (const [id, levels] of Object.entries(targets))
    for (const level of Object.keys(levels)) levelOf(techniqueById(id), Number(level))
  return targets
}

function knownVariants(variants: LearnerSettings['variants']): LearnerSettings['variants'] {
  for (const [id, variant] of Object.entries(variants)) variantOf(techniqueById(id), variant)
  return variants
}

function timeZone(value: string, helpers: Joi.CustomHelpers): string | Joi.ErrorReport {
  try {
    new Intl.DateTimeFormat('en', { timeZone: value })
    return value
  } catch {
    return helpers.message({ custom: `{{#label}} is not a known time zone` })
  }
}
