import type { LearnerWire, NewLearner } from '@tachymetra/core/wire'
import { and, asc, eq, ne, sql } from 'drizzle-orm'
import type { Database } from './database.js'
import { learner } from './schema.js'

const columns = { id: learner.id, name: learner.name, timeZone: learner.timeZone, demo: learner.demo }

export function allLearners(db: Database): LearnerWire[] {
  return db.select(columns).from(learner).orderBy(asc(learner.name)).all()
}

export function learnerById(db: Pick<Database, 'select'>, id: string): LearnerWire | undefined {
  return db.select(columns).from(learner).where(eq(learner.id, id)).get()
}

/** Is somebody else here by this name, in capitals or not? */
export function isNameTaken(db: Database, id: string, name: string): boolean {
  const same = sql`lower(${learner.name}) = lower(${name})`
  return (
    db
      .select({ id: learner.id })
      .from(learner)
      .where(and(ne(learner.id, id), same))
      .get() !== undefined
  )
}

/** @returns false when a learner with this id is there already; nothing is changed then. */
export function addLearner(db: Database, given: NewLearner): boolean {
  return (
    db
      .insert(learner)
      .values({ ...given, demo: false })
      .onConflictDoNothing()
      .run().changes > 0
  )
}

export function renameLearner(db: Database, id: string, name: string): void {
  db.update(learner).set({ name }).where(eq(learner.id, id)).run()
}

/** Removes a learner with everything recorded of them: the rows go by cascade, and what they held is overwritten. */
export function removeLearner(db: Database, id: string): void {
  db.delete(learner).where(eq(learner.id, id)).run()
}
