/** When to move up a level, stay, or go back: by stated numbers (common practice, no published source). */
import { median } from '../number/statistics.js'
import { targetOf, techniqueById } from '../registry/techniques.js'
import type { LevelReason } from '../words/levels.js'

export interface LevelRules {
  /** Of so many latest answers, so many right and the median within the target: move up. */
  readonly upOf: number
  readonly upRight: number
  /** Of so many latest answers, fewer than so many right: go back. */
  readonly backOf: number
  readonly backBelow: number
}

export const LEVEL_RULES: LevelRules = { upOf: 20, upRight: 19, backOf: 10, backBelow: 7 }

/** A learner's own targets in milliseconds, by technique and level. */
export type Targets = Readonly<Record<string, Readonly<Record<string, number>>>>

/** What the time to aim for follows from. */
export interface Aims {
  readonly targets: Targets
  /** How many times the default targets a learner is given; once unless it is set, null for none at all. */
  readonly extraTime?: number | null
}

/**
 * The time a learner aims for at a level: their own where set, else the default with their extra time; undefined for own
 * parameters, and for whoever practises without a limit.
 */
export function aimOf(
  { targets, extraTime = 1 }: Aims,
  technique: string,
  level: number,
): number | undefined {
  if (extraTime === null) return undefined
  const usual = targetOf(techniqueById(technique), level)
  return targets[technique]?.[level] ?? (usual === undefined ? undefined : usual * extraTime)
}

/** What a learner without a time limit is supposed to take, as a share of the usual target (common practice). */
const UNHURRIED = 3

/** What a problem not yet known takes at first: about twice what is aimed for, in milliseconds. */
export function firstMs(aims: Aims, technique: string, level: number): number {
  const aim = aimOf(aims, technique, level) ?? UNHURRIED * (targetOf(techniqueById(technique), level) ?? 0)
  return 2 * aim
}

/** One problem worked to its end, as far as the rules look at it. */
export interface LatestAnswer {
  readonly right: boolean
  readonly timed: boolean
  readonly totalMs: number
}

/** What some latest answers come to. */
export interface Reading {
  readonly answers: number
  readonly right: number
  /** Of those that were timed; null when none was. */
  readonly medianMs: number | null
}

/** The most answers that any rule looks back on. */
export function lookedBackOn({ upOf, backOf }: LevelRules): number {
  return Math.max(upOf, backOf)
}

/** The one reading of the latest answers. @param latest newest first. */
export function readingOf(latest: readonly LatestAnswer[], most: number): Reading {
  const looked = latest.slice(0, most)
  return {
    answers: looked.length,
    right: looked.filter((a) => a.right).length,
    medianMs: median(looked.filter((a) => a.timed).map((a) => a.totalMs)) ?? null,
  }
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
  readonly reason: LevelReason
}

export interface LevelAdvice {
  readonly move: 'up' | 'hold' | 'back'
  readonly reason: LevelReason
}

/**
 * The one rule of promotion.
 * @param latest the answers given at one level without any step asked, newest first.
 * @param targetMs undefined where nothing is aimed for: then only right answers count
 */
export function adviseLevel(
  latest: readonly LatestAnswer[],
  targetMs: number | undefined,
  rules: LevelRules = LEVEL_RULES,
): LevelAdvice {
  const { upOf: of, upRight, backOf, backBelow: least } = rules
  const back = readingOf(latest, backOf)
  if (back.answers >= backOf && back.right < least)
    return { move: 'back', reason: { id: 'back', of: backOf, right: back.right, least } }
  const { answers, right, medianMs } = readingOf(latest, of)
  if (answers < of)
    return { move: 'hold', reason: { id: 'early', of, given: answers, least: upRight, targetMs } }
  if (targetMs === undefined)
    return right >= upRight
      ? { move: 'up', reason: { id: 'up', of, right } }
      : { move: 'hold', reason: { id: 'hold', of, right, lackRight: upRight, lackMs: null } }
  const inTime = medianMs !== null && medianMs <= targetMs
  if (right >= upRight && inTime) return { move: 'up', reason: { id: 'up', of, right, medianMs, targetMs } }
  const lackRight = right < upRight ? upRight : null
  return {
    move: 'hold',
    reason: { id: 'hold', of, right, medianMs, lackRight, lackMs: inTime ? null : targetMs },
  }
}
