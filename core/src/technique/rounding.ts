import { type Decimal, decimal, toWords, unitsAt } from '../number/decimal.js'
import { lengthOf, nonZeroDigits } from '../number/whole.js'
import { between, kept, mapped, pairs, type Space } from '../problem/space.js'
import type { Step } from './contract.js'
import { BLANK } from './line.js'
import { step } from './make.js'

/** A rounder number above and what it is too large by: 398 is 400 less 2. */
export interface Rounded {
  readonly round: bigint
  readonly over: bigint
}

/**
 * The round number just above a number, where rounding up makes the work lighter: the digits left to handle
 * (those of the round number and of the surplus) are fewer, or the round number has just one. The surplus is at
 * most a third of the unit rounded to.
 * @returns undefined where no rounding pays.
 */
export function roundedUp(n: bigint): Rounded | undefined {
  let best: Rounded | undefined
  let bestDigits = nonZeroDigits(n)
  for (let unit = 10n; unit <= 10n * n; unit *= 10n) {
    const over = (unit - (n % unit)) % unit
    const round = n + over
    const digits = nonZeroDigits(round) + nonZeroDigits(over)
    const pays = digits < bestDigits || (nonZeroDigits(round) === 1 && digits <= bestDigits)
    if (over > 0n && 3n * over <= unit && pays) {
      best = { round, over }
      bestDigits = digits
    }
  }
  return best
}

/**
 * Asks to round a number up; any rounder number above it will do, since what follows goes on from the entry.
 * @param number in units of 10^-scale, like the round number. @returns the round number taken.
 */
export function* roundStep(given: {
  readonly number: bigint
  readonly round: bigint
  readonly scale: number
  readonly opening?: string
}): Generator<Step, bigint, Decimal> {
  const { number, round, scale, opening = '' } = given
  const words = (n: bigint) => toWords(decimal(n, scale))
  const over = round - number
  const entry = yield step({
    action: 'round',
    place: lengthOf(round) - 1 - scale,
    ask: `${opening}Round ${words(number)} up: to what?`,
    why: `It lies ${words(over)} below.`,
    expect: decimal(round, scale),
    also(other) {
      if (other.scale > scale) return false
      const rounder = unitsAt(other, scale)
      return rounder > number && nonZeroDigits(rounder) < nonZeroDigits(number)
    },
    writes: BLANK,
    holds: [{ what: 'round', value: decimal(round, scale) }],
    slips(slip) {
      const down = number - (number % 10n ** BigInt(lengthOf(over)))
      slip('rounded-down', decimal(down, scale), 3, `Upwards: ${words(round)} is ${words(over)} more.`)
    },
  })
  return unitsAt(entry, scale)
}

/** The numbers of so many digits that lie just below a round one, with a surplus of at most `most` where that is set. */
export function justBelow(digits: number, most?: number): Space<bigint> {
  const low = digits === 1 ? 1n : 10n ** BigInt(digits - 1)
  return kept(between(low, 10n ** BigInt(digits) - 1n), (n) => {
    const rounded = roundedUp(n)
    return rounded !== undefined && (most === undefined || rounded.over <= BigInt(most))
  })
}

/** Numbers of so many digits, the first never 0. */
export function ofDigits(digits: number, least = 1n): Space<bigint> {
  const low = digits === 1 ? least : 10n ** BigInt(digits - 1)
  return between(low, 10n ** BigInt(digits) - 1n)
}

/** Both orders of every pairing of two spaces that have nothing in common, else each pair once in each order. */
export function eitherWay(first: Space<bigint>, second: Space<bigint>): Space<readonly [bigint, bigint]> {
  return mapped(pairs(between(0, 1), pairs(first, second)), ([turned, [a, b]]) =>
    turned === 0n ? [a, b] : [b, a],
  )
}
