/** What the rules of the kit look at. */

import type { Decimal } from '../number/decimal.js'
import { present } from '../number/present.js'
import { answerOf, type Problem } from '../problem/problem.js'
import { asDecimal, isQuotient } from '../question/value.js'
import type { AnswerLine, Step, Technique, Variant } from '../technique/contract.js'
import { type Trace, trace } from '../technique/driver.js'

export interface Around {
  readonly technique: Technique
  readonly problem: Problem
  readonly right: NumberTrace
  readonly i: number
  readonly before: AnswerLine
  /** The lowest place anything is written at. */
  readonly scale: number
  /** Numbers a sentence may use: those of the problem, and what was entered so far. */
  readonly known: readonly Decimal[]
}

export type Rule = (step: Step<Decimal>, around: Around) => string | undefined

/** A working all of whose values are decimals. */
export interface NumberTrace extends Trace {
  readonly steps: readonly Step<Decimal>[]
  readonly entries: readonly Decimal[]
  readonly answer: Decimal
}

/**
 * A working of which every value is a decimal, as such; of a quotient with its remainder the quotient is the answer.
 * @throws RangeError where one is not
 */
export function inNumbers(worked: Trace): NumberTrace {
  const answer = isQuotient(worked.answer) ? worked.answer.quotient : worked.answer
  const values = [answer, ...worked.entries, ...worked.steps.map((s) => s.expect)]
  if (!values.every((v) => asDecimal(v) === v)) throw new RangeError('There are values that are no decimals.')
  return { ...worked, answer } as NumberTrace
}

/** The plain answer of a problem that has a number for one. */
export function numberAnswer(problem: Problem): Decimal {
  return present(asDecimal(answerOf(problem)))
}

/** The working of a problem by a technique of decimals; `swap` as in `trace`. */
export function numberTrace(
  technique: Technique,
  problem: Problem,
  variant: Variant,
  swap?: (step: Step<Decimal>, index: number) => Decimal | undefined,
): NumberTrace {
  return inNumbers(trace(technique, problem, variant, swap && ((step, i) => swap(step as Step<Decimal>, i))))
}

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
