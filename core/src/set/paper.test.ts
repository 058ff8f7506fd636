import fc from 'fast-check'
import { expect, test } from 'vitest'
import { readProblem } from '../problem/expression.js'
import { techniqueById } from '../registry/techniques.js'
import { checkRecipe } from './check.js'
import { itemsOf } from './items.js'
import {
  byKind,
  drawPaper,
  drillOfCostliest,
  isStarred,
  listOf,
  PAPER_POOL,
  type PaperAnswer,
  paperRecipe,
  paperScore,
  setupOf,
  USUAL_PAPER,
  weakKinds,
} from './paper.js'

/** PAPERS=1000 for a whole measurement. */
const PAPERS = Number(process.env.PAPERS ?? 60)

test('papers of 80: no item twice, every one fits its kind at its level, easy before hard, every tenth a star', () => {
  const counts = new Map<string, number>()
  for (let seed = 0; seed < PAPERS; seed += 1) {
    const list = drawPaper(USUAL_PAPER, seed)
    expect(list.length).toBe(80)
    expect(new Set(list.map((p) => p.expression)).size).toBe(80)
    expect(list.flatMap((p, i) => (isStarred(p) ? [i + 1] : []))).toEqual([10, 20, 30, 40, 50, 60, 70, 80])
    for (const [i, { technique, level, expression }] of list.entries()) {
      expect(techniqueById(technique).fits(readProblem(expression)), expression).toEqual({ fits: true })
      const { levels } = PAPER_POOL.find((k) => k.technique.id === technique)!
      // The level stands where its share of the paper is.
      expect(level, expression).toBe(
        levels[Math.min(levels.length - 1, Math.floor((i / 79) * levels.length))],
      )
      counts.set(technique, (counts.get(technique) ?? 0) + 1)
    }
    // All kinds come before any comes again.
    const plain = list.filter((p) => !isStarred(p)).map((p) => p.technique)
    const kinds = PAPER_POOL.length - 1
    expect(new Set(plain.slice(0, Math.min(kinds, plain.length))).size).toBe(Math.min(kinds, plain.length))
  }
  expect([...counts.keys()].sort()).toEqual(PAPER_POOL.map((k) => k.technique.id).sort())
  expect(drawPaper(USUAL_PAPER, 7)).toEqual(drawPaper(USUAL_PAPER, 7))
  expect(drawPaper(USUAL_PAPER, 7)).not.toEqual(drawPaper(USUAL_PAPER, 8))
})

test('kinds are drawn evenly: at the first place each as often, by chi-squared', () => {
  const kinds = PAPER_POOL.length - 1
  const draws = 40 * kinds
  const first = new Map<string, number>()
  for (let seed = 0; seed < draws; seed += 1) {
    const { technique } = drawPaper({ count: 1, without: ['paper-estimate'] }, seed * 7919)[0]!
    first.set(technique, (first.get(technique) ?? 0) + 1)
  }
  const chi = [...first.values()].reduce((sum, n) => sum + (n - 40) ** 2 / 40, 0)
  expect(first.size).toBe(kinds)
  // The 0.999 quantile of chi-squared with k degrees of freedom (Wilson and Hilferty 1931).
  const k = kinds - 1
  expect(chi).toBeLessThan(k * (1 - 2 / (9 * k) + 3.09 * Math.sqrt(2 / (9 * k))) ** 3)
})

test('a level draws its items evenly, by chi-squared over a small one', () => {
  const { technique } = PAPER_POOL.find((k) => k.technique.id === 'paper-squares')!
  const others = PAPER_POOL.map((k) => k.technique.id).filter((id) => id !== technique.id)
  const found = new Map<string, number>()
  for (let seed = 0; seed < 1100; seed += 1) {
    const { expression } = drawPaper({ count: 1, without: others }, seed * 104_729)[0]!
    found.set(expression, (found.get(expression) ?? 0) + 1)
  }
  const chi = [...found.values()].reduce((sum, n) => sum + (n - 100) ** 2 / 100, 0)
  expect(found.size).toBe(11)
  // 29.6 is the 0.999 quantile with 10 degrees of freedom (any table of chi-squared).
  expect(chi).toBeLessThan(29.6)
})

test('a paper without some kinds has none of them; without any there is none', () => {
  const without = PAPER_POOL.slice(0, 30).map((k) => k.technique.id)
  expect(drawPaper({ count: 40, without }, 3).some((p) => without.includes(p.technique))).toBe(false)
  expect(() => drawPaper({ count: 3, without: PAPER_POOL.map((k) => k.technique.id) }, 3)).toThrow(
    'at least one kind',
  )
  const squares = PAPER_POOL.map((k) => k.technique.id).filter((id) => id !== 'paper-squares')
  expect(() => drawPaper({ count: 80, without: squares }, 3)).toThrow('not so many different items')
})

test('a paper is a set: its list is kept with it, and its setup can be read back', () => {
  const setup = { ...USUAL_PAPER, name: 'Friday', count: 12, back: true, without: ['paper-roman'] }
  const recipe = paperRecipe(setup, 5)
  expect(() => checkRecipe(recipe)).not.toThrow()
  expect(setupOf(recipe)).toEqual(setup)
  expect(itemsOf({ recipe, seed: 99, generator: 1 }).length).toBe(12)
  expect(() => checkRecipe({ ...recipe, clock: { kind: 'none' } })).toThrow('A paper is one list')
  expect(() => checkRecipe({ ...recipe, support: 'guided' })).toThrow('A paper is one list')
})

const answer = (n: number, right: boolean): PaperAnswer => ({ n, outcome: 'done', right })
const skip = (n: number): PaperAnswer => ({ n, outcome: 'skipped', right: false })

test('marks: right, wrong, skipped before the last one tried, and nothing for what was not reached', () => {
  const recipe = paperRecipe({ ...USUAL_PAPER, count: 8 }, 1)
  const score = paperScore(recipe, [answer(1, true), skip(2), answer(3, false), answer(4, true), skip(5)])
  expect(score).toEqual({
    points: 5 - 4 - 4 + 5,
    right: 2,
    tried: 3,
    marks: ['right', 'skipped', 'wrong', 'right', 'blank', 'blank', 'blank', 'blank'],
  })
  // Gone back to: the answer counts, not that it was skipped first; an item the time ran out on is left out.
  const again = paperScore(recipe, [
    skip(1),
    answer(2, true),
    { n: 3, outcome: 'timed-out', right: false },
    answer(1, true),
  ])
  expect(again.marks.slice(0, 3)).toEqual(['right', 'right', 'blank'])
  expect(paperScore(recipe, []).points).toBe(0)
})

test('marks: the points are those of the marks, for any answers and any points', () => {
  const recipe = paperRecipe({ ...USUAL_PAPER, count: 12 }, 1)
  const point = fc.integer({ min: -20, max: 20 })
  fc.assert(
    fc.property(
      fc.array(fc.record({ n: fc.integer({ min: 1, max: 12 }), right: fc.boolean(), skips: fc.boolean() })),
      fc.record({ right: point, wrong: point, blank: point, skipped: point }),
      (given, marks) => {
        const answers = given.map(({ n, right, skips }) => (skips ? skip(n) : answer(n, right)))
        const score = paperScore({ ...recipe, marks }, answers)
        const count = (mark: string) => score.marks.filter((m) => m === mark).length
        expect(score.points).toBe(
          count('right') * marks.right +
            count('wrong') * marks.wrong +
            count('skipped') * marks.skipped +
            count('blank') * marks.blank,
        )
        const tried = answers.filter((a) => a.outcome === 'done').map((a) => a.n)
        expect(score.tried).toBe(new Set(tried).size)
        // Nothing is skipped behind the last that was tried, and nothing blank before it.
        const last = Math.max(0, ...tried)
        expect(score.marks.slice(last).every((m) => m === 'blank')).toBe(true)
        expect(score.marks.slice(0, last).includes('blank')).toBe(false)
      },
    ),
  )
})

test('by kind: what cost most stands first, and is drilled', () => {
  const recipe = paperRecipe({ ...USUAL_PAPER, count: 10 }, 4)
  const list = listOf(recipe)
  const answers = list.map((_, i) => (i === 2 ? skip(i + 1) : answer(i + 1, i > 4)))
  const kinds = byKind(recipe, paperScore(recipe, answers))
  expect(kinds.reduce((sum, k) => sum + k.items, 0)).toBe(10)
  expect(kinds[0]!.lost).toBe(9)
  expect(kinds.map((k) => k.lost)).toEqual(kinds.map((k) => k.lost).toSorted((a, b) => b - a))
  const drill = drillOfCostliest(recipe, paperScore(recipe, answers))!
  expect(() => checkRecipe(drill)).not.toThrow()
  for (const source of drill.sources)
    expect(
      list.some(
        (p, i) =>
          i < 5 && source.kind === 'level' && p.technique === source.technique && p.level === source.level,
      ),
    ).toBe(true)
  expect(
    drillOfCostliest(
      recipe,
      paperScore(
        recipe,
        list.map((_, i) => answer(i + 1, true)),
      ),
    ),
  ).toBeUndefined()
})

/** A paper of some kinds at their levels, with a mark for each item: right, wrong, or left out. */
function worked(items: readonly (readonly [technique: string, level: number, mark: 'r' | 'w' | '-'])[]) {
  const recipe = paperRecipe({ ...USUAL_PAPER, count: items.length }, 1)
  const list = items.map(([technique, level], i) => ({ technique, level, expression: `${i + 10}+1` }))
  const answers: PaperAnswer[] = items.flatMap(([, , mark], i) =>
    mark === '-' ? [] : [{ n: i + 1, outcome: 'done' as const, right: mark === 'r', ms: 1000, timed: true }],
  )
  return { recipe: { ...recipe, sources: [{ kind: 'listed' as const, problems: list }] }, answers }
}

test('weak is a kind of which half and more were missed, told with the hardest level that was; what cost most comes first', () => {
  const weak = (...papers: Parameters<typeof worked>[0][]) => weakKinds(papers.map(worked))
  // Half of two, and a little less than half of three.
  expect(
    weak([
      ['paper-mean', 1, 'w'],
      ['paper-mean', 2, 'r'],
      ['paper-powers', 1, 'r'],
    ]),
  ).toEqual([{ technique: 'paper-mean', level: 1, missed: 1, of: 2 }])
  expect(
    weak([
      ['paper-mean', 1, 'w'],
      ['paper-mean', 2, 'r'],
      ['paper-mean', 3, 'r'],
    ]),
  ).toEqual([])
  // The hardest that was missed, not the hardest that was met, on any of the papers.
  expect(
    weak(
      [
        ['paper-mean', 1, 'w'],
        ['paper-mean', 3, 'w'],
        ['paper-mean', 4, 'r'],
      ],
      [
        ['paper-mean', 2, 'w'],
        ['paper-powers', 1, 'r'],
      ],
    ),
  ).toEqual([{ technique: 'paper-mean', level: 3, missed: 3, of: 4 }])
  // Left out before the last one tried is missed; what was not reached tells nothing.
  expect(
    weak([
      ['paper-mean', 4, '-'],
      ['paper-powers', 1, 'r'],
      ['paper-units', 3, '-'],
    ]),
  ).toEqual([{ technique: 'paper-mean', level: 4, missed: 1, of: 1 }])
  // Two wrong cost more than one.
  expect(
    weak([
      ['paper-mean', 1, 'w'],
      ['paper-powers', 1, 'w'],
      ['paper-powers', 1, 'w'],
      ['paper-units', 1, 'r'],
    ]).map((k) => k.technique),
  ).toEqual(['paper-powers', 'paper-mean'])
  expect(weakKinds([])).toEqual([])
})

test('drilled at once are the three kinds that cost most, each at the level it was missed at', () => {
  const { recipe, answers } = worked([
    ['paper-mean', 2, 'w'],
    ['paper-mean', 3, 'w'],
    ['paper-powers', 1, 'r'],
    ['paper-powers', 3, 'w'],
    ['paper-units', 2, 'w'],
    ['paper-units', 2, 'w'],
    ['paper-units', 2, 'w'],
    ['paper-roman', 1, '-'],
    ['paper-bases', 1, 'r'],
  ])
  const drill = drillOfCostliest(recipe, paperScore(recipe, answers))!
  expect(drill.sources).toEqual(
    [
      ['paper-units', 2],
      ['paper-mean', 2],
      ['paper-powers', 3],
    ].map(([technique, level]) => ({
      kind: 'level',
      technique,
      level,
      count: 4,
    })),
  )
  expect(drill).toMatchObject({ order: 'listed', support: 'guided', answers: 'at-once' })
  const allRight = worked([['paper-mean', 1, 'r']])
  expect(drillOfCostliest(allRight.recipe, paperScore(allRight.recipe, allRight.answers))).toBeUndefined()
})

test('an item left out costs its own points, or those of a blank where none are set for it', () => {
  const { recipe, answers } = worked([
    ['paper-mean', 1, '-'],
    ['paper-mean', 1, 'r'],
    ['paper-mean', 1, '-'],
  ])
  const points = (marks: NonNullable<typeof recipe.marks>) => paperScore({ ...recipe, marks }, answers).points
  expect(points({ right: 5, wrong: -4, blank: -1, skipped: -7 })).toBe(5 - 7 - 1)
  expect(points({ right: 5, wrong: -4, blank: -1 })).toBe(5 - 1 - 1)
  const { marks: _, ...plain } = recipe
  expect(paperScore(plain as typeof recipe, answers)).toMatchObject({ points: 0, right: 1, tried: 1 })
})
