/** When to move up a rung, hold, or go back: by stated numbers (common practice, no published source). */
import { median } from './pace.js'

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
  const words = (ms: number) => `${(ms / 1000).toFixed(1)} s`
  if (latest.length >= rules.backOf && rights(rules.backOf) < rules.backBelow)
    return {
      move: 'back',
      because: `Of the last ${rules.backOf} answers ${rights(rules.backOf)} were right, fewer than ${rules.backBelow}: a level back makes them sure again.`,
    }
  if (latest.length < rules.upOf)
    return {
      move: 'hold',
      because: `${latest.length} of ${rules.upOf} answers at this level: ${rules.upRight} right and a median within ${words(targetMs)} move up.`,
    }
  const right = rights(rules.upOf)
  const inTime = pace !== undefined && pace <= targetMs
  const found = `Of the last ${rules.upOf} answers ${right} were right, the median ${pace === undefined ? 'not timed' : words(pace)}`
  if (right >= rules.upRight && inTime)
    return { move: 'up', because: `${found}: both within the target of ${words(targetMs)}.` }
  const lacking = [
    ...(right < rules.upRight ? [`${rules.upRight} right`] : []),
    ...(inTime ? [] : [`a median within ${words(targetMs)}`]),
  ]
  return { move: 'hold', because: `${found}; to move up: ${lacking.join(' and ')}.` }
}
