/** Digits of a list that are still to be added at a place, however they were taken so far. */

import { type Decimal, decimal, digitAt, subtract } from '../../number/decimal.js'
import { present } from '../../number/present.js'
import type { SumProblem } from '../../problem/problem.js'

/** A digit of the list that is still to be added. */
export interface Left {
  readonly row: number
  readonly digit: number
}

export interface Remaining {
  /** What is left at a place, as the program reads the order taken so far. */
  readonly digits: readonly Left[]
  /** Every reading that fits the totals so far, as digits in rising order: 8 may have been 8, or 3 and 5. */
  readonly readings: readonly string[]
  /** What a teacher would take next. */
  readonly group: readonly Left[]
}

export function digitsLeft({ terms }: SumProblem, place: number): Remaining {
  const digits = terms.map((t, row) => ({ row, digit: digitAt(t.size, place) })).filter((d) => d.digit > 0)
  return { digits, readings: [sorted(digits)], group: nextGroup(digits) }
}

function sorted(digits: readonly Left[]): string {
  return digits
    .map((d) => d.digit)
    .sort()
    .join('')
}

/** How many digits may make ten together. */
export const TEN_SIZES = [2, 3, 4, 5, 6] as const

/** The digits that so many of them make ten with: the first in the list; undefined where there are none. */
export function tenOf(digits: readonly Left[], size: number): readonly Left[] | undefined {
  const search = (from: number, rest: number, many: number): readonly Left[] | undefined => {
    if (many === 0) return rest === 0 ? [] : undefined
    for (let i = from; i <= digits.length - many; i += 1) {
      const others =
        present(digits[i]).digit <= rest && search(i + 1, rest - present(digits[i]).digit, many - 1)
      if (others) return [present(digits[i]), ...others]
    }
    return undefined
  }
  return search(0, 10, size)
}

/** The first pair making ten, else the first three that do, else the first digit. */
export function nextGroup(digits: readonly Left[]): readonly Left[] {
  return tenOf(digits, 2) ?? tenOf(digits, 3) ?? digits.slice(0, 1)
}

/** What is added next once it was said how many make ten; where they do not, the first ones are taken for it. */
export function groupOf(digits: readonly Left[], size: number): readonly Left[] {
  return (size > 0 ? tenOf(digits, size) : undefined) ?? digits.slice(0, Math.max(1, size))
}

/** How much a new total adds at a place; undefined when it is no whole number of that place, or nothing. */
export function addedAt(before: Decimal, after: Decimal, place: number): number | undefined {
  const difference = subtract(after, before)
  const size = decimal(difference.units, difference.scale + place)
  return size.scale > 0 || size.units <= 0n || size.units > 1000n ? undefined : Number(size.units)
}

/** At most this many readings are kept: beyond it lists are far longer than anyone adds. */
const MOST_READINGS = 100

/** Ways found before: diagnosis asks for the same ones hundreds of times over. */
const known = new Map<string, readonly string[]>()
const MOST_KNOWN = 5000

/** Every way to take digits that sum to `sum` from digits in rising order, by what is left. */
function restsOf(reading: string, sum: number): readonly string[] {
  const key = `${reading} ${sum}`
  const before = known.get(key)
  if (before) return before
  if (known.size >= MOST_KNOWN) known.clear()
  const found = findRests(reading, sum)
  known.set(key, found)
  return found
}

function findRests(reading: string, sum: number): string[] {
  const found = new Set<string>()
  const search = (from: number, rest: number, kept: string) => {
    if (found.size >= MOST_READINGS) return
    if (rest === 0) {
      found.add(kept + reading.slice(from))
      return
    }
    let previous = ''
    for (let i = from; i < reading.length; i += 1) {
      const digit = present(reading[i])
      // Equal digits are taken from the front of their run only.
      if (digit !== previous && Number(digit) <= rest)
        search(i + 1, rest - Number(digit), kept + reading.slice(from, i))
      previous = digit
    }
  }
  search(0, sum, '')
  return [...found]
}

export function canTake(readings: readonly string[], sum: number): boolean {
  return readings.some((r) => restsOf(r, sum).length > 0)
}

/** What is left after an entry; after a slip, whatever the expected step would have taken is gone. */
export function taken(left: Remaining, before: Decimal, after: Decimal, place: number): Remaining {
  const sum = addedAt(before, after, place)
  const readings =
    sum === undefined
      ? []
      : [...new Set(left.readings.flatMap((r) => restsOf(r, sum)))].sort(longestFirst).slice(0, MOST_READINGS)
  if (readings.length > 0) {
    const digits = keep(left.digits, readings) ?? spell(present(readings[0]))
    return { digits, readings, group: nextGroup(digits) }
  }
  const gone = sum === 10 ? (nearTen(left.digits) ?? left.group) : left.group
  const digits = left.digits.filter((d) => !gone.includes(d))
  return { digits, readings: [sorted(digits)], group: nextGroup(digits) }
}

/** Fewer digits taken leaves more to choose from. */
function longestFirst(a: string, b: string): number {
  return b.length - a.length
}

/** The digits of the list that make up the first reading that they can make up. */
function keep(digits: readonly Left[], readings: readonly string[]): readonly Left[] | undefined {
  for (const reading of readings) {
    const need = [...reading]
    const kept = [...digits].reverse().filter((d) => {
      const at = need.indexOf(String(d.digit))
      if (at < 0) return false
      need.splice(at, 1)
      return true
    })
    if (need.length === 0) return kept.reverse()
  }
  return undefined
}

/** A reading that names digits no longer where the program thought: they are kept without their rows. */
function spell(reading: string): Left[] {
  return [...reading].map((d) => ({ row: -1, digit: Number(d) }))
}

/** Two digits that are nearly ten, and taken for it. */
export function nearTen(digits: readonly Left[]): readonly Left[] | undefined {
  for (const [i, a] of digits.entries())
    for (const b of digits.slice(i + 1)) if (Math.abs(a.digit + b.digit - 10) === 1) return [a, b]
  return undefined
}
