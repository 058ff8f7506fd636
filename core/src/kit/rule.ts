/** What the rules of the kit look at. */
import type { Decimal } from '../number/decimal.js'
import type { Problem } from '../problem/problem.js'
import type { AnswerLine, Step, Technique } from '../technique/contract.js'
import type { Trace } from '../technique/driver.js'

export interface Around {
  readonly technique: Technique
  readonly problem: Problem
  readonly right: Trace
  readonly i: number
  readonly before: AnswerLine
  /** The lowest place anything is written at. */
  readonly scale: number
  /** Numbers a sentence may use: those of the problem, and what was entered so far. */
  readonly known: readonly Decimal[]
}

export type Rule = (step: Step, around: Around) => string | undefined

export const DIGITS: readonly Step['action'][] = [
  'hold',
  'glance',
  'write',
  'mend',
  'settle',
  'quotient-digit',
]

/** Does a step's value stand on the line as a whole? */
export function isWhole({ action, total, writes }: Step): boolean {
  if (action === 'hold' || action === 'read' || action === 'set')
    return action !== 'hold' && writes.cells.length > 0
  if (action === 'settle') return total
  return total && action !== 'estimate' && action !== 'block' && writes.cells.length > 0
}
