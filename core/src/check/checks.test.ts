import fc from 'fast-check'
import { expect, test } from 'vitest'
import { add, decimal, equal, toText } from '../number/decimal.js'
import { readProblem } from '../problem/expression.js'
import { answerOf } from '../problem/problem.js'
import { TECHNIQUES } from '../technique/registry.js'
import { checksOf } from './checks.js'

const check = (expression: string, answer: string, id: string) =>
  checksOf(
    readProblem(expression),
    decimal(BigInt(answer.replace('.', '')), answer.split('.')[1]?.length ?? 0),
  ).find((c) => c.id === id)

// Handbook, section 11: disagreement proves a slip; swapped digits and errors of a multiple of 9 pass.
test('casting out nines, worked', () => {
  expect(check('8341-3675', '4666', 'nines')).toMatchObject({
    passes: true,
    steps: [
      '8\u2009341: 8 + 3 + 4 + 1 = 16, 1 + 6 = 7',
      '3\u2009675: 3 + 6 + 7 + 5 = 21, 2 + 1 = 3',
      'Together: 7 − 3, that is 4',
      '4\u2009666: 4 + 6 + 6 + 6 = 22, 2 + 2 = 4',
      '4 and 4 agree.',
    ],
  })
  expect(check('8341-3675', '4676', 'nines')!.passes).toBe(false)
  expect(check('8341-3675', '6466', 'nines')!.passes).toBe(true)
  expect(check('8341-3675', '6466', 'elevens')!.passes).toBe(false)
  expect(check('36*52', '1872', 'elevens')!.steps).toContain('1\u2009872: 2 − 7 + 8 − 1 = 2')
})

test.each([
  ['36*52', '1873', 'last-digit'],
  ['36*52', '18720', 'size'],
  ['36*52', '1882', 'reverse'],
  ['2184/6', '354', 'reverse'],
  ['sqrt(70)', '8.466', 'reverse'],
  ['sqrt(70)', '9.366', 'size'],
  ['8.5^2', '72.15', 'nines'],
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
      const right = answerOf(problem)
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
    { numRuns: 1500 },
  )
})
