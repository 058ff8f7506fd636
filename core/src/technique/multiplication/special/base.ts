/** Numbers near a base, a power of ten, and the work that rests on how far they are from it. */
import { type Decimal, decimal } from '../../../number/decimal.js'
import { said, size } from '../../../number/whole.js'
import { between, either, type Space } from '../../../problem/space.js'
import { FROM_GAPS, GAP } from '../../../words/multiplication.js'
import type { Step, Variant } from '../../contract.js'
import { frontBack, half } from '../../quantities/front-back.js'
import { ask, difference, gap, holdsThat, product, square, sum } from '../../quantities/quantities.js'
import type { Walking } from '../columns.js'

/** The base and its zeros: 100 has 2. */
export interface Base {
  readonly base: bigint
  readonly zeros: number
}

/** How far from a base its neighbours reach: 5 to 19 are near 10, above that half of the base on either side. */
function reachOf(base: bigint): { readonly below: bigint; readonly above: bigint } {
  return base === 10n ? { below: 5n, above: 9n } : { below: base / 2n, above: base / 2n }
}

/** The base a number is near; undefined for a number near none. */
export function baseOf(n: bigint): Base | undefined {
  for (const zeros of [n.toString().length - 1, n.toString().length]) {
    const base = 10n ** BigInt(zeros)
    const reach = reachOf(base)
    if (zeros > 0 && n !== base && n >= base - reach.below && n <= base + reach.above) return { base, zeros }
  }
  return undefined
}

/** Whole numbers whose gap to 10^zeros is `least` to `most`, below (-1), above (1) or on either side (0). */
export function nearBase(zeros: number, most: number, side: -1 | 0 | 1 = 0, least = 1): Space<bigint> {
  const base = 10n ** BigInt(zeros)
  const reach = reachOf(base)
  const within = (limit: bigint) => (BigInt(most) < limit ? BigInt(most) : limit)
  const below = between(base - within(reach.below), base - BigInt(least))
  const above = between(base + BigInt(least), base + within(reach.above))
  return side < 0 ? below : side > 0 ? above : either(below, above)
}

/** Asks how far a number is from its base; on which side it lies is the learner's to see. @returns the gap entered. */
export function* gapStep(n: bigint, { base }: Base, before: readonly bigint[], scale = 0): Walking {
  return (yield ask(gap(n, base), {
    action: 'deviation',
    place: -scale,
    ask: GAP.ask(said(n)),
    why: GAP.why(said(n), said(base), said(size(n - base)), n < base),
    holds: [...before, size(n - base)].map((value) => ({ what: 'gap', value: decimal(value) })),
  })).units
}

/** A product of two numbers near a base, their gaps known. */
interface Gapped {
  readonly a: bigint
  readonly b: bigint
  /** The gap of a as it was entered. */
  readonly d: bigint
  /** That of b, the same number in a square. */
  readonly e: bigint
  readonly base: bigint
  readonly zeros: number
  readonly isSquare: boolean
  readonly scale: number
}

/** One factor moved by the gap of the other. @param holds what is kept until the back is found */
function* frontHalf(of: Gapped, holds: Step['holds'], line: Parameters<typeof half>[2]) {
  const { a, b, d, e, base, zeros, isSquare, scale } = of
  const below = b < base
  const front = below ? difference(a, e) : sum(a, e)
  return yield* half(
    front,
    {
      action: 'front',
      place: zeros - scale,
      ask: isSquare ? FROM_GAPS.frontSame(said(a)) : FROM_GAPS.front(said(a), said(b)),
      why: FROM_GAPS.whyFront(said(base)),
      holds,
      slips(slip) {
        const right = holdsThat(front)
        const way = below ? -1n : 1n
        const wrong = FROM_GAPS.wrongWay(said(b), said(base), below, right)
        slip('gap-wrong-way', decimal(a - way * e), 6, wrong)
        slip('gap-twice', decimal(a + 2n * way * e), 3, FROM_GAPS.twice(right))
        if (!isSquare) slip('own-gap', decimal(a + way * d), 3, FROM_GAPS.own(said(b), right))
      },
    },
    line,
  )
}

/** The product of the gaps. @param taken one lies on each side of the base */
function* backHalf(of: Gapped, taken: boolean, holds: Step['holds'], line: Parameters<typeof half>[2]) {
  const { d, e, isSquare, scale } = of
  const back = isSquare ? square(d) : product(d, e)
  // One on each side: the product of two signed gaps is below 0, and said so by some.
  const meant = taken ? (n: Decimal) => (n.units < 0n ? decimal(-n.units) : undefined) : undefined
  return yield* half(
    { ...back, meant },
    {
      action: 'back',
      place: -scale,
      ask: isSquare ? FROM_GAPS.backSame(said(d)) : FROM_GAPS.back(said(d), said(e)),
      why: FROM_GAPS.whyBack(taken),
      holds,
      slips(slip) {
        if (!isSquare) slip('added-not-multiplied', decimal(d + e), 3, FROM_GAPS.multiply(holdsThat(back)))
      },
    },
    line,
  )
}

/**
 * Front and back once the gaps are known: a with the gap of b | product of the gaps.
 * @param d the gap of a as entered. @param e that of b, the same number in a square.
 */
export function* fromGaps(
  a: bigint,
  b: bigint,
  [d, e]: readonly [bigint, bigint],
  { base, zeros }: Base,
  variant: Variant,
  isSquare: boolean,
  scale = 0,
): Walking {
  const of: Gapped = { a, b, d, e, base, zeros, isSquare, scale }
  const taken = a < base !== b < base
  // The gaps are held until one half is found; then the other is all that is left.
  const gaps = (isSquare ? [d] : [d, e]).map((value) => ({ what: 'gap', value: decimal(value) }))
  const backFirst = variant.half === 'back-first'
  // Where nothing comes over from it the front goes first there too.
  const maybeFirst = variant.half === 'back-carried'
  return yield* frontBack(
    {
      width: zeros,
      scale,
      taken,
      holds: gaps,
      front: (line) => frontHalf(of, backFirst ? [] : gaps, line),
      back: (line) => backHalf(of, taken, backFirst || maybeFirst ? gaps : [], line),
    },
    variant,
  )
}
