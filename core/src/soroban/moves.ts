/** Bead moves: one digit added to or taken from one rod, with the exact beads in their order. */
import { present } from '../number/present.js'
import { InputError } from '../problem/error.js'
import type { Fact } from '../technique/contract.js'
import { beadsOf, type Frame, hasRod, highestRod, rodAt, setRod } from './frame.js'

/** Beads moved together: so many earth beads, or the heaven bead, to the bar (above 0) or away from it. */
export interface BeadMove {
  /** The rod, by its place; tens are 1. */
  readonly place: number
  /** The bead above the bar, or those below it. */
  readonly bead: 'heaven' | 'earth'
  /** -1 or 1 for the heaven bead, -4 to 4 for earth beads; never 0. */
  readonly by: number
}

/**
 * How a digit goes onto its rod. Direct: the beads are free. Five: through the five-complement. Ten: through the
 * ten-complement and the rod to the left. Ten-five: the ten-complement itself needs a five.
 */
export const MOVE_KINDS = ['direct', 'five', 'ten', 'ten-five'] as const
export type MoveKind = (typeof MOVE_KINDS)[number]

/** Which comes first when a ten is made or broken: the complement on the rod itself, or the one on its left. */
export type TensVariant = 'complement-first' | 'ten-first'

export interface RodMove {
  readonly kind: MoveKind
  /** Rods to the left that pass the ten on: nines when adding, zeros when taking away. */
  readonly cascade: number
  readonly moves: readonly BeadMove[]
  /** The number facts it rests on. */
  readonly facts: readonly Fact[]
}

/** The kind of move for a digit d (1 to 9) added to (above 0) or taken from (below 0) a rod showing v. */
export function kindOf(v: number, d: number): MoveKind {
  const size = Math.abs(d)
  const fits = d > 0 ? v + size <= 9 : v >= size
  if (!fits) return isDirect(v, d > 0 ? size - 10 : 10 - size) ? 'ten' : 'ten-five'
  return isDirect(v, d) ? 'direct' : 'five'
}

/** Are the beads for this digit free on the rod? */
function isDirect(v: number, d: number): boolean {
  const { heaven, earth } = beadsOf(v)
  const move = beadsOf(Math.abs(d))
  return d > 0
    ? heaven + move.heaven <= 1 && earth + move.earth <= 4
    : heaven >= move.heaven && earth >= move.earth
}

/**
 * The moves that add a digit to a rod (d above 0) or take it away (below 0), highest beads first within a rod: the
 * heaven bead before the earth beads.
 * @throws InputError when the frame is full at the left, or there is not enough to take away.
 */
export function rodMove(
  frame: Frame,
  place: number,
  d: number,
  tens: TensVariant = 'complement-first',
): RodMove {
  if (d === 0 || Math.abs(d) > 9 || !Number.isInteger(d))
    throw new RangeError('One digit from 1 to 9 goes onto a rod.')
  if (!hasRod(frame, place))
    throw new InputError(
      place > highestRod(frame)
        ? 'The frame is full on the left: there is no rod for this.'
        : 'The frame has no rod so far to the right.',
    )
  const v = rodAt(frame, place)
  const kind = kindOf(v, d)
  const facts = factsOf(v, d, kind)
  if (kind === 'direct' || kind === 'five') return { kind, cascade: 0, moves: onRod(place, v, d), facts }
  const one = d > 0 ? 1 : -1
  if (one < 0 && !canLend(frame, place + 1)) throw new InputError('That would go below zero.')
  const complement = onRod(place, v, d - 10 * one)
  const left = rodMove(frame, place + 1, one, tens)
  const passes = left.kind === 'ten' || left.kind === 'ten-five'
  return {
    kind,
    cascade: passes ? left.cascade + 1 : 0,
    moves: tens === 'ten-first' ? [...left.moves, ...complement] : [...complement, ...left.moves],
    facts: [...facts, ...left.facts],
  }
}

function canLend(frame: Frame, from: number): boolean {
  for (let place = from; place <= highestRod(frame); place += 1) if (rodAt(frame, place) > 0) return true
  return false
}

/** The beads moved on the rod itself; d is within what the rod can take, directly or by the five-complement. */
function onRod(place: number, v: number, d: number): BeadMove[] {
  const after = beadsOf(v + d)
  const before = beadsOf(v)
  const moves: BeadMove[] = []
  if (after.heaven !== before.heaven) moves.push({ place, bead: 'heaven', by: after.heaven - before.heaven })
  if (after.earth !== before.earth) moves.push({ place, bead: 'earth', by: after.earth - before.earth })
  return moves
}

function factsOf(v: number, d: number, kind: MoveKind): Fact[] {
  const size = Math.abs(d)
  if (kind === 'direct') return [d > 0 ? `${v}+${size}` : `${v}-${size}`]
  if (kind === 'five') return [`5-${size}`]
  const complement = 10 - size
  // A ten whose complement needs a five takes one complement more.
  return kind === 'ten' ? [`10-${size}`] : [`10-${size}`, `5-${complement}`]
}

/** The frame after one bead move. @throws InputError when the beads are not there to be moved. */
export function applyMove(frame: Frame, { place, bead, by }: BeadMove): Frame {
  if (!hasRod(frame, place)) throw new InputError('There is no such rod.')
  const { heaven, earth } = beadsOf(rodAt(frame, place))
  const [h, e] = bead === 'heaven' ? [heaven + by, earth] : [heaven, earth + by]
  if (by === 0 || h < 0 || h > 1 || e < 0 || e > 4) throw new InputError('These beads cannot be moved so.')
  return setRod(frame, place, 5 * h + e)
}

/**
 * The frame after some moves.
 * @throws InputError where a bead cannot be moved so
 */
export function applyMoves(frame: Frame, moves: readonly BeadMove[]): Frame {
  return moves.reduce(applyMove, frame)
}

/** The bead moves that lead from one frame to another, rod by rod from the left: what a hand did between two looks. */
export function movesBetween(before: Frame, after: Frame): BeadMove[] {
  const moves: BeadMove[] = []
  for (let i = before.rods.length - 1; i >= 0; i -= 1) {
    const place = i - before.decimals
    const [v, w] = [present(before.rods[i]), after.rods[i] ?? 0]
    if (v !== w) moves.push(...onRod(place, v, w - v))
  }
  return moves
}

/** A move in words: "heaven bead down", "take back 2 earth beads". */
export function moveWords({ bead, by }: BeadMove): string {
  if (bead === 'heaven') return by > 0 ? 'heaven bead down' : 'heaven bead up'
  const beads = `${Math.abs(by)} earth ${Math.abs(by) === 1 ? 'bead' : 'beads'}`
  return by > 0 ? `${beads} up` : `${beads} down`
}

/** The finger that makes a move: thumb raises earth beads, index finger does the rest (Kojima 1954, from memory). */
export function fingerOf({ bead, by }: BeadMove): 'thumb' | 'index finger' {
  return bead === 'earth' && by > 0 ? 'thumb' : 'index finger'
}
