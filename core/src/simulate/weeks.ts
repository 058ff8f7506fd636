/**
 * Weeks of practice of a simulated learner, to see what so many minutes a day may give, and whether a plan is better
 * than chance. Beside what `learner.ts` assumes: a problem worked before the techniques it needs are known teaches less
 * than half as much.
 */
import { adviseLevel, aimFor, type LatestAnswer } from '../curriculum/levels.js'
import {
  type LatestAt,
  type Mastery,
  type Move,
  masteryOf,
  withMove,
  withSession,
} from '../curriculum/mastery.js'
import { cardOfFact, FACT_DECKS, factById } from '../facts/decks.js'
import { type FactMemory, remember } from '../learner/recall.js'
import { DEFAULT_SETTINGS } from '../learner/settings.js'
import { slowFacts, type Timed, timesOf } from '../learner/times.js'
import { dayAfter } from '../number/days.js'
import { toText } from '../number/decimal.js'
import { seeded } from '../number/random.js'
import { nextSupport, type PlanItem, planDay, sessionLength } from '../plan/today.js'
import { recalledOn } from '../plan/week.js'
import type { Problem } from '../problem/problem.js'
import { draw } from '../problem/space.js'
import { levelOf, TECHNIQUES, techniqueById } from '../registry/techniques.js'
import type { WorkedSupport } from '../session/support.js'
import type { Technique } from '../technique/contract.js'
import { trace, variantOf } from '../technique/driver.js'
import { SimulatedLearner, type Traits } from './learner.js'

/** How what to practise is chosen: by the plan, by chance, or one technique after the other, each as often. */
export const POLICIES = ['plan', 'random', 'fixed'] as const
export type Policy = (typeof POLICIES)[number]

export interface SimulationInput {
  readonly traits: Traits
  /** Days in which unused practice of a fact fades by half. */
  readonly fadeDays: number
  readonly minutes: number
  readonly days: number
  /** The share of days on which there is practice at all. */
  readonly attendance: number
  readonly policy: Policy
  /** Targets are so many times as long; 1 when left out. */
  readonly extraTime?: number
  /** The techniques to be learnt, in teaching order. */
  readonly goal: readonly string[]
  readonly seed: number
}

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

const FIRST_DAY = '2026-01-05'
/** A problem on ground that is not firm yet teaches so much of one. */
const SHAKY = 0.4
const WATCH_MS = 30_000
const BETWEEN_MS = 3000
const BETWEEN_FACTS_MS = 600
const KEPT_STEPS = 400
/** What chance and a fixed order give a day: facts to recall, and the shares of facts, one technique, another. */
const UNPLANNED = { facts: 16, factShare: 0.2, shares: [0.5, 0.3], leastMinutes: 0.1 } as const

/** Day by day. @throws InputError for an unknown technique */
export function* simulate(input: SimulationInput): Generator<SimulatedDay> {
  const weeks = new Weeks(input)
  let minutes = 0
  for (let d = 1; d <= input.days; d += 1) {
    if (weeks.comesToday()) minutes += weeks.practise(dayAfter(FIRST_DAY, d - 1)) / 60_000
    yield { day: d, minutes, known: weeks.known().length, halfway: weeks.halfway(), moves: weeks.movesUp }
  }
}

/** The first day by which the whole goal is known, with the minutes it took; undefined when it is not in those days. */
export function goalReached(input: SimulationInput): SimulatedDay | undefined {
  for (const day of simulate(input)) if (day.known === input.goal.length) return day
  return undefined
}

class Weeks {
  movesUp = 0
  private readonly learner: SimulatedLearner
  private readonly sources = new Map<string, Generator<Problem, void>>()
  private latest: LatestAt[] = []
  private moves: Move[] = []
  private memories = new Map<string, FactMemory>()
  private timed: Timed[] = []
  private read: readonly Mastery[] | undefined
  private turn = 0
  private done = new Map<string, number>()
  private picked: readonly string[] = []
  private day = FIRST_DAY
  /** Facts found slow, as they stood when the day began. */
  private slow: readonly string[] = []

  private readonly extraTime: number

  constructor(private readonly input: SimulationInput) {
    this.extraTime = input.extraTime ?? 1
    this.learner = new SimulatedLearner(input.traits, seeded(input.seed), input.fadeDays)
  }

  comesToday(): boolean {
    return this.learner.random.unit() < this.input.attendance
  }

  private mastery(): readonly Mastery[] {
    this.read ??= masteryOf({ latest: this.latest, moves: this.moves, extraTime: this.extraTime })
    return this.read
  }

  known(): readonly Mastery[] {
    return this.mastery().filter((m) => m.state === 'known' && this.input.goal.includes(m.technique.id))
  }

  halfway(): number {
    const levelOn = (id: string) => this.moves.find((m) => m.technique === id)?.to ?? 1
    return this.input.goal.filter((id) => levelOn(id) > techniqueById(id).levels.length / 2).length
  }

  /** One day's practice. @returns the milliseconds it took */
  practise(day: string): number {
    this.day = day
    const most = this.input.minutes * 60_000
    let clock = 0
    this.done = new Map()
    if (this.input.policy === 'plan')
      this.slow = slowFacts(timesOf(this.timed, [], this.input.traits.keyMs)).map((s) => s.fact)
    for (let item = this.next(); item && clock < most; item = this.next()) {
      const until = Math.min(most, clock + item.minutes * 60_000)
      const from = clock
      clock = item.kind === 'facts' ? this.recall(item.facts, clock, until) : this.session(item, clock, until)
      this.done.set(item.id, (this.done.get(item.id) ?? 0) + (clock - from) / 60_000)
    }
    this.turn += 1
    return clock
  }

  private at(clock: number): string {
    return new Date(Date.parse(`${this.day}T16:00:00Z`) + clock).toISOString()
  }

  /** The next item of the day; undefined when it is over. */
  private next(): PlanItem | undefined {
    return this.input.policy === 'plan' ? this.planned() : this.unplanned()
  }

  private planned(): PlanItem | undefined {
    const { minutes, goal } = this.input
    const banned = TECHNIQUES.map((t) => t.id).filter((id) => !goal.includes(id))
    return planDay({
      settings: { ...DEFAULT_SETTINGS, minutes, banned, extraTime: this.extraTime },
      day: this.day,
      now: this.at(0),
      memories: [...this.memories.values()],
      slow: this.slow,
      mastery: this.mastery(),
      slips: [],
      metToday: recalledOn([...this.memories.values()], this.day, (at) => at.slice(0, 10)),
      done: this.done,
    })[0]
  }

  /** The same shares of the day as the plan has; support goes in the same way. */
  private unplanned(): PlanItem | undefined {
    const { policy, minutes, goal } = this.input
    const left = minutes - [...this.done.values()].reduce((sum, m) => sum + m, 0)
    const pick = (many: number, n: number) => (policy === 'random' ? this.below(many) : n % many)
    if (!this.done.has('facts')) {
      const cards = FACT_DECKS.filter((d) => DEFAULT_SETTINGS.decks.includes(d.id)).flatMap((d) => d.cards)
      const facts = Array.from(
        { length: UNPLANNED.facts },
        (_, i) => cards[pick(cards.length, this.turn * UNPLANNED.facts + i)]!.id,
      )
      this.picked = UNPLANNED.shares.map((_, n) => goal[pick(goal.length, 2 * this.turn + n)]!)
      const share = UNPLANNED.factShare * minutes
      return { kind: 'facts', id: 'facts', facts, minutes: share, because: '', pinned: false }
    }
    const shareOf = (i: number) => UNPLANNED.shares[i]! * minutes
    const id = this.picked.find((p, i) => (this.done.get(p) ?? 0) < shareOf(i))
    if (!id || left <= UNPLANNED.leastMinutes) return undefined
    const mastery = this.mastery().find((m) => m.technique.id === id)!
    const support = nextSupport(mastery)
    return {
      kind: 'edge',
      id,
      level: mastery.worked?.level ?? 1,
      support,
      problems: sessionLength(support, mastery),
      minutes: shareOf(this.picked.indexOf(id)) - (this.done.get(id) ?? 0),
      because: '',
      pinned: false,
    }
  }

  private recall(facts: readonly string[], from: number, until: number): number {
    let clock = from
    for (const fact of facts) {
      if (clock >= until) break
      const { kind, expect } = factById(fact)!.card
      const keys = kind.length(expect)
      const { thinkMs, right } = this.learner.recall(fact, this.day)
      const ms = thinkMs + this.input.traits.keyMs * keys
      const recall = { fact, right, ms, thinkMs, at: this.at(clock) }
      this.memories.set(fact, remember(this.memories.get(fact), recall))
      this.keep({ facts: [fact], carries: 0, kind: 'recall', keys, ms, right })
      clock += ms + BETWEEN_FACTS_MS
    }
    return clock
  }

  private session(item: Exclude<PlanItem, { kind: 'facts' }>, from: number, until: number): number {
    const technique = techniqueById(item.id)
    const key = `${item.id} ${item.level}`
    let clock = from
    if (item.support === 'watch') clock += WATCH_MS
    const support: WorkedSupport = item.support === 'watch' ? 'guided' : item.support
    const source =
      this.sources.get(key) ?? draw(levelOf(technique, item.level).problems(), this.learner.random)
    this.sources.set(key, source)
    const firm = technique.needs.every(
      (id) => !this.input.goal.includes(id) || this.known().some((m) => m.technique.id === id),
    )
    const worked: LatestAnswer[] = []
    for (let n = 0; n < item.problems && clock < until; n += 1) {
      const problem = source.next().value
      if (!problem) break
      const one = this.work(technique, problem, support)
      worked.unshift(one)
      this.learner.practised(item.id, this.day, firm ? 1 : SHAKY)
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

  /** A problem is worked: with the answer alone asked a mistake is seen at the end, else it is mended at its step. */
  private work(technique: Technique, problem: Problem, support: WorkedSupport): LatestAnswer {
    let totalMs = 0
    let right = true
    const whole = trace(technique, problem, variantOf(technique))
    for (const step of whole.steps) {
      const { ms, slip } = this.learner.tryStep(technique, step, support, this.day)
      if (slip) right = false
      if (support !== 'answer')
        this.keep({
          facts: step.facts.map((f) => cardOfFact(f)?.id ?? f),
          carries: step.carries,
          kind: step.action,
          keys: toText(step.expect).length,
          ms,
          right: !slip,
        })
      totalMs += ms * (slip ? 2 : 1)
    }
    const keys = support === 'answer' ? this.input.traits.keyMs * toText(whole.answer).length : 0
    return { right, timed: true, totalMs: Math.round(totalMs + keys) }
  }

  private keep(timed: Timed): void {
    this.timed.push(timed)
    if (this.timed.length > KEPT_STEPS) this.timed = this.timed.slice(-KEPT_STEPS / 2)
  }

  private record(session: LatestAt): void {
    const { technique, level } = session
    this.latest = withSession(this.latest, session)
    this.read = undefined
    if (session.support !== 'answer') return
    const { answers } = this.latest.at(-1)!
    const aims = { targets: {}, extraTime: this.extraTime }
    const { move } = adviseLevel(answers, aimFor(aims, technique, level, answers))
    const to = level + (move === 'up' ? 1 : move === 'back' ? -1 : 0)
    if (to === level || to < 1 || to > techniqueById(technique).levels.length) return
    const moved: Move = { technique, to, by: 'rule' }
    this.moves = [...this.moves.filter((m) => m.technique !== technique), moved]
    this.latest = withMove(this.latest, moved)
    if (move === 'up') this.movesUp += 1
  }

  private below(n: number): number {
    return Math.floor(this.learner.random.unit() * n)
  }
}
