import { DRILL_IDS } from '@tachymetra/core/drill'
import {
  BUG_DAYS,
  type Timed,
  type Times,
  timedAnswer,
  timedRecall,
  timedSteps,
  timesOf,
} from '@tachymetra/core/learner'
import { dayAfter, dayIn, instantOf } from '@tachymetra/core/number'
import { TECHNIQUES } from '@tachymetra/core/registry'
import type { WorkedSupport } from '@tachymetra/core/session'
import { weakKinds } from '@tachymetra/core/set'
import type { AttemptWire, LearnerWire, ProgressWire } from '@tachymetra/core/wire'
import { and, desc, eq, inArray, notInArray } from 'drizzle-orm'
import { wholeAttempt } from './attempts.js'
import type { Database } from './database.js'
import { slipsOf, today } from './days.js'
import { factStandings, latestRecalls } from './facts.js'
import { latestAt, latestMove } from './moves.js'
import { attempt, session } from './schema.js'
import { bestsOf, pastSessions, workedSince } from './sessions.js'
import { settingsOf } from './settings.js'
import { papersOf } from './worked.js'

/** What the times of one's own are made from: the newest of each, so that an old learner costs as little as a new one. */
const LATEST_STEPPED = 150
const LATEST_ANSWERED = 150
const LATEST_RECALLS = 400
const LOOKED_THROUGH = 200
/** Papers that tell which kinds are weak. */
const LATEST_PAPERS = 3

/** Everything today's plan is made from. */
export function progressView(db: Database, learner: LearnerWire, now: string): ProgressWire {
  const { id } = learner
  const day = dayIn(now, learner.timeZone)
  return {
    latest: TECHNIQUES.flatMap((t) => latestAt(db, id, t.id)),
    worked: workedSince(db, id, instantOf(day, '00:00', learner.timeZone)).map(
      ({ technique, attempts, ms }) => ({ technique, attempts, ms }),
    ),
    moves: TECHNIQUES.flatMap((t) => latestMove(db, id, t.id) ?? []),
    past: TECHNIQUES.flatMap((t) => pastSessions(db, id, t.id)),
    bests: bestsOf(db, id).filter((b) => b.support === 'answer'),
    facts: factStandings(db, id),
    slips: slipsOf(db, id, dayAfter(day, -BUG_DAYS)),
    weak: weakKinds(papersOf(db, id, LATEST_PAPERS)),
    day,
    today: today(db, learner, now),
  }
}

/** Last answers kept until something new is recorded: working them out replays a few hundred attempts. */
const kept = new WeakMap<Database, Map<string, { mark: string; times: Times }>>()

/** The times of a learner's own, from the newest steps, answers and recalls. */
export function timesView(db: Database, learnerId: string): Times {
  const recalls = latestRecalls(db, learnerId, LATEST_RECALLS)
  const { keying } = settingsOf(db, learnerId)
  const newest = db
    .select({ id: attempt.id })
    .from(session)
    .innerJoin(attempt, eq(attempt.sessionId, session.id))
    .where(eq(session.learnerId, learnerId))
    .orderBy(desc(session.startedAt), desc(attempt.n))
    .limit(1)
    .get()
  const mark = `${newest?.id} ${recalls[0]?.id} ${keying?.at}`
  const mine = kept.get(db) ?? new Map<string, { mark: string; times: Times }>()
  kept.set(db, mine)
  const found = mine.get(learnerId)
  if (found?.mark === mark) return found.times
  const steps: Timed[] = recalls.flatMap((r) => timedRecall(r) ?? [])
  for (const record of latestAttempts(db, learnerId, ['guided', 'steps'], LATEST_STEPPED))
    steps.push(...timedSteps(record))
  const answers = latestAttempts(db, learnerId, ['answer'], LATEST_ANSWERED)
  const times = timesOf(
    steps,
    answers.flatMap((a) => timedAnswer(a) ?? []),
    keying?.ms,
    recalls,
  )
  mine.set(learnerId, { mark, times })
  return times
}

/** The newest attempts under some supports with all their entries, among the newest sessions: further back nothing is sought. */
function latestAttempts(
  db: Database,
  learnerId: string,
  supports: readonly WorkedSupport[],
  most: number,
): AttemptWire[] {
  const newest = db
    .select({ id: session.id })
    .from(session)
    .where(eq(session.learnerId, learnerId))
    .orderBy(desc(session.startedAt))
    .limit(LOOKED_THROUGH)
    .all()
    .map((s) => s.id)
  const rows = db
    .select()
    .from(session)
    .innerJoin(attempt, eq(attempt.sessionId, session.id))
    .where(
      and(
        inArray(session.id, newest),
        inArray(attempt.support, [...supports]),
        notInArray(attempt.technique, [...DRILL_IDS]),
      ),
    )
    .orderBy(desc(session.startedAt), desc(attempt.n))
    .limit(most)
    .all()
  return rows.map((r) => wholeAttempt(r.attempt))
}
