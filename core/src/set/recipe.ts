/**
 * A set: a recipe and a seed. The recipe says where problems come from and how they are asked; with its seed it gives
 * the same list everywhere. Everything that is practised is a set.
 */
import { type CheckKind, hasChecks } from '../drill/checking.js'
import { drillById } from '../drill/drills.js'
import { areWaysToChoose } from '../drill/ways.js'
import { factById } from '../facts/decks.js'
import { MOST_FLASHED } from '../flash/list.js'
import { InputError } from '../problem/error.js'
import { readProblem } from '../problem/expression.js'
import type { ProblemSpace } from '../problem/space.js'
import { checkLevel, levelOf, techniqueById } from '../registry/techniques.js'
import type { Support } from '../session/support.js'
import { parameterValuesOf } from '../technique/boards.js'
import type { ParameterValues } from '../technique/contract.js'

/** A problem as it is written in a list: by which technique it is worked, at which level (0: none). */
export interface ListedProblem {
  readonly technique: string
  readonly level: number
  readonly expression: string
}

/** Where problems come from, and how many. */
export type Source =
  | { readonly kind: 'level'; readonly technique: string; readonly level: number; readonly count: number }
  | {
      readonly kind: 'parameters'
      readonly technique: string
      readonly values: ParameterValues
      readonly count: number
    }
  /** Problems written out: typed by hand, or kept as they were recorded, where those not known are null. */
  | { readonly kind: 'listed'; readonly problems: readonly (ListedProblem | null)[] }
  /** Elementary facts by their ids. */
  | { readonly kind: 'facts'; readonly facts: readonly string[] }
  /** Lists of numbers shown one by one and summed. */
  | {
      readonly kind: 'flash'
      readonly digits: number
      readonly numbers: number
      readonly minus: boolean
      readonly count: number
    }
  /** Tables of numbers summed both ways. */
  | {
      readonly kind: 'grid'
      readonly rows: number
      readonly columns: number
      readonly digits: number
      readonly count: number
    }
  /** Problems that a trick fits, and problems that just miss one of its conditions: one of the tricks for each. */
  | { readonly kind: 'fits'; readonly tricks: readonly string[]; readonly count: number }
  /** Problems of some techniques at their levels, for which one of these is to be chosen. */
  | { readonly kind: 'ways'; readonly known: readonly AtLevel[]; readonly count: number }
  /** Problems of some techniques with an answer that is to be checked. */
  | {
      readonly kind: 'checking'
      readonly check: CheckKind
      readonly known: readonly AtLevel[]
      readonly count: number
    }

/** A technique at a level. */
export interface AtLevel {
  readonly technique: string
  readonly level: number
}

/** Time there is: as much as one likes, so much for each item, or so much for the whole set; in milliseconds. */
export type SetClock =
  | { readonly kind: 'none' }
  | { readonly kind: 'item'; readonly ms: number }
  | { readonly kind: 'whole'; readonly ms: number }

/** What follows from the answers so far, as a pure function (see `next.ts`). */
export type Rule =
  /** An item missed or too slow comes once more at the end. */
  | { readonly kind: 'repeat-missed' }
  /** Two right in a row make the showing faster, one wrong slower; it begins with so many milliseconds a number. */
  | { readonly kind: 'staircase'; readonly showMs: number; readonly run: number }

/** Points for an item right, wrong, skipped before one that was tried, and left out; as left out where skipped is not set. */
export interface Marks {
  readonly right: number
  readonly wrong: number
  readonly blank: number
  readonly skipped?: number
}

export interface Recipe {
  readonly sources: readonly Source[]
  /** Source after source, or shuffled together. */
  readonly order: 'listed' | 'mixed'
  readonly clock: SetClock
  /** The support it begins with. */
  readonly support: Support
  /** Is it said after each item whether it was right, or when all are done? */
  readonly answers: 'at-once' | 'at-end'
  /** A check that is asked before each verdict where only the answer is asked; left out where none is. */
  readonly check?: CheckKind
  /** Points for an item right, wrong, and left out; left out where nothing is scored. */
  readonly marks?: Marks
  /** Where it is a paper: how it was set up, besides its time and its marks. */
  readonly paper?: { readonly name: string; readonly without: readonly string[]; readonly back: boolean }
  readonly rule?: Rule
  /** The clock gives so many times as long, null: as long as one likes; left out where it is as it stands. */
  readonly extraTime?: number | null
}

/** A recipe with its seed, and the version of the generator it was made for. */
export interface PracticeSet {
  readonly recipe: Recipe
  readonly seed: number
  readonly generator: number
}

/** What is practised with nothing further asked: no clock, answers at once, in order. */
export function plainRecipe(sources: readonly Source[], support: Support): Recipe {
  return { sources, order: 'listed', clock: { kind: 'none' }, support, answers: 'at-once' }
}

/** Most items of one set. */
export const MOST_ITEMS = 200

/** How many items a source gives. */
export function countOf(source: Source): number {
  if (source.kind === 'listed') return source.problems.length
  return source.kind === 'facts' ? source.facts.length : source.count
}

/** How many items a recipe gives before its rule adds any. */
export function itemCount({ sources }: Pick<Recipe, 'sources'>): number {
  return sources.reduce((sum, source) => sum + countOf(source), 0)
}

/** The problems a source draws from. @throws InputError when there are none, or technique, level or values do not exist. */
export function spaceOf(source: Extract<Source, { kind: 'level' | 'parameters' }>): ProblemSpace {
  const technique = techniqueById(source.technique)
  const space =
    source.kind === 'level'
      ? levelOf(technique, source.level).problems()
      : technique.parameters.problems(parameterValuesOf(technique.parameters, source.values))
  if (space.size === 0n) throw new InputError('No problem is like that: these numbers contradict each other.')
  return space
}

const LIMITS = {
  flash: { digits: [1, 9], numbers: [2, MOST_FLASHED] },
  grid: { rows: [2, 8], columns: [2, 8], digits: [1, 4] },
} as const

/** @throws InputError when a recipe names what there is not, or gives no items or too many. */
export function checkRecipe(recipe: Recipe): void {
  const count = itemCount(recipe)
  if (count < 1 || count > MOST_ITEMS)
    throw new InputError(`A set has 1 to ${MOST_ITEMS} items, not ${count}.`)
  for (const source of recipe.sources) checkSource(source)
  if (recipe.paper) checkPaper(recipe)
}

/** A paper has its list, its time and its marks. */
function checkPaper({ sources, clock, marks, support }: Recipe): void {
  const [source, ...others] = sources
  const listed = source?.kind === 'listed' && others.length === 0 && !source.problems.includes(null)
  if (!listed || clock.kind !== 'whole' || !marks || support !== 'answer')
    throw new InputError('A paper is one list of items with marks and a time for all of it, answers only.')
}

function checkSource(source: Source): void {
  switch (source.kind) {
    case 'level':
    case 'parameters':
      spaceOf(source)
      return
    case 'listed':
      for (const problem of source.problems) if (problem) checkListed(problem)
      return
    case 'facts':
      for (const fact of source.facts)
        if (!factById(fact)) throw new InputError(`There is no fact "${fact.slice(0, 40)}".`)
      return
    case 'fits':
      for (const trick of source.tricks)
        if (!techniqueById(trick).conditions) throw new InputError(`${trick} fits every problem of its kind.`)
      return
    case 'ways':
    case 'checking':
      for (const { technique, level } of source.known) levelOf(techniqueById(technique), level)
      if (source.kind === 'ways' && !areWaysToChoose(source.known))
        throw new InputError('Nothing is to be chosen among these: no two are of one family.')
      if (source.kind === 'checking' && !source.known.every((at) => hasChecks(source.check, at)))
        throw new InputError('Not all of these have answers to check.')
      return
    case 'flash':
    case 'grid':
      for (const [name, [least, most]] of Object.entries(LIMITS[source.kind])) {
        const value = (source as unknown as Record<string, number>)[name]!
        if (!Number.isInteger(value) || value < least || value > most)
          throw new InputError(`${name} goes from ${least} to ${most}, not ${value}.`)
      }
  }
}

function checkListed({ technique, level, expression }: ListedProblem): void {
  const drill = drillById(technique)
  if (drill) {
    drill.read(expression)
    return
  }
  const known = techniqueById(technique)
  checkLevel(known, level)
  const fit = known.fits(readProblem(expression))
  if (!fit.fits) throw new InputError(`${known.name} does not fit ${expression}: ${fit.because}.`)
}
