/** Building blocks for techniques: what a technique file would otherwise repeat. */
import { absolute, type Decimal, isNegative, subtract, toWords } from '../number/decimal.js'
import type { Problem } from '../problem/problem.js'
import { type AnswerKind, SIGNED } from '../question/kind.js'
import { meets } from '../question/question.js'
import { asDecimal, sameValue, type Value } from '../question/value.js'
import type { TechniqueWords } from '../words/lesson.js'
import type { SlipId } from '../words/slips.js'
import { OFF, type Remark } from '../words/steps.js'
import type {
  Action,
  AnswerLine,
  Held,
  Level,
  NumberWork,
  ParameterValues,
  Slip,
  Step,
  Technique,
  Variant,
  Work,
} from './contract.js'
import { type Load, NO_LOAD } from './facts.js'
import { BLANK } from './line.js'
import { parameterValuesOf } from './quantities/boards.js'

/** Why a technique does not fit a problem: a clause that ends a sentence, for a learner. */
export interface Misfit {
  readonly because: string
}

export function misfit(because: string): Misfit {
  return { because }
}

/**
 * A level: what it is called, the seconds to aim for at a problem, where the parameters stand, and the variant it is worked in
 * where none is chosen; the rest as usual.
 */
export type LevelSetting = readonly [
  name: string,
  seconds: number,
  values: ParameterValues,
  variant?: Variant,
]

type Given<P extends object, W extends Work> = Omit<
  Technique,
  'fits' | 'work' | 'levels' | 'variants' | keyof TechniqueWords
> & {
  readonly words: TechniqueWords
  readonly variants?: Technique['variants']
  readonly levels: readonly LevelSetting[]
  /** Looks at a problem once and says what there is to work with, or why the technique does not fit. */
  read(problem: Problem): P | Misfit
  /** Is only ever given what `read` made. */
  work(what: P, variant: Variant): W
}

/** A technique whose id is known to the compiler, so that a table over all of them has no gap. */
export type Named<Id extends string> = Technique & { readonly id: Id }

/** A technique from its parts, all of whose values are decimals. */
export function technique<P extends object, const Id extends string = string>(
  given: Given<P, NumberWork> & { readonly id: Id },
): Named<Id> {
  return techniqueOfValues(given)
}

/** A technique from its parts, with values of any kind. */
export function techniqueOfValues<P extends object, const Id extends string = string>(
  given: Given<P, Work> & { readonly id: Id },
): Named<Id> {
  const { read, work, words, levels, variants = [], ...rest } = given
  // Diagnosis works the same problem hundreds of times over.
  const known = new WeakMap<Problem, P | Misfit>()
  const looked = (problem: Problem): P | Misfit => {
    const before = known.get(problem)
    if (before) return before
    const found = read(problem)
    known.set(problem, found)
    return found
  }
  const { name, about, lesson } = words
  return {
    ...rest,
    name,
    about,
    lesson,
    variants,
    levels: levels.map(([name, seconds, values, variant]): Level => {
      const problems = once(() => rest.parameters.problems(parameterValuesOf(rest.parameters, values)))
      return { name, values, ...(variant && { variant }), targetMs: seconds * 1000, problems }
    }),
    fits(problem) {
      const found = looked(problem)
      return 'because' in found ? { fits: false, because: found.because } : { fits: true }
    },
    work(problem, variant) {
      const found = looked(problem)
      if ('because' in found) throw new RangeError(found.because)
      return work(found, variant)
    },
  }
}

/** A value, or how to make it when it is first looked at: most runs look at few words of a step. */
export type Later<T> = T | (() => T)

/** What a technique says of a step; whatever is left out is empty. */
export interface Asked<V extends Value = Decimal>
  extends Pick<
    Step<V>,
    | 'action'
    | 'place'
    | 'expect'
    | 'also'
    | 'meant'
    | 'carry'
    | 'parts'
    | 'decision'
    | 'after'
    | 'links'
    | 'picks'
    | 'within'
    | 'reckons'
    | 'sum'
    | 'typedAs'
  > {
  readonly ask: Later<string>
  /** Any number where none is named. */
  readonly kind?: AnswerKind<V>
  readonly why: Later<string>
  readonly writes?: Later<AnswerLine>
  readonly holds?: Later<readonly Held[]>
  /** The facts it rests on, the carries among them and what is kept on the way. */
  readonly load?: Later<Load>
  readonly total?: boolean
  /** Names the slips of the step, likelier causes first where two lead to the same entry. */
  readonly slips?: ((slip: SlipSink<V>) => void) | undefined
}

/** Takes one slip; an entry that is right, or already has a likelier cause, is passed over. */
export type SlipSink<V = Decimal> = (id: SlipId, entry: V, odds: number, remark: Remark) => void

export function step<V extends Value = Decimal>(asked: Asked<V>): Step<V> {
  return new AskedStep<V>(asked)
}

/** Actions whose value holds all that was worked before it. */
const TOTALS: readonly Action[] = [
  'add-part',
  'take-part',
  'say-total',
  'running-total',
  'estimate',
  'give-back',
  'join',
  'point',
  'sign',
  'answer',
]

/** A class, so that the many steps of a diagnosis share their getters. */
export class AskedStep<V extends Value = Decimal, A extends Asked<V> = Asked<V>> implements Step<V> {
  readonly kind: Step<V>['kind']
  readonly action: Step['action']
  readonly place: number
  readonly expect: V
  readonly also: Step<V>['also']
  readonly meant: Step<V>['meant']
  readonly within: Step['within']
  readonly carry: Step['carry']
  readonly parts: Step['parts']
  readonly decision: Step<V>['decision']
  readonly after: Step<V>['after']
  readonly links: Step['links']
  readonly picks: Step['picks']
  readonly reckons: Step['reckons']
  readonly sum: Step['sum']
  readonly typedAs: Step['typedAs']
  readonly total: boolean

  constructor(protected readonly asked: A) {
    // Where no kind is named any number is asked, and the values are decimals.
    this.kind = asked.kind ?? (SIGNED as unknown as AnswerKind<V>)
    this.action = asked.action
    this.place = asked.place
    this.expect = asked.expect
    this.also = asked.also
    const { sum } = asked
    this.sum = sum
    this.typedAs = asked.typedAs
    this.meant = asked.meant ?? (sum && ((value) => (sameValue(value, sum) ? asked.expect : undefined)))
    this.within = asked.within
    this.carry = asked.carry
    this.parts = asked.parts
    this.decision = asked.decision
    this.after = asked.after
    this.links = asked.links
    this.picks = asked.picks
    this.reckons = asked.reckons
    this.total = asked.total ?? TOTALS.includes(asked.action)
  }

  get ask(): string {
    return now(this.asked.ask)
  }

  get why(): string {
    return now(this.asked.why)
  }

  get writes(): AnswerLine {
    return now(this.asked.writes ?? BLANK)
  }

  get holds(): readonly Held[] {
    return now(this.asked.holds ?? [])
  }

  get facts(): Load['facts'] {
    return now(this.asked.load ?? NO_LOAD).facts
  }

  get carries(): number {
    return now(this.asked.load ?? NO_LOAD).carries
  }

  get kept(): number {
    return now(this.asked.load ?? NO_LOAD).kept ?? 0
  }

  private known: readonly Slip<V>[] | undefined

  slips(): readonly Slip<V>[] {
    const { slips } = this.asked
    this.known ??= slips ? gather(this, slips) : []
    return this.known
  }
}

/** Works something out when it is first asked for, and once only. */
export function once<T extends object>(make: () => T): () => T {
  let made: T | undefined
  return () => {
    made ??= make()
    return made
  }
}

export function now<T>(later: Later<T>): T {
  return typeof later === 'function' ? (later as () => T)() : later
}

/** Mistakes against the very decision of a step: to borrow or not, to carry or not, from which to take, from ten, a 0 or none. */
const DECISIVE: readonly SlipId[] = [
  'borrow-missed',
  'borrow-not-through-equals',
  'needless-borrow',
  'ten-forgotten',
  'carry-lost',
  'carry-not-through-nine',
  'needless-carry',
  'smaller-from-larger',
  'complement-nine',
  'zero-left-out',
]

/** How far an entry is from what was asked, where it is one, ten, a hundred or a tenth and so on. */
function amountOff(expect: Value, entry: Value): string | undefined {
  const [right, given] = [asDecimal(expect), asDecimal(entry)]
  if (!right || !given) return undefined
  const off = subtract(given, right)
  if (!/^10*$/.test(String(absolute(off).units))) return undefined
  return (isNegative(off) ? OFF.low : OFF.high)(toWords(absolute(off)))
}

const belowZero = (value: Value) => {
  const number = asDecimal(value)
  return number !== undefined && isNegative(number)
}

function gather<V extends Value>(step: Step<V>, tell: (slip: SlipSink<V>) => void): Slip<V>[] {
  const found: Slip<V>[] = []
  // What a value may stand for is no excuse here: from the answer alone "both digits written" is a mistake.
  const asked = { ask: '', kind: step.kind, expect: step.expect, also: step.also, within: step.within }
  // A total that is written whole decides nothing.
  const decides = step.action !== 'column-total'
  tell((id, entry, odds, remark) => {
    if (meets(asked, entry) || found.some((s) => sameValue(s.entry, entry))) return
    // Nobody ends below zero by a slip where the right value is not.
    if (belowZero(entry) && !belowZero(step.expect)) return
    const told = typeof remark === 'string' ? remark : remark(amountOff(step.expect, entry))
    found.push({ id, entry, decisive: decides && DECISIVE.includes(id), odds, remark: told })
  })
  return found
}
