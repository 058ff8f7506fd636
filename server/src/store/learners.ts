import type { LearnerWire, NewLearner, RemovedLearner } from '@tachymetra/core/wire'
import { and, asc, desc, eq, isNotNull, isNull, ne, sql } from 'drizzle-orm'
import type { Database } from './database.js'
import type { Store } from './prepared.js'
import { learner } from './schema.js'

const columns = { id: learner.id, name: learner.name, timeZone: learner.timeZone, demo: learner.demo }

export function allLearners(db: Database): LearnerWire[] {
  return db.select(columns).from(learner).where(isNull(learner.removedAt)).orderBy(asc(learner.name)).all()
}

/** A learner who is here; not so one who was removed, though they can still be had back. */
export function learnerById(db: Store, id: string): LearnerWire | undefined {
  return db
    .select(columns)
    .from(learner)
    .where(and(eq(learner.id, id), isNull(learner.removedAt)))
    .get()
}

/** The same, removed or not: what was practised before that is still taken. */
export function learnerKept(db: Store, id: string): LearnerWire | undefined {
  return db.select(columns).from(learner).where(eq(learner.id, id)).get()
}

/** Is somebody else here by this name, in capitals or not? */
export function isNameTaken(db: Store, id: string, name: string): boolean {
  const same = sql`lower(${learner.name}) = lower(${name})`
  return (
    db
      .select({ id: learner.id })
      .from(learner)
      .where(and(ne(learner.id, id), isNull(learner.removedAt), same))
      .get() !== undefined
  )
}

/** @returns false when a learner with this id is there already; nothing is changed then. */
export function addLearner(db: Store, given: NewLearner): boolean {
  return (
    db
      .insert(learner)
      .values({ ...given, demo: false })
      .onConflictDoNothing()
      .run().changes > 0
  )
}

export function renameLearner(db: Store, id: string, name: string): void {
  db.update(learner).set({ name }).where(eq(learner.id, id)).run()
}

/** Those who were removed and can still be had back, newest first. */
export function removedLearners(db: Database): RemovedLearner[] {
  return db
    .select({ id: learner.id, name: learner.name, removedAt: sql<string>`${learner.removedAt}` })
    .from(learner)
    .where(isNotNull(learner.removedAt))
    .orderBy(desc(learner.removedAt))
    .all()
}

/** Takes a learner out of every list; nothing recorded of them is lost. Twice is as good as once. */
export function setAside(db: Store, id: string, at: string): void {
  db.update(learner)
    .set({ removedAt: at })
    .where(and(eq(learner.id, id), isNull(learner.removedAt)))
    .run()
}

/** Takes them out of every list for good: their time to be had back is over. */
export function setAsideLong(db: Store, id: string): void {
  db.update(learner).set({ removedAt: LONG_AGO }).where(eq(learner.id, id)).run()
}

const LONG_AGO = new Date(0).toISOString()

export function takeBack(db: Store, id: string): void {
  db.update(learner).set({ removedAt: null }).where(eq(learner.id, id)).run()
}

/** Removes a learner with everything recorded of them: the rows go by cascade, and what they held is overwritten. */
export function removeLearner(db: Store, id: string): void {
  db.delete(learner).where(eq(learner.id, id)).run()
}
