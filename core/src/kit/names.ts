/** A level is what it is called: its name is read as a learner reads it, and held against its problems. */

import { type Decimal, digitAt, highestPlace, lowestPlace, toText, unitsAt } from '../number/decimal.js'
import { present } from '../number/present.js'
import { printProblem } from '../problem/expression.js'
import { isItem, type Problem, rowsOf } from '../problem/problem.js'
import type { Level } from '../technique/contract.js'

const COUNTS: Readonly<Record<string, number>> = {
  one: 1,
  two: 2,
  three: 3,
  four: 4,
  five: 5,
  six: 6,
  eight: 8,
  nine: 9,
  ten: 10,
  twelve: 12,
  fifteen: 15,
  twenty: 20,
  once: 1,
  twice: 2,
  a: 1,
  both: 2,
}
const WORD = `(${Object.keys(COUNTS).join('|')})`
/** Problems of a level that are looked at, from one end of it to the other. */
const LOOKED_AT = 25n

/** A problem as it is written. */
interface Seen {
  readonly problem: Problem
  readonly numbers: readonly Decimal[]
  readonly takes: boolean
}

const digitsIn = (n: Decimal) =>
  toText(n)
    .replace(/\D/g, '')
    .replace(/^0+(?=\d)/, '').length
const whole = (n: Decimal) => highestPlace(n) + 1
const zerosIn = ({ numbers }: Seen) => numbers.map(toText).join('').split('0').length - 1
const decimals = ({ numbers }: Seen) => Math.max(...numbers.map((n) => n.scale))

/** Columns that carry in a sum, or borrow in a difference. */
function carriesOf({ numbers, takes }: Seen): number {
  const low = Math.min(...numbers.map(lowestPlace))
  const high = Math.max(...numbers.map(highestPlace))
  let [count, carry] = [0, 0]
  for (let place = low; place <= high; place += 1) {
    const [first = 0, ...others] = numbers.map((n) => digitAt(n, place))
    const rest = others.reduce((a, b) => a + b, 0) + carry
    carry = takes ? (first < rest ? 1 : 0) : Math.floor((first + rest) / 10)
    if (carry > 0) count += 1
  }
  return count
}

/** Columns of a product, worked crosswise, that carry into the next; the leftmost has nothing to carry into. */
function carryingColumns({ numbers: [a, b] }: Seen): number {
  const digits = (n: Decimal) => [...toText(n).replace('.', '')].map(Number).reverse()
  const [x, y] = [digits(a!), digits(b!)]
  let [count, carry] = [0, 0]
  for (let k = 0; k < x.length + y.length - 2; k += 1) {
    carry = Math.floor((x.reduce((sum, d, i) => sum + d * (y[k - i] ?? 0), 0) + carry) / 10)
    if (carry > 0) count += 1
  }
  return count
}

/** What a part of a name says of a problem; undefined where it says nothing that can be looked at. */
type Reading = (found: RegExpExecArray, seen: Seen) => boolean | undefined

const number = (word: string | undefined) => COUNTS[word?.toLowerCase() ?? ''] ?? 0

const isSum = ({ problem }: Seen) => problem.kind === 'sum'

const READINGS: readonly (readonly [RegExp, Reading])[] = [
  [
    new RegExp(`^${WORD} ${WORD}-digit numbers`, 'i'),
    ([, many, digits], { numbers }) =>
      numbers.length === number(many) && numbers.every((n) => whole(n) === number(digits)),
  ],
  [new RegExp(`^${WORD} numbers`, 'i'), ([, many], { numbers }) => numbers.length === number(many)],
  [
    new RegExp(`numbers of ${WORD} digits`, 'i'),
    ([, digits], { numbers }) => numbers.every((n) => digitsIn(n) === number(digits)),
  ],
  [
    new RegExp(`(?<!to )${WORD} (?:digits?|rods?)\\b(?! by| ending)`, 'i'),
    ([, digits], { numbers }) =>
      numbers.some((n) => [digitsIn(n), whole(n)].includes(number(digits))) ||
      (numbers.length === number(digits) && numbers.every((n) => digitsIn(n) === 1)),
  ],
  [
    new RegExp(`squares of ${WORD} digits`, 'i'),
    ([, digits], { numbers }) => digitsIn(present(numbers[0])) === number(digits),
  ],
  [
    new RegExp(`^${WORD} by ${WORD} digits?`, 'i'),
    ([, a, b], { numbers }) =>
      [...numbers.map(digitsIn)].sort().join() === [number(a), number(b)].sort().join(),
  ],
  [
    new RegExp(`^${WORD} digits? by (\\d+)`, 'i'),
    ([, a, by], { numbers }) =>
      numbers.some((n) => digitsIn(n) === number(a)) && numbers.some((n) => toText(n) === by),
  ],
  [new RegExp(`(?<!to |and )${WORD} decimals?`, 'i'), ([, many], seen) => decimals(seen) === number(many)],
  [
    /nothing (?:to )?(?:carr|borrow)/i,
    (_, seen) => (isSum(seen) ? carriesOf(seen) : carryingColumns(seen)) === 0,
  ],
  [
    new RegExp(`\\b${WORD} (?:carry|carries|columns carry)\\b(?! over| that| through)`, 'i'),
    ([, many], seen) => (isSum(seen) ? carriesOf(seen) : carryingColumns(seen)) === number(many),
  ],
  [new RegExp(`borrowing ${WORD}(?: times)?$`, 'i'), ([, many], seen) => carriesOf(seen) === number(many)],
  [new RegExp(`with ${WORD} zeros?$`, 'i'), ([, many], seen) => zerosIn(seen) === number(many)],
  [/different length/i, (_, { numbers }) => new Set(numbers.map(digitsIn)).size > 1],
  [/^taking away|taken away|below zero|smaller number first/i, (_, { takes }) => takes],
  [/smaller number first/i, (_, { numbers: [a, b] }) => Number(toText(a!)) < Number(toText(b!))],
  [
    /^times ([\d, or]+)$/i,
    ([, some], { numbers }) =>
      numbers.some((n) => some!.split(/\D+/).some((m) => toText(n).replace('.', '').endsWith(m))),
  ],
  [
    /remainder of 1|comes out even/i,
    ([said], seen) =>
      seen.problem.kind === 'quotient'
        ? unitsAt(present(seen.numbers[0]), decimals(seen)) % unitsAt(present(seen.numbers[1]), 0) ===
          (said.endsWith('1') ? 1n : 0n)
        : undefined,
  ],
  [
    /^up to (\d+)\b/i,
    ([, most], { problem }) =>
      problem.kind === 'root' ? Number(toText(problem.radicand)) <= Number(most) : undefined,
  ],
  [/borrowing in the units/i, (_, seen) => carriesOf(seen) === 1],
  [
    new RegExp(`^(up to )?${WORD} below a ten`, 'i'),
    ([, upTo, most], { numbers }) =>
      numbers.some((n) => {
        const below = 10 - digitAt(n, 0)
        return upTo ? below <= number(most) : below === number(most)
      }),
  ],
  [
    new RegExp(`${WORD} zeros above`, 'i'),
    ([, many], seen) => zerosIn({ ...seen, numbers: seen.numbers.slice(0, 1) }) === number(many),
  ],
  [/shorter number below/i, (_, { numbers: [a, b] }) => digitsIn(b!) < digitsIn(a!)],
  [
    /(?<!a |one )\b(below|above) (10+)\b/i,
    ([, side, base], { numbers }) =>
      numbers.every((n) =>
        side!.toLowerCase() === 'below' ? Number(toText(n)) < Number(base) : Number(toText(n)) > Number(base),
      ),
  ],
  [
    /one below, one above (10+)/i,
    ([, base], { numbers }) => numbers.filter((n) => Number(toText(n)) < Number(base)).length === 1,
  ],
  [/decimals to pad/i, (_, { numbers: [a, b] }) => b!.scale > a!.scale],
  [
    new RegExp(`by a ${WORD}-digit product`, 'i'),
    ([, digits], { numbers }) => numbers.some((n) => digitsIn(n) === number(digits)),
  ],
  [/twins stand first/i, (_, { numbers: [a] }) => digitAt(a!, 0) === digitAt(a!, 1)],
  [
    /back has two digits|back must be padded/i,
    ([said], { numbers: [a, b] }) => {
      const [x, y] = [digitAt(a!, 0), digitAt(b!, 0)]
      return said.includes('padded') ? x * y < 10 : x * y > 9
    },
  ],
]

/** Problems of a level that are not what it is called. */
export function nameFaults({ name, problems }: Level): string[] {
  const space = problems()
  const faults = new Set<string>()
  for (let i = 0n; i < LOOKED_AT; i += 1n) {
    const problem = space.at((i * (space.size - 1n)) / LOOKED_AT)
    const rows = rowsOf(problem)
    const seen: Seen = {
      problem,
      numbers: isItem(problem) ? problem.numbers : rows.map((row) => row.size),
      takes: rows.some((row) => row.before === '−'),
    }
    for (const [pattern, reading] of READINGS) {
      const found = pattern.exec(name)
      if (found && reading(found, seen) === false) faults.add(`"${name}" has ${printProblem(problem)}`)
    }
  }
  return [...faults].slice(0, 2)
}
