/**
 * Walks over the value on the frame. The ways on from each value are kept as running sums over the values, so that a
 * range of numbers is counted by a difference and one of them found by halving: numbers too long to try each.
 */
import { present } from '../number/present.js'
import type { Space } from '../problem/space.js'

/**
 * All walks of so many signed numbers, each of so many digits, the first added and at least one taken away, that
 * never fall below zero and end above it.
 * @param noZero the last digit of a number is never 0
 */
export function signedWalks(terms: number, digits: number, noZero: boolean): Space<readonly number[]> {
  const low = 10 ** (digits - 1)
  const high = 10 * low - 1
  /** How many numbers there are up to n. */
  const upTo = (n: number) => BigInt(n - low + 1 - (noZero ? Math.floor(n / 10) - low / 10 + 1 : 0))
  /** By how many numbers are still to come: the ways on from a value. */
  const ways: RunningSums[] = [new RunningSums(terms * high, (value) => (value > 0 ? 1n : 0n))]
  /** Ways on from a value by first adding, or taking away, a number up to n. */
  const on = (left: number, value: number, sign: number, n: number) => {
    const most = sign > 0 ? n : Math.min(n, value)
    if (most < low) return 0n
    const sums = present(ways[left - 1])
    const [near, far] = [value + sign * low, value + sign * most]
    const round = value + sign * (most - (most % 10))
    return sums.over(near, far) - (noZero ? sums.overTenths(near, round) : 0n)
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
      return chosen
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
      this.all.push(present(this.all[value]) + here)
      this.tenths.push((this.tenths[value - 10] ?? 0n) + here)
    }
  }

  /** Over all from one value to another, both included, in either order. */
  over(a: number, b: number): bigint {
    return present(this.all[Math.max(a, b) + 1]) - present(this.all[Math.min(a, b)])
  }

  /** Over every tenth of them; the two are a multiple of ten apart. */
  overTenths(a: number, b: number): bigint {
    return present(this.tenths[Math.max(a, b)]) - (this.tenths[Math.min(a, b) - 10] ?? 0n)
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
