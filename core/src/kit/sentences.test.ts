import { expect, test } from 'vitest'
import { evaluated, falseEquations } from './sentences.js'

test('equations are read as they are written', () => {
  expect(falseEquations('Check it: 6 × 2 = 13.')).toEqual(['6 × 2 = 13'])
  expect(
    falseEquations('6 × 2 = 12, and 4\u2009268 − 3 = 4\u2009265. Half: 7 ÷ 2 = 3.5, 10 − 12 = −2.'),
  ).toEqual([])
  expect(evaluated('2 × 3 × 4 + 5 × 5')!.units).toBe(49n)
})
