/**
 * Learners to examine the coach with. They know nothing of how it judges, estimates or plans, and they are made otherwise
 * than what it assumes of learners, so that it cannot do well by agreeing with itself. What is assumed, all of it from
 * memory of the literature named:
 * - an elementary fact is either recalled or counted out, never something between: each answer leaves a trace (instance
 *   theory: Logan 1988, Psychological Review 95), and what is not recalled is counted in steps of one (min model: Groen and
 *   Parkman 1972, Psychological Review 79; strategy choice: Siegler 1996, Emerging Minds);
 * - traces fade by half in some days, more slowly after each recall that came late enough to be some work (spacing effect:
 *   Cepeda et al. 2006, Psychological Bulletin 132);
 * - the way through a technique wears in exponentially down to a floor (Heathcote, Brown and Mewhort 2000, Psychonomic
 *   Bulletin & Review 7), may stand still for a while, may jump as another way is seen (Haider and Frensch 2002), reaches
 *   kindred techniques in part, and is lost again when it is left alone;
 * - some days are slow as a whole, and a long sitting tires.
 */

import { present } from '../number/present.js'
import { normal, type Random } from '../number/random.js'
import type { Problem } from '../problem/problem.js'
import { valueText } from '../question/value.js'
import type { Slip, Step, Technique } from '../technique/contract.js'
import { trace, variantOf } from '../technique/driver.js'

/** Times in milliseconds, the chance of a mistake as a share. */
export interface Mind {
  /** One step of counting. */
  readonly countMs: number
  /** Recalling what is known. */
  readonly recallMs: number
  /** Carrying or borrowing one. */
  readonly carryMs: number
  /** Taking in what is asked, where steps are asked. */
  readonly lookMs: number
  /** Keying one digit. */
  readonly handMs: number
  /** Standard deviation of the logarithm of single times. */
  readonly scatter: number
  /** How many facts of a kind are known at first, as a share. */
  readonly knows: number
  /** How much stronger a trace becomes with each answer; at 1 a fact is recalled about two times in three. */
  readonly gain: number
  /** Days in which a fresh trace fades by half, and by how much longer after each spaced recall. */
  readonly halfLife: number
  readonly steadier: number
  /** Of a mistake at a step that is well known. */
  readonly slips: number
  /** So many times as long, and as often wrong, is a technique never worked; half of that is gone after so many problems. */
  readonly newness: number
  readonly wears: number
  /** Problems of a technique between which nothing wears off. */
  readonly plateau?: readonly [from: number, to: number]
  /** After so many problems all steps of a technique come in a share of the time. */
  readonly jump?: { readonly after: number; readonly share: number }
  /** The share of a problem that counts for other techniques of the same operation as well. */
  readonly transfer: number
  /** Days without it in which half of what had worn in is lost. */
  readonly forgets: number
  /** Standard deviation of the logarithm of days. */
  readonly moods: number
  /** How much longer everything takes after a minute of work, as a share. */
  readonly tires: number
  /** A problem that takes longer is left: skipped, without an answer. */
  readonly patienceMs: number
  /** The chance of practising on a day, and weeks without any. */
  readonly attends: number
  readonly away?: readonly [from: number, to: number]
}

/** A step as it was worked. */
export interface WorkedStep {
  readonly step: Step
  readonly ms: number
  readonly slip: Slip | undefined
}

export interface WorkedProblem {
  readonly steps: readonly WorkedStep[]
  readonly totalMs: number
  /** Right at every step. */
  readonly right: boolean
  readonly skipped: boolean
}

interface Trace {
  strength: number
  halfLife: number
  day: number
}

const operationOf = (id: string) => present(id.split('-')[0])

/** Steps of counting that a fact takes which is not recalled. */
export function countingSteps(fact: string): number {
  const [a = 0, b = 0] = (fact.replace(/^[a-z]*\d*:/, '').match(/\d+/g) ?? []).map(Number)
  if (fact.includes('x') || fact.includes('*')) return 1.5 * Math.min(a, b)
  if (fact.includes('+')) return Math.min(a, b)
  if (fact.includes('-')) return Math.min(b, Math.abs(a - b))
  if (fact.includes('/')) return 4
  // A complement: up to the next whole.
  return 3
}

export class Examinee {
  private readonly facts: Map<string, Trace>
  private readonly ways: Map<string, { worn: number; problems: number; day: number }>
  private mood = { day: -1, factor: 1 }
  private sat = 0

  /**
   * @param nameOf what a fact is called, however it is written in a step
   * @param asked whose mind it is when somebody is only asked: then nothing is learnt
   */
  constructor(
    readonly mind: Mind,
    private readonly random: Random,
    private readonly nameOf: (fact: string) => string = (fact) => fact,
    private readonly asked?: Examinee,
  ) {
    this.facts = asked?.facts ?? new Map()
    this.ways = asked?.ways ?? new Map()
  }

  /** What they would do with a problem on an ordinary day, rested: asking leaves no trace. */
  wouldWork(technique: Technique, problem: Problem, random: Random, day: number): WorkedProblem {
    const ordinary = { ...this.mind, moods: 0, tires: 0 }
    return new Examinee(ordinary, random, this.nameOf, this).work(technique, problem, false, day)
  }

  /** Does practice take place? @param day from 1 */
  comes(day: number): boolean {
    const { attends, away } = this.mind
    const here = this.random.unit() < attends
    return here && !(away && day >= away[0] && day <= away[1])
  }

  /** A fact alone. @returns the time without keying */
  recall(fact: string, day: number): { readonly thinkMs: number; readonly right: boolean } {
    const { ms, counted } = this.think(fact, day)
    const right = this.random.unit() >= this.mind.slips * (counted ? 3 : 1)
    return { thinkMs: Math.round(ms * this.slowness(day)), right }
  }

  /** A problem from its beginning to its end, or until it takes too long. @param asked are its steps asked one by one? */
  work(technique: Technique, problem: Problem, asked: boolean, day: number): WorkedProblem {
    const { handMs, lookMs, patienceMs } = this.mind
    const { steps, answer } = trace(technique, problem, variantOf(technique))
    const worked = steps.map((step) => {
      const { ms, wrong } = this.step(technique, step, day)
      const beside = asked ? lookMs + handMs * step.kind.print(step.expect).length : 0
      return { step, ms: Math.round(ms + beside), slip: wrong ? this.likely(step.slips()) : undefined }
    })
    const sum = worked.reduce((total, { ms, slip }) => total + (asked && slip ? 2 * ms : ms), 0)
    const totalMs = Math.round(asked ? sum : sum + lookMs + handMs * valueText(answer).length)
    this.wearIn(technique.id, day)
    const skipped = !asked && totalMs > patienceMs
    this.sat += Math.min(totalMs, patienceMs)
    return { steps: worked, totalMs, right: !skipped && worked.every((w) => !w.slip), skipped }
  }

  private step(
    technique: Technique,
    step: Step,
    day: number,
  ): { readonly ms: number; readonly wrong: boolean } {
    const { carryMs, slips, newness, jump } = this.mind
    const { raw, problems } = this.familiarity(technique.id, day)
    const fresh = newness * raw
    const thoughts = step.facts.map((f) => this.think(this.nameOf(f), day))
    const facts = thoughts.reduce((sum, t) => sum + t.ms, 0)
    const jumped = jump && problems >= jump.after ? jump.share : 1
    const way = (this.mind.recallMs / 2 + carryMs * step.carries) * (1 + fresh) * jumped
    const counted = thoughts.filter((t) => t.counted).length
    const chance = slips * (1 + counted + step.carries + 3 * fresh)
    return {
      ms: (facts * (1 + fresh / 4) + way * this.scatter()) * this.slowness(day),
      wrong: this.random.unit() < chance,
    }
  }

  /** How new a technique is still or again, 1 for never worked; and how often it was worked. */
  private familiarity(id: string, day: number): { readonly raw: number; readonly problems: number } {
    const way = this.ways.get(id)
    if (!way) return { raw: 1, problems: 0 }
    const worn = way.worn * 2 ** (-(day - way.day) / this.mind.forgets)
    return { raw: 2 ** (-worn / this.mind.wears), problems: way.problems }
  }

  private wearIn(id: string, day: number): void {
    if (this.asked) return
    const { plateau, transfer } = this.mind
    const add = (other: string, share: number) => {
      const way = this.ways.get(other)
      const kept = way ? way.worn * 2 ** (-(day - way.day) / this.mind.forgets) : 0
      const problems = (way?.problems ?? 0) + share
      const still = plateau && problems > plateau[0] && problems <= plateau[1]
      this.ways.set(other, { worn: kept + (still ? 0 : share), problems, day })
    }
    add(id, 1)
    for (const other of this.ways.keys())
      if (other !== id && operationOf(other) === operationOf(id)) add(other, transfer)
  }

  private think(fact: string, day: number): { readonly ms: number; readonly counted: boolean } {
    const { recallMs, countMs, gain, steadier } = this.mind
    const trace = this.facts.get(fact) ?? this.first(day)
    const strength = trace.strength * 2 ** (-(day - trace.day) / trace.halfLife)
    const counted = this.random.unit() >= 1 - Math.exp(-strength)
    const ms = (recallMs + (counted ? countMs * countingSteps(fact) : 0)) * this.scatter()
    // Recalled late enough to be some work, it holds longer.
    const spaced = !counted && day - trace.day >= trace.halfLife / 6
    if (this.asked) return { ms, counted }
    this.facts.set(fact, {
      strength: Math.min(6, strength + gain),
      halfLife: trace.halfLife * (spaced ? steadier : 1),
      day,
    })
    return { ms, counted }
  }

  private first(day: number): Trace {
    const known = this.random.unit() < this.mind.knows
    return { strength: known ? 4 : 0, halfLife: known ? 200 : this.mind.halfLife, day }
  }

  private slowness(day: number): number {
    const { moods, tires } = this.mind
    if (day !== this.mood.day) {
      this.mood = { day, factor: Math.exp(moods * normal(this.random)) }
      this.sat = 0
    }
    return this.mood.factor * (1 + tires * (this.sat / 60_000))
  }

  private scatter(): number {
    return Math.exp(this.mind.scatter * normal(this.random))
  }

  private likely(slips: readonly Slip[]): Slip | undefined {
    let pick = this.random.unit() * slips.reduce((sum, s) => sum + s.odds, 0)
    return slips.find((s) => {
      pick -= s.odds
      return pick < 0
    })
  }
}
