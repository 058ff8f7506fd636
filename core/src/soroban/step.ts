/** What abacus work adds to a step and to a technique: beads, and the frame it is done on. */
import type { Decimal } from '../number/decimal.js'
import type { Problem } from '../problem/problem.js'
import { FRAME } from '../question/kind.js'
import { asDecimal, type Value } from '../question/value.js'
import type { Step, Technique } from '../technique/contract.js'
import { type Asked, AskedStep, type Later, now } from '../technique/make.js'
import type { Frame } from './frame.js'
import type { BeadMove, MoveKind } from './moves.js'

/** What the hand does at one step of abacus work. */
export interface BeadWork {
  /** The frame before the step. */
  readonly before: Frame
  /** The kind of move; 'set' where a whole number is put on the cleared frame, 'read' where nothing moves. */
  readonly kind: MoveKind | 'set' | 'read'
  /** Rods that pass a ten on. */
  readonly cascade: number
  /** The exact beads in the variant's order. */
  readonly moves: readonly BeadMove[]
  /** The place the finger rests on afterwards, in multiplication. */
  readonly finger?: number
}

/** A step answered on the frame. */
export interface BeadStep extends Step<Decimal> {
  readonly beads: BeadWork
}

/** A technique worked on a frame. */
export interface AbacusTechnique extends Technique {
  /** The frame it starts from, with at least so many rods (13 by default), more where the problem needs them. */
  readonly frame: (problem: Problem, rods?: number) => Frame
}

interface BeadsAsked extends Asked {
  readonly beads: Later<BeadWork>
}

class AskedBeads extends AskedStep<Decimal, BeadsAsked> implements BeadStep {
  get beads(): BeadWork {
    return now(this.asked.beads)
  }
}

/** A step answered by what stands on the frame, unless it names another kind of answer. */
export function beadStep(asked: BeadsAsked): BeadStep {
  return new AskedBeads({ kind: FRAME, ...asked })
}

/** The bead moves of a step; undefined for a step that moves none. */
export function beadWorkOf(step: Step): BeadWork | undefined {
  return (step as Partial<BeadStep>).beads
}

/** An abacus technique from a technique and its frame. */
export function onFrame<T extends Technique>(
  technique: T,
  frame: AbacusTechnique['frame'],
): T & AbacusTechnique {
  return { ...technique, frame }
}

/** The frame a technique starts from; undefined for one worked in the head or on paper. */
export function frameOf(technique: Technique, problem: Problem, rods?: number): Frame | undefined {
  return (technique as Partial<AbacusTechnique>).frame?.(problem, rods)
}

/** Is it worked on a frame? */
export function isAbacus(technique: Technique): technique is AbacusTechnique {
  return 'frame' in technique
}

/** Is a step answered by moving beads? Decisions of abacus work are typed. */
export function isOnFrame(step: Step): boolean {
  return step.kind.id === FRAME.id
}

/** The number left standing on the frame by the steps answered so far; undefined before the first that moved beads. */
export function leftStanding(steps: readonly Step[], entries: readonly Value[]): Decimal | undefined {
  return asDecimal(entries[steps.findLastIndex(isOnFrame)])
}
