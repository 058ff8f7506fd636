/**
 * Several ways through one problem at once. Practitioners differ (mend or glance, from the right or from the left),
 * and each variant is another walk, not another value of one step. A few live walks are kept; an entry keeps those that
 * take it, and the first one gives the next question. So whoever works another variant than the one set is followed,
 * and the variant worked is the first walk's.
 */
import { type Decimal, equal } from '../number/decimal.js'
import { InputError } from '../problem/error.js'
import type { Problem } from '../problem/problem.js'
import { meets, type Question } from '../question/question.js'
import type { School, Slip, Step, Technique, Work } from './contract.js'
import { answerQuestion, begin, variantsOf } from './driver.js'

/** Walks followed at once, at most. */
export const MOST_WALKS = 16

/** What has been run so far; shared by all positions on one walk, so that going on costs one step. */
interface Run {
  readonly work: Work
  readonly steps: Step[]
  readonly entries: Decimal[]
  state: IteratorResult<Step, Decimal>
}

/** A position on one walk: the steps answered so far and the next one, or the answer when there is none. */
export class Walk {
  private ahead: Walk[] | undefined
  private state: IteratorResult<Step, Decimal> | undefined

  private constructor(
    readonly technique: Technique,
    readonly problem: Problem,
    readonly variant: School,
    private run: Run | undefined,
    /** Steps answered. */
    readonly taken: number,
  ) {
    this.state = run?.state
  }

  /** The first step is worked out when it is looked at: most walks never are. The technique must fit the problem. */
  static begin(technique: Technique, problem: Problem, variant: School): Walk {
    return new Walk(technique, problem, variant, undefined, 0)
  }

  /** The open step; undefined at the end. */
  get next(): Step | undefined {
    const { state } = this.begun()
    return state.done ? undefined : state.value
  }

  /** What the working came to, at the end. */
  get answer(): Decimal | undefined {
    const { state } = this.begun()
    return state.done ? state.value : undefined
  }

  private begun(): { readonly run: Run; readonly state: IteratorResult<Step, Decimal> } {
    if (!this.run || !this.state) {
      const work = begin(this.technique, this.problem, this.variant)
      this.state = work.next()
      this.run = { work, steps: [], entries: [], state: this.state }
    }
    return { run: this.run, state: this.state }
  }

  /** The steps answered, in order. */
  get steps(): readonly Step[] {
    return this.begun().run.steps.slice(0, this.taken)
  }

  /** What was entered at each. */
  get entries(): readonly Decimal[] {
    return this.begun().run.entries.slice(0, this.taken)
  }

  /** The position after one more entry. Linear over a whole walk; going on from an earlier position works it again. */
  take(entry: Decimal): Walk {
    let { run } = this.begun()
    if (run.steps.length > this.taken) {
      const again = Walk.begin(this.technique, this.problem, this.variant).begun().run
      for (let i = 0; i < this.taken; i += 1) push(again, run.entries[i]!)
      run = again
    }
    push(run, entry)
    return new Walk(this.technique, this.problem, this.variant, run, this.taken + 1)
  }

  /** The positions from here on when every step is answered as expected; the last one is the end. */
  onward(): readonly Walk[] {
    if (this.ahead) return this.ahead
    const found: Walk[] = []
    // A run of its own, so that this one can still go on.
    let walk = Walk.begin(this.technique, this.problem, this.variant)
    for (const entry of this.entries) walk = walk.take(entry)
    while (walk.next) {
      walk = walk.take(walk.next.expect)
      found.push(walk)
    }
    this.ahead = found
    return found
  }

  /** The whole answer as a question, from where the walk stands. */
  whole(): Question {
    const end = this.onward().at(-1) ?? this
    return answerQuestion(this.technique, this.variant, { steps: end.steps, answer: end.answer! })
  }
}

function push(run: Run, entry: Decimal): void {
  if (run.state.done) throw new RangeError('The walk is at its end.')
  run.steps.push(run.state.value)
  run.entries.push(entry)
  run.state = run.work.next(entry)
}

/**
 * The walks through a problem, the one with the given variant first.
 * @param others follow the other variants too
 * @throws InputError when the technique does not fit the problem
 */
export function beginWalks(
  technique: Technique,
  problem: Problem,
  variant: School,
  others: boolean,
): readonly Walk[] {
  const same = (a: School) => technique.schools.every(({ key }) => a[key] === variant[key])
  const rest = others ? variantsOf(technique).filter((v) => !same(v)) : []
  const fit = technique.fits(problem)
  if (!fit.fits) throw new InputError(`${technique.name} does not fit: ${fit.because}.`)
  return [variant, ...rest].slice(0, MOST_WALKS).map((v) => Walk.begin(technique, problem, v))
}

/**
 * How an entry was taken. `right`: the open step of a walk takes it; `ahead`: it contains everything worked so far, so
 * that the steps between were done in the head; `elsewhere`: right in itself, but not what was asked; `slip`: wrong, the
 * cause is known; `wrong`. Only the first two move on.
 */
export type Reading =
  | { readonly verdict: 'right' | 'ahead'; readonly walks: readonly Walk[] }
  /** `place`: where the value belongs; left out where it only repeats what was said. */
  | { readonly verdict: 'elsewhere'; readonly place?: number }
  | { readonly verdict: 'slip'; readonly slip: Slip }
  | { readonly verdict: 'wrong' }

/** Steps whose value holds all that was worked before it, so that it may be said without the steps before. */
const TOTALS: readonly Step['action'][] = [
  'add-part',
  'take-part',
  'say-total',
  'running-total',
  'give-back',
  'set',
  'beads',
]

/**
 * Reads an entry made where steps are asked.
 * @param walks those alive, all with an open step
 * @param strictly take only what the open step of the first walk asks, as attempts were once judged
 * @returns undefined for a text that is no value
 */
export function readStep(walks: readonly Walk[], text: string, strictly = false): Reading | undefined {
  const first = walks[0]!
  const value = first.next!.kind.read(text)
  const takers = walks.flatMap((walk) => {
    const own = walk.next!.kind.read(text)
    return own !== undefined && meets(walk.next!, own) ? [{ walk, value: own }] : []
  })
  if (takers.length > 0)
    return { verdict: 'right', walks: takers.map(({ walk, value: own }) => walk.take(own)) }
  if (value === undefined) return undefined
  const slip = slipAt(first.next!, value)
  if (strictly) return slip ? { verdict: 'slip', slip } : { verdict: 'wrong' }
  const ends = steppedOver(walks, (walk) => {
    const last = walk.onward().at(-1)
    return last && meets(walk.whole(), value) ? last : undefined
  })
  if (ends.length > 0) return { verdict: 'ahead', walks: ends }
  const said = first.entries.at(-1)
  // A digit said again is more likely the mistake it looks like.
  if (said && equal(said, value) && !(slip && isDigit(value))) return { verdict: 'elsewhere' }
  if (slip) return { verdict: 'slip', slip }
  const later = steppedOver(walks, (walk) =>
    walk.onward().find((_, i, all) => {
      const step = i === 0 ? undefined : all[i - 1]!.next
      return step && TOTALS.includes(step.action) && meets(step, value)
    }),
  )
  if (later.length > 0) return { verdict: 'ahead', walks: later }
  return elsewhere(first, value) ?? { verdict: 'wrong' }
}

/** The walks that reach a value by stepping over, those that go less far first. */
function steppedOver(walks: readonly Walk[], reach: (walk: Walk) => Walk | undefined): Walk[] {
  return walks
    .flatMap((walk) => {
      const to = reach(walk)
      return to ? [{ to, over: to.taken - walk.taken }] : []
    })
    .toSorted((a, b) => a.over - b.over)
    .map(({ to }) => to)
}

/** The known slip behind a wrong value at a step. */
export function slipAt(step: Step, value: Decimal): Slip | undefined {
  return step.slips().find((s) => equal(s.entry, value))
}

/**
 * A later partial result, typed early. A single digit counts only for the step that comes next, since any digit stands
 * somewhere.
 */
function elsewhere(walk: Walk, value: Decimal): Reading | undefined {
  const steps = walk.onward().flatMap((w) => w.next ?? [])
  const found = (isDigit(value) ? steps.slice(0, 1) : steps).find((step) => meets(step, value))
  return found && { verdict: 'elsewhere', place: found.place }
}

function isDigit({ units, scale }: Decimal): boolean {
  return scale === 0 && units < 10n && units > -10n
}

/** Reads an entry made where only the answer is asked. @returns undefined for a text that is no value */
export function readAnswer(walks: readonly Walk[], text: string): Reading | undefined {
  const value = walks[0]!.whole().kind.read(text)
  if (value === undefined) return undefined
  // The first that ends so is enough: there is nothing more to be asked.
  const found = walks.find((walk) => meets(walk.whole(), value))
  return found ? { verdict: 'right', walks: [found.onward().at(-1) ?? found] } : { verdict: 'wrong' }
}

/** The walks after the program has shown what was asked: those that go the same way as the first. */
export function showStep(walks: readonly Walk[]): {
  readonly value: Decimal
  readonly walks: readonly Walk[]
} {
  const value = walks[0]!.next!.expect
  return { value, walks: walks.filter((w) => meets(w.next!, value)).map((w) => w.take(value)) }
}
