import { digitAt, highestPlace, lowestPlace } from '../number/decimal.js'
import type { AnswerLine, Held, Step } from './contract.js'

/**
 * What a working costs the mind: elementary facts + carries + the most digits held at once. Digits of the answer that
 * stand for good are held too, in every technique alike: without paper nothing else keeps them.
 */
export interface Effort {
  readonly facts: number
  readonly carries: number
  readonly held: number
  readonly total: number
}

export function effortOf({ steps }: { readonly steps: readonly Step[] }): Effort {
  let facts = 0
  let carries = 0
  let held = 0
  for (const step of steps) {
    facts += step.facts.length
    carries += step.carries
    held = Math.max(held, digitsHeld(step.holds) + digitsStanding(step.writes))
  }
  return { facts, carries, held, total: facts + carries + held }
}

function digitsStanding({ cells }: AnswerLine): number {
  return cells.filter((c) => !c.draft).length
}

/** Zeros at the end are no load: 570 is held as "fifty-seven tens". */
function digitsHeld(holds: readonly Held[]): number {
  return holds.reduce((sum, { value }) => {
    let low = lowestPlace(value)
    while (low < highestPlace(value) && digitAt(value, low) === 0) low += 1
    return sum + highestPlace(value) - low + 1
  }, 0)
}
