/** When to move up a rung, hold, or go back: by stated numbers (common practice, no published source). */

import { median } from '../number/statistics.js'
import { LEVEL } from '../words/levels.js'

export interface LevelRules {
  /** Of so many latest answers, so many right and the median within the target: move up. */
  readonly upOf: number
  readonly upRight: number
  /** Of so many latest answers, fewer than so many right: go back. */
  readonly backOf: number
  readonly backBelow: number
}

export const LEVEL_RULES: LevelRules = { upOf: 20, upRight: 19, backOf: 10, backBelow: 7 }

/** One answer without steps, as far as the rules look at it. */
export interface LatestAnswer {
  readonly right: boolean
  readonly timed: boolean
  readonly totalMs: number
}

/** A change of the level in force for one technique. */
export interface LevelMove {
  readonly technique: string
  readonly from: number
  readonly to: number
  /** ISO 8601, UTC. */
  readonly at: string
  /** By the rules, or by hand. */
  readonly by: 'rule' | 'hand'
  /** The numbers or the wish behind it. */
  readonly because: string
}

export interface LevelAdvice {
  readonly move: 'up' | 'hold' | 'back'
  /** The numbers behind it, in a sentence. */
  readonly because: string
}

/** @param latest the answers given at one level, newest first. */
export function adviseLevel(
  latest: readonly LatestAnswer[],
  targetMs: number,
  rules = LEVEL_RULES,
): LevelAdvice {
  const rights = (count: number) => latest.slice(0, count).filter((a) => a.right).length
  const pace = median(
    latest
      .slice(0, rules.upOf)
      .filter((a) => a.timed)
      .map((a) => a.totalMs),
  )
  if (latest.length >= rules.backOf && rights(rules.backOf) < rules.backBelow)
    return {
      move: 'back',
      because: LEVEL.back(rules.backOf, rights(rules.backOf), rules.backBelow),
    }
  if (latest.length < rules.upOf)
    return {
      move: 'hold',
      because: LEVEL.early(latest.length, rules.upOf, rules.upRight, targetMs),
    }
  const right = rights(rules.upOf)
  const inTime = pace !== undefined && pace <= targetMs
  const found = LEVEL.found(rules.upOf, right, pace)
  if (right >= rules.upRight && inTime) return { move: 'up', because: LEVEL.up(found, targetMs) }
  const lacking = [
    ...(right < rules.upRight ? [LEVEL.lackingRight(rules.upRight)] : []),
    ...(inTime ? [] : [LEVEL.lackingPace(targetMs)]),
  ]
  return { move: 'hold', because: LEVEL.hold(found, lacking) }
}
