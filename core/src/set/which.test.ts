import fc from 'fast-check'
import { expect, test } from 'vitest'
import { FACT_DECKS } from '../facts/decks.js'
import { listedOwn } from '../report/own.js'
import { GENERATOR, itemsOf, plainRecipe, USUAL_PAPER } from './index.js'
import { type Choosable, problemsOf, type Which } from './which.js'

const OWN = {
  id: 'a',
  name: 'Chapter 4',
  technique: null,
  problems: Array.from({ length: 30 }, (_, i) => ({ expression: `${i + 20}+37` })),
}
const KEPT: Choosable = { own: [OWN], papers: [{ ...USUAL_PAPER, name: 'Short', count: 12 }] }

/** What is drawn of it, as it is written. */
const drawn = (which: Which, seed = 5) => {
  const problems = problemsOf(which, KEPT, listedOwn, seed)
  const recipe = { ...plainRecipe(problems.sources, 'answer'), order: problems.order }
  const items = itemsOf({ recipe, seed, generator: GENERATOR })
  return { ...problems, techniques: items.map((i) => (i?.kind === 'problem' ? i.technique : '')) }
}

test('techniques share the problems evenly and are mixed; one alone stays in its order', () => {
  const picks = [
    { technique: 'add-pairs', level: 3 },
    { technique: 'multiply-crosswise', level: 4 },
    { technique: 'subtract-hold-drop', level: 5 },
  ]
  fc.assert(
    fc.property(fc.integer({ min: 1, max: 40 }), (count) => {
      const { techniques, order } = drawn({ from: 'techniques', picks, count })
      const each = picks.map((p) => techniques.filter((t) => t === p.technique).length)
      expect(techniques.length).toBe(count)
      expect(Math.max(...each) - Math.min(...each)).toBeLessThanOrEqual(1)
      expect(order).toBe('mixed')
    }),
    { numRuns: 20 },
  )
  expect(drawn({ from: 'techniques', picks: picks.slice(0, 1), count: 4 }).order).toBe('listed')
})

const texts = (which: Which, seed?: number) => {
  const [source] = problemsOf(which, KEPT, listedOwn, seed ?? 5).sources
  return source?.kind === 'listed' ? source.problems.map((p) => p!.expression) : []
}

test('own problems come from the first on, or at random and then each at most once', () => {
  const some = (mixed: boolean): Which => ({ from: 'own', set: 'a', count: 8, mixed })
  expect(texts(some(false))).toEqual(OWN.problems.slice(0, 8).map((p) => p.expression))
  expect(new Set(texts(some(true))).size).toBe(8)
  expect(texts(some(true), 1)).not.toEqual(texts(some(true), 2))
  expect(problemsOf(some(true), KEPT, listedOwn, 1).name).toBe('Chapter 4')
  expect(() => problemsOf({ from: 'own', set: 'b', count: 1, mixed: false }, KEPT, listedOwn, 1)).toThrow(
    'Choose',
  )
})

test('facts of every deck can be chosen; a paper brings its points', () => {
  for (const { id, name, cards } of FACT_DECKS) {
    const which = { from: 'facts', deck: id, count: cards.length } as const
    expect(texts(which).toSorted()).toEqual(cards.map((c) => `${id}: ${c.id}`).toSorted())
    expect(drawn(which).name).toBe(name)
  }
  const paper = problemsOf({ from: 'paper', name: 'Short' }, KEPT, listedOwn, 3)
  expect([paper.name, paper.marks, texts({ from: 'paper', name: 'Short' }).length]).toEqual([
    'Short',
    USUAL_PAPER.marks,
    12,
  ])
})
