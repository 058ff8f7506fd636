import { type FactMemory, type Recall, remember } from '@tachymetra/core/learner'
import { dayIn, median } from '@tachymetra/core/number'
import type { FactStanding } from '@tachymetra/core/wire'
import { and, asc, desc, eq, inArray, sql } from 'drizzle-orm'
import type { Database, Transaction } from './database.js'
import { countDay, dropEmpty } from './days.js'
import { changed } from './kept.js'
import { learnerKept } from './learners.js'
import { placeholders, prepared, type Store } from './prepared.js'
import { factMemory, factRecall } from './schema.js'

/** A recall as it is stored: what was judged of it. */
export interface StoredRecall extends Recall {
  readonly id: string
  readonly learnerId: string
  /** The session whose set it is item n of; null where that is not known. */
  readonly sessionId: string | null
  readonly n: number | null
  readonly entry: string | null
  readonly judge: number
}

/** Stores one recall, works out anew when its fact is due, and counts it into its day. The learner must exist. */
export function addRecall(tx: Transaction, recall: StoredRecall): void {
  insertRecall(tx).run({ ...recall })
  const before = memoryRow(tx, recall.learnerId, recall.fact)
  // In order of time it goes on from what is remembered; a late one means going through all of them again.
  const late = before && String(before.card.last_review ?? '') >= recall.at
  const its = { learnerId: recall.learnerId, fact: recall.fact }
  rememberAll(tx, its, late ? undefined : before, late ? undefined : recall)
  const { timeZone } = learnerKept(tx, recall.learnerId)!
  const done = { attempts: 0, right: 0, recalls: 1, ms: recall.ms }
  countDay(tx, recall.learnerId, dayIn(recall.at, timeZone), done)
  changed(tx, recall.learnerId)
}

function memoryRow(db: Pick<Database, 'select'>, learnerId: string, fact: string) {
  return db
    .select()
    .from(factMemory)
    .where(and(eq(factMemory.learnerId, learnerId), eq(factMemory.fact, fact)))
    .get()
}

/** Recalls that say how fast a fact comes now. */
const LATEST = 7

const latestOfFact = prepared((db) =>
  db
    .select({ right: factRecall.right, thinkMs: factRecall.thinkMs })
    .from(factRecall)
    .where(
      and(
        eq(factRecall.learnerId, sql.placeholder('learnerId')),
        eq(factRecall.fact, sql.placeholder('fact')),
      ),
    )
    .orderBy(desc(factRecall.at))
    .limit(LATEST)
    .prepare(),
)
const insertRecall = prepared((db) =>
  db
    .insert(factRecall)
    .values(
      placeholders(
        'id',
        'learnerId',
        'sessionId',
        'n',
        'fact',
        'right',
        'ms',
        'thinkMs',
        'withinMs',
        'at',
        'entry',
        'judge',
      ),
    )
    .prepare(),
)

/**
 * Brings the memory of a fact and its rollup up to date: with the one recall given, else from all its recalls in the
 * order of their times.
 */
function rememberAll(
  db: Store,
  { learnerId, fact }: { learnerId: string; fact: string },
  before: (FactMemory & { recalls: number; right: number }) | undefined,
  recall: Recall | undefined,
): void {
  const its = and(eq(factRecall.learnerId, learnerId), eq(factRecall.fact, fact))
  const rows =
    recall && before
      ? [recall]
      : db.select().from(factRecall).where(its).orderBy(asc(factRecall.at), asc(factRecall.id)).all()
  if (rows.length === 0) {
    db.delete(factMemory)
      .where(and(eq(factMemory.learnerId, learnerId), eq(factMemory.fact, fact)))
      .run()
    return
  }
  const known = recall && before ? before : undefined
  const memory = rows.reduce<FactMemory | undefined>((m, row) => remember(m, row), known)!
  const latest = latestOfFact(db).all({ learnerId, fact })
  const values = {
    learnerId,
    fact,
    due: memory.due,
    card: memory.card,
    recalls: (known?.recalls ?? 0) + rows.length,
    right: (known?.right ?? 0) + rows.filter((r) => r.right).length,
    medianMs: median(latest.filter((r) => r.right).map((r) => r.thinkMs)) ?? null,
    latestRight: latest.every((r) => r.right),
  }
  db.insert(factMemory)
    .values(values)
    .onConflictDoUpdate({ target: [factMemory.learnerId, factMemory.fact], set: values })
    .run()
}

/** Stores many recalls of one learner at once, as the demo data are. */
export function addRecalls(
  db: Store,
  learnerId: string,
  timeZone: string,
  recalls: readonly StoredRecall[],
): void {
  for (const recall of recalls) {
    insertRecall(db).run({ ...recall })
    const done = { attempts: 0, right: 0, recalls: 1, ms: recall.ms }
    countDay(db, learnerId, dayIn(recall.at, timeZone), done)
  }
  rememberAllFacts(db, learnerId)
  changed(db, learnerId)
}

/** Takes recalls of a learner out again, with their share in what is counted. @returns how many there were */
export function removeRecalls(
  db: Store,
  { id: learnerId, timeZone }: { readonly id: string; readonly timeZone: string },
  ids: readonly string[],
): number {
  const named = and(eq(factRecall.learnerId, learnerId), inArray(factRecall.id, [...ids]))
  const rows = db.select().from(factRecall).where(named).all()
  db.delete(factRecall).where(named).run()
  for (const { at, ms } of rows)
    countDay(db, learnerId, dayIn(at, timeZone), { attempts: 0, right: 0, recalls: -1, ms: -ms })
  dropEmpty(db, learnerId)
  for (const fact of new Set(rows.map((r) => r.fact)))
    rememberAll(db, { learnerId, fact }, undefined, undefined)
  if (rows.length > 0) changed(db, learnerId)
  return rows.length
}

/** Works out the memory of every fact anew from all its recalls. */
export function rememberAllFacts(db: Store, learnerId: string): void {
  const facts = db
    .selectDistinct({ fact: factRecall.fact })
    .from(factRecall)
    .where(eq(factRecall.learnerId, learnerId))
    .all()
  for (const { fact } of facts) rememberAll(db, { learnerId, fact }, undefined, undefined)
}

export function recallById(db: Pick<Database, 'select'>, id: string): StoredRecall | undefined {
  return db.select().from(factRecall).where(eq(factRecall.id, id)).get()
}

/** The newest recalls of any fact. */
export function latestRecalls(db: Database, learnerId: string, most: number): StoredRecall[] {
  return db
    .select()
    .from(factRecall)
    .where(eq(factRecall.learnerId, learnerId))
    .orderBy(desc(factRecall.at))
    .limit(most)
    .all()
}

/** Where a learner stands with every fact ever asked: due, how often right, and the median of the latest right times. */
export function factStandings(db: Database, learnerId: string): FactStanding[] {
  return db
    .select()
    .from(factMemory)
    .where(eq(factMemory.learnerId, learnerId))
    .all()
    .map(({ learnerId: _, ...standing }) => standing)
}
