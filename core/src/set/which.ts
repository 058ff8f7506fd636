/** What a round, a sheet or a stretch of practice is made of, as it is chosen: pure, so that it is drawn alike anywhere. */

import { hasChecks } from '../drill/checking.js'
import { factText } from '../drill/fact.js'
import { TRICKS } from '../drill/fits.js'
import { FACT_DECKS } from '../facts/decks.js'
import { present } from '../number/present.js'
import { seeded } from '../number/random.js'
import { COURSE, OWN_LEVEL } from '../registry/techniques.js'
import { isAbacus } from '../soroban/step.js'
import type { ParameterValues } from '../technique/contract.js'
import type { OwnProblem, OwnSet } from './own.js'
import { type PaperSetup, paperRecipe, USUAL_PAPER } from './paper.js'
import type { AtLevel, ListedProblem, Recipe, Source } from './recipe.js'
import { TRIALS, trialById, trialRecipe } from './trials.js'

/** What was chosen, and how many of it. */
export type Which =
  | { readonly from: 'techniques'; readonly picks: readonly Picked[]; readonly count: number }
  /** Some of a set of own problems: from its first on, or at random. */
  | { readonly from: 'own'; readonly set: string; readonly count: number; readonly mixed: boolean }
  | { readonly from: 'paper'; readonly name: string }
  | { readonly from: 'trial'; readonly trial: string }
  /** Tables, lists of numbers, and what is asked about problems and finished work. */
  | { readonly from: 'other'; readonly what: Other; readonly count: number }
  /** Elementary facts of a deck, at random. */
  | { readonly from: 'facts'; readonly deck: string; readonly count: number }

/** A technique at a level, or with settings of one's own. */
export type Picked = AtLevel & { readonly values?: ParameterValues }

/** Sets of what no technique works. */
export type Other = 'grid' | 'flash' | 'fits' | 'ways' | 'checking'

/** What the other sets are drawn from: tables and lists of a middling size, the course at an early level. */
function otherSource(what: Other, count: number): Source {
  const known = COURSE.filter((t) => !isAbacus(t) && t.id !== 'flash-sum').map((t) => ({
    technique: t.id,
    level: Math.min(EARLY, t.levels.length),
  }))
  switch (what) {
    case 'grid':
      return { kind: 'grid', rows: 3, columns: 3, digits: 2, count }
    case 'flash':
      return { kind: 'flash', digits: 1, numbers: 5, minus: false, count }
    case 'fits':
      return { kind: 'fits', tricks: TRICKS.map((t) => t.id), count }
    case 'ways':
      return { kind: 'ways', known, count }
    case 'checking':
      return { kind: 'checking', check: 'nines', known: known.filter((at) => hasChecks('nines', at)), count }
  }
}

const EARLY = 3

/** What can be chosen from besides techniques. */
export interface Choosable {
  /** Sets of problems of one's own. */
  readonly own: readonly (OwnSet & { readonly id: string })[]
  /** Papers as they were set up. */
  readonly papers: readonly PaperSetup[]
}

/** By which technique a problem of one's own is practised. @throws InputError where none works it */
export type Listing = (problem: OwnProblem, chosen: string | null) => ListedProblem

/** Every paper that can be chosen, the usual one first. */
export const allPapers = (papers: readonly PaperSetup[]): readonly PaperSetup[] => [
  USUAL_PAPER,
  ...papers.filter((p) => p.name !== USUAL_PAPER.name),
]

/**
 * The problems of what was chosen, with its name and its points where it has any.
 * @param listedBy how a problem of one's own is practised
 * @param seed of what is drawn here and now: a paper, or some of a set of own problems
 * @throws InputError where nothing can be drawn, Error where what was chosen is not there
 */
export function problemsOf(
  which: Which,
  { own, papers }: Choosable,
  listedBy: Listing,
  seed: number,
): Pick<Recipe, 'sources' | 'order' | 'name' | 'marks'> {
  switch (which.from) {
    case 'techniques': {
      const { picks, count } = which
      // As evenly as it goes, the first ones one more.
      const share = (i: number) => Math.floor(count / picks.length) + (i < count % picks.length ? 1 : 0)
      const sources = picks.flatMap((at, i) => (share(i) > 0 ? [sourceOf(at, share(i))] : []))
      return { sources, order: picks.length > 1 ? 'mixed' : 'listed' }
    }
    case 'own': {
      const set = own.find((s) => s.id === which.set)
      if (!set) throw new Error('Choose a set of problems first.')
      const { problems, technique, name } = set
      const some = (which.mixed ? shuffled(problems, seed) : problems).slice(0, which.count)
      const listed = some.map((problem) => listedBy(problem, technique))
      return { sources: [{ kind: 'listed', problems: listed }], order: 'listed', name }
    }
    case 'trial': {
      const trial = trialById(which.trial) ?? present(TRIALS[0])
      const { sources, marks } = trialRecipe(trial.id, seed)
      return { sources, order: 'listed', name: trial.name, ...(marks && { marks }) }
    }
    case 'other':
      return { sources: [otherSource(which.what, which.count)], order: 'listed' }
    case 'facts': {
      const { cards, name } = FACT_DECKS.find((d) => d.id === which.deck) ?? present(FACT_DECKS[0])
      const some = shuffled(cards, seed).slice(0, which.count)
      const listed = some.map(({ id }) => ({ technique: 'fact', level: OWN_LEVEL, expression: factText(id) }))
      return { sources: [{ kind: 'listed', problems: listed }], order: 'listed', name }
    }
    case 'paper': {
      const setup = allPapers(papers).find((p) => p.name === which.name) ?? USUAL_PAPER
      const { sources, marks } = paperRecipe(setup, seed)
      return { sources, order: 'listed', name: setup.name, ...(marks && { marks }) }
    }
  }
}

const sourceOf = ({ technique, level, values }: Picked, count: number): Source =>
  values ? { kind: 'parameters', technique, values, count } : { kind: 'level', technique, level, count }

/** In an order of its own, the same for the same seed. */
export function shuffled<T>(list: readonly T[], seed: number): readonly T[] {
  const random = seeded(seed)
  const keyed = list.map((one) => [random.unit(), one] as const)
  return keyed.toSorted(([a], [b]) => a - b).map(([, one]) => one)
}
