import {
  adviseLevel,
  aimOf,
  type LatestAnswer,
  type LatestAt,
  type LevelMove,
  lookedBackOn,
} from '@tachymetra/core/curriculum'
import { DEFAULT_SETTINGS, type LearnerSettings } from '@tachymetra/core/learner'
import { techniqueById } from '@tachymetra/core/registry'
import type { MoveWire } from '@tachymetra/core/wire'
import { and, desc, eq, gt, lt, lte, type SQL, sql } from 'drizzle-orm'
import type { Database } from './database.js'
import { prepared } from './prepared.js'
import { attempt, levelMove, levelRules, session } from './schema.js'

type Reader = Pick<Database, 'select'>

const columns = {
  id: levelMove.id,
  technique: levelMove.technique,
  from: levelMove.from,
  to: levelMove.to,
  at: levelMove.at,
  by: levelMove.by,
  reason: levelMove.reason,
}

/** A learner's moves, newest first. */
export function movesOf(db: Reader, learnerId: string, most: number): MoveWire[] {
  return db
    .select(columns)
    .from(levelMove)
    .where(eq(levelMove.learnerId, learnerId))
    .orderBy(desc(levelMove.at), desc(levelMove.id))
    .limit(most)
    .all()
}

const latestMoveRow = prepared((db) =>
  db
    .select(columns)
    .from(levelMove)
    .where(
      and(
        eq(levelMove.learnerId, sql.placeholder('learnerId')),
        eq(levelMove.technique, sql.placeholder('technique')),
        lt(levelMove.arrival, sql.placeholder('before')),
      ),
    )
    .orderBy(desc(levelMove.at), desc(sql`rowid`))
    .limit(1)
    .prepare(),
)

/** Attempts of a learner at problems of a technique, as they had arrived by then; the newest are found first. */
const ofTechnique = and(
  eq(attempt.learnerId, sql.placeholder('learnerId')),
  eq(attempt.technique, sql.placeholder('technique')),
)

const latestLevel = prepared((db) =>
  db
    .select({ level: attempt.level })
    .from(attempt)
    .where(and(ofTechnique, gt(attempt.level, 0), lte(attempt.arrival, sql.placeholder('upTo'))))
    .orderBy(desc(attempt.startedAt))
    .limit(1)
    .prepare(),
)

/**
 * The latest move in a technique; the level it led to is in force.
 * @param before looks only at moves that came after earlier attempts than the one that arrived so
 */
export function latestMove(
  db: Reader,
  learnerId: string,
  technique: string,
  before = EVERYTHING,
): MoveWire | undefined {
  return latestMoveRow(db).get({ learnerId, technique, before })
}

/** The level in force: that of the latest move, else of the latest problem worked at a level, else the first. */
export function levelInForce(db: Reader, learnerId: string, technique: string, upTo = EVERYTHING): number {
  const move = latestMove(db, learnerId, technique, upTo)
  return move?.to ?? latestLevel(db).get({ learnerId, technique, upTo })?.level ?? 1
}

/**
 * Stores a move; from then on its level is in force.
 * @param arrival of the attempt it came after; the newest one there is unless it is named
 */
export function addMove(
  db: Pick<Database, 'insert'>,
  learnerId: string,
  move: LevelMove,
  id: string,
  arrival: number | SQL<number> = newestArrival(),
): void {
  db.insert(levelMove)
    .values({ id, learnerId, ...move, arrival })
    .run()
}

export function removeMove(db: Database, id: string): void {
  db.delete(levelMove).where(eq(levelMove.id, id)).run()
}

/** The arrival of the newest attempt. */
function newestArrival(): SQL<number> {
  return sql<number>`(select coalesce(max(arrival), 0) from attempt)`
}

/** An arrival beyond all there are. */
const EVERYTHING = Number.MAX_SAFE_INTEGER

const answersSince = prepared((db) =>
  db
    .select({ right: attempt.right, timed: attempt.timed, totalMs: attempt.totalMs })
    .from(attempt)
    .where(
      and(
        ofTechnique,
        eq(attempt.level, sql.placeholder('level')),
        eq(attempt.support, 'answer'),
        eq(attempt.outcome, 'done'),
        gt(attempt.startedAt, sql.placeholder('since')),
        lte(attempt.arrival, sql.placeholder('upTo')),
      ),
    )
    .orderBy(desc(attempt.startedAt), desc(attempt.n))
    .limit(sql.placeholder('most'))
    .prepare(),
)

/**
 * The latest attempts at a level without any steps asked, worked to the end, newest first; those before the learner
 * last moved to this level are over and done with.
 */
export function latestAnswers(
  db: Reader,
  learnerId: string,
  technique: string,
  level: number,
  most: number,
  upTo = EVERYTHING,
): LatestAnswer[] {
  const move = latestMove(db, learnerId, technique, upTo)
  const since = move?.to === level ? move.at : ''
  return answersSince(db).all({ learnerId, technique, level, since, most, upTo })
}

const newestOfTechnique = prepared((db) =>
  db
    .select({
      level: attempt.level,
      support: attempt.support,
      outcome: attempt.outcome,
      right: attempt.right,
      timed: attempt.timed,
      totalMs: attempt.totalMs,
      /** Was a value shown in it? Then its time is not the learner's. */
      shown: sql<number>`instr(${attempt.entries}, '"verdict":"given"')`,
      startedAt: attempt.startedAt,
      at: session.startedAt,
    })
    .from(attempt)
    .innerJoin(session, eq(session.id, attempt.sessionId))
    .where(ofTechnique)
    .orderBy(desc(attempt.startedAt), desc(attempt.n))
    .limit(sql.placeholder('most'))
    .prepare(),
)

/** Attempts looked through for each that the rules look back on: several levels and supports may have been worked in turn. */
const LOOKED_THROUGH = 6

/**
 * The latest answers of a technique by level and support, as the rules read them. Further back than some multiple of what
 * they look back on nothing is sought, so that a long record costs as little as a short one.
 */
export function latestAt(
  db: Reader,
  learnerId: string,
  technique: string,
  { rules }: Pick<LearnerSettings, 'rules'>,
): LatestAt[] {
  const most = lookedBackOn(rules)
  const move = latestMove(db, learnerId, technique)
  const groups = new Map<string, LatestAt & { readonly answers: LatestAnswer[] }>()
  for (const row of newestOfTechnique(db).all({ learnerId, technique, most: LOOKED_THROUGH * most })) {
    const { level, support, at, outcome, right, timed, totalMs, shown, startedAt } = row
    const key = `${level} ${support}`
    const group = groups.get(key) ?? { technique, level, support, at, answers: [] }
    groups.set(key, group)
    const over = move?.to === level && startedAt <= move.at
    if (outcome === 'done' && !over && group.answers.length < most)
      group.answers.push({ right, timed: timed && shown === 0, totalMs })
  }
  return [...groups.values()]
}

/** The rules and targets that held when an attempt arrived. */
const rulesBefore = prepared((db) =>
  db
    .select({ rules: levelRules.rules, targets: levelRules.targets, extraTime: levelRules.extraTime })
    .from(levelRules)
    .where(
      and(
        eq(levelRules.learnerId, sql.placeholder('learnerId')),
        lt(levelRules.arrival, sql.placeholder('arrival')),
      ),
    )
    .orderBy(desc(levelRules.arrival))
    .limit(1)
    .prepare(),
)

/** Keeps rules and targets as they are set, so that moves can be counted again as they were made. */
export function keepRules(
  db: Pick<Database, 'insert'>,
  learnerId: string,
  { rules, targets, extraTime }: Pick<LearnerSettings, 'rules' | 'targets' | 'extraTime'>,
): void {
  db.insert(levelRules)
    .values({ learnerId, arrival: newestArrival(), rules, targets, extraTime })
    .onConflictDoUpdate({
      target: [levelRules.learnerId, levelRules.arrival],
      set: { rules, targets, extraTime },
    })
    .run()
}

/** An answer at a level, as the rules look at it. */
interface Answer {
  readonly id: string
  readonly technique: string
  readonly level: number
  readonly startedAt: string
  readonly totalMs: number
  readonly arrival: number
}

/**
 * After one more answer at a level: moves the learner when that level is in force and the rules say so. Looks only at what
 * had arrived by then, so that moves counted again are the same. The move bears the id of the answer that brought it about.
 */
export function moveByRule(db: Pick<Database, 'select' | 'insert'>, learnerId: string, answer: Answer): void {
  const { technique, level, arrival } = answer
  if (level === 0 || levelInForce(db, learnerId, technique, arrival) !== level) return
  const set = rulesBefore(db).get({ learnerId, arrival }) ?? DEFAULT_SETTINGS
  const latest = latestAnswers(db, learnerId, technique, level, lookedBackOn(set.rules), arrival)
  const { move, reason } = adviseLevel(latest, aimOf(set, technique, level), set.rules)
  const to = level + (move === 'up' ? 1 : -1)
  if (move === 'hold' || to < 1 || to > techniqueById(technique).levels.length) return
  const at = new Date(Date.parse(answer.startedAt) + answer.totalMs).toISOString()
  addMove(db, learnerId, { technique, from: level, to, at, by: 'rule', reason }, answer.id, arrival)
}
