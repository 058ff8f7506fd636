/** Problems for abacus addition, counted by the kinds of move they need. */
import { decimal } from '../number/decimal.js'
import { InputError } from '../problem/error.js'
import type { Problem, Term } from '../problem/problem.js'
import { digitsAllowed, shape } from '../problem/shape.js'
import { countColumns, mapped, type ProblemSpace } from '../problem/space.js'
import { sumSpace } from '../problem/sums.js'
import { kindOf, type MoveKind } from './moves.js'

/** Exact numbers of rod moves of each kind after the first number is set; what is left out is free. */
export interface KindCounts {
  readonly five?: number | undefined
  readonly ten?: number | undefined
  readonly tenFive?: number | undefined
  /** Moves whose ten is passed on along nines or zeros. */
  readonly cascade?: number | undefined
}

export interface ChainDials extends KindCounts {
  readonly terms: number
  readonly digits: number
  readonly decimals?: number
  /** Some numbers are taken away (in a chain of two, the second is). */
  readonly minus?: boolean
}

interface Counts {
  readonly five: number
  readonly ten: number
  readonly tenFive: number
  readonly cascade: number
}

const NONE: Counts = { five: 0, ten: 0, tenFive: 0, cascade: 0 }
const KEYS = ['five', 'ten', 'tenFive', 'cascade'] as const

/** What numbering chains with subtraction may take: terms times the values one number may have. */
const MOST_WALKED = 100_000

/**
 * All chains that satisfy the dials. Chains of two are counted rod by rod, of any length; longer ones number by
 * number over what stands on the frame.
 * @throws InputError for what cannot be counted.
 */
export function chainSpace(dials: ChainDials): ProblemSpace {
  const { terms, digits, decimals = 0, minus = false } = dials
  if (terms === 2) return pairSpace(dials)
  if (KEYS.some((k) => dials[k] !== undefined)) {
    if (digits <= 2) return countedChains(dials)
    throw new InputError('Kinds of move are counted for two numbers, or for numbers of up to two digits.')
  }
  if (!minus)
    return sumSpace({ terms: Array.from({ length: terms }, () => shape(digits - decimals, decimals)) })
  if (terms * 10 ** digits <= MOST_WALKED) return walkedChains(dials)
  throw new InputError(
    'Longer chains with subtraction are made of numbers of up to four digits, of up to three for more than ten.',
  )
}

function counted(before: Counts, kind: MoveKind, cascades: boolean): Counts {
  return {
    five: before.five + (kind === 'five' ? 1 : 0),
    ten: before.ten + (kind === 'ten' ? 1 : 0),
    tenFive: before.tenFive + (kind === 'ten-five' ? 1 : 0),
    cascade: before.cascade + (cascades ? 1 : 0),
  }
}

function beyond(counts: Counts, want: KindCounts): boolean {
  return KEYS.some((k) => counts[k] > (want[k] ?? Infinity))
}

function met(counts: Counts, want: KindCounts): boolean {
  return KEYS.every((k) => counts[k] === (want[k] ?? counts[k]))
}

function keyOf(counts: Counts, want: KindCounts): string {
  return KEYS.map((k) => (want[k] === undefined ? '' : counts[k])).join()
}

interface PairState {
  readonly counts: Counts
  /** The rod on the left shows 9 (adding) or 0 (taking away), so that a ten coming to it is passed on. */
  readonly passes: boolean
  /** Taking away: the numbers are equal so far, so no ten may be asked for. */
  readonly equal: boolean
}

/** Two numbers, worked from the left: the rod on the left is done when the next one is moved. */
function pairSpace({ digits, decimals = 0, minus = false, ...want }: ChainDials): ProblemSpace {
  const form = shape(digits - decimals, decimals)
  const space = countColumns<PairState, readonly [number, number]>({
    count: digits,
    start: { counts: NONE, passes: false, equal: true },
    choices(column, before) {
      const place = form.whole - 1 - column
      return digitsAllowed(form, place).flatMap((top) =>
        digitsAllowed(form, place).flatMap((bottom) => {
          if (minus && before.equal && top < bottom) return []
          const tens = minus ? top < bottom : top + bottom > 9
          const kind = bottom === 0 ? 'direct' : kindOf(top, minus ? -bottom : bottom)
          const counts = counted(before.counts, kind, tens && before.passes)
          const shows = (((minus ? top - bottom : top + bottom) % 10) + 10) % 10
          const next = { counts, passes: shows === (minus ? 0 : 9), equal: before.equal && top === bottom }
          return beyond(counts, want) ? [] : [{ what: [top, bottom] as const, next }]
        }),
      )
    },
    // A difference of 0 is left out.
    accepts: (s) => met(s.counts, want) && !(minus && s.equal),
    key: (s) => `${keyOf(s.counts, want)} ${want.cascade === undefined ? '' : s.passes} ${minus && s.equal}`,
  })
  return mapped(space, (columns): Problem => {
    const read = (side: 0 | 1) => decimal(BigInt(columns.map((c) => c[side]).join('')), decimals)
    return {
      kind: 'sum',
      terms: [
        { sign: 1, size: read(0) },
        { sign: minus ? -1 : 1, size: read(1) },
      ],
    }
  })
}

interface ChainState {
  readonly counts: Counts
  readonly value: number
  readonly taken: boolean
}

/** Number by number over what stands on the frame; it never falls below zero, and ends above it. */
function countedChains({ terms, digits, decimals = 0, minus = false, ...want }: ChainDials): ProblemSpace {
  const numbers = Array.from({ length: 9 * 10 ** (digits - 1) }, (_, i) => i + 10 ** (digits - 1)).filter(
    (n) => decimals === 0 || n % 10 > 0,
  )
  const space = countColumns<ChainState, number>({
    count: terms,
    start: { counts: NONE, value: 0, taken: false },
    choices(column, before) {
      const signs = minus && column > 0 ? [1, -1] : [1]
      return signs.flatMap((sign) =>
        numbers.flatMap((n) => {
          if (before.value + sign * n < 0) return []
          const counts = column > 0 ? countMoves(before.counts, before.value, sign * n) : before.counts
          const next = { counts, value: before.value + sign * n, taken: before.taken || sign < 0 }
          return beyond(counts, want) ? [] : [{ what: sign * n, next }]
        }),
      )
    },
    accepts: (s) => met(s.counts, want) && s.value > 0 && (s.taken || !minus),
    key: (s) => `${s.value} ${keyOf(s.counts, want)} ${minus && s.taken}`,
  })
  return mapped(space, (numbers) => chainOf(numbers, decimals))
}

function chainOf(numbers: readonly number[], decimals: number): Problem {
  return {
    kind: 'sum',
    terms: numbers.map((n): Term => ({ sign: n < 0 ? -1 : 1, size: decimal(Math.abs(n), decimals) })),
  }
}

/**
 * Chains with something taken away, as walks over the value on the frame. The ways on from each value are kept as
 * running sums over the values, so that a range of numbers is counted by a difference and one of them found by
 * halving: numbers too long to try each.
 */
function walkedChains({ terms, digits, decimals = 0 }: ChainDials): ProblemSpace {
  const low = 10 ** (digits - 1)
  const high = 10 * low - 1
  /** Numbers up to n; with decimals the last digit is never 0. */
  const upTo = (n: number) => BigInt(n - low + 1 - (decimals > 0 ? Math.floor(n / 10) - low / 10 + 1 : 0))
  /** By how many numbers are still to come: the ways on from a value. */
  const ways: RunningSums[] = [new RunningSums(terms * high, (value) => (value > 0 ? 1n : 0n))]
  /** Ways on from a value by first adding, or taking away, a number up to n. */
  const on = (left: number, value: number, sign: number, n: number) => {
    const most = sign > 0 ? n : Math.min(n, value)
    if (most < low) return 0n
    const sums = ways[left - 1]!
    const [near, far] = [value + sign * low, value + sign * most]
    const round = value + sign * (most - (most % 10))
    return sums.over(near, far) - (decimals > 0 ? sums.overTenths(near, round) : 0n)
  }
  for (let left = 1; left < terms; left += 1)
    ways.push(new RunningSums((terms - left) * high, (v) => on(left, v, 1, high) + on(left, v, -1, high)))
  /** Of those, the ways that only add do not count as long as nothing is taken away. */
  const adding = (left: number) => upTo(high) ** BigInt(left)
  const size = on(terms, 0, 1, high) - adding(terms)
  return {
    size,
    at(index) {
      if (index < 0n || index >= size) throw new RangeError('No problem has this number.')
      const chosen: number[] = []
      let [rest, value, taken] = [index, 0, false]
      for (let left = terms; left > 0; left -= 1) {
        const lost = taken ? 0n : adding(left - 1)
        const add = (n: number) => on(left, value, 1, n) - lost * upTo(n)
        const take = (n: number) => on(left, value, -1, n)
        const sign = rest < add(high) ? 1 : -1
        if (sign < 0) rest -= add(high)
        const count = sign > 0 ? add : take
        const n = firstAbove(low, high, (n) => count(n) > rest)
        if (n > low) rest -= count(n - 1)
        chosen.push(sign * n)
        value += sign * n
        taken ||= sign < 0
      }
      return chainOf(chosen, decimals)
    },
  }
}

/** Sums of a function over ranges of the whole numbers from 0 to `most`. */
class RunningSums {
  private readonly all: bigint[] = [0n]
  private readonly tenths: bigint[] = []

  constructor(most: number, of: (value: number) => bigint) {
    for (let value = 0; value <= most; value += 1) {
      const here = of(value)
      this.all.push(this.all[value]! + here)
      this.tenths.push((this.tenths[value - 10] ?? 0n) + here)
    }
  }

  /** Over all from one value to another, both included, in either order. */
  over(a: number, b: number): bigint {
    return this.all[Math.max(a, b) + 1]! - this.all[Math.min(a, b)]!
  }

  /** Over every tenth of them; the two are a multiple of ten apart. */
  overTenths(a: number, b: number): bigint {
    return this.tenths[Math.max(a, b)]! - (this.tenths[Math.min(a, b) - 10] ?? 0n)
  }
}

/** The first whole number from low to high for which something holds that holds for all beyond it. */
function firstAbove(low: number, high: number, holds: (n: number) => boolean): number {
  let [from, to] = [low, high]
  while (from < to) {
    const middle = Math.floor((from + to) / 2)
    if (holds(middle)) to = middle
    else from = middle + 1
  }
  return from
}

/** The kinds of move that a number of up to two digits makes on a frame showing a value, from the left. */
function countMoves(before: Counts, value: number, number: number): Counts {
  const sign = number < 0 ? -1 : 1
  let [counts, shown] = [before, value]
  for (const unit of [10, 1]) {
    const d = Math.floor(Math.abs(number) / unit) % 10
    if (d === 0) continue
    const v = Math.floor(shown / unit) % 10
    const tens = sign > 0 ? v + d > 9 : v < d
    const left = Math.floor(shown / (10 * unit)) % 10
    counts = counted(counts, kindOf(v, sign * d), tens && left === (sign > 0 ? 9 : 0))
    shown += sign * d * unit
  }
  return counts
}
