/** Slips that come again and again: what to look out for before the next problem. */
import { firstOf, present } from '../number/present.js'

/** How often a slip was made at a place in the working of a technique. */
export interface SlipCount {
  readonly technique: string
  readonly slip: string
  readonly place: number
  readonly count: number
}

/** A slip made so often lately is a bug (default, common practice); so many days are looked back on. */
const OFTEN = 3
/** Days over which a mistake that comes again is a habit. */
export const BUG_DAYS = 21

export interface Bug {
  readonly slip: string
  readonly count: number
  /** Where it is made at least every second time; undefined when it is made all over. */
  readonly place: number | undefined
}

/**
 * The slip made most often with a technique, if it is a bug. Facts are not counted, for they are drilled by
 * themselves, nor is keying.
 * @param slips those of the last BUG_DAYS
 */
export function bugOf(slips: readonly SlipCount[], technique: string): Bug | undefined {
  const its = slips.filter(
    (s) => s.technique === technique && s.slip !== 'fact' && !s.slip.startsWith('key-'),
  )
  const sum = (some: readonly SlipCount[]) => some.reduce((total, s) => total + s.count, 0)
  const kinds = [...new Set(its.map((s) => s.slip))].map((slip) => its.filter((s) => s.slip === slip))
  const [most] = kinds.toSorted((a, b) => sum(b) - sum(a))
  if (!most || sum(most) < OFTEN) return undefined
  const places = [...new Set(most.map((s) => s.place))]
  const at = (place: number) => sum(most.filter((s) => s.place === place))
  const [place] = firstOf(
    1,
    places.toSorted((a, b) => at(b) - at(a)),
  )
  return {
    slip: present(most[0]).slip,
    count: sum(most),
    place: 2 * at(place) >= sum(most) ? place : undefined,
  }
}
