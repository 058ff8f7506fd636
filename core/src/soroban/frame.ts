/**
 * The frame: rods of one heaven bead (worth 5) and four earth beads (worth 1 each). A bead counts when it touches
 * the reckoning bar. Rods are named by place: 0 is the unit rod, -1 the first decimal.
 */
import { type Decimal, decimal, digitAt, highestPlace, isNegative, lowestPlace } from '../number/decimal.js'
import { InputError } from '../problem/error.js'

/** The fewest rods of a frame. */
export const LEAST_RODS = 5
/** The most rods of a frame. */
export const MOST_RODS = 27
export const USUAL_RODS = 13

/** A soroban: what each rod shows, from the highest. */
export interface Frame {
  /** What stands on each rod, 0 to 9; index 0 is the rod at the right end. */
  readonly rods: readonly number[]
  /** Rods right of the unit rod. */
  readonly decimals: number
}

/** An empty frame. @throws InputError when it has too few or too many rods, or no unit rod. */
export function clearFrame(rods = USUAL_RODS, decimals = 0): Frame {
  if (rods < LEAST_RODS || rods > MOST_RODS)
    throw new InputError(`A frame has ${LEAST_RODS} to ${MOST_RODS} rods, not ${rods}.`)
  if (decimals < 0 || decimals >= rods) throw new InputError('The unit rod must be one of the rods.')
  return { rods: Array.from({ length: rods }, () => 0), decimals }
}

/** The places of the rods at both ends. */
export function lowestRod(frame: Frame): number {
  return 0 - frame.decimals
}

/** The place of the highest rod. */
export function highestRod(frame: Frame): number {
  return frame.rods.length - 1 - frame.decimals
}

export function hasRod(frame: Frame, place: number): boolean {
  return place >= lowestRod(frame) && place <= highestRod(frame)
}

/** What stands on a rod. */
export function rodAt(frame: Frame, place: number): number {
  return frame.rods[place + frame.decimals] ?? 0
}

/** The frame with one rod set to a value of 0 to 9. @throws InputError when there is no such rod. */
export function setRod(frame: Frame, place: number, value: number): Frame {
  if (!hasRod(frame, place)) throw new InputError(beyond(place, frame))
  return { ...frame, rods: frame.rods.map((v, i) => (i === place + frame.decimals ? value : v)) }
}

function beyond(place: number, frame: Frame): string {
  return place > highestRod(frame)
    ? 'The frame is full on the left: there is no rod for this.'
    : 'The frame has no rod so far to the right.'
}

/** The number that stands on the frame. */
export function frameValue(frame: Frame): Decimal {
  return decimal(BigInt([...frame.rods].reverse().join('')), frame.decimals)
}

/** The frame with a number set. @throws InputError when it is below 0 or does not fit. */
export function setNumber(frame: Frame, value: Decimal): Frame {
  if (isNegative(value)) throw new InputError('A frame holds no number below 0.')
  if (value.units > 0n && !hasRod(frame, highestPlace(value)))
    throw new InputError(beyond(highestPlace(value), frame))
  if (!hasRod(frame, lowestPlace(value))) throw new InputError(beyond(lowestPlace(value), frame))
  return { ...frame, rods: frame.rods.map((_, i) => digitAt(value, i - frame.decimals)) }
}

/** Beads of a value that touch the bar. */
export function beadsOf(value: number): { readonly heaven: 0 | 1; readonly earth: number } {
  return { heaven: value >= 5 ? 1 : 0, earth: value % 5 }
}
