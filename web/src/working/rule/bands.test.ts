import fc from 'fast-check'
import { expect, test } from 'vitest'
import { bandsOf } from './bands.js'

const anyRule = fc.record({
  high: fc.integer({ min: 0, max: 44 }),
  low: fc.integer({ min: -12, max: 0 }),
  width: fc.option(fc.integer({ min: 4, max: 100 }), { nil: undefined }),
})

test('every place stands once, from the highest to the lowest, on lines as even as can be', () => {
  fc.assert(
    fc.property(anyRule, ({ high, low, width }) => {
      const bands = bandsOf(high, low, width)
      const places = bands.flat()
      expect(places).toEqual(Array.from({ length: high - low + 1 }, (_, i) => high - i))
      if (width === undefined) expect(bands).toHaveLength(1)
      // A digit is 0.8 rem wide at least, and the signs have a column; six always find room.
      const most = width === undefined ? places.length : Math.max(6, Math.floor(width / 0.8) - 1)
      for (const band of bands) expect(band.length).toBeLessThanOrEqual(most)
      expect(bands.length).toBe(Math.ceil(places.length / most))
      // All but the first line are alike, and the first is never longer.
      const [first, ...rest] = bands.map((b) => b.length)
      expect(new Set(rest).size).toBeLessThanOrEqual(1)
      if (rest[0] !== undefined) expect(first).toBeLessThanOrEqual(rest[0])
    }),
  )
})

test('a line begins where digits are grouped, wherever that fits', () => {
  // Thirty digits at 360 px: 22 places are the most, so two lines; of fifteen each, five groups of three.
  expect(bandsOf(29, 0, 18.4).map((b) => b.length)).toEqual([15, 15])
  // Twenty places on lines of at most twelve: ten each would cut a group, twelve do not.
  expect(bandsOf(19, 0, 10.4).map((b) => b.length)).toEqual([8, 12])
  // Seven at most: nine would not fit, so the line is cut within a group.
  expect(bandsOf(12, 0, 6.4).map((b) => b.length)).toEqual([6, 7])
  expect(bandsOf(0, 0, 4)).toEqual([[0]])
})
