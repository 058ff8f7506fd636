import { type FactMemory, median, remember } from '@tachymetra/core'
import type { FactStanding, RecallWire } from '@tachymetra/core/wire'
import { and, asc, eq, sql } from 'drizzle-orm'
import type { Database } from './database.js'
import { factMemory, factRecall } from './schema.js'

/**
 * Stores one recall and works out anew when its fact is due, both or neither.
 * @returns false when it was stored before.
 */
export function addRecall(db: Database, recall: RecallWire): boolean {
  return db.transaction((tx) => {
    if (tx.insert(factRecall).values(recall).onConflictDoNothing().run().changes === 0) return false
    rememberAnew(tx, recall.learnerId, recall.fact)
    return true
  })
}

/** Makes the memory of a fact from all its recalls in the order of their times, so that a late one counts where it belongs. */
export function rememberAnew(db: Pick<Database, 'select' | 'insert'>, learnerId: string, fact: string): void {
  const rows = db
    .select()
    .from(factRecall)
    .where(and(eq(factRecall.learnerId, learnerId), eq(factRecall.fact, fact)))
    .orderBy(asc(factRecall.at), asc(factRecall.id))
    .all()
  const memory = rows.reduce<FactMemory | undefined>((before, row) => remember(before, row), undefined)!
  const values = { learnerId, fact, due: memory.due, card: memory.card }
  db.insert(factMemory)
    .values(values)
    .onConflictDoUpdate({ target: [factMemory.learnerId, factMemory.fact], set: values })
    .run()
}

export function recallById(db: Database, id: string): RecallWire | undefined {
  return db.select().from(factRecall).where(eq(factRecall.id, id)).get()
}

/** Recalls that say how fast a fact comes now. */
const LATEST = 7

/** Where a learner stands with every fact ever asked: due, how often right, and the median of the latest right times. */
export function factStandings(db: Database, learnerId: string): FactStanding[] {
  const latest = db.all<{ fact: string; ms: number; right: number }>(sql`
    select fact, ms, "right" from (
      select fact, ms, "right", row_number() over (partition by fact order by at desc, id) as back
      from ${factRecall} where learner_id = ${learnerId}
    ) where back <= ${LATEST}`)
  const counts = new Map(
    db
      .select({
        fact: factRecall.fact,
        recalls: sql<number>`count(*)`,
        right: sql<number>`sum(${factRecall.right})`,
      })
      .from(factRecall)
      .where(eq(factRecall.learnerId, learnerId))
      .groupBy(factRecall.fact)
      .all()
      .map((row) => [row.fact, row]),
  )
  return db
    .select()
    .from(factMemory)
    .where(eq(factMemory.learnerId, learnerId))
    .all()
    .map(({ fact, due, card }) => ({
      fact,
      due,
      card,
      recalls: counts.get(fact)!.recalls,
      right: counts.get(fact)!.right,
      medianMs: median(latest.filter((r) => r.fact === fact && r.right).map((r) => r.ms)) ?? null,
      latestRight: latest.filter((r) => r.fact === fact).every((r) => r.right),
    }))
}
