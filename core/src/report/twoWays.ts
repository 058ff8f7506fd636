/** The same problems worked in two ways, and what the times say of them. */

import { practiceName } from '../drill/drills.js'
import { present } from '../number/present.js'
import { median } from '../number/statistics.js'
import type { ListedProblem } from '../set/recipe.js'
import { TWO_WAYS } from '../words/report.js'
import { CLOSE } from './compare.js'

/**
 * Every problem by both ways, half of them first by the one and half first by the other, the second time as long after as
 * can be: what is remembered of a problem helps both alike.
 */
export function inTwoWays(problems: readonly string[], [a, b]: readonly [string, string]): ListedProblem[] {
  const by = (way: string, expression: string) => ({ technique: way, level: 0, expression })
  return [
    ...problems.map((p, i) => by(i % 2 === 0 ? a : b, p)),
    ...problems.map((p, i) => by(i % 2 === 0 ? b : a, p)),
  ]
}

/** The two ways of a list in which every problem is worked by both; undefined for any other list. */
export function twoWaysOf(
  problems: readonly (ListedProblem | null)[],
): readonly [string, string] | undefined {
  const ways = [...new Set(problems.map((p) => p?.technique))]
  const [a, b] = ways
  if (ways.length !== 2 || !a || !b) return undefined
  const of = (way: string) =>
    problems
      .filter((p) => p?.technique === way)
      .map((p) => p!.expression)
      .sort()
      .join()
  return of(a) === of(b) ? [a, b] : undefined
}

interface Answer {
  readonly technique: string
  readonly right: boolean
  readonly timed: boolean
  readonly totalMs: number
}

export interface WayTimes {
  readonly technique: string
  readonly of: number
  readonly right: number
  /** The median of the right answers, in milliseconds; undefined where none was right. */
  readonly ms: number | undefined
}

/** Right answers by each way from which on their times are compared (common practice, no published source). */
const ENOUGH_RIGHT = 3

/** What came of both ways, and which suits better, in a sentence. */
export function twoWaysVerdict(
  [a, b]: readonly [string, string],
  answers: readonly Answer[],
): { readonly ways: readonly [WayTimes, WayTimes]; readonly says: string } {
  const of = (technique: string): WayTimes => {
    const its = answers.filter((x) => x.technique === technique)
    const right = its.filter((x) => x.right)
    const times = right.filter((x) => x.timed).map((x) => x.totalMs)
    return { technique, of: its.length, right: right.length, ms: median(times) }
  }
  const ways = [of(a), of(b)] as const
  const [first, second] = ways.toSorted(
    (x, y) => (x.ms ?? Number.POSITIVE_INFINITY) - (y.ms ?? Number.POSITIVE_INFINITY),
  )
  const named = (way: WayTimes) => ({
    name: practiceName(way.technique),
    ms: present(way.ms),
    right: way.right,
    of: way.of,
  })
  const says = ways.some((w) => w.right < ENOUGH_RIGHT || w.ms === undefined)
    ? TWO_WAYS.few(ENOUGH_RIGHT)
    : present(second!.ms) < CLOSE * present(first!.ms)
      ? TWO_WAYS.close(named(first!), named(second!))
      : TWO_WAYS.quicker(named(first!), named(second!))
  return { ways, says }
}
