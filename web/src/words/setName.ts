/** What a set is called: what is practised in it. */

import { drillById, practiceName } from '@tachymetra/core/drill'
import { typedByHand } from '@tachymetra/core/number'
import { problemWords, readProblem } from '@tachymetra/core/problem'
import { type ListedProblem, type Recipe, type Source, trialById } from '@tachymetra/core/set'
import { levelWords } from './words.js'

/** "Tens first, level 3", "Tens first, level 3 and Split and add, level 1". */
export function setName({ sources, paper, trial, name }: Recipe): string {
  const given = trialById(trial)?.name
  if (given !== undefined) return given
  const typed = paper?.name ?? name
  if (typed !== undefined) return typedByHand(typed)
  return practiceNames(sources.flatMap(practised)).join(' and ')
}

/** The problem of an attempt, or what a drill looked at, as it is written. */
export function problemOf({
  technique,
  expression,
}: Pick<ListedProblem, 'technique' | 'expression'>): string {
  const drill = drillById(technique)
  return drill ? drill.read(expression).says : problemWords(readProblem(expression))
}

/** Each technique and level once, by name. */
export function practiceNames(items: readonly Practised[]): string[] {
  return [...new Set(items.map(practiceWords))]
}

type Practised = Pick<ListedProblem, 'technique' | 'level'>

/** "Tens first, level 3"; of a drill, which has no levels, its name. */
export function practiceWords({ technique, level }: Practised): string {
  return drillById(technique) ? practiceName(technique) : `${practiceName(technique)}, ${levelWords(level)}`
}

function practised(source: Source): readonly Practised[] {
  switch (source.kind) {
    case 'level':
      return [source]
    case 'parameters':
      return [{ technique: source.technique, level: 0 }]
    case 'listed':
      return source.problems.flatMap((p) => p ?? [])
    case 'flash':
      return [{ technique: 'flash-sum', level: 0 }]
    case 'grid':
    case 'fits':
    case 'ways':
    case 'checking':
      return [{ technique: source.kind, level: 0 }]
    case 'facts':
      return [{ technique: 'fact', level: 0 }]
  }
}
