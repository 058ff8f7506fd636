/** Streams of answers at one level, as somebody of a known accuracy and pace would give them. */
import { normal, type Random } from '../number/random.js'

export interface Answering {
  /** The chance that an answer is right. */
  readonly right: number
  /** The median time as a share of the target. */
  readonly pace: number
  /** Standard deviation of the logarithm of single times. */
  readonly scatter: number
  /** Is a problem skipped that would have gone wrong, and by what chance? */
  readonly skips?: number
}

export interface GivenAnswer {
  readonly right: boolean
  readonly skipped: boolean
  readonly totalMs: number
}

/** One answer after another, without end. @param targetMs what the pace is a share of */
export function* answers(
  { right, pace, scatter, skips = 0 }: Answering,
  targetMs: number,
  random: Random,
): Generator<GivenAnswer, never> {
  for (;;) {
    const good = random.unit() < right
    const skipped = !good && random.unit() < skips
    yield {
      right: good,
      skipped,
      totalMs: Math.round(targetMs * pace * Math.exp(scatter * normal(random))),
    }
  }
}
