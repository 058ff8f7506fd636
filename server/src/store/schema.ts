/** The tables. Times are whole milliseconds, instants ISO 8601 in UTC. */
import type {} from '@tachymetra/core/curriculum'
import type { Shown } from '@tachymetra/core/flash'
import type { FactMemory, LearnerSettings } from '@tachymetra/core/learner'
import type { AttemptEvent, JudgedEntry, Outcome, WorkedSupport } from '@tachymetra/core/session'
import type { BoardPart, ListedProblem, Marks, OwnProblem, Recipe, SheetLayout } from '@tachymetra/core/set'
import type { LevelReason } from '@tachymetra/core/words'
import { sql } from 'drizzle-orm'
import { index, integer, primaryKey, sqliteTable, text } from 'drizzle-orm/sqlite-core'

/** As little as the work needs: a name to pick from a list, and the time zone its days are counted in. */
export const learner = sqliteTable('learner', {
  id: text().primaryKey(),
  name: text().notNull(),
  timeZone: text().notNull(),
  demo: integer({ mode: 'boolean' }).notNull(),
  /** When they were removed: to be had back for a while, then erased. */
  removedAt: text(),
})

/** What was set for a learner; without a row the defaults hold. */
export const learnerSettings = sqliteTable('learner_settings', {
  learnerId: text()
    .primaryKey()
    .references(() => learner.id, { onDelete: 'cascade' }),
  settings: text({ mode: 'json' }).$type<LearnerSettings>().notNull(),
})

/** Every change of a learner's level in a technique, by the rules or by hand. */
export const levelMove = sqliteTable(
  'level_move',
  {
    id: text().primaryKey(),
    learnerId: text()
      .notNull()
      .references(() => learner.id, { onDelete: 'cascade' }),
    technique: text().notNull(),
    from: integer().notNull(),
    to: integer().notNull(),
    at: text().notNull(),
    by: text().$type<'rule' | 'hand'>().notNull(),
    /** Which reason, and its numbers. */
    reason: text({ mode: 'json' }).$type<LevelReason>().notNull(),
  },
  (t) => [index('move_by_technique').on(t.learnerId, t.technique, t.at)],
)

/** One stretch of practice: the recipe of its set, and what it is drawn with. */
export const session = sqliteTable(
  'session',
  {
    id: text().primaryKey(),
    learnerId: text()
      .notNull()
      .references(() => learner.id, { onDelete: 'cascade' }),
    startedAt: text().notNull(),
    recipe: text({ mode: 'json' }).$type<Recipe>().notNull(),
    seed: integer().notNull(),
    /** The version of the generator; 0 where the list is kept as it was recorded. */
    generator: integer().notNull(),
  },
  (t) => [
    index('session_by_time').on(t.learnerId, t.startedAt, t.id),
    index('session_papers')
      .on(t.learnerId, t.startedAt)
      .where(sql`json_extract(recipe, '$.paper') is not null`),
    index('session_trials')
      .on(t.learnerId, t.startedAt)
      .where(sql`json_extract(recipe, '$.trial') is not null`),
    index('session_sheets').on(t.startedAt).where(sql`json_extract(recipe, '$.sheet') is not null`),
  ],
)

/** Is a session one of a paper? Written as the index has it, so that only papers are looked at. */
export const isPaper = sql`json_extract(${session.recipe}, '$.paper') is not null`
/** The same for trials; and whether it was worked on a sheet of this code. */
export const isTrial = sql`json_extract(${session.recipe}, '$.trial') is not null`
export const isOfSheet = (code: string) =>
  sql`json_extract(${session.recipe}, '$.sheet') is not null and json_extract(${session.recipe}, '$.sheet') = ${code}`

/** Problems of a learner's own: typed, pasted or read from a file, and kept by their name. */
export const ownSet = sqliteTable(
  'own_set',
  {
    id: text().primaryKey(),
    learnerId: text()
      .notNull()
      .references(() => learner.id, { onDelete: 'cascade' }),
    name: text().notNull(),
    technique: text(),
    problems: text({ mode: 'json' }).$type<readonly OwnProblem[]>().notNull(),
  },
  (t) => [index('own_by_learner').on(t.learnerId)],
)

/** Printed sheets, each with its list: whatever becomes of the program, it can be made again. */
export const sheet = sqliteTable(
  'sheet',
  {
    code: text().primaryKey(),
    batch: text().notNull(),
    copy: integer().notNull(),
    copies: integer().notNull(),
    title: text().notNull(),
    madeAt: text().notNull(),
    layout: text({ mode: 'json' }).$type<SheetLayout>().notNull(),
    list: text({ mode: 'json' }).$type<readonly ListedProblem[]>().notNull(),
    marks: text({ mode: 'json' }).$type<Marks>(),
  },
  (t) => [index('sheet_by_time').on(t.madeAt), index('sheet_in_batch').on(t.batch, t.copy)],
)

/** Plans of lessons for the board, by their names. */
export const boardPlan = sqliteTable('board_plan', {
  id: text().primaryKey(),
  name: text().notNull(),
  parts: text({ mode: 'json' }).$type<readonly BoardPart[]>().notNull(),
})

/** Hands that were up for a problem on the board: how many were right, and nothing of who. */
export const roomCount = sqliteTable(
  'room_count',
  {
    id: text().primaryKey(),
    at: text().notNull(),
    technique: text().notNull(),
    level: integer().notNull(),
    expression: text().notNull(),
    right: integer().notNull(),
  },
  (t) => [index('count_by_time').on(t.at)],
)

/**
 * One problem worked: an item of the set of its session, what happened, and the verdict as it was found. A verdict is
 * raw data: the rollups below are made from verdicts, never verdicts from events again.
 */
export const attempt = sqliteTable(
  'attempt',
  {
    id: text().primaryKey(),
    sessionId: text()
      .notNull()
      .references(() => session.id, { onDelete: 'cascade' }),
    learnerId: text()
      .notNull()
      .references(() => learner.id, { onDelete: 'cascade' }),
    n: integer().notNull(),
    technique: text().notNull(),
    level: integer().notNull(),
    variant: text({ mode: 'json' }).$type<Record<string, string>>().notNull(),
    support: text().$type<WorkedSupport>().notNull(),
    expression: text().notNull(),
    startedAt: text().notNull(),
    hints: integer().notNull(),
    outcome: text().$type<Outcome>().notNull(),
    thinkMs: integer().notNull(),
    keyMs: integer().notNull(),
    totalMs: integer().notNull(),
    idleMs: integer().notNull(),
    shown: text({ mode: 'json' }).$type<Shown>(),
    right: integer({ mode: 'boolean' }).notNull(),
    clean: integer({ mode: 'boolean' }).notNull(),
    timed: integer({ mode: 'boolean' }).notNull(),
    /** The version of the judge whose verdict this is. */
    judge: integer().notNull().default(1),
    events: text({ mode: 'json' }).$type<readonly AttemptEvent[]>().notNull().default(sql`'[]'`),
    /** The entries among the events, judged. */
    entries: text({ mode: 'json' }).$type<readonly JudgedEntry[]>().notNull().default(sql`'[]'`),
  },
  (t) => [
    index('attempt_in_session').on(t.sessionId, t.n),
    index('attempt_by_technique').on(t.learnerId, t.technique, t.startedAt),
    index('attempt_with_mistake').on(t.learnerId, t.startedAt).where(sql`clean = 0`),
  ],
)

/**
 * Rollup of what was worked in a session of one technique and level under one support, kept up with every attempt, so that
 * the record never counts attempts. Learner and beginning are the session's, so that it is found by technique.
 */
export const sessionPace = sqliteTable(
  'session_pace',
  {
    sessionId: text()
      .notNull()
      .references(() => session.id, { onDelete: 'cascade' }),
    technique: text().notNull(),
    level: integer().notNull(),
    support: text().$type<WorkedSupport>().notNull(),
    learnerId: text()
      .notNull()
      .references(() => learner.id, { onDelete: 'cascade' }),
    startedAt: text().notNull(),
    attempts: integer().notNull(),
    right: integer().notNull(),
    clean: integer().notNull(),
    medianMs: integer(),
    bestMs: integer(),
    /** Timed problems worked to the end, and the time they took together. */
    timed: integer().notNull(),
    timedMs: integer().notNull(),
    /** How many of those were right. */
    timedRight: integer().notNull().default(0),
  },
  (t) => [
    primaryKey({ columns: [t.sessionId, t.technique, t.level, t.support] }),
    index('pace_by_technique').on(t.learnerId, t.technique, t.startedAt),
  ],
)

/** Rollup: how often a slip was made in a session. */
export const sessionSlip = sqliteTable(
  'session_slip',
  {
    sessionId: text()
      .notNull()
      .references(() => session.id, { onDelete: 'cascade' }),
    slip: text().notNull(),
    count: integer().notNull(),
  },
  (t) => [primaryKey({ columns: [t.sessionId, t.slip] })],
)

/** Every recall of a fact, in the order of its time. */
export const factRecall = sqliteTable(
  'fact_recall',
  {
    id: text().primaryKey(),
    learnerId: text()
      .notNull()
      .references(() => learner.id, { onDelete: 'cascade' }),
    /** The session whose set it is item n of; not known of recalls that came before facts were practised in sets. */
    sessionId: text().references(() => session.id, { onDelete: 'cascade' }),
    n: integer(),
    fact: text().notNull(),
    right: integer({ mode: 'boolean' }).notNull(),
    ms: integer().notNull(),
    thinkMs: integer().notNull(),
    /** The limit it was judged by; null without one, 0 where an earlier version kept none (see the upgrade). */
    withinMs: integer().default(0),
    at: text().notNull(),
    /** What was entered; not known of recalls that were judged in the browser. */
    entry: text(),
    judge: integer().notNull().default(1),
  },
  (t) => [
    index('recall_by_time').on(t.learnerId, t.at),
    index('recall_of_fact').on(t.learnerId, t.fact, t.at),
  ],
)

/** What is remembered of a fact and when it is due: made from its recalls, kept so that it need not be made again. */
export const factMemory = sqliteTable(
  'fact_memory',
  {
    learnerId: text()
      .notNull()
      .references(() => learner.id, { onDelete: 'cascade' }),
    fact: text().notNull(),
    due: text().notNull(),
    card: text({ mode: 'json' }).$type<FactMemory['card']>().notNull(),
    /** Rollup of its recalls, so that a look at all facts reads one row a fact. */
    recalls: integer().notNull(),
    right: integer().notNull(),
    medianMs: integer(),
    latestRight: integer({ mode: 'boolean' }).notNull(),
  },
  (t) => [primaryKey({ columns: [t.learnerId, t.fact] }), index('memory_by_due').on(t.learnerId, t.due)],
)

/** Rollup: what a learner did on one day of their own (ISO date in their time zone). */
export const practiceDay = sqliteTable(
  'practice_day',
  {
    learnerId: text()
      .notNull()
      .references(() => learner.id, { onDelete: 'cascade' }),
    day: text().notNull(),
    attempts: integer().notNull(),
    right: integer().notNull(),
    recalls: integer().notNull(),
    ms: integer().notNull(),
  },
  (t) => [primaryKey({ columns: [t.learnerId, t.day] })],
)

/** Rollup: how often a slip was made at a place in a week (the ISO date of its Monday). */
export const slipWeek = sqliteTable(
  'slip_week',
  {
    learnerId: text()
      .notNull()
      .references(() => learner.id, { onDelete: 'cascade' }),
    week: text().notNull(),
    technique: text().notNull(),
    slip: text().notNull(),
    place: integer().notNull(),
    count: integer().notNull(),
  },
  (t) => [primaryKey({ columns: [t.learnerId, t.week, t.technique, t.slip, t.place] })],
)
