import { PAST_SESSIONS, type PastSession } from '@tachymetra/core/curriculum'
import { type Best, TELLING } from '@tachymetra/core/learner'
import { TECHNIQUES } from '@tachymetra/core/registry'
import { WORKED_SUPPORTS } from '@tachymetra/core/session'
import {
  AS_RECORDED,
  GENERATOR,
  type Item,
  isItem,
  itemsOf,
  type ListedProblem,
  withRecorded,
} from '@tachymetra/core/set'
import type {
  ItemPace,
  PacePoint,
  PractisedWire,
  SessionPage,
  SessionStart,
  SessionWire,
} from '@tachymetra/core/wire'
import { and, asc, desc, eq, exists, inArray, lt, type SQL, sql } from 'drizzle-orm'
import type { Database } from './database.js'
import { prepared, type Store } from './prepared.js'
import { attempt, learner, session, sessionPace, sessionSlip } from './schema.js'

export type SessionRow = typeof session.$inferSelect

const byId = prepared((db) =>
  db
    .select()
    .from(session)
    .where(eq(session.id, sql.placeholder('id')))
    .prepare(),
)
/** A session without its recipe, which may be long, with the time zone of its learner. */
export type SessionHead = Omit<SessionRow, 'recipe' | 'seed'> & { readonly timeZone: string }

const headById = prepared((db) =>
  db
    .select({
      id: session.id,
      learnerId: session.learnerId,
      startedAt: session.startedAt,
      generator: session.generator,
      timeZone: learner.timeZone,
    })
    .from(session)
    .innerJoin(learner, eq(learner.id, session.learnerId))
    .where(eq(session.id, sql.placeholder('id')))
    .prepare(),
)

export function sessionRow(db: Pick<Database, 'select'>, id: string): SessionRow | undefined {
  return byId(db).get({ id })
}

export function sessionHead(db: Pick<Database, 'select'>, id: string): SessionHead | undefined {
  return headById(db).get({ id })
}

export function addSession(db: Pick<Database, 'insert'>, id: string, start: SessionStart): void {
  // One of this id may have been there before, and have been taken back.
  drawn.delete(id)
  db.insert(session)
    .values({ id, ...start })
    .run()
}

/** The items of the sessions looked at last: drawing a hard set takes longer than storing an attempt at it. */
const drawn = new Map<string, readonly (Item | undefined)[]>()
const MOST_DRAWN = 500

/**
 * The items of a session's set, made from its recipe and seed alone; undefined where only what was recorded of it is
 * known, since its recipe is not, or another version of the generator has drawn it.
 */
export function itemsOfSession(
  db: Pick<Database, 'select'>,
  its: SessionHead,
): readonly (Item | undefined)[] | undefined {
  if (its.generator !== GENERATOR) return undefined
  const found = drawn.get(its.id)
  if (found) return found
  const items = itemsOf(sessionRow(db, its.id)!)
  drawn.set(its.id, items)
  // What was put in first goes first.
  if (drawn.size > MOST_DRAWN) drawn.delete(drawn.keys().next().value!)
  return items
}

/**
 * Is a problem item n of a session's set? A list that is kept as it is recorded takes one it does not know yet
 * (see `listRecorded`).
 */
export function belongs(
  db: Pick<Database, 'select'>,
  its: SessionHead,
  n: number,
  problem: ListedProblem,
): boolean {
  const items = itemsOfSession(db, its)
  if (items) return isItem(items, n, problem) === true
  const recorded = its.generator === AS_RECORDED ? itemsOf(sessionRow(db, its.id)!) : []
  return isItem(recorded, n, problem) ?? true
}

/**
 * Notes a problem in the list of a session that is kept as it is recorded; one that another version of the generator has
 * drawn becomes such a list, of all that is stored of it. Other sets stay as they are.
 */
export function listRecorded(
  db: Store,
  { id, generator }: SessionHead,
  n: number,
  problem: ListedProblem,
): void {
  if (generator === GENERATOR) return
  const its = sessionRow(db, id)!
  const { technique, level, expression } = problem
  const before =
    its.generator === AS_RECORDED
      ? its.recipe
      : db
          .select({
            n: attempt.n,
            technique: attempt.technique,
            level: attempt.level,
            expression: attempt.expression,
          })
          .from(attempt)
          .where(eq(attempt.sessionId, id))
          .all()
          .reduce((list, { n, ...stored }) => withRecorded(list, n, stored), its.recipe)
  const recipe = withRecorded(before, n, { technique, level, expression })
  db.update(session).set({ recipe, generator: AS_RECORDED }).where(eq(session.id, id)).run()
}

/** One session with its rollups. */
export function sessionById(db: Database, id: string): SessionWire | undefined {
  const row = sessionRow(db, id)
  return row && withRollups(db, [row])[0]
}

/**
 * A learner's sessions in which problems were worked, newest first. `before` is the mark handed out with the page
 * before.
 */
export function sessionPage(
  db: Database,
  learnerId: string,
  limit: number,
  before?: string,
  technique?: string,
): SessionPage {
  const [startedAt, id] = before?.split('_') ?? []
  const worked = db
    .select({ one: sql`1` })
    .from(sessionPace)
    .where(
      and(
        eq(sessionPace.sessionId, session.id),
        technique ? eq(sessionPace.technique, technique) : undefined,
      ),
    )
  const rows = db
    .select()
    .from(session)
    .where(
      and(
        eq(session.learnerId, learnerId),
        exists(worked),
        startedAt ? sql`(${session.startedAt}, ${session.id}) < (${startedAt}, ${id})` : undefined,
      ),
    )
    .orderBy(desc(session.startedAt), desc(session.id))
    .limit(limit + 1)
    .all()
  const last = rows.length > limit ? rows[limit - 1] : undefined
  return {
    sessions: withRollups(db, rows.slice(0, limit)),
    ...(last && { next: `${last.startedAt}_${last.id}` }),
  }
}

/** Right answers a minute of a session, as a column; null where too little was timed to tell. */
const PER_MINUTE = sql<
  number | null
>`case when ${sessionPace.timed} >= ${TELLING} and ${sessionPace.timedMs} > 0
  then ${sessionPace.timedRight} * 60000.0 / ${sessionPace.timedMs} end`

/**
 * Sessions of a technique as dots of its pace chart, oldest first: one a session, level and support.
 * @param first how many of the earliest are shown besides the newest ones
 */
export function pacePoints(
  db: Database,
  learnerId: string,
  technique: string,
  newest: number,
  first = 0,
): PacePoint[] {
  const its = and(eq(sessionPace.learnerId, learnerId), eq(sessionPace.technique, technique))
  const ids = (order: SQL, most: number) =>
    db
      .selectDistinct({ id: sessionPace.sessionId, at: sessionPace.startedAt })
      .from(sessionPace)
      .where(its)
      .orderBy(order)
      .limit(most)
      .all()
  const chosen = [...ids(desc(sessionPace.startedAt), newest), ...ids(asc(sessionPace.startedAt), first)]
  return db
    .select({
      at: sessionPace.startedAt,
      technique: sessionPace.technique,
      level: sessionPace.level,
      support: sessionPace.support,
      attempts: sessionPace.attempts,
      right: sessionPace.right,
      medianMs: sessionPace.medianMs,
      perMinute: PER_MINUTE,
    })
    .from(sessionPace)
    .where(
      and(
        its,
        inArray(
          sessionPace.sessionId,
          chosen.map((s) => s.id),
        ),
      ),
    )
    .orderBy(asc(sessionPace.startedAt), FADING)
    .all()
}

/**
 * A learner's own bests by level and support.
 * @param technique of this one only
 * @param before as it was before this instant
 */
export function bestsOf(
  db: Database,
  learnerId: string,
  { technique, before }: { readonly technique?: string; readonly before?: string } = {},
): Best[] {
  return db
    .select({
      technique: sessionPace.technique,
      level: sessionPace.level,
      support: sessionPace.support,
      bestMs: sql<number | null>`min(${sessionPace.bestMs})`,
      perMinute: sql<number | null>`max(${PER_MINUTE})`,
    })
    .from(sessionPace)
    .where(
      and(
        eq(sessionPace.learnerId, learnerId),
        technique === undefined ? undefined : eq(sessionPace.technique, technique),
        before === undefined ? undefined : lt(sessionPace.startedAt, before),
      ),
    )
    .groupBy(sessionPace.technique, sessionPace.level, sessionPace.support)
    .all()
}

const pastOf = prepared((db) =>
  db
    .select({
      technique: sessionPace.technique,
      level: sessionPace.level,
      support: sessionPace.support,
      at: sessionPace.startedAt,
      answers: sessionPace.attempts,
      right: sessionPace.right,
      medianMs: sessionPace.medianMs,
    })
    .from(sessionPace)
    .where(
      and(
        eq(sessionPace.learnerId, sql.placeholder('learnerId')),
        eq(sessionPace.technique, sql.placeholder('technique')),
      ),
    )
    .orderBy(desc(sessionPace.startedAt))
    .limit(PAST_SESSIONS)
    .prepare(),
)

/** The latest sessions of a technique, newest first. */
export function pastSessions(db: Database, learnerId: string, technique: string): PastSession[] {
  return pastOf(db).all({ learnerId, technique })
}

/** What was worked at a technique since an instant, as it began: for how long, and how many problems. */
export function workedSince(
  db: Database,
  learnerId: string,
  since: string,
): { technique: string; attempts: number; ms: number; at: string }[] {
  return db
    .select({
      technique: sessionPace.technique,
      attempts: sql<number>`sum(${sessionPace.attempts})`,
      ms: sql<number>`sum(${sessionPace.timedMs})`,
      at: sql<string>`min(${sessionPace.startedAt})`,
    })
    .from(session)
    .innerJoin(sessionPace, eq(sessionPace.sessionId, session.id))
    .where(and(eq(session.learnerId, learnerId), sql`${session.startedAt} >= ${since}`))
    .groupBy(sessionPace.technique)
    .orderBy(sql`min(${sessionPace.startedAt})`)
    .all()
}

/** The last days of practice that count as lately. */
const LATELY_MS = 14 * 86_400_000

/** Techniques a learner ever sat down to, in teaching order, with the problems worked in the fortnight before the latest session. */
export function practisedBy(db: Database, learnerId: string): PractisedWire[] {
  const [last] = db
    .select({ at: session.startedAt })
    .from(session)
    .where(eq(session.learnerId, learnerId))
    .orderBy(desc(session.startedAt))
    .limit(1)
    .all()
  if (!last) return []
  const since = new Date(Date.parse(last.at) - LATELY_MS).toISOString()
  const lately = new Map(workedSince(db, learnerId, since).map((w) => [w.technique, w.attempts]))
  return TECHNIQUES.filter(({ id }) =>
    db
      .select({ id: sessionPace.sessionId })
      .from(sessionPace)
      .where(and(eq(sessionPace.learnerId, learnerId), eq(sessionPace.technique, id)))
      .limit(1)
      .get(),
  ).map(({ id }) => ({ technique: id, lately: lately.get(id) ?? 0 }))
}

/** Most supported first. */
const FADING = sql.join(
  [
    sql`case ${sessionPace.support}`,
    ...WORKED_SUPPORTS.map((support, i) => sql`when ${support} then ${i}`),
    sql`end`,
  ],
  sql` `,
)

function withRollups(db: Database, rows: readonly SessionRow[]): SessionWire[] {
  const ids = rows.map((r) => r.id)
  const paces = db
    .select()
    .from(sessionPace)
    .where(inArray(sessionPace.sessionId, ids))
    .orderBy(sessionPace.technique, sessionPace.level, FADING)
    .all()
  const slips = db
    .select()
    .from(sessionSlip)
    .where(inArray(sessionSlip.sessionId, ids))
    .orderBy(desc(sessionSlip.count), sessionSlip.slip)
    .all()
  return rows.map((row) => ({
    ...row,
    paces: paces
      .filter((p) => p.sessionId === row.id)
      .map(({ sessionId: _, learnerId: __, startedAt: ___, medianMs, bestMs, ...counts }): ItemPace => {
        return { ...counts, medianMs: medianMs ?? undefined, bestMs: bestMs ?? undefined }
      }),
    slips: slips.filter((s) => s.sessionId === row.id).map(({ slip, count }) => ({ id: slip, count })),
  }))
}
