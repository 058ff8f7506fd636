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
const DEFAULT_EFFORT = 15_000

/**
 * @param answer the learner's final answer.
 * @param effort how many steps may be run in looking for two slips.
 * @throws InputError when the technique does not fit the problem.
 */
export function diagnose(
  technique: Technique,
  problem: Problem,
  school: School,
  answer: Decimal,
  effort = DEFAULT_EFFORT,
): Diagnosis {
  const right = trace(technique, problem, school)
  if (acceptsAnswer(right, answer)) return { right: true, causes: [], complete: true }

  const single = singleSlips(right)
  const causes: Cause[] = []
  const runs: { at: number; slip: Slip; run: Trace }[] = []
  for (const { at, slip } of single) {
    const run = trace(technique, problem, school, (_, i) => (i === at ? slip.entry : undefined))
    runs.push({ at, slip, run })
    if (equal(run.answer, answer))
      causes.push({ slips: [located(run.steps[at]!, at, slip)], odds: slip.odds })
  }

  let complete = true
  if (causes.length === 0) {
    let spent = 0
    search: for (const first of runs.sort((a, b) => b.slip.odds - a.slip.odds)) {
      for (let at = first.at + 1; at < first.run.steps.length; at += 1) {
        for (const slip of first.run.steps[at]!.slips()) {
          spent += first.run.steps.length
          if (spent > effort) {
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
          causes.push({ slips, odds: first.slip.odds * slip.odds })
        }
      }
    }
  }
  const ranked = kindsFirst(causes.sort((a, b) => b.odds - a.odds))
  const keyed = keyingSlip(right.answer, answer)
  if (keyed) ranked.push({ slips: [{ step: right.steps.length, ...keyed }], odds: 0 })
  return { right: false, causes: ranked, complete }
}

/** The likeliest cause of each kind, then the same kinds of slip again at other places. */
function kindsFirst(causes: readonly Cause[]): Cause[] {
  const kind = (c: Cause) => c.slips.map((s) => s.id).join()
  const isFirst = (c: Cause) => causes.find((d) => kind(d) === kind(c)) === c
  return [...causes.filter(isFirst), ...causes.filter((c) => !isFirst(c))]
}

function singleSlips(right: Trace): { at: number; slip: Slip }[] {
  return right.steps.flatMap((step, at) => step.slips().map((slip) => ({ at, slip })))
}

function located(step: Step, at: number, slip: Slip): LocatedSlip {
  return { step: at + 1, place: step.place, id: slip.id, remark: slip.remark }
}
