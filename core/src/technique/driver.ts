/** Runs a technique: worked example, replay over entries, judging one entry. */
import { type Decimal, equal } from '../number/decimal.js'
import { InputError } from '../problem/error.js'
import type { Problem } from '../problem/problem.js'
import type { Moment, School, Slip, Step, Technique, Work } from './contract.js'

/** A finished working: the steps asked, what was entered at each, and the answer reached. */
export interface Trace {
  readonly steps: readonly Step[]
  readonly entries: readonly Decimal[]
  readonly answer: Decimal
}

/** Where a replay stands: the steps answered so far and the next one, or the answer when there is none. */
export interface Position {
  readonly steps: readonly Step[]
  readonly next: Step | undefined
  readonly answer: Decimal | undefined
}

/**
 * The whole working of a problem. `swap` may answer a step otherwise than expected (that is how slips are
 * tried out); the technique goes on from what it says.
 */
export function trace(
  technique: Technique,
  problem: Problem,
  school: School,
  swap?: (step: Step, index: number) => Decimal | undefined,
): Trace {
  const work = begin(technique, problem, school)
  const steps: Step[] = []
  const entries: Decimal[] = []
  let state = work.next()
  while (!state.done) {
    const entry = swap?.(state.value, steps.length) ?? state.value.expect
    steps.push(state.value)
    entries.push(entry)
    state = work.next(entry)
  }
  return { steps, entries, answer: state.value }
}

/**
 * Plays entries back and stops at the first step still unanswered. Undo is a replay of one entry fewer.
 * @throws InputError when there are more entries than steps.
 */
export function replay(
  technique: Technique,
  problem: Problem,
  school: School,
  entries: readonly Decimal[],
): Position {
  const work = begin(technique, problem, school)
  const steps: Step[] = []
  let state = work.next()
  for (const entry of entries) {
    if (state.done) throw new InputError('There are more entries than the working has steps.')
    steps.push(state.value)
    state = work.next(entry)
  }
  return state.done
    ? { steps, next: undefined, answer: state.value }
    : { steps, next: state.value, answer: undefined }
}

export function accepts(step: Step, entry: Decimal): boolean {
  return equal(step.expect, entry) || (step.also?.(entry) ?? false)
}

/** What stands written and held once a step has been answered with an entry it accepts. */
export function momentAfter(step: Step, entry: Decimal): Moment {
  return step.after && !equal(step.expect, entry) ? step.after(entry) : step
}

/**
 * Is this an answer the working could end in? The one it does end in, or, when its last step asks for the answer
 * itself, any entry that step accepts (an estimate may be rounded in more than one way).
 */
export function acceptsAnswer({ steps, answer }: Trace, given: Decimal): boolean {
  const last = steps.at(-1)
  return equal(answer, given) || (last !== undefined && equal(last.expect, answer) && accepts(last, given))
}

/** Is the entry right? If not, the slip behind it where one is known. */
export function judgeEntry(step: Step, entry: Decimal): { right: true } | { right: false; slip?: Slip } {
  if (accepts(step, entry)) return { right: true }
  const slip = step.slips().find((s) => equal(s.entry, entry))
  return slip ? { right: false, slip } : { right: false }
}

/**
 * The school with every option of the technique set: what is given, else the default.
 * @throws InputError for an option or a value the technique does not have.
 */
export function schoolOf(technique: Technique, given: Readonly<Record<string, string>> = {}): School {
  for (const [key, value] of Object.entries(given)) {
    const option = technique.schools.find((o) => o.key === key)
    if (!option) throw new InputError(`${technique.id} has no school option "${key}".`)
    if (!option.values.includes(value))
      throw new InputError(`School option "${key}" is one of ${option.values.join(', ')}, not "${value}".`)
  }
  return Object.fromEntries(technique.schools.map((o) => [o.key, given[o.key] ?? o.values[0]!]))
}

function begin(technique: Technique, problem: Problem, school: School): Work {
  const fit = technique.fits(problem)
  if (!fit.fits) throw new InputError(`${technique.name} does not fit: ${fit.because}.`)
  return technique.work(problem, school)
}
