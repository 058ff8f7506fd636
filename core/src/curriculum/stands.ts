/** Where a learner stands with each technique, from the results of the newest sittings and the moves of level. */

import { median } from '../number/statistics.js'
import { type Support, WORKED_SUPPORTS, type WorkedSupport } from '../session/support.js'
import type { LevelMove } from './levels.js'
import type { Result } from './readiness.js'

/** Where a learner is with one technique. */
export interface Stand {
  readonly technique: string
  /** The rung in force. */
  readonly level: number
  /** The least support of the latest sitting; null when it was never worked. */
  readonly support: Support | null
  /** ISO 8601. */
  readonly lastAt: string
  /** Of the latest problems under that support at that level: how many, how many right, and their median. */
  readonly latest: { readonly problems: number; readonly right: number; readonly medianMs: number | null }
}

/** Problems looked back on. */
const LATEST = 20

/**
 * @param results one a sitting and support, oldest first
 * @param moves the latest move of each technique
 * @returns techniques ever worked, on the ladder or with own dials; the level in force is that of the latest move, else of the latest sitting
 */
export function standsOf(
  results: readonly Result[],
  moves: readonly Pick<LevelMove, 'technique' | 'to'>[],
): Stand[] {
  return [...new Set(results.map((r) => r.technique))].map((technique) => {
    const its = results.filter((r) => r.technique === technique).reverse()
    const level = moves.find((m) => m.technique === technique)?.to ?? its.find((r) => r.level > 0)?.level ?? 1
    const lastAt = its[0]!.at
    const lastSitting = its.filter((r) => r.at === lastAt).map((r) => r.support)
    const support = WORKED_SUPPORTS.findLast((s) => lastSitting.includes(s)) ?? null
    return { technique, level, support, lastAt, latest: latestOf(its, level, support) }
  })
}

function latestOf(
  newestFirst: readonly Result[],
  level: number,
  support: WorkedSupport | null,
): Stand['latest'] {
  let [problems, right] = [0, 0]
  const medians: number[] = []
  for (const r of newestFirst) {
    if (problems >= LATEST) break
    if (r.level !== level || r.support !== support) continue
    problems += r.attempts
    right += r.right
    if (r.medianMs !== null) medians.push(r.medianMs)
  }
  return { problems, right, medianMs: median(medians) ?? null }
}
