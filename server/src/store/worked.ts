/** Papers and trials that were worked: sessions whose recipe is one of those, with what became of each item. */
import type { WorkedSet } from '@tachymetra/core/wire'
import { and, asc, desc, eq, inArray, type SQL, sql } from 'drizzle-orm'
import type { Database } from './database.js'
import { attempt, isPaper, isTrial, session } from './schema.js'

/** Papers of a learner, newest first, so many at most. */
export const papersOf = (db: Database, learnerId: string, most: number) =>
  worked(db, learnerId, isPaper, most)

/** Trials of a learner, newest first, so many at most. */
export const trialsOf = (db: Database, learnerId: string, most: number) =>
  worked(db, learnerId, isTrial, most)

function worked(db: Database, learnerId: string, which: SQL, most: number): WorkedSet[] {
  const rows = db
    .select({ id: session.id, startedAt: session.startedAt, recipe: session.recipe })
    .from(session)
    .where(and(eq(session.learnerId, learnerId), which))
    .orderBy(desc(session.startedAt), desc(session.id))
    .limit(most)
    .all()
  if (rows.length === 0) return []
  const answers = db
    .select({
      sessionId: attempt.sessionId,
      n: attempt.n,
      outcome: attempt.outcome,
      right: attempt.right,
      ms: attempt.totalMs,
      slips: sql<string>`(
        select json_group_array(json_extract(s.value, '$.id'))
        from json_each(${attempt.entries}) e, json_each(e.value, '$.slips') s)`,
    })
    .from(attempt)
    .where(
      inArray(
        attempt.sessionId,
        rows.map((r) => r.id),
      ),
    )
    .orderBy(asc(attempt.startedAt), asc(attempt.n))
    .all()
  return rows.map((row) => ({
    ...row,
    answers: answers
      .filter((a) => a.sessionId === row.id)
      .map(({ n, outcome, right, ms, slips }) => ({
        n,
        outcome,
        right,
        ms,
        slips: JSON.parse(slips) as string[],
      })),
  }))
}
