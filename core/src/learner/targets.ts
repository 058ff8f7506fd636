/** A target of the learner's own, suggested from their own times. */
import { OWN_SHARE, roundedMs } from '../curriculum/levels.js'
import { seeded } from '../number/random.js'
import { median } from '../number/statistics.js'
import { draw } from '../problem/space.js'
import { levelOf } from '../registry/techniques.js'
import type { Technique, Variant } from '../technique/contract.js'
import { trace } from '../technique/driver.js'
import { ENOUGH_STEPS, predictMs, type Times } from './times.js'

/** Problems whose times are foreseen. */
const SAMPLES = 15
const LEAST_MS = 500

/**
 * A target within reach: nine tenths of the time a problem of the level is likely to take.
 * @returns undefined while too little is known of the learner.
 */
export function suggestTarget(
  times: Times,
  technique: Technique,
  level: number,
  variant: Variant,
): { readonly ms: number; readonly likelyMs: number } | undefined {
  if (times.seen < ENOUGH_STEPS) return undefined
  const source = draw(levelOf(technique, level).problems(), seeded(level))
  const likely: number[] = []
  for (let i = 0; i < SAMPLES; i += 1) {
    const { value, done } = source.next()
    if (done || !value) break
    likely.push(predictMs(times, technique.id, trace(technique, value, variant)))
  }
  const likelyMs = median(likely)
  if (!likelyMs) return undefined
  return { likelyMs, ms: Math.max(LEAST_MS, roundedMs(OWN_SHARE * likelyMs)) }
}
