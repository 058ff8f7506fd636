/** Joi schemas of what the board keeps: plans of lessons, and how a room did. */
import Joi from 'joi'
import { MAX_EXPRESSION } from '../problem/expression.js'
import { BOARD_LIMITS, BOARD_WAYS, type BoardPlan, MOST_HANDS, type RoomCount } from '../set/board.js'
import { MOST_ITEMS, MOST_NAME } from '../set/recipe.js'
import { listed, techniqueId } from './recipe.js'

const [leastMs, mostMs] = BOARD_LIMITS.ms
const [leastWait, mostWait] = BOARD_LIMITS.waitMs
const [fastest, slowest] = BOARD_LIMITS.showMs
const whole = (least: number, most: number) => Joi.number().integer().min(least).max(most).required()
const name = Joi.string().trim().min(1).max(MOST_NAME).required().label('Name')
const clock = Joi.object({ ms: whole(leastMs, mostMs), round: Joi.boolean().required() }).required()
const expression = Joi.string().max(MAX_EXPRESSION).required()

const PARTS = [
  Joi.object({
    kind: Joi.valid('technique').required(),
    technique: techniqueId.required(),
    level: whole(1, 100),
    variant: Joi.object().pattern(Joi.string().max(30), Joi.string().max(30)).max(10).required(),
    clock,
    count: whole(1, BOARD_LIMITS.count),
  }),
  Joi.object({
    kind: Joi.valid('problems').required(),
    name,
    problems: Joi.array().items(listed).min(1).max(MOST_ITEMS).required(),
    clock,
  }),
  Joi.object({
    kind: Joi.valid('ways').required(),
    expression,
    ways: Joi.array().items(techniqueId).length(2).required(),
  }),
  Joi.object({
    kind: Joi.valid('facts').required(),
    name,
    facts: Joi.array().items(Joi.string().max(20)).min(1).max(MOST_ITEMS).required(),
    waitMs: whole(leastWait, mostWait),
  }),
  Joi.object({
    kind: Joi.valid('flash').required(),
    digits: whole(1, BOARD_LIMITS.digits),
    numbers: whole(2, BOARD_LIMITS.numbers),
    minus: Joi.boolean().required(),
    way: Joi.valid(...BOARD_WAYS).required(),
    showMs: whole(fastest, slowest),
  }),
  Joi.object({ kind: Joi.valid('frame').required() }),
  Joi.object({
    kind: Joi.valid('pattern').required(),
    first: whole(1, BOARD_LIMITS.pattern),
    second: whole(1, BOARD_LIMITS.pattern),
  }),
]

/** A plan as it is kept; what its parts name is checked by `checkPlan`. */
export const boardPlanSchema = Joi.object<BoardPlan>({
  name,
  parts: Joi.array()
    .items(Joi.alternatives(...PARTS))
    .min(1)
    .max(BOARD_LIMITS.parts)
    .required()
    .label('Parts'),
})

/** Hands counted at the board. */
export const roomCountSchema = Joi.object<Omit<RoomCount, 'id'>>({
  at: Joi.string().isoDate().max(30).required(),
  technique: techniqueId.required(),
  level: whole(0, 100),
  expression,
  right: whole(0, MOST_HANDS),
})
