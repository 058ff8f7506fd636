/** Clocks that go wrong: what a device dates years ahead must not stand before everything that comes after it. */
import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { gt, sql } from 'drizzle-orm'
import { type Database, MIGRATIONS, writeNow } from './database.js'
import { recountOf } from './recount.js'
import { attempt, factRecall, learner, levelMove, session } from './schema.js'

/** Further ahead than this a clock is wrong, whatever its time zone; in milliseconds. */
const AHEAD_MS = 86_400_000

/** When the newest of the tables were made: no right clock is behind that. Milliseconds since 1970. */
const made = (): number => {
  const journal = readFileSync(join(MIGRATIONS, 'meta/_journal.json'), 'utf8')
  return Math.max(...(JSON.parse(journal) as { entries: { when: number }[] }).entries.map((e) => e.when))
}
let known: number | undefined

/** Can the clock of this machine be right? */
export function isClockRight(now: Date): boolean {
  known ??= made()
  return now.getTime() >= known
}

/**
 * The instant something was done, as it is taken: one that lies ahead becomes now, unless our own clock is wrong.
 * @param instant ISO 8601, UTC
 */
export function takenAt(instant: string, now = new Date()): string {
  const ahead = Date.parse(instant) > now.getTime() + AHEAD_MS
  return ahead && isClockRight(now) ? now.toISOString() : instant
}

/**
 * Brings what stands dated ahead back to now, and counts again what it was counted into: earlier versions stored whatever a
 * device said, and one day in 2036 stood before all that came after it.
 */
export function bringBackAhead(db: Database, now = new Date()): void {
  if (!isClockRight(now)) return
  const [limit, at] = [new Date(now.getTime() + AHEAD_MS).toISOString(), now.toISOString()]
  writeNow(db, (tx) => {
    const learners = tx
      .selectDistinct({ id: learner.id, timeZone: learner.timeZone })
      .from(learner)
      .where(
        sql`${learner.id} in (select learner_id from session where started_at > ${limit} union
          select learner_id from attempt where started_at > ${limit} union
          select learner_id from fact_recall where at > ${limit} union
          select learner_id from level_move where at > ${limit})`,
      )
      .all()
    tx.update(session).set({ startedAt: at }).where(gt(session.startedAt, limit)).run()
    tx.update(attempt).set({ startedAt: at }).where(gt(attempt.startedAt, limit)).run()
    tx.update(factRecall).set({ at }).where(gt(factRecall.at, limit)).run()
    tx.update(levelMove).set({ at }).where(gt(levelMove.at, limit)).run()
    for (const one of learners) recountOf(tx, one)
  })
}

/** Is an instant the one that was stored, or one that was brought back to the time it arrived? */
export function isTakenFrom(stored: string, sent: string, now = new Date()): boolean {
  return stored === sent || (takenAt(sent, now) !== sent && stored <= now.toISOString())
}
