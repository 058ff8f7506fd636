import { type Decimal, decimal, power10, unitsAt } from './decimal.js'

/** The largest whole number whose square is not above n (Newton's iteration on whole numbers). @throws RangeError below 0. */
export function integerRoot(n: bigint): bigint {
  if (n < 0n) throw new RangeError('A number below 0 has no root.')
  if (n < 2n) return n
  // A start above the root makes the iteration fall until it is there.
  let x = 1n << BigInt((n.toString(2).length >> 1) + 1)
  for (;;) {
    const y = (x + n / x) >> 1n
    if (y >= x) return x
    x = y
  }
}

/** The square root of a number of 0 or more, cut off after `places` decimals. */
export function squareRoot(n: Decimal, places: number): Decimal {
  const scale = Math.max(places, Math.ceil(n.scale / 2))
  const root = integerRoot(unitsAt(n, 2 * scale))
  return decimal(root / power10(scale - places), places)
}
