/** What a run of attempts says about pace and accuracy. Medians, not means: one interruption must not spoil it. */

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

/** The median; the mean of the middle two for an even count, rounded to a whole number. Undefined for none. */
export function median(values: readonly number[]): number | undefined {
  if (values.length === 0) return undefined
  const sorted = [...values].sort((a, b) => a - b)
  const middle = sorted.length >> 1
  return sorted.length % 2 ? sorted[middle]! : Math.round((sorted[middle - 1]! + sorted[middle]!) / 2)
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
