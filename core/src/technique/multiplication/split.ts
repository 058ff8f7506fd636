/** Taking one factor of a product apart: which one, and what that costs. */

import type { School } from '../contract.js'
import type { Load } from '../facts.js'

/** A factor taken apart, and the other one, which stays whole. */
export interface Split<P> {
  readonly apart: P
  readonly whole: bigint
}

/**
 * The split a school asks for; the other factor is taken apart when the one asked for cannot be.
 * @param reading how one factor is taken apart, undefined where it cannot be.
 * @param cost the work a split makes, for the school `auto`.
 */
export function splitOf<P>(
  a: bigint,
  b: bigint,
  school: School,
  reading: (factor: bigint, other: bigint) => P | undefined,
  cost: (split: Split<P>) => Load,
): Split<P> | undefined {
  const first = reading(a, b)
  const second = reading(b, a)
  const splits = [first && { apart: first, whole: b }, second && { apart: second, whole: a }] as const
  if (!splits[0] || !splits[1]) return splits[0] ?? splits[1]
  if (school.split === 'first') return splits[0]
  if (school.split === 'second') return splits[1]
  const effort = (s: Split<P>) => {
    const { facts, carries } = cost(s)
    return facts.length + carries
  }
  return effort(splits[1]) < effort(splits[0]) ? splits[1] : splits[0]
}
