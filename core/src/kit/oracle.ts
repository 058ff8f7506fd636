/**
 * What an item of a paper comes to, worked out from its typed text alone by other people's libraries or by counting; no
 * code is shared with the forms and the kinds.
 */

import { Decimal } from 'decimal.js'
import Fraction from 'fraction.js'
import { all, create } from 'mathjs'
import { deromanize, romanize } from 'romans'
import { firstOf, present } from '../number/present.js'

const exact = create(all!, { number: 'Fraction' })
const plainMath = create(all!)

const fr = (text: string) => new Fraction(text.trim())
const over = (f: Fraction) => `${f.s < 0n ? '-' : ''}${f.n}${f.d === 1n ? '' : `/${f.d}`}`

/** A mixed number, or a decimal where it ends, as they are typed. */
function mixed(f: Fraction): string {
  const text = f.abs().toFraction(true).replace(' ', '_')
  return f.s < 0n ? `-${text}` : text
}

const ends = (f: Fraction) => !f.toString().includes('(')
const dressed = (f: Fraction) => (ends(f) ? f.toString() : mixed(f))

const PERCENT = '((?:\\d+ )?\\d+/\\d+|[\\d.]+)%'

/** Primes below 100 (Euclid’s sieve; the list is OEIS A000040, from memory). */
const PRIMES = [
  2, 3, 5, 7, 11, 13, 17, 19, 23, 29, 31, 37, 41, 43, 47, 53, 59, 61, 67, 71, 73, 79, 83, 89, 97, 101, 103,
  107, 109, 113,
]

const same = (list: readonly number[]) => list.every((n) => n === list[0])

/** Is a whole list of numbers one of the sequences that are asked? */
function isSequence(m: readonly number[]): boolean {
  const roots = (k: number) => m.map((n) => Math.round(n ** (1 / k)))
  const consecutive = (list: readonly number[]) =>
    list.every((n, i) => i === 0 || n === present(list[i - 1]) + 1)
  const powers = (k: number) =>
    m.every((n) => n >= 0) && consecutive(roots(k)) && roots(k).every((r, i) => r ** k === m[i])
  const at = PRIMES.indexOf(present(m[0]))
  return (
    same(m.slice(1).map((n, i) => n - present(m[i]))) ||
    (m.every((n) => n > 0) &&
      (same(m.slice(1).map((n, i) => n / present(m[i]))) ||
        powers(2) ||
        powers(3) ||
        (at >= 0 && m.every((n, i) => n === PRIMES[at + i])))) ||
    (m.length > 3 && m.every((n, i) => i < 2 || n === present(m[i - 1]) + present(m[i - 2]))) ||
    [1, -1].some((one) => m.every((n, i) => i === 0 || n === 2 * present(m[i - 1]) + one)) ||
    everyOther(m) ||
    gapsGrow(m)
  )
}

/** Squares of every other number. */
function everyOther(m: readonly number[]): boolean {
  const roots = m.map(Math.sqrt)
  return m.every(
    (n, i) =>
      n >= 0 && Number.isInteger(present(roots[i])) && (i === 0 || roots[i] === present(roots[i - 1]) + 2),
  )
}

/** Gaps that grow by one or two, or of longer ones by anything: triangular numbers, neighbours multiplied and the like. */
function gapsGrow(m: readonly number[]): boolean {
  const gaps = m.slice(1).map((n, i) => n - present(m[i]))
  const growth = gaps.slice(1).map((g, i) => g - present(gaps[i]))
  return same(growth) && (growth[0] === 1 || growth[0] === 2 || (m.length > 4 && growth[0] !== 0))
}

/** The one number that makes a sequence of a list with a gap, by trying them all. */
function filling(make: (n: number) => readonly number[]): string {
  const found: number[] = []
  for (let n = -300; n <= 6000; n += 1) if (isSequence(make(n))) found.push(n)
  if (found.length !== 1) throw new Error(`${found.length} numbers fit ${make(0)}: ${found.slice(0, 5)}`)
  return String(found[0])
}

const counted = (n: number, fits: (d: number) => boolean) =>
  Array.from({ length: n }, (_, i) => i + 1).filter(fits)

/** The digits of a number in a base, by taking out powers of the base from the largest. */
function digitsIn(n: number, base: number): string {
  let [power, rest, text] = [1, n, '']
  while (power * base <= n) power *= base
  for (; power >= 1; power /= base) {
    let digit = 0
    for (; rest >= power; rest -= power) digit += 1
    text += digit.toString(16).toUpperCase()
  }
  return text
}

const UNIT_NAMES: Readonly<Record<string, string>> = {
  d: 'day',
  h: 'hour',
  min: 'minute',
  t: 'tonne',
  l: 'litre',
  ml: 'millilitre',
  cl: 'centilitre',
  dl: 'decilitre',
}
const unitName = (unit: string) => UNIT_NAMES[unit] ?? unit

type Reading = readonly [RegExp, (...groups: string[]) => string]

const lists = (text: string) => text.split(',').map((n) => n.trim())

const READINGS: readonly Reading[] = [
  [/^gcf\((.+)\)$/, (all) => String(plainMath.gcd(...lists(all).map(Number)))],
  [/^lcm\((.+)\)$/, (all) => String(plainMath.lcm(...(lists(all).map(Number) as [number, number])))],
  [
    /^mean\((.+)\)$/,
    (all) =>
      dressed(
        lists(all)
          .map(fr)
          .reduce((a, b) => a.add(b))
          .div(lists(all).length),
      ),
  ],
  [/^divisors\((\d+)\)$/, (n) => String(counted(Number(n), (d) => Number(n) % d === 0).length)],
  [
    /^divisorsum\((\d+)\)$/,
    (n) => String(counted(Number(n), (d) => Number(n) % d === 0).reduce((a, b) => a + b)),
  ],
  [
    /^primes\((\d+)\)$/,
    (n) =>
      String(
        counted(Number(n), (d) => Number(n) % d === 0 && counted(d, (e) => d % e === 0).length === 2).length,
      ),
  ],
  [
    /^subsets\((\d+)\)$/,
    (n) =>
      String(
        Array.from({ length: Number(n) + 1 }, (_, k) => plainMath.combinations(Number(n), k)).reduce(
          (a, b) => a + b,
        ),
      ),
  ],
  [/^cbrt\((\d+)\)$/, (n) => String(new Decimal(n).cbrt().toNumber())],
  [/^(\d+) mod (\d+)$/, (n, by) => String(plainMath.mod(Number(n), Number(by)))],
  [
    /^(\d+)\/(\d+) r$/,
    (n, by) => {
      const rest = plainMath.mod(Number(n), Number(by))
      return `${(Number(n) - rest) / Number(by)}${rest ? `r${rest}` : ''}`
    },
  ],
  [/^([MDCLXVI]+)$/, (signs) => String(deromanize(signs))],
  [/^roman\((\d+)\)$/, (n) => romanize(Number(n))],
  [/^(\d+) in base (\d+)$/, (n, base) => digitsIn(Number(n), Number(base))],
  [/^(\w+) from base (\d+)$/, (text, base) => String(Number.parseInt(text, Number(base)))],
  [/^next (.+)$/, (all) => filling((n) => [...lists(all).map(Number), n])],
  [/^missing (.+)$/, (all) => filling((n) => lists(all).map((m) => (m === '_' ? n : Number(m))))],
  [
    /^(\d+)\+(\d+).*\+\.\.\.\+(\d+)$/,
    (a, b, z) => {
      let sum = 0
      for (let n = Number(a); n <= Number(z); n += Number(b) - Number(a)) sum += n
      return String(sum)
    },
  ],
  [
    /^(x|\d+):(x|\d+) = (x|\d+):(x|\d+)$/,
    (...all) => {
      const [a, b, c, d] = all.map((n) => (n === 'x' ? undefined : fr(n)))
      const x = !a ? b!.mul(c!).div(d!) : !b ? a.mul(d!).div(c!) : !c ? a.mul(d!).div(b) : b.mul(c).div(a)
      return dressed(x)
    },
  ],
  [
    /^(\d+):(\d+) as ratio$/,
    (a, b) => {
      const f = fr(`${a}/${b}`)
      return `${f.n}:${f.d}`
    },
  ],
  [
    /^(\d*)x(?:\/(\d+))?(?:([-+])(\d+))?=(-?\d+)$/,
    (a, b = '1', sign = '+', c = '0', d = '0') => {
      const [factor, number] = [fr(a === '' ? '1' : a).div(b), fr(`${sign}${c}`)]
      return dressed(fr(d).sub(number).div(factor))
    },
  ],
  [new RegExp(`^${PERCENT} as fraction$`), (p) => over(fr(p).div(100))],
  [/^(\d+\/\d+) as %$/, (f) => dressed(fr(f).mul(100))],
  [/^([\d.]+) as %$/, (f) => dressed(fr(f).mul(100))],
  [/^(\d+\/\d+) as decimal$/, (f) => fr(f).toString()],
  [/^([\d.]+) as fraction$/, (f) => over(fr(f))],
  [new RegExp(`^${PERCENT} of ([\\d.]+)$`), (p, n) => dressed(fr(p).div(100).mul(n))],
  [/^([\d.]+) is what % of ([\d.]+)$/, (a, b) => dressed(fr(a).div(b).mul(100))],
  [new RegExp(`^([\\d.]+) is ${PERCENT} of$`), (a, p) => dressed(fr(a).mul(100).div(fr(p)))],
  [
    /^(\d+\/\d+) \? (\d+\/\d+)$/,
    (f, g) => {
      const [a, b] = firstOf(
        2,
        [f, g].map((x) => new Decimal(present(x.split('/')[0])).div(present(x.split('/')[1]))),
      )
      return a.gt(b) ? 'first' : a.lt(b) ? 'second' : 'equal'
    },
  ],
  [
    /^order (.+)$/,
    (all) => {
      const values = lists(all).map((x) =>
        new Decimal(present(x.split('/')[0])).div(present(x.split('/')[1])),
      )
      return [0, 1, 2].sort((i, j) => present(values[i]).cmp(present(values[j]))).join('')
    },
  ],
  [
    /^\(?((?:\d+ )?\d+(?:\/\d+)?)\)?([-+*/])\(?((?:\d+ )?\d+(?:\/\d+)?)\)?$/,
    (f, sign, g) => {
      if (!f.includes('/') && !g.includes('/')) return exactly(`${f}${sign}${g}`)
      const [a, b] = [fr(f), fr(g)]
      const value = sign === '+' ? a.add(b) : sign === '-' ? a.sub(b) : sign === '*' ? a.mul(b) : a.div(b)
      return f.includes(' ') && g.includes(' ') ? mixed(value) : over(value)
    },
  ],
  [
    /^([\d.]+) (\w+)(?: ([\d.]+) (\w+))? in (\w+)$/,
    (a, from, b, and, to) => {
      const part = (n: string, unit: string) =>
        plainMath.unit(Number(n), unitName(unit)).toNumber(unitName(to!))
      const value = part(a, from) + (b && and ? part(b, and) : 0)
      return String(Number(value.toFixed(9)))
    },
  ],
  [/^area\((\d+)(?:,(\d+))?\)$/, (a, b = a) => String(Number(a) * Number(b))],
  [/^perimeter\((\d+)(?:,(\d+))?\)$/, (a, b = a) => String(Number(a) + Number(b) + Number(a) + Number(b))],
  [/^volume\((\d+)(?:,(\d+),(\d+))?\)$/, (a, b = a, c = a) => String(Number(a) * Number(b) * Number(c))],
  [
    /^surface\((\d+)(?:,(\d+),(\d+))?\)$/,
    (a, b = a, c = a) => {
      const [x, y, z] = [a, b, c].map(Number) as [number, number, number]
      return String(x * y + y * x + x * z + z * x + y * z + z * y)
    },
  ],
  [/^~(.+)$/, (text) => new Decimal(plainMath.evaluate(text) as number).toFixed(6).replace(/\.?0+$/, '')],
  [/^([-+*/^\d. ]+)$/, (text) => exactly(text)],
]

function exactly(text: string): string {
  const { s, n, d } = exact.evaluate(text) as { s: bigint; n: bigint; d: bigint }
  return dressed(new Fraction(BigInt(s) * BigInt(n), BigInt(d)))
}

/** @throws Error for a text that is no item. */
export function oracle(text: string): string {
  for (const [pattern, answer] of READINGS) {
    const found = pattern.exec(text)
    if (found) return answer(...found.slice(1))
  }
  throw new Error(`"${text}" is no item.`)
}
