/** Printed sheets. */
import type { NewSheet } from '@tachymetra/core/set'
import type { SheetBatch, SheetWire } from '@tachymetra/core/wire'
import { and, asc, desc, eq, isNull, sql } from 'drizzle-orm'
import type { Store } from './prepared.js'
import { isOfSheet, learner, session, sheet } from './schema.js'

function stored({ marks, ...row }: typeof sheet.$inferSelect): NewSheet {
  return { ...row, ...(marks && { marks }) }
}

/** A sheet with the times it was keyed in, by learners who are here. */
export function sheetByCode(db: Store, code: string): SheetWire | undefined {
  const row = db.select().from(sheet).where(eq(sheet.code, code)).get()
  if (!row) return undefined
  const keyed = db
    .select({ learnerId: session.learnerId, sessionId: session.id, at: session.startedAt })
    .from(session)
    .innerJoin(learner, eq(learner.id, session.learnerId))
    .where(and(isOfSheet(code), isNull(learner.removedAt)))
    .orderBy(asc(session.startedAt))
    .all()
  return { ...stored(row), keyed }
}

/** The same alone. */
export function storedSheet(db: Store, code: string): NewSheet | undefined {
  const row = db.select().from(sheet).where(eq(sheet.code, code)).get()
  return row && stored(row)
}

export function addSheet(
  db: Store,
  { marks = null, ...row }: Omit<NewSheet, 'marks'> & { marks?: NewSheet['marks'] | null },
): void {
  db.insert(sheet)
    .values({ ...row, marks })
    .run()
}

/** All that were made together, newest first. @param most batches */
export function sheetBatches(db: Store, most: number): SheetBatch[] {
  return db
    .select({
      batch: sheet.batch,
      title: sheet.title,
      madeAt: sql<string>`max(${sheet.madeAt})`,
      copies: sheet.copies,
      items: sql<number>`max(json_array_length(${sheet.list}))`,
      codes: sql<string>`json_group_array(${sheet.code} order by ${sheet.copy})`,
    })
    .from(sheet)
    .groupBy(sheet.batch)
    .orderBy(desc(sql`max(${sheet.madeAt})`))
    .limit(most)
    .all()
    .map((row) => ({ ...row, codes: JSON.parse(row.codes) as string[] }))
}

/** Lets go of sheets that were made together; what was keyed in of them stays in the record. */
export function forgetBatch(db: Store, batch: string): void {
  db.delete(sheet).where(eq(sheet.batch, batch)).run()
}
