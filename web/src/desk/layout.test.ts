import { TECHNIQUES } from '@tachymetra/core/registry'
import type { Technique } from '@tachymetra/core/technique'
import fc from 'fast-check'
import { expect, test } from 'vitest'
import { layoutMap } from './layout.js'

/** Some techniques, each leaning on some of those before it. */
const several = fc.array(fc.array(fc.nat(50), { maxLength: 3 }), { minLength: 1, maxLength: 25 }).map((all) =>
  all.map((leans, i): Technique => {
    const needs = i === 0 ? [] : [...new Set(leans.map((n) => `t${n % i}`))]
    return { ...TECHNIQUES[i % TECHNIQUES.length]!, id: `t${i}`, needs }
  }),
)

function check(techniques: readonly Technique[]): void {
  const { spots, columns, rows } = layoutMap(techniques)
  expect(spots.map((s) => s.technique.id).sort()).toEqual(techniques.map((t) => t.id).sort())
  // Nothing stands on another.
  for (const [i, a] of spots.entries())
    for (const b of spots.slice(i + 1))
      expect(a.column !== b.column || Math.abs(a.row - b.row) > 0.99).toBe(true)
  const at = (id: string) => spots.find((s) => s.technique.id === id)!
  for (const { technique, column, row } of spots) {
    for (const id of technique.needs) expect(column).toBeGreaterThan(at(id).column)
    expect(column >= 0 && column < columns && row >= 0 && row <= rows - 1).toBe(true)
  }
}

test('the map: everything has a place of its own, right of all it needs', () => {
  check(TECHNIQUES)
  fc.assert(fc.property(several, check))
})
