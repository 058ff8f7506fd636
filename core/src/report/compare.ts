/** One problem, every technique: which fit, what each costs, and which is the least work. */

import { flashSum } from '../flash/sum.js'
import { ENOUGH_STEPS, predictMs, type Times } from '../learner/times.js'
import type { Decimal } from '../number/decimal.js'
import { answerOf, type Problem } from '../problem/problem.js'
import { TECHNIQUES } from '../registry/techniques.js'
import type { Technique, Variant } from '../technique/contract.js'
import { type Trace, trace, variantOf } from '../technique/driver.js'
import { type Effort, effortOf } from '../technique/effort.js'
import { writtenEffort } from '../technique/written.js'
import { ADVICE } from '../words/report.js'

export interface Way {
  readonly technique: Technique
  readonly variant: Variant
  readonly work: Trace
  readonly effort: Effort
}

export interface Comparison {
  readonly problem: Problem
  /** Reckoned plainly; quotients and roots that do not end are cut off. */
  readonly answer: Decimal
  /** Least effort first; of equal ones, the one that holds fewer digits. */
  readonly ways: readonly Way[]
  readonly misfits: readonly { readonly technique: Technique; readonly because: string }[]
  /** The conventional written working. */
  readonly written: Effort
  /** Which way is quickest and why, in a sentence. */
  readonly advice: string
}

/** The way that is quickest for one learner, by their own times. */
export interface Quickest {
  readonly way: Way
  readonly ms: number
  /** What each way is likely to take, in the order of `ways`, in milliseconds. */
  readonly each: readonly number[]
  readonly advice: string
}

/** @returns undefined while too little is known of the learner, or no technique fits. */
export function quickestFor({ ways }: Comparison, times: Times): Quickest | undefined {
  if (times.seen < ENOUGH_STEPS || ways.length === 0) return undefined
  const each = ways.map(({ technique, work }) => predictMs(times, technique.id, work))
  const order = each.map((ms, i) => ({ ms, way: ways[i]! })).sort((a, b) => a.ms - b.ms)
  const [first, next] = order as [(typeof order)[0], (typeof order)[0] | undefined]
  const named = ({ way, ms }: { way: Way; ms: number }) => ({ name: way.technique.name, ms })
  const advice = ADVICE.quickest(times.seen, named(first), next && named(next))
  return { way: first.way, ms: first.ms, each, advice }
}

/** @param variants the variant of a technique by its id, where it is not the default. */
export function compareWays(problem: Problem, variants: Readonly<Record<string, Variant>> = {}): Comparison {
  const ways: Way[] = []
  const misfits: { technique: Technique; because: string }[] = []
  for (const technique of TECHNIQUES) {
    // Numbers that come one by one are no way of working a problem that stands there.
    if (technique === flashSum) continue
    const fit = technique.fits(problem)
    if (!fit.fits) {
      misfits.push({ technique, because: fit.because })
      continue
    }
    const variant = variantOf(technique, variants[technique.id])
    const work = trace(technique, problem, variant)
    ways.push({ technique, variant, work, effort: effortOf(work) })
  }
  ways.sort((a, b) => a.effort.total - b.effort.total || a.effort.held - b.effort.held)
  const written = writtenEffort(problem)
  return { problem, answer: answerOf(problem), ways, misfits, written, advice: adviceOn(ways, written) }
}

function adviceOn(ways: readonly Way[], written: Effort): string {
  const [best, next] = ways
  if (!best) return ADVICE.none
  const named = ({ technique, effort }: Way) => ({ name: technique.name, ...effort })
  return ADVICE.leastWork(named(best), next && named(next), written.total)
}
