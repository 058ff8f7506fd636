/** Joi schemas of how a set is drawn, marked and timed. What a recipe names is checked by `checkRecipe`. */
import Joi from 'joi'
import { CHECK_KINDS } from '../drill/checking.js'
import { EXTRA_TIMES } from '../learner/settings.js'
import { MAX_EXPRESSION } from '../problem/expression.js'
import { MOST_MS } from '../session/record.js'
import { SUPPORTS } from '../session/support.js'
import { MOST_OWN, type OwnSet } from '../set/own.js'
import { PAPER_LIMITS, type PaperSetup } from '../set/paper.js'
import { type Marks, MOST_ITEMS, MOST_NAME, type Recipe } from '../set/recipe.js'
import {
  isCode,
  MOST_COPIES,
  type NewSheet,
  SHEET_COLUMNS,
  SHEET_KEYS,
  SHEET_ROOMS,
  SHEET_SIZES,
  SIGNS_OF_NUMBERS,
} from '../set/sheet.js'

export const techniqueId = Joi.string().max(60)
const itemCount = Joi.number().integer().min(1).max(MOST_ITEMS)
const small = Joi.number().integer().min(1).max(100)

const technique = techniqueId.required()
const known = Joi.array()
  .items(Joi.object({ technique, level: Joi.number().integer().min(1).max(100).required() }))
  .max(100)
  .required()
/** Problems that are listed one by one, at most so many. */
export const listed = Joi.object({
  technique,
  level: Joi.number().integer().min(0).max(100).required(),
  expression: Joi.string().max(MAX_EXPRESSION).required(),
})

const SOURCES = [
  Joi.object({
    kind: Joi.valid('level').required(),
    technique,
    level: Joi.number().integer().min(1).max(100).required(),
    count: itemCount.required(),
  }),
  Joi.object({
    kind: Joi.valid('parameters').required(),
    technique,
    values: Joi.object().pattern(Joi.string().max(30), Joi.number().integer()).max(20).required(),
    count: itemCount.required(),
  }),
  Joi.object({
    kind: Joi.valid('listed').required(),
    problems: Joi.array().items(listed.allow(null)).max(MOST_ITEMS).required(),
  }),
  Joi.object({
    kind: Joi.valid('facts').required(),
    facts: Joi.array().items(Joi.string().max(20)).max(MOST_ITEMS).required(),
  }),
  Joi.object({
    kind: Joi.valid('flash').required(),
    digits: small.required(),
    numbers: small.required(),
    minus: Joi.boolean().required(),
    count: itemCount.required(),
  }),
  Joi.object({
    kind: Joi.valid('grid').required(),
    rows: small.required(),
    columns: small.required(),
    digits: small.required(),
    count: itemCount.required(),
  }),
  Joi.object({
    kind: Joi.valid('fits').required(),
    tricks: Joi.array().items(technique).min(1).max(100).required(),
    count: itemCount.required(),
  }),
  Joi.object({ kind: Joi.valid('ways').required(), known: known.min(2), count: itemCount.required() }),
  Joi.object({
    kind: Joi.valid('checking').required(),
    check: Joi.valid(...CHECK_KINDS).required(),
    known: known.min(1),
    count: itemCount.required(),
  }),
]
const limit = Joi.number().integer().min(1000).max(MOST_MS).required()
const mark = Joi.number().integer().min(-100).max(100)
const marks = Joi.object<Marks>({
  right: mark.required(),
  wrong: mark.required(),
  blank: mark.required(),
  skipped: mark,
})
const paperName = Joi.string().trim().min(1).max(40).required()

/** A recipe as it is written. */
export const recipe = Joi.object<Recipe>({
  sources: Joi.array()
    .items(Joi.alternatives(...SOURCES))
    .min(1)
    .max(MOST_ITEMS)
    .required(),
  order: Joi.valid('listed', 'mixed').required(),
  clock: Joi.alternatives(
    Joi.object({ kind: Joi.valid('none').required() }),
    Joi.object({ kind: Joi.valid('item', 'whole').required(), ms: limit }),
  ).required(),
  support: Joi.valid(...SUPPORTS).required(),
  answers: Joi.valid('at-once', 'at-end').required(),
  check: Joi.valid(...CHECK_KINDS),
  marks,
  paper: Joi.object({
    name: paperName,
    without: Joi.array().items(techniqueId).max(100).required(),
    back: Joi.boolean().required(),
  }),
  round: Joi.object({ aloud: Joi.boolean().required() }),
  trial: Joi.string().max(30),
  sheet: Joi.string().max(20),
  name: Joi.string().trim().min(1).max(MOST_NAME),
  extraTime: Joi.valid(...EXTRA_TIMES),
  rule: Joi.alternatives(
    Joi.object({ kind: Joi.valid('repeat-missed').required() }),
    Joi.object({
      kind: Joi.valid('staircase').required(),
      showMs: Joi.number().integer().min(1).max(60_000).required(),
      run: Joi.number().integer().min(0).max(100).required(),
    }),
  ),
})
const [fewest, most] = PAPER_LIMITS.count
const [shortest, longest] = PAPER_LIMITS.minutes

/** A paper as it is set up and kept by its name. */
export const paperSetup = Joi.object<PaperSetup>({
  name: paperName,
  count: Joi.number().integer().min(fewest).max(most).required(),
  ms: Joi.number()
    .integer()
    .min(shortest * 60_000)
    .max(longest * 60_000)
    .required(),
  marks: marks.required(),
  without: Joi.array().items(techniqueId).max(100).required(),
  back: Joi.boolean().required(),
})

const title = Joi.string().trim().min(1).max(MOST_NAME).required().label('Title')

/** A set of own problems as it is stored; what its problems are is checked by `checkOwn`. */
export const ownSet = Joi.object<OwnSet>({
  name: Joi.string().trim().min(1).max(MOST_NAME).required().label('Name'),
  technique: techniqueId.allow(null).required(),
  problems: Joi.array()
    .items(Joi.object({ expression: Joi.string().max(MAX_EXPRESSION).required(), technique: techniqueId }))
    .min(1)
    .max(MOST_OWN)
    .required()
    .label('Problems'),
})

/** A sheet as it is stored. */
export const sheet = Joi.object<NewSheet>({
  code: Joi.string()
    .max(20)
    .required()
    .custom((code: string, helpers) =>
      isCode(code) ? code : helpers.message({ custom: '{{#label}} is no code of a sheet' }),
    )
    .label('Code'),
  batch: Joi.string().guid({ version: 'uuidv4', separator: '-' }).lowercase().required(),
  copy: Joi.number().integer().min(1).max(MOST_COPIES).required(),
  copies: Joi.number().integer().min(Joi.ref('copy')).max(MOST_COPIES).required(),
  title,
  madeAt: Joi.string().isoDate().max(30).required(),
  layout: Joi.object({
    size: Joi.valid(...SHEET_SIZES).required(),
    columns: Joi.valid(...SHEET_COLUMNS).required(),
    large: Joi.boolean().required(),
    room: Joi.valid(...SHEET_ROOMS).required(),
    key: Joi.valid(...SHEET_KEYS).required(),
    numbers: Joi.object({
      decimal: Joi.valid(...SIGNS_OF_NUMBERS.decimal).required(),
      grouping: Joi.valid(...SIGNS_OF_NUMBERS.grouping).required(),
      times: Joi.valid(...SIGNS_OF_NUMBERS.times).required(),
      over: Joi.valid(...SIGNS_OF_NUMBERS.over).required(),
    }).required(),
  }).required(),
  list: Joi.array().items(listed).min(1).max(MOST_ITEMS).required(),
  marks,
})
