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
import { digitsOf, lengthOf, said, size } from '../number/whole.js'
import { answerOf, type Problem } from '../problem/problem.js'
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
    name: 'Casting out nines',
    limit: 'Swapped digits, and every error of 9, 18, 27..., pass unseen.',
    work: (problem, answer) => byResidue(equationOf(problem, answer), castNines),
  },
  {
    id: 'elevens',
    name: 'Casting out elevens',
    limit: 'It sees swapped neighbours, but errors of 11, 22, 33... pass unseen.',
    work: (problem, answer) => byResidue(equationOf(problem, answer), castElevens),
  },
  {
    id: 'last-digit',
    name: 'Last digit',
    limit: 'It sees the last digit only: every other may be wrong.',
    work: (problem, answer) => byResidue(equationOf(problem, answer), lastDigit),
  },
  {
    id: 'size',
    name: 'Size',
    limit: 'It sees a lost place or a wrong first digit; anything of the right size passes.',
    work: bySize,
  },
  {
    id: 'reverse',
    name: 'Reverse operation',
    limit:
      'Worked rightly it lets nothing through; worked with the same half-known fact it repeats the slip.',
    work: byReverse,
  },
]

/** Every check that says something of this answer, worked. The answer may be right or wrong. */
export function checksOf(problem: Problem, answer: Decimal): Check[] {
  return KINDS.flatMap(({ work, ...kind }) => {
    const worked = work(problem, answer)
    if (!worked) return []
    const wrong = nearMisses(answerOf(problem)).find((miss) => work(problem, miss)?.passes)
    return [{ ...kind, ...worked, ...(wrong && { wrongButPasses: wrong }) }]
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
      rest = BigInt(digits.reduce((a, b) => a + b, 0))
      if (digits.length > 1) parts.push(`${digits.join(' + ')} = ${rest}`)
    } while (rest > 9n)
    const cast = rest === 9n ? ['9 counts as 0'] : []
    return [...parts, ...cast].join(', ') || String(rest)
  },
}

const castElevens: Cast = {
  modulus: 11,
  worked(n) {
    const digits = digitsOf(size(n))
    const sum = digits.reduce((total, d, i) => total + (i % 2 ? -d : d), 0)
    const shown = digits.map((d, i) => (i === 0 ? String(d) : i % 2 ? `− ${d}` : `+ ${d}`)).join(' ')
    const r = residue(BigInt(sum), 11)
    return `${digits.length > 1 ? `${shown} = ` : ''}${said(sum)}${r === sum ? '' : `, that is ${r}`}`
  },
}

const lastDigit: Cast = { modulus: 10, worked: (n) => `ends in ${size(n) % 10n}` }

function residue(n: bigint, modulus: number): number {
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
      `Together: ${left.map(shown).join('')}${String(made) === left.map(shown).join('') ? '' : `, that is ${made}`}`,
      `${right.text}: ${worked(right.units)}${right.units < 0n && modulus !== 10 ? `, with its minus ${claimed}` : ''}`,
      made === claimed ? `${made} and ${claimed} agree.` : `${made} and ${claimed} differ: there is a slip.`,
    ],
    passes: made === claimed,
  }
}

/** Between which bounds must it lie? Every number is taken with its first digit only, once down and once up. */
function bySize(problem: Problem, answer: Decimal): Worked | undefined {
  const equation = equationOf(problem, answer)
  if (!equation) return bySquares(problem, answer)
  const bounds = (n: bigint): readonly [bigint, bigint] => {
    const unit = 10n ** BigInt(lengthOf(size(n)) - 1)
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
    steps: [
      `With first digits only, rounded down and up: between ${words(low)} and ${words(high)}.`,
      inside
        ? `${equation.right.text} lies between them.`
        : `${equation.right.text} does not lie between them: there is a slip.`,
    ],
    passes: inside,
  }
}

function scaleOf({ right }: Equation): number {
  const [, part = ''] = right.text.split('.')
  const digits = right.text.replace(/\D/g, '').replace(/^0+(?=\d)/, '')
  // The zeros that lined the number up with the others stand behind its own digits.
  return part.length + Math.max(0, lengthOf(size(right.units)) - digits.length)
}

/** A root that was cut off: its square must not pass the radicand, that of the next one must. */
function bySquares(problem: Problem, answer: Decimal): Worked | undefined {
  if (problem.kind !== 'root') return undefined
  const root = decimal(
    BigInt(digitsOf(size(answer.units)).at(-1)!) * 10n ** BigInt(lengthOf(size(answer.units)) - 1),
    answer.scale,
  )
  const above = add(root, decimal(10n ** BigInt(lengthOf(size(answer.units)) - 1), answer.scale))
  const inside =
    compare(multiply(root, root), problem.radicand) <= 0 &&
    compare(problem.radicand, multiply(above, above)) <= 0
  return {
    steps: [
      `${toWords(root)} squared is ${toWords(multiply(root, root))}, ${toWords(above)} squared is ${toWords(multiply(above, above))}.`,
      inside
        ? `${toWords(problem.radicand)} lies between them.`
        : `${toWords(problem.radicand)} does not lie between them: there is a slip.`,
    ],
    passes: inside,
  }
}

function byReverse(problem: Problem, answer: Decimal): Worked | undefined {
  const verdict = (passes: boolean, yes: string, no: string) => (passes ? yes : `${no}: there is a slip.`)
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
      const first = problem.terms[0]!
      const passes = equal(value, first.sign > 0 ? first.size : subtract(decimal(0), first.size))
      return {
        steps: [...steps, verdict(passes, 'That is the first number.', `That is not the first number`)],
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
          `${toWords(answer)} ÷ ${toWords(b)} = ${toWords(quotient)}${exact ? '' : ', and something is left'}`,
          verdict(passes, 'That is the other factor.', 'That is not the other factor'),
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
          ...(rest.units === 0n
            ? []
            : [`with the remainder ${toWords(rest)}: ${toWords(add(product, rest))}`]),
          verdict(passes, 'That is the dividend.', 'That is not the dividend'),
        ],
        passes,
      }
    }
    case 'root': {
      const square = multiply(answer, answer)
      const off = absolute(subtract(problem.radicand, square))
      // One unit more or less in the last place changes the square by about twice the root of them.
      const step = multiply(multiply(decimal(2), add(answer, unitOf(answer))), unitOf(answer))
      const passes = compare(off, step) <= 0
      return {
        steps: [
          `${toWords(answer)} × ${toWords(answer)} = ${toWords(square)}`,
          `That is ${toWords(off)} ${isNegative(subtract(problem.radicand, square)) ? 'above' : 'below'} ${toWords(problem.radicand)}; one more in the last place would change it by ${toWords(step)}.`,
          verdict(
            passes,
            off.units === 0n ? 'It comes out exactly.' : 'No closer root has as many decimals.',
            'A closer root is near',
          ),
        ],
        passes,
      }
    }
    case 'product-pair':
    case 'number':
      return undefined
  }
}

/** Wrong answers near the right one, the more human ones first. */
function nearMisses(right: Decimal): Decimal[] {
  const text = toText(absolute(right)).replace('.', '')
  const swapped = [...text].flatMap((_, i) =>
    [1, 2].flatMap((gap) => {
      const [a, b] = [text[i]!, text[i + gap]]
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
