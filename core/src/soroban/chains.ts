/** Problems for abacus addition, counted by the kinds of move they need. */
import { decimal } from '../number/decimal.js'
import { InputError } from '../problem/error.js'
import type { Problem, Term } from '../problem/problem.js'
import { digitsAllowed, shape } from '../problem/shape.js'
import { countColumns, mapped, type ProblemSpace } from '../problem/space.js'
import { sumSpace } from '../problem/sums.js'
import { uneven } from '../technique/quantities/boards.js'
import { kindOf, type MoveKind } from './moves.js'
import { signedWalks } from './walks.js'

/** Exact numbers of rod moves of each kind after the first number is set; what is left out is free. */
export interface KindCounts {
  readonly five?: number | undefined
  readonly ten?: number | undefined
  readonly tenFive?: number | undefined
  /** Moves whose ten is passed on along nines or zeros. */
  readonly cascade?: number | undefined
}

export interface ChainParameters extends KindCounts {
  readonly terms: number
  readonly digits: number
  /** Digits of the shortest number, where not all are as long. */
  readonly shortest?: number
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
 * All chains that satisfy the parameters. Chains of two are counted rod by rod, of any length; longer ones number by
 * number over what stands on the frame.
 * @throws InputError for what cannot be counted.
 */
export function chainSpace(parameters: ChainParameters): ProblemSpace {
  const { terms, digits, shortest = digits, decimals = 0, minus = false } = parameters
  if (shortest !== digits) {
    if (minus || decimals > 0 || KEYS.some((k) => parameters[k] !== undefined))
      throw new InputError('Numbers of different length are whole and added, with any kind of move.')
    return sumSpace({ terms: uneven(terms, digits, shortest) })
  }
  if (terms === 2) return pairSpace(parameters)
  if (KEYS.some((k) => parameters[k] !== undefined)) {
    if (digits <= 2) return countedChains(parameters)
    throw new InputError('Kinds of move are counted for two numbers, or for numbers of up to two digits.')
  }
  if (!minus)
    return sumSpace({ terms: Array.from({ length: terms }, () => shape(digits - decimals, decimals)) })
  if (terms * 10 ** digits <= MOST_WALKED)
    return mapped(signedWalks(terms, digits, decimals > 0), (numbers) => chainOf(numbers, decimals))
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
function pairSpace({ digits, decimals = 0, minus = false, ...want }: ChainParameters): ProblemSpace {
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
function countedChains({
  terms,
  digits,
  decimals = 0,
  minus = false,
  ...want
}: ChainParameters): ProblemSpace {
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
