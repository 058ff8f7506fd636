/** A part of a lesson at the board, from what was filled in for it. */

import { FACT_DECKS } from '../facts/decks.js'
import { present } from '../number/present.js'
import { InputError } from '../problem/error.js'
import { techniqueById } from '../registry/techniques.js'
import type { BOARD_WAYS, BoardClock, BoardPart } from './board.js'
import { GENERATOR } from './items.js'
import type { OwnProblem } from './own.js'
import { MOST_NAME, type Recipe } from './recipe.js'
import { sheetList } from './sheet.js'
import { type Choosable, type Listing, problemsOf, shuffled, type Which } from './which.js'

/** All that can be filled in, whichever kind is chosen. */
export interface Filled {
  /** For a part of one technique: which. */
  readonly technique: string
  /** At which level, from 1. */
  readonly level: number
  /** Where practitioners differ: how it is worked. */
  readonly variant: Readonly<Record<string, string>>
  /** How many problems, or facts. */
  readonly count: number
  /** The clock of each problem. */
  readonly clock: BoardClock
  /** Problems as they were typed, one on each line. */
  readonly text: string
  /** For a part that is a set: which. */
  readonly which: Which
  /** For one problem in two ways: the ids of both. */
  readonly ways: readonly [string, string]
  /** For facts: the id of the deck. */
  readonly deck: string
  /** How long a fact waits for its answer, in milliseconds. */
  readonly waitMs: number
  /** For flashed numbers: digits of each. */
  readonly digits: number
  /** How many of them. */
  readonly numbers: number
  /** Are some taken away? */
  readonly minus: boolean
  /** Flashed or on a tape. */
  readonly way: (typeof BOARD_WAYS)[number]
  /** How long each stands, in milliseconds. */
  readonly showMs: number
  /** For the pattern of a product: digits of the first factor. */
  readonly first: number
  /** Digits of the second. */
  readonly second: number
}

/** How a part is filled in: as the kinds of parts, with typed problems and a set apart. */
export type PartKind = Exclude<BoardPart['kind'], 'problems'> | 'typed' | 'set'

/** What is there to fill it with. */
export interface PartSupply extends Choosable {
  /** The problems in a typed text. @throws Error in words where one cannot be read */
  readonly typed: (text: string) => readonly OwnProblem[]
  /** By which technique a typed problem is practised. */
  readonly listed: Listing
  /** What a set is called. */
  readonly nameOf: (recipe: Recipe) => string
  /** Of what is drawn now. */
  readonly seed: number
}

/** @throws InputError, Error in words, where it cannot be shown */
export function partOf(kind: PartKind, filled: Filled, supply: PartSupply): BoardPart {
  const { clock } = filled
  switch (kind) {
    case 'technique': {
      const { technique, level, variant, count } = filled
      return { kind, technique, level, variant, clock, count }
    }
    case 'typed': {
      const problems = typedIn(filled, supply).map((p) => supply.listed(p, null))
      return { kind: 'problems', name: 'Typed problems', problems, clock }
    }
    case 'ways':
      return waysPart(filled, supply)
    case 'set':
      return setPart(filled, supply)
    case 'facts': {
      const { cards, name } = FACT_DECKS.find((d) => d.id === filled.deck) ?? present(FACT_DECKS[0])
      const facts = shuffled(cards, supply.seed).slice(0, filled.count)
      return { kind, name, facts: facts.map((c) => c.id), waitMs: filled.waitMs }
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

function typedIn({ text }: Filled, { typed }: PartSupply): readonly OwnProblem[] {
  const problems = typed(text)
  if (problems.length === 0) throw new InputError('Type a problem first.')
  return problems
}

/** One problem in two ways, both of which must fit it. */
function waysPart(filled: Filled, supply: PartSupply): BoardPart {
  const { ways } = filled
  const { expression } = present(typedIn(filled, supply)[0])
  for (const way of ways)
    if (supply.listed({ expression }, way).technique !== way)
      throw new InputError(`${techniqueById(way).name} does not fit ${expression}.`)
  return { kind: 'ways', expression, ways }
}

function setPart({ which, clock }: Filled, supply: PartSupply): BoardPart {
  const { seed } = supply
  const { marks: _, ...problems } = problemsOf(which, supply, supply.listed, seed)
  const recipe = { ...problems, clock: { kind: 'none' }, support: 'answer', answers: 'at-once' } as const
  const name = supply.nameOf(recipe).slice(0, MOST_NAME)
  return { kind: 'problems', name, problems: sheetList({ recipe, seed, generator: GENERATOR }), clock }
}
