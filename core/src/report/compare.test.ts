import { expect, test } from 'vitest'
import { seeded } from '../number/random.js'
import { printProblem, readProblem } from '../problem/expression.js'
import { isItem } from '../problem/problem.js'
import { COURSE, TECHNIQUES } from '../registry/techniques.js'
import { compareWays } from './compare.js'

const best = (expression: string) => compareWays(readProblem(expression)).ways[0]!.technique.id

// A problem made for a technique is least work by it.
test.each([
  ['63*67', 'multiply-same-head'],
  ['96*93', 'multiply-near-base'],
  ['4998*3', 'multiply-subtraction'],
  ['75^2', 'square-ending-five'],
  ['16*23+16*27', 'multiply-common-factor'],
  ['2184/6', 'divide-short'],
])('%s is least work by %s', (expression, id) => {
  expect(best(expression)).toBe(id)
})

test('every technique is either a way or a misfit with its reason; the advice names the first way', () => {
  const { ways, misfits, advice, written } = compareWays(readProblem('64*33'))
  // But for numbers that come one by one, no way of working what stands there; and for kinds of a paper, where they do not fit.
  const listed = [...ways, ...misfits].map((w) => w.technique.id).sort()
  expect(listed).toEqual(
    COURSE.map((t) => t.id)
      .filter((id) => id !== 'flash-sum')
      .sort(),
  )
  // On paper what stands need not be held: two facts are all.
  for (const way of ways) expect(way.paper.total).toBeLessThanOrEqual(way.effort.total)
  expect(ways[0]!.paper).toEqual({ facts: 2, carries: 0, held: 0, total: 2 })
  expect(ways.map((w) => w.effort.total)).toEqual(ways.map((w) => w.effort.total).sort((a, b) => a - b))
  expect(misfits.find((m) => m.technique.id === 'multiply-same-head')!.because).toBe(
    'the heads differ: 6 and 3',
  )
  expect(advice).toContain(ways[0]!.technique.name)
  expect(advice).toContain(`the usual written way ${written.total}.`)
  expect(compareWays(readProblem('6-9-4')).advice).toBe('No technique fits this problem.')
})

test('prerequisites lead from simple to hard, without circles', () => {
  const order = TECHNIQUES.map((t) => t.id)
  for (const technique of TECHNIQUES)
    for (const id of technique.needs)
      expect(order.indexOf(id), `${technique.id} needs ${id}`).toBeLessThan(order.indexOf(technique.id))
})

test('an item of a paper has its quick way, the other kinds as misfits, and no written way beside', () => {
  const { ways, misfits, advice } = compareWays(readProblem('lcm(36,48)'))
  expect(ways.map((w) => w.technique.id)).toEqual(['paper-gcf-lcm'])
  expect(misfits.every((m) => m.technique.family === 'paper')).toBe(true)
  expect(advice).toMatch(
    /^In the head Greatest common factor, least common multiple needs the least effort: \d+ points \(.*\)\.$/,
  )
  // A square near 50 is quickest so, beside the ways of the course.
  expect(compareWays(readProblem('54^2')).ways[0]!.technique.id).toBe('paper-near-fifty')
})

test('what the advice says is so: the least is least, equal ones are called equal, the narrower first', () => {
  const random = seeded(3)
  for (const technique of TECHNIQUES)
    for (const level of technique.levels.slice(0, 4)) {
      const space = level.problems()
      const problem = space.at(random.below(space.size))
      const { ways, advice, written } = compareWays(problem)
      const totals = ways.map((w) => w.effort.total)
      const least = Math.min(...totals)
      const best = ways.filter((w) => w.effort.total === least)
      const where = `${printProblem(problem)}: ${advice}`
      expect(/need equally little effort/.test(advice), where).toBe(best.length > 1)
      for (const { technique: named } of best) expect(advice, where).toContain(named.name)
      expect(advice, where).toContain(`: ${least} points`)
      const narrow = best.map((w) => w.technique.conditions?.length ?? 0)
      expect(narrow[0], where).toBe(Math.max(...narrow))
      const [, next] = /, where [^.]+? takes (\d+)\./.exec(advice) ?? []
      expect(next, where).toBe(
        totals.length > best.length ? String(Math.min(...totals.filter((t) => t > least))) : undefined,
      )
      const [, paper] = /On paper .+ takes (\d+), the usual/.exec(advice) ?? []
      if (paper !== undefined) expect(Number(paper), where).toBe(Math.min(...ways.map((w) => w.paper.total)))
      if (!isItem(problem))
        expect(advice, where).toMatch(new RegExp(`usual written way (takes )?${written.total}\\.`))
    }
})
