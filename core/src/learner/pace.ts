/** What a run of attempts says about pace and accuracy. Medians, not means: one interruption must not spoil it. */
import { median } from '../number/statistics.js'

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
}

/** Problems worked per minute of working; undefined when nothing was timed. */
export function perMinute({ timed, timedMs }: Pick<Pace, 'timed' | 'timedMs'>): number | undefined {
  return timedMs > 0 ? (timed * 60_000) / timedMs : undefined
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
