/** The demo data: six weeks in the tally room of Lantern Wharf, an invented river port. Nobody in it is real. */

import { adviseLevel, aimFor, type LatestAnswer, LOOKED_BACK } from '../curriculum/levels.js'
import { FACT_DECKS, type FactCard, factById } from '../facts/decks.js'
import {
  type FactMemory,
  type Recall,
  recallFigures,
  recallLimit,
  remember,
  toAsk,
} from '../learner/recall.js'
import { type LearnerSettings, settingsForAge } from '../learner/settings.js'
import { present } from '../number/present.js'
import { type Random, seeded } from '../number/random.js'
import { COURSE } from '../registry/techniques.js'
import { durationOf } from '../session/events.js'
import type { AttemptRecord } from '../session/record.js'
import type { WorkedSupport } from '../session/support.js'
import { figuresOf, finishedProgress } from '../session/verdict.js'
import { GENERATOR, itemsOf } from '../set/items.js'
import { USUAL_PAPER } from '../set/paper.js'
import { type PracticeSet, plainRecipe, type Source } from '../set/recipe.js'
import type { Technique } from '../technique/contract.js'
import { simulateAttempt } from './attempt.js'
import { BEGINNER, SimulatedLearner, type Traits } from './learner.js'
import { simulatePaper, simulateTrial } from './papers.js'

const DEMO_DAYS = 42

/** One stretch of practice: a set, and what was done of it. */
export interface DemoSession extends PracticeSet {
  readonly id: string
  readonly startedAt: string
  readonly attempts: readonly AttemptRecord[]
  /** Recalls of facts, each with its place in the set, from 1. */
  readonly recalls: readonly (Recall & { readonly id: string; readonly n: number })[]
}

export interface DemoLearner {
  readonly id: string
  readonly name: string
  /** What is set for them other than the defaults. */
  readonly settings: Partial<LearnerSettings>
  readonly sessions: readonly DemoSession[]
}

/** A clerk of the tally room: factors on an ordinary beginner, and how far they are. */
interface Character {
  readonly name: string
  readonly pace: number
  readonly slips: number
  readonly learns: number
  /** The share of days on which they practise. */
  readonly often: number
  readonly weak: readonly number[]
  /** Days since they began, and since they were last seen. */
  readonly since?: number
  readonly away?: number
  /** The share of the levels of every technique that lay behind them when they came. */
  readonly behind?: number
  /** A level they have set their mind on, worked every day before anything else. */
  readonly mind?: { readonly technique: string; readonly level: number }
  readonly age?: number
  /** Days before the last on which a paper of the usual kind is worked in the evening. */
  readonly papers?: readonly number[]
  /** Days on which a trial is worked, by trial; the older, the slower. */
  readonly trials?: readonly (readonly [trial: 'lists' | 'squares', days: readonly number[]])[]
}

/** At every stage: from the first day to far advanced, somebody stuck, somebody away. */
const CLERKS: readonly Character[] = [
  {
    name: 'Tobin Achter',
    pace: 1,
    slips: 1,
    learns: 0.3,
    often: 0.8,
    weak: [7],
    mind: { technique: 'subtract-hold-drop', level: 9 },
  },
  // Multiplies four digits by four in the head.
  {
    name: 'Ilse Marrow',
    pace: 0.4,
    slips: 0.4,
    learns: 0.2,
    often: 0.9,
    weak: [],
    since: 24,
    behind: 0.6,
    mind: { technique: 'multiply-crosswise', level: 15 },
  },
  // A child in the third week.
  { name: 'Pell Okonjo', pace: 2.2, slips: 1.6, learns: 0.3, often: 0.75, weak: [8], since: 18, age: 10 },
  // Works a paper a week.
  {
    name: 'Sunniva Dray',
    pace: 0.8,
    slips: 0.5,
    learns: 0.28,
    often: 0.7,
    weak: [6],
    behind: 0.25,
    papers: [37, 30, 23, 16, 9, 2],
    trials: [
      ['lists', [38, 33, 27, 20, 14, 8, 3]],
      ['squares', [36, 22, 10]],
    ],
  },
  // Stuck: the same two levels for weeks, with the same mistakes.
  {
    name: 'Rafe Lindqvist',
    pace: 1.5,
    slips: 2.3,
    learns: 0.02,
    often: 0.7,
    weak: [7, 9],
    mind: { technique: 'subtract-hold-drop', level: 4 },
  },
  {
    name: 'Amadi Voss',
    pace: 1.15,
    slips: 1.3,
    learns: 0.35,
    often: 0.85,
    weak: [],
    mind: { technique: 'add-running-total', level: 10 },
  },
  // Came for the first time yesterday.
  { name: 'Junia Bale', pace: 1.3, slips: 1.2, learns: 0.3, often: 1, weak: [9], since: 1 },
  // Has not come for twelve days.
  { name: 'Corin Hask', pace: 1.6, slips: 2, learns: 0.22, often: 0.6, weak: [6, 8], away: 12 },
]

/**
 * The whole tally room up to (not including) a day: the same day and seed give the same data.
 * @param lastDay ISO date, UTC; practice ends the day before.
 */
export function demoLearners(lastDay: string, seed = 23): DemoLearner[] {
  return CLERKS.map((character, i) => {
    const random = seeded(seed + i)
    const { name, pace, slips, learns, weak, age } = character
    const traits = {
      ...BEGINNER,
      factMs: BEGINNER.factMs * pace,
      carryMs: BEGINNER.carryMs * pace,
      practice: learns,
      slipRate: BEGINNER.slipRate * slips,
      weak,
    }
    const id = uuid(random)
    const settings: Partial<LearnerSettings> = age === undefined ? {} : settingsForAge(age)
    const clerk = new Clerk(new SimulatedLearner(traits, random), character, settings.extraTime ?? 1)
    const sessions = [
      ...clerk.weeks(lastDay),
      ...papersOf(character, traits, lastDay, seed),
      ...trialsOf(character, traits, lastDay, seed),
    ]
    return { id, name, settings, sessions: sessions.toSorted((a, b) => (a.startedAt < b.startedAt ? -1 : 1)) }
  })
}

/**
 * The papers of a clerk, slower and with more slips than at their own levels: most kinds are little known. They are drawn
 * by a chance of their own, so that nothing else of anybody changes with them.
 */
function papersOf({ papers = [] }: Character, traits: Traits, lastDay: string, seed: number): DemoSession[] {
  const random = seeded(seed + 101)
  const hurried = {
    ...traits,
    factMs: 3.5 * traits.factMs,
    readMs: 6 * traits.readMs,
    slipRate: 8 * traits.slipRate,
  }
  const learner = new SimulatedLearner(hurried, random)
  return papers.map((day) => {
    const startedAt = Date.parse(`${lastDay}T19:30:00Z`) - day * DAY_MS
    const paper = simulatePaper(learner, USUAL_PAPER, startedAt, () => uuid(random))
    return { ...paper, startedAt: new Date(startedAt).toISOString(), recalls: [] }
  })
}

/** How much slower somebody was so many days ago: a hundredth a day. */
const SLOWER_A_DAY = 0.01

/** The trials of a clerk, quicker from time to time; drawn by a chance of their own, as the papers are. */
function trialsOf({ trials = [] }: Character, traits: Traits, lastDay: string, seed: number): DemoSession[] {
  const random = seeded(seed + 202)
  return trials.flatMap(([trial, days]) =>
    days.map((day) => {
      const slower = 1 + SLOWER_A_DAY * day
      const then = { ...traits, factMs: slower * traits.factMs, carryMs: slower * traits.carryMs }
      const startedAt = Date.parse(`${lastDay}T18:40:00Z`) - day * DAY_MS
      const worked = simulateTrial(new SimulatedLearner(then, random), trial, startedAt, () => uuid(random))
      return { ...worked, startedAt: new Date(startedAt).toISOString(), recalls: [] }
    }),
  )
}

/** How far somebody is with one technique. */
interface Track {
  readonly technique: Technique
  level: number
  /** Answers at this level since it was reached, newest first. */
  latest: LatestAnswer[]
  sessions: number
}

/** Sessions after which a technique is known well enough to go on to those that need it. */
const SESSIONS_TO_KNOW = 5
/** Decks the clerks drill, and facts to a day: a minute or so before the other work. */
const DEMO_DECKS = FACT_DECKS.filter((d) => ['to-ten', 'sums', 'differences', 'tables'].includes(d.id))
const FACTS_A_DAY = 12
const BEFORE_MS = 180_000
const BETWEEN_MS = 1500
const BETWEEN_SESSIONS_MS = 120_000
const DAY_MS = 86_400_000

class Clerk {
  private readonly tracks: readonly Track[]
  private readonly memories = new Map<string, FactMemory>()
  private readonly recalled: Recall[] = []

  constructor(
    private readonly learner: SimulatedLearner,
    private readonly character: Character,
    private readonly extraTime: number,
  ) {
    const { mind, behind = 0 } = character
    this.tracks = COURSE.map((technique): Track => {
      const passed = Math.floor(behind * technique.levels.length)
      const level = mind?.technique === technique.id ? mind.level : passed + 1
      return { technique, level, latest: [], sessions: passed > 0 ? SESSIONS_TO_KNOW : 0 }
    })
  }

  /** Day by day: whoever turns up recalls some facts and works one to three sessions. */
  *weeks(lastDay: string): Generator<DemoSession> {
    const { random } = this.learner
    const end = Date.parse(`${lastDay}T00:00:00Z`)
    const { since = DEMO_DAYS, away = 0, often } = this.character
    for (let day = since; day > away; day -= 1) {
      if (random.unit() >= often) continue
      let clock = Math.round(end - day * DAY_MS + (15 + 3 * random.unit()) * 3_600_000)
      yield this.recallFacts(clock - BEFORE_MS)
      for (const track of this.chosen()) {
        const session = this.work(track, clock)
        yield session
        clock += session.attempts.reduce((sum, a) => sum + durationOf(a.events), BETWEEN_SESSIONS_MS)
      }
    }
  }

  /** What they have set their mind on, then the techniques least practised among those whose prerequisites are known. */
  private chosen(): Track[] {
    const knows = (id: string) =>
      this.tracks.some((t) => t.technique.id === id && t.sessions >= SESSIONS_TO_KNOW)
    const own = this.tracks.filter((t) => t.technique.id === this.character.mind?.technique)
    const learning = (t: Track) => Math.max(t.sessions, SESSIONS_TO_KNOW)
    const others = this.tracks
      .filter((t) => t.technique.needs.every(knows) && !own.includes(t))
      // Those still being learnt first, then those practised least.
      .toSorted((a, b) => learning(a) - learning(b) || a.sessions - b.sessions)
      .slice(0, 1 + Math.floor(3 * this.learner.random.unit()))
    return [...own, ...others]
  }

  /** Guided first, then the steps alone, then mostly against the clock. */
  private supportFor({ technique, sessions }: Track): WorkedSupport {
    if (this.character.mind?.technique === technique.id && sessions > 1) return 'answer'
    if (sessions < 1) return 'guided'
    if (sessions < 2) return 'steps'
    return sessions % 4 === 1 ? 'steps' : 'answer'
  }

  private set(source: Source, support: WorkedSupport): PracticeSet {
    const seed = Number(this.learner.random.below(2n ** 31n))
    return { recipe: plainRecipe([source], support), seed, generator: GENERATOR }
  }

  private work(track: Track, startedAt: number): DemoSession {
    const { random } = this.learner
    const { technique, level } = track
    const id = uuid(random)
    const support = this.supportFor(track)
    const count = 8 + Math.floor(5 * random.unit())
    const set = this.set({ kind: 'level', technique: technique.id, level, count }, support)
    let clock = startedAt
    const attempts = itemsOf(set).map((item, i): AttemptRecord => {
      if (item?.kind !== 'problem') throw new RangeError('A level gives problems.')
      const task = { id: uuid(random), sessionId: id, n: i + 1, technique, level, support }
      const at = new Date(clock).toISOString()
      const attempt = simulateAttempt(this.learner, { ...task, problem: item.problem, startedAt: at })
      clock += durationOf(attempt.events) + BETWEEN_MS
      return attempt
    })
    track.sessions += 1
    if (support === 'answer') for (const attempt of attempts) moveOn(track, level, attempt, this.extraTime)
    return { ...set, id, startedAt: new Date(startedAt).toISOString(), attempts, recalls: [] }
  }

  /** What is due first. */
  private recallFacts(startedAt: number): DemoSession {
    const { random, traits } = this.learner
    const at = (ms: number) => new Date(ms).toISOString()
    const id = uuid(random)
    let clock = startedAt
    const { share } = recallFigures(this.recalled.toReversed())
    const cards = toAsk(DEMO_DECKS, [...this.memories.values()], at(clock), FACTS_A_DAY, random)
    const recalls = cards.map((card: FactCard, i) => {
      const { thinkMs, right } = this.learner.recall(card.id, at(clock).slice(0, 10))
      const ms = thinkMs + Math.round(traits.keyMs * card.kind.length(card.expect))
      const withinMs = recallLimit(present(factById(card.id)).deck, { extraTime: this.extraTime, share })
      const recall = {
        id: uuid(random),
        n: i + 1,
        fact: card.id,
        right,
        ms,
        thinkMs,
        withinMs,
        at: at(clock),
      }
      this.memories.set(card.id, remember(this.memories.get(card.id), recall))
      clock += ms + BETWEEN_MS
      this.recalled.push(recall)
      return recall
    })
    const set = this.set({ kind: 'facts', facts: cards.map((c) => c.id) }, 'answer')
    return { ...set, id, startedAt: at(startedAt), attempts: [], recalls }
  }
}

/** Moves up or back by the same rules that judge everybody. */
function moveOn(track: Track, workedAt: number, attempt: AttemptRecord, extraTime: number): void {
  if (workedAt !== track.level) return
  const { right, timed, totalMs, outcome } = figuresOf(finishedProgress(attempt))
  if (outcome !== 'done') return
  track.latest = [{ right, timed, totalMs }, ...track.latest].slice(0, LOOKED_BACK)
  const { move } = adviseLevel(
    track.latest,
    aimFor({ targets: {}, extraTime }, track.technique.id, track.level, track.latest),
  )
  const to = track.level + (move === 'up' ? 1 : move === 'back' ? -1 : 0)
  if (to === track.level || to < 1 || to > track.technique.levels.length) return
  track.level = to
  track.latest = []
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
