/** What a file of ours holds besides what comes over the wire: verdicts and moves as they are stored. */
import Joi from 'joi'
import { MOST_EVENTS } from '../session/events.js'
import { ENTRY_VERDICTS } from '../session/progress.js'
import { OUTCOMES } from '../session/record.js'
import { LEVEL_REASONS } from '../words/levels.js'
import { techniqueId } from './recipe.js'
import { id, instant, ms, settingsSchema } from './schemas.js'

const counted = Joi.number().integer().min(-100).max(1_000_000)

/** A verdict as it is stored: a file may bring one that no judge has given. */
export const storedVerdictSchema = Joi.object({
  hints: counted.required(),
  outcome: Joi.string()
    .valid(...OUTCOMES)
    .required(),
  thinkMs: ms.required(),
  keyMs: ms.required(),
  totalMs: ms.required(),
  idleMs: ms.required(),
  right: Joi.boolean().required(),
  clean: Joi.boolean().required(),
  timed: Joi.boolean().required(),
  entries: Joi.array()
    .max(MOST_EVENTS)
    .items(
      Joi.object({
        text: Joi.string().max(130).allow('').required(),
        ms: ms.required(),
        verdict: Joi.string()
          .valid(...ENTRY_VERDICTS)
          .required(),
        step: counted.required(),
        place: counted.required(),
        took: counted.required(),
        as: Joi.string().max(40),
        possible: Joi.string().max(80),
        slips: Joi.array()
          .max(20)
          .items(Joi.object({ step: counted, place: counted, id: Joi.string().max(80).required() }))
          .required(),
      }),
    )
    .required(),
})

/** A move of a level as it is stored. */
export const storedMoveSchema = Joi.object({
  id: id.required(),
  technique: techniqueId.required(),
  from: counted.required(),
  to: counted.required(),
  at: instant.required(),
  by: Joi.valid('rule', 'hand').required(),
  reason: Joi.object({
    id: Joi.string()
      .valid(...LEVEL_REASONS)
      .required(),
  })
    .pattern(Joi.string().max(30), [Joi.number(), Joi.string().max(60), Joi.boolean(), null])
    .required(),
})

const byTechnique = (value: Joi.Schema) =>
  Joi.object().pattern(techniqueId, Joi.object().pattern(Joi.string().max(30), value))
const names = Joi.array().items(Joi.string().max(60)).max(100)

/** Settings as they are stored: of another version they may name levels and ways that are no more, and are left alone. */
export const storedSettingsSchema = settingsSchema
  .keys({
    targets: byTechnique(Joi.number().integer().min(0).max(10_000_000)),
    variants: byTechnique(Joi.string().max(30)),
    pinned: names,
    banned: names,
    skipped: Joi.array()
      .items(Joi.object({ item: Joi.string().max(60).required(), day: Joi.string().max(10).required() }))
      .max(200),
  })
  .min(0)
