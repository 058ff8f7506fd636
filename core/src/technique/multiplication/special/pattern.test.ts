import { expect, test } from 'vitest'
import { crossPattern } from './pattern.js'

// docs/method.md, Crosswise: 4 by 4 digits take 1, 2, 3, 4, 3, 2, 1 products.
test('the pattern of a product: as many lines in a column as products', () => {
  expect(crossPattern(4, 4).map((c) => c.length)).toEqual([1, 2, 3, 4, 3, 2, 1])
  expect(crossPattern(2, 2)).toEqual([
    [[0, 0]],
    [
      [1, 0],
      [0, 1],
    ],
    [[1, 1]],
  ])
  // In three by two the second digit follows one place later than the first: inner and outer.
  expect(crossPattern(3, 2)).toEqual([
    [[0, 0]],
    [
      [1, 0],
      [0, 1],
    ],
    [
      [2, 0],
      [1, 1],
    ],
    [[2, 1]],
  ])
  for (const [a, b] of [
    [1, 1],
    [8, 3],
    [5, 8],
  ] as const) {
    const all = crossPattern(a, b)
    expect(all.flat()).toHaveLength(a * b)
    expect(new Set(all.flat().map(String)).size).toBe(a * b)
    for (const [k, column] of all.entries()) for (const [i, j] of column) expect(i + j).toBe(k)
  }
})
