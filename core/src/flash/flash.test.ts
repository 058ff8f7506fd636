import fc from 'fast-check'
import { expect, test } from 'vitest'
import { numberAnswer } from '../kit/rule.js'
import { values } from '../kit/testing.js'
import { toText } from '../number/decimal.js'
import { seeded } from '../number/random.js'
import { printProblem, readProblem } from '../problem/expression.js'
import { signed } from '../problem/problem.js'
import { techniqueById } from '../registry/techniques.js'
import { randomGrid } from './grid.js'
import { FASTEST_MS, flashList, onsets, SLOWEST_MS, type Staircase, safePace, stairAfter } from './list.js'

test('lists have the digits, the count and the signs asked for, and never fall below zero', () => {
  const parameters = fc.record({
    digits: fc.integer({ min: 1, max: 9 }),
    count: fc.integer({ min: 2, max: 30 }),
    minus: fc.boolean(),
  })
  fc.assert(
    fc.property(parameters, fc.nat(), (given, seed) => {
      const { terms } = flashList(given, seeded(seed))
      expect(terms).toHaveLength(given.count)
      let total = 0n
      for (const term of terms) {
        expect(toText(term.size)).toHaveLength(given.digits)
        total += signed(term).units
        expect(total >= 0n).toBe(true)
      }
      if (!given.minus) expect(terms.every((t) => t.sign > 0)).toBe(true)
      expect(techniqueById('flash-sum').fits({ kind: 'sum', terms })).toEqual({ fits: true })
      expect(readProblem(printProblem({ kind: 'sum', terms }))).toEqual({ kind: 'sum', terms })
    }),
  )
  const signs = Array.from({ length: 200 }, (_, i) =>
    flashList({ digits: 1, count: 5, minus: true }, seeded(i)).terms.map((t) => t.sign),
  ).flat()
  expect(signs.filter((s) => s < 0).length).toBeGreaterThan(150)
  expect(() => flashList({ digits: 0, count: 5, minus: false }, seeded(1))).toThrow(/1 to 9 digits/)
})

test('onsets are planned from the start; the safe pace is three a second', () => {
  expect(onsets(4, { showMs: 300, gapMs: 50 })).toEqual([0, 350, 700, 1050])
  expect(safePace({ showMs: 200, gapMs: 50 })).toEqual({ showMs: 284, gapMs: 50 })
  expect(safePace({ showMs: 900, gapMs: 100 })).toEqual({ showMs: 900, gapMs: 100 })
})

// Levitt, Transformed up-down methods in psychoacoustics (1971): two-down one-up settles where 70.7 % are right.
test('the staircase settles where about 71 % are right', () => {
  const random = seeded(4)
  // A learner who is right for certain at 1.2 s and by chance below, falling off logistically about 0.6 s.
  const chance = (ms: number) => 1 / (1 + Math.exp(-(ms - 600) / 80))
  let stair: Staircase = { showMs: 1500, run: 0 }
  let right = 0
  for (let i = 0; i < 12_000; i += 1) {
    const hit = random.unit() < chance(stair.showMs)
    if (i >= 2000 && hit) right += 1
    stair = stairAfter(stair, hit)
  }
  expect(right / 10_000).toBeGreaterThan(0.68)
  expect(right / 10_000).toBeLessThan(0.74)
  expect(stairAfter({ showMs: FASTEST_MS, run: 1 }, true).showMs).toBe(FASTEST_MS)
  expect(stairAfter({ showMs: SLOWEST_MS, run: 1 }, false).showMs).toBe(SLOWEST_MS)
})

test('running totals of a list, and what a missed number leads to', () => {
  expect(values(techniqueById('flash-sum'), '7+8-4+9')).toEqual(['15', '11', '20'])
})

test('a grid: rows and columns come to the same grand total', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 1, max: 8 }),
      fc.integer({ min: 1, max: 8 }),
      fc.integer({ min: 1, max: 4 }),
      fc.nat(),
      (r, c, d, seed) => {
        const grid = randomGrid(r, c, d, seeded(seed))
        const sum = (n: readonly number[]) => n.reduce((a, b) => a + b, 0)
        expect([grid.cells.length, grid.cells[0]!.length]).toEqual([r, c])
        expect(grid.cells.flat().every((n) => String(n).length === d)).toBe(true)
        expect([sum(grid.rowSums), sum(grid.columnSums), sum(grid.cells.flat())]).toEqual([
          grid.total,
          grid.total,
          grid.total,
        ])
        expect(grid.columnSums[0]).toBe(sum(grid.cells.map((row) => row[0]!)))
      },
    ),
  )
  expect(toText(numberAnswer(readProblem('7+8-4+9')))).toBe('20')
})
