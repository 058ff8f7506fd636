/** Is a recipe one that can be followed? */

import { hasChecks } from '../drill/checking.js'
import { drillById } from '../drill/drills.js'
import { areWaysToChoose } from '../drill/ways.js'
import { factById } from '../facts/decks.js'
import { MOST_FLASHED } from '../flash/list.js'
import { present } from '../number/present.js'
import { InputError } from '../problem/error.js'
import { readProblem } from '../problem/expression.js'
import { checkLevel, levelOf, techniqueById } from '../registry/techniques.js'
import { itemCount, type ListedProblem, MOST_ITEMS, type Recipe, type Source, spaceOf } from './recipe.js'
import { isCode } from './sheet.js'
import { isItsTrial } from './trials.js'

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
  if (recipe.round) checkRound(recipe)
  if (recipe.trial !== undefined && !isItsTrial(recipe.trial, recipe))
    throw new InputError('A trial is always made in the same way; this is not how it is made.')
  if (recipe.sheet !== undefined && !isCode(recipe.sheet)) throw new InputError('This is no code of a sheet.')
}

/** A paper has its list, its time and its marks. */
function checkPaper({ sources, clock, marks, support }: Recipe): void {
  const [source, ...others] = sources
  const listed = source?.kind === 'listed' && others.length === 0 && !source.problems.includes(null)
  if (!listed || clock.kind !== 'whole' || !marks || support !== 'answer')
    throw new InputError('A paper is one list of items with marks and a time for all of it, answers only.')
}

/** A round has seconds for each item, and asks for answers only. */
function checkRound({ clock, support }: Recipe): void {
  if (clock.kind !== 'item' || support !== 'answer')
    throw new InputError('A round has a time for each item, answers only.')
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
        const value = present((source as unknown as Record<string, number>)[name])
        if (!Number.isInteger(value) || value < least || value > most)
          throw new InputError(`${name} goes from ${least} to ${most}, not ${value}.`)
      }
  }
}

/** @throws InputError where a problem of a list cannot be worked as it says */
export function checkListed({ technique, level, expression }: ListedProblem): void {
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
