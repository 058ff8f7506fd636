/** Sets of own problems. */
import type { OwnSet } from '@tachymetra/core/set'
import type { OwnSetWire } from '@tachymetra/core/wire'
import { and, asc, eq } from 'drizzle-orm'
import type { Store } from './prepared.js'
import { ownSet } from './schema.js'

/** A learner's sets, by name. */
export function ownSets(db: Store, learnerId: string): OwnSetWire[] {
  return db
    .select({ id: ownSet.id, name: ownSet.name, technique: ownSet.technique, problems: ownSet.problems })
    .from(ownSet)
    .where(eq(ownSet.learnerId, learnerId))
    .orderBy(asc(ownSet.name))
    .all()
}

/** Whose set it is; undefined where there is none. */
export function ownerOfSet(db: Store, id: string): string | undefined {
  return db.select({ learnerId: ownSet.learnerId }).from(ownSet).where(eq(ownSet.id, id)).get()?.learnerId
}

/** Keeps a set, in place of what was kept under its id. */
export function keepOwnSet(db: Store, learnerId: string, id: string, set: OwnSet): void {
  db.insert(ownSet)
    .values({ id, learnerId, ...set })
    .onConflictDoUpdate({ target: ownSet.id, set: { ...set } })
    .run()
}

export function forgetOwnSet(db: Store, learnerId: string, id: string): void {
  db.delete(ownSet)
    .where(and(eq(ownSet.id, id), eq(ownSet.learnerId, learnerId)))
    .run()
}
