/** The actions of steps as the bench shows them. */
import type { Action } from '@tachymetra/core'

/** Steps whose value is written as one digit at the place itself. */
export const DIGIT_ACTIONS: readonly Action[] = ['hold', 'glance', 'write', 'mend', 'quotient-digit']

/** All that is said of a step when only the steps are asked. */
export const ACTION_WORDS: Readonly<Record<Action, string>> = {
  'add-part': 'The total?',
  'take-part': 'The total?',
  'say-total': 'The total?',
  hold: 'Hold?',
  glance: 'Write?',
  write: 'Write?',
  mend: 'Mended?',
  sign: 'With its sign?',
  'column-total': 'The column?',
  estimate: 'The estimate?',
  round: 'Round?',
  'give-back': 'Given back?',
  block: 'The block?',
  complement: 'Short by?',
  'partial-product': 'The part?',
  'running-total': 'The total?',
  surplus: 'The surplus?',
  'cross-sum': 'The column?',
  settle: 'Settled?',
  front: 'Front?',
  back: 'Back?',
  join: 'Front and back?',
  deviation: 'The deviation?',
  double: 'Doubled?',
  halve: 'Halved?',
  product: 'The product?',
  balance: 'The other side?',
  quotient: 'The quotient?',
  'quotient-digit': 'How often?',
  remainder: 'What is left?',
  point: 'With its point?',
  root: 'The root?',
  divisor: 'The divisor?',
  net: 'The net?',
  correction: 'The correction?',
  set: 'Set?',
  read: 'Which number?',
  beads: 'On the frame?',
}
