/** Building blocks for techniques: what a technique file would otherwise repeat. */
import { add, type Decimal, equal, isNegative } from '../number/decimal.js'
import type { Problem } from '../problem/problem.js'
import { type AnswerKind, FRAME, SIGNED } from '../question/kind.js'
import { meets } from '../question/question.js'
import type { AnswerLine, BeadWork, Held, School, Slip, Step, Technique, Work } from './contract.js'
import { type Load, NO_LOAD } from './facts.js'

/** Why a technique does not fit a problem: a clause that ends a sentence, for a learner. */
export interface Misfit {
  readonly because: string
}

export function misfit(because: string): Misfit {
  return { because }
}

/**
 * A technique from its parts. `read` looks at a problem once and says what there is to work with, or why the
 * technique does not fit; `work` is only ever given what `read` made.
 */
export function technique<P extends object>(
  given: Omit<Technique, 'fits' | 'work'> & {
    read(problem: Problem): P | Misfit
    work(what: P, school: School): Work
  },
): Technique {
  const { read, work, ...rest } = given
  // Diagnosis works the same problem hundreds of times over.
  const known = new WeakMap<Problem, P | Misfit>()
  const looked = (problem: Problem): P | Misfit => {
    const before = known.get(problem)
    if (before) return before
    const found = read(problem)
    known.set(problem, found)
    return found
  }
  return {
    ...rest,
    fits(problem) {
      const found = looked(problem)
      return 'because' in found ? { fits: false, because: found.because } : { fits: true }
    },
    work(problem, school) {
      const found = looked(problem)
      if ('because' in found) throw new RangeError(found.because)
      return work(found, school)
    },
  }
}

/** A value, or how to make it when it is first looked at: most runs look at few words of a step. */
export type Later<T> = T | (() => T)

/** What a technique says of a step; whatever is left out is empty. */
export interface Asked
  extends Pick<Step, 'action' | 'place' | 'expect' | 'also' | 'after' | 'links' | 'picks'> {
  readonly ask: Later<string>
  /** The bead moves, for abacus work. */
  readonly beads?: Later<BeadWork>
  /** Any number where none is named; with beads, what stands on the frame. */
  readonly kind?: AnswerKind<Decimal>
  readonly why: Later<string>
  readonly writes: Later<AnswerLine>
  readonly holds?: Later<readonly Held[]>
  /** The facts it rests on and the carries among them. */
  readonly load?: Later<Load>
  /** Names the slips of the step, likelier causes first where two lead to the same entry. */
  readonly slips?: (slip: SlipSink) => void
}

/** Takes one slip; an entry that is right, or already has a likelier cause, is passed over. */
export type SlipSink = (id: string, entry: Decimal, odds: number, remark: string) => void

export function step(asked: Asked): Step {
  return new AskedStep(asked)
}

/** A class, so that the many steps of a diagnosis share their getters. */
class AskedStep implements Step {
  readonly kind: Step['kind']
  readonly action: Step['action']
  readonly place: number
  readonly expect: Decimal
  readonly also: Step['also']
  readonly after: Step['after']
  readonly links: Step['links']
  readonly picks: Step['picks']

  constructor(private readonly asked: Asked) {
    this.kind = asked.kind ?? (asked.beads ? FRAME : SIGNED)
    this.action = asked.action
    this.place = asked.place
    this.expect = asked.expect
    this.also = asked.also
    this.after = asked.after
    this.links = asked.links
    this.picks = asked.picks
  }

  get ask(): string {
    return now(this.asked.ask)
  }

  get beads(): Step['beads'] {
    return this.asked.beads && now(this.asked.beads)
  }

  get why(): string {
    return now(this.asked.why)
  }

  get writes(): AnswerLine {
    return now(this.asked.writes)
  }

  get holds(): readonly Held[] {
    return now(this.asked.holds ?? [])
  }

  get facts(): Load['facts'] {
    return now(this.asked.load ?? NO_LOAD).facts
  }

  get carries(): number {
    return now(this.asked.load ?? NO_LOAD).carries
  }

  slips(): readonly Slip[] {
    const { slips } = this.asked
    return slips ? gather(this, slips) : []
  }
}

/** Works something out when it is first asked for, and once only. */
export function once<T extends object>(make: () => T): () => T {
  let made: T | undefined
  return () => {
    made ??= make()
    return made
  }
}

function now<T>(later: Later<T>): T {
  return typeof later === 'function' ? (later as () => T)() : later
}

function gather(step: Step, tell: (slip: SlipSink) => void): Slip[] {
  const found: Slip[] = []
  tell((id, entry, odds, remark) => {
    if (meets(step, entry) || found.some((s) => equal(s.entry, entry))) return
    // Nobody ends below zero by a slip where the right value is not.
    if (isNegative(entry) && !isNegative(step.expect) && id !== 'sign') return
    found.push({ id, entry, odds, remark })
  })
  return found
}

/** The usual slip of a fact half known: one too few or one too many at a place. */
export function offByOne(slip: SlipSink, expect: Decimal, unit: Decimal, odds: number, right: string): void {
  slip('fact', add(expect, { ...unit, units: -unit.units }), odds, `One too few. ${right}.`)
  slip('fact', add(expect, unit), odds, `One too many. ${right}.`)
}
