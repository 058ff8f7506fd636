/** What can be filled in for a part of a lesson, and the part that comes of it. */

import { readOwnLines } from '@tachymetra/core/exchange'
import { FACT_DECKS } from '@tachymetra/core/facts'
import { techniqueById } from '@tachymetra/core/registry'
import { listedOwn } from '@tachymetra/core/report'
import { type BOARD_WAYS, type BoardClock, type BoardPart, GENERATOR, sheetList } from '@tachymetra/core/set'
import { freshRandom, freshSeed } from '../data/fresh.js'
import { FIRST } from '../forms/WhichSet.js'
import { type Kept, problemsOf, type Which } from '../forms/whichSet.js'
import { setName } from '../words/setName.js'
import { typedHere } from '../written/written.js'

export const KINDS = [
  { value: 'technique', label: 'A technique, problem after problem' },
  { value: 'typed', label: 'Problems that are typed' },
  { value: 'set', label: 'A set: own problems, a paper, several techniques' },
  { value: 'ways', label: 'One problem in two ways' },
  { value: 'facts', label: 'Facts, called one by one' },
  { value: 'flash', label: 'Flash and tape' },
  { value: 'frame', label: 'The soroban' },
  { value: 'pattern', label: 'The pattern of a product' },
] as const
export type Kind = (typeof KINDS)[number]['value']

/** All that can be filled in, whichever kind is chosen. */
export interface Filled {
  readonly technique: string
  readonly level: number
  readonly variant: Readonly<Record<string, string>>
  readonly count: number
  readonly clock: BoardClock
  readonly text: string
  readonly which: Which
  readonly ways: readonly [string, string]
  readonly deck: string
  readonly waitMs: number
  readonly digits: number
  readonly numbers: number
  readonly minus: boolean
  readonly way: (typeof BOARD_WAYS)[number]
  readonly showMs: number
  readonly first: number
  readonly second: number
}

export const BEGIN: Filled = {
  technique: 'subtract-hold-drop',
  level: 4,
  variant: {},
  count: 4,
  clock: { ms: 10_000, round: false },
  text: '',
  which: { ...FIRST, count: 10 },
  ways: ['multiply-crosswise', 'multiply-addition'],
  deck: FACT_DECKS[0]!.id,
  waitMs: 3000,
  digits: 1,
  numbers: 5,
  minus: false,
  way: 'flash',
  showMs: 1000,
  first: 2,
  second: 2,
}

/** @throws InputError, Error in words, where it cannot be shown */
export function partOf(kind: Kind, filled: Filled, kept: Kept): BoardPart {
  const { clock } = filled
  switch (kind) {
    case 'technique': {
      const { technique, level, variant, count } = filled
      return { kind, technique, level, variant, clock, count }
    }
    case 'typed':
    case 'ways': {
      const lines = readOwnLines(typedHere(filled.text))
      const bad = lines.find((l) => 'error' in l)
      if (bad && 'error' in bad) throw new Error(`Line ${bad.line}: ${bad.error}`)
      const problems = lines.flatMap((l) => ('problem' in l ? [l.problem] : []))
      const [first] = problems
      if (!first) throw new Error('Type a problem first.')
      if (kind === 'typed')
        return {
          kind: 'problems',
          name: 'Typed problems',
          problems: problems.map((p) => listedOwn(p, null)),
          clock,
        }
      const { expression } = first
      for (const way of filled.ways)
        if (listedOwn({ expression }, way).technique !== way)
          throw new Error(`${techniqueById(way).name} does not fit ${expression}.`)
      return { kind, expression, ways: filled.ways }
    }
    case 'set': {
      const seed = freshSeed()
      const { marks: _, ...problems } = problemsOf(filled.which, kept, seed)
      const recipe = { ...problems, clock: { kind: 'none' }, support: 'answer', answers: 'at-once' } as const
      return {
        kind: 'problems',
        name: setName(recipe).slice(0, 60),
        problems: sheetList({ recipe, seed, generator: GENERATOR }),
        clock,
      }
    }
    case 'facts': {
      const { cards, name } = FACT_DECKS.find((d) => d.id === filled.deck)!
      const random = freshRandom()
      const order = cards.map((c) => [random.unit(), c.id] as const).toSorted(([a], [b]) => a - b)
      return {
        kind,
        name,
        facts: order.slice(0, filled.count).map(([, fact]) => fact),
        waitMs: filled.waitMs,
      }
    }
    case 'flash': {
      const { digits, numbers, minus, way, showMs } = filled
      return { kind, digits, numbers, minus, way, showMs }
    }
    case 'frame':
      return { kind }
    case 'pattern':
      return { kind, first: filled.first, second: filled.second }
  }
}
