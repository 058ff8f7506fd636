import {
  adviseLevel,
  aimFor,
  type LatestAnswer,
  type LatestAt,
  type LevelMove,
  LOOKED_BACK,
} from '@tachymetra/core/curriculum'
import { techniqueById } from '@tachymetra/core/registry'
import type { Outcome } from '@tachymetra/core/session'
import type { MoveWire } from '@tachymetra/core/wire'
import { and, desc, eq, gt, not, sql } from 'drizzle-orm'
import type { Database } from './database.js'
import { changed } from './kept.js'
import { prepared, type Store } from './prepared.js'
import { attempt, isPaper, levelMove, session } from './schema.js'
import { settingsOf } from './settings.js'

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
      ),
    )
    .orderBy(desc(levelMove.at), desc(sql`rowid`))
    .limit(1)
    .prepare(),
)

/** Attempts of a learner at problems of a technique; the newest are found first. */
const ofTechnique = and(
  eq(attempt.learnerId, sql.placeholder('learnerId')),
  eq(attempt.technique, sql.placeholder('technique')),
)

const latestLevel = prepared((db) =>
  db
    .select({ level: attempt.level })
    .from(attempt)
    .innerJoin(session, eq(session.id, attempt.sessionId))
    // A paper has its own levels: it says nothing of the one that is practised.
    .where(and(ofTechnique, gt(attempt.level, 0), not(isPaper)))
    .orderBy(desc(attempt.startedAt))
    .limit(1)
    .prepare(),
)

/** The latest move in a technique; the level it led to is in force. */
export function latestMove(db: Reader, learnerId: string, technique: string): MoveWire | undefined {
  return latestMoveRow(db).get({ learnerId, technique })
}

/** The level in force: that of the latest move, else of the latest problem worked at a level, else the first. */
export function levelInForce(db: Reader, learnerId: string, technique: string): number {
  return levelAfter(db, learnerId, technique, latestMove(db, learnerId, technique))
}

/** The same where the latest move is known. */
function levelAfter(db: Reader, learnerId: string, technique: string, move: MoveWire | undefined): number {
  return move?.to ?? latestLevel(db).get({ learnerId, technique })?.level ?? 1
}

/** Stores a move; from then on its level is in force. */
export function addMove(
  db: Pick<Store, 'select' | 'insert'>,
  learnerId: string,
  move: LevelMove,
  id: string,
): void {
  db.insert(levelMove)
    .values({ id, learnerId, ...move })
    .run()
  changed(db, learnerId)
}

export function removeMove(db: Store, learnerId: string, id: string): void {
  db.delete(levelMove).where(eq(levelMove.id, id)).run()
  changed(db, learnerId)
}

const answersSince = prepared((db) =>
  db
    .select({
      right: attempt.right,
      timed: attempt.timed,
      totalMs: attempt.totalMs,
      outcome: attempt.outcome,
    })
    .from(attempt)
    .where(
      and(
        ofTechnique,
        eq(attempt.level, sql.placeholder('level')),
        eq(attempt.support, 'answer'),
        gt(attempt.startedAt, sql.placeholder('since')),
      ),
    )
    .orderBy(desc(attempt.startedAt), desc(attempt.n))
    .limit(sql.placeholder('most'))
    .prepare(),
)

/** Only what was worked to its end has a time; what was skipped, left or ran out of time is an answer missed. */
const answerOf = (row: LatestAnswer & { readonly outcome: Outcome }): LatestAnswer => {
  const { right, timed, totalMs, outcome } = row
  return { right, timed: timed && outcome === 'done', totalMs }
}

/**
 * The latest attempts at a level without any steps asked, newest first; those before the learner last moved to this level
 * are over and done with.
 */
export function latestAnswers(
  db: Reader,
  learnerId: string,
  technique: string,
  level: number,
): LatestAnswer[] {
  return answersAfter(db, learnerId, technique, level, latestMove(db, learnerId, technique))
}

function answersAfter(
  db: Reader,
  learnerId: string,
  technique: string,
  level: number,
  move: MoveWire | undefined,
): LatestAnswer[] {
  const since = move?.to === level ? move.at : ''
  return answersSince(db).all({ learnerId, technique, level, since, most: LOOKED_BACK }).map(answerOf)
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
const LOOKED_THROUGH = 4

/**
 * The latest answers of a technique by level and support, as the rules read them. Further back than some multiple of what
 * they look back on nothing is sought, so that a long record costs as little as a short one.
 */
export function latestAt(db: Reader, learnerId: string, technique: string): LatestAt[] {
  const most = LOOKED_BACK
  const move = latestMove(db, learnerId, technique)
  const groups = new Map<string, LatestAt & { readonly answers: LatestAnswer[] }>()
  for (const row of newestOfTechnique(db).all({ learnerId, technique, most: LOOKED_THROUGH * most })) {
    const { level, support, at, shown, startedAt } = row
    const key = `${level} ${support}`
    const group = groups.get(key) ?? { technique, level, support, at, answers: [] }
    groups.set(key, group)
    const over = move?.to === level && startedAt <= move.at
    if (!over && group.answers.length < most)
      group.answers.push(answerOf({ ...row, timed: row.timed && shown === 0 }))
  }
  return [...groups.values()]
}

/** An answer at a level, as the rules look at it. */
interface Answer {
  readonly id: string
  readonly technique: string
  readonly level: number
  readonly startedAt: string
  readonly totalMs: number
}

/**
 * After one more answer at a level: moves the learner when that level is in force and the rules say so. A move is kept as it
 * was decided, whatever is set or brought in later. It bears the id of the answer that brought it about.
 */
export function moveByRule(db: Pick<Database, 'select' | 'insert'>, learnerId: string, answer: Answer): void {
  const { technique, level } = answer
  if (level === 0) return
  const moved = latestMove(db, learnerId, technique)
  if (levelAfter(db, learnerId, technique, moved) !== level) return
  const set = settingsOf(db, learnerId)
  const latest = answersAfter(db, learnerId, technique, level, moved)
  const { move, reason } = adviseLevel(latest, aimFor(set, technique, level, latest), set.rules)
  const to = level + (move === 'up' ? 1 : -1)
  if (move === 'hold' || to < 1 || to > techniqueById(technique).levels.length) return
  const at = new Date(Date.parse(answer.startedAt) + answer.totalMs).toISOString()
  addMove(db, learnerId, { technique, from: level, to, at, by: 'rule', reason }, answer.id)
}
