/** The facts of a day: what is due, what slows longer work down, and always some that are new. */
import type { Mastery } from '../curriculum/mastery.js'
import { factsNeeded } from '../curriculum/needs.js'
import { FACT_DECKS } from '../facts/decks.js'
import { type RecallFigures, toAsk } from '../learner/recall.js'
import { daysBetween } from '../number/days.js'
import { seeded } from '../number/random.js'
import type { PlanInput, PlanItem } from './input.js'
import { wordsOf } from './wording.js'
import { unready } from './worth.js'

/** What a fact takes until that is known of the learner, and the pause after it, in milliseconds. */
const COMMON_MS = 1900
const PAUSE_MS = 600
/**
 * Facts take at most this share of the minutes, the more of it the more of what comes next rests on facts that are not there
 * yet: then a minute with them is worth more than one without (found with examinees). No fewer than so many are asked.
 */
const FACT_SHARE = { least: 0.25, most: 0.4 } as const
const LEAST_FACTS = 4
/** New ones to a minute of practice at most, and how many there is always room for (found in simulation). */
const NEW_A_MINUTE = 1
const ALWAYS_NEW = 0.5
/** Later than any plan looks ahead. */
const NOT_TODAY = '9999-12-31T00:00:00.000Z'

/** Minutes that some facts take the learner. */
export function factMinutes(count: number, { ms = COMMON_MS }: RecallFigures): number {
  return (count * (ms + PAUSE_MS)) / 60_000
}

/**
 * What is left of the facts of the day: a round that was stopped goes on with those not asked yet.
 * @param next techniques that come soon, the soonest first: the facts they rest on are the first of the new ones
 */
export function factsFor(input: PlanInput, next: readonly Mastery[]): PlanItem | undefined {
  const { settings, day, now, memories, slow, metToday, recall } = input
  const decks = FACT_DECKS.filter((d) => settings.decks.includes(d.id))
  if (decks.length === 0) return undefined
  const inDecks = (fact: string) => decks.some((d) => d.cards.some((c) => c.id === fact))
  const lacking = next[0] ? unready(next[0], input) : 0
  const share = FACT_SHARE.least + lacking * (FACT_SHARE.most - FACT_SHARE.least)
  const ofDay = Math.max(LEAST_FACTS, Math.floor((share * settings.minutes) / factMinutes(1, recall)))
  const most = ofDay - metToday.size
  if (most <= 0) return undefined
  // What was asked today does not come again, whatever came of it.
  const waiting = memories.map((m) => (metToday.has(m.fact) ? { ...m, due: NOT_TODAY } : m))
  const due = waiting.filter((m) => m.due <= now && inDecks(m.fact))
  const lagging = slow.filter((fact) => !metToday.has(fact) && !due.some((m) => m.fact === fact))
  const metFirst = memories.filter((m) => metToday.has(m.fact) && m.card.reps <= 1).length
  const wished = Math.round(NEW_A_MINUTE * settings.minutes) - metFirst
  const always = Math.ceil(ALWAYS_NEW * settings.minutes) - metFirst
  const room = Math.max(0, Math.min(most, always), Math.min(wished, most - due.length - lagging.length))
  const cards = toAsk(
    decks,
    waiting,
    now,
    Math.min(most, due.length + lagging.length + room),
    dayRandom(day),
    {
      slow: lagging,
      room,
      first: next.flatMap((m) => factsNeeded(m.technique)),
    },
  )
  if (cards.length === 0) return undefined
  const count = (some: readonly string[]) => cards.filter((c) => some.includes(c.id)).length
  const counts = { due: count(due.map((m) => m.fact)), slow: count(lagging) }
  const fresh = cards.length - counts.due - counts.slow
  return {
    kind: 'facts' as const,
    id: 'facts' as const,
    facts: cards.map((c) => c.id),
    minutes: factMinutes(cards.length, recall),
    because: wordsOf(settings).facts({ ...counts, fresh }),
    pinned: settings.pinned.includes('facts'),
  }
}

/** The same facts are planned all day long. */
function dayRandom(day: string) {
  return seeded(daysBetween('2000-01-01', day))
}
