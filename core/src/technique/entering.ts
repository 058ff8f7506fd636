/** Where on the answer line a value is written while it is typed. Nothing here depends on what the right value is. */
import type { AnswerPlaces } from '../problem/places.js'
import { isItem, type Problem } from '../problem/problem.js'
import { asDecimal } from '../question/value.js'
import { type Action, type AnswerCell, AT_PLACE, type Step } from './contract.js'
import type { Trace } from './driver.js'
import { digitCells } from './line.js'

/** The stretch of the answer line an entry is written on. */
export interface Zone {
  /** The highest place an entry goes to; tens are 1. */
  readonly high: number
  /** The lowest; tenths are -1. */
  readonly low: number
  /** Where the units of what is typed stand. */
  readonly units: number
  /** A value too long for it stands raw at its lowest place instead of reaching over what is beside it. */
  readonly narrow: boolean
}

/** Steps whose value begins at their place and reaches as far to the left as it needs. */
const FROM_PLACE: readonly Action[] = ['block', 'front']

/** Steps that write a part of the answer, for good or to be mended. */
const STANDING: readonly Action[] = [...AT_PLACE, ...FROM_PLACE, 'back']

/** Steps that come to the whole of what stands on the line, though others may be worked besides, by kind of problem. */
const WHOLE: Partial<Readonly<Record<Problem['kind'], readonly Action[]>>> = {
  root: ['root', 'running-total'],
  product: ['product'],
  square: ['product'],
  'product-pair': ['product'],
  'product-sum': ['product'],
}

/**
 * Where the value of a step is written; undefined where it is only kept in mind and stands nowhere on the line. Without a
 * step it is the whole answer.
 */
export function zoneOf(step: Step | undefined, problem: Problem, answer: AnswerPlaces): Zone | undefined {
  // An item stands on no line.
  if (isItem(problem)) return undefined
  if (!step) return { ...answer, units: 0, narrow: false }
  const { action, place, writes } = step
  const one = { high: place, low: place, units: place, narrow: true }
  // A total that a column settles is the whole answer.
  if (AT_PLACE.includes(action) && !step.total) return one
  if (FROM_PLACE.includes(action))
    return { high: Math.max(answer.high, place), low: place, units: place, narrow: false }
  if (action === 'back' && writes.back !== undefined)
    return { high: Math.max(place, writes.back - 1), low: place, units: place, narrow: true }
  if (!step.total && !WHOLE[problem.kind]?.includes(action)) return undefined
  // A running total stands with its units at the units, or at the lowest place where the point is forgotten meanwhile.
  const units = [0, place].find((at) => isWhole(step, at))
  if (units === undefined) return action === 'root' ? one : undefined
  const low = units === 0 ? answer.low : units
  return { high: Math.max(answer.high, low), low, units, narrow: false }
}

/** Is what stands written after a step its value, with the units of it at a place? Zeros may stand around it. */
function isWhole({ expect: value, writes: { cells } }: Step, units: number): boolean {
  const expect = asDecimal(value)
  if (!expect) return false
  const digits = String(expect.units < 0n ? -expect.units : expect.units).padStart(expect.scale + 1, '0')
  const written = digitCells(digits, units - expect.scale)
  return (
    written.every(({ place, digits: d }) => cells.some((c) => c.place === place && c.digits === d)) &&
    cells.every((c) => c.digits === '0' || written.some((v) => v.place === c.place))
  )
}

/** Digits typed and not yet confirmed, as they stand on the line. */
export interface Typed {
  readonly negative: boolean
  readonly cells: readonly AnswerCell[]
  /** A point was typed, whether or not anything follows it. */
  readonly point: boolean
}

/** What is typed as it stands in its zone; undefined for a text that is no plain number, such as a fraction. */
export function typedIn(zone: Zone, text: string): Typed | undefined {
  const found = /^(-?)(\d*)([.,]?)(\d*)$/.exec(text)
  if (!found) return undefined
  const [, sign, whole = '', point, decimals = ''] = found
  const head = { negative: sign === '-', point: point !== '' }
  if (zone.narrow && (point !== '' || zone.units + whole.length - 1 > zone.high))
    return { ...head, cells: [{ place: zone.units, digits: whole + point + decimals, draft: false }] }
  return { ...head, cells: digitCells(whole + decimals, zone.units - decimals.length) }
}

/** Is the answer written from its lowest place up? Then it can be typed that way too, where it has no decimals. */
export function writtenFromRight({ steps }: Pick<Trace, 'steps'>, answer: AnswerPlaces): boolean {
  const places = steps.filter((s) => STANDING.includes(s.action)).map((s) => s.place)
  return answer.low === 0 && (places[0] ?? 0) < (places.at(-1) ?? 0)
}
