/**
 * When to move up a level, stay, or go back: a sequential test (Wald 1947, Sequential Analysis) on accuracy and on pace, answer
 * by answer. Each answer adds to the evidence as much as it is likelier of somebody at target than of somebody who is not yet;
 * enough evidence of both moves up. What was long ago is outweighed, since evidence against never goes beyond what would be
 * enough.
 */
import { present } from '../number/present.js'
import { median } from '../number/statistics.js'
import { targetOf, techniqueById } from '../registry/techniques.js'
import type { LevelReason } from '../words/levels.js'

/** When a level is left, up or back. */
export interface LevelRules {
  /** So many to one it must be that the learner is at target, before a level is moved up. */
  readonly odds: number
  /** The share right of somebody at target, and of somebody who is not yet; below the last it is too hard. */
  readonly good: number
  /** The share of right answers, of 1, below which a level is too hard. */
  readonly poor: number
  /** How sure of that one has to be, of 1, before a level back is advised. */
  readonly hard: number
}

/** The rules in force where nothing else is set. */
export const LEVEL_RULES: LevelRules = { odds: 13, good: 0.99, poor: 0.85, hard: 0.6 }

/** What odds come to the same number of right answers in a row as a rule of up to version 8 asked for. */
export function rulesOfOlder({
  upOf,
  upRight,
}: {
  readonly upOf: number
  readonly upRight: number
}): LevelRules {
  if (upOf === 20 && upRight === 19) return LEVEL_RULES
  const { good, poor } = LEVEL_RULES
  const odds = Math.round(Math.exp(upOf * Math.log(good / poor)))
  return { ...LEVEL_RULES, odds: Math.max(2, Math.min(100, odds)) }
}

/** Going back is to be surer by so many times than going up (found by simulation). */
const BACK_ODDS = 5
/** The pace of somebody at target and of somebody too slow, as a share of the target. */
const AT_PACE = 0.9
const TOO_SLOW = 1.1
/** What single times of a learner scatter by until they are known (standard deviation of the logarithm), weighing so many answers. */
const SCATTER = 0.35
const SCATTER_WEIGHT = 5
/** The most that one time says, and the most by which evidence may stand above what is enough (found by simulation). */
const MOST_OF_ONE = 1
const MOST_ABOVE = 2
/** The test looks no further back. */
export const LOOKED_BACK = 40

/** A learner's own targets in milliseconds, by technique and level. */
export type Targets = Readonly<Record<string, Readonly<Record<string, number>>>>

/** What the time to aim for follows from. */
export interface Aims {
  readonly targets: Targets
  /** How many times the default targets a learner is given; once unless it is set, null for none at all. */
  readonly extraTime?: number | null
  /** Do targets follow one's own pace? They do unless it is set otherwise. */
  readonly ownPace?: boolean
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

/** A target asks for a little more than comes of itself; after so many answers without that, for what does (common practice). */
export const OWN_SHARE = 0.9
const STEADY_SHARE = 1.1
const STEADY_AFTER = 30
/** So many answers make a pace, and so few say nothing yet. */
const PACE_OF = 10
const TOO_FEW = 5

/**
 * The time to aim for, from one's own answers at the level: somebody slower than the usual target works to nine tenths of
 * the pace they began with, which tightens as that falls, and after thirty answers to the pace they keep. Nobody is measured
 * by somebody else's second, and the usual target stays where practice leads.
 * @param latest the answers at that level without any step asked, newest first
 * @returns as `aimOf`; targets set by hand are taken as they are
 */
export function aimFor(
  aims: Aims,
  technique: string,
  level: number,
  latest: readonly LatestAnswer[],
): number | undefined {
  const usual = aimOf(aims, technique, level)
  const byHand = aims.targets[technique]?.[level] !== undefined
  if (usual === undefined || byHand || aims.ownPace === false) return usual
  const times = latest
    .slice(0, LOOKED_BACK)
    .filter((a) => a.right && a.timed)
    .map((a) => a.totalMs)
  const began = times.slice(-PACE_OF)
  if (began.length < TOO_FEW) return usual
  const own = OWN_SHARE * present(median(began))
  const steady = times.length < STEADY_AFTER ? 0 : STEADY_SHARE * present(median(times.slice(0, 2 * PACE_OF)))
  return Math.max(usual, roundedMs(Math.max(own, steady)))
}

/** A target in milliseconds to the tenth of a second: nobody aims finer. */
export const roundedMs = (ms: number) => 100 * Math.round(ms / 100)

/** What a learner without a time limit is supposed to take, as a share of the usual target (common practice). */
const UNHURRIED = 3

/** What a problem not yet known takes at first: about twice what is aimed for, in milliseconds. */
export function firstMs(aims: Aims, technique: string, level: number): number {
  const aim = aimOf(aims, technique, level) ?? UNHURRIED * (targetOf(techniqueById(technique), level) ?? 0)
  return 2 * aim
}

/** One problem worked to its end, as far as the rules look at it. */
export interface LatestAnswer {
  /** Right at the first try, without help. */
  readonly right: boolean
  /** Does its time count? Not what was stopped, nor what was worked on paper. */
  readonly timed: boolean
  /** From the showing to the answer, in milliseconds, without pauses. */
  readonly totalMs: number
}

/** What some latest answers come to. */
export interface Reading {
  readonly answers: number
  readonly right: number
  /** Of those that were timed; null when none was. */
  readonly medianMs: number | null
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
  /** The id of the technique, or of the drill. */
  readonly technique: string
  /** The level before. */
  readonly from: number
  /** The level after. */
  readonly to: number
  /** ISO 8601, UTC. */
  readonly at: string
  /** By the rules, or by hand. */
  readonly by: 'rule' | 'hand'
  /** Why, with the numbers it rests on. */
  readonly reason: LevelReason
}

export interface LevelAdvice {
  readonly move: 'up' | 'hold' | 'back'
  readonly reason: LevelReason
}

/** What some answers say, as logarithms of odds: enough is where a bound is reached. */
export interface Evidence {
  /** That the learner is right often enough. */
  readonly right: number
  /** That the pace is within the target; undefined where there is no time to keep. */
  readonly pace: number | undefined
  /** That the level is too hard. */
  readonly hard: number
}

const within = (least: number, most: number, x: number) => Math.max(least, Math.min(most, x))

/** @param latest newest first, without a limit on the pace where `targetMs` is undefined */
export function evidenceOf(
  latest: readonly LatestAnswer[],
  targetMs: number | undefined,
  { odds, good, poor, hard }: LevelRules,
): Evidence {
  const enough = Math.log(odds)
  const climb = (from: number, by: number) => within(-enough, enough + MOST_ABOVE, from + by)
  const answers = latest.slice(0, LOOKED_BACK).toReversed()
  const says = (right: boolean, a: number, b: number) => Math.log(right ? a / b : (1 - a) / (1 - b))
  return {
    right: answers.reduce((sum, a) => climb(sum, says(a.right, good, poor)), 0),
    hard: answers.reduce((sum, a) => Math.max(0, sum + says(a.right, hard, poor)), 0),
    pace:
      targetMs === undefined ? undefined : paceSays(answers, targetMs).reduce((sum, by) => climb(sum, by), 0),
  }
}

/** What each right answer in time says of the pace: times scatter log-normally about their median. */
function paceSays(answers: readonly LatestAnswer[], targetMs: number): number[] {
  const logs = answers.filter((a) => a.right && a.timed).map((a) => Math.log(a.totalMs / targetMs))
  const centre = median(logs) ?? 0
  const spread = logs.reduce((sum, x) => sum + (x - centre) ** 2, 0)
  const variance = (SCATTER_WEIGHT * SCATTER ** 2 + spread) / (SCATTER_WEIGHT + logs.length)
  const [fast, slow] = [Math.log(AT_PACE), Math.log(TOO_SLOW)]
  return logs.map((x) =>
    within(-MOST_OF_ONE, MOST_OF_ONE, ((fast - slow) / variance) * (x - (fast + slow) / 2)),
  )
}

/** The chance that evidence gives, both having been as likely before. */
const chanceOf = (evidence: number) => 1 / (1 + Math.exp(-evidence))

/**
 * The one rule of promotion.
 * @param latest the answers given at one level without any step asked, newest first; what was skipped or ran out of time is
 * not right
 * @param targetMs undefined where nothing is aimed for: then only right answers count
 */
export function adviseLevel(
  latest: readonly LatestAnswer[],
  targetMs: number | undefined,
  rules: LevelRules = LEVEL_RULES,
): LevelAdvice {
  const { answers: of, right, medianMs } = readingOf(latest, LOOKED_BACK)
  const evidence = evidenceOf(latest, targetMs, rules)
  const enough = Math.log(rules.odds)
  const time = targetMs === undefined ? {} : { medianMs, targetMs }
  if (evidence.hard >= Math.log(BACK_ODDS * rules.odds))
    return { move: 'back', reason: { id: 'too-hard', of, right, odds: BACK_ODDS * rules.odds } }
  const inTime = evidence.pace === undefined || evidence.pace >= enough
  if (evidence.right >= enough && inTime)
    return { move: 'up', reason: { id: 'sure', of, right, odds: rules.odds, ...time } }
  const more = Math.ceil((enough - evidence.right) / Math.log(rules.good / rules.poor))
  return {
    move: 'hold',
    reason: {
      id: 'unsure',
      of,
      right,
      ...time,
      rightChance: chanceOf(evidence.right),
      more: Math.max(0, more),
      ...(evidence.pace !== undefined && { paceChance: chanceOf(evidence.pace) }),
      inTime,
    },
  }
}
