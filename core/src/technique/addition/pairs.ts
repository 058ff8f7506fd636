/**
 * add-pairs: within each place, from the left, digits that make ten are added as whole tens, then the rest one at
 * a time. 47+63+28+52: 100, 120, 170, 180, 190. Before that it is asked whether any make ten. The order is free: a
 * total is right when it equals the last total plus some of what is left at the place.
 */
import {
  add,
  atPlace,
  type Decimal,
  decimal,
  digitAt,
  isNegative,
  isZero,
  subtract,
  toText,
  toWords,
  ZERO,
} from '../../number/decimal.js'
import { placeTitle } from '../../number/places.js'
import type { Problem, SumProblem } from '../../problem/problem.js'
import { PAIRS } from '../../words/addition.js'
import { at, REMARK } from '../../words/steps.js'
import { sumBoard } from '../boards.js'
import type { Picks, Spot, Step, Tally, Work } from '../contract.js'
import { sumLoad } from '../facts.js'
import { BLANK, lineOf } from '../line.js'
import { type SlipSink, step, technique } from '../make.js'
import { digitTotal } from './columns.js'
import { rangeOf, readPlainSum, sayTotal } from './parts.js'

export const addPairs = technique({
  id: 'add-pairs',
  words: PAIRS,
  family: 'addition',
  needs: ['add-place-sweep'],
  // Targets: common practice, no published source (a list of four or five two-digit numbers in 5 s).
  levels: [
    ['Four digits', 2.5, { terms: 4, digits: 1 }],
    ['Six digits', 3.5, { terms: 6, digits: 1 }],
    ['Three two-digit numbers', 4, {}],
    ['Four two-digit numbers', 5, { terms: 4 }],
    ['Five two-digit numbers', 5, { terms: 5 }],
    ['Six two-digit numbers with two zeros', 6, { terms: 6, zeros: 2 }],
    ['Four numbers with one decimal', 6, { terms: 4, digits: 1, decimals: 1 }],
    ['Five three-digit numbers', 9, { terms: 5, digits: 3 }],
    ['Ten two-digit numbers', 10, { terms: 10 }],
    ['Ten three-digit numbers', 16, { terms: 10, digits: 3 }],
    ['Four numbers of different length', 8, { terms: 4, digits: 3, shortest: 1 }],
  ],
  dials: sumBoard([3, 15]),
  read: readPlainSum,
  tally,
  work: pairwise,
})

function* pairwise(problem: SumProblem): Work {
  const { lowest, highest } = rangeOf(problem)
  let total = ZERO
  let asked = false
  for (let place = highest; place >= lowest; place -= 1) {
    let left = digitsLeft(problem, place)
    const more = () =>
      problem.terms.some(
        (t) => t.size.units > 0n && [...belowPlace(place, lowest)].some((p) => digitAt(t.size, p) > 0),
      )
    let tens = true
    while (left.digits.length > 0) {
      if (tens && left.digits.length > 1) {
        const size = Number((yield tenStep(left, place, total, lowest)).units)
        tens = size > 0
        left = { ...left, group: groupOf(left.digits, size) }
      } else left = { ...left, group: left.digits.slice(0, 1) }
      const before = total
      const now = left
      asked = true
      total = yield pairStep(total, now, place, lowest, () => now.digits.length > now.group.length || more())
      left = taken(now, before, total, place)
    }
  }
  if (!asked) return yield sayTotal(total, lowest)
  return total
}

function* belowPlace(place: number, lowest: number): Generator<number> {
  for (let p = place - 1; p >= lowest; p -= 1) yield p
}

/** A digit of the list that is still to be added. */
interface Left {
  readonly row: number
  readonly digit: number
}

interface Remaining {
  /** What is left at a place, as the program reads the order taken so far. */
  readonly digits: readonly Left[]
  /** Every reading that fits the totals so far, as digits in rising order: 8 may have been 8, or 3 and 5. */
  readonly readings: readonly string[]
  /** What a teacher would take next. */
  readonly group: readonly Left[]
}

function digitsLeft({ terms }: SumProblem, place: number): Remaining {
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
const TEN_SIZES = [2, 3, 4, 5, 6] as const

/** The digits that so many of them make ten with: the first in the list; undefined where there are none. */
function tenOf(digits: readonly Left[], size: number): readonly Left[] | undefined {
  const search = (from: number, rest: number, many: number): readonly Left[] | undefined => {
    if (many === 0) return rest === 0 ? [] : undefined
    for (let i = from; i <= digits.length - many; i += 1) {
      const others = digits[i]!.digit <= rest && search(i + 1, rest - digits[i]!.digit, many - 1)
      if (others) return [digits[i]!, ...others]
    }
    return undefined
  }
  return search(0, 10, size)
}

/** The first pair making ten, else the first three that do, else the first digit. */
function nextGroup(digits: readonly Left[]): readonly Left[] {
  return tenOf(digits, 2) ?? tenOf(digits, 3) ?? digits.slice(0, 1)
}

/** What is added next once it was said how many make ten; where they do not, the first ones are taken for it. */
function groupOf(digits: readonly Left[], size: number): readonly Left[] {
  return (size > 0 ? tenOf(digits, size) : undefined) ?? digits.slice(0, Math.max(1, size))
}

/** How much a new total adds at a place; undefined when it is no whole number of that place, or nothing. */
function addedAt(before: Decimal, after: Decimal, place: number): number | undefined {
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
      const digit = reading[i]!
      // Equal digits are taken from the front of their run only.
      if (digit !== previous && Number(digit) <= rest)
        search(i + 1, rest - Number(digit), kept + reading.slice(from, i))
      previous = digit
    }
  }
  search(0, sum, '')
  return [...found]
}

function canTake(readings: readonly string[], sum: number): boolean {
  return readings.some((r) => restsOf(r, sum).length > 0)
}

/** What is left after an entry; after a slip, whatever the expected step would have taken is gone. */
function taken(left: Remaining, before: Decimal, after: Decimal, place: number): Remaining {
  const sum = addedAt(before, after, place)
  const readings =
    sum === undefined
      ? []
      : [...new Set(left.readings.flatMap((r) => restsOf(r, sum)))].sort(longestFirst).slice(0, MOST_READINGS)
  if (readings.length > 0) {
    const digits = keep(left.digits, readings) ?? spell(readings[0]!)
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
function nearTen(digits: readonly Left[]): readonly Left[] | undefined {
  for (const [i, a] of digits.entries())
    for (const b of digits.slice(i + 1)) if (Math.abs(a.digit + b.digit - 10) === 1) return [a, b]
  return undefined
}

/** Digits to be taken by touch. Where they stand is not known after an order that could be read in two ways. */
function picksOf(total: Decimal, digits: readonly Left[], place: number): Picks {
  return {
    spots: digits.filter((d) => d.row >= 0).map((d): Spot => [d.row, place]),
    value: (chosen) => {
      const taken = digits.filter((d) => chosen.some(([row]) => row === d.row))
      return add(
        total,
        atPlace(
          taken.reduce((s, d) => s + d.digit, 0),
          place,
        ),
      )
    },
  }
}

/** Is a ten among the digits left, and of how many? */
function tenStep({ digits, readings }: Remaining, place: number, total: Decimal, lowest: number): Step {
  const sizes = TEN_SIZES.filter((size) => tenOf(digits, size))
  const [first = 0] = sizes.filter((size) => size < 4)
  const shown = digits.map((d) => String(d.digit))
  const group = groupOf(digits, first).map((d) => String(d.digit))
  // 2 may be the first total as well: whoever adds one by one says it.
  const isTotal = (n: Decimal) => {
    const added = addedAt(total, n, place)
    return added !== undefined && canTake(readings, added)
  }
  return step({
    action: 'decide',
    place,
    ask: PAIRS.decide(placeTitle(place), shown.join(' ')),
    why: first > 0 ? PAIRS.whyTen(group) : PAIRS.whyNone(shown),
    expect: decimal(first),
    // Whichever is decided, the next total may take any digits: one way past is enough.
    decision: [decimal(first)],
    also: (n) => n.scale === 0 && sizes.some((size) => BigInt(size) === n.units),
    writes: () => (isZero(total) ? BLANK : lineOf(total, lowest, true)),
    holds: [
      ...(isZero(total) ? [] : [{ what: 'total', value: total }]),
      ...(first > 0 ? [{ what: 'digits that make ten', value: decimal(first) }] : []),
    ],
    // Who takes digits by touch goes on to the total with them.
    picks: picksOf(total, digits, place),
    slips(slip) {
      if (sizes.length > 0) slip('ten-missed', ZERO, 6, at(place, PAIRS.missed(group)))
      for (const size of TEN_SIZES)
        if (!sizes.includes(size) && size <= digits.length && !isTotal(decimal(size)))
          slip('no-ten', decimal(size), size === 2 ? 5 : 1, at(place, PAIRS.noneOf(size, shown)))
    },
  })
}

function pairStep(total: Decimal, left: Remaining, place: number, lowest: number, more: () => boolean): Step {
  const { digits, readings, group } = left
  const sum = group.reduce((s, d) => s + d.digit, 0)
  const expect = add(total, atPlace(sum, place))
  const shown = digits.map((d) => d.digit).join(' ')
  const ten = group.length > 1
  return step({
    action: 'add-part',
    place,
    ask: PAIRS.ask(placeTitle(place), shown, isZero(total) ? undefined : toWords(total)),
    why: ten ? PAIRS.whyTen(group.map((d) => String(d.digit))) : PAIRS.whyOne,
    expect,
    also: (entry) => {
      const added = addedAt(total, entry, place)
      return added !== undefined && canTake(readings, added)
    },
    picks: picksOf(total, digits, place),
    after: (entry) => ({
      writes: lineOf(entry, lowest, more()),
      holds: more() ? [{ what: 'total', value: entry }] : [],
    }),
    writes: () => lineOf(expect, lowest, more()),
    holds: () => (more() ? [{ what: 'total', value: expect }] : []),
    reckons: [...group.map((d) => toText(atPlace(d.digit, place))), toText(total)].join(' + '),
    load: () => {
      const { facts } = digitTotal(group.map((d) => d.digit)).load()
      const added = sumLoad(digitsFrom(total, place), BigInt(sum))
      return { facts: [...facts, ...added.facts], carries: added.carries }
    },
    slips: (slip) => pairSlips(slip, total, left, sum, place, lowest),
  })
}

/** The digits of a total from a place up, as a number. */
function digitsFrom(total: Decimal, place: number): bigint {
  const shifted = decimal(total.units, total.scale + place)
  return shifted.units / 10n ** BigInt(shifted.scale)
}

function pairSlips(
  slip: SlipSink,
  total: Decimal,
  { digits, readings, group }: Remaining,
  sum: number,
  place: number,
  lowest: number,
): void {
  const shown = digits.map((d) => String(d.digit))
  const expect = add(total, atPlace(sum, place))
  const part = toWords(atPlace(sum, place))
  const right = `${toWords(total)} + ${part} = ${toWords(expect)}`
  if (nearTen(digits) && !canTake(readings, 10))
    slip('no-ten', add(total, atPlace(1, place + 1)), 5, at(place, PAIRS.noTen(shown)))
  if (digitAt(total, place) + (sum % 10) >= 10)
    slip('carry-lost', subtract(expect, atPlace(1, place + 1)), 7, at(place, REMARK.carryLost(right)))
  for (const wrong of [place - 1, place + 1])
    if (wrong >= lowest)
      slip(
        'wrong-place',
        add(total, atPlace(sum, wrong)),
        3,
        PAIRS.place(
          group.map((d) => String(d.digit)),
          place,
          part,
        ),
      )
  slip('part-left-out', total, 3, at(place, PAIRS.leftOut(shown)))
  slip('fact', add(expect, atPlace(-1, place)), 3, at(place, REMARK.tooFew(right)))
  slip('fact', add(expect, atPlace(1, place)), 3, at(place, REMARK.tooMany(right)))
}

/** Tens that were found (digits added together that made tens), and tens a teacher would have found. */
function tally(problem: Problem, entries: readonly Decimal[]): Tally {
  const sum = problem as SumProblem
  const { lowest, highest } = rangeOf(sum)
  let [found, of] = [0, 0]
  for (let place = highest; place >= lowest; place -= 1)
    for (let { digits } = digitsLeft(sum, place); digits.length > 0; ) {
      const group = nextGroup(digits)
      if (group.length > 1) of += 1
      digits = digits.filter((d) => !group.includes(d))
    }
  const work = pairwise(sum)
  let state = work.next()
  let total = ZERO
  for (const entry of entries) {
    if (state.done) break
    const { action, place } = state.value
    if (action === 'add-part') {
      const added = addedAt(total, entry, place) ?? 0
      if (added % 10 === 0 && !isNegative(entry)) found += added / 10
      total = entry
    }
    state = work.next(entry)
  }
  return { what: PAIRS.tally, found: Math.min(found, of), of }
}
