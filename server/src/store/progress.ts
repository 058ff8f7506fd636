import { DRILL_IDS } from '@tachymetra/core/drill'
import {
  BUG_DAYS,
  type Timed,
  type TimedAnswer,
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
import { changed, keptFor } from './kept.js'
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
  const day = dayIn(now, learner.timeZone)
  return keptFor(db, learner.id, `progress ${day}`, () => workedOut(db, learner, day, now))
}

function workedOut(db: Database, learner: LearnerWire, day: string, now: string): ProgressWire {
  const { id } = learner
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

/** The times of a learner's own, from the newest steps, answers and recalls. Others are served while they are worked out. */
export function timesView(db: Database, learnerId: string): Promise<Times> {
  return keptFor(db, learnerId, 'times', () =>
    timesNow(db, learnerId).catch((error) => {
      // What failed is not kept.
      changed(db, learnerId)
      throw error
    }),
  )
}

async function timesNow(db: Database, learnerId: string): Promise<Times> {
  const recalls = latestRecalls(db, learnerId, LATEST_RECALLS)
  const { keying } = settingsOf(db, learnerId)
  const answers = latestAttempts(db, learnerId, ['answer'], LATEST_ANSWERED)
  const stepped = latestAttempts(db, learnerId, ['guided', 'steps'], LATEST_STEPPED)
  const steps: Timed[] = recalls.flatMap((r) => timedRecall(r) ?? [])
  for (const record of stepped)
    steps.push(...(await readOnce(`steps ${record.id}`, () => timedSteps(record))))
  const timed: TimedAnswer[] = []
  for (const record of answers) {
    const one = await readOnce(`answer ${record.id}`, () => timedAnswer(record))
    if (one) timed.push(one)
  }
  return timesOf(steps, timed, keying?.ms, recalls)
}

/** What attempts say of times: reading one replays it. What was read last stays. */
const read = new Map<string, unknown>()
const MOST_READ = 20_000

async function readOnce<T>(name: string, make: () => T): Promise<T> {
  if (read.has(name)) return read.get(name) as T
  // One takes a millisecond or so, and there are hundreds.
  await new Promise(setImmediate)
  const made = make()
  read.set(name, made)
  if (read.size > MOST_READ) read.delete(read.keys().next().value!)
  return made
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
