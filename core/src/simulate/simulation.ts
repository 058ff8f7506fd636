/**
 * Weeks of practice of a simulated learner, to see what so many minutes a day may give, and whether a plan is better
 * than chance. What is assumed, all of it stated here:
 * - a fact comes faster with every use, by the power law of practice, and its uses fade by half in `fadeDays`;
 * - the rest of a technique's steps come faster with its problems in the same way; a problem worked before the
 *   techniques it needs are known teaches less than half as much;
 * - slips grow rarer as the times grow shorter; asking step by step costs reading.
 */

import { adviseLevel, type LatestAnswer, LEVEL_RULES } from '../curriculum/levels.js'
import { type Readiness, type Result, readiness } from '../curriculum/readiness.js'
import { standsOf } from '../curriculum/stands.js'
import { cardOfFact, FACT_DECKS, factById } from '../facts/decks.js'
import { type FactMemory, remember } from '../learner/recall.js'
import { DEFAULT_SETTINGS } from '../learner/settings.js'
import { slowFacts, type Timed, timesOf } from '../learner/times.js'
import { dayAfter, daysBetween } from '../number/days.js'
import { toText } from '../number/decimal.js'
import { normal, type Random, seeded } from '../number/random.js'
import { median } from '../number/statistics.js'
import { nextSupport, type PlanItem, planDay, sittingLength } from '../plan/today.js'
import type { Problem } from '../problem/problem.js'
import { draw } from '../problem/space.js'
import { levelOf, TECHNIQUES, techniqueById } from '../registry/techniques.js'
import type { WorkedSupport } from '../session/support.js'
import type { School, Step, Technique } from '../technique/contract.js'
import { schoolOf, trace } from '../technique/driver.js'
import type { Habits } from './simulated.js'

/** How what to practise is chosen: by the plan, by chance, or one technique after the other, each as often. */
export const POLICIES = ['plan', 'random', 'fixed'] as const
export type Policy = (typeof POLICIES)[number]

export interface SimulationInput {
  readonly habits: Habits
  /** Days in which unused practice of a fact fades by half. */
  readonly fadeDays: number
  readonly minutes: number
  readonly days: number
  /** The share of days on which there is practice at all. */
  readonly attendance: number
  readonly policy: Policy
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
  /** Level moves up so far. */
  readonly moves: number
}

const FIRST_DAY = '2026-01-05'
/** A problem on ground that is not firm yet teaches so much of one. */
const SHAKY = 0.4
const WATCH_MS = 30_000
const BETWEEN_MS = 3000
const KEPT_STEPS = 400
const KEPT_RESULTS = 12

/** Day by day. @throws InputError for an unknown technique */
export function* simulate(input: SimulationInput): Generator<SimulatedDay> {
  const learner = new Learner(input)
  let minutes = 0
  for (let d = 1; d <= input.days; d += 1) {
    if (learner.random.unit() < input.attendance)
      minutes += learner.practise(dayAfter(FIRST_DAY, d - 1)) / 60_000
    yield { day: d, minutes, known: learner.known().length, moves: learner.moves }
  }
}

/** The first day by which the whole goal is known, with the minutes it took; undefined when it is not in those days. */
export function goalReached(input: SimulationInput): SimulatedDay | undefined {
  for (const day of simulate(input)) if (day.known === input.goal.length) return day
  return undefined
}

class Learner {
  readonly random: Random
  moves = 0
  private readonly uses = new Map<string, { count: number; day: string }>()
  private readonly problems = new Map<string, number>()
  private readonly sources = new Map<string, Generator<Problem, void>>()
  private readonly levels = new Map<string, number>()
  private readonly latest = new Map<string, LatestAnswer[]>()
  private results: Result[] = []
  private memories = new Map<string, FactMemory>()
  private timed: Timed[] = []
  private standing: readonly Readiness[] | undefined
  private turn = 0
  private done = new Map<string, number>()
  private picked: readonly string[] = []
  private day = FIRST_DAY

  constructor(private readonly input: SimulationInput) {
    this.random = seeded(input.seed)
  }

  readiness(): readonly Readiness[] {
    this.standing ??= readiness(this.results, { moves: this.movesMade() })
    return this.standing
  }

  private movesMade() {
    return [...this.levels].map(([technique, to]) => ({ technique, to, by: 'rule' as const }))
  }

  known(): readonly Readiness[] {
    return this.readiness().filter((r) => r.standing === 'known' && this.input.goal.includes(r.technique.id))
  }

  /** One day's practice. @returns the milliseconds it took */
  practise(day: string): number {
    this.day = day
    const most = this.input.minutes * 60_000
    let clock = 0
    this.done = new Map()
    for (let item = this.next(); item && clock < most; item = this.next()) {
      const until = Math.min(most, clock + item.minutes * 60_000)
      const from = clock
      clock = item.kind === 'facts' ? this.recall(item.facts, clock, until) : this.sit(item, clock, until)
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
    const { policy, minutes, goal } = this.input
    const stands = standsOf(this.results, this.movesMade())
    if (policy === 'plan')
      return planDay({
        settings: {
          ...DEFAULT_SETTINGS,
          minutes,
          banned: TECHNIQUES.map((t) => t.id).filter((id) => !goal.includes(id)),
        },
        day: this.day,
        now: this.at(0),
        memories: [...this.memories.values()],
        slow: slowFacts(timesOf(this.timed, [], this.input.habits.keyMs)).map((s) => s.fact),
        readiness: this.readiness(),
        stands,
        slips: [],
        done: this.done,
      })[0]
    // The same shares of the day as the plan has: facts, one technique, another; support goes in the same way.
    const left = minutes - [...this.done.values()].reduce((sum, m) => sum + m, 0)
    if (!this.done.has('facts')) {
      const cards = FACT_DECKS.filter((d) => DEFAULT_SETTINGS.decks.includes(d.id)).flatMap((d) => d.cards)
      const facts = Array.from({ length: 16 }, (_, i) => {
        const at = policy === 'random' ? this.below(cards.length) : (this.turn * 16 + i) % cards.length
        return cards[at]!.id
      })
      this.picked = [0, 1].map(
        (n) => goal[policy === 'random' ? this.below(goal.length) : (2 * this.turn + n) % goal.length]!,
      )
      return { kind: 'facts', id: 'facts', facts, minutes: 0.2 * minutes, because: '', pinned: false }
    }
    const id = this.picked.find((p, i) => (this.done.get(p) ?? 0) < (i === 0 ? 0.5 : 0.3) * minutes)
    if (!id || left <= 0.1) return undefined
    const stand = stands.find((s) => s.technique === id)
    const support = nextSupport(stand)
    const problems = sittingLength(support, stand, LEVEL_RULES)
    const share = (id === this.picked[0] ? 0.5 : 0.3) * minutes - (this.done.get(id) ?? 0)
    const level = this.levels.get(id) ?? 1
    return { kind: 'edge', id, level, support, problems, minutes: share, because: '', pinned: false }
  }

  private recall(facts: readonly string[], from: number, until: number): number {
    let clock = from
    for (const fact of facts) {
      if (clock >= until) break
      const { kind, expect } = factById(fact)!.card
      const keys = kind.length(expect)
      const thinkMs = Math.round(this.factMs(fact) * this.scatter())
      const right = this.random.unit() >= 2 * this.slipRate(thinkMs)
      const ms = thinkMs + this.input.habits.keyMs * keys
      const recall = { fact, right, ms, thinkMs, at: this.at(clock) }
      this.memories.set(fact, remember(this.memories.get(fact), recall))
      this.keep({ facts: [fact], carries: 0, kind: 'recall', keys, ms, right })
      this.use(fact)
      clock += ms + 600
    }
    return clock
  }

  private sit(item: Exclude<PlanItem, { kind: 'facts' }>, from: number, until: number): number {
    const technique = techniqueById(item.id)
    const school = schoolOf(technique)
    const level = this.levels.get(item.id) ?? item.level
    const key = `${item.id} ${level}`
    let clock = from
    if (item.support === 'watch') clock += WATCH_MS
    const support: WorkedSupport = item.support === 'watch' ? 'guided' : item.support
    const source = this.sources.get(key) ?? draw(levelOf(technique, level).problems(), this.random)
    this.sources.set(key, source)
    const firm = technique.needs.every(
      (id) => !this.input.goal.includes(id) || this.known().some((r) => r.technique.id === id),
    )
    const worked: LatestAnswer[] = []
    for (let n = 0; n < item.problems && clock < until; n += 1) {
      const problem = source.next().value
      if (!problem) break
      const { ms, right } = this.work(technique, problem, school, support)
      worked.push({ right, timed: true, totalMs: ms })
      this.problems.set(item.id, (this.problems.get(item.id) ?? 0) + (firm ? 1 : SHAKY))
      clock += ms + BETWEEN_MS
    }
    if (worked.length > 0) this.record(technique, level, support, worked, this.at(from))
    return clock
  }

  private work(
    technique: Technique,
    problem: Problem,
    school: School,
    support: WorkedSupport,
  ): { ms: number; right: boolean } {
    const { keyMs } = this.input.habits
    let ms = 0
    let right = true
    const whole = trace(technique, problem, school)
    for (const step of whole.steps) {
      const think = this.stepMs(technique, step, support) * this.scatter()
      const keys = support === 'answer' ? 0 : toText(step.expect).length
      const slipped = this.random.unit() < this.slipRate(think) * (1 + Math.min(2, step.carries))
      // A slip is seen and mended; with the answer alone asked, at the end.
      if (slipped) right = false
      const taken = think + keyMs * keys + (slipped ? think : 0)
      if (support !== 'answer')
        this.keep({
          facts: step.facts.map((f) => cardOfFact(f)?.id ?? f),
          carries: step.carries,
          kind: step.action,
          keys,
          ms: Math.round(think + keyMs * keys),
          right: !slipped,
        })
      for (const fact of step.facts) this.use(cardOfFact(fact)?.id ?? fact)
      ms += taken
    }
    return { ms: Math.round(ms + (support === 'answer' ? keyMs * toText(whole.answer).length : 0)), right }
  }

  private stepMs(technique: Technique, step: Step, support: WorkedSupport): number {
    const { carryMs, readMs, practice } = this.input.habits
    const skill = (1 + (this.problems.get(technique.id) ?? 0) / 10) ** -practice
    const facts = step.facts.reduce((sum, f) => sum + this.factMs(cardOfFact(f)?.id ?? f), 0)
    const asked = support === 'guided' ? readMs : support === 'steps' ? readMs / 2 : readMs / 5
    return facts + (carryMs * step.carries + asked) * skill
  }

  private factMs(fact: string): number {
    const { factMs, practice, weak } = this.input.habits
    const used = this.uses.get(fact)
    const count = used ? used.count * 2 ** (-daysBetween(used.day, this.day) / this.input.fadeDays) : 0
    const heavy = weak.some((d) => fact.includes(String(d))) ? 2 : 1
    return factMs * heavy * (1 + count / 4) ** -practice
  }

  private use(fact: string): void {
    const used = this.uses.get(fact)
    const left = used ? used.count * 2 ** (-daysBetween(used.day, this.day) / this.input.fadeDays) : 0
    this.uses.set(fact, { count: left + 1, day: this.day })
  }

  /** The longer something takes, the likelier it slips. */
  private slipRate(thinkMs: number): number {
    const { slipRate, factMs } = this.input.habits
    return slipRate * Math.min(3, thinkMs / factMs)
  }

  private keep(timed: Timed): void {
    this.timed.push(timed)
    if (this.timed.length > KEPT_STEPS) this.timed = this.timed.slice(-KEPT_STEPS / 2)
  }

  private record(
    technique: Technique,
    level: number,
    support: WorkedSupport,
    worked: readonly LatestAnswer[],
    at: string,
  ): void {
    const right = worked.filter((w) => w.right).length
    const medianMs = median(worked.map((w) => w.totalMs)) ?? null
    const result = { technique: technique.id, level, support, attempts: worked.length, right, medianMs, at }
    const its = [...this.results.filter((r) => r.technique === technique.id), result].slice(-KEPT_RESULTS)
    this.results = [...this.results.filter((r) => r.technique !== technique.id), ...its]
    this.standing = undefined
    if (support !== 'answer') return
    const key = `${technique.id} ${level}`
    for (const one of worked) {
      const latest = [one, ...(this.latest.get(key) ?? [])].slice(0, LEVEL_RULES.upOf)
      this.latest.set(key, latest)
      const { move } = adviseLevel(latest, levelOf(technique, level).targetMs)
      const to = level + (move === 'up' ? 1 : move === 'back' ? -1 : 0)
      if (to === level || to < 1 || to > technique.levels.length) continue
      this.levels.set(technique.id, to)
      this.latest.set(`${technique.id} ${to}`, [])
      if (move === 'up') this.moves += 1
      return
    }
  }

  private below(n: number): number {
    return Math.floor(this.random.unit() * n)
  }

  /** Log-normal about 1. */
  private scatter(): number {
    return Math.exp(this.input.habits.scatter * normal(this.random))
  }
}
