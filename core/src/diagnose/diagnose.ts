/**
 * From a wrong final answer to the likely slip: every working of the same technique with one slip in it is
 * replayed, then those with two, and the ones that end in the learner's answer are its possible causes. The
 * idea of explaining wrong answers by small faults in an otherwise right procedure is Brown and Burton's (1978).
 *
 * Likelier workings are tried first, and the search ends when its budget of work is spent. Work is counted in steps
 * replayed, weighed by the size of the problem, and not in milliseconds, so that every machine finds the same.
 */

import TinyQueue from 'tinyqueue'
import { add, digitCount, equal, multiply, subtract } from '../number/decimal.js'
import { present } from '../number/present.js'
import { type Problem, rowsOf } from '../problem/problem.js'
import { meets } from '../question/question.js'
import { asDecimal, sameValue, type Value } from '../question/value.js'
import type { Slip, Step, Technique, Variant } from '../technique/contract.js'
import { answerQuestion, type Trace, trace } from '../technique/driver.js'
import { type KeyingSlip, keyingSlip } from './keying.js'

/** A slip and where in the working it was made. */
export interface LocatedSlip {
  /** Step number from 1. */
  readonly step: number
  readonly place: number
  readonly id: string
  /** What was done and what to do. Not kept: it is made again by `remarked`. */
  readonly remark?: string
}

/** One explanation of the answer: usually one slip, sometimes two. */
export interface Cause {
  /** The slips that together lead to the answer; one, or two. */
  readonly slips: readonly [LocatedSlip, ...LocatedSlip[]]
  /** How likely it is beside the others: its share of what can go wrong at its step. */
  readonly odds: number
}

export interface Diagnosis {
  readonly right: boolean
  /** Likeliest first; keying slips last. Empty when nothing known explains the answer. */
  readonly causes: readonly Cause[]
  /** False when the budget was spent before everything was tried. */
  readonly complete: boolean
}

/** The budget of one diagnosis: about so many steps of a short problem, some 40 ms where it is spent whole. */
const MOST_WORK = 20_000
/** Below this nothing is found. */
const LEAST_WORK = 500
/** Causes of two slips that are enough to say that several fit. */
const ENOUGH_PAIRS = 3

/** The budget for an attempt's wrong answers, each half of the one before: after many tries it is guessing. */
export function workFor(nth: number): number {
  const work = Math.floor(MOST_WORK / 2 ** nth)
  return work < LEAST_WORK ? 0 : work
}

/** A working with one slip in it, and how likely that slip is at its step. */
interface Slipped {
  readonly at: number
  readonly slip: Slip
  readonly share: number
  readonly run: Trace
}

/** What is spent on looking: workings and their slips cost, and once the budget is gone nothing more is found. */
class Search {
  private left: number
  private readonly each: number

  constructor(
    private readonly technique: Technique,
    private readonly problem: Problem,
    private readonly variant: Variant,
    most: number,
  ) {
    this.left = most
    this.each = stepWork(technique, problem)
  }

  get isOver(): boolean {
    return this.left <= 0
  }

  /** The working in which some steps are answered otherwise; undefined once the budget is spent. */
  slipped(entries: ReadonlyMap<number, Value>): Trace | undefined {
    if (this.isOver) return undefined
    const run = trace(this.technique, this.problem, this.variant, (_, i) => entries.get(i))
    this.left -= BEGIN_WORK + this.each * run.steps.length
    return run
  }

  /** The slips of a step; none once the budget is spent. */
  slipsOf(step: Step) {
    if (this.isOver) return []
    const found = shares(step)
    this.left -= (this.each * found.length) / 2
    return found
  }
}

/**
 * @param answer the learner's final answer.
 * @param most the budget of work.
 * @throws InputError when the technique does not fit the problem.
 */
export function diagnose(
  technique: Technique,
  problem: Problem,
  variant: Variant,
  answer: Value,
  most: number = workFor(0),
): Diagnosis {
  const right = trace(technique, problem, variant)
  if (meets(answerQuestion(technique, variant, right), answer))
    return { right: true, causes: [], complete: true }

  const search = new Search(technique, problem, variant, most)
  const causes: Cause[] = []
  const firsts: Slipped[] = []
  const single = right.steps.flatMap((step, at) => search.slipsOf(step).map((s) => ({ at, ...s })))
  let complete = !search.isOver
  for (const { at, slip, share } of single.toSorted((a, b) => b.share - a.share)) {
    const run = search.slipped(new Map([[at, slip.entry]]))
    if (!run) {
      complete = false
      break
    }
    firsts.push({ at, slip, share, run })
    if (sameValue(run.answer, answer))
      causes.push({ slips: [located(present(right.steps[at]), at, slip)], odds: share })
  }
  if (causes.length === 0 && complete) complete = findPairs(search, firsts, answer, causes)
  const ranked = kindsFirst(causes)
  const typed = isOtherOperation(problem, answer) ? undefined : keyed(right, answer)
  if (typed) ranked.push({ slips: [{ step: right.steps.length, ...typed }], odds: 0 })
  return { right: false, causes: ranked, complete }
}

/**
 * The likeliest pairs first: each first slip waits with its own share until its second slips are looked at.
 * @param causes takes what is found
 * @returns whether everything was looked at, or enough was found
 */
function findPairs(search: Search, firsts: readonly Slipped[], answer: Value, causes: Cause[]): boolean {
  const queue = new TinyQueue<Pair>(
    firsts.map((first) => ({ first, share: first.share })),
    (a, b) => b.share - a.share,
  )
  for (let pair = queue.pop(); pair; pair = queue.pop()) {
    const { first, second } = pair
    if (!second) {
      for (let at = first.at + 1; at < first.run.steps.length; at += 1) {
        for (const s of search.slipsOf(present(first.run.steps[at])))
          queue.push({ first, second: { at, ...s }, share: first.share * s.share })
      }
      continue
    }
    const run = search.slipped(
      new Map([
        [first.at, first.slip.entry],
        [second.at, second.slip.entry],
      ]),
    )
    if (!run) return false
    if (!sameValue(run.answer, answer)) continue
    const slips = [
      located(present(run.steps[first.at]), first.at, first.slip),
      located(present(run.steps[second.at]), second.at, second.slip),
    ] as const
    causes.push({ slips, odds: pair.share })
    if (causes.length >= ENOUGH_PAIRS) return true
  }
  return !search.isOver
}

/** A mistake of typing is looked for in plain numbers only: other numerals have other digits. */
function keyed({ steps, answer: right }: Trace, answer: Value): KeyingSlip | undefined {
  const kind = steps.at(-1)?.kind.id ?? ''
  if (kind === 'roman' || kind.startsWith('base')) return undefined
  const [a, b] = [asDecimal(right), asDecimal(answer)]
  return a && b && keyingSlip(a, b)
}

/** What two numbers come to by another operation is no mistake of typing, though it may differ by one key alone. */
function isOtherOperation(problem: Problem, answer: Value): boolean {
  if (problem.kind !== 'sum' && problem.kind !== 'product') return false
  const [a, b, more] = problem.kind === 'sum' ? problem.terms.map((t) => t.size) : problem.factors
  const entry = asDecimal(answer)
  if (!a || !b || more || !entry) return false
  return [add(a, b), subtract(a, b), subtract(b, a), multiply(a, b)].some((n) => equal(n, entry))
}

interface Pair {
  readonly first: Slipped
  readonly second?: { readonly at: number; readonly slip: Slip; readonly share: number }
  readonly share: number
}

/**
 * What beginning a working costs, and each step of it: long numbers and many of them take longer to work than short
 * ones, beads longest. Fitted to measured times, so that the budget bounds them whatever the numbers are.
 */
const BEGIN_WORK = 10
function stepWork(technique: Technique, problem: Problem): number {
  const rows = rowsOf(problem)
  const digits = rows.reduce((sum, { size }) => sum + digitCount(size), 0)
  return (1 + digits / 8 + rows.length ** 2 / 16) * (technique.family === 'soroban' ? 2 : 1)
}

/**
 * The kinds of slip by how likely they are together (several causes of one kind make that kind likelier), each by
 * its likeliest cause; then the same kinds again at other places.
 */
function kindsFirst(causes: readonly Cause[]): Cause[] {
  const kinds = new Map<string, Cause[]>()
  for (const cause of [...causes].sort((a, b) => b.odds - a.odds)) {
    const kind = cause.slips.map((s) => s.id).join()
    kinds.set(kind, [...(kinds.get(kind) ?? []), cause])
  }
  const odds = (of: readonly Cause[]) => of.reduce((sum, c) => sum + c.odds, 0)
  const ranked = [...kinds.values()].sort((a, b) => odds(b) - odds(a))
  return [...ranked.map((of) => present(of[0])), ...ranked.flatMap((of) => of.slice(1))]
}

/** Every slip of a step with its share of what can go wrong there. */
function shares(step: Step): { slip: Slip; share: number }[] {
  const slips = step.slips()
  const sum = slips.reduce((total, s) => total + s.odds, 0)
  return slips.map((slip) => ({ slip, share: slip.odds / sum }))
}

function located(step: Step, at: number, slip: Slip): LocatedSlip {
  return { step: at + 1, place: step.place, id: slip.id, remark: slip.remark }
}

/**
 * The whole working as somebody had it who made these mistakes: what each value was with them.
 * @returns undefined where they do not lead to the answer, as with a mistake of typing
 */
export function workingWith(
  technique: Technique,
  problem: Problem,
  variant: Variant,
  slips: readonly LocatedSlip[],
  answer: Value,
): Trace | undefined {
  const own = trace(technique, problem, variant, (step, i) => {
    const made = slips.find((s) => s.step === i + 1)
    if (!made) return undefined
    const same = step.slips().filter((s) => s.id === made.id)
    return (same.find((s) => s.remark === made.remark) ?? same[0])?.entry
  })
  return sameValue(own.answer, answer) ? own : undefined
}

/**
 * Mistakes that were kept by step and id alone, with what is said of them.
 * @param answer the wrong answer they led to
 * @returns them as they are where the working no longer has them
 */
export function remarked(
  technique: Technique,
  problem: Problem,
  variant: Variant,
  slips: readonly LocatedSlip[],
  answer: Value,
): readonly LocatedSlip[] {
  const right = trace(technique, problem, variant)
  const typed = isOtherOperation(problem, answer) ? undefined : keyed(right, answer)
  if (typed && slips.some((s) => s.id === typed.id)) return slips.map((s) => ({ ...s, remark: typed.remark }))
  // The first mistake changes the steps after it, so that they are looked for one after another.
  const from = (left: readonly LocatedSlip[], entries: ReadonlyMap<number, Value>): string[] | undefined => {
    const run = trace(technique, problem, variant, (_, i) => entries.get(i))
    const [next, ...others] = left
    if (!next) return sameValue(run.answer, answer) ? [] : undefined
    const at = next.step - 1
    for (const { id, entry, remark } of run.steps[at]?.slips() ?? []) {
      if (id !== next.id) continue
      const rest = from(others, new Map(entries).set(at, entry))
      if (rest) return [remark, ...rest]
    }
    return undefined
  }
  const remarks = from(slips, new Map())
  return remarks ? slips.map((s, i) => ({ ...s, remark: present(remarks[i]) })) : slips
}
