/** Sequences that are continued: which rules fit the members that are known, and what the others are by them. */
import { isPrime } from '../../number/factors.js'
import { cubeRoot, integerRoot } from '../../number/root.js'

export const SEQUENCE_RULES = ['arithmetic', 'geometric', 'squares', 'cubes', 'primes', 'sums'] as const
export type SequenceRule = (typeof SEQUENCE_RULES)[number]

/** Members by their index, in order. */
type Known = readonly (readonly [index: number, value: bigint])[]

/** The member at an index by one rule, where the first known ones fix it. */
type Maker = (known: Known) => ((index: number) => bigint | undefined) | undefined

const arithmetic: Maker = ([[i, a] = [0, 0n], [j, b] = [0, 0n]]) => {
  const gap = (b - a) / BigInt(j - i)
  return (n) => a + gap * BigInt(n - i)
}

const geometric: Maker = (known) => {
  const at = known.findIndex(([i], k) => known[k + 1]?.[0] === i + 1)
  const [i, a] = known[at] ?? [0, 0n]
  const b = known[at + 1]?.[1] ?? 0n
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

const powers =
  (root: (n: bigint) => bigint, exponent: bigint): Maker =>
  ([[i, a] = [0, 0n]]) => {
    if (a < 0n) return undefined
    const first = root(a) - BigInt(i)
    return first < 0n ? undefined : (n) => (first + BigInt(n)) ** exponent
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
  const at = known.findIndex(([i], k) => known[k + 1]?.[0] === i + 1)
  if (at < 0) return undefined
  const [[i, a], [, b]] = [known[at]!, known[at + 1]!]
  return (n) => {
    let [x, y] = [a, b]
    for (let k = i; k < n; k += 1) [x, y] = [y, x + y]
    for (let k = i; k > n; k -= 1) [x, y] = [y - x, x]
    return x
  }
}

const MAKERS: Readonly<Record<SequenceRule, Maker>> = {
  arithmetic,
  geometric,
  squares: powers(integerRoot, 2n),
  cubes: powers(cubeRoot, 3n),
  primes,
  sums,
}

/** Members that are needed before a rule of two numbers says anything. */
const LEAST_KNOWN: Partial<Readonly<Record<SequenceRule, number>>> = { sums: 4 }

/** The rules that fit the known members, with the member at an index by each. */
export function rulesFor(
  known: Known,
  index: number,
): readonly { readonly rule: SequenceRule; readonly value: bigint }[] {
  return SEQUENCE_RULES.flatMap((rule) => {
    if (known.length < (LEAST_KNOWN[rule] ?? 3)) return []
    const make = MAKERS[rule](known)
    if (!make || known.some(([i, value]) => make(i) !== value)) return []
    const value = make(index)
    return value === undefined ? [] : [{ rule, value }]
  })
}

/** The member all fitting rules agree on; undefined where none fits or they differ. */
function agreed(known: Known, index: number): bigint | undefined {
  const values = new Set(rulesFor(known, index).map((r) => r.value))
  return values.size === 1 ? [...values][0] : undefined
}

export const knownOf = (members: readonly bigint[], gap = members.length): Known =>
  members.map((value, i) => [i < gap ? i : i + 1, value] as const)

/** The next member; undefined where no rule fits, or two that differ. */
export function continued(members: readonly bigint[]): bigint | undefined {
  return agreed(knownOf(members), members.length)
}

/** The member missing at an index; the members are those that are known. */
export function missingMember(members: readonly bigint[], gap: number): bigint | undefined {
  return agreed(knownOf(members, gap), gap)
}
