import { valueText } from '../question/value.js'
import type { AnswerLine, Held, Step } from './contract.js'
import { digitsKept, type Load } from './facts.js'

/**
 * What a working costs: elementary facts + carries + the most digits held at once, each counted once and alike in every
 * technique. A digit raised or lowered by one is a carry and no fact besides.
 */
export interface Effort {
  /** Facts to recall. */
  readonly facts: number
  /** Carries. */
  readonly carries: number
  /** Values kept in mind, times the steps they are kept. */
  readonly held: number
  /** All of it, in points of effort. */
  readonly total: number
}

/**
 * @param where in the head the digits of the answer that stand already are held too, since nothing else keeps them; on
 * paper they are written, and only what is kept beside them is held
 */
export function effortOf(
  { steps }: { readonly steps: readonly Step[] },
  where: 'head' | 'paper' = 'head',
): Effort {
  const { facts: recalled, carries } = countOf(steps)
  // Whether the next column can be taken, or carries, has to be seen at once like any fact: it is drilled as one.
  const facts = recalled + steps.filter((s) => s.action === 'glance').length
  let held = 0
  let before = 0
  for (const step of steps) {
    const after = digitsHeld(step.holds) + (where === 'head' ? digitsStanding(step.writes) : 0)
    held = Math.max(held, before + step.kept, after)
    before = after
  }
  return { facts, carries, held, total: facts + carries + held }
}

/**
 * How many facts a step rests on besides its carries: raising a digit by the 1 that is carried, or lowering it by the 1
 * that is lent, stands among the facts too, so that it can be practised.
 */
function factsOf({ facts, carries }: Load): number {
  const raising = facts.filter((fact) => fact.endsWith('+1') || (facts.length === 1 && fact.endsWith('-1')))
  return facts.length - Math.min(carries, raising.length)
}

/** Facts and carries of some work, each counted once. */
export function countOf(loads: readonly Load[]): { readonly facts: number; readonly carries: number } {
  return {
    facts: loads.reduce((sum, load) => sum + factsOf(load), 0),
    carries: loads.reduce((sum, load) => sum + load.carries, 0),
  }
}

function digitsStanding({ cells }: AnswerLine): number {
  return cells.filter((c) => !c.draft).length
}

function digitsHeld(holds: readonly Held[]): number {
  return holds.reduce(
    (sum, { value }) => sum + digitsKept(BigInt(valueText(value).replace(/\D/g, '') || '0')),
    0,
  )
}
