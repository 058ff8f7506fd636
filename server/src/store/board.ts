/** What the board keeps: plans of lessons by their names, and how the room did. */
import type { BoardPlan, RoomCount } from '@tachymetra/core/set'
import { asc, desc, eq } from 'drizzle-orm'
import type { Store } from './prepared.js'
import { boardPlan, roomCount } from './schema.js'

/** Every plan, by name. */
export function boardPlans(db: Store): (BoardPlan & { readonly id: string })[] {
  return db.select().from(boardPlan).orderBy(asc(boardPlan.name)).all()
}

/** Keeps a plan, in place of what was kept under its id. */
export function keepPlan(db: Store, id: string, plan: BoardPlan): void {
  db.insert(boardPlan)
    .values({ id, ...plan })
    .onConflictDoUpdate({ target: boardPlan.id, set: { ...plan } })
    .run()
}

export function forgetPlan(db: Store, id: string): void {
  db.delete(boardPlan).where(eq(boardPlan.id, id)).run()
}

/** Hands that were counted, newest first. @param most so many at most */
export function roomCounts(db: Store, most: number): RoomCount[] {
  return db.select().from(roomCount).orderBy(desc(roomCount.at)).limit(most).all()
}

/** Counting a problem again under its id takes the place of what was counted before. */
export function keepCount(db: Store, count: RoomCount): void {
  db.insert(roomCount)
    .values(count)
    .onConflictDoUpdate({ target: roomCount.id, set: { right: count.right, at: count.at } })
    .run()
}
