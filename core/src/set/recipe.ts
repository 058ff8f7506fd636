/**
 * A set: a recipe and a seed. The recipe says where problems come from and how they are asked; with its seed it gives
 * the same list everywhere. Everything that is practised is a set.
 */
import type { CheckKind } from '../drill/checking.js'
import { InputError } from '../problem/error.js'
import type { ProblemSpace } from '../problem/space.js'
import { levelOf, techniqueById } from '../registry/techniques.js'
import type { Support } from '../session/support.js'
import type { ParameterValues } from '../technique/contract.js'
import { parameterValuesOf } from '../technique/quantities/boards.js'

/** A problem as it is written in a list: by which technique it is worked, at which level (0: none). */
export interface ListedProblem {
  /** The id of the technique, or of the drill. */
  readonly technique: string
  /** The level, from 1; 0 for parameters of one's own. */
  readonly level: number
  /** The problem as it is typed and printed by `printProblem`. */
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
  /** The id of the technique, or of the drill. */
  readonly technique: string
  /** The level, from 1; 0 for parameters of one's own. */
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
  /** Points for one right. */
  readonly right: number
  /** Points for one wrong, mostly below 0. */
  readonly wrong: number
  /** Points for one not reached. */
  readonly blank: number
  /** Points for one left out before the last that was tried; as `blank` where it is left out. */
  readonly skipped?: number
}

/** How a set is drawn, marked and timed; with a seed it gives the same list everywhere. */
export interface Recipe {
  /** Where its problems come from, in order. */
  readonly sources: readonly Source[]
  /** Source after source, or shuffled together. */
  readonly order: 'listed' | 'mixed'
  /** Whether and how it is timed. */
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
  /** Where it is a round: ready, go; at the bell of each item the answer comes by itself. Are the items read out? */
  readonly round?: { readonly aloud: boolean }
  /** Where it is a trial: which one (see `trials.ts`). */
  readonly trial?: string
  /** Where it was worked on a printed sheet: its code. */
  readonly sheet?: string
  /** What it is called, where a name was given to it. */
  readonly name?: string
  /** What may follow from the answers; left out where nothing does. */
  readonly rule?: Rule
  /** The clock gives so many times as long, null: as long as one likes; left out where it is as it stands. */
  readonly extraTime?: number | null
}

/** A recipe with its seed, and the version of the generator it was made for. */
export interface PracticeSet {
  /** How it is drawn, marked and timed. */
  readonly recipe: Recipe
  /** What its problems are drawn by. */
  readonly seed: number
  /** The version of what draws it. */
  readonly generator: number
}

/** What is practised with nothing further asked: no clock, answers at once, in order. */
export function plainRecipe(sources: readonly Source[], support: Support): Recipe {
  return { sources, order: 'listed', clock: { kind: 'none' }, support, answers: 'at-once' }
}

/** Most items of one set, and letters of its name. */
export const MOST_ITEMS = 200
/** The most characters of a name. */
export const MOST_NAME = 60

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
