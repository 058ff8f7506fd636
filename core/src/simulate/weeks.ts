/**
 * Weeks of practice of a pupil, to see what so many minutes a day may give, and whether a plan is better than other ways.
 */

import { adviseLevel, aimFor, type LatestAnswer, type Targets } from '../curriculum/levels.js'
import {
  isKnown,
  type LatestAt,
  type Mastery,
  type Move,
  masteryOf,
  withMove,
  withSession,
} from '../curriculum/mastery.js'
import { PAST_SESSIONS, type PastSession } from '../curriculum/retention.js'
import { cardOfFact, factById } from '../facts/decks.js'
import {
  type FactMemory,
  isRecalled,
  type Recall,
  type RecallFigures,
  recallFigures,
  recallLimit,
  remember,
} from '../learner/recall.js'
import { DEFAULT_SETTINGS } from '../learner/settings.js'
import { slowFacts, type Timed, timesOf } from '../learner/times.js'
import { dayAfter } from '../number/days.js'
import { present } from '../number/present.js'
import { type Random, seeded } from '../number/random.js'
import { median } from '../number/statistics.js'
import type { Place, PlanInput, PlanItem } from '../plan/input.js'
import { recalledOn } from '../plan/week.js'
import type { Problem } from '../problem/problem.js'
import { draw } from '../problem/space.js'
import { levelOf, techniqueById } from '../registry/techniques.js'
import type { Support, WorkedSupport } from '../session/support.js'
import type { Traits } from './learner.js'
import { nextItem, type Policy } from './policies.js'
import { type Pupil, type PupilWork, simulatedPupil } from './pupil.js'

/** How weeks of practice go. */
export interface Practice {
  readonly minutes: number
  readonly policy: Policy
  /** Targets are so many times as long; 1 when left out. */
  readonly extraTime?: number
  /** Targets of one's own, in milliseconds, by technique and level. */
  readonly targets?: Targets
  /** The techniques to be learnt, in teaching order. */
  readonly goal: readonly string[]
  readonly seed: number
}

/** What is simulated. */
export interface SimulationInput extends Practice {
  /** How the learner learns and slips. */
  readonly traits: Traits
  /** Days in which unused practice of a fact fades by half. */
  readonly fadeDays: number
  /** How many days are simulated. */
  readonly days: number
  /** The share of days on which there is practice at all. */
  readonly attendance: number
}

/** What a simulated day came to. */
export interface SimulatedDay {
  /** Days since the beginning, from 1. */
  readonly day: number
  /** Minutes practised up to and with this day. */
  readonly minutes: number
  /** Techniques of the goal that are known: at target without steps. */
  readonly known: number
  /** Techniques of the goal that have been moved up to the middle of their levels. */
  readonly halfway: number
  /** Level moves up so far. */
  readonly moves: number
}

export const FIRST_DAY = '2026-01-05'
const WATCH_MS = 30_000
const BETWEEN_MS = 3000
const BETWEEN_FACTS_MS = 600
const KEPT_STEPS = 400
const KEPT_RECALLS = 100

/** Day by day. @throws InputError for an unknown technique */
export function* simulate(input: SimulationInput): Generator<SimulatedDay> {
  const { traits, fadeDays, attendance, seed } = input
  const weeks = new Weeks(simulatedPupil(traits, fadeDays, attendance, seed), input)
  let minutes = 0
  for (let d = 1; d <= input.days; d += 1) {
    minutes += weeks.live(dayAfter(FIRST_DAY, d - 1)) / 60_000
    yield { day: d, minutes, known: weeks.known().length, halfway: weeks.halfway(), moves: weeks.movesUp }
  }
}

/** The first day by which the whole goal is known, with the minutes it took; undefined when it is not in those days. */
export function goalReached(input: SimulationInput): SimulatedDay | undefined {
  for (const day of simulate(input)) if (day.known === input.goal.length) return day
  return undefined
}

/** What a pupil did on one day. */
export interface DayDone {
  readonly items: readonly PlanItem[]
  readonly recalls: readonly { readonly fact: string; readonly again: boolean; readonly first: boolean }[]
}

export class Weeks {
  movesUp = 0
  /** What was done on the latest day of practice. */
  today: DayDone = { items: [], recalls: [] }
  private readonly random: Random
  private readonly sources = new Map<string, Generator<Problem, void>>()
  private latest: LatestAt[] = []
  private moves: Move[] = []
  private past: PastSession[] = []
  private memories = new Map<string, FactMemory>()
  private timed: Timed[] = []
  private recalls: Recall[] = []
  private read: readonly Mastery[] | undefined
  private turn = 0
  private done = new Map<string, number>()
  private day = FIRST_DAY
  /** Facts found slow, as they stood when the day began. */
  private slow: readonly string[] = []
  private figures: RecallFigures = recallFigures([])

  constructor(
    private readonly pupil: Pupil,
    private readonly practice: Practice,
  ) {
    this.random = seeded(100_000 + practice.seed)
  }

  private get aims() {
    const { targets = {}, extraTime = 1 } = this.practice
    return { targets, extraTime }
  }

  private mastery(): readonly Mastery[] {
    const { latest, moves, past } = this
    this.read ??= masteryOf({ latest, moves, past, now: this.at(0), ...this.aims })
    return this.read
  }

  known(): readonly Mastery[] {
    return this.mastery().filter((m) => isKnown(m) && this.practice.goal.includes(m.technique.id))
  }

  halfway(): number {
    const levelOn = (id: string) => this.moves.find((m) => m.technique === id)?.to ?? 1
    return this.practice.goal.filter((id) => levelOn(id) > techniqueById(id).levels.length / 2).length
  }

  /** A day, with practice or without. @returns the milliseconds practised */
  live(day: string): number {
    this.today = { items: [], recalls: [] }
    return this.pupil.comes(day) ? this.practise(day) : 0
  }

  private practise(day: string): number {
    this.day = day
    this.read = undefined
    const most = this.practice.minutes * 60_000
    let clock = 0
    this.done = new Map()
    this.slow = slowFacts(timesOf(this.timed, [], this.pupil.keyMs)).map((s) => s.fact)
    this.figures = recallFigures(this.recalls)
    for (let item = this.next(); item && clock < most; item = this.next()) {
      this.today = { ...this.today, items: [...this.today.items, item] }
      const until = Math.min(most, clock + item.minutes * 60_000)
      const from = clock
      clock = this.item(item, clock, until)
      if (clock === from) break
    }
    return clock
  }

  private at(clock: number): string {
    return new Date(Date.parse(`${this.day}T16:00:00Z`) + clock).toISOString()
  }

  /** The next item of the day; undefined when it is over. */
  private next(): PlanItem | undefined {
    const { goal, policy } = this.practice
    this.turn += 1
    return nextItem(policy, this.input(), { goal, turn: this.turn, random: this.random })
  }

  private input(): PlanInput {
    const memories = [...this.memories.values()]
    return {
      settings: { ...DEFAULT_SETTINGS, ...this.aims, minutes: this.practice.minutes },
      day: this.day,
      now: this.at(0),
      memories,
      slow: this.slow,
      recall: this.figures,
      mastery: this.mastery(),
      slips: [],
      metToday: recalledOn(memories, this.day, (at) => at.slice(0, 10)),
      done: this.done,
    }
  }

  private recall(facts: readonly string[], from: number, until: number): number {
    let clock = from
    const missed: string[] = []
    for (const fact of facts) {
      if (clock >= until) break
      const { thinkMs, right, keys, ms } = this.askFact(fact)
      const before = this.memories.get(fact)
      const pace = { extraTime: this.aims.extraTime, share: this.figures.share }
      const withinMs = recallLimit(present(factById(fact)).deck, pace)
      const recall = { fact, right, ms, thinkMs, withinMs, at: this.at(clock) }
      const one = { fact, again: !isRecalled(recall), first: before === undefined }
      this.today = { ...this.today, recalls: [...this.today.recalls, one] }
      this.memories.set(fact, remember(before, recall))
      this.recalls = [recall, ...this.recalls].slice(0, KEPT_RECALLS)
      this.keep({ facts: [fact], carries: 0, kind: 'recall', keys, ms, right })
      clock += ms + BETWEEN_FACTS_MS
      if (one.again) missed.push(fact)
    }
    // What was missed comes once more in the round; only the first time tells what is remembered.
    for (const fact of missed) if (clock < until) clock += this.askFact(fact).ms + BETWEEN_FACTS_MS
    return clock
  }

  private askFact(fact: string) {
    const { kind, expect } = present(factById(fact)).card
    const keys = kind.length(expect)
    const { thinkMs, right } = this.pupil.recall(fact, this.day)
    return { thinkMs, right, keys, ms: thinkMs + this.pupil.keyMs * keys }
  }

  private item(item: PlanItem, from: number, until: number): number {
    const count = (id: string, since: number, to: number) => {
      this.done.set(id, (this.done.get(id) ?? 0) + (to - since) / 60_000)
      return to
    }
    if (item.kind === 'facts') return count('facts', from, this.recall(item.facts, from, until))
    if (item.kind !== 'mixed') return count(item.id, from, this.session(item, from, until))
    return item.of.reduce(
      (clock, { id, level }) =>
        count(
          id,
          clock,
          this.session({ id, level, support: 'answer', problems: item.problems }, clock, until),
        ),
      from,
    )
  }

  private session(
    item: Place & { readonly support: Support; readonly problems: number },
    from: number,
    until: number,
  ): number {
    const technique = techniqueById(item.id)
    const key = `${item.id} ${item.level}`
    let clock = from
    if (item.support === 'watch') clock += WATCH_MS
    const support: WorkedSupport = item.support === 'watch' ? 'guided' : item.support
    const source = this.sources.get(key) ?? draw(levelOf(technique, item.level).problems(), this.random)
    this.sources.set(key, source)
    const firm = technique.needs.every(
      (id) => !this.practice.goal.includes(id) || this.known().some((m) => m.technique.id === id),
    )
    const worked: LatestAnswer[] = []
    for (let n = 0; n < item.problems && clock < until; n += 1) {
      const problem = source.next().value
      if (!problem) break
      const one = this.pupil.work(technique, problem, support, { day: this.day, firm })
      const { right, skipped, totalMs } = one
      worked.unshift({ right, timed: !skipped, totalMs })
      if (support !== 'answer') this.keepSteps(one)
      clock += one.totalMs + BETWEEN_MS
    }
    if (worked.length > 0)
      this.record({
        technique: technique.id,
        level: item.level,
        support,
        at: this.at(from),
        answers: worked,
      })
    return clock
  }

  private keepSteps({ steps }: PupilWork): void {
    for (const { step, ms, slip } of steps)
      this.keep({
        facts: step.facts.map((f) => cardOfFact(f)?.id ?? f),
        carries: step.carries,
        kind: step.action,
        keys: step.kind.print(step.expect).length,
        ms,
        right: !slip,
      })
  }

  private keep(timed: Timed): void {
    this.timed.push(timed)
    if (this.timed.length > KEPT_STEPS) this.timed = this.timed.slice(-KEPT_STEPS / 2)
  }

  private record(session: LatestAt): void {
    const { technique, level, support, at } = session
    const right = session.answers.filter((a) => a.right).length
    const medianMs = median(session.answers.filter((a) => a.timed).map((a) => a.totalMs)) ?? null
    const past = { technique, level, support, at, answers: session.answers.length, right, medianMs }
    const its = this.past.filter((s) => s.technique === technique)
    this.past = [...this.past.filter((s) => s.technique !== technique), ...its.slice(1 - PAST_SESSIONS), past]
    this.latest = withSession(this.latest, session)
    this.read = undefined
    const inForce = this.moves.find((m) => m.technique === technique)?.to ?? level
    if (support !== 'answer' || level !== inForce) return
    const { answers } = present(this.latest.at(-1))
    const { move } = adviseLevel(answers, aimFor(this.aims, technique, level, answers))
    const to = level + (move === 'up' ? 1 : move === 'back' ? -1 : 0)
    if (to === level || to < 1 || to > techniqueById(technique).levels.length) return
    const moved: Move = { technique, to, by: 'rule' }
    this.moves = [...this.moves.filter((m) => m.technique !== technique), moved]
    this.latest = withMove(this.latest, moved)
    if (move === 'up') this.movesUp += 1
  }
}
