/**
 * From a wrong final answer to the likely slip: every working of the same technique with one slip in it is
 * replayed, then those with two, and the ones that end in the learner's answer are its possible causes. The
 * idea of explaining wrong answers by small faults in an otherwise right procedure is Brown and Burton's (1978).
 */
import { type Decimal, equal } from '../number/decimal.js'
import type { Problem } from '../problem/problem.js'
import type { School, Slip, Step, Technique } from '../technique/contract.js'
import { acceptsAnswer, type Trace, trace } from '../technique/driver.js'
import { keyingSlip } from './keying.js'

/** A slip and where in the working it was made. */
export interface LocatedSlip {
  /** Step number from 1. */
  readonly step: number
  readonly place: number
  readonly id: string
  readonly remark: string
}

/** One explanation of the answer: usually one slip, sometimes two. */
export interface Cause {
  readonly slips: readonly [LocatedSlip, ...LocatedSlip[]]
  /** How likely it is beside the others: its share of what can go wrong at its step. */
  readonly odds: number
}

export interface Diagnosis {
  readonly right: boolean
  /** Likeliest first; keying slips last. Empty when nothing known explains the answer. */
  readonly causes: readonly Cause[]
  /** False when the search for two slips was cut short. */
  readonly complete: boolean
}

/** Steps that may be run in search of two slips: some tens of milliseconds at 30 digits. */
const DEFAULT_EFFORT = 6_000

/**
 * @param answer the learner's final answer.
 * @param effort how many steps may be run in looking for two slips.
 * @param outOfTime asked now and then in that search, which ends when it says so.
 * @throws InputError when the technique does not fit the problem.
 */
export function diagnose(
  technique: Technique,
  problem: Problem,
  school: School,
  answer: Decimal,
  effort = DEFAULT_EFFORT,
  outOfTime: () => boolean = () => false,
): Diagnosis {
  const right = trace(technique, problem, school)
  if (acceptsAnswer(right, answer)) return { right: true, causes: [], complete: true }

  const single = singleSlips(right)
  const causes: Cause[] = []
  const runs: { at: number; share: number; slip: Slip; run: Trace }[] = []
  for (const { at, slip, share } of single) {
    const run = trace(technique, problem, school, (_, i) => (i === at ? slip.entry : undefined))
    runs.push({ at, share, slip, run })
    if (equal(run.answer, answer)) causes.push({ slips: [located(run.steps[at]!, at, slip)], odds: share })
  }

  let complete = true
  if (causes.length === 0) {
    let spent = 0
    search: for (const first of runs.sort((a, b) => b.share - a.share)) {
      for (let at = first.at + 1; at < first.run.steps.length; at += 1) {
        for (const slip of first.run.steps[at]!.slips()) {
          spent += first.run.steps.length
          if (spent > effort || outOfTime()) {
            complete = false
            break search
          }
          const run = trace(technique, problem, school, (_, i) =>
            i === first.at ? first.slip.entry : i === at ? slip.entry : undefined,
          )
          if (!equal(run.answer, answer)) continue
          const slips = [
            located(run.steps[first.at]!, first.at, first.slip),
            located(run.steps[at]!, at, slip),
          ] as const
          causes.push({ slips, odds: first.share * slip.odds })
        }
      }
    }
  }
  const ranked = kindsFirst(causes)
  const keyed = keyingSlip(right.answer, answer)
  if (keyed) ranked.push({ slips: [{ step: right.steps.length, ...keyed }], odds: 0 })
  return { right: false, causes: ranked, complete }
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
  return [...ranked.map((of) => of[0]!), ...ranked.flatMap((of) => of.slice(1))]
}

/** Every slip of a working with its share of what can go wrong at its step. */
function singleSlips(right: Trace): { at: number; slip: Slip; share: number }[] {
  return right.steps.flatMap((step, at) => {
    const slips = step.slips()
    const sum = slips.reduce((total, s) => total + s.odds, 0)
    return slips.map((slip) => ({ at, slip, share: slip.odds / sum }))
  })
}

function located(step: Step, at: number, slip: Slip): LocatedSlip {
  return { step: at + 1, place: step.place, id: slip.id, remark: slip.remark }
}
