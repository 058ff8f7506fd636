/** Adding to a running total part by part: what the techniques that do so share. */

import {
  absolute,
  add,
  atPlace,
  type Decimal,
  digitAt,
  equal,
  highestPlace,
  isNegative,
  lowestPlace,
  subtract,
  toText,
  toWords,
  unitsAt,
} from '../../number/decimal.js'
import { placeName } from '../../number/places.js'
import { present } from '../../number/present.js'
import { size } from '../../number/whole.js'
import { isPlainSum, type Problem, type SumProblem, type Term } from '../../problem/problem.js'
import { PARTS, SUM_MISFIT } from '../../words/addition.js'
import { at } from '../../words/steps.js'
import type { Held, Step } from '../contract.js'
import { differenceLoad, type Load, sumLoad } from '../facts.js'
import { lineOf } from '../line.js'
import { type Misfit, misfit, type SlipSink, step } from '../make.js'
import { oneOff } from '../quantities/quantities.js'

/** Fits when something is added; the total may fall below zero on the way. */
export function readRunningTotal(problem: Problem): SumProblem | Misfit {
  if (problem.kind !== 'sum') return misfit(SUM_MISFIT.sums)
  return problem.terms.slice(1).every((t) => t.sign < 0) ? misfit(SUM_MISFIT.nothingAdded) : problem
}

/** Fits when every number is added. */
export function readPlainSum(problem: Problem): SumProblem | Misfit {
  if (problem.kind !== 'sum') return misfit(SUM_MISFIT.sums)
  return isPlainSum(problem) ? problem : misfit(SUM_MISFIT.minus)
}

/** The places a problem spans, and whether it both adds and takes away. */
export interface Range {
  readonly lowest: number
  readonly highest: number
  readonly mixed: boolean
}

/** @returns the places a problem spans, with the decimals of all its terms. */
export function rangeOf(problem: SumProblem): Range {
  return {
    lowest: Math.min(...problem.terms.map((t) => lowestPlace(t.size))),
    highest: Math.max(...problem.terms.map((t) => highestPlace(t.size))),
    mixed: !isPlainSum(problem),
  }
}

/** One non-zero digit of a term with its place, as it is added or taken away. */
export interface Part {
  readonly value: Decimal
  readonly digit: number
  readonly place: number
}

/** The parts of some terms, each term from its highest place. */
export function partsOf(terms: readonly Term[]): Part[] {
  return terms.flatMap(({ sign, size: number }) => {
    const parts: Part[] = []
    for (let place = highestPlace(number); place >= lowestPlace(number); place -= 1) {
      const digit = digitAt(number, place)
      if (digit > 0) parts.push({ value: atPlace(sign * digit, place), digit, place })
    }
    return parts
  })
}

type Adding = Generator<Step, Decimal, Decimal>

/**
 * Adds parts group by group. Within a group any order will do, and several parts at once: a total is right when it is
 * the last one and some of what is left of the group.
 * @param sweeping only the totals are said, no signs
 */
export function* addParts(
  start: Decimal,
  groups: readonly (readonly Part[])[],
  range: Range,
  sweeping = false,
): Adding {
  let total = start
  if (groups.every((g) => g.length === 0)) return yield sayTotal(total, range.lowest)
  for (const [g, group] of groups.entries()) {
    let left = group
    while (left.length > 0) {
      const next = left[1] ?? groups.slice(g + 1).find((later) => later.length > 0)?.[0]
      const [before, open] = [total, left]
      total = yield partStep(before, open, next, range, sweeping)
      left = afterwards(before, total, open)
    }
  }
  return total
}

/** What is left of a group after a total was said; after a slip the part that was asked for is gone. */
function afterwards(before: Decimal, after: Decimal, left: readonly Part[]): readonly Part[] {
  return without(subtract(after, before), left) ?? left.slice(1)
}

/** The parts that remain when some that come to a sum are taken out, the first ones for choice; undefined where none do. */
function without(sum: Decimal, parts: readonly Part[]): readonly Part[] | undefined {
  const alone = parts.findIndex((p) => equal(p.value, sum))
  if (alone >= 0) return parts.toSpliced(alone, 1)
  const scale = Math.max(sum.scale, ...parts.map((p) => p.value.scale))
  const values = parts.map((p) => unitsAt(p.value, scale))
  // What the parts from each on come to: a larger rest is out of their reach.
  const reach = values.map((_, i) => values.slice(i).reduce((all, v) => all + size(v), 0n))
  // Parts that cannot make up a rest need not be tried for it again.
  const hopeless = new Set<string>()
  const search = (i: number, rest: bigint, kept: readonly Part[]): readonly Part[] | undefined => {
    if (rest === 0n) return [...kept, ...parts.slice(i)]
    // All of one sign, so what is over can never come back.
    if (i === parts.length || rest > 0n !== present(values[i]) > 0n) return undefined
    if (size(rest) > present(reach[i]) || hopeless.has(`${i} ${rest}`)) return undefined
    const taken =
      size(present(values[i])) <= size(rest) ? search(i + 1, rest - present(values[i]), kept) : undefined
    const found = taken ?? search(i + 1, rest, [...kept, present(parts[i])])
    if (!found) hopeless.add(`${i} ${rest}`)
    return found
  }
  const whole = unitsAt(sum, scale)
  return whole === 0n ? undefined : search(0, whole, [])
}

/** Do some parts come to a sum, other than several from the front? Those are a later total, and read as such. */
function isOtherOrder(sum: Decimal, parts: readonly Part[]): boolean {
  // One part alone goes less far than several that come to the same.
  if (parts.some((p) => equal(p.value, sum))) return true
  let front = present(parts[0]).value
  for (const part of parts.slice(1)) {
    front = add(front, part.value)
    if (equal(front, sum)) return false
  }
  return without(sum, parts) !== undefined
}

function partStep(
  total: Decimal,
  left: readonly Part[],
  next: Part | undefined,
  range: Range,
  sweeping: boolean,
): Step {
  const part = present(left[0])
  const { place } = part
  const expect = add(total, part.value)
  const taken = isNegative(part.value)
  const said = toWords(absolute(part.value))
  const more = next !== undefined
  const holds: Held[] = [{ what: 'total', value: expect }]
  if (next)
    holds.push({
      what: isNegative(next.value) ? 'still to take away' : 'still to add',
      value: absolute(next.value),
    })
  return step({
    action: taken ? 'take-part' : 'add-part',
    place,
    ask: sweeping
      ? PARTS.now(said)
      : taken
        ? PARTS.take(toWords(total), said)
        : PARTS.add(toWords(total), said),
    why: PARTS.why(place, taken),
    expect,
    also: left.length > 1 ? (entry) => isOtherOrder(subtract(entry, total), left) : undefined,
    writes: () => lineOf(expect, range.lowest, more),
    after: (entry) => ({
      writes: lineOf(entry, range.lowest, more),
      holds: more ? [{ what: 'total', value: entry }] : [],
    }),
    holds: more ? holds : [],
    reckons: `${toText(total)} ${taken ? '−' : '+'} ${toText(absolute(part.value))}`,
    load: () => loadOf(total, part.value),
    slips: (slip) => partSlips(slip, total, part, next, expect, range),
  })
}

/** The facts of adding a signed part to a signed total. */
export function loadOf(total: Decimal, value: Decimal): Load {
  const scale = Math.max(total.scale, value.scale)
  const [t, v] = [unitsAt(total, scale), unitsAt(value, scale)]
  if (t < 0n === v < 0n || t === 0n) return sumLoad(size(t), size(v))
  return size(t) >= size(v) ? differenceLoad(size(t), size(v)) : differenceLoad(size(v), size(t))
}

function partSlips(
  slip: SlipSink,
  total: Decimal,
  part: Part,
  next: Part | undefined,
  expect: Decimal,
  range: Range,
): void {
  const { digit, place, value } = part
  const taken = isNegative(value)
  const sign = taken ? -1 : 1
  const said = toWords(absolute(value))
  const right = `${toWords(total)} ${taken ? '−' : '+'} ${said} = ${toWords(expect)}`
  // Below zero the digits run the other way: only the plain mistakes are looked for.
  if (!isNegative(total) && !isNegative(expect)) {
    const standing = digitAt(total, place)
    const left = placeName(place + 1)
    const lost = subtract(expect, atPlace(sign, place + 1))
    if (taken && standing < digit)
      slip(
        'borrow-missed',
        lost,
        8,
        at(place, PARTS.borrow(`${standing + 10} − ${digit} = ${standing + 10 - digit}`, left)),
      )
    if (!taken && standing + digit > 9)
      slip(
        'carry-lost',
        lost,
        8,
        at(place, PARTS.carry(`${standing} + ${digit} = ${standing + digit}`, left)),
      )
  }
  for (const [wrong, odds] of [
    [place - 1, 4],
    [place + 1, 2],
  ] as const)
    if (wrong >= range.lowest && wrong <= Math.max(range.highest, 1))
      slip(
        'wrong-place',
        add(total, atPlace(sign * digit, wrong)),
        odds,
        PARTS.place(String(digit), wrong, said),
      )
  slip('part-left-out', total, 3, PARTS.leftOut(said))
  if (next) slip('part-left-out', add(total, next.value), 3, PARTS.leftOut(said))
  if (range.mixed) slip('wrong-sign', subtract(total, value), 3, taken ? PARTS.minus(said) : PARTS.plus(said))
  oneOff(slip, expect, atPlace(1, place), 3, right)
}

/** When every later term is 0 there is nothing to add, but the total must still be said. */
export function sayTotal(total: Decimal, lowest: number): Step {
  return step({
    action: 'say-total',
    place: lowest,
    ask: PARTS.nothing(toWords(total)),
    why: PARTS.whyNothing,
    expect: total,
    writes: () => lineOf(total, lowest),
    slips: (slip) => oneOff(slip, total, atPlace(1, lowest), 1, `${toWords(total)} + 0 = ${toWords(total)}`),
  })
}
