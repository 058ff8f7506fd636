/** Rows of a file that may come from anywhere, checked as if each came over the wire. */
import { drillById } from '@tachymetra/core/drill'
import { InputError, readProblem } from '@tachymetra/core/problem'
import { techniqueById } from '@tachymetra/core/registry'
import { checkListed, checkOwn, checkPlan, checkRecipe, sheetRecipe } from '@tachymetra/core/set'
import {
  attemptSchema,
  boardPlanSchema,
  check,
  factRowSchema,
  idSchema,
  newLearnerSchema,
  ownSetSchema,
  roomCountSchema,
  sessionStartSchema,
  sheetSchema,
  storedMoveSchema,
  storedSettingsSchema,
  storedVerdictSchema,
} from '@tachymetra/core/wire'
import { getTableColumns, getTableName, sql } from 'drizzle-orm'
import type { SQLiteTable } from 'drizzle-orm/sqlite-core'
import type Joi from 'joi'
import type { Database } from './database.js'
import { TABLES } from './files/backup.js'
import * as schema from './schema.js'

/** More rows than a school writes in many years, and the longest text of all. */
const MOST_ROWS = 20_000_000
const MOST_LETTERS = 400_000
const AT_ONCE = 500
/** Words a key, a name of a slip, or a date may have; all other texts are checked one by one. */
const SHORT = 200

/**
 * Looks at every row of a database of this version's tables.
 * @throws InputError that names the first row that could not have been written by this program
 */
export function checkRows(db: Database): void {
  let rows = 0
  for (const table of TABLES) {
    const held = db.get<{ v: number }>(sql`select count(*) as v from ${table}`).v
    rows += held
    if (rows > MOST_ROWS) throw new InputError('The backup holds too many rows. Nothing was changed.')
    checkTypes(db, table)
  }
  for (const [table, checked] of CHECKS) {
    // Some at a time: a long record need not stand in memory whole.
    const name = getTableName(table)
    const rowid = sql<number>`rowid`
    const some = db
      .select({ rowid, ...getTableColumns(table) })
      .from(table)
      .where(sql`rowid > ${sql.placeholder('after')}`)
      .orderBy(rowid)
      .limit(AT_ONCE)
      .prepare()
    for (
      let after = Number.MIN_SAFE_INTEGER, rows = some.all({ after });
      rows.length > 0;
      rows = some.all({ after })
    )
      for (const { rowid: at, ...row } of rows) {
        after = at
        try {
          checked(row as never)
        } catch (error) {
          if (!(error instanceof InputError)) throw error
          throw new InputError(
            `The backup holds what cannot be right (${name}: ${error.message}). Nothing was changed.`,
          )
        }
      }
  }
}

/** Every column holds what it is meant to: a file may hold a text where a number belongs. */
function checkTypes(db: Database, table: SQLiteTable): void {
  const faults = Object.values(getTableColumns(table)).map((column) => {
    const name = sql.identifier(column.name.replace(/[A-Z]/g, (letter) => `_${letter.toLowerCase()}`))
    const long = column.dataType === 'json' || TEXTS.has(`${getTableName(table)}.${column.name}`)
    const right =
      column.dataType === 'number' || column.dataType === 'boolean'
        ? sql`typeof(${name}) = 'integer' and abs(${name}) <= 9007199254740991`
        : sql`typeof(${name}) = 'text' and length(${name}) <= ${long ? MOST_LETTERS : SHORT}`
    const read = column.dataType === 'json' ? sql`(${right} and json_valid(${name}))` : sql`(${right})`
    return column.notNull ? sql`not ${read}` : sql`(${name} is not null and not ${read})`
  })
  const fault = db.get(sql`select 1 from ${table} where ${sql.join(faults, sql` or `)} limit 1`)
  if (fault)
    throw new InputError(
      `The backup holds what cannot be right (${getTableName(table)}). Nothing was changed.`,
    )
}

/** Texts that may be long and are checked by what they say. */
const TEXTS = new Set(['attempt.expression', 'room_count.expression'])

/** Takes a value that stands there; a column that may be empty is left out of what is checked. */
const given = (row: Readonly<Record<string, unknown>>) =>
  Object.fromEntries(Object.entries(row).filter(([, value]) => value !== null))

function sound(schemaOf: Joi.Schema, value: unknown): void {
  const result = check(schemaOf, value)
  if ('error' in result) throw new InputError(result.error)
}

/** Is it a problem of a technique, or an item of a drill, of ours? */
function checkProblem(technique: string, expression: string): void {
  const drill = drillById(technique)
  if (drill) drill.read(expression)
  else {
    techniqueById(technique)
    readProblem(expression)
  }
}

const some = (row: Readonly<Record<string, unknown>>, names: readonly string[]) =>
  given(Object.fromEntries(names.map((name) => [name, row[name]])))

const VERDICT = [
  'hints',
  'outcome',
  'thinkMs',
  'keyMs',
  'totalMs',
  'idleMs',
  'right',
  'clean',
  'timed',
  'entries',
] as const
const RECORD = [
  'id',
  'sessionId',
  'n',
  'technique',
  'variant',
  'level',
  'support',
  'expression',
  'startedAt',
  'judge',
  'events',
  'shown',
] as const

type Check<T extends SQLiteTable> = readonly [table: T, checked: (row: T['$inferSelect']) => void]
const checkOf = <T extends SQLiteTable>(table: T, checked: Check<T>[1]): Check<SQLiteTable> =>
  [table, checked] as unknown as Check<SQLiteTable>

const CHECKS: readonly Check<SQLiteTable>[] = [
  checkOf(schema.learner, ({ id, name, timeZone }) => sound(newLearnerSchema, { id, name, timeZone })),
  checkOf(schema.learnerSettings, ({ settings }) => sound(storedSettingsSchema, settings)),
  checkOf(schema.levelMove, ({ learnerId: _, ...move }) => sound(storedMoveSchema, move)),
  checkOf(schema.session, ({ id, ...start }) => {
    sound(idSchema, id)
    sound(sessionStartSchema, start)
    checkRecipe(start.recipe)
  }),
  checkOf(schema.attempt, (row) => {
    sound(attemptSchema, some(row, RECORD))
    sound(storedVerdictSchema, some(row, VERDICT))
    checkProblem(row.technique, row.expression)
  }),
  checkOf(schema.factRecall, ({ id, fact, at, entry, right, ms, thinkMs, withinMs, judge }) =>
    // 0: an earlier version kept no limit.
    sound(factRowSchema, { id, fact, at, entry, right, ms, thinkMs, judge, withinMs: withinMs || null }),
  ),
  checkOf(schema.ownSet, ({ id, learnerId: _, ...set }) => {
    sound(idSchema, id)
    sound(ownSetSchema, set)
    for (const problem of set.problems) checkOwn(problem)
  }),
  checkOf(schema.sheet, ({ marks, ...row }) => {
    const whole = { ...row, ...(marks && { marks }) }
    sound(sheetSchema, whole)
    checkRecipe(sheetRecipe(whole))
  }),
  checkOf(schema.boardPlan, ({ id, ...plan }) => {
    sound(idSchema, id)
    sound(boardPlanSchema, plan)
    checkPlan(plan)
  }),
  checkOf(schema.roomCount, ({ id, ...count }) => {
    sound(idSchema, id)
    sound(roomCountSchema, count)
    checkListed({ technique: count.technique, level: count.level, expression: count.expression })
  }),
]
