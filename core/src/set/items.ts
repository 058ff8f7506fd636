/** The items of a set: the same recipe and seed give the same items in every browser and on the server. */

import { randomChecking } from '../drill/checking.js'
import { type DrillId, drillById } from '../drill/drills.js'
import { factText } from '../drill/fact.js'
import { randomFit } from '../drill/fits.js'
import { randomWays } from '../drill/ways.js'
import { type FactCard, factById } from '../facts/decks.js'
import { printGrid, randomGrid } from '../flash/grid.js'
import { flashList } from '../flash/list.js'
import { present } from '../number/present.js'
import { type Random, seeded } from '../number/random.js'
import { InputError } from '../problem/error.js'
import { printProblem, readProblem } from '../problem/expression.js'
import type { Problem } from '../problem/problem.js'
import { draw } from '../problem/space.js'
import { OWN_LEVEL } from '../registry/techniques.js'
import { countOf, type ListedProblem, type PracticeSet, type Recipe, type Source, spaceOf } from './recipe.js'

/**
 * The version of everything that turns a recipe and a seed into items. It is raised whenever any recipe would give other
 * items: sets of another version are not drawn again.
 */
export const GENERATOR = 1

/** Sets whose problems were not drawn from a recipe, or whose recipe is not known: their list grows as it is recorded. */
export const AS_RECORDED = 0

/** One thing a set asks. */
export type Item =
  | {
      readonly kind: 'problem'
      readonly technique: string
      readonly level: number
      readonly problem: Problem
    }
  | { readonly kind: 'fact'; readonly card: FactCard }
  /** An item of a drill, as it is written. */
  | { readonly kind: 'drill'; readonly drill: DrillId; readonly text: string }

const FLASHED = 'flash-sum'

/** Can the items of a set be made here? Not those another version of the generator made. */
export function isDrawable({ generator }: Pick<PracticeSet, 'generator'>): boolean {
  return generator === GENERATOR || generator === AS_RECORDED
}

/**
 * The items of a set in their order, before its rule adds any; undefined where a recorded list does not know one.
 * @throws InputError for a set of another version of the generator, or a recipe that cannot be followed
 */
export function itemsOf({ recipe, seed, generator }: PracticeSet): readonly (Item | undefined)[] {
  if (!isDrawable({ generator }))
    throw new InputError('This set was made by another version of the program: its problems cannot be drawn.')
  // Each source draws from a stream of its own; the first from the seed as it is.
  const listed = recipe.sources.flatMap((source, i) => from(source, seeded(seed + SOURCE_STRIDE * i)))
  return recipe.order === 'mixed' ? shuffled(listed, seeded(seed + SHUFFLE_STRIDE)) : listed
}

/** The same for a set that is only looked at: other problems of the same kind. */
export function watchedItems({ recipe, seed, generator }: PracticeSet): readonly (Item | undefined)[] {
  return itemsOf({ recipe, seed: seed + 1, generator })
}

/** Far apart, so that neighbouring seeds and the watched problems do not share a stream. */
const SOURCE_STRIDE = 1_000_003
const SHUFFLE_STRIDE = 500_009

function from(source: Source, random: Random): (Item | undefined)[] {
  switch (source.kind) {
    case 'level':
      return drawn(source, source.level, random)
    case 'parameters':
      return drawn(source, OWN_LEVEL, random)
    case 'listed':
      return source.problems.map((listed) => listed ?? undefined).map((listed) => listed && itemFrom(listed))
    case 'facts':
      return source.facts.map((fact): Item => {
        const found = factById(fact)
        if (!found) throw new InputError(`There is no fact "${fact.slice(0, 40)}".`)
        return { kind: 'fact', card: found.card }
      })
    case 'flash': {
      const { digits, numbers: count, minus } = source
      return Array.from({ length: countOf(source) }, (): Item => {
        const problem = flashList({ digits, count, minus }, random)
        return { kind: 'problem', technique: FLASHED, level: OWN_LEVEL, problem }
      })
    }
    case 'grid': {
      const { rows, columns, digits } = source
      return Array.from({ length: countOf(source) }, () =>
        drilled('grid', printGrid(randomGrid(rows, columns, digits, random))),
      )
    }
    case 'fits':
      return newOnes('fits', source.count, () => randomFit(oneOf(source.tricks, random), random))
    case 'ways':
      return newOnes('ways', source.count, () => randomWays(source.known, random))
    case 'checking':
      return newOnes('checking', source.count, () =>
        randomChecking(source.check, oneOf(source.known, random), random),
      )
  }
}

const drilled = (drill: DrillId, text: string): Item => ({ kind: 'drill', drill, text })

/** How often another is drawn in place of one that was there before. */
const MOST_TRIES = 20

/** So many items of a drill, none twice while others come. */
function newOnes(drill: DrillId, count: number, make: () => string): Item[] {
  const texts: string[] = []
  while (texts.length < count) {
    let text = make()
    for (let i = 0; i < MOST_TRIES && texts.includes(text); i += 1) text = make()
    texts.push(text)
  }
  return texts.map((text) => drilled(drill, text))
}

function oneOf<T>(list: readonly T[], random: Random): T {
  return present(list[Number(random.below(BigInt(list.length)))])
}

function drawn(
  source: Extract<Source, { kind: 'level' | 'parameters' }>,
  level: number,
  random: Random,
): Item[] {
  const problems = draw(spaceOf(source), random)
  return Array.from({ length: source.count }, (): Item => {
    return { kind: 'problem', technique: source.technique, level, problem: present(problems.next().value) }
  })
}

/** Fisher and Yates. */
function shuffled<T>(list: readonly T[], random: Random): T[] {
  const mixed = [...list]
  for (let i = mixed.length - 1; i > 0; i -= 1) {
    const j = Number(random.below(BigInt(i + 1)))
    ;[mixed[i], mixed[j]] = [present(mixed[j]), present(mixed[i])]
  }
  return mixed
}

function itemFrom({ technique, level, expression }: ListedProblem): Item {
  if (drillById(technique)) return drilled(technique as DrillId, expression)
  return { kind: 'problem', technique, level, problem: readProblem(expression) }
}

/** An item as an attempt at it names it. */
export function listedItem(item: Item): ListedProblem {
  switch (item.kind) {
    case 'problem':
      return { technique: item.technique, level: item.level, expression: printProblem(item.problem) }
    case 'drill':
      return { technique: item.drill, level: OWN_LEVEL, expression: item.text }
    case 'fact':
      return { technique: 'fact', level: OWN_LEVEL, expression: factText(item.card.id) }
  }
}

/** Is this item n (from 1) of the set, as an attempt names it? Undefined where a recorded list does not know that item. */
export function isItem(
  items: readonly (Item | undefined)[],
  n: number,
  { technique, level, expression }: ListedProblem,
): boolean | undefined {
  const item = items[n - 1]
  if (!item) return undefined
  const listed = listedItem(item)
  return listed.technique === technique && listed.level === level && listed.expression === expression
}

/** A recorded list with one more problem in it, at place n (from 1). */
export function withRecorded(recipe: Recipe, n: number, problem: ListedProblem): Recipe {
  const [source] = recipe.sources
  const before = source?.kind === 'listed' ? source.problems : []
  const problems = Array.from({ length: Math.max(before.length, n) }, (_, i) =>
    i === n - 1 ? problem : (before[i] ?? null),
  )
  return { ...recipe, sources: [{ kind: 'listed', problems }] }
}
