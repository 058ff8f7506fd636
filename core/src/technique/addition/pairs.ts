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
import { present } from '../../number/present.js'
import type { Problem, SumProblem } from '../../problem/problem.js'
import { type AnswerKind, SIGNED } from '../../question/kind.js'
import { PAIRS } from '../../words/addition.js'
import { at, REMARK } from '../../words/steps.js'
import type { NumberWork, Picks, Spot, Step, Tally } from '../contract.js'
import { sumLoad } from '../facts.js'
import { BLANK, lineOf } from '../line.js'
import { type SlipSink, step, technique } from '../make.js'
import { sumBoard } from '../quantities/boards.js'
import { digitTotal } from './columns.js'
import {
  addedAt,
  canTake,
  digitsLeft,
  groupOf,
  type Left,
  nearTen,
  nextGroup,
  type Remaining,
  TEN_SIZES,
  taken,
  tenOf,
} from './left.js'
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
  parameters: sumBoard([3, 15]),
  read: readPlainSum,
  tally,
  work: pairwise,
})

function* pairwise(problem: SumProblem): NumberWork {
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

/** How many make ten; which they are is read too: "3 and 7", "2 + 3 + 5". */
const TENS_KIND: AnswerKind<Decimal> = {
  ...SIGNED,
  alsoTyped: [...(SIGNED.alsoTyped ?? []), '+'],
  begins: (text) => /^\d(?:\+\d?)*$/.test(text) || SIGNED.begins(text),
  read(text) {
    const digits = text.match(/^\s*\d(?:\s*(?:and|\+|,|\s)\s*\d)+\s*$/) ? present(text.match(/\d/g)) : []
    if (digits.length === 0) return SIGNED.read(text)
    const sum = digits.reduce((total, d) => total + Number(d), 0)
    return decimal(sum === 10 ? digits.length : sum)
  },
}

const isTenSaid = (n: Decimal) => n.scale === 0 && n.units === 10n

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
    kind: TENS_KIND,
    // People say which they are, or that they make ten.
    meant: (n) => (first > 0 && isTenSaid(n) ? decimal(first) : undefined),
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
  slip('fact', add(expect, atPlace(-1, place)), 3, at(place, REMARK.off(right)))
  slip('fact', add(expect, atPlace(1, place)), 3, at(place, REMARK.off(right)))
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
