/** Building blocks of paper kinds: items of a number-sense paper, each with its one quick way as a small technique. */

import { type Decimal, decimal } from '../number/decimal.js'
import { present } from '../number/present.js'
import { wholePart } from '../number/whole.js'
import type { FormId, ItemProblem } from '../problem/items/forms.js'
import type { Problem } from '../problem/problem.js'
import type { ProblemSpace } from '../problem/space.js'
import { type AnswerKind, SIGNED } from '../question/kind.js'
import { asDecimal, type Value } from '../question/value.js'
import type { Action, Held, Step, Technique, Variant, Work } from '../technique/contract.js'
import { type Load, NO_LOAD } from '../technique/facts.js'
import { wholeLine } from '../technique/line.js'
import { type Misfit, misfit, type Named, type SlipSink, step, techniqueOfValues } from '../technique/make.js'
import { parameter } from '../technique/quantities/boards.js'
import { ask, type Quantity } from '../technique/quantities/quantities.js'
import type { TechniqueWords } from '../words/lesson.js'
import { PAPER_KIND } from '../words/paper/kind.js'
import { ownWaysOf } from './own-ways.js'

/** Seconds an item, as on a paper of 80 in 10 minutes (common practice, no published source). */
const TARGET_SECONDS = 7.5

interface Given<P extends object> {
  readonly id: string
  readonly words: TechniqueWords
  readonly needs?: readonly string[]
  /** From easy to hard: what each is called and its problems. */
  readonly levels: readonly (readonly [name: string, problems: () => ProblemSpace])[]
  readonly asks?: NonNullable<Technique['asks']>
  read(problem: Problem): P | Misfit
  work(what: P, variant: Variant): Work
}

/** A paper kind: its levels are the settings of the one thing that can be set, how hard its items are. */
export function paperKind<P extends object, const Id extends string = string>({
  levels,
  needs = [],
  ...given
}: Given<P> & { readonly id: Id }): Named<Id> {
  const spaces = levels.map(([, problems]) => problems)
  return techniqueOfValues<P, Id>({
    ...given,
    ownWays: ownWaysOf,
    family: 'paper',
    needs,
    levels: levels.map(([name], i) => [name, TARGET_SECONDS, { hard: i + 1 }]),
    parameters: {
      parameters: [parameter('hard', PAPER_KIND.hard, 1, levels.length, 1)],
      problems: ({ hard = 1 }) => present(spaces[hard - 1])(),
    },
  })
}

/** The item where it is of one of some forms, else why it is not. */
export function itemOfForm<F extends FormId>(
  problem: Problem,
  because: string,
  ...forms: readonly F[]
): (ItemProblem & { readonly form: F }) | Misfit {
  const fits = problem.kind === 'item' && (forms as readonly FormId[]).includes(problem.form)
  return fits ? (problem as ItemProblem & { readonly form: F }) : misfit(because)
}

export const isMisfit = (found: object): found is Misfit => 'because' in found

interface Around {
  /** What the value is called while it is kept in mind. */
  readonly what: string
  readonly ask?: string
  readonly why: string
  readonly action?: Action
  readonly slips?: (slip: SlipSink) => void
}

/** What is found on the way to an answer and kept in mind until it is used. */
export class Mind {
  private held: readonly Held[] = []

  /** What is used up is no longer kept. */
  letGo(...what: readonly string[]): void {
    this.held = this.held.filter((h) => !what.includes(h.what))
  }

  /** Asks for a quantity. @returns the whole number that was entered */
  *find(quantity: Quantity, { what, action = 'value', ...around }: Around): Generator<Step, bigint, Value> {
    return wholePart(yield* this.number(quantity, { what, action, ...around }))
  }

  /** The same where the number may have decimals. */
  *number(
    quantity: Quantity,
    { what, action = 'value', ...around }: Around,
  ): Generator<Step, Decimal, Value> {
    const holds = [...this.held, { what, value: quantity.value }]
    const entry = present(
      asDecimal(yield ask(quantity, { action, place: 0, holds, total: false, ...around })),
    )
    this.held = [...this.held, { what, value: entry }]
    return entry
  }

  /** Asks for a whole number that is seen rather than reckoned. */
  *seeNumber(
    expect: bigint,
    around: Around & { readonly also?: (value: Decimal) => boolean },
  ): Generator<Step, bigint, Value> {
    return wholePart(yield* this.see<Decimal>(decimal(expect), { kind: SIGNED, ...around }))
  }

  /** Asks for a value of another kind that is seen rather than reckoned. */
  *see<V extends Value>(
    expect: V,
    {
      what,
      action = 'value',
      ask,
      why,
      slips,
      kind,
      also,
    }: Omit<Around, 'slips'> & {
      readonly kind: AnswerKind<V>
      readonly also?: (value: V) => boolean
      readonly slips?: (slip: SlipSink<V>) => void
    },
  ): Generator<Step, V, Value> {
    const holds = [...this.held, { what, value: expect }]
    const entry = (yield step<V>({
      action,
      place: 0,
      ask: ask ?? '',
      why,
      expect,
      kind,
      also,
      holds,
      slips,
    })) as V
    this.held = [...this.held, { what, value: entry }]
    return entry
  }
}

interface Ending<V extends Value> {
  readonly ask?: string
  readonly why: string
  readonly kind: AnswerKind<V>
  readonly reckons?: string
  readonly load?: Load
  readonly also?: (value: V) => boolean
  readonly slips?: (slip: SlipSink<V>) => void
}

/** Asks for the answer itself, put together from what was found. */
export function* answered<V extends Value>(
  expect: V,
  { ask = PAPER_KIND.answer, load = NO_LOAD, ...around }: Ending<V>,
): Generator<Step, V, Value> {
  return (yield step<V>({ action: 'answer', place: 0, ask, expect, load, total: true, ...around })) as V
}

type Last = Omit<Around, 'what' | 'action'>

/** Asks for a quantity that is the answer. */
export function* answeredBy(quantity: Quantity, around: Last): Generator<Step, Value, Value> {
  return yield ask(quantity, { ask: PAPER_KIND.answer, action: 'answer', place: 0, total: true, ...around })
}

/** The same for a whole number that stands on the place rule. */
export function* answeredOnLine(quantity: Quantity, around: Last): Generator<Step, Value, Value> {
  const writes = () => wholeLine(quantity.value.units)
  return yield ask(quantity, { ask: PAPER_KIND.answer, action: 'answer', place: 0, writes, ...around })
}
