import { type Decimal, decimal } from '../number/decimal.js'
import { InputError } from './error.js'
import { type NumberDials, numberSpace } from './numbers.js'
import { productOf } from './problem.js'
import type { Shape } from './shape.js'
import { listed, MOST_LISTED, mapped, type ProblemSpace, pairs } from './space.js'

/** What a generated product must be like. A count left out is free. */
export interface ProductDials extends NumberDials {
  readonly first: Shape
  /** The shape of the multiplier, or the only values it may have. */
  readonly second: Shape | readonly bigint[]
  /** Answer columns that carry into the next. */
  readonly carries?: number
}

/**
 * All products whose factors satisfy the dials. Carries depend on every digit at once, so an exact number of them
 * is found by looking at each pair of factors in turn.
 * @throws InputError when carries are asked for and there are too many pairs to look at.
 */
export function productSpace(dials: ProductDials): ProblemSpace {
  const { first, second, carries } = dials
  const fixed = 'length' in second ? second.map((n) => decimal(n)) : undefined
  if (carries === undefined)
    return fixed
      ? mapped(pairs(numberSpace([first], dials), listed(fixed)), ([[a], b]) => productOf(a!, b))
      : mapped(numberSpace([first, second as Shape], dials), ([a, b]) => productOf(a!, b!))
  const shapes = numberSpace([first], dials)
  const others: readonly Decimal[] = fixed ?? listAll(numberSpace([second as Shape], dials))
  if (shapes.size * BigInt(others.length) > MOST_LISTED)
    throw new InputError('Carries can be counted for factors of up to six digits together.')
  // Packed as numbers, since there may be many: which first factor, which second.
  const found: number[] = []
  const firsts = listAll(shapes)
  const digits = (list: readonly Decimal[]) => list.map((d) => [...d.units.toString()].reverse().map(Number))
  const [as, bs] = [digits(firsts), digits(others)]
  for (let i = 0; i < as.length; i += 1)
    for (let j = 0; j < bs.length; j += 1)
      if (carriesOf(as[i]!, bs[j]!) === carries) found.push(i * bs.length + j)
  return {
    size: BigInt(found.length),
    at(index) {
      const n = found[Number(index)]!
      return productOf(firsts[Math.floor(n / bs.length)]!, others[n % bs.length]!)
    },
  }
}

/** How many answer columns of a product carry into the next; digits from the units up. */
export function carriesOf(a: readonly number[], b: readonly number[]): number {
  let carries = 0
  let carry = 0
  for (let k = 0; k < a.length + b.length - 1; k += 1) {
    let sum = carry
    for (let i = Math.max(0, k - b.length + 1); i <= Math.min(k, a.length - 1); i += 1)
      sum += a[i]! * b[k - i]!
    carry = Math.floor(sum / 10)
    // The last column is written whole: its tens are no carry.
    if (carry > 0 && k < a.length + b.length - 2) carries += 1
  }
  return carries
}

function listAll(space: ReturnType<typeof numberSpace>): Decimal[] {
  if (space.size > MOST_LISTED)
    throw new InputError('Carries can be counted for factors of up to six digits together.')
  return Array.from({ length: Number(space.size) }, (_, i) => space.at(BigInt(i))[0]!)
}
