/** The demo data: six weeks in the tally room of Lantern Wharf, an invented river port. Nobody in it is real. */

import { adviseLevel, type LatestAnswer, LEVEL_RULES } from '../curriculum/levels.js'
import { FACT_DECKS } from '../facts/decks.js'
import { type FactMemory, type Recall, remember, toAsk } from '../learner/recall.js'
import { type Random, seeded } from '../number/random.js'
import { draw } from '../problem/space.js'
import { TECHNIQUES } from '../registry/techniques.js'
import { durationOf } from '../session/events.js'
import type { AttemptRecord } from '../session/record.js'
import type { WorkedSupport } from '../session/support.js'
import { figuresOf, finishedProgress } from '../session/verdict.js'
import type { Technique } from '../technique/contract.js'
import { type Habits, simulateAttempt } from './simulated.js'

export const DEMO_COACH = 'Odile Fenn'
export const DEMO_DAYS = 42

export interface DemoSitting {
  readonly id: string
  readonly learnerId: string
  readonly technique: string
  readonly level: number
  readonly planned: number
  readonly startedAt: string
  readonly attempts: readonly AttemptRecord[]
}

export interface DemoLearner {
  readonly id: string
  readonly name: string
  readonly sittings: readonly DemoSitting[]
  readonly recalls: readonly (Recall & { readonly id: string })[]
}

/** Factors on an ordinary beginner: how fast, how prone to slips, how quick to learn, how often at it. */
const CLERKS: readonly {
  name: string
  pace: number
  slips: number
  learns: number
  often: number
  weak: number[]
  /** A rung they have set their mind on, worked every day before anything else. */
  mind?: { technique: string; rung: number }
}[] = [
  {
    name: 'Tobin Achter',
    pace: 1,
    slips: 1,
    learns: 0.3,
    often: 0.8,
    weak: [7],
    mind: { technique: 'subtract-hold-drop', rung: 9 },
  },
  { name: 'Ilse Marrow', pace: 0.7, slips: 0.7, learns: 0.25, often: 0.9, weak: [] },
  { name: 'Pell Okonjo', pace: 1.2, slips: 1.6, learns: 0.35, often: 0.6, weak: [8] },
  { name: 'Sunniva Dray', pace: 0.9, slips: 0.5, learns: 0.28, often: 0.7, weak: [6] },
  { name: 'Rafe Lindqvist', pace: 1.4, slips: 1.2, learns: 0.2, often: 0.5, weak: [7, 9] },
  {
    name: 'Amadi Voss',
    pace: 0.8,
    slips: 1.3,
    learns: 0.38,
    often: 0.85,
    weak: [],
    mind: { technique: 'add-running-total', rung: 10 },
  },
  {
    name: 'Junia Bale',
    pace: 1.1,
    slips: 0.8,
    learns: 0.4,
    often: 0.75,
    weak: [9],
    mind: { technique: 'add-running-total', rung: 9 },
  },
  { name: 'Corin Hask', pace: 1.6, slips: 2, learns: 0.22, often: 0.45, weak: [6, 8] },
]

/** An ordinary beginner. */
export const BEGINNER: Habits = {
  factMs: 800,
  carryMs: 450,
  keyMs: 130,
  readMs: 1100,
  practice: 0.3,
  slipRate: 0.016,
  weak: [],
  scatter: 0.3,
}

/**
 * The whole tally room up to (not including) a day: the same day and seed give the same data.
 * @param lastDay ISO date, UTC; practice ends the day before.
 */
export function demoLearners(lastDay: string, seed = 20): DemoLearner[] {
  return CLERKS.map((clerk, i) => {
    const random = seeded(seed + i)
    const habits: Habits = {
      ...BEGINNER,
      factMs: BEGINNER.factMs * clerk.pace,
      carryMs: BEGINNER.carryMs * clerk.pace,
      practice: clerk.learns,
      slipRate: BEGINNER.slipRate * clerk.slips,
      weak: clerk.weak,
    }
    const id = uuid(random)
    const sittings = [...practice(id, habits, clerk.often, clerk.mind, lastDay, random)]
    return { id, name: clerk.name, sittings, recalls: recalled(sittings, habits, random) }
  })
}

/** How far somebody is with one technique. */
interface Track {
  readonly technique: Technique
  rung: number
  /** Answers at this rung since it was reached, newest first. */
  latest: LatestAnswer[]
  sittings: number
  practised: number
}

/** Moves up or back by the same rules that judge everybody. */
function moveOn(track: Track, sitting: DemoSitting): void {
  for (const attempt of sitting.attempts) {
    if (attempt.support !== 'answer' || sitting.level !== track.rung) continue
    const { right, timed, totalMs } = figuresOf(finishedProgress(attempt))
    track.latest = [{ right, timed, totalMs }, ...track.latest].slice(0, LEVEL_RULES.upOf)
    const { move } = adviseLevel(track.latest, track.technique.levels[track.rung - 1]!.targetMs)
    const to = track.rung + (move === 'up' ? 1 : move === 'back' ? -1 : 0)
    if (to === track.rung || to < 1 || to > track.technique.levels.length) continue
    track.rung = to
    track.latest = []
  }
}

/** Sittings after which a technique is known well enough to go on to those that need it. */
const SITTINGS_TO_KNOW = 5

/**
 * Day by day: whoever turns up works one to three sittings, the technique least practised first among those whose
 * prerequisites are known, in teaching order.
 */
function* practice(
  learnerId: string,
  habits: Habits,
  often: number,
  mind: { technique: string; rung: number } | undefined,
  lastDay: string,
  random: Random,
): Generator<DemoSitting> {
  const known = TECHNIQUES.map(
    (technique): Track => ({
      technique,
      rung: mind?.technique === technique.id ? mind.rung : 1,
      latest: [],
      sittings: 0,
      practised: 0,
    }),
  )
  const end = Date.parse(`${lastDay}T00:00:00Z`)
  for (let day = DEMO_DAYS; day >= 1; day -= 1) {
    if (random.unit() >= often) continue
    let clock = end - day * 86_400_000 + (15 + 3 * random.unit()) * 3_600_000
    const knows = (id: string) => known.some((k) => k.technique.id === id && k.sittings >= SITTINGS_TO_KNOW)
    const set = known.filter((k) => k.technique.id === mind?.technique)
    const others = known
      .filter((k) => k.technique.needs.every(knows) && !set.includes(k))
      // Those still being learnt first, then those practised least.
      .sort(
        (a, b) =>
          Math.max(a.sittings, SITTINGS_TO_KNOW) - Math.max(b.sittings, SITTINGS_TO_KNOW) ||
          a.sittings - b.sittings,
      )
      .slice(0, 1 + Math.floor(3 * random.unit()))
    for (const track of [...set, ...others]) {
      const support = set.includes(track) && track.sittings > 1 ? 'answer' : supportFor(track.sittings)
      const sitting = sit({ learnerId, habits, track, support, clock: Math.round(clock), random })
      yield sitting
      track.sittings += 1
      track.practised += sitting.attempts.length
      moveOn(track, sitting)
      clock += sitting.attempts.reduce((sum, a) => sum + durationOf(a.events), 120_000)
    }
  }
}

/** Decks the clerks drill, and facts to a day: a minute or so before the other work. */
const DEMO_DECKS = ['to-ten', 'sums', 'differences', 'tables']
const FACTS_A_DAY = 12

/** Facts recalled on the days of practice: what is due first; those with weak digits come slowly and slip. */
function recalled(sittings: readonly DemoSitting[], habits: Habits, random: Random): DemoLearner['recalls'] {
  const decks = FACT_DECKS.filter((d) => DEMO_DECKS.includes(d.id))
  const memories = new Map<string, FactMemory>()
  const recalls: (Recall & { id: string })[] = []
  const days = new Map(sittings.map((s) => [s.startedAt.slice(0, 10), Date.parse(s.startedAt)]))
  for (const begun of days.values()) {
    let clock = begun - 180_000
    for (const card of toAsk(
      decks,
      [...memories.values()],
      new Date(clock).toISOString(),
      FACTS_A_DAY,
      random,
    )) {
      const weak = habits.weak.some((d) => card.id.includes(String(d)))
      const practised = recalls.filter((r) => r.fact === card.id).length
      const scatter = Math.exp(habits.scatter * (random.unit() + random.unit() + random.unit() - 1.5) * 2)
      const ms = Math.round(
        habits.factMs * (weak ? 1.7 : 1) * scatter * (1 + practised) ** -habits.practice + habits.keyMs,
      )
      const right = random.unit() >= 3 * habits.slipRate * (weak ? 2 : 1)
      const keyMs = habits.keyMs * (card.kind.length(card.expect) - 1)
      const recall = {
        id: uuid(random),
        fact: card.id,
        right,
        ms: Math.round(ms + keyMs),
        thinkMs: ms,
        at: new Date(clock).toISOString(),
      }
      recalls.push(recall)
      memories.set(card.id, remember(memories.get(card.id), recall))
      clock += ms + 400
    }
  }
  return recalls
}

/** Guided first, then the steps alone, then mostly against the clock. */
function supportFor(sittings: number): WorkedSupport {
  if (sittings < 1) return 'guided'
  if (sittings < 2) return 'steps'
  return sittings % 4 === 1 ? 'steps' : 'answer'
}

function sit(given: {
  learnerId: string
  habits: Habits
  track: Track
  support: WorkedSupport
  clock: number
  random: Random
}): DemoSitting {
  const { learnerId, habits, track, support, random } = given
  const { technique, rung: level } = track
  const id = uuid(random)
  const planned = 8 + Math.floor(5 * random.unit())
  const problems = draw(technique.levels[level - 1]!.problems(), random)
  const attempts: AttemptRecord[] = []
  let clock = given.clock
  for (let n = 1; n <= planned; n += 1) {
    const problem = problems.next().value!
    const startedAt = new Date(clock).toISOString()
    const task = { id: uuid(random), sittingId: id, n, technique, level, support, problem, startedAt }
    const attempt = simulateAttempt(habits, { ...task, practised: track.practised + n - 1 }, random)
    attempts.push(attempt)
    clock += durationOf(attempt.events) + 1500
  }
  return {
    id,
    learnerId,
    technique: technique.id,
    level,
    planned,
    startedAt: new Date(given.clock).toISOString(),
    attempts,
  }
}

/** A version 4 UUID from a repeatable source. */
function uuid(random: Random): string {
  const hex = random
    .below(1n << 122n)
    .toString(16)
    .padStart(31, '0')
  const variant = '89ab'.charAt(Number(random.below(4n)))
  return `${hex.slice(0, 8)}-${hex.slice(8, 12)}-4${hex.slice(12, 15)}-${variant}${hex.slice(15, 18)}-${hex.slice(18, 30)}`
}
