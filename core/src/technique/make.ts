/** Building blocks for techniques: what a technique file would otherwise repeat. */
import { add, type Decimal, equal, isNegative } from '../number/decimal.js'
import type { Problem } from '../problem/problem.js'
import type { AnswerLine, Held, School, Slip, Step, Technique, Work } from './contract.js'
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
  return {
    ...rest,
    fits(problem) {
      const found = read(problem)
      return 'because' in found ? { fits: false, because: found.because } : { fits: true }
    },
    work(problem, school) {
      const found = read(problem)
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
  return {
    action: asked.action,
    place: asked.place,
    expect: asked.expect,
    also: asked.also,
    after: asked.after,
    links: asked.links,
    picks: asked.picks,
    get ask() {
      return now(asked.ask)
    },
    get why() {
      return now(asked.why)
    },
    get writes() {
      return now(asked.writes)
    },
    get holds() {
      return now(asked.holds ?? [])
    },
    get facts() {
      return now(asked.load ?? NO_LOAD).facts
    },
    get carries() {
      return now(asked.load ?? NO_LOAD).carries
    },
    slips: () => (asked.slips ? gather(asked.expect, asked.also, asked.slips) : []),
  }
}

function now<T>(later: Later<T>): T {
  return typeof later === 'function' ? (later as () => T)() : later
}

function gather(
  expect: Decimal,
  also: ((entry: Decimal) => boolean) | undefined,
  tell: (slip: SlipSink) => void,
): Slip[] {
  const found: Slip[] = []
  tell((id, entry, odds, remark) => {
    if (equal(entry, expect) || also?.(entry) || found.some((s) => equal(s.entry, entry))) return
    // Nobody ends below zero by a slip where the right value is not.
    if (isNegative(entry) && !isNegative(expect) && id !== 'sign') return
    found.push({ id, entry, odds, remark })
  })
  return found
}

/** The usual slip of a fact half known: one too few or one too many at a place. */
export function offByOne(slip: SlipSink, expect: Decimal, unit: Decimal, odds: number, right: string): void {
  slip('fact', add(expect, { ...unit, units: -unit.units }), odds, `One too few. ${right}.`)
  slip('fact', add(expect, unit), odds, `One too many. ${right}.`)
}
