/** One problem, every technique: which fit, what each costs, and which is the least work. */

import { flashSum } from '../flash/sum.js'
import { ENOUGH_STEPS, predictMs, type Times } from '../learner/times.js'
import { answerOf, isItem, type Problem } from '../problem/problem.js'
import type { Value } from '../question/value.js'
import { TECHNIQUES } from '../registry/techniques.js'
import type { Technique, Variant } from '../technique/contract.js'
import { type Trace, trace, variantOf } from '../technique/driver.js'
import { type Effort, effortOf } from '../technique/effort.js'
import { rootEstimate } from '../technique/roots/estimate.js'
import { ADVICE } from '../words/report.js'
import { writtenEffort } from '../written/work.js'

export interface Way {
  readonly technique: Technique
  readonly variant: Variant
  readonly work: Trace
  /** In the head, where the answer is held as it grows. */
  readonly effort: Effort
  /** With the answer written as it comes. */
  readonly paper: Effort
}

/** The ways that fit a problem beside each other. */
export interface Comparison {
  /** The problem that was looked at. */
  readonly problem: Problem
  /** Reckoned plainly; quotients and roots that do not end are cut off. */
  readonly answer: Value
  /** Least effort in the head first; of equal ones the narrower technique, then the one that holds fewer digits. */
  readonly ways: readonly Way[]
  /** Techniques that do not fit it, each with why not. */
  readonly misfits: readonly { readonly technique: Technique; readonly because: string }[]
  /** The conventional written working. */
  readonly written: Effort
  /** Which way needs the least effort in the head and on paper, and why. */
  readonly advice: string
}

/** What the ways are likely to take one learner, by their own times. */
export interface Quickest {
  /** Of the ways the learner has worked the quickest. */
  readonly way: Way
  readonly ms: number
  /** Another of them takes about as long, so that neither is called quicker. */
  readonly close: boolean
  /** What each way is likely to take, in the order of `ways`, in milliseconds; and whether it was ever worked without steps. */
  readonly each: readonly { readonly ms: number; readonly worked: boolean }[]
  readonly advice: string
}

/** Times nearer than this are too close to call: what is foreseen of a way misses by about as much (found with examinees). */
export const CLOSE = 1.1
/** A way not yet learnt is worth learning from this share of the time of the quickest one known. */
const WORTH = 0.8

/** What a working is likely to take a learner, in milliseconds; undefined while too little is known of them. */
export function foreseenMs(times: Times, technique: Technique, work: Trace): number | undefined {
  return times.seen < ENOUGH_STEPS ? undefined : predictMs(times, technique.id, work)
}

/** @returns undefined while too little is known of the learner, or where no way that fits was ever worked. */
export function quickestFor({ ways }: Comparison, times: Times): Quickest | undefined {
  if (times.seen < ENOUGH_STEPS) return undefined
  const each = ways.map((way) => {
    const { technique, work } = way
    const worked = times.alone[technique.id] !== undefined && technique !== rootEstimate
    return { way, ms: predictMs(times, technique.id, work), worked, name: technique.name }
  })
  const order = each.toSorted((a, b) => a.ms - b.ms)
  const [first, next] = order.filter((w) => w.worked)
  if (!first) return undefined
  const close = next !== undefined && next.ms < CLOSE * first.ms
  const worth = order.find((w) => !w.worked && w.way.technique !== rootEstimate && w.ms < WORTH * first.ms)
  const said = close ? ADVICE.close(times.seen, first, next) : ADVICE.quickest(times.seen, first, next)
  const advice = worth ? `${said} ${ADVICE.worth(worth)}` : said
  return { way: first.way, ms: first.ms, close, each: each.map(({ ms, worked }) => ({ ms, worked })), advice }
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
      // What works items only, or no items, was never in question.
      if ((technique.family === 'paper') === isItem(problem))
        misfits.push({ technique, because: fit.because })
      continue
    }
    const variant = variantOf(technique, variants[technique.id])
    const work = trace(technique, problem, variant)
    ways.push({ technique, variant, work, effort: effortOf(work), paper: effortOf(work, 'paper') })
  }
  ways.sort(
    (a, b) =>
      a.effort.total - b.effort.total || narrowness(b) - narrowness(a) || a.effort.held - b.effort.held,
  )
  const written = writtenEffort(problem)
  return {
    problem,
    answer: answerOf(problem),
    ways,
    misfits,
    written,
    advice: adviceOn(ways, isItem(problem) ? undefined : written.total),
  }
}

/** How much has to hold for a technique to fit at all: a trick is made for just such numbers. */
function narrowness({ technique }: Way): number {
  return technique.conditions?.length ?? 0
}

/** @param written what the usual written way takes; undefined where there is none */
function adviceOn(ways: readonly Way[], written: number | undefined): string {
  const [best] = ways
  if (!best) return ADVICE.none
  const equal = ways.filter((w) => w.effort.total === best.effort.total)
  const next = ways[equal.length]
  const named = ({ technique, effort }: Way) => ({ name: technique.name, ...effort })
  const paper = ways.reduce((least, way) => (way.paper.total < least.paper.total ? way : least))
  return ADVICE.leastWork(
    named(best),
    equal.slice(1).map((w) => w.technique.name),
    next && named(next),
    { name: paper.technique.name, total: paper.paper.total },
    written,
  )
}
