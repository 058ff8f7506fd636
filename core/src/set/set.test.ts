import fc from 'fast-check'
import { expect, test } from 'vitest'
import { CHECK_KINDS } from '../drill/checking.js'
import { drillById } from '../drill/drills.js'
import { TRICKS } from '../drill/fits.js'
import { FACT_DECKS } from '../facts/decks.js'
import { stairAfter } from '../flash/list.js'
import { printProblem } from '../problem/expression.js'
import { TECHNIQUES } from '../registry/techniques.js'
import { check } from '../wire/check.js'
import { sessionStartSchema } from '../wire/schemas.js'
import { checkRecipe } from './check.js'
import { AS_RECORDED, GENERATOR, isItem, itemsOf, listedItem, watchedItems, withRecorded } from './items.js'
import { deadlineOf, type ItemAnswer, scoreOf, stairOf, toCome } from './next.js'
import { itemCount, type PracticeSet, plainRecipe, type Recipe, type Source } from './recipe.js'

const FACTS = FACT_DECKS.flatMap((d) => d.cards.map((c) => c.id))

const levels = fc.constantFrom(...TECHNIQUES).chain(({ id, levels }) =>
  fc.record({
    kind: fc.constant('level' as const),
    technique: fc.constant(id),
    level: fc.integer({ min: 1, max: levels.length }),
    count: fc.integer({ min: 1, max: 6 }),
  }),
)
const AT_LEVELS = [
  { technique: 'multiply-addition', level: 2 },
  { technique: 'multiply-same-head', level: 3 },
]
const sources: fc.Arbitrary<Source> = fc.oneof(
  levels,
  fc.record({
    kind: fc.constant('parameters' as const),
    technique: fc.constant('add-running-total'),
    values: fc.record({ terms: fc.integer({ min: 2, max: 4 }), digits: fc.integer({ min: 1, max: 5 }) }),
    count: fc.integer({ min: 1, max: 6 }),
  }),
  fc.record({
    kind: fc.constant('listed' as const),
    problems: fc.constant([
      { technique: 'add-running-total', level: 0, expression: '364+278' },
      { technique: 'grid', level: 0, expression: '12 34; 56 78' },
    ]),
  }),
  fc.record({
    kind: fc.constant('facts' as const),
    facts: fc.uniqueArray(fc.constantFrom(...FACTS), { minLength: 1, maxLength: 9 }),
  }),
  fc.record({
    kind: fc.constant('flash' as const),
    digits: fc.integer({ min: 1, max: 3 }),
    numbers: fc.integer({ min: 2, max: 8 }),
    minus: fc.boolean(),
    count: fc.integer({ min: 1, max: 6 }),
  }),
  fc.record({
    kind: fc.constant('grid' as const),
    rows: fc.integer({ min: 2, max: 4 }),
    columns: fc.integer({ min: 2, max: 4 }),
    digits: fc.integer({ min: 1, max: 3 }),
    count: fc.integer({ min: 1, max: 3 }),
  }),
  fc.record({
    kind: fc.constant('fits' as const),
    tricks: fc.subarray(
      TRICKS.map((t) => t.id),
      { minLength: 1 },
    ),
    count: fc.integer({ min: 1, max: 5 }),
  }),
  fc.record({
    kind: fc.constant('ways' as const),
    known: fc.constant(AT_LEVELS),
    count: fc.integer({ min: 1, max: 5 }),
  }),
  fc.record({
    kind: fc.constant('checking' as const),
    check: fc.constantFrom(...CHECK_KINDS),
    known: fc.constant([{ technique: 'subtract-hold-drop', level: 5 }]),
    count: fc.integer({ min: 1, max: 5 }),
  }),
)
const recipes = fc
  .tuple(fc.array(sources, { minLength: 1, maxLength: 4 }), fc.constantFrom('listed', 'mixed'))
  .map(([from, order]): Recipe => ({ ...plainRecipe(from, 'answer'), order: order as Recipe['order'] }))
const setOf = (recipe: Recipe, seed: number): PracticeSet => ({ recipe, seed, generator: GENERATOR })
const texts = (set: PracticeSet) =>
  itemsOf(set).map((item) =>
    item?.kind === 'fact' ? item.card.id : JSON.stringify(item && listedItem(item)),
  )

test('recipe and seed give the same items, also after they have gone over the wire; each is item n and no other', () => {
  fc.assert(
    fc.property(recipes, fc.integer(), (recipe, seed) => {
      checkRecipe(recipe)
      const set = setOf(recipe, seed)
      const items = itemsOf(set)
      expect(items).toHaveLength(itemCount(recipe))
      const sent = JSON.parse(
        JSON.stringify({
          ...set,
          learnerId: '00000000-0000-4000-8000-000000000000',
          startedAt: '2026-03-01T10:00:00.000Z',
        }),
      )
      const checked = check(sessionStartSchema, sent)
      if ('error' in checked) throw new Error(checked.error)
      expect(texts(checked.value)).toEqual(texts(set))
      for (const [i, item] of items.entries()) {
        const listed = item && listedItem(item)
        if (!listed) continue
        expect(isItem(items, i + 1, listed)).toBe(true)
        expect(isItem(items, i + 1, { ...listed, expression: `${listed.expression}1` })).toBe(false)
        expect(isItem(items, i + 1, { ...listed, level: listed.level + 1 })).toBe(false)
        expect(isItem(items, items.length + 1, listed)).toBe(undefined)
      }
    }),
    { numRuns: 60 },
  )
})

test('a mixed set holds what the same set in order holds, and another seed draws otherwise', () => {
  const from: Source[] = [
    { kind: 'level', technique: 'add-running-total', level: 5, count: 20 },
    { kind: 'level', technique: 'multiply-crosswise', level: 2, count: 20 },
  ]
  const listed = plainRecipe(from, 'answer')
  const mixed: Recipe = { ...listed, order: 'mixed' }
  expect(texts(setOf(mixed, 7)).sort()).toEqual(texts(setOf(listed, 7)).sort())
  expect(texts(setOf(mixed, 7))).not.toEqual(texts(setOf(listed, 7)))
  expect(texts(setOf(mixed, 8))).not.toEqual(texts(setOf(mixed, 7)))
  const firsts = texts(setOf(mixed, 7)).map((t) => t!.includes('crosswise'))
  // Shuffled together, not one after the other: the first half has some of both.
  expect(new Set(firsts.slice(0, 20)).size).toBe(2)
  // What is watched is of the same kind, and does not give the worked ones away.
  const watched = watchedItems(setOf(listed, 7)).map((i) => JSON.stringify(listedItem(i!)))
  expect(watched.filter((t) => texts(setOf(listed, 7)).includes(t)).length).toBeLessThan(5)
})

// What version 1 of the generator draws: whoever changes it raises GENERATOR.
test('the items of version 1, as they are kept', () => {
  const draws = (source: Source, seed: number) =>
    itemsOf(setOf(plainRecipe([source], 'answer'), seed)).map((item) =>
      item?.kind === 'problem' ? printProblem(item.problem) : listedItem(item!)!.expression,
    )
  expect(GENERATOR).toBe(1)
  expect({
    sums: draws({ kind: 'level', technique: 'add-running-total', level: 5, count: 3 }, 1),
    differences: draws({ kind: 'level', technique: 'subtract-hold-drop', level: 6, count: 3 }, 2),
    products: draws({ kind: 'level', technique: 'multiply-crosswise', level: 3, count: 3 }, 3),
    flashed: draws({ kind: 'flash', digits: 2, numbers: 4, minus: true, count: 2 }, 4),
    grid: draws({ kind: 'grid', rows: 2, columns: 2, digits: 2, count: 1 }, 5),
    fits: draws({ kind: 'fits', tricks: ['multiply-same-head'], count: 2 }, 6),
    ways: draws({ kind: 'ways', known: AT_LEVELS, count: 1 }, 7),
    checking: draws({ kind: 'checking', check: 'nines', known: AT_LEVELS, count: 2 }, 8),
  }).toEqual({
    differences: ['8393-4554', '7542-4691', '8109-7289'],
    flashed: ['54+58-71+74', '89+73-52-47'],
    checking: ['nines: 78*3 = 432', 'nines: 88*4 = 432'],
    fits: ['multiply-same-head: 24*26', 'multiply-same-head: 41*19'],
    grid: ['38 11; 10 14'],
    ways: ['multiply-addition multiply-same-head: 81*89'],
    products: ['33*21', '32*12', '16*11'],
    sums: ['816+412', '940+113', '107+755'],
  })
})

test('sets of another version are not drawn; a recorded list is what was recorded', () => {
  const recipe = plainRecipe([{ kind: 'level', technique: 'add-pairs', level: 1, count: 3 }], 'answer')
  expect(() => itemsOf({ recipe, seed: 1, generator: GENERATOR + 1 })).toThrow(/another version/)
  const one = { technique: 'add-pairs', level: 1, expression: '7+8+3' }
  const kept = withRecorded(withRecorded(plainRecipe([], 'answer'), 3, one), 1, {
    ...one,
    expression: '6+4+9',
  })
  const items = itemsOf({ recipe: kept, seed: 0, generator: AS_RECORDED })
  expect(items.map((i) => i && listedItem(i)?.expression)).toEqual(['6+4+9', undefined, '7+8+3'])
  expect([isItem(items, 3, one), isItem(items, 1, one), isItem(items, 2, one)]).toEqual([
    true,
    false,
    undefined,
  ])
})

test.each<[string, Source]>([
  ['a technique that is not there', { kind: 'level', technique: 'guess', level: 1, count: 1 }],
  ['a level that is not there', { kind: 'level', technique: 'add-pairs', level: 99, count: 1 }],
  ['too many items', { kind: 'level', technique: 'add-pairs', level: 1, count: 201 }],
  ['no item', { kind: 'listed', problems: [] }],
  [
    'a parameter that is not there',
    { kind: 'parameters', technique: 'add-pairs', values: { luck: 7 }, count: 1 },
  ],
  [
    'a problem that does not fit',
    { kind: 'listed', problems: [{ technique: 'add-pairs', level: 0, expression: '7x8' }] },
  ],
  ['a grid that is none', { kind: 'listed', problems: [{ technique: 'grid', level: 0, expression: '1 2' }] }],
  ['a trick that is none', { kind: 'fits', tricks: ['multiply-crosswise'], count: 1 }],
  [
    'a level to choose from that is not there',
    { kind: 'ways', known: [{ technique: 'add-pairs', level: 99 }], count: 1 },
  ],
  [
    'nothing to choose among',
    {
      kind: 'ways',
      known: ['add-pairs', 'multiply-addition'].map((technique) => ({ technique, level: 1 })),
      count: 1,
    },
  ],
  ['a fact that is not there', { kind: 'facts', facts: ['7x99'] }],
  ['too many digits', { kind: 'flash', digits: 12, numbers: 3, minus: false, count: 1 }],
  ['too few rows', { kind: 'grid', rows: 1, columns: 3, digits: 1, count: 1 }],
])('%s is refused', (_, source) => {
  expect(() => checkRecipe(plainRecipe([source], 'answer'))).toThrow()
})

const right = (n: number): ItemAnswer => ({ n, right: true })
const wrong = (n: number): ItemAnswer => ({ n, right: false })

test('what is missed or too slow comes once more at the end, and then has had its turn', () => {
  const facts = ['7x8', '6x7', '3+9']
  const plain = plainRecipe([{ kind: 'facts', facts }], 'answer')
  const again: Recipe = { ...plain, rule: { kind: 'repeat-missed' } }
  expect(toCome(again, [])).toEqual([1, 2, 3])
  expect(toCome(again, [wrong(1)])).toEqual([2, 3, 1])
  expect(toCome(plain, [wrong(1)])).toEqual([2, 3])
  expect(toCome(again, [{ n: 1, right: true, known: false }, right(2)])).toEqual([3, 1])
  expect(toCome(again, [wrong(1), right(2), right(3), wrong(1)])).toEqual([])
})

test('on a paper what was left open comes after all others, from where one is, unless one may not go back', () => {
  const facts = ['7x8', '6x7', '3+9', '4x4']
  const paper = (back: boolean): Recipe => ({
    ...plainRecipe([{ kind: 'facts', facts }], 'answer'),
    paper: { name: 'Paper', without: [], back },
  })
  const skipped = (n: number): ItemAnswer => ({ n, right: false, open: true })
  expect(toCome(paper(true), [skipped(1), wrong(2)])).toEqual([3, 4, 1])
  expect(toCome(paper(false), [skipped(1), wrong(2)])).toEqual([3, 4])
  expect(toCome(paper(true), [skipped(1), skipped(2), skipped(3), right(4)])).toEqual([1, 2, 3])
  expect(toCome(paper(true), [skipped(1), skipped(2), skipped(3), right(4), skipped(2)])).toEqual([3, 1, 2])
  expect(toCome(paper(true), [skipped(1), right(1), right(2), right(3), right(4)])).toEqual([])
})

test('the staircase of a set is that of its answers', () => {
  const source: Source = { kind: 'flash', digits: 1, numbers: 3, minus: false, count: 9 }
  const recipe: Recipe = {
    ...plainRecipe([source], 'answer'),
    rule: { kind: 'staircase', showMs: 1000, run: 0 },
  }
  expect(stairOf(recipe, [])).toEqual({ showMs: 1000, run: 0 })
  const twice = stairAfter(stairAfter({ showMs: 1000, run: 0 }, true), true)
  expect(stairOf(recipe, [right(1), right(2)])).toEqual(twice)
  expect(twice.showMs).toBeLessThan(1000)
  expect(stairOf(recipe, [wrong(1)])!.showMs).toBeGreaterThan(1000)
  expect(stairOf(plainRecipe([source], 'answer'), [right(1)])).toBe(undefined)
})

test('marks: the first answer counts, what is left out counts as such', () => {
  const facts = ['7x8', '6x7', '3+9', '4+4']
  const recipe = plainRecipe([{ kind: 'facts', facts }], 'answer')
  const marked: Recipe = { ...recipe, marks: { right: 5, wrong: -2, blank: -1 } }
  expect(scoreOf(recipe, [right(1)])).toBe(undefined)
  expect(scoreOf(marked, [])).toBe(-4)
  expect(scoreOf(marked, [right(1), wrong(2), right(2)])).toBe(5 - 2 - 2)
  expect(scoreOf(marked, [1, 2, 3, 4].map(right))).toBe(20)
})

test('a clock for each item runs from the item, one for all from the beginning of the set', () => {
  const recipe = plainRecipe([{ kind: 'facts', facts: ['7x8'] }], 'answer')
  const begun = { item: 5000, whole: 1000 }
  expect(deadlineOf(recipe, begun)).toBe(undefined)
  expect(deadlineOf({ ...recipe, clock: { kind: 'item', ms: 700 } }, begun)).toBe(5700)
  expect(deadlineOf({ ...recipe, clock: { kind: 'whole', ms: 700 } }, begun)).toBe(1700)
  // Whoever is given more time gets it here too, or all the time there is.
  expect(deadlineOf({ ...recipe, clock: { kind: 'item', ms: 700 }, extraTime: 1.5 }, begun)).toBe(6050)
  expect(deadlineOf({ ...recipe, clock: { kind: 'whole', ms: 700 }, extraTime: null }, begun)).toBe(undefined)
})

test('a grid of a set asks for its sums', () => {
  const [item] = itemsOf(
    setOf(plainRecipe([{ kind: 'grid', rows: 2, columns: 3, digits: 2, count: 1 }], 'answer'), 3),
  )
  if (item?.kind !== 'drill') throw new Error('no grid')
  expect(drillById(item.drill)!.read(item.text).questions).toHaveLength(2 + 3 + 2)
})
