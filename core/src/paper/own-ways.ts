/**
 * What people say who work an item of a paper in a way of their own, whatever way is taught for its kind: a running total
 * with the next product in it, nines cast out as one goes, 5 % as half of 10 %, single deviations of a mean, a factor said
 * once for both numbers, running totals of a numeral (common practice, no published source). All of it is on the way.
 */

import { type Decimal, decimal, equal, subtract, ZERO } from '../number/decimal.js'
import { type Fraction, fraction, fractionOf, plus, times } from '../number/fraction.js'
import { firstOf, present } from '../number/present.js'
import { cubeRoot, integerRoot } from '../number/root.js'
import { size } from '../number/whole.js'
import type { FormId, ItemProblem } from '../problem/items/forms.js'
import type { Problem } from '../problem/problem.js'
import type { Value } from '../question/value.js'

type Ways = (item: ItemProblem) => readonly (Value | bigint)[]

const wholes = ({ numbers }: ItemProblem) => numbers.map((n) => n.units)

const divides = (n: bigint) =>
  Array.from({ length: 400 }, (_, i) => BigInt(i + 1)).filter((d) => d <= n && n % d === 0n)

/** Products and quotients first, then the total as it runs. */
const operations: Ways = ({ numbers, signs }) => {
  const terms: Fraction[] = []
  const said: Fraction[] = []
  let sign = 1n
  for (const [i, n] of numbers.entries()) {
    const before = signs[i - 1]
    const value = fractionOf(n)
    const last = terms.at(-1)
    if (last && (before === '*' || before === '/')) {
      if (before === '/' && value.over === 0n) return []
      terms[terms.length - 1] = times(last, before === '*' ? value : fraction(value.under, value.over))
    } else {
      sign = before === '-' ? -1n : 1n
      terms.push({ over: sign * value.over, under: value.under })
    }
    said.push(present(terms.at(-1)), terms.reduce(plus))
  }
  for (let i = 1; i < terms.length; i += 1)
    said.push(plus(present(terms[i - 1]), present(terms[i])), terms.slice(0, i + 1).reduce(plus))
  return said.map((v) => ({ over: size(v.over), under: v.under }))
}

/** Digits as they are cast out, groups of digits, and the multiple taken off. */
const remainder: Ways = (item) => {
  const [n, by] = wholes(item) as [bigint, bigint]
  const digits = [...String(n)].map(BigInt)
  const said: bigint[] = [...digits]
  let [sum, rest, turn, cast] = [0n, 0n, 0n, 0n]
  for (const [i, d] of digits.entries()) {
    sum += d
    rest = rest * 10n + d
    cast = (cast + d) % 9n
    turn += i % 2 === 0 ? d : -d
    said.push(sum, rest, cast, size(turn), rest % by, (rest / by) * by, rest / by)
    rest %= by
  }
  for (const k of [10n, 100n, 1000n]) said.push(n % k, (n % k) % by, (n % k) - ((n % k) % by))
  return [...said, n - (n % by), n / by]
}

/** Ten per cent, five as half of it, one, a quarter and the like, and what is made of them. */
const percent: Ways = (item) => {
  const of = item.numbers.at(item.form === 'percent-of' ? -1 : 1)
  const [over, under] = firstOf(1, item.form === 'percent-of' ? wholes(item) : [0n, 1n])
  if (!of) return []
  const base = fractionOf(of)
  const part = (p: bigint, q = 100n) => times(base, fraction(p, q))
  const some = [
    1n,
    2n,
    3n,
    4n,
    5n,
    6n,
    8n,
    9n,
    10n,
    15n,
    20n,
    25n,
    30n,
    40n,
    50n,
    60n,
    70n,
    75n,
    80n,
    90n,
  ].map((p) => part(p))
  const rest = over > 10n && under === 1n ? [part(over - (over % 10n)), part(over % 10n)] : []
  return [...some, ...rest, part(1n, 8n), part(1n, 3n), part(2n, 3n), part(1n, 6n)]
}

/** From any base near the numbers each one's deviation, and their running sum; or the plain running total. */
const mean: Ways = ({ numbers }) => {
  const said: Value[] = []
  const [low, high] = [numbers, numbers].map((some, i) =>
    some.reduce((a, b) => (subtract(a, b).units > 0n === (i === 0) ? b : a)),
  ) as [Decimal, Decimal]
  const bases = [low, high, present(numbers[0]), ...roundNear(low), ...roundNear(high)]
  for (const base of bases) {
    let sum = ZERO
    for (const n of numbers) {
      const off = subtract(n, base)
      sum = subtract(sum, { units: -off.units, scale: off.scale })
      said.push(off, sum)
    }
    said.push(base)
  }
  let total = ZERO
  for (const n of numbers) {
    total = subtract(total, { units: -n.units, scale: n.scale })
    said.push(total)
  }
  return [...said, decimal(numbers.length)]
}

const roundNear = (n: Decimal): Decimal[] => {
  const whole = n.units / 10n ** BigInt(n.scale)
  return [whole - (whole % 10n), whole - (whole % 10n) + 10n, whole - (whole % 5n)].map((w) => decimal(w))
}

/** A factor said once for both, what remains of each, and the multiples of either. */
const common: Ways = (item) => {
  const [a, b] = wholes(item) as [bigint, bigint]
  const shared = divides(a).filter((d) => b % d === 0n)
  const multiples = Array.from({ length: 12 }, (_, i) => BigInt(i + 1)).flatMap((k) => [a * k, b * k])
  return [...divides(a), ...divides(b), ...shared.flatMap((d) => [a / d, b / d]), size(a - b), ...multiples]
}

/** Its factors in pairs, their running count and sum. */
const divisors: Ways = (item) => {
  const [n] = wholes(item) as [bigint]
  const all = divides(n)
  const sums = all.map((_, i) => all.slice(0, i + 1).reduce((a, b) => a + b, 0n))
  return [...all, ...sums, ...all.map((_, i) => BigInt(i + 1))]
}

/** The signs of a numeral one after another, and the total as it grows. */
const roman: Ways = (item) => {
  const [n] = wholes(item) as [bigint]
  const digits = [...String(n)]
  const parts = digits.map((d, i) => BigInt(d) * 10n ** BigInt(digits.length - 1 - i))
  const signs = [1000n, 900n, 500n, 400n, 100n, 90n, 50n, 40n, 10n, 9n, 5n, 4n, 1n]
  const said: bigint[] = []
  let [left, total] = [n, 0n]
  for (const worth of signs)
    while (left >= worth) {
      left -= worth
      total += worth
      said.push(worth, total, left)
    }
  const running = parts.map((_, i) => parts.slice(0, i + 1).reduce((a, b) => a + b, 0n))
  return [...said, ...parts, ...running, ...digits.map(BigInt)]
}

/** Powers of the base, what each takes and leaves, and the total as it grows. */
const bases: Ways = (item) => {
  const [n, base] = wholes(item) as [bigint, bigint]
  const said: bigint[] = []
  let [left, divided] = [n, n]
  for (let unit = base ** BigInt(Math.max(0, n.toString(2).length)); unit >= 1n; unit /= base) {
    if (unit > n) continue
    const part = left - (left % unit)
    left %= unit
    said.push(unit, part, left, part / unit, n - left)
  }
  while (divided > 0n) {
    said.push(divided % base, divided / base, divided - (divided % base))
    divided /= base
  }
  return said
}

/** How far it is from each to the next, how that grows, the numbers squared and cubed, and twice each. */
const sequence: Ways = (item) => {
  const members = wholes(item)
  const gaps = members.slice(1).map((n, i) => n - present(members[i]))
  const growth = gaps.slice(1).map((g, i) => g - present(gaps[i]))
  // The next gap, if they go on growing as the last ones did.
  const nextGap = gaps.slice(-1).flatMap((g) => growth.slice(-1).map((by) => g + by))
  const roots = members.flatMap((n) => (n < 0n ? [] : [integerRoot(n), integerRoot(n + 1n), cubeRoot(n)]))
  const nextRoots = roots.map((r) => r + 1n)
  const ratios = members.slice(1).flatMap((n, i) => {
    const before = present(members[i])
    return before !== 0n && n % before === 0n ? [n / before] : []
  })
  return [...gaps, ...growth, ...nextGap, ...roots, ...nextRoots, ...ratios, ...members.map((n) => 2n * n)]
}

/** Numbers with one or two leading digits, or within ten per cent, are what each case is rounded to: told by its own step. */
const estimate: Ways = ({ numbers, signs }) => {
  const eased = numbers.map((n) => easy(n))
  const joined = signs.every((s) => s === '+' || s === '-')
  const said: bigint[] = eased.flat()
  if (joined) {
    const row = numbers.map((n, i) => (signs[i - 1] === '-' ? -1n : 1n) * (n.units / 10n ** BigInt(n.scale)))
    for (let i = 1; i < row.length; i += 1) said.push(size(row.slice(0, i + 1).reduce((a, b) => a + b, 0n)))
    for (let i = 1; i < eased.length; i += 1)
      for (const x of present(eased[i - 1])) for (const y of present(eased[i])) said.push(x + y, size(x - y))
  } else
    for (let i = 1; i < eased.length; i += 1)
      for (const x of present(eased[i - 1])) for (const y of present(eased[i])) said.push(x * y)
  return said
}

/** The nearest with one and two leading digits, below and above. */
function easy(n: Decimal): bigint[] {
  const whole = n.units / 10n ** BigInt(n.scale)
  const found = [1n, 10n].flatMap((digits) => {
    let unit = 1n
    while (whole / unit >= 10n * digits) unit *= 10n
    return [whole - (whole % unit), whole - (whole % unit) + unit]
  })
  return found.filter((r) => r > 0n && 10n * size(r - whole) <= whole)
}

const WAYS: Partial<Readonly<Record<FormId, Ways>>> = {
  operations,
  remainder,
  'percent-of': percent,
  'what-percent': percent,
  mean,
  gcf: common,
  lcm: common,
  divisors,
  divisorsum: divisors,
  primes: divisors,
  'from-roman': roman,
  'to-roman': roman,
  'to-base': bases,
  'from-base': bases,
  estimate,
  next: sequence,
  missing: sequence,
}

/** What may be said at any step of an item by whoever works it in a way of their own; nothing where no other way is usual. */
export function ownWaysOf(problem: Problem): readonly Value[] {
  if (problem.kind !== 'item') return []
  const said = WAYS[problem.form]?.(problem) ?? []
  return said
    .map((v) => (typeof v === 'bigint' ? decimal(size(v)) : v))
    .filter((v) => typeof v !== 'object' || !('units' in v) || !equal(v, ZERO))
}
