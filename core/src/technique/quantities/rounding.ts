/** Rounding up, for the techniques that adjust afterwards, and the numbers that invite it. */
import { type Decimal, decimal, toWords, unitsAt } from '../../number/decimal.js'
import { lengthOf, nonZeroDigits } from '../../number/whole.js'
import { between, kept, mapped, pairs, type Space } from '../../problem/space.js'
import { ROUNDING } from '../../words/multiplication.js'
import type { Step } from '../contract.js'
import { step } from '../make.js'

/** A rounder number above and what it is too large by: 398 is 400 less 2. */
export interface Rounded {
  readonly round: bigint
  readonly over: bigint
}

/**
 * The round number just above a number. Best is one that makes the work lighter: the digits left to handle (those of the
 * round number and of the surplus) are fewer, or the round number has just one; its surplus is at most a third of the
 * unit rounded to. Else the next ten: any surplus of one digit counts as near.
 * @returns undefined for a number that is round itself.
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
  return best ?? nextTen(n)
}

function nextTen(n: bigint): Rounded | undefined {
  const over = (10n - (n % 10n)) % 10n
  return over > 0n && n > 9n ? { round: n + over, over } : undefined
}

/**
 * Asks to round a number up; any rounder number above it will do, since what follows goes on from the entry.
 * @param number in units of 10^-scale, like the round number. @returns the round number taken.
 */
export function* roundStep(given: {
  readonly number: bigint
  readonly round: bigint
  readonly scale: number
}): Generator<Step, bigint, Decimal> {
  const { number, round, scale } = given
  const words = (n: bigint) => toWords(decimal(n, scale))
  const over = round - number
  const ten = nextTen(number)?.round ?? round
  const entry = yield step({
    action: 'round',
    place: -scale,
    ask: ROUNDING.askOf(words(number)),
    why: ROUNDING.why(words(number), words(over), words(round)),
    expect: decimal(round, scale),
    decision: [...new Set([round, ten])].map((n) => decimal(n, scale)),
    also(other) {
      if (other.scale > scale) return false
      const rounder = unitsAt(other, scale)
      return rounder < 2n * number + 10n && liesJustAbove(rounder, number)
    },
    holds: [{ what: 'round', value: decimal(round, scale) }],
    slips(slip) {
      const down = number - (number % 10n ** BigInt(lengthOf(over)))
      slip('wrong-side', decimal(down, scale), 3, ROUNDING.down(words(round)))
    },
  })
  return unitsAt(entry, scale)
}

/** Is it the next ten, hundred or more above a number? */
function liesJustAbove(round: bigint, number: bigint): boolean {
  for (let unit = 10n; unit <= 10n * number; unit *= 10n)
    if (round === number - (number % unit) + unit) return true
  return false
}

/** The numbers of so many digits that lie just below a round one, with a surplus of at most `most` where that is set. */
export function justBelow(digits: number, most?: number): Space<bigint> {
  const low = digits === 1 ? 1n : 10n ** BigInt(digits - 1)
  return kept(between(low, 10n ** BigInt(digits) - 1n), (n) => {
    const rounded = roundedUp(n)
    // Without a limit, what pays: up to a third of the unit above.
    return rounded !== undefined && (most === undefined ? pays(n, rounded) : rounded.over <= BigInt(most))
  })
}

function pays(n: bigint, { over }: Rounded): boolean {
  const unit = 10n ** BigInt(lengthOf(over))
  return 3n * over <= unit || over < 5n || 3n * over <= n
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
