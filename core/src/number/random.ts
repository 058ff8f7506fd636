import { randomNormal } from 'd3-random'
import { uniformBigInt } from 'pure-rand/distribution/uniformBigInt'
import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64'
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus'

/** A source of chance handed in from outside, so that every draw can be repeated from its seed. */
export interface Random {
  /** A whole number from 0 up to but not including `limit`, each equally likely. */
  below(limit: bigint): bigint
  /** A number from 0 up to but not including 1. */
  unit(): number
}

/** A repeatable source: the same seed gives the same draws (xoroshiro128+, from pure-rand). */
export function seeded(seed: number): Random {
  const generator = xoroshiro128plus(scramble(seed))
  return {
    below: (limit) => uniformBigInt(generator, 0n, limit - 1n),
    unit: () => uniformFloat64(generator),
  }
}

/** A draw from the standard normal distribution, by way of d3-random. */
export function normal(random: Random): number {
  return randomNormal.source(() => random.unit())()()
}

/** Spreads neighbouring seeds apart, so that seeds 1 and 2 do not start alike (finaliser of MurmurHash3). */
function scramble(seed: number): number {
  let h = seed | 0
  h = Math.imul(h ^ (h >>> 16), 0x85ebca6b)
  h = Math.imul(h ^ (h >>> 13), 0xc2b2ae35)
  return h ^ (h >>> 16)
}
