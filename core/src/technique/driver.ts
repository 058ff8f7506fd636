/** Runs a technique: the worked example, and the answer as a question. Following entries is in walks.ts. */
import { present } from '../number/present.js'
import { InputError } from '../problem/error.js'
import type { Problem } from '../problem/problem.js'
import { QUOTIENT, SIGNED } from '../question/kind.js'
import { type AnyQuestion, isRight } from '../question/question.js'
import { isQuotient, sameValue, type Value } from '../question/value.js'
import { listed } from '../words/english.js'
import { ANSWER } from '../words/steps.js'
import { WAYS } from '../words/ways.js'
import type { Level, Moment, Step, Technique, Variant, Work } from './contract.js'

/** A finished working: the steps asked, what was entered at each, and the answer reached. */
export interface Trace {
  /** Its steps, in order. */
  readonly steps: readonly Step[]
  /** What was entered at each step: as expected, or as was given. */
  readonly entries: readonly Value[]
  /** What the working comes to. */
  readonly answer: Value
}

/**
 * The whole working of a problem. `swap` may answer a step otherwise than expected (that is how slips are
 * tried out); the technique goes on from what it says.
 */
export function trace(
  technique: Technique,
  problem: Problem,
  variant: Variant,
  swap?: (step: Step, index: number) => Value | undefined,
): Trace {
  const work = begin(technique, problem, variant)
  const steps: Step[] = []
  const entries: Value[] = []
  let state = work.next()
  while (!state.done) {
    const entry = swap?.(state.value, steps.length) ?? state.value.expect
    steps.push(state.value)
    entries.push(entry)
    state = work.next(entry)
  }
  return { steps, entries, answer: state.value }
}

/** What stands written and held once a step has been answered with an entry it accepts. */
export function momentAfter(step: Step, entry: Value): Moment {
  return step.after ? step.after(entry) : step
}

/**
 * The answer of a working as a question. When its last step asks for the answer itself, any value that step takes is as
 * right (an estimate may be rounded in more than one way).
 */
export function answerQuestion(
  technique: Technique,
  variant: Variant,
  { steps, answer }: Pick<Trace, 'steps' | 'answer'>,
): AnyQuestion {
  const last = steps.at(-1)
  // A total of some of what is left is right on the way, and no answer.
  const asksForAll = last?.action !== 'add-part' && last?.action !== 'take-part'
  // A quotient with its remainder is one answer, though both were asked by themselves.
  const whole = isQuotient(answer) ? QUOTIENT : (last?.kind ?? SIGNED)
  const kind = whole as unknown as AnyQuestion['kind']
  return {
    ask: ANSWER.ask(technique.asks?.(variant) ?? kind.form?.asks),
    kind,
    expect: answer,
    also: last && asksForAll && sameValue(last.expect, answer) ? (value) => isRight(last, value) : undefined,
  }
}

/** The value a text stands for as an answer to a problem; undefined for a text that is none. */
export function readAnswerOf(
  technique: Technique,
  problem: Problem,
  variant: Variant,
  text: string,
): Value | undefined {
  return answerQuestion(technique, variant, trace(technique, problem, variant)).kind.read(text)
}

/**
 * The variant with every option of the technique set: what is given, else as the level is worked, else the default.
 * @throws InputError for an option or a value the technique does not have.
 */
export function variantOf(
  technique: Technique,
  given: Readonly<Record<string, string>> = {},
  level?: Level,
): Variant {
  for (const [key, value] of Object.entries(given)) {
    const option = technique.variants.find((o) => o.key === key)
    if (!option) throw new InputError(`${technique.id} has no variant option "${key}".`)
    if (!option.values.includes(value))
      throw new InputError(`Variant option "${key}" is one of ${option.values.join(', ')}, not "${value}".`)
  }
  return Object.fromEntries(
    technique.variants.map((o) => [o.key, given[o.key] ?? level?.variant?.[o.key] ?? present(o.values[0])]),
  )
}

/** What is different about a way of working from the one set, in words; undefined where nothing is. */
export function wayWords({ variants }: Technique, set: Variant, worked: Variant): string | undefined {
  const offered = variants.flatMap((o) =>
    worked[o.key] === set[o.key] ? [] : [present(o.words[present(worked[o.key])])],
  )
  const others = Object.entries(worked).flatMap(([key, value]) =>
    set[key] === value || variants.some((o) => o.key === key) ? [] : [WAYS[`${key} ${value}`] ?? value],
  )
  return listed([...offered, ...others]) || undefined
}

/** Every combination of values of a technique's variant options, the defaults first. */
export function variantsOf(technique: Technique): Variant[] {
  return technique.variants.reduce<Variant[]>(
    (variants, { key, values }) =>
      variants.flatMap((variant) => values.map((value) => ({ ...variant, [key]: value }))),
    [{}],
  )
}

/** @throws InputError when the technique does not fit the problem. */
export function begin(technique: Technique, problem: Problem, variant: Variant): Work {
  const fit = technique.fits(problem)
  if (!fit.fits) throw new InputError(`${technique.name} does not fit: ${fit.because}.`)
  return technique.work(problem, variant)
}
