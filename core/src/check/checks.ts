/**
 * Checks without redoing the work: casting out nines and elevens, the last digit, the size, the reverse operation.
 * A check that fails proves a slip; one that passes proves little, so each says what, and shows a wrong answer that
 * it would let through.
 */

import {
  absolute,
  add,
  compare,
  type Decimal,
  decimal,
  equal,
  isNegative,
  multiply,
  subtract,
  toText,
  toWords,
} from '../number/decimal.js'
import { unmarked } from '../number/marks.js'
import { present } from '../number/present.js'
import { digitsOf, lengthOf, said, size } from '../number/whole.js'
import { answerOf, isItem, type Problem } from '../problem/problem.js'
import { CHECKS } from '../words/checks.js'
import { type Equation, equationOf, type Product, remainderOf, unitOf } from './equation.js'

export interface Check {
  readonly id: 'nines' | 'elevens' | 'last-digit' | 'size' | 'reverse'
  readonly name: string
  /** The check worked, a line each. */
  readonly steps: readonly string[]
  readonly passes: boolean
  /** What it does not prove when it passes. */
  readonly limit: string
  /** A wrong answer to this problem that it would pass; none where nothing wrong near by would. */
  readonly wrongButPasses?: Decimal
}

type Worked = Pick<Check, 'steps' | 'passes'>

interface Kind extends Pick<Check, 'id' | 'name' | 'limit'> {
  /** Undefined where the check says nothing of such a problem. */
  work(problem: Problem, answer: Decimal): Worked | undefined
}

const KINDS: readonly Kind[] = [
  {
    id: 'nines',
    name: CHECKS.names.nines,
    limit: CHECKS.limits.nines,
    work: (problem, answer) => byResidue(equationOf(problem, answer), castNines),
  },
  {
    id: 'elevens',
    name: CHECKS.names.elevens,
    limit: CHECKS.limits.elevens,
    work: (problem, answer) => byResidue(equationOf(problem, answer), castElevens),
  },
  {
    id: 'last-digit',
    name: CHECKS.names.lastDigit,
    limit: CHECKS.limits.lastDigit,
    work: (problem, answer) => byResidue(equationOf(problem, answer), lastDigit),
  },
  {
    id: 'size',
    name: CHECKS.names.size,
    limit: CHECKS.limits.size,
    work: bySize,
  },
  {
    id: 'reverse',
    name: CHECKS.names.reverse,
    limit: CHECKS.limits.reverse,
    work: byReverse,
  },
]

/** Every check that says something of this answer, worked. The answer may be right or wrong. */
export function checksOf(problem: Problem, answer: Decimal): Check[] {
  if (isItem(problem)) return []
  return KINDS.flatMap(({ work, ...kind }) => {
    const worked = work(problem, answer)
    if (!worked) return []
    const wrong = nearMisses(answerOf(problem)).find((miss) => work(problem, miss)?.passes)
    // Of a root that is cut off it says nothing of the last decimals.
    const limit = kind.id === 'reverse' && wrong ? CHECKS.limits.reverseNear : kind.limit
    return [{ ...kind, ...worked, limit, ...(wrong && { wrongButPasses: wrong }) }]
  })
}

/** A way to reduce a number to a small one that keeps sums and products. */
interface Cast {
  readonly modulus: number
  /** The reduction of a number in words, such as "8 + 3 + 4 + 1 = 16, 1 + 6 = 7". */
  worked(n: bigint): string
}

const castNines: Cast = {
  modulus: 9,
  worked(n) {
    const parts: string[] = []
    let rest = size(n)
    do {
      const digits = digitsOf(rest).reverse()
      const { struck, left } = struckOut(digits)
      if (struck.length > 0) parts.push(CHECKS.strike(struck.map((group) => group.join(' + '))))
      rest = BigInt(left.reduce((a, b) => a + b, 0))
      if (digits.length > 1 && left.length > 1) parts.push(`${left.join(' + ')} = ${rest}`)
      else if (struck.length > 0) parts.push(CHECKS.left(said(rest)))
    } while (rest > 8n)
    return parts.join(', ') || String(rest)
  },
}

/** Nines, and digits that make 9, are struck out before anything is added: pairs first, then three together. */
function struckOut(digits: readonly number[]): { struck: number[][]; left: number[] } {
  const left = digits.filter((d) => d !== 9 && d !== 0)
  const struck: number[][] = digits.filter((d) => d === 9).map((d) => [d])
  const strike = (count: number): boolean => {
    const find = (from: number, sum: number, taken: number[]): number[] | undefined => {
      if (taken.length === count) return sum === 9 ? taken : undefined
      for (let i = from; i < left.length; i += 1) {
        const found = find(i + 1, sum + present(left[i]), [...taken, i])
        if (found) return found
      }
      return undefined
    }
    const found = find(0, 0, [])
    if (!found) return false
    struck.push(found.map((i) => present(left[i])))
    for (const i of found.toReversed()) left.splice(i, 1)
    return true
  }
  for (const count of [2, 3]) while (strike(count));
  return { struck, left: left.length > 0 ? left : [0] }
}

const castElevens: Cast = {
  modulus: 11,
  worked(n) {
    const digits = digitsOf(size(n))
    const sum = digits.reduce((total, d, i) => total + (i % 2 ? -d : d), 0)
    const shown = digits.map((d, i) => (i === 0 ? String(d) : i % 2 ? `− ${d}` : `+ ${d}`)).join(' ')
    const r = residue(BigInt(sum), 11)
    return `${digits.length > 1 ? `${shown} = ` : ''}${said(sum)}${r === sum ? '' : CHECKS.thatIs(String(r))}`
  },
}

const lastDigit: Cast = { modulus: 10, worked: (n) => CHECKS.endsIn(String(size(n) % 10n)) }

/** What is left of a number by a modulus, 0 and more. */
export function residue(n: bigint, modulus: number): number {
  const m = BigInt(modulus)
  return Number(((n % m) + m) % m)
}

function byResidue(equation: Equation | undefined, { modulus, worked }: Cast): Worked | undefined {
  if (!equation) return undefined
  const { left, right } = equation
  const steps = left.flatMap((p) => p.factors.map((f) => `${f.text}: ${worked(f.units)}`))
  const value = ({ factors }: Product) =>
    factors.reduce((r, f) => (r * residue(f.units, modulus)) % modulus, 1)
  const total = left.reduce((sum, p) => sum + p.sign * value(p), 0)
  const made = residue(BigInt(total), modulus)
  const claimed = residue(right.units, modulus)
  const shown = (p: Product, i: number) =>
    `${p.sign < 0 ? (i > 0 ? ' − ' : '−') : i > 0 ? ' + ' : ''}${p.factors.map((f) => residue(f.units, modulus)).join(' × ')}`
  return {
    steps: [
      ...new Set(steps),
      `${left.map(shown).join('')}${String(made) === left.map(shown).join('') ? '' : CHECKS.leaves(String(made))}`,
      `${right.text}: ${worked(right.units)}${right.units < 0n && modulus !== 10 ? CHECKS.withMinus(String(claimed)) : ''}`,
      made === claimed
        ? CHECKS.agree(String(made), String(claimed))
        : CHECKS.differ(String(made), String(claimed)),
    ],
    passes: made === claimed,
  }
}

/** Between which bounds must it lie? Every number is taken with its first digits only, once down and once up. */
function bySize(problem: Problem, answer: Decimal): Worked | undefined {
  const equation = equationOf(problem, answer)
  if (!equation) return bySquares(problem, answer)
  // A difference of two numbers of one size needs a digit more, or its bounds lie on both sides of 0.
  const digits = equation.left.some((p) => p.sign < 0) ? 2 : 1
  const bounds = (n: bigint): readonly [bigint, bigint] => {
    const unit = 10n ** BigInt(Math.max(0, lengthOf(size(n)) - digits))
    const low = (size(n) / unit) * unit
    return [low, low === size(n) ? low : low + unit]
  }
  const end = (side: 0 | 1) =>
    equation.left.reduce((sum, p) => {
      // What is taken away counts the other way round.
      const at = p.sign < 0 ? 1 - side : side
      return (
        sum + BigInt(p.sign) * p.factors.reduce((product, f) => product * bounds(f.units)[at as 0 | 1], 1n)
      )
    }, 0n)
  const [low, high] = [end(0), end(1)]
  const inside = equation.right.units >= low && equation.right.units <= high
  // All units are of one place, so the scale of the right side serves for the bounds as well.
  const scale = scaleOf(equation)
  const words = (n: bigint) => toWords(decimal(n, scale))
  return {
    steps: [CHECKS.firstDigits(digits, words(low), words(high)), CHECKS.between(equation.right.text, inside)],
    passes: inside,
  }
}

function scaleOf({ right }: Equation): number {
  const [, part = ''] = unmarked(right.text).split('.')
  const digits = right.text.replace(/\D/g, '').replace(/^0+(?=\d)/, '')
  // The zeros that lined the number up with the others stand behind its own digits.
  return part.length + Math.max(0, lengthOf(size(right.units)) - digits.length)
}

/** A root that was cut off: its square must not pass the radicand, that of the next one must. */
function bySquares(problem: Problem, answer: Decimal): Worked | undefined {
  if (problem.kind !== 'root') return undefined
  const root = decimal(
    BigInt(present(digitsOf(size(answer.units)).at(-1))) * 10n ** BigInt(lengthOf(size(answer.units)) - 1),
    answer.scale,
  )
  const above = add(root, decimal(10n ** BigInt(lengthOf(size(answer.units)) - 1), answer.scale))
  const inside =
    compare(multiply(root, root), problem.radicand) <= 0 &&
    compare(problem.radicand, multiply(above, above)) <= 0
  return {
    steps: [
      CHECKS.squares(
        toWords(root),
        toWords(multiply(root, root)),
        toWords(above),
        toWords(multiply(above, above)),
      ),
      CHECKS.between(toWords(problem.radicand), inside),
    ],
    passes: inside,
  }
}

function byReverse(problem: Problem, answer: Decimal): Worked | undefined {
  switch (problem.kind) {
    case 'sum': {
      // Everything but the first number is undone, last first.
      let value = answer
      const steps = problem.terms
        .slice(1)
        .reverse()
        .map(({ sign, size: n }) => {
          const before = value
          value = sign > 0 ? subtract(value, n) : add(value, n)
          return `${toWords(before)} ${sign > 0 ? '−' : '+'} ${toWords(n)} = ${toWords(value)}`
        })
      const first = present(problem.terms[0])
      const passes = equal(value, first.sign > 0 ? first.size : subtract(decimal(0), first.size))
      return {
        steps: [...steps, CHECKS.back('first number', passes)],
        passes,
      }
    }
    case 'product':
    case 'square': {
      const [a, b] = problem.kind === 'square' ? [problem.number, problem.number] : problem.factors
      if (b.units === 0n) return undefined
      const back = multiply(a, b)
      const passes = equal(back, answer)
      const whole = size(answer.units) * 10n ** BigInt(Math.max(0, a.scale + b.scale - answer.scale))
      const exact = whole % b.units === 0n
      const quotient = decimal(whole / b.units, Math.max(answer.scale, a.scale + b.scale) - b.scale)
      return {
        steps: [
          exact
            ? `${toWords(answer)} ÷ ${toWords(b)} = ${toWords(quotient)}`
            : CHECKS.inexact(toWords(b), toWords(answer), toWords(quotient)),
          CHECKS.back('other factor', passes),
        ],
        passes,
      }
    }
    case 'quotient': {
      const rest = remainderOf(problem.dividend, problem.divisor, answer.scale)
      const product = multiply(answer, problem.divisor)
      const passes = equal(add(product, rest), problem.dividend)
      return {
        steps: [
          `${toWords(answer)} × ${toWords(problem.divisor)} = ${toWords(product)}`,
          ...(rest.units === 0n ? [] : [CHECKS.withRemainder(toWords(rest), toWords(add(product, rest)))]),
          CHECKS.back('dividend', passes),
        ],
        passes,
      }
    }
    case 'root':
      return rootBack(problem.radicand, answer)
    case 'product-pair':
    case 'number':
    case 'item':
      return undefined
  }
}

/** A root squared again: exact, the nearest with as many decimals, or cut off after them. */
function rootBack(radicand: Decimal, answer: Decimal): Worked {
  const square = multiply(answer, answer)
  const unit = unitOf(answer)
  const half = decimal(5n, unit.scale + 1)
  const next = add(answer, unit)
  const squared = (root: Decimal) => multiply(root, root)
  const within = (low: Decimal, high: Decimal) =>
    compare(squared(low), radicand) <= 0 && compare(radicand, squared(high)) <= 0
  const exact = equal(square, radicand)
  const nearest = within(subtract(answer, half), add(answer, half))
  const cut = compare(square, radicand) <= 0 && compare(radicand, squared(next)) < 0
  const shown = CHECKS.squared(toWords(answer), toWords(square))
  const beyond = CHECKS.squared(toWords(next), toWords(squared(next)))
  const verdict = exact ? CHECKS.exact : nearest ? CHECKS.nearest : cut ? CHECKS.cut : CHECKS.closer
  return { steps: [shown, ...(exact ? [] : [beyond]), verdict], passes: exact || nearest || cut }
}

/** Wrong answers near the right one, the more human ones first. */
export function nearMisses(right: Decimal): Decimal[] {
  const text = toText(absolute(right)).replace('.', '')
  const swapped = [...text].flatMap((_, i) =>
    [1, 2].flatMap((gap) => {
      const [a, b] = [present(text[i]), text[i + gap]]
      if (b === undefined || a === b || (i === 0 && b === '0')) return []
      return [
        decimal(
          BigInt(text.slice(0, i) + b + text.slice(i + 1, i + gap) + a + text.slice(i + gap + 1)),
          right.scale,
        ),
      ]
    }),
  )
  const shifted = [10n, -10n, 1n, -1n, 9n, -9n, 11n, -11n].map((off) =>
    decimal(size(right.units) + off, right.scale),
  )
  return [...swapped, ...shifted]
    .filter((d) => !isNegative(d))
    .map((d) => (isNegative(right) ? subtract(decimal(0), d) : d))
    .filter((d) => !equal(d, right))
}
