/**
 * When a technique is to be asked again: an FSRS memory state (ts-fsrs) as for facts, its reviews being the days on which the
 * technique was worked without steps. How long practice has stood at one level is read from the same sessions.
 */

import { type Card, createEmptyCard, fsrs, type Grade, Rating } from 'ts-fsrs'
import { byTime, daysBetween } from '../number/days.js'
import { present } from '../number/present.js'
import { middleOf } from '../number/statistics.js'
import type { WorkedSupport } from '../session/support.js'

/** What was worked of one technique and level under one support in a session. */
export interface PastSession {
  /** The id of the technique, or of the drill. */
  readonly technique: string
  /** The level, from 1; 0 for parameters of one's own. */
  readonly level: number
  /** How much help was given. */
  readonly support: WorkedSupport
  /** When it began; ISO 8601, UTC. */
  readonly at: string
  /** How many answers. */
  readonly answers: number
  /** How many of them were right. */
  readonly right: number
  /** Of answers in time; null where none was timed. */
  readonly medianMs: number | null
}

/** So many of a technique's latest sessions are looked at. */
export const PAST_SESSIONS = 40

/** What is remembered of a technique. */
export interface Retention {
  /** When it is to be asked again; ISO 8601, UTC. */
  readonly dueAt: string
  readonly card: Card
}

/** A day of practice counts from so many answers on (default, common practice). */
const LEAST_ANSWERS = 3
/** The share right of a day on which the technique came easily, was there, and was there with difficulty. */
const EASY = 0.97
const GOOD = 0.9
const HARD = 0.75
/** A pace of so many times the aim is no longer the pace that was known. */
const SLOWER = 1.25

/** A way of working fades as a skill does, however often it came back (Arthur et al. 1998, Human Performance 11). */
const MOST_DAYS = 60

// A day is the least there is between two reviews, and no fuzz, so that the same work gives the same dates everywhere.
const scheduler = fsrs({ enable_fuzz: false, enable_short_term: false, maximum_interval: MOST_DAYS })

const dayOf = (at: string) => at.slice(0, 10)

/**
 * @param sessions of one technique, in any order
 * @param aim the time to aim for at a level, in milliseconds; undefined where there is none
 * @returns undefined for what was never worked without steps
 */
export function retentionOf(
  sessions: readonly PastSession[],
  aim: (level: number) => number | undefined,
): Retention | undefined {
  const alone = sessions.filter((s) => s.support === 'answer' && s.level > 0)
  const days = new Set(alone.map((s) => dayOf(s.at)).toSorted())
  let card: Card | undefined
  for (const day of days) {
    const its = alone.filter((s) => dayOf(s.at) === day)
    if (its.reduce((sum, s) => sum + s.answers, 0) < LEAST_ANSWERS) continue
    const at = new Date(
      present(
        its
          .map((s) => s.at)
          .toSorted()
          .at(-1),
      ),
    )
    card = scheduler.next(card ?? createEmptyCard(at), at, gradeOf(its, aim)).card
  }
  return card && { dueAt: card.due.toISOString(), card }
}

function gradeOf(its: readonly PastSession[], aim: (level: number) => number | undefined): Grade {
  const answers = its.reduce((sum, s) => sum + s.answers, 0)
  const share = its.reduce((sum, s) => sum + s.right, 0) / answers
  const paces = its.flatMap(({ medianMs, level }) => {
    const aimMs = aim(level)
    return medianMs === null || aimMs === undefined ? [] : [medianMs / aimMs]
  })
  const pace = paces.length > 0 ? middleOf(paces) : 1
  if (share < HARD) return Rating.Again
  if (share < GOOD || pace > SLOWER) return Rating.Hard
  return share >= EASY && pace <= 1 ? Rating.Easy : Rating.Good
}

/** The chance that it is still there, from 0 to 1 (the forgetting curve of FSRS). @param now ISO 8601, UTC */
export function chanceKept({ card }: Retention, now: string): number {
  return scheduler.get_retrievability(card, new Date(now), false)
}

/** Days without a technique after which practice at it begins anew. */
export const REST_DAYS = 7

/** How practice at a technique has gone. */
export interface Course {
  /** When it was first worked, as far back as is looked; ISO 8601, UTC. */
  readonly begunAt: string
  /** Since when it has been practised at the level it is at, without a week's rest in between. */
  readonly heldSince: string
}

/** @param sessions of one technique, at least one, in any order. @param level the level in force */
export function courseOf(sessions: readonly PastSession[], level: number): Course | undefined {
  const newest = sessions.toSorted((a, b) => byTime(b.at, a.at))
  const [latest] = newest
  if (!latest) return undefined
  let heldSince = latest.at
  for (const { at, level: its } of newest) {
    if (its !== level || daysBetween(dayOf(at), dayOf(heldSince)) >= REST_DAYS) break
    heldSince = at
  }
  return { begunAt: present(newest.at(-1)).at, heldSince }
}
