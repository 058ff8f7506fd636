/** Sequences as they are drawn, from easy to hard: only such as one simple rule continues, or several alike. */

import { decimal } from '../../number/decimal.js'
import { isPrime, nextPrime } from '../../number/factors.js'
import { present } from '../../number/present.js'
import { itemOf } from '../../problem/items/forms.js'
import { knownOf, rulesFor } from '../../problem/items/sequences.js'
import {
  between,
  either,
  kept,
  listed,
  mapped,
  type ProblemSpace,
  pairs,
  type Space,
} from '../../problem/space.js'

const nextOf = (members: Space<readonly bigint[]>): ProblemSpace =>
  mapped(
    kept(members, (m) => agreedOn(m, m.length)),
    (m) => itemOf('next', { numbers: m.map((n) => decimal(n)), signs: [] }),
  )

const missingOf = (members: Space<readonly bigint[]>, at: number): ProblemSpace =>
  mapped(
    kept(members, (m) => agreedOn(m.toSpliced(at, 1), at)),
    (m) => itemOf('missing', { numbers: m.toSpliced(at, 1).map((n) => decimal(n)), signs: [String(at)] }),
  )

function agreedOn(members: readonly bigint[], index: number): boolean {
  return new Set(rulesFor(knownOf(members, index), index).map((r) => r.value)).size === 1
}

const hasNoPlainerRule = (members: readonly bigint[]): boolean =>
  rulesFor(knownOf(members), members.length)[0]?.rule === 'growing-gaps'

const run = (first: bigint, count: number, next: (n: bigint, i: bigint) => bigint): bigint[] => {
  const members = [first]
  for (let i = 1; i < count; i += 1) members.push(next(present(members.at(-1)), BigInt(i)))
  return members
}

const arithmetic = (least: number, most: number, gaps: readonly [number, number]) =>
  mapped(
    kept(pairs(between(least, most), between(...gaps)), ([, d]) => d !== 0n),
    ([a, d]) => run(a, 4, (n) => n + d),
  )
const geometric = (first: number, most: number) =>
  mapped(pairs(between(1, first), between(2, most)), ([a, q]) => run(a, 4, (n) => n * q))
const powersFrom = (least: number, most: number, exponent: bigint) =>
  mapped(between(least, most), (a) => [0n, 1n, 2n, 3n].map((i) => (a + i) ** exponent))
const primesFrom = (most: number) => mapped(kept(between(2, most), isPrime), (p) => run(p, 4, nextPrime))
const squaresApart = (most: number) =>
  mapped(between(1, most), (a) => [0n, 1n, 2n, 3n].map((i) => (a + 2n * i) ** 2n))
const growing = (least: number, most: number, gaps: readonly [number, number]) =>
  mapped(pairs(between(least, most), pairs(between(...gaps), between(1, 2))), ([a, [gap, growth]]) =>
    run(a, 4, (n, i) => n + gap + growth * (i - 1n)),
  )
const oneLess = (most: number) =>
  mapped(between(1, most), (a) => [0n, 1n, 2n, 3n].map((i) => (a + i) ** 2n - 1n))
const neighbours = (most: number) =>
  mapped(between(1, most), (a) => [0n, 1n, 2n, 3n].map((i) => (a + i) * (a + i + 1n)))
const triangles = (least: number, most: number) =>
  mapped(between(least, most), (a) => [0n, 1n, 2n, 3n].map((i) => ((a + i) * (a + i + 1n)) / 2n))
const doubledAndOne = (most: number) =>
  mapped(pairs(between(2, most), listed([1n, -1n])), ([a, one]) => run(a, 4, (n) => 2n * n + one))
const sums = (most: number) =>
  mapped(pairs(between(1, most), between(1, most)), ([a, b]) => {
    const members = [a, b]
    while (members.length < 5) members.push(present(members.at(-1)) + present(members.at(-2)))
    return members
  })

export const SEQUENCE_LEVELS: readonly (readonly [name: string, problems: () => ProblemSpace])[] = [
  ['Same gaps', () => nextOf(arithmetic(1, 60, [3, 19]))],
  [
    'Gaps and factors, up and down',
    () =>
      either(
        nextOf(arithmetic(60, 120, [-17, -3])),
        nextOf(geometric(9, 4)),
        missingOf(arithmetic(1, 60, [3, 29]), 2),
      ),
  ],
  [
    'Squares, cubes and primes',
    () =>
      either(
        nextOf(powersFrom(1, 20, 2n)),
        nextOf(squaresApart(14)),
        nextOf(powersFrom(1, 7, 3n)),
        nextOf(primesFrom(83)),
      ),
  ],
  [
    'Sums of the two before, missing ones',
    () => either(nextOf(sums(9)), missingOf(geometric(9, 5), 2), missingOf(powersFrom(2, 20, 2n), 2)),
  ],
  [
    'Gaps that grow, doubles and one',
    () =>
      either(
        nextOf(kept(growing(1, 30, [2, 9]), hasNoPlainerRule)),
        // The first ones are among those above.
        nextOf(triangles(9, 14)),
        nextOf(neighbours(12)),
        nextOf(oneLess(12)),
        nextOf(doubledAndOne(9)),
        missingOf(growing(1, 30, [2, 9]), 2),
      ),
  ],
]
