/**
 * The board: what is shown to a whole room from one screen. A plan is a list of parts that are gone through one after
 * another; each part shows problems, thought by thought.
 */

import { factById } from '../facts/decks.js'
import { MOST_FLASHED, SHOWN_WAYS } from '../flash/list.js'
import { present } from '../number/present.js'
import { seeded } from '../number/random.js'
import { InputError } from '../problem/error.js'
import { readProblem } from '../problem/expression.js'
import type { Problem } from '../problem/problem.js'
import { levelOf, techniqueById } from '../registry/techniques.js'
import type { Variant } from '../technique/contract.js'
import { type Trace, variantOf } from '../technique/driver.js'
import { checkListed } from './check.js'
import type { ListedProblem } from './recipe.js'

/** What is shown in one part of a lesson. */
export type BoardPart =
  /** Problems of a technique at a level, new ones as long as they are wished; easier and harder at a key. */
  | {
      readonly kind: 'technique'
      readonly technique: string
      readonly level: number
      readonly variant: Variant
      readonly clock: BoardClock
      readonly count: number
    }
  /** Problems that stand there in their order. */
  | {
      readonly kind: 'problems'
      readonly name: string
      readonly problems: readonly ListedProblem[]
      readonly clock: BoardClock
    }
  /** One problem worked in two ways, side by side. */
  | { readonly kind: 'ways'; readonly expression: string; readonly ways: readonly [string, string] }
  /** Facts called in random order; each answer comes after a wait. */
  | {
      readonly kind: 'facts'
      readonly facts: readonly string[]
      readonly name: string
      readonly waitMs: number
    }
  /** Numbers that come one by one, or glide by. */
  | {
      readonly kind: 'flash'
      readonly digits: number
      readonly numbers: number
      readonly minus: boolean
      readonly way: (typeof BOARD_WAYS)[number]
      readonly showMs: number
    }
  /** A soroban, moved by hand. */
  | { readonly kind: 'frame' }
  /** The pattern of a crosswise product, column by column. */
  | { readonly kind: 'pattern'; readonly first: number; readonly second: number }

/** Ways in which numbers come on the wall; a still list is a problem like any other. */
export const BOARD_WAYS = SHOWN_WAYS.filter((way) => way !== 'still')

/** Seconds for a problem; in a round the answer comes by itself when they are over. */
export interface BoardClock {
  /** Milliseconds for each problem; 0 for no clock. */
  readonly ms: number
  /** Does the answer come by itself when the time is up? */
  readonly round: boolean
}

/** A lesson at the board, part after part. */
export interface BoardPlan {
  /** What the lesson is called, as it was typed. */
  readonly name: string
  /** Its parts, in order. */
  readonly parts: readonly BoardPart[]
}

/** Least and most of what can be set for a part. */
export const BOARD_LIMITS = {
  parts: 40,
  count: 50,
  ms: [0, 600_000],
  waitMs: [500, 30_000],
  showMs: [150, 4000],
  digits: 4,
  numbers: MOST_FLASHED,
  pattern: 8,
} as const

/** @throws InputError that says which part of a plan cannot be shown, and why */
export function checkPlan({ parts }: BoardPlan): void {
  for (const [i, part] of parts.entries())
    try {
      checkPart(part)
    } catch (error) {
      if (error instanceof InputError) throw new InputError(`Part ${i + 1}: ${error.message}`)
      throw error
    }
}

function checkPart(part: BoardPart): void {
  switch (part.kind) {
    case 'technique': {
      const technique = techniqueById(part.technique)
      levelOf(technique, part.level)
      variantOf(technique, part.variant)
      return
    }
    case 'problems':
      for (const problem of part.problems) checkListed(problem)
      return
    case 'ways':
      for (const technique of part.ways) checkListed({ technique, level: 0, expression: part.expression })
      return
    case 'facts':
      for (const fact of part.facts)
        if (!factById(fact)) throw new InputError(`There is no fact "${fact.slice(0, 40)}".`)
      return
    default:
      return
  }
}

/** A problem on the board, and how it is worked. */
export interface BoardProblem {
  readonly technique: string
  readonly level: number
  readonly variant: Variant
  readonly problem: Problem
}

/** How many problems a part has. */
export function problemsIn(part: BoardPart): number {
  if (part.kind === 'technique') return part.count
  if (part.kind === 'problems') return part.problems.length
  return part.kind === 'facts' ? part.facts.length : 1
}

/**
 * Problem n (from 0) of a part: of a technique one of its level, drawn anew for each number and seed.
 * @param level the level it is at now, which keys may have moved
 */
export function boardProblem(
  part: Extract<BoardPart, { kind: 'technique' | 'problems' }>,
  level: number,
  n: number,
  seed: number,
): BoardProblem {
  if (part.kind === 'problems') {
    const listed = present(part.problems[n])
    const problem = readProblem(listed.expression)
    return { ...listed, variant: variantOf(techniqueById(listed.technique)), problem }
  }
  const technique = techniqueById(part.technique)
  const space = levelOf(technique, level).problems()
  const random = seeded(seed + APART * n)
  const problem = space.at(random.below(space.size))
  return { technique: technique.id, level, variant: variantOf(technique, part.variant), problem }
}

/** So far apart that two numbers do not share a stream. */
const APART = 1_000_003

/** The level after a move, within those there are. */
export function movedLevel(technique: string, level: number, by: 1 | -1): number {
  return Math.max(1, Math.min(techniqueById(technique).levels.length, level + by))
}

/** How many presses a working takes: each step is asked, then told; at last the whole stands there. */
export const thoughtsIn = (work: Pick<Trace, 'steps'>): number => 2 * work.steps.length + 1

/** What stands on the board after so many presses. */
export type Thought =
  /** Only the problem. */
  | { readonly at: 'problem' }
  /** Step `n` (from 0) is asked, or its value is told. */
  | { readonly at: 'step'; readonly n: number; readonly told: boolean }
  /** All of it. */
  | { readonly at: 'end' }

/** What is thought aloud after so many presses. */
export function thoughtAt(work: Pick<Trace, 'steps'>, presses: number): Thought {
  if (presses <= 0) return { at: 'problem' }
  if (presses >= thoughtsIn(work)) return { at: 'end' }
  return { at: 'step', n: Math.floor((presses - 1) / 2), told: presses % 2 === 0 }
}

/** Hands that were up for a problem: how a room did, without a name. */
export interface RoomCount {
  /** A UUID made where it came about. */
  readonly id: string
  /** ISO 8601, UTC. */
  readonly at: string
  /** The id of the technique, or of the drill. */
  readonly technique: string
  /** The level, from 1; 0 for parameters of one's own. */
  readonly level: number
  /** The problem as it is typed and printed by `printProblem`. */
  readonly expression: string
  /** How many hands were up. */
  readonly right: number
}

/** The most hands that are counted. */
export const MOST_HANDS = 999
