/** The conventional written working of a problem, counted in the same coin as the techniques. */
import { add, compare, type Decimal, decimal, isNegative, unitsAt, ZERO } from '../number/decimal.js'
import { integerRoot } from '../number/root.js'
import { size } from '../number/whole.js'
import { asProduct, type Factors, type Problem, type SumProblem, signed } from '../problem/problem.js'
import type { Effort } from './effort.js'
import {
  differenceLoad,
  digitProductLoad,
  type Load,
  NO_LOAD,
  productLoad,
  sumLoad,
  together,
} from './facts.js'

/**
 * What working the problem on paper takes: columns from the right with carries for sums, a row a digit for products,
 * long division, digit pairs brought down for roots (as the schoolbooks have it; common practice, no published
 * source). Everything is on the paper, so at most one carry is held.
 */
export function writtenEffort(problem: Problem): Effort {
  const { facts, carries } = writtenLoad(problem)
  const held = carries > 0 ? 1 : 0
  return { facts: facts.length, carries, held, total: facts.length + carries + held }
}

function writtenLoad(problem: Problem): Load {
  switch (problem.kind) {
    case 'sum':
      return sumInColumns(problem)
    case 'product':
    case 'square':
      return product(asProduct(problem)!)
    case 'product-sum': {
      const [p, q] = [problem.factors[0].units * problem.factors[1].units, problem.term.size.units]
      return together(
        product(problem.factors),
        problem.term.sign > 0 ? sumLoad(p, q) : differenceLoad(...inOrder(p, q)),
      )
    }
    case 'product-pair': {
      const [p, q] = [problem.left, problem.right].map(([a, b]) => a.units * b.units) as [bigint, bigint]
      const last = problem.sign > 0 ? sumLoad(p, q) : differenceLoad(...inOrder(p, q))
      return together(product(problem.left), product(problem.right), last)
    }
    case 'quotient': {
      const scale = Math.max(problem.dividend.scale, problem.divisor.scale)
      return longDivision(unitsAt(problem.dividend, scale), unitsAt(problem.divisor, scale))
    }
    case 'number':
      return NO_LOAD
    case 'root':
      return rootByPairs(problem.radicand)
  }
}

function product([a, b]: Factors): Load {
  return productLoad(a.units, b.units)
}

function sumInColumns({ terms }: SumProblem): Load {
  let total = ZERO
  const loads: Load[] = []
  for (const term of terms) {
    const next = signed(term)
    const scale = Math.max(total.scale, next.scale)
    const [x, y] = [unitsAt(total, scale), unitsAt(next, scale)]
    if (total.units !== 0n)
      loads.push(
        isNegative(total) === isNegative(next) ? sumLoad(x, y) : differenceLoad(...inOrder(size(x), size(y))),
      )
    total = add(total, next)
  }
  return together(...loads)
}

function inOrder(x: bigint, y: bigint): [bigint, bigint] {
  return compare(decimal(x), decimal(y)) < 0 ? [y, x] : [x, y]
}

/** One guess, one product and one difference for every digit of the quotient. */
function longDivision(dividend: bigint, divisor: bigint): Load {
  const loads: Load[] = []
  let rest = 0n
  for (const digit of dividend.toString()) {
    rest = rest * 10n + BigInt(digit)
    const q = rest / divisor
    if (q > 0n) {
      loads.push({ facts: [`${Number(rest)}/${Number(divisor)}`], carries: 0 })
      loads.push(digitProductLoad(Number(q), divisor), differenceLoad(rest, q * divisor))
    }
    rest %= divisor
  }
  return together(...loads)
}

/** Digits brought down in pairs from the point: double the root so far, guess the next digit, multiply, subtract. Three decimals. */
function rootByPairs(radicand: Decimal): Load {
  const places = Math.max(3, Math.ceil(radicand.scale / 2))
  const units = unitsAt(radicand, 2 * places)
  const root = integerRoot(units).toString()
  const digits = units.toString().padStart(2 * root.length, '0')
  const loads: Load[] = []
  let [rest, found] = [0n, 0n]
  for (let i = 0; i < root.length; i += 1) {
    rest = rest * 100n + BigInt(digits.slice(2 * i, 2 * i + 2))
    const digit = BigInt(root[i]!)
    const taken = (20n * found + digit) * digit
    loads.push(digitProductLoad(2, found), {
      facts: [`${Number(rest)}/${Number(20n * found + digit || 1n)}`],
      carries: 0,
    })
    loads.push(digitProductLoad(Number(digit), 20n * found + digit), differenceLoad(rest, taken))
    rest -= taken
    found = found * 10n + digit
    if (rest === 0n && /^0*$/.test(digits.slice(2 * i + 2))) break
  }
  return together(...loads)
}
