import { dayAfter, dayIn, weekOf } from '@tachymetra/core/number'
import type { JudgedEntry } from '@tachymetra/core/session'
import type { DayWire, SlipWeek } from '@tachymetra/core/wire'
import { and, asc, eq, gte, sql } from 'drizzle-orm'
import type { Database } from './database.js'
import { placeholders, prepared, type Store } from './prepared.js'
import { practiceDay, slipWeek } from './schema.js'

/** What is added to a day. */
export interface Done {
  readonly attempts: number
  readonly right: number
  readonly recalls: number
  readonly ms: number
}

const addToDay = prepared((db) =>
  db
    .insert(practiceDay)
    .values(placeholders('learnerId', 'day', 'attempts', 'right', 'recalls', 'ms'))
    .onConflictDoUpdate({
      target: [practiceDay.learnerId, practiceDay.day],
      set: {
        attempts: sql`${practiceDay.attempts} + excluded.attempts`,
        right: sql`${practiceDay.right} + excluded."right"`,
        recalls: sql`${practiceDay.recalls} + excluded.recalls`,
        ms: sql`${practiceDay.ms} + excluded.ms`,
      },
    })
    .prepare(),
)
const addToWeek = prepared((db) =>
  db
    .insert(slipWeek)
    .values(placeholders('learnerId', 'week', 'technique', 'slip', 'place', 'count'))
    .onConflictDoUpdate({
      target: [slipWeek.learnerId, slipWeek.week, slipWeek.technique, slipWeek.slip, slipWeek.place],
      set: { count: sql`${slipWeek.count} + excluded.count` },
    })
    .prepare(),
)

/** Counts something done into the learner's own day. */
export function countDay(db: Store, learnerId: string, day: string, done: Done): void {
  addToDay(db).run({ learnerId, day, ...done })
}

/** Counts the slips of an attempt into its week, each at its place. @param by -1 takes them out again */
export function countSlips(
  db: Store,
  learnerId: string,
  day: string,
  technique: string,
  entries: readonly JudgedEntry[],
  by: 1 | -1 = 1,
): void {
  const week = weekOf(day)
  for (const { id: slip, place } of entries.flatMap((e) => e.slips))
    addToWeek(db).run({ learnerId, week, technique, slip, place, count: by })
}

/** Lets go of days and weeks of a learner in which nothing is left. */
export function dropEmpty(db: Store, learnerId: string): void {
  db.delete(practiceDay)
    .where(and(eq(practiceDay.learnerId, learnerId), eq(practiceDay.attempts, 0), eq(practiceDay.recalls, 0)))
    .run()
  db.delete(slipWeek)
    .where(and(eq(slipWeek.learnerId, learnerId), eq(slipWeek.count, 0)))
    .run()
}

/** Days of practice from a date on, oldest first. */
export function daysOf(db: Database, learnerId: string, from: string): DayWire[] {
  return db
    .select({
      day: practiceDay.day,
      attempts: practiceDay.attempts,
      right: practiceDay.right,
      recalls: practiceDay.recalls,
      ms: practiceDay.ms,
    })
    .from(practiceDay)
    .where(and(eq(practiceDay.learnerId, learnerId), gte(practiceDay.day, from)))
    .orderBy(asc(practiceDay.day))
    .all()
}

export function today(db: Database, learner: { id: string; timeZone: string }, now: string): DayWire {
  const day = dayIn(now, learner.timeZone)
  return (
    daysOf(db, learner.id, day).find((d) => d.day === day) ?? {
      day,
      attempts: 0,
      right: 0,
      recalls: 0,
      ms: 0,
    }
  )
}

/** Slips of the weeks that end on or after a date, oldest week first. */
export function slipsOf(db: Database, learnerId: string, from: string): SlipWeek[] {
  return db
    .select({
      week: slipWeek.week,
      technique: slipWeek.technique,
      slip: slipWeek.slip,
      place: slipWeek.place,
      count: slipWeek.count,
    })
    .from(slipWeek)
    .where(and(eq(slipWeek.learnerId, learnerId), gte(slipWeek.week, dayAfter(from, -6))))
    .orderBy(asc(slipWeek.week))
    .all()
}
