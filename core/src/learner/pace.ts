/** What a run of attempts says about pace and accuracy. Medians, not means: one interruption must not spoil it. */
import { median } from '../number/statistics.js'
import type { WorkedSupport } from '../session/support.js'

/** The least an attempt must tell to be counted. */
export interface Counted {
  readonly right: boolean
  readonly clean: boolean
  readonly timed: boolean
  readonly done: boolean
  readonly totalMs: number
}

export interface Pace {
  readonly attempts: number
  readonly right: number
  readonly clean: number
  /** Over attempts worked to the end and timed; undefined when there are none. */
  readonly medianMs: number | undefined
  readonly bestMs: number | undefined
  /** Attempts worked to the end and timed, and the time they took together. */
  readonly timed: number
  readonly timedMs: number
  /** How many of those were right. */
  readonly timedRight: number
}

/**
 * Right answers per minute of working, the usual measure of fluency (common practice, no published source); undefined
 * when nothing was timed.
 */
export function rightPerMinute({
  timedRight,
  timedMs,
}: Pick<Pace, 'timedRight' | 'timedMs'>): number | undefined {
  return timedMs > 0 ? (timedRight * 60_000) / timedMs : undefined
}

/** The best of one's own at a level of a technique under one support. */
export interface Best {
  /** The id of the technique, or of the drill. */
  readonly technique: string
  /** The level, from 1; 0 for parameters of one's own. */
  readonly level: number
  /** How much help was given. */
  readonly support: WorkedSupport
  /** The fastest right answer, in milliseconds. */
  readonly bestMs: number | null
  /** The most right answers a minute in a session that is long enough to tell. */
  readonly perMinute: number | null
}

/** From so many timed problems on a session tells a pace (common practice, no published source). */
export const TELLING = 5

/** What a session has that none before it had. */
export type NewBest =
  | { readonly kind: 'per-minute'; readonly now: number; readonly before: number }
  | { readonly kind: 'answer'; readonly now: number; readonly before: number }

/**
 * The one thing in which a session went beyond all before it, the pace of the whole before a single answer; undefined
 * where nothing did, or where there was nothing before.
 */
export function newBestOf(pace: Pace, before: Best | undefined): NewBest | undefined {
  const perMinute = rightPerMinute(pace)
  if (before?.perMinute && perMinute && pace.timed >= TELLING && perMinute > before.perMinute)
    return { kind: 'per-minute', now: perMinute, before: before.perMinute }
  if (before?.bestMs && pace.bestMs !== undefined && pace.bestMs < before.bestMs)
    return { kind: 'answer', now: pace.bestMs, before: before.bestMs }
  return undefined
}

/** The best is the fastest attempt that was right. */
export function paceOf(attempts: readonly Counted[]): Pace {
  const timed = attempts.filter((a) => a.done && a.timed)
  const rights = timed.filter((a) => a.right).map((a) => a.totalMs)
  return {
    attempts: attempts.length,
    right: attempts.filter((a) => a.right).length,
    clean: attempts.filter((a) => a.clean).length,
    medianMs: median(timed.map((a) => a.totalMs)),
    bestMs: rights.length ? Math.min(...rights) : undefined,
    timed: timed.length,
    timedMs: timed.reduce((sum, a) => sum + a.totalMs, 0),
    timedRight: rights.length,
  }
}

/**
 * The share right with its 95 % interval (Wilson 1927, J. American Statistical Association 22): fair for small counts
 * and near 0 and 1, where the usual one fails.
 */
export function shareRight(right: number, of: number): { share: number; low: number; high: number } {
  if (of === 0) return { share: 0, low: 0, high: 1 }
  const [p, z2] = [right / of, 1.959964 ** 2]
  const centre = (p + z2 / (2 * of)) / (1 + z2 / of)
  const half = (Math.sqrt(z2) / (1 + z2 / of)) * Math.sqrt((p * (1 - p)) / of + z2 / (4 * of * of))
  return { share: p, low: Math.max(0, centre - half), high: Math.min(1, centre + half) }
}
