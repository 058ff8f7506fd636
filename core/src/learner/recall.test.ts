import { createEmptyCard, fsrs, Rating } from 'ts-fsrs'
import { expect, test } from 'vitest'
import { cardOfFact, FACT_DECKS, factById } from '../facts/decks.js'
import { seeded } from '../number/random.js'
import {
  type FactMemory,
  gradeOf,
  type Recall,
  type RecallPace,
  recallFigures,
  recallLimit,
  remember,
  thinking,
  toAsk,
} from './recall.js'

const deck = (id: string) => FACT_DECKS.find((d) => d.id === id)!

test('every fact is true, has an id of its own, and is found by it', () => {
  const ids = FACT_DECKS.flatMap((d) => d.cards.map((c) => c.id))
  expect(new Set(ids).size).toBe(ids.length)
  for (const { cards } of FACT_DECKS)
    for (const { id, ask, kind, expect: want } of cards) {
      expect(factById(id)!.card.ask).toBe(ask)
      const answer = kind.print(want)
      expect(kind.same(kind.read(answer)!, want), id).toBe(true)
      const value = Number(answer)
      const [a, sign, b] = /^(\d+)([+x-])(\d+)$/.exec(id)?.slice(1) ?? []
      if (sign)
        expect(value, id).toBe(
          { '+': Number(a) + Number(b), '-': Number(a) - Number(b), x: Number(a) * Number(b) }[sign],
        )
      const [to, from] = /^c(\d+):(\d+)$/.exec(id)?.slice(1) ?? []
      if (to) expect(value + Number(from), id).toBe(Number(to))
      if (id.startsWith('s')) expect(value, id).toBe(Number(id.slice(1)) ** 2)
      if (id.startsWith('r')) expect(value * value, id).toBe(Number(id.slice(1)))
      const part = /^([dp])(\d+)\/(\d+)$/.exec(id)
      if (part)
        expect(
          Math.abs(value / (part[1] === 'p' ? 100 : 1) - Number(part[2]) / Number(part[3])),
          id,
        ).toBeLessThan(0.01)
    }
  // Tables to 9×9: 36 products of 2 to 9, each once; eighths by heart.
  expect(deck('tables').cards).toHaveLength(36)
  const answer = (id: string) => {
    const { kind, expect: want } = factById(id)!.card
    return kind.print(want)
  }
  expect(['d3/8', 'p3/8', '47r6', 'k4-7', 'k7-4', 'm14'].map(answer)).toEqual([
    '0.375',
    '37.5',
    '7r5',
    'short',
    'taken',
    'XIV',
  ])
})

test.each([
  ['8x7', '7x8'],
  ['5+8', '5+8'],
  ['13-6', '13-6'],
  ['10-7', 'c10:7'],
  ['5-3', 'c5:3'],
  ['6+0', undefined],
  ['84/6', undefined],
])('the step fact %s is drilled as %s', (fact, id) => {
  expect(cardOfFact(fact)?.id).toBe(id)
})

const ONCE: Recall = {
  fact: '7x8',
  right: true,
  ms: 100,
  thinkMs: 100,
  withinMs: 1200,
  at: '2026-03-01T00:00:00.000Z',
}

// Reference: ts-fsrs itself, with the same parameters and grades.
test('intervals are those of the library for the same grades', () => {
  const plain = fsrs({ enable_fuzz: false, enable_short_term: true })
  const withinMs = deck('tables').withinMs
  const recalls: [number, boolean, number, Rating][] = [
    [0, true, 0.3, Rating.Easy],
    [9, true, 0.7, Rating.Good],
    [40, true, 0.9, Rating.Hard],
    [60, true, 1.2, Rating.Again],
    [60.01, false, 0.2, Rating.Again],
    [61, true, 0.4, Rating.Easy],
  ]
  let memory: FactMemory | undefined
  let card = createEmptyCard(new Date('2026-03-01T00:00:00Z'))
  for (const [day, right, share, rating] of recalls) {
    const at = new Date(Date.parse('2026-03-01T00:00:00Z') + day * 86_400_000)
    const recall: Recall = {
      fact: '7x8',
      right,
      ms: withinMs,
      thinkMs: share * withinMs,
      withinMs,
      at: at.toISOString(),
    }
    expect(gradeOf(recall)).toBe(rating)
    // Stored and read again in between, as the server does.
    memory = JSON.parse(JSON.stringify(remember(memory, recall))) as FactMemory
    card = plain.next(card, at, rating as 1).card
    expect(memory.due).toBe(card.due.toISOString())
    expect(memory.card.stability).toBeCloseTo(card.stability, 10)
  }
  expect(() => remember(undefined, { ...ONCE, fact: '1x1' })).toThrow(RangeError)
  // Without a limit a right answer is good however long it took.
  const slow = { ...ONCE, ms: 90_000, thinkMs: 90_000 }
  expect(gradeOf({ ...slow, withinMs: null })).toBe(Rating.Good)
  expect(gradeOf({ ...slow, withinMs: null, right: false })).toBe(Rating.Again)
  const good = remember(undefined, { ...ONCE, thinkMs: 0.7 * withinMs })
  expect(remember(undefined, { ...slow, withinMs: null }).due).toBe(good.due)
  expect(remember(undefined, slow).due < good.due).toBe(true)
})

test('a limit is what own recall needs: most of it in time, nothing counted out, as extra time promises', () => {
  const tables = deck('tables')
  const recalls = (shares: number[]) =>
    shares.map((share) => ({ ...ONCE, thinkMs: share * tables.withinMs, ms: share * tables.withinMs + 400 }))
  // Somebody quick: nine in ten of their own are in time, though the usual limit is far off.
  const quick = recallFigures(recalls(Array.from({ length: 40 }, (_, i) => 0.5 + i / 200)))
  expect(quick.share).toBeCloseTo(0.675, 2)
  expect(quick.ms).toBe(1117)
  // A child: half recalled in two of the usual limits, half counted out in eight.
  const child = recallFigures(recalls(Array.from({ length: 40 }, (_, i) => (i % 2 ? 2 : 8))))
  expect(child.share).toBe(6)
  expect(recallFigures(recalls(Array.from({ length: 40 }, (_, i) => (i % 2 ? 1 : 8)))).share).toBeCloseTo(
    3.75,
    5,
  )
  // Wrong ones say nothing, nor do few, nor those of long ago.
  const wrong = recalls(Array<number>(40).fill(1)).map((r) => ({ ...r, right: false }))
  expect(recallFigures([...wrong, ...recalls([1, 1])]).share).toBeUndefined()
  expect(recallFigures(recalls(Array<number>(11).fill(1)))).toEqual({ share: undefined, ms: undefined })
  expect(recallFigures(recalls([...Array<number>(60).fill(1), ...Array<number>(60).fill(3)])).share).toBe(1)
  const limit = (pace: RecallPace) => recallLimit(tables, pace)
  expect([
    limit({}),
    limit({ share: 0.5 }),
    limit({ share: 2 }),
    limit({ share: 2, ownPace: false }),
  ]).toEqual([1200, 600, 2400, 1200])
  expect([
    limit({ extraTime: 3, share: 2 }),
    limit({ extraTime: 3, share: 4 }),
    limit({ extraTime: null, share: 4 }),
  ]).toEqual([3600, 4800, null])
})

test('only as much keying as copying takes is taken off a recall', () => {
  expect(thinking(1500, 600, 3, 250)).toBe(1000)
  // Thought between the keys is thought.
  expect(thinking(2500, 1600, 3, 250)).toBe(2000)
  expect(thinking(800, 0, 1, 250)).toBe(800)
})

test('what is due comes first, longest overdue first, then new facts of the decks', () => {
  const now = '2026-03-10T00:00:00.000Z'
  const memory = (fact: string, due: string) => ({
    ...remember(undefined, { ...ONCE, fact }),
    due,
  })
  const memories = [
    memory('7x8', '2026-03-09T00:00:00.000Z'),
    memory('6x7', '2026-03-05T00:00:00.000Z'),
    memory('2x2', '2026-04-01T00:00:00.000Z'),
  ]
  const asked = toAsk([deck('tables')], memories, now, 10, seeded(1)).map((c) => c.id)
  expect(asked.slice(0, 2)).toEqual(['6x7', '7x8'])
  expect(asked).toHaveLength(10)
  expect(asked).not.toContain('2x2')
  expect(new Set(asked).size).toBe(10)
  // Facts found slow in longer work come before new ones, though they are not due.
  const slow = toAsk([deck('tables')], memories, now, 4, seeded(1), { slow: ['2x2', '7x8', '8x8'] }).map(
    (c) => c.id,
  )
  expect(slow).toEqual(['6x7', '7x8', '2x2', '8x8'])
  // A deck chosen by hand is filled up with what is due next.
  const all = (ahead: boolean) => toAsk([deck('tables')], memories, now, 100, seeded(1), { ahead })
  expect(all(false)).toHaveLength(35)
  expect(all(true).at(-1)!.id).toBe('2x2')
  expect(toAsk([deck('to-ten')], memories, now, 100, seeded(1))).toHaveLength(11)
})
