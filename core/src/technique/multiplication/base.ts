/** Numbers near a base, a power of ten, and the work that rests on their deviations from it. */
import { type Decimal, decimal } from '../../number/decimal.js'
import { said, size } from '../../number/whole.js'
import { between, either, type Space } from '../../problem/space.js'
import type { Step } from '../contract.js'
import { differenceLoad, productLoad, sumLoad } from '../facts.js'
import { BLANK } from '../line.js'
import { step } from '../make.js'
import { backLine, frontLine, join } from './product.js'

/** The base and its zeros: 100 has 2. */
export interface Base {
  readonly base: bigint
  readonly zeros: number
}

/** The base a number is near: within a quarter of it, or a half of ten. Undefined for a number near none. */
export function baseOf(n: bigint): Base | undefined {
  for (const zeros of [n.toString().length - 1, n.toString().length]) {
    const base = 10n ** BigInt(zeros)
    const limit = zeros === 1 ? 5n : base / 4n
    if (zeros > 0 && n !== base && size(n - base) <= limit) return { base, zeros }
  }
  return undefined
}

/** Whole numbers whose deviation from 10^zeros is 1 to `most`, below (-1), above (1) or on either side (0). */
export function nearBase(zeros: number, most: number, side: -1 | 0 | 1 = 0, least = 1): Space<bigint> {
  const base = 10n ** BigInt(zeros)
  const limit = zeros === 1 ? 5n : base / 4n
  const reach = BigInt(most) < limit ? BigInt(most) : limit
  const below = between(base - reach, base - BigInt(least))
  const above = between(base + BigInt(least), base + reach)
  return side < 0 ? below : side > 0 ? above : either(below, above)
}

/** The step that asks how far a number lies from its base; above it is plus, below it minus. */
export function deviationStep(n: bigint, { base, zeros }: Base, before: readonly bigint[]): Step {
  const d = n - base
  return step({
    action: 'deviation',
    place: zeros,
    ask: `How far is ${said(n)} from ${said(base)}? Below counts minus.`,
    why: `${said(n)} is ${said(base)} ${d < 0n ? 'less' : 'and'} ${said(size(d))}.`,
    expect: decimal(d),
    writes: BLANK,
    holds: [...before, d].map((value) => ({ what: 'deviation', value: decimal(value) })),
    load: () => ({ facts: d < 0n ? ([`${Number(base)}-${Number(n)}`] as const) : [], carries: 0 }),
    slips: (slip) => {
      const right = `${said(base)} ${d < 0n ? '−' : '+'} ${said(size(d))} = ${said(n)}`
      slip(
        'deviation-sign',
        decimal(-d),
        6,
        `${said(n)} lies ${d < 0n ? 'below' : 'above'} ${said(base)}: ${right}.`,
      )
      // Each digit's complement is taken from ten, though only the last is.
      if (d < 0n && n % 10n !== 0n)
        slip(
          'complement-tens',
          decimal(d - 10n),
          5,
          `Only the last digit's complement is to ten, the others' to nine: ${right}.`,
        )
      slip('fact', decimal(d - 1n), 2, `One too many. ${right}.`)
      slip('fact', decimal(d + 1n), 2, `One too few. ${right}.`)
    },
  })
}

/**
 * Front and back once the deviations are known: (a + deviation of b) | product of the deviations.
 * @param a the factor the front starts from. @param d its deviation. @param e the other one's.
 */
export function* fromDeviations(
  a: bigint,
  d: bigint,
  e: bigint,
  { base, zeros }: Base,
): Generator<Step, Decimal, Decimal> {
  const same = d === e
  const f = a + e
  const sign = (n: bigint) => `${n < 0n ? '−' : '+'} ${said(size(n))}`
  const front = (yield step({
    action: 'front',
    place: zeros,
    ask: `Front: ${said(a)} ${sign(e)}. How much?`,
    why: `The answer is ${said(base)} times this, and the product of the deviations.`,
    expect: decimal(f),
    writes: frontLine(f < 0n ? 0n : f, zeros),
    holds: [{ what: 'deviations', value: decimal(d) }, ...(same ? [] : [{ what: 'and', value: decimal(e) }])],
    load: () => (e < 0n ? differenceLoad(a, -e) : sumLoad(a, e)),
    slips: (slip) => {
      const right = `${said(a)} ${sign(e)} = ${said(f)}`
      slip(
        'deviation-sign',
        decimal(a - e),
        6,
        `The other number lies ${e < 0n ? 'below' : 'above'} the base: ${right}.`,
      )
      slip('deviation-twice', decimal(f + e), 3, `The deviation counts once: ${right}.`)
      if (!same)
        slip('wrong-deviation', decimal(a + d), 3, `The deviation of the other number goes in: ${right}.`)
      slip('fact', decimal(f - 1n), 2, `One too few. ${right}.`)
      slip('fact', decimal(f + 1n), 2, `One too many. ${right}.`)
      slip('fact', decimal(f - 10n), 1, `Ten too few. ${right}.`)
      slip('fact', decimal(f + 10n), 1, `Ten too many. ${right}.`)
    },
  })).units
  const product = d * e
  const back = (yield step({
    action: 'back',
    place: 0,
    ask: `Back: ${same ? `${said(size(d))} squared` : `${said(d)} × ${said(e)}`}. How much?`,
    why: 'Two numbers below the base, or two above, have a product above 0; one on each side, below 0.',
    expect: decimal(product),
    writes: backLine(front < 0n ? 0n : front, product, zeros),
    holds: [{ what: 'front', value: decimal(front) }],
    load: () => productLoad(size(d), size(e)),
    slips: (slip) => {
      const right = `${said(d)} × ${said(e)} = ${said(product)}`
      slip(
        'product-sign',
        decimal(-product),
        6,
        `${product < 0n ? 'One lies below, one above: the product is below 0' : 'Both lie on the same side: the product is above 0'}. ${right}.`,
      )
      slip(
        'deviations-added',
        decimal(same ? 2n * size(d) : size(d) + size(e)),
        3,
        `The deviations are multiplied here: ${right}.`,
      )
      const way = product < 0n ? -1n : 1n
      for (const off of [-size(d), size(d), -size(e), size(e)])
        slip('fact', decimal(product + way * off), 2, `A table fact is off. ${right}.`)
    },
  })).units
  return decimal(yield* join(front, back, zeros))
}
