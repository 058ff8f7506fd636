import { type Decimal, decimal } from '../number/decimal.js'
import { present } from '../number/present.js'
import { InputError } from './error.js'
import { type NumberParameters, numberSpace } from './numbers.js'
import { productOf } from './problem.js'
import type { Shape } from './shape.js'
import { listed, MOST_LISTED, mapped, type ProblemSpace, pairs, type Space } from './space.js'

/** What a generated product must be like. A count left out is free. */
export interface ProductParameters extends NumberParameters {
  readonly first: Shape
  /** The shape of the multiplier (one digit alone is 2 to 9), or the only values it may have. */
  readonly second: Shape | readonly bigint[]
  /** Answer columns that carry into the next. */
  readonly carries?: number
}

/**
 * All products whose factors satisfy the parameters. Carries depend on every digit at once, so an exact number of them
 * is found by looking at each pair of factors in turn.
 * @throws InputError when carries are asked for and there are too many pairs to look at.
 */
export function productSpace(parameters: ProductParameters): ProblemSpace {
  const { first, second, carries } = parameters
  const fixed = 'length' in second ? second.map((n) => decimal(n)) : oneDigit(second, parameters)
  if (carries !== undefined) return lookedThrough(parameters, carries, fixed)
  return fixed
    ? mapped(pairs(numberSpace([first], parameters), listed(fixed)), ([[a], b]) => productOf(a!, b))
    : mapped(numberSpace([first, second as Shape], parameters), ([a, b]) => productOf(a!, b!))
}

function lookedThrough(
  parameters: ProductParameters,
  carries: number,
  fixed: readonly Decimal[] | undefined,
): ProblemSpace {
  const { first, second, largest = 9, zeros, zeroRun } = parameters
  const multiplicands = listAll(numberSpace([first], { largest })).map(looked)
  const multipliers = (fixed ?? listAll(numberSpace([second as Shape], { largest }))).map(looked)
  if (BigInt(multiplicands.length) * BigInt(multipliers.length) > MOST_LISTED) throw new InputError(TOO_MANY)
  // Packed as numbers, since there may be many: which multiplicand, which multiplier.
  const found: number[] = []
  for (const [i, a] of multiplicands.entries())
    for (const [j, b] of multipliers.entries())
      if (
        a.zeros + b.zeros === (zeros ?? a.zeros + b.zeros) &&
        Math.max(a.zeroRun, b.zeroRun) === (zeroRun ?? Math.max(a.zeroRun, b.zeroRun)) &&
        carriesOf(a.digits, b.digits) === carries
      )
        found.push(i * multipliers.length + j)
  return {
    size: BigInt(found.length),
    at(index) {
      const n = present(found[Number(index)])
      const a = present(multiplicands[Math.floor(n / multipliers.length)])
      return productOf(a.number, present(multipliers[n % multipliers.length]).number)
    },
  }
}

/** A multiplier of one digit is 2 or more: times 1 there is nothing to work. */
function oneDigit({ whole, decimals }: Shape, { largest = 9 }: NumberParameters): Decimal[] | undefined {
  if (whole > 1 || decimals > 0) return undefined
  return Array.from({ length: Math.max(0, largest - 1) }, (_, i) => decimal(i + 2))
}

const TOO_MANY = 'Carries can be counted for factors of up to six digits together.'

function listAll(space: Space<Decimal[]>): Decimal[] {
  if (space.size > MOST_LISTED) throw new InputError(TOO_MANY)
  return Array.from({ length: Number(space.size) }, (_, i) => present(space.at(BigInt(i))[0]))
}

function looked(number: Decimal) {
  const text = number.units.toString()
  const runs = text.match(/0+/g) ?? []
  return {
    number,
    digits: [...text].reverse().map(Number),
    zeros: runs.join('').length,
    zeroRun: Math.max(0, ...runs.map((r) => r.length)),
  }
}

/** How many answer columns of a product carry into the next; digits from the units up. */
function carriesOf(a: readonly number[], b: readonly number[]): number {
  let carries = 0
  let carry = 0
  for (let k = 0; k < a.length + b.length - 1; k += 1) {
    let sum = carry
    for (let i = Math.max(0, k - b.length + 1); i <= Math.min(k, a.length - 1); i += 1)
      sum += present(a[i]) * present(b[k - i])
    carry = Math.floor(sum / 10)
    // The last column is written whole: its tens are no carry.
    if (carry > 0 && k < a.length + b.length - 2) carries += 1
  }
  return carries
}
