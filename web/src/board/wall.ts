/** Where a lesson stands, and what each key makes of it: pure. */

import { type DrillItem, drillById } from '@tachymetra/core/drill'
import { readProblem } from '@tachymetra/core/problem'
import { techniqueById } from '@tachymetra/core/registry'
import {
  type BoardPart,
  type BoardPlan,
  boardProblem,
  movedLevel,
  problemsIn,
  thoughtsIn,
} from '@tachymetra/core/set'
import { crossPattern, type Trace, trace, variantOf } from '@tachymetra/core/technique'
import type { WallPlace } from '../data/board.js'

/** So far apart that the problems after a move share no stream with those before it. */
const APART = 7919

/** The beginning of a part. */
export const beginning = (plan: BoardPlan, part: number): WallPlace => {
  const at = plan.parts[part]
  return { part, n: 0, level: at?.kind === 'technique' ? at.level : 0, moves: 0, presses: 0 }
}

/** The problem that stands there with its working; undefined in a part of another kind. */
export function workedAt(
  part: BoardPart,
  { n, level, moves }: WallPlace,
  seed: number,
): { readonly shown: ReturnType<typeof boardProblem>; readonly work: Trace } | undefined {
  if ((part.kind !== 'technique' && part.kind !== 'problems') || askedAt(part, { n })) return undefined
  const shown = boardProblem(part, level, n, seed + APART * moves)
  return { shown, work: trace(techniqueById(shown.technique), shown.problem, shown.variant) }
}

/** What no technique works: a table or finished work with its questions; undefined where a problem stands there. */
export function askedAt(
  part: BoardPart,
  { n }: Pick<WallPlace, 'n'>,
): (DrillItem & { readonly technique: string; readonly expression: string }) | undefined {
  const listed = part.kind === 'problems' ? part.problems[n] : undefined
  const drill = listed && drillById(listed.technique)
  return drill && { ...listed, ...drill.read(listed.expression) }
}

/** Both workings of a part that compares two ways. */
export function waysOf(part: Extract<BoardPart, { kind: 'ways' }>): readonly Trace[] {
  const problem = readProblem(part.expression)
  return part.ways.map((id) => {
    const technique = techniqueById(id)
    return trace(technique, problem, variantOf(technique))
  })
}

/** How many presses there are at a problem before the next one comes. */
export function pressesAt(part: BoardPart, place: WallPlace, seed: number): number {
  switch (part.kind) {
    case 'technique':
    case 'problems': {
      const asked = askedAt(part, place)
      return asked ? 2 * asked.questions.length : thoughtsIn(workedAt(part, place, seed)!.work)
    }
    case 'ways':
      return waysOf(part).reduce((sum, work) => sum + work.steps.length, 0)
    case 'facts':
      return 1
    case 'flash':
      return FLASH_ANSWER
    case 'pattern':
      return crossPattern(part.first, part.second).length
    case 'frame':
      return 0
  }
}

/** Presses of a flashed list: it is ready, its numbers come, the sum is asked, it is told. */
export const FLASH_SHOWS = 1
export const FLASH_ASKS = 2
export const FLASH_ANSWER = 3

export type WallMove = 'onward' | 'back' | 'next' | 'harder' | 'easier' | 'answer' | 'next-part' | 'back-part'

/** What stands after a key; the same place where it leads nowhere. */
export function moved(plan: BoardPlan, place: WallPlace, move: WallMove, seed: number): WallPlace {
  const part = plan.parts[place.part]!
  const most = pressesAt(part, place, seed)
  const partAt = (i: number) => (i >= 0 && i < plan.parts.length ? beginning(plan, i) : place)
  const next = () =>
    place.n + 1 < problemsIn(part) ? { ...place, n: place.n + 1, presses: 0 } : partAt(place.part + 1)
  switch (move) {
    case 'onward': {
      if (place.presses >= most) return next()
      // In a round the next thing is the answer.
      const round = 'clock' in part && part.clock.round
      return { ...place, presses: round && place.presses === 0 ? most : place.presses + 1 }
    }
    case 'back': {
      if (place.presses > 0) return { ...place, presses: place.presses - 1 }
      if (place.n > 0) return { ...place, n: place.n - 1 }
      return partAt(place.part - 1)
    }
    case 'next':
      return next()
    case 'answer':
      return { ...place, presses: most }
    case 'harder':
    case 'easier': {
      if (part.kind !== 'technique') return place
      const level = movedLevel(part.technique, place.level, move === 'harder' ? 1 : -1)
      // Another problem in its place: one that has been seen does not come again.
      return level === place.level ? place : { ...place, level, moves: place.moves + 1, presses: 0 }
    }
    case 'next-part':
      return partAt(place.part + 1)
    case 'back-part':
      return partAt(place.part - 1)
  }
}
