/**
 * When a target will be met: a practice curve fitted to the pace of each day of practice.
 *
 * Two curves are tried, the power law of practice (Newell and Rosenbloom 1981) and the exponential that single
 * learners often follow better (Heathcote, Brown and Mewhort 2000, Psychonomic Bulletin & Review 7). Both are straight
 * lines once logarithms are taken, and are fitted by the median of slopes (Theil 1950; Sen 1968), which a bad day does
 * not move. The interval comes from fitting resampled residuals (Efron 1979), with either curve's share as it fits.
 */

import { present } from '../number/present.js'
import type { Random } from '../number/random.js'
import { middleOf } from '../number/statistics.js'
import { OUTLOOK } from '../words/plan.js'

export interface PracticeCurve {
  readonly law: 'power' | 'exponential'
  /** Pace on the first day, in milliseconds. */
  readonly firstMs: number
  /** Exponent of the power law, or the rate a day of the exponential; above 0 when the learner gets faster. */
  readonly rate: number
  /** Sum of the absolute misses, in log units: the smaller the better the fit. */
  readonly miss: number
}

/** Where practice leads, with how sure that is. */
export interface Forecast {
  /** The practice curve that fits the days so far. */
  readonly curve: PracticeCurve
  /** Days of practice from now until the target, from the interval's low to its high end. */
  readonly days: { readonly low: number; readonly middle: number; readonly high: number }
  /** The share of cases the interval is meant to hold. */
  readonly coverage: number
  /** The pace between which the curve is thought to run, day by day from the first on, in milliseconds. */
  readonly band: readonly { readonly low: number; readonly high: number }[]
}

/** How many days it takes to a target, at best, likely and at worst. */
export type Outlook = { readonly forecast: Forecast } | { readonly silent: string }

/** Fewer days of practice than this say too little (default, no published source). */
export const LEAST_DAYS = 8
/** Nothing is said of what lies further ahead than this many days of practice. */
const FURTHEST_DAYS = 200
/** The share of cases in which a forecast's band is to hold, of 1. */
export const COVERAGE = 0.8
/** Cut off at either end of the resampled days; a little less than half of the rest, since the law itself is not sure either. */
const TAIL = 0.085
const RESAMPLES = 400
/** The band is drawn at most so many days of practice ahead. */
const BAND_AHEAD = 30
/** Two curves fit equally well within this ratio of their misses; either may then be right. */
const ALIKE = 0.05

type Law = PracticeCurve['law']
const along = (law: Law, day: number) => (law === 'power' ? Math.log(day) : day - 1)

/** The pace on a day of practice counted from 1, in milliseconds. */
export function paceOn({ law, firstMs, rate }: PracticeCurve, day: number): number {
  return firstMs * Math.exp(-rate * along(law, day))
}

/** @param paces the pace of each day of practice, in milliseconds, all above 0. */
export function fitCurve(law: Law, paces: readonly number[]): PracticeCurve {
  const x = paces.map((_, i) => along(law, i + 1))
  const y = paces.map(Math.log)
  const slopes: number[] = []
  for (let i = 0; i < x.length; i += 1)
    for (let j = i + 1; j < x.length; j += 1)
      slopes.push((present(y[j]) - present(y[i])) / (present(x[j]) - present(x[i])))
  const slope = middleOf(slopes)
  const start = middleOf(y.map((v, i) => v - slope * present(x[i])))
  const miss = y.reduce((sum, v, i) => sum + Math.abs(v - start - slope * present(x[i])), 0)
  return { law, firstMs: Math.exp(start), rate: -slope, miss }
}

/** The curve of the two that misses less. */
export function bestCurve(paces: readonly number[]): PracticeCurve {
  const [power, exponential] = [fitCurve('power', paces), fitCurve('exponential', paces)]
  return power.miss <= exponential.miss ? power : exponential
}

/** The day of practice on which the curve meets a target; Infinity when it never does. */
export function dayOf(curve: PracticeCurve, targetMs: number): number {
  const way = Math.log(curve.firstMs / targetMs) / curve.rate
  if (curve.rate <= 0) return targetMs >= curve.firstMs ? 1 : Number.POSITIVE_INFINITY
  return Math.max(1, curve.law === 'power' ? Math.exp(way) : way + 1)
}

/**
 * @param paces median pace of each day of practice at one level, in order, in milliseconds
 * @param progress told the share done, from 0 to 1; returning false gives up
 * @returns the forecast, or why nothing can be said
 */
export function forecast(
  paces: readonly number[],
  targetMs: number,
  random: Random,
  progress: (share: number) => boolean = () => true,
): Outlook {
  const n = paces.length
  if (n < LEAST_DAYS) return { silent: OUTLOOK.few(n, LEAST_DAYS) }
  const curve = bestCurve(paces)
  const curves: PracticeCurve[] = []
  const fits = (['power', 'exponential'] as const).map((law) => fitCurve(law, paces))
  if (paceOn(curve, n) <= targetMs) return { silent: OUTLOOK.met }
  for (let i = 0; i < RESAMPLES; i += 1) {
    if (i % 20 === 0 && !progress(i / RESAMPLES)) return { silent: OUTLOOK.stopped }
    const base = pickLaw(fits, n, random)
    const misses = paces.map((ms, d) => Math.log(ms / paceOn(base, d + 1)))
    const centre = middleOf(misses)
    // Residuals of a fitted line are smaller than the true ones by about this much.
    const wider = Math.sqrt(n / (n - 2))
    const resampled = paces.map((_, d) => {
      const miss = present(misses[Math.floor(random.unit() * n)]) - centre
      return paceOn(base, d + 1) * Math.exp(wider * miss)
    })
    curves.push(fitCurve(base.law, resampled))
  }
  const days = ordered(curves.map((c) => dayOf(c, targetMs)))
  const at = (share: number) => present(days[Math.floor(share * RESAMPLES)])
  const ahead = (day: number) => Math.max(1, Math.ceil(day) - n)
  if (at(1 - TAIL) - n > FURTHEST_DAYS) return { silent: OUTLOOK.unsteady }
  const [low, mid, high] = [at(TAIL), at(0.5), at(1 - TAIL)].map(ahead) as [number, number, number]
  const band = Array.from({ length: n + Math.min(high, BAND_AHEAD) }, (_, d) => {
    const paces = ordered(curves.map((c) => paceOn(c, d + 1)))
    const edge = Math.floor(TAIL * RESAMPLES)
    return { low: present(paces[edge]), high: present(paces[RESAMPLES - 1 - edge]) }
  })
  return { forecast: { curve, days: { low, middle: mid, high }, coverage: COVERAGE, band } }
}

const ordered = (values: number[]) => values.sort((a, b) => a - b)

/** A law by how well it fits: as likely as its likelihood under Laplace's misses says, beside the other's. */
function pickLaw(fits: readonly PracticeCurve[], n: number, random: Random): PracticeCurve {
  const [power, exponential] = fits as [PracticeCurve, PracticeCurve]
  const least = Math.max(1e-9, Math.min(power.miss, exponential.miss))
  if (Math.abs(power.miss - exponential.miss) < ALIKE * least)
    return random.unit() < 0.5 ? power : exponential
  // Laplace likelihood at its best scale goes as miss to the power -n.
  const odds = (exponential.miss / Math.max(1e-9, power.miss)) ** n
  return random.unit() < odds / (1 + odds) ? power : exponential
}
