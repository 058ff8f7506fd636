import { randomUUID } from 'node:crypto'
import { adviseLevel, aimOf, type LatestAnswer, type LevelMove, techniqueById } from '@tachymetra/core'
import type { MoveWire } from '@tachymetra/core/wire'
import { and, desc, eq, gt, sql } from 'drizzle-orm'
import type { Database } from './database.js'
import { prepared } from './prepared.js'
import { attempt, levelMove, sitting } from './schema.js'
import { settingsOf } from './settings.js'

type Reader = Pick<Database, 'select'>

const columns = {
  id: levelMove.id,
  technique: levelMove.technique,
  from: levelMove.from,
  to: levelMove.to,
  at: levelMove.at,
  by: levelMove.by,
  because: levelMove.because,
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
const latestRung = prepared((db) =>
  db
    .select({ level: sitting.level })
    .from(sitting)
    .where(
      and(
        eq(sitting.learnerId, sql.placeholder('learnerId')),
        eq(sitting.technique, sql.placeholder('technique')),
        gt(sitting.level, 0),
      ),
    )
    .orderBy(desc(sitting.startedAt))
    .limit(1)
    .prepare(),
)

/** The latest move in a technique; the level it led to is in force. */
export function latestMove(db: Reader, learnerId: string, technique: string): MoveWire | undefined {
  return latestMoveRow(db).get({ learnerId, technique })
}

/** The level in force: that of the latest move, else of the latest sitting on the ladder, else the first. */
export function levelInForce(db: Reader, learnerId: string, technique: string): number {
  const move = latestMove(db, learnerId, technique)
  return move?.to ?? latestRung(db).get({ learnerId, technique })?.level ?? 1
}

/** Stores a move; from then on its level is in force. @param id made here unless the sender brings one */
export function addMove(
  db: Pick<Database, 'insert'>,
  learnerId: string,
  move: LevelMove,
  id: string = randomUUID(),
): void {
  db.insert(levelMove)
    .values({ id, learnerId, ...move })
    .run()
}

const answersSince = prepared((db) =>
  db
    .select({ right: attempt.right, timed: attempt.timed, totalMs: attempt.totalMs })
    .from(sitting)
    .innerJoin(attempt, eq(attempt.sittingId, sitting.id))
    .where(
      and(
        eq(sitting.learnerId, sql.placeholder('learnerId')),
        eq(sitting.technique, sql.placeholder('technique')),
        eq(sitting.level, sql.placeholder('level')),
        eq(attempt.support, 'answer'),
        eq(attempt.outcome, 'done'),
        gt(attempt.startedAt, sql.placeholder('since')),
      ),
    )
    .orderBy(desc(sitting.startedAt), desc(attempt.n))
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
): LatestAnswer[] {
  const move = latestMove(db, learnerId, technique)
  const since = move?.to === level ? move.at : ''
  return answersSince(db).all({ learnerId, technique, level, since, most })
}

/** After one more answer at a level: moves the learner when that level is in force and the rules say so. */
export function moveByRule(
  db: Pick<Database, 'select' | 'insert'>,
  learnerId: string,
  technique: string,
  level: number,
  at: string,
): void {
  if (level === 0 || levelInForce(db, learnerId, technique) !== level) return
  const settings = settingsOf(db, learnerId)
  const { upOf, backOf } = settings.rules
  const latest = latestAnswers(db, learnerId, technique, level, Math.max(upOf, backOf))
  const { move, because } = adviseLevel(latest, aimOf(settings, technique, level)!, settings.rules)
  const to = level + (move === 'up' ? 1 : -1)
  if (move === 'hold' || to < 1 || to > techniqueById(technique).levels.length) return
  addMove(db, learnerId, { technique, from: level, to, at, by: 'rule', because })
}
