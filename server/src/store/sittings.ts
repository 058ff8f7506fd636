import type { WorkedSupport } from '@tachymetra/core'
import type {
  PacePoint,
  SittingPage,
  SittingStart,
  SittingWire,
  Standing,
  SupportPace,
} from '@tachymetra/core/wire'
import { and, desc, eq, inArray, sql } from 'drizzle-orm'
import type { Database } from './database.js'
import { sitting, sittingPace, sittingSlip } from './schema.js'

export type SittingRow = typeof sitting.$inferSelect

export function sittingRow(db: Database, id: string): SittingRow | undefined {
  return db.select().from(sitting).where(eq(sitting.id, id)).get()
}

export function addSitting(db: Database, id: string, start: SittingStart): void {
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
export function sittingPage(db: Database, learnerId: string, limit: number, before?: string): SittingPage {
  const [startedAt, id] = before?.split('_') ?? []
  const rows = db
    .select()
    .from(sitting)
    .where(
      and(
        eq(sitting.learnerId, learnerId),
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

/** The newest sittings as dots of the pace chart, oldest first: one a sitting and support. */
export function pacePoints(db: Database, learnerId: string, most: number): PacePoint[] {
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
    .where(eq(sitting.learnerId, learnerId))
    .orderBy(desc(sitting.startedAt))
    .limit(most)
    .all()
    .reverse()
}

/** Where the learner last stood with each of these techniques; a technique never tried is left out. */
export function standings(db: Database, learnerId: string, techniques: readonly string[]): Standing[] {
  return techniques.flatMap((technique) => {
    const latest = db
      .select()
      .from(sitting)
      .where(and(eq(sitting.learnerId, learnerId), eq(sitting.technique, technique)))
      .orderBy(desc(sitting.startedAt))
      .limit(1)
      .get()
    if (!latest) return []
    const [{ paces }] = withRollups(db, [latest]) as [SittingWire]
    return [
      { technique, level: latest.level, support: paces.at(-1)?.support ?? null, lastAt: latest.startedAt },
    ]
  })
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
