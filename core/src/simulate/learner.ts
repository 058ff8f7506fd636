/**
 * The simulated learner: times and mistakes drawn from stated traits, so that demo data, tests and looks ahead have
 * somebody plausible to work with. What is assumed, all of it here:
 * - a fact comes faster with every use, by the power law of practice (Newell and Rosenbloom 1981), and its uses fade by
 *   half in `fadeDays`;
 * - the rest of a technique's steps come faster with its problems in the same way;
 * - no fact comes faster than a floor, and a day is a good or a bad one as a whole;
 * - a technique that is new takes longer and goes wrong more often, half as much after every dozen problems, and more
 *   again after weeks without it;
 * - the longer the thinking at a step takes, the likelier it goes wrong; asking step by step costs reading;
 * - single times scatter log-normally about their median, as response times commonly do.
 */
import { cardOfFact } from '../facts/decks.js'
import { daysBetween } from '../number/days.js'
import { normal, type Random } from '../number/random.js'
import type { Problem } from '../problem/problem.js'
import { valueText } from '../question/value.js'
import type { WorkedSupport } from '../session/support.js'
import type { Slip, Step, Technique } from '../technique/contract.js'
import { trace, variantOf } from '../technique/driver.js'

/** How a simulated learner learns, slips and tires. */
export interface Traits {
  /** Median time for one elementary fact before any practice, in milliseconds. */
  readonly factMs: number
  /** Median time to carry or borrow at one digit. */
  readonly carryMs: number
  /** Time to key one digit. */
  readonly keyMs: number
  /** Time to take in a question. */
  readonly readMs: number
  /** Exponent of the power law: 0 learns nothing, 0.4 learns fast. */
  readonly practice: number
  /** Chance of a mistake at a step that takes as long as one fact before any practice. */
  readonly slipRate: number
  /** Digits whose facts come at half speed. */
  readonly weak: readonly number[]
  /** Spread of single times: standard deviation of their logarithm. */
  readonly scatter: number
  /** The share of its first time below which no fact falls. */
  readonly floor: number
  /** What a technique never worked before costs on top: as a share of its times, and as a chance of a mistake a step. */
  readonly fresh: { readonly share: number; readonly slipRate: number }
  /** Spread between days: standard deviation of the logarithm. */
  readonly moods: number
}

/** An ordinary beginner. */
export const BEGINNER: Traits = {
  factMs: 800,
  carryMs: 450,
  keyMs: 130,
  readMs: 1100,
  practice: 0.3,
  slipRate: 0.016,
  weak: [],
  scatter: 0.3,
  floor: 0,
  fresh: { share: 0, slipRate: 0 },
  moods: 0,
}

/** Problems after which half of what is new about a technique has worn off, and days in which half of that comes back. */
const FRESH_PROBLEMS = 12
const FRESH_DAYS = 45

/** Days in which unused practice of a fact fades by half. */
const FADE_DAYS = 20

/** How much of the reading is left where less is said. */
const READ_SHARE: Record<WorkedSupport, number> = { guided: 1, steps: 0.5, answer: 0.2 }

/** One try at a step: how long it took with its keys, and the mistake made in it. */
export interface Tried {
  readonly ms: number
  readonly slip: Slip | undefined
}

export class SimulatedLearner {
  private readonly uses = new Map<string, { readonly count: number; readonly day: string }>()
  private readonly problems = new Map<string, number>()
  private readonly worked = new Map<string, { readonly count: number; readonly day: string }>()
  private mood = { day: '', factor: 1 }

  constructor(
    readonly traits: Traits,
    readonly random: Random,
    private readonly fadeDays: number = FADE_DAYS,
  ) {}

  /** One problem of a technique is done. @param weight less than 1 where it taught less */
  practised(technique: string, day: string, weight = 1): void {
    this.problems.set(technique, (this.problems.get(technique) ?? 0) + weight)
    this.worked.set(technique, { count: this.familiar(technique, day) + weight, day })
  }

  /** How new a technique still is, or has become again: 1 never worked, 0 wholly familiar. */
  private freshness(technique: string, day: string): number {
    return 2 ** (-this.familiar(technique, day) / FRESH_PROBLEMS)
  }

  private familiar(technique: string, day: string): number {
    const worked = this.worked.get(technique)
    return worked ? worked.count * 2 ** (-daysBetween(worked.day, day) / FRESH_DAYS) : 0
  }

  /** How slow a day is as a whole. */
  private moodOn(day: string): number {
    const { moods } = this.traits
    if (moods > 0 && day !== this.mood.day) this.mood = { day, factor: Math.exp(moods * normal(this.random)) }
    return this.mood.factor
  }

  /** A fact alone. @param day ISO date; the time without keying */
  recall(fact: string, day: string): { readonly thinkMs: number; readonly right: boolean } {
    const thinkMs = Math.round(this.factMs(fact, day) * this.scatter() * this.moodOn(day))
    this.use(fact, day)
    return { thinkMs, right: this.random.unit() >= 2 * this.slipRate(thinkMs) }
  }

  /** One try at a step of a technique. */
  tryStep(technique: Technique, step: Step, support: WorkedSupport, day: string): Tried {
    const { carryMs, readMs, practice, keyMs } = this.traits
    const skill = (1 + (this.problems.get(technique.id) ?? 0) / 10) ** -practice
    const ids = step.facts.map((f) => cardOfFact(f)?.id ?? f)
    const facts = ids.reduce((sum, f) => sum + this.factMs(f, day), 0)
    for (const id of ids) this.use(id, day)
    const fresh = this.freshness(technique.id, day)
    const reckoning = (facts + carryMs * step.carries * skill) * (1 + fresh * this.traits.fresh.share)
    const think = (reckoning + READ_SHARE[support] * readMs * skill) * this.scatter() * this.moodOn(day)
    const keys = support === 'answer' ? 0 : keyMs * step.kind.print(step.expect).length
    const chance =
      this.slipRate(reckoning) * (1 + Math.min(2, step.carries)) + fresh * this.traits.fresh.slipRate
    const slip = this.random.unit() < chance ? this.likelySlip(step) : undefined
    return { ms: Math.round(think + keys), slip }
  }

  /** A problem: with the answer alone asked a mistake is seen at the end, else it is mended at its step. */
  work(
    technique: Technique,
    problem: Problem,
    support: WorkedSupport,
    day: string,
  ): {
    readonly steps: readonly (Tried & { readonly step: Step })[]
    readonly totalMs: number
    readonly right: boolean
  } {
    const whole = trace(technique, problem, variantOf(technique))
    const steps = whole.steps.map((step) => ({ step, ...this.tryStep(technique, step, support, day) }))
    const keys = support === 'answer' ? this.traits.keyMs * valueText(whole.answer).length : 0
    const sum = steps.reduce((total, { ms, slip }) => total + ms * (slip ? 2 : 1), keys)
    return { steps, totalMs: Math.round(sum), right: steps.every((s) => !s.slip) }
  }

  private likelySlip(step: Step): Slip | undefined {
    const slips = step.slips()
    let pick = this.random.unit() * slips.reduce((sum, s) => sum + s.odds, 0)
    return slips.find((s) => {
      pick -= s.odds
      return pick < 0
    })
  }

  private factMs(fact: string, day: string): number {
    const { factMs, practice, weak, floor } = this.traits
    const heavy = weak.some((d) => fact.includes(String(d))) ? 2 : 1
    return factMs * heavy * Math.max(floor, (1 + this.left(fact, day) / 4) ** -practice)
  }

  private use(fact: string, day: string): void {
    this.uses.set(fact, { count: this.left(fact, day) + 1, day })
  }

  /** Uses of a fact that have not faded. */
  private left(fact: string, day: string): number {
    const used = this.uses.get(fact)
    return used ? used.count * 2 ** (-daysBetween(used.day, day) / this.fadeDays) : 0
  }

  private slipRate(thinkMs: number): number {
    const { slipRate, factMs } = this.traits
    return slipRate * Math.min(3, thinkMs / factMs)
  }

  /** Log-normal about 1. */
  private scatter(): number {
    return Math.exp(this.traits.scatter * normal(this.random))
  }
}
