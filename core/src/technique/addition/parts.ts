/** Adding to a running total part by part: the steps and slips shared by the techniques that do so. */
import {
  absolute,
  add,
  atPlace,
  type Decimal,
  digitAt,
  highestPlace,
  isNegative,
  lowestPlace,
  subtract,
  toWords,
  ZERO,
} from '../../number/decimal.js'
import { placeName, placeTitle } from '../../number/places.js'
import { isPlainSum, type Problem, type SumProblem, signed, type Term } from '../../problem/problem.js'
import type { Fact, Held, Step } from '../contract.js'
import type { Load } from '../facts.js'
import { lineOf } from '../line.js'
import { type Misfit, misfit, offByOne, type SlipSink, step } from '../make.js'

/** Fits when something is added and no running total falls below zero on the way. */
export function readRunningTotal(problem: Problem): SumProblem | Misfit {
  if (problem.kind !== 'sum') return misfit(ONLY_SUMS)
  if (problem.terms.slice(1).every((t) => t.sign < 0))
    return misfit('nothing is added here; take a way of subtracting')
  let total = ZERO
  for (const term of problem.terms) {
    total = add(total, signed(term))
    if (isNegative(total)) return misfit('the total would fall below zero on the way')
  }
  return problem
}

/** Fits when every number is added. */
export function readPlainSum(problem: Problem): SumProblem | Misfit {
  if (problem.kind !== 'sum') return misfit(ONLY_SUMS)
  return isPlainSum(problem) ? problem : misfit('every number must be added, none taken away')
}

const ONLY_SUMS = 'it works sums, and this is none'

/** @returns the places a problem spans, with the decimals of all its terms. */
export function rangeOf(problem: SumProblem): Range {
  return {
    lowest: Math.min(...problem.terms.map((t) => lowestPlace(t.size))),
    highest: Math.max(...problem.terms.map((t) => highestPlace(t.size))),
    mixed: !isPlainSum(problem),
  }
}

/** One non-zero digit of a later term with its place, as it is added or taken away. */
export interface Part {
  readonly value: Decimal
  readonly digit: number
  readonly place: number
}

/** The parts of some terms, each term from its highest place. */
export function partsOf(terms: readonly Term[]): Part[] {
  return terms.flatMap(({ sign, size }) => {
    const parts: Part[] = []
    for (let place = highestPlace(size); place >= lowestPlace(size); place -= 1) {
      const digit = digitAt(size, place)
      if (digit > 0) parts.push({ value: atPlace(sign * digit, place), digit, place })
    }
    return parts
  })
}

/** The places of a problem, and whether it both adds and takes away. */
export interface Range {
  readonly lowest: number
  readonly highest: number
  /** Some terms are added and some taken away. */
  readonly mixed: boolean
}

/** The step that adds a part to the total or takes it away. `next` is the part that follows. */
export function addPart(total: Decimal, part: Part, next: Part | undefined, range: Range): Step {
  const expect = add(total, part.value)
  const { place } = part
  const taken = isNegative(part.value)
  const size = toWords(absolute(part.value))
  const load = digitWork(total, part)
  const holds: Held[] = [{ what: 'total', value: expect }]
  if (next)
    holds.push({
      what: isNegative(next.value) ? 'still to take away' : 'still to add',
      value: absolute(next.value),
    })
  return step({
    action: taken ? 'take-part' : 'add-part',
    place,
    ask: taken
      ? `Take ${size} from ${toWords(total)}.`
      : `${toWords(total)} and ${size} more: what is the total?`,
    why: taken
      ? `The ${placeName(place)} of the number come off in one go; only the ${placeName(place)} and what they borrow from change.`
      : `The ${placeName(place)} of the number go in at one go; only the ${placeName(place)} and what they carry into change.`,
    expect,
    writes: lineOf(expect, range.lowest, next !== undefined),
    holds,
    load,
    slips: (slip) => partSlips(slip, total, part, next, expect, load.carries, range),
  })
}

/** The fact at the part's place, one more for each digit the carry or borrow reaches, and how many those are. */
function digitWork(total: Decimal, { digit, place, value }: Part): Load {
  const standing = digitAt(total, place)
  if (isNegative(value)) {
    if (standing >= digit) return { facts: [`${standing}-${digit}`], carries: 0 }
    const facts: Fact[] = [`${standing + 10}-${digit}`]
    let at = place + 1
    // After a slip the total may be too small to take the part from: then there is nothing left to borrow.
    while (digitAt(total, at) === 0 && at < highestPlace(total)) at += 1
    if (digitAt(total, at) > 1) facts.push(`${digitAt(total, at)}-1`)
    return { facts, carries: at - place }
  }
  if (standing === 0) return { facts: [], carries: 0 }
  const facts: Fact[] = [`${standing}+${digit}`]
  if (standing + digit < 10) return { facts, carries: 0 }
  let at = place + 1
  while (digitAt(total, at) === 9) at += 1
  if (digitAt(total, at) > 0) facts.push(`${digitAt(total, at)}+1`)
  return { facts, carries: at - place }
}

function partSlips(
  slip: SlipSink,
  total: Decimal,
  part: Part,
  next: Part | undefined,
  expect: Decimal,
  carries: number,
  range: Range,
): void {
  const { digit, place, value } = part
  const standing = digitAt(total, place)
  const taken = isNegative(value)
  const sign = taken ? -1 : 1
  const verb = taken ? 'Take' : 'Add'
  const size = toWords(absolute(value))
  const here = placeName(place)

  if (carries > 0) {
    const lost = subtract(expect, atPlace(sign, place + 1))
    const fact = taken ? `${standing} − ${digit} is short` : `${standing} + ${digit} is ${standing + digit}`
    const left = placeName(place + 1)
    if (taken) slip('lost-borrow', lost, 8, `${placeTitle(place)}: ${fact}, so the ${left} come one lower.`)
    else slip('lost-carry', lost, 8, `${placeTitle(place)}: ${fact}; its ten makes the ${left} one more.`)
  }
  for (const [wrong, odds] of [
    [place - 1, 4],
    [place + 1, 2],
  ] as const) {
    if (wrong < range.lowest || wrong > Math.max(range.highest, 1)) continue
    const remark = `The ${digit} went in at the ${placeName(wrong)}. It stands at the ${here}: ${verb.toLowerCase()} ${size}.`
    slip('wrong-place', add(total, atPlace(sign * digit, wrong)), odds, remark)
  }
  slip(
    'part-left-out',
    total,
    3,
    `The ${size} is still to come: ${verb.toLowerCase()} it to the total before going on.`,
  )
  if (next)
    slip(
      'part-left-out',
      add(total, next.value),
      3,
      `The ${size} was passed over. ${verb} it first, then the next part.`,
    )
  if (range.mixed)
    slip(
      'wrong-sign',
      subtract(total, value),
      3,
      taken ? `This part is taken away: ${size} less.` : `This part is added: ${size} more.`,
    )
  const fact = taken
    ? `${standing < digit ? standing + 10 : standing} − ${digit} = ${(standing < digit ? standing + 10 : standing) - digit}`
    : `${standing} + ${digit} = ${standing + digit}`
  offByOne(slip, expect, atPlace(1, place), 3, `${placeTitle(place)}: ${fact}`)
}

/** When every later term is 0 there is nothing to add, but the total must still be said. */
export function sayTotal(total: Decimal, lowest: number): Step {
  return step({
    action: 'say-total',
    place: lowest,
    ask: `Nothing is added to ${toWords(total)}: what is the total?`,
    why: 'Adding zero changes nothing.',
    expect: total,
    writes: lineOf(total, lowest),
  })
}
