/**
 * What is said by whoever works a product, a quotient or a sum in the head in a way of their own: by parts, by rounder
 * numbers, by factors (common practice, no published source).
 */

import {
  absolute,
  add,
  atPlace,
  type Decimal,
  decimal,
  digitAt,
  isZero,
  lowestPlace,
  multiply,
  subtract,
  toText,
} from '../../number/decimal.js'
import { present } from '../../number/present.js'
import { lengthOf, size } from '../../number/whole.js'
import { type Problem, signed } from '../../problem/problem.js'
import { asDecimal, asFraction, type Value } from '../../question/value.js'

/** What is said of numbers with decimals by whoever takes wholes and decimals apart: .15 + .70, then 12 + 7; 3 × 5 and .4 × 5. */
export function decimalsByParts(problem: Problem): Decimal[] {
  if (problem.kind === 'sum') {
    const terms = problem.terms.map(signed)
    if (terms.every((t) => t.scale === 0)) return []
    return [terms.map(wholesOf), terms.map((t) => subtract(t, wholesOf(t)))].flatMap((parts) => [
      ...parts,
      ...parts.slice(1).map((_, i) => parts.slice(0, i + 2).reduce(add)),
    ])
  }
  if (problem.kind !== 'product') return []
  return [problem.factors, problem.factors.toReversed()].flatMap(([x, y]) => {
    if (!x || !y || x.scale === 0) return []
    const parts = [wholesOf(x), subtract(x, wholesOf(x))]
    return [...parts, ...parts.map((part) => multiply(part, y))]
  })
}

const wholesOf = ({ units, scale }: Decimal) => decimal(units / 10n ** BigInt(scale))

/** Digits of a factor beyond which nobody takes it apart in mind. */
const MOST_APART = 6

/**
 * What is said on the way to a product that is no fact of the tables, whichever way it is worked: parts of one number by
 * the other, by a rounder number, by a factor of it, and those parts added up.
 */
export function productParts(x: Decimal, y: Decimal): Decimal[] {
  const [a, b] = [size(x.units), size(y.units)]
  const scale = x.scale + y.scale
  if (lengthOf(a) > MOST_APART || lengthOf(b) > MOST_APART) return []
  const found: bigint[] = []
  for (const [whole, apart] of [
    [a, b],
    [b, a],
  ] as const) {
    if (apart < 10n) continue
    for (const part of partsOf(apart)) found.push(part, whole * part)
    for (const [upper, lower] of eachDigit(apart)) {
      found.push(...eachDigit(whole).map(([, digit]) => digit * lower))
      if (upper !== lower) found.push(whole * upper)
    }
  }
  return [...new Set(found)].filter((n) => n > 0n && n !== a * b).map((n) => decimal(n, scale))
}

/** The places of a number from the left: what they come to so far, and the place alone. */
function eachDigit(n: bigint): (readonly [soFar: bigint, alone: bigint])[] {
  const found: (readonly [bigint, bigint])[] = []
  for (let unit = 10n ** BigInt(lengthOf(n) - 1); unit >= 1n; unit /= 10n) {
    const alone = n - (n % unit) - (n - (n % (10n * unit)))
    if (alone > 0n) found.push([n - (n % unit), alone])
  }
  return found
}

/** What a number is taken apart into: the round number above and the rest, its small factors. */
function partsOf(n: bigint): bigint[] {
  const parts: bigint[] = []
  for (let unit = 10n; unit <= 10n * n; unit *= 10n) {
    const over = (unit - (n % unit)) % unit
    if (3n * over <= unit) parts.push(n + over, over)
  }
  for (let factor = 2n; factor <= 9n; factor += 1n) if (n % factor === 0n) parts.push(factor, n / factor)
  return parts.filter((part) => part > 1n)
}

/** On the way to a quotient: its digits from the left, what they take away and what is left. */
export function quotientParts(x: Decimal, y: Decimal, value: Value): Value[] {
  const quotient = asDecimal(value)
  if (!quotient || isZero(y)) return roundings(value)
  if (quotient.scale > 0 || x.scale > 0 || y.scale > 0 || quotient.units <= 0n) return []
  return eachDigit(quotient.units).flatMap(([soFar, alone]) =>
    [soFar, alone, soFar * y.units, alone * y.units, x.units - soFar * y.units]
      .filter((n) => n > 0n && n !== quotient.units)
      .map((n) => decimal(n)),
  )
}

/** A fraction that does not end, cut off or rounded after one to four decimals. */
export function roundings(value: Value): Decimal[] {
  const exact = asFraction(value)
  if (!exact) return []
  return [1, 2, 3, 4].flatMap((places) => {
    const cut = (size(exact.over) * 10n ** BigInt(places)) / exact.under
    return [decimal(cut, places), decimal(cut + 1n, places)]
  })
}

/** An amount of three digits and more that is added or taken away, its highest place first: 2000 of 2184. */
export function headFirst([x, y, ...more]: readonly Decimal[]): Decimal[] {
  if (!x || !y || more.length > 0 || y.scale > 0 || size(y.units) < 100n) return []
  const [head] = present(eachDigit(size(y.units))[0])
  return head === size(y.units) ? [] : [decimal(head), add(x, decimal(y.units < 0n ? -head : head))]
}

/**
 * A sum or a difference worked by parts: the second number so far from its highest place, what that makes with the
 * first, and the places alone.
 */
export function inParts(values: readonly Decimal[], whole: Decimal): Decimal[] {
  const [x, y] = values
  if (values.length !== 2 || !x || !y) return []
  return [...partsTaken(x, y), ...(y.units > 0n ? partsTaken(y, x) : []), ...placeByPlace(x, y)].filter(
    (n) => toText(n) !== toText(whole),
  )
}

/** Nobody rounds up by more than this, nor to add a digit. */
const MOST_OVER = 3n

function partsTaken(x: Decimal, y: Decimal): Decimal[] {
  const plain = size(y.units)
  if (plain < 10n) return []
  const sign = y.units < 0n ? -1n : 1n
  const found = eachDigit(plain).flatMap(([soFar, alone]) => {
    const parts = [decimal(soFar, y.scale), decimal(alone, y.scale)]
    return [...parts, add(x, decimal(sign * soFar, y.scale))]
  })
  // A rounder number first, and what is given back.
  const over = (10n - (plain % 10n)) % 10n
  if (over === 0n || over > MOST_OVER || size(x.units) < 10n) return found
  return [...found, add(x, decimal(sign * (plain + over), y.scale)), decimal(over, y.scale)]
}

/** What single places make with each other: 30 + 70, 8 + 4. */
function placeByPlace(x: Decimal, y: Decimal): Decimal[] {
  const found: Decimal[] = []
  const sign = y.units < 0n ? -1 : 1
  const most = Math.max(lengthOf(size(x.units)), lengthOf(size(y.units)))
  for (let place = Math.min(lowestPlace(x), lowestPlace(y)); place < most; place += 1) {
    const [a, b] = [digitAt(absolute(x), place), digitAt(absolute(y), place)]
    if (a > 0 && b > 0) found.push(atPlace(a + sign * b, place), decimal(a + sign * b))
  }
  return found.filter((n) => n.units > 0n)
}
