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

/** The largest whole number whose cube is not above n. @throws RangeError below 0 */
export function cubeRoot(n: bigint): bigint {
  if (n < 0n) throw new RangeError('A number below 0 is not asked for.')
  let [low, high] = [0n, 1n]
  while (high ** 3n <= n) high *= 2n
  // The root stays at least low and below high.
  while (high - low > 1n) {
    const middle = (low + high) / 2n
    if (middle ** 3n <= n) low = middle
    else high = middle
  }
  return low
}
