/**
 * Several ways through one problem at once. Practitioners differ (mend or glance, from the right or from the left), and
 * each variant is another walk, not another value of one step. A few live walks are kept; an entry keeps those that take
 * it, and the first one gives the next question. So whoever works another variant than the one set is followed, and the
 * variant worked is the first walk's.
 */

import { decimal } from '../../number/decimal.js'
import { present } from '../../number/present.js'
import { InputError } from '../../problem/error.js'
import type { Problem } from '../../problem/problem.js'
import type { AnyQuestion } from '../../question/question.js'
import { asDecimal, type Value } from '../../question/value.js'
import type { AnswerCell, AnswerLine, Step, Technique, Variant, Work } from '../contract.js'
import { answerQuestion, begin, momentAfter, variantsOf } from '../driver.js'
import { BLANK, settled } from '../line.js'

/** Walks followed at once, at most. */
export const MOST_WALKS = 16

/** What has been run so far; shared by all positions on one walk, so that going on costs one step. */
interface Run {
  readonly work: Work
  readonly steps: Step[]
  readonly entries: Value[]
  state: IteratorResult<Step, Value>
}

/** A position on one walk: the steps answered so far and the next one, or the answer when there is none. */
export class Walk {
  private ahead: Walk[] | undefined
  private state: IteratorResult<Step, Value> | undefined

  private constructor(
    readonly technique: Technique,
    readonly problem: Problem,
    readonly variant: Variant,
    private run: Run | undefined,
    /** Steps answered. */
    readonly taken: number,
    /** The last entry as it was made, where it stood for the value taken. */
    readonly typed?: Value,
  ) {
    this.state = run?.state
  }

  /** The first step is worked out when it is looked at: most walks never are. The technique must fit the problem. */
  static begin(technique: Technique, problem: Problem, variant: Variant): Walk {
    return new Walk(technique, problem, variant, undefined, 0)
  }

  /** The open step; undefined at the end. */
  get next(): Step | undefined {
    const { state } = this.begun()
    return state.done ? undefined : state.value
  }

  /** What the working came to, at the end. */
  get answer(): Value | undefined {
    const { state } = this.begun()
    return state.done ? state.value : undefined
  }

  private begun(): { readonly run: Run; readonly state: IteratorResult<Step, Value> } {
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
  get entries(): readonly Value[] {
    return this.begun().run.entries.slice(0, this.taken)
  }

  /** The position after one more entry. Linear over a whole walk; going on from an earlier position works it again. */
  take(entry: Value, typed?: Value): Walk {
    let { run } = this.begun()
    if (run.steps.length > this.taken) {
      const again = Walk.begin(this.technique, this.problem, this.variant).begun().run
      for (let i = 0; i < this.taken; i += 1) push(again, present(run.entries[i]))
      run = again
    }
    push(run, entry)
    return new Walk(this.technique, this.problem, this.variant, run, this.taken + 1, typed)
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

  /** What stands written. */
  get line(): AnswerLine {
    const [step, entry] = [this.steps.at(-1), this.entries.at(-1)]
    return step && entry ? momentAfter(step, entry).writes : BLANK
  }

  /** The digits of the answer that stand in the end, by place. */
  finalDigits(): ReadonlyMap<number, string> {
    return settled((this.onward().at(-1) ?? this).line)
  }

  /** What is held in mind before the open step. */
  get held(): readonly Value[] {
    const [step, entry] = [this.steps.at(-1), this.entries.at(-1)]
    return step && entry ? momentAfter(step, entry).holds.map((h) => h.value) : []
  }

  /** The whole of what stands written as one number, and while sums are settled each digit that needs no settling. */
  get written(): readonly Value[] {
    const { cells } = this.line
    const stand = cells.filter((c) => c.digits.length === 1).toSorted((a, b) => b.place - a.place)
    const whole = decimal(BigInt(stand.map((c) => c.digits).join('') || '0'), -(stand.at(-1)?.place ?? 0))
    const digits = this.next?.action === 'settle' ? stand.map((c) => decimal(BigInt(c.digits))) : []
    return [...(stand.length > 1 ? [whole] : []), ...digits, ...this.writtenOf(stand)]
  }

  /** The digits of the last total that were just written. */
  private writtenOf(stand: readonly AnswerCell[]): readonly Value[] {
    const last = asDecimal(this.entries.at(-1))
    const [said, line] = [last ? String(last.units) : '', stand.map((c) => c.digits).join('')]
    const tails = Array.from({ length: Math.max(0, said.length - 1) }, (_, k) => said.slice(k + 1))
    return tails.filter((tail) => line.startsWith(tail)).map((tail) => decimal(BigInt(tail)))
  }

  /** Is a value the answer rounded where it is to be cut off? */
  rounds(value: Value): boolean {
    return this.technique.rounds?.(this.problem, this.variant, value) ?? false
  }

  /** The whole answer as a question, from where the walk stands. */
  whole(): AnyQuestion {
    const end = this.onward().at(-1) ?? this
    return answerQuestion(this.technique, this.variant, { steps: end.steps, answer: present(end.answer) })
  }
}

function push(run: Run, entry: Value): void {
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
  variant: Variant,
  others: boolean,
): readonly Walk[] {
  const fit = technique.fits(problem)
  if (!fit.fits) throw new InputError(`${technique.name} does not fit: ${fit.because}.`)
  const ways = others ? (technique.ways ?? variantsOf(technique)) : []
  const full = [variant, ...ways.map((way) => ({ ...variant, ...way }))]
  const key = (way: Variant) => JSON.stringify(Object.entries(way).toSorted())
  return [...new Map(full.map((way) => [key(way), way])).values()]
    .slice(0, MOST_WALKS)
    .map((way) => Walk.begin(technique, problem, way))
}

/**
 * The walks past the decisions they stand before, each as it may be decided: where no words are asked, the next value
 * shows what was decided.
 */
export function pastDecisions(walks: readonly Walk[]): readonly Walk[] {
  if (!walks.some((w) => w.next?.decision)) return walks
  const past = walks.flatMap((w) => w.next?.decision?.map((value) => w.take(value)) ?? [w])
  return pastDecisions(past.slice(0, MOST_WALKS))
}
