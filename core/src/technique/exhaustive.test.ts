import { Decimal as Reference } from 'decimal.js'
import { describe, expect, test } from 'vitest'
import { expectWorked, family } from '../kit/agree.js'
import { numberTrace } from '../kit/rule.js'
import { thorough } from '../kit/thorough.js'
import { decimal, equal, isNegative, toText } from '../number/decimal.js'
import { readProblem } from '../problem/expression.js'
import { productOf, quotientOf, rootOf, squareOf, sumOf } from '../problem/problem.js'
import { techniqueById } from '../registry/techniques.js'
import { variantsOf } from './driver.js'

/** All of them by `npm run sweep`; every third, with all others, whenever the tests are run. */
const EACH = BigInt(thorough(1, 3))

const Exact = Reference.clone({ precision: 80, rounding: Reference.ROUND_DOWN })

describe('exhaustive agreement with BigInt, every technique and variant', () => {
  test('all sums and differences of numbers to 99', () => {
    const seen = new Set<string>()
    for (let a = 0n; a < 100n; a += EACH)
      for (let b = 0n; b < 100n; b += 1n) {
        for (const id of expectWorked(family('addition'), sumOf(decimal(a), decimal(b)), decimal(a + b)))
          seen.add(id)
        for (const id of expectWorked(family('subtraction'), readProblem(`${a}-${b}`), decimal(a - b)))
          seen.add(id)
      }
    for (const id of expectWorked(family('addition'), readProblem('4738+2685'), decimal(7423))) seen.add(id)
    expect(seen.size).toBe(family('addition').length + family('subtraction').length)
  })

  test('all products of one- and two-digit numbers', () => {
    const seen = new Set<string>()
    for (let a = 1n; a < 100n; a += EACH)
      for (let b = 1n; b < 100n; b += 1n)
        for (const id of expectWorked(
          family('multiplication'),
          productOf(decimal(a), decimal(b)),
          decimal(a * b),
        ))
          seen.add(id)
    expect(seen.size).toBe(family('multiplication').length - 1)
    expectWorked(family('multiplication'), readProblem('16*23-3*16'), decimal(320))
  })

  test('all squares to 2000, of whole numbers and with one decimal', () => {
    const seen = new Set<string>()
    for (let n = 1n; n <= 2000n; n += EACH) {
      for (const id of expectWorked(family('squares'), squareOf(decimal(n)), decimal(n * n))) seen.add(id)
      expectWorked(family('squares'), squareOf(decimal(n, 1)), decimal(n * n, 2))
    }
    expect(seen.size).toBe(family('squares').length)
  })

  test('all divisions of numbers to 999 by 2 to 12, with remainder and with decimals', () => {
    const technique = techniqueById('divide-short')
    for (let a = 0n; a < 1000n; a += 1n)
      for (let b = 2n; b <= 12n; b += 1n) {
        const problem = quotientOf(decimal(a), decimal(b))
        const stated = numberTrace(technique, problem, { rest: 'remainder' })
        const rest = stated.steps.at(-1)!.action === 'remainder' ? stated.steps.at(-1)!.expect.units : 0n
        if (stated.answer.units !== a / b || rest !== a % b) expect.fail(`${a}/${b}`)
        const cut = numberTrace(technique, problem, { rest: 'decimals' }).answer
        if (!equal(cut, decimal((a * 1_000_000n) / b, 6))) expect.fail(`${a}/${b} gives ${toText(cut)}`)
      }
  })

  // Reference: decimal.js, a general-purpose arbitrary-precision library.
  test('all roots to 10000 at three decimals against decimal.js; no net below 0', () => {
    const duplex = techniqueById('root-duplex')
    const estimate = techniqueById('root-estimate')
    for (let n = 1n; n <= 10_000n; n += EACH) {
      const root = new Exact(n.toString()).sqrt()
      const { steps, answer } = numberTrace(duplex, rootOf(decimal(n)), { decimals: '3' })
      if (toText(answer) !== root.toDecimalPlaces(3).toString()) expect.fail(`${n}: ${toText(answer)}`)
      for (const s of steps) if (isNegative(s.expect)) expect.fail(`${n}: ${s.action} ${toText(s.expect)}`)
      for (const variant of variantsOf(estimate)) {
        const got = new Exact(toText(numberTrace(estimate, rootOf(decimal(n)), variant).answer))
        // Never below the true root but for the rounding to three decimals, and good to two.
        if (got.lt(root.minus(0.0005)) || got.minus(root).gt(0.011))
          expect.fail(`${n} ${variant.square}: ${got} for ${root}`)
      }
    }
  })
})
