import fc from 'fast-check'
import { expect, test } from 'vitest'
import { numberAnswer } from '../kit/rule.js'
import { falseEquations } from '../kit/sentences.js'
import { thorough } from '../kit/thorough.js'
import { add, decimal, equal, toText } from '../number/decimal.js'
import { unmarked } from '../number/marks.js'
import { seeded } from '../number/random.js'
import { printProblem, readProblem } from '../problem/expression.js'
import { answerOf, isItem } from '../problem/problem.js'
import { asDecimal } from '../question/value.js'
import { TECHNIQUES } from '../registry/techniques.js'
import { checksOf } from './checks.js'

const check = (expression: string, answer: string, id: string) =>
  checksOf(
    readProblem(expression),
    decimal(BigInt(answer.replace('.', '')), answer.split('.')[1]?.length ?? 0),
  ).find((c) => c.id === id)

// docs/method.md, Checks: disagreement proves a slip; swapped digits and errors of a multiple of 9 pass.
test('casting out nines, worked', () => {
  expect(check('8341-3675', '4666', 'nines')).toMatchObject({
    passes: true,
    steps: [
      '8\u2009341: strike out 8 + 1, 3 + 4 = 7',
      '3\u2009675: strike out 3 + 6, 7 + 5 = 12, 1 + 2 = 3',
      '7 − 3 leaves 4',
      '4\u2009666: 4 + 6 + 6 + 6 = 22, 2 + 2 = 4',
      '4 and 4 agree.',
    ],
  })
  expect(check('8341-3675', '4676', 'nines')!.passes).toBe(false)
  expect(check('8341-3675', '6466', 'nines')!.passes).toBe(true)
  expect(check('8341-3675', '6466', 'elevens')!.passes).toBe(false)
  expect(check('36*52', '1872', 'elevens')!.steps).toContain('1\u2009872: 2 − 7 + 8 − 1 = 2')
})

test('nines are struck out first: 4 971 is left with 3', () => {
  expect(check('4970+1', '4971', 'nines')!.steps).toContain(
    '4\u2009971: strike out 9, 4 + 7 + 1 = 12, 1 + 2 = 3',
  )
  expect(check('900+99', '999', 'nines')!.steps).toContain('999: strike out 9, 9 and 9, 0 is left')
})

test('a root is right where none is nearer, or where it is cut off; half a unit more is not', () => {
  const passes = (answer: string) => check('sqrt(70)', answer, 'reverse')!.passes
  // The root of 70 is 8.36660...
  expect(['8.366', '8.367', '8.37', '8.36', '8.4', '8', '9'].map(passes)).toEqual([
    true,
    true,
    true,
    true,
    true,
    true,
    false,
  ])
  expect(['8.365', '8.368', '8.38', '8.35', '8.3'].map(passes)).toEqual([false, false, false, false, true])
})

test.each([
  ['36*52', '1873', 'last-digit'],
  ['36*52', '18720', 'size'],
  ['36*52', '1882', 'reverse'],
  ['2184/6', '354', 'reverse'],
  ['sqrt(70)', '8.466', 'reverse'],
  ['sqrt(70)', '9.366', 'size'],
  ['7.5^2', '56.15', 'nines'],
  ['16*23+16*27', '810', 'nines'],
  ['3-5', '2', 'elevens'],
])('%s is not %s: %s sees it', (expression, wrong, id) => {
  expect(check(expression, wrong, id)!.passes).toBe(false)
})

test('right answers pass every check; the wrong one shown passes and is wrong; a residue off never passes', () => {
  const anyProblem = fc
    .constantFrom(...TECHNIQUES.flatMap((t) => t.levels.map((l) => l.problems())))
    .chain((space) => fc.bigInt(0n, space.size - 1n).map((i) => space.at(i)))
  fc.assert(
    fc.property(anyProblem, fc.bigInt(1n, 10n ** 6n), (problem, off) => {
      const right = asDecimal(answerOf(problem))
      if (!right) return
      for (const { id, passes, wrongButPasses, steps } of checksOf(problem, right)) {
        expect(`${id} ${passes} ${steps.length > 1}`).toBe(`${id} true true`)
        if (id !== 'reverse' && id !== 'size') expect(wrongButPasses, id).toBeDefined()
        if (!wrongButPasses) continue
        expect(equal(wrongButPasses, right), toText(right)).toBe(false)
        expect(checksOf(problem, wrongButPasses).find((c) => c.id === id)!.passes).toBe(true)
      }
      if (problem.kind !== 'sum' && problem.kind !== 'product') return
      const verdicts = checksOf(problem, add(right, decimal(off, right.scale)))
      expect(verdicts.find((c) => c.id === 'nines')!.passes).toBe(off % 9n === 0n)
      expect(verdicts.find((c) => c.id === 'elevens')!.passes).toBe(off % 11n === 0n)
      expect(verdicts.find((c) => c.id === 'reverse')!.passes).toBe(false)
    }),
    { numRuns: thorough(1500, 400) },
  )
})

const WORKED_DIRECTLY = ['sum', 'product', 'square', 'product-sum', 'product-pair']

test('what checks say is so: every equation holds, bounds hold the right answer, and what would pass too is wrong', () => {
  const random = seeded(12)
  const bound = (text: string) => Number(unmarked(text).replaceAll('\u2009', '').replace('−', '-'))
  for (const technique of TECHNIQUES)
    for (const level of [technique.levels[0]!, technique.levels.at(-1)!]) {
      const space = level.problems()
      const problem = space.at(random.below(space.size))
      if (isItem(problem) || problem.kind === 'number') continue
      const right = numberAnswer(problem)
      for (const answer of [right, add(right, decimal(9)), add(right, decimal(1))])
        for (const { id, steps, passes, wrongButPasses } of checksOf(problem, answer)) {
          const where = `${printProblem(problem)} = ${toText(answer)} by ${id}`
          expect(steps.flatMap(falseEquations), where).toEqual([])
          for (const line of steps) {
            const [, low, high] = /between (\S+) and (\S+)\.$/.exec(line) ?? []
            // A quotient is checked by what it makes with the divisor, a root by its squares.
            if (low === undefined || high === undefined || !WORKED_DIRECTLY.includes(problem.kind)) continue
            expect(bound(low), where).toBeLessThanOrEqual(Number(toText(right)))
            expect(bound(high), where).toBeGreaterThanOrEqual(Number(toText(right)))
          }
          expect(/something is wrong/.test(steps.at(-1)!), where).toBe(!passes)
          if (!wrongButPasses) continue
          expect(equal(wrongButPasses, right), where).toBe(false)
          expect(checksOf(problem, wrongButPasses).find((c) => c.id === id)!.passes, where).toBe(true)
        }
    }
})
