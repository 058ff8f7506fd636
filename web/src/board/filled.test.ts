import { type Filled, type PartKind, partOf, USUAL_PAPER } from '@tachymetra/core/set'
import { expect, test } from 'vitest'
import { BEGIN, KINDS, supplyOf } from './filled.js'
import { partWords } from './partWords.js'

const own = {
  id: 'o',
  name: 'Class 5.2',
  technique: null,
  problems: [{ expression: '364+278' }, { expression: '36*52', technique: 'multiply-crosswise' }],
}
const supply = (seed = 7) => ({ ...supplyOf({ own: [own], papers: [USUAL_PAPER] }), seed })
const part = (kind: PartKind, some: Partial<Filled> = {}, seed = 7) =>
  partOf(kind, { ...BEGIN, ...some }, supply(seed))

test('every kind that is offered makes a part as it is filled in at first, but those that want problems', () => {
  for (const { value: kind } of KINDS) {
    if (kind === 'typed' || kind === 'ways') expect(() => part(kind), kind).toThrow('Type a problem first.')
    else
      expect(['problems', kind], kind).toContain(
        part(kind, { which: { from: 'facts', deck: 'tables', count: 3 } }).kind,
      )
  }
})

test('typed problems are read line by line, each by its best technique; a line that is none is named', () => {
  const typed = part('typed', { text: '364+278\n\n63*67' })
  expect(typed).toMatchObject({ kind: 'problems', name: 'Typed problems', clock: BEGIN.clock })
  expect('problems' in typed && typed.problems.map((p) => p?.expression)).toEqual(['364+278', '63*67'])
  expect('problems' in typed && typed.problems[1]?.technique).toBe('multiply-same-head')
  expect(() => part('typed', { text: '364+278\n12+=3' })).toThrow(/^Line 2: /)
})

test('two ways must both fit the first problem that was typed', () => {
  expect(part('ways', { text: '36*52', ways: ['multiply-crosswise', 'multiply-addition'] })).toEqual({
    kind: 'ways',
    expression: '36*52',
    ways: ['multiply-crosswise', 'multiply-addition'],
  })
  expect(() => part('ways', { text: '36*52', ways: ['multiply-crosswise', 'multiply-same-head'] })).toThrow(
    /does not fit 36\*52/,
  )
})

test('facts of a deck are drawn by the seed, as many as are wanted, none twice', () => {
  const facts = (seed: number) => {
    const drawn = part('facts', { deck: 'tables', count: 12, waitMs: 2500 }, seed)
    return 'facts' in drawn ? drawn.facts : []
  }
  expect(facts(1)).toHaveLength(12)
  expect(new Set(facts(1)).size).toBe(12)
  expect(facts(1)).toEqual(facts(1))
  expect(facts(1)).not.toEqual(facts(2))
})

test('a set keeps its list and its name; what is said of each part tells how many and how long', () => {
  const chosen = { from: 'own', set: 'o', count: 2, mixed: false } as const
  const kept = part('set', { which: chosen })
  expect(kept).toMatchObject({ kind: 'problems', name: 'Class 5.2' })
  expect('problems' in kept && kept.problems).toHaveLength(2)
  // The name was typed: it is set apart from the numbers of the sentence.
  expect(partWords(kept)).toBe('\u2068Class 5.2\u2069: 2 problems, 10 s each')
  expect(partWords(part('technique', { clock: { ms: 2500, round: true } }))).toMatch(
    /, level 4: 4 problems, 2\.\u20605 s each, then the answer$/,
  )
  expect(partWords(part('technique', { clock: { ms: 0, round: false } }))).toMatch(/4 problems$/)
  expect(partWords(part('facts', { count: 1, waitMs: 3000 }))).toMatch(/: 1 fact, the answer after 3 s$/)
  expect(partWords(part('flash', { way: 'flash', numbers: 5, digits: 1 }))).toBe(
    'Flash: 5 numbers of 1 digit',
  )
  expect(partWords(part('frame'))).toContain('soroban')
  expect(partWords(part('pattern', { first: 4, second: 3 }))).toContain('4 by 3')
  expect(partWords(part('ways', { text: '36*52' }))).toBe('36 × 52 in two ways: Crosswise and Split and add')
})
