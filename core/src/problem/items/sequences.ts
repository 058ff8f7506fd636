/** Sequences that are continued: which rules fit the members that are known, and what the others are by them. */
import { isPrime } from '../../number/factors.js'
import { cubeRoot, integerRoot } from '../../number/root.js'

/** Simple rules, the plainest first. */
export const SEQUENCE_RULES = [
  'arithmetic',
  'geometric',
  'squares',
  'every-other-square',
  'one-less-than-squares',
  'neighbours-multiplied',
  'cubes',
  'primes',
  'sums',
  'doubled-and-one',
  'growing-gaps',
] as const
export type SequenceRule = (typeof SEQUENCE_RULES)[number]

/** Members by their index, in order. */
type Known = readonly (readonly [index: number, value: bigint])[]

/** Known members that follow right upon each other: the index of the first, and both values. */
export function neighboursIn(
  known: Known,
): readonly { readonly i: number; readonly a: bigint; readonly b: bigint }[] {
  return known.slice(1).flatMap(([j, b], k) => {
    const [i, a] = known[k] ?? [j, b]
    return j === i + 1 ? [{ i, a, b }] : []
  })
}

/** The member at an index by one rule, where the first known ones fix it. */
type Maker = (known: Known) => ((index: number) => bigint | undefined) | undefined

const arithmetic: Maker = ([[i, a] = [0, 0n], [j, b] = [0, 0n]]) => {
  const gap = (b - a) / BigInt(j - i)
  return (n) => a + gap * BigInt(n - i)
}

const geometric: Maker = (known) => {
  const [{ i, a, b } = { i: 0, a: 0n, b: 0n }] = neighboursIn(known)
  const [ratio, turned] =
    a !== 0n && b % a === 0n ? [b / a, false] : b !== 0n && a % b === 0n ? [a / b, true] : [0n, false]
  if (ratio < 2n) return undefined
  return (n) => {
    const steps = turned ? i - n : n - i
    if (steps >= 0) return a * ratio ** BigInt(steps)
    const by = ratio ** BigInt(-steps)
    return a % by === 0n ? a / by : undefined
  }
}

/** Something made of numbers the same distance apart. @param root the number behind a member, if it is one */
const madeOf =
  (root: (member: bigint) => bigint, make: (n: bigint) => bigint, apart = 1n): Maker =>
  ([[i, a] = [0, 0n]]) => {
    if (a < 0n) return undefined
    const first = root(a) - apart * BigInt(i)
    return first < 0n ? undefined : (n) => make(first + apart * BigInt(n))
  }

const primes: Maker = ([[i, a] = [0, 0n]]) => {
  if (!isPrime(a)) return undefined
  return (n) => {
    let [at, p] = [i, a]
    const by = n < i ? -1n : 1n
    while (at !== n) {
      do p += by
      while (p > 1n && !isPrime(p))
      if (p < 2n) return undefined
      at += Number(by)
    }
    return p
  }
}

/** Each member the sum of the two before it. */
const sums: Maker = (known) => {
  const [pair] = neighboursIn(known)
  if (!pair) return undefined
  const { i, a, b } = pair
  return (n) => {
    let [x, y] = [a, b]
    for (let k = i; k < n; k += 1) [x, y] = [y, x + y]
    for (let k = i; k > n; k -= 1) [x, y] = [y - x, x]
    return x
  }
}

/** Twice the one before and one more, or one less. */
const doubledAndOne: Maker = (known) => {
  const [pair] = neighboursIn(known)
  if (!pair) return undefined
  const { i, a, b } = pair
  const one = b - 2n * a
  if (one !== 1n && one !== -1n) return undefined
  return (n) => {
    let x = a
    for (let k = i; k < n; k += 1) x = 2n * x + one
    for (let k = i; k > n; k -= 1) {
      if ((x - one) % 2n !== 0n) return undefined
      x = (x - one) / 2n
    }
    return x
  }
}

/** Members that show gaps growing by more than two: three fit some such rule whatever they are. */
const SHOWN_GROWING = 4

/** Gaps that grow by the same each time; Newton's form of the parabola through the first three known ones. */
const growingGaps: Maker = (known) => {
  const [[i, a] = [0, 0n], [j, b] = [1, 0n], [k, c] = [2, 0n]] = known
  const [u, v, w] = [BigInt(j - i), BigInt(k - j), BigInt(k - i)]
  const [rise, under] = [(c - b) * u - (b - a) * v, u * v * w]
  if (rise === 0n || (2n * rise) % under !== 0n) return undefined
  const growth = (2n * rise) / under
  if (known.length < SHOWN_GROWING && growth !== 1n && growth !== 2n) return undefined
  return (n) => {
    const [x, y] = [BigInt(n - i), BigInt(n - j)]
    const twice = 2n * a * u + 2n * (b - a) * x + growth * u * x * y
    return twice % (2n * u) === 0n ? twice / (2n * u) : undefined
  }
}

const MAKERS: Readonly<Record<SequenceRule, Maker>> = {
  arithmetic,
  geometric,
  squares: madeOf(integerRoot, (n) => n * n),
  'every-other-square': madeOf(integerRoot, (n) => n * n, 2n),
  'one-less-than-squares': madeOf(
    (m) => integerRoot(m + 1n),
    (n) => n * n - 1n,
  ),
  'neighbours-multiplied': madeOf(integerRoot, (n) => n * (n + 1n)),
  cubes: madeOf(cubeRoot, (n) => n ** 3n),
  primes,
  sums,
  'doubled-and-one': doubledAndOne,
  'growing-gaps': growingGaps,
}

/** Members that are needed before a rule of two numbers says anything. */
const LEAST_KNOWN = 3

/** The rules that fit the known members, with the member at an index by each. */
export function rulesFor(
  known: Known,
  index: number,
): readonly { readonly rule: SequenceRule; readonly value: bigint }[] {
  if (known.length < LEAST_KNOWN) return []
  return SEQUENCE_RULES.flatMap((rule) => {
    const make = MAKERS[rule](known)
    if (!make || known.some(([i, value]) => make(i) !== value)) return []
    const value = make(index)
    return value === undefined ? [] : [{ rule, value }]
  })
}

export const knownOf = (members: readonly bigint[], gap = members.length): Known =>
  members.map((value, i) => [i < gap ? i : i + 1, value] as const)

/** The next member by the plainest rule that fits; undefined where none does. */
export function continued(members: readonly bigint[]): bigint | undefined {
  return rulesFor(knownOf(members), members.length)[0]?.value
}

/** The member missing at an index by the plainest rule; the members are those that are known. */
export function missingMember(members: readonly bigint[], gap: number): bigint | undefined {
  return rulesFor(knownOf(members, gap), gap)[0]?.value
}

/** What other simple rules come to than the plainest: right as well. */
export function otherMembers(known: Known, index: number): readonly bigint[] {
  const [first, ...rest] = rulesFor(known, index).map((r) => r.value)
  return [...new Set(rest.filter((value) => value !== first))]
}
