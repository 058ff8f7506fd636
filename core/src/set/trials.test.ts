import fc from 'fast-check'
import { expect, test } from 'vitest'
import { printProblem } from '../problem/expression.js'
import { techniqueById } from '../registry/techniques.js'
import { checkRecipe } from './check.js'
import { GENERATOR, itemsOf } from './items.js'
import { paperScore, USUAL_PAPER } from './paper.js'
import type { Recipe } from './recipe.js'
import { TRIALS, type TrialId, trialById, trialRecipe, trialResult, trialStanding } from './trials.js'

/** What each trial asks (common practice, no published source): how many items, the digits of each number, its signs. */
const ASKS: Readonly<Record<Exclude<TrialId, 'paper'>, readonly [count: number, pattern: RegExp]>> = {
  lists: [10, /^\d{2}(\+\d{2}){4}$/],
  'products-2x2': [20, /^\d{2}\*\d{2}$/],
  'products-3x2': [10, /^\d{3}\*\d{2}$/],
  differences: [5, /^\d{15}-\d{15}$/],
  squares: [10, /^(9[1-9]|10[1-9])\^2$/],
  roots: [5, /^sqrt\(\d{2}\)$/],
  frame: [1, /^\d{10}(\+\d{10}){9}$/],
  'long-sum': [1, /^\d{10}(\+\d{10}){9}$/],
  'long-products': [3, /^\d{8}\*\d{8}$/],
  'long-roots': [5, /^sqrt\(\d{6}\)$/],
  'long-differences': [5, /^\d{20}-\d{20}$/],
}

const expressions = (recipe: Recipe, seed: number) =>
  itemsOf({ recipe, seed, generator: GENERATOR }).map((item) => {
    if (item?.kind !== 'problem') throw new RangeError('A trial asks problems.')
    const { technique, problem } = item
    expect(techniqueById(technique).fits(problem)).toEqual({ fits: true })
    return item
  })

test('a trial is the same in kind whatever its seed, and another one every time', () => {
  const texts = (id: TrialId, seed: number) =>
    expressions(trialRecipe(id, seed), seed).map((i) => printProblem(i.problem))
  for (const { id } of TRIALS) {
    if (id === 'paper') continue
    const [count, pattern] = ASKS[id]
    for (let seed = 0; seed < 20; seed += 1) {
      const items = texts(id, seed)
      expect(items.length, id).toBe(count)
      for (const text of items) expect(text, id).toMatch(pattern)
    }
    expect(texts(id, 3)).not.toEqual(texts(id, 4))
  }
  expect(trialRecipe('paper', 3).sources).not.toEqual(trialRecipe('paper', 4).sources)
})

test('a recipe that calls itself a trial is made as the trial is, or refused', () => {
  for (const { id } of TRIALS) {
    const recipe = trialRecipe(id, 9)
    expect(() => checkRecipe(recipe)).not.toThrow()
    expect(() => checkRecipe({ ...recipe, extraTime: 2 })).not.toThrow()
    const others: Partial<Recipe>[] = [
      { trial: 'none' },
      { trial: TRIALS.find((t) => t.id !== id)!.id },
      { answers: 'at-once' },
      { name: 'easy' },
    ]
    for (const other of others)
      expect(() => checkRecipe({ ...recipe, ...other }), `${id} ${JSON.stringify(other)}`).toThrow('trial')
  }
  const easier = { kind: 'parameters', technique: 'add-pairs', values: { terms: 3 }, count: 10 } as const
  expect(() => checkRecipe({ ...trialRecipe('lists', 1), sources: [easier] })).toThrow('trial')
  const { marks, ...paper } = trialRecipe('paper', 1)
  expect(() => checkRecipe({ ...paper, marks: { ...marks!, wrong: 0 } })).toThrow('trial')
})

const answer = (n: number, right: boolean, ms: number, outcome: 'done' | 'stopped' | 'skipped' = 'done') => {
  return { n, right, ms, outcome }
}

test('a run: right answers a minute, the last answer to an item counting; only a whole run is compared', () => {
  const recipe = trialRecipe('lists', 1)
  const all = Array.from({ length: 10 }, (_, i) => answer(i + 1, i !== 4, 6000))
  expect(trialResult(recipe, all)).toEqual({ right: 9, of: 10, ms: 60_000, score: 9, whole: true })
  expect(trialResult(recipe, [...all, answer(5, true, 30_000)])).toMatchObject({ right: 10, score: 10 / 1.5 })
  expect(trialResult(recipe, all.slice(0, 9)).whole).toBe(false)
  expect(trialResult(recipe, [...all.slice(0, 9), answer(10, false, 1, 'stopped')]).whole).toBe(false)
  expect(trialResult(recipe, [...all.slice(0, 9), answer(10, false, 1, 'skipped')]).whole).toBe(true)
  expect(trialResult(recipe, []).score).toBe(0)
})

test('a paper as a trial is measured by its points', () => {
  const recipe = trialRecipe('paper', 5)
  const answers = [answer(1, true, 4000), answer(2, false, 4000), answer(3, false, 900, 'skipped')]
  expect(trialResult(recipe, answers)).toMatchObject({
    right: 1,
    of: USUAL_PAPER.count,
    score: paperScore(recipe, answers).points,
    whole: true,
  })
  expect(trialById('paper')!.unit).toBe('points')
})

test('the standing: best, median and quartiles of the whole runs', () => {
  const run = (score: number, whole = true) => ({ right: 1, of: 1, ms: 1, score, whole })
  expect(trialStanding([])).toBeUndefined()
  expect(trialStanding([run(5, false)])).toBeUndefined()
  expect(trialStanding([run(3), run(9), run(4), run(99, false)])).toEqual({
    runs: 3,
    best: 9,
    median: 4,
    spread: undefined,
  })
  fc.assert(
    fc.property(fc.array(fc.integer({ min: 1, max: 500 }), { minLength: 4, maxLength: 40 }), (scores) => {
      const { best, median, spread } = trialStanding(scores.map((s) => run(s)))!
      const share = (low: number, high: number) =>
        scores.filter((s) => s >= low && s <= high).length / scores.length
      expect(best).toBe(Math.max(...scores))
      expect(share(0, median)).toBeGreaterThanOrEqual(0.5)
      expect(share(median, 500)).toBeGreaterThanOrEqual(0.5)
      expect(share(0, spread![0])).toBeGreaterThanOrEqual(0.25)
      expect(share(spread![1], 500)).toBeGreaterThanOrEqual(0.25)
      expect(spread![0]).toBeLessThanOrEqual(median)
      expect(spread![1]).toBeGreaterThanOrEqual(median)
    }),
  )
})
