/** Taking one factor of a product apart: which one, and what that costs. */

import type { Variant } from '../contract.js'
import type { Load } from '../facts.js'

/** A factor taken apart, and the other one, which stays whole. */
export interface Split<P> {
  readonly apart: P
  readonly whole: bigint
}

/** Splits found before, by what a technique has read of a problem: diagnosis works the same one hundreds of times over. */
const known = new WeakMap<object, Map<string | undefined, unknown>>()

/**
 * The split a variant asks for; the other factor is taken apart when the one asked for cannot be.
 * @param factors what the technique has read of the problem, the same object for the same problem
 * @param reading how one factor is taken apart, undefined where it cannot be.
 * @param cost the work a split makes, for the variant `auto`.
 */
export function splitOf<P>(
  factors: { readonly a: bigint; readonly b: bigint },
  variant: Variant,
  reading: (factor: bigint, other: bigint) => P | undefined,
  cost: (split: Split<P>) => Load,
): Split<P> | undefined {
  const before = known.get(factors) ?? new Map<string | undefined, unknown>()
  known.set(factors, before)
  if (!before.has(variant.split)) before.set(variant.split, findSplit(factors, variant, reading, cost))
  return before.get(variant.split) as Split<P> | undefined
}

function findSplit<P>(
  { a, b }: { readonly a: bigint; readonly b: bigint },
  variant: Variant,
  reading: (factor: bigint, other: bigint) => P | undefined,
  cost: (split: Split<P>) => Load,
): Split<P> | undefined {
  const first = reading(a, b)
  const second = reading(b, a)
  const splits = [first && { apart: first, whole: b }, second && { apart: second, whole: a }] as const
  if (!splits[0] || !splits[1]) return splits[0] ?? splits[1]
  if (variant.split === 'first') return splits[0]
  if (variant.split === 'second') return splits[1]
  const effort = (s: Split<P>) => {
    const { facts, carries } = cost(s)
    return facts.length + carries
  }
  return effort(splits[1]) < effort(splits[0]) ? splits[1] : splits[0]
}
