/** What a round, a sheet or a stretch of practice is made of, as it is chosen on screen. */
import { FACT_DECKS } from '@tachymetra/core/facts'
import { seeded } from '@tachymetra/core/number'
import { listedOwn } from '@tachymetra/core/report'
import { type AtLevel, type PaperSetup, paperRecipe, type Recipe, USUAL_PAPER } from '@tachymetra/core/set'
import type { OwnSetWire } from '@tachymetra/core/wire'

export type Which =
  | { readonly from: 'techniques'; readonly picks: readonly AtLevel[]; readonly count: number }
  /** Some of a set of own problems: from its first on, or at random. */
  | { readonly from: 'own'; readonly set: string; readonly count: number; readonly mixed: boolean }
  | { readonly from: 'paper'; readonly name: string }
  /** Elementary facts of a deck, at random. */
  | { readonly from: 'facts'; readonly deck: string; readonly count: number }

/** What can be chosen from besides techniques. */
export interface Kept {
  readonly own: readonly OwnSetWire[]
  readonly papers: readonly PaperSetup[]
}

/** Decks whose facts are problems as they stand: two numbers and a sign. */
export const PLAIN_DECKS = FACT_DECKS.filter((d) =>
  ['sums', 'differences', 'tables', 'tables-12', 'tables-19'].includes(d.id),
)

/** Every paper that can be chosen, the usual one first. */
export const allPapers = (papers: readonly PaperSetup[]): readonly PaperSetup[] => [
  USUAL_PAPER,
  ...papers.filter((p) => p.name !== USUAL_PAPER.name),
]

/**
 * The problems of what was chosen, with its name and its points where it has any.
 * @param seed of what is drawn here and now: a paper, or some of a set of own problems
 * @throws InputError where nothing can be drawn, Error where what was chosen is not there
 */
export function problemsOf(
  which: Which,
  { own, papers }: Kept,
  seed: number,
): Pick<Recipe, 'sources' | 'order' | 'name' | 'marks'> {
  switch (which.from) {
    case 'techniques': {
      const { picks, count } = which
      // As evenly as it goes, the first ones one more.
      const share = (i: number) => Math.floor(count / picks.length) + (i < count % picks.length ? 1 : 0)
      const sources = picks.flatMap((at, i) =>
        share(i) > 0 ? [{ kind: 'level' as const, ...at, count: share(i) }] : [],
      )
      return { sources, order: picks.length > 1 ? 'mixed' : 'listed' }
    }
    case 'own': {
      const set = own.find((s) => s.id === which.set)
      if (!set) throw new Error('Choose a set of problems first.')
      const { problems, technique, name } = set
      const some = (which.mixed ? shuffled(problems, seed) : problems).slice(0, which.count)
      const listed = some.map((problem) => listedOwn(problem, technique))
      return { sources: [{ kind: 'listed', problems: listed }], order: 'listed', name }
    }
    case 'facts': {
      const { cards, name } = PLAIN_DECKS.find((d) => d.id === which.deck) ?? PLAIN_DECKS[0]!
      const some = shuffled(cards, seed).slice(0, which.count)
      const listed = some.map(({ id }) => listedOwn({ expression: id.replace('x', '*') }, null))
      return { sources: [{ kind: 'listed', problems: listed }], order: 'listed', name }
    }
    case 'paper': {
      const setup = allPapers(papers).find((p) => p.name === which.name) ?? USUAL_PAPER
      const { sources, marks } = paperRecipe(setup, seed)
      return { sources, order: 'listed', name: setup.name, ...(marks && { marks }) }
    }
  }
}

function shuffled<T>(list: readonly T[], seed: number): readonly T[] {
  const random = seeded(seed)
  const keyed = list.map((one) => [random.unit(), one] as const)
  return keyed.toSorted(([a], [b]) => a - b).map(([, one]) => one)
}
