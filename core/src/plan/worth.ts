/**
 * What a minute of practice is worth: so many targets as it brings nearer. A technique is a target reached in so many minutes,
 * or one kept from being lost; all the figures below were found with examinees.
 */

import { aimOf, firstMs } from '../curriculum/levels.js'
import { isKnown, type Mastery } from '../curriculum/mastery.js'
import { factsNeeded } from '../curriculum/needs.js'
import { chanceKept, REST_DAYS } from '../curriculum/retention.js'
import { FACT_DECKS } from '../facts/decks.js'
import { present } from '../number/present.js'
import type { PlanInput } from './input.js'
import { BETWEEN, ENOUGH_ANSWERS, SUPPORTED } from './session.js'

/** By so much, in logarithms, a problem brings the pace down while a technique is new. */
const A_PROBLEM = 0.01
/** What is sure of a level is somewhat quicker than its target. */
const SURELY = 0.9
/** What a technique never worked takes at first, as a multiple of its aim. */
const AT_FIRST = 2
/** A share right below this is work of its own: so many problems for each hundredth that is lacking. */
const RIGHT = 0.95
const A_HUNDREDTH = 1
/** A fact of the plan's decks is there once FSRS trusts it for so many days. */
const FIRM_DAYS = 1
const DAY_MS = 86_400_000

/** Minutes until a technique that is not known is likely to be, at its level in force. */
function minutesToTarget(mastery: Mastery, input: Pick<PlanInput, 'settings' | 'memories'>): number {
  const { technique, worked } = mastery
  const level = worked?.level ?? 1
  const alone = worked?.alone
  const aimMs = worked?.aimMs ?? aimOf(input.settings, technique.id, level)
  const ms = alone?.medianMs ?? firstMs(input.settings, technique.id, level)
  const gap =
    aimMs === undefined ? 0 : Math.max(0, Math.log((alone ? ms : AT_FIRST * aimMs) / (SURELY * aimMs)))
  const wrong = alone ? Math.max(0, RIGHT - alone.right / alone.answers) : 0
  const supported = alone ? 0 : worked ? SUPPORTED : 2 * SUPPORTED
  const lacking = Math.max(2, ENOUGH_ANSWERS - (alone?.answers ?? 0))
  const problems = supported + Math.max(lacking, gap / A_PROBLEM + 100 * A_HUNDREDTH * wrong)
  return (1 + unready(mastery, input)) * ((problems * (ms / 1000 + BETWEEN)) / 60)
}

/** The share of the facts a technique rests on that are not there yet, of those that are practised at all. */
export function unready(
  { technique }: Mastery,
  { settings, memories }: Pick<PlanInput, 'settings' | 'memories'>,
): number {
  const practised = new Set(
    FACT_DECKS.filter((d) => settings.decks.includes(d.id)).flatMap((d) => d.cards.map((c) => c.id)),
  )
  const needed = factsNeeded(technique).filter((f) => practised.has(f))
  if (needed.length === 0) return 0
  const firm = new Set(memories.filter((m) => m.card.stability >= FIRM_DAYS).map((m) => m.fact))
  return needed.filter((f) => !firm.has(f)).length / needed.length
}

/** Of some techniques that are not known, those first that take the fewest minutes. */
export function bySoonest(
  some: readonly Mastery[],
  input: Pick<PlanInput, 'settings' | 'memories'>,
): Mastery[] {
  const minutes = new Map(some.map((m) => [m, minutesToTarget(m, input)]))
  return some.toSorted((a, b) => present(minutes.get(a)) - present(minutes.get(b)))
}

/** Known techniques that are to be asked again, the likeliest to be lost first. */
export function fading(some: readonly Mastery[], now: string): Mastery[] {
  const kept = ({ retention }: Mastery) => (retention ? chanceKept(retention, now) : 1)
  return some.filter((m) => m.state === 'fading').toSorted((a, b) => kept(a) - kept(b))
}

/** Days since which a technique is practised without moving; 0 for one that has rested, or was never worked. */
export function heldDays({ worked }: Mastery, now: string): number {
  const course = worked?.course
  const since = (at: string) => (Date.parse(now) - Date.parse(at)) / DAY_MS
  return course && since(worked.lastAt) < REST_DAYS ? since(course.heldSince) : 0
}

/** Techniques that may be worked: what is not known, with nothing missing. */
export const open = (some: readonly Mastery[]): Mastery[] =>
  some.filter((m) => !isKnown(m) && m.missing.length === 0 && m.state !== 'not-yet')
