import { type Decimal, unitsAt } from '../number/decimal.js'
import { nonZeroDigits } from '../number/whole.js'
import { between, kept, mapped, pairs, type Space } from '../problem/space.js'

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

/** Is an entry a rounder number above n, in units of 10^-scale? Any such one serves as well. */
export function isRounder(entry: Decimal, n: bigint, scale: number): boolean {
  if (entry.scale > scale) return false
  const round = unitsAt(entry, scale)
  return round > n && nonZeroDigits(round) < nonZeroDigits(n)
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
