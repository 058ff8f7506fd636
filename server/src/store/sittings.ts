import type { WorkedSupport } from '@tachymetra/core/session'
import type { PacePoint, SittingPage, SittingStart, SittingWire, SupportPace } from '@tachymetra/core/wire'
import { and, asc, desc, eq, inArray, type SQL, sql } from 'drizzle-orm'
import type { Database } from './database.js'
import { prepared } from './prepared.js'
import { learner, sitting, sittingPace, sittingSlip } from './schema.js'

export type SittingRow = typeof sitting.$inferSelect

const byId = prepared((db) =>
  db
    .select()
    .from(sitting)
    .where(eq(sitting.id, sql.placeholder('id')))
    .prepare(),
)
const ownerOf = prepared((db) =>
  db
    .select({ id: learner.id, timeZone: learner.timeZone })
    .from(sitting)
    .innerJoin(learner, eq(learner.id, sitting.learnerId))
    .where(eq(sitting.id, sql.placeholder('id')))
    .prepare(),
)

export function sittingRow(db: Pick<Database, 'select'>, id: string): SittingRow | undefined {
  return byId(db).get({ id })
}

/** Whose sitting it is. The sitting must exist. */
export function learnerOfSitting(
  db: Pick<Database, 'select'>,
  id: string,
): { readonly id: string; readonly timeZone: string } {
  return ownerOf(db).get({ id })!
}

export function addSitting(db: Pick<Database, 'insert'>, id: string, start: SittingStart): void {
  db.insert(sitting)
    .values({ id, ...start })
    .run()
}

/** One sitting with its rollups. */
export function sittingById(db: Database, id: string): SittingWire | undefined {
  const row = sittingRow(db, id)
  return row && withRollups(db, [row])[0]
}

/** A learner's sittings, newest first. `before` is the mark handed out with the page before. */
export function sittingPage(
  db: Database,
  learnerId: string,
  limit: number,
  before?: string,
  technique?: string,
): SittingPage {
  const [startedAt, id] = before?.split('_') ?? []
  const rows = db
    .select()
    .from(sitting)
    .where(
      and(
        eq(sitting.learnerId, learnerId),
        technique ? eq(sitting.technique, technique) : undefined,
        startedAt ? sql`(${sitting.startedAt}, ${sitting.id}) < (${startedAt}, ${id})` : undefined,
      ),
    )
    .orderBy(desc(sitting.startedAt), desc(sitting.id))
    .limit(limit + 1)
    .all()
  const last = rows.length > limit ? rows[limit - 1] : undefined
  return {
    sittings: withRollups(db, rows.slice(0, limit)),
    ...(last && { next: `${last.startedAt}_${last.id}` }),
  }
}

/**
 * Sittings of a technique as dots of its pace chart, oldest first: one a sitting and support.
 * @param first how many of the earliest are shown besides the newest ones
 */
export function pacePoints(
  db: Database,
  learnerId: string,
  technique: string,
  newest: number,
  first = 0,
): PacePoint[] {
  const its = and(eq(sitting.learnerId, learnerId), eq(sitting.technique, technique))
  const ids = (order: SQL, most: number) =>
    db.select({ id: sitting.id }).from(sitting).where(its).orderBy(order).limit(most).all()
  const chosen = [...ids(desc(sitting.startedAt), newest), ...ids(asc(sitting.startedAt), first)]
  return db
    .select({
      at: sitting.startedAt,
      technique: sitting.technique,
      level: sitting.level,
      support: sql<WorkedSupport>`${sittingPace.support}`,
      attempts: sittingPace.attempts,
      right: sittingPace.right,
      medianMs: sittingPace.medianMs,
    })
    .from(sitting)
    .innerJoin(sittingPace, eq(sittingPace.sittingId, sitting.id))
    .where(
      inArray(
        sitting.id,
        chosen.map((s) => s.id),
      ),
    )
    .orderBy(asc(sitting.startedAt), FADING)
    .all()
}

/** Techniques a learner ever sat down to. */
export function techniquesOf(db: Database, learnerId: string, all: readonly string[]): string[] {
  return all.filter((technique) =>
    db
      .select({ id: sitting.id })
      .from(sitting)
      .where(and(eq(sitting.learnerId, learnerId), eq(sitting.technique, technique)))
      .limit(1)
      .get(),
  )
}

const FADING = sql`case ${sittingPace.support} when 'guided' then 1 when 'steps' then 2 else 3 end`

function withRollups(db: Database, rows: readonly SittingRow[]): SittingWire[] {
  const ids = rows.map((r) => r.id)
  const paces = db.select().from(sittingPace).where(inArray(sittingPace.sittingId, ids)).orderBy(FADING).all()
  const slips = db
    .select()
    .from(sittingSlip)
    .where(inArray(sittingSlip.sittingId, ids))
    .orderBy(desc(sittingSlip.count), sittingSlip.slip)
    .all()
  return rows.map((row) => ({
    ...row,
    paces: paces
      .filter((p) => p.sittingId === row.id)
      .map(({ sittingId: _, support, medianMs, bestMs, ...counts }): SupportPace => {
        const times = { medianMs: medianMs ?? undefined, bestMs: bestMs ?? undefined }
        return { ...counts, ...times, support: support as WorkedSupport }
      }),
    slips: slips.filter((s) => s.sittingId === row.id).map(({ slip, count }) => ({ id: slip, count })),
  }))
}
