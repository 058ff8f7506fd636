import { expect, test } from 'vitest'
import { normal, seeded } from '../number/random.js'
import { middleOf } from '../number/statistics.js'
import { forecastWords } from '../words/plan.js'
import {
  bestCurve,
  COVERAGE,
  dayOf,
  fitCurve,
  forecast,
  LEAST_DAYS,
  type PracticeCurve,
  paceOn,
} from './forecast.js'

const random = seeded(11)
const LAWS = ['power', 'exponential'] as const
const curve = (law: PracticeCurve['law'], rate: number): PracticeCurve => ({
  law,
  rate,
  firstMs: 15_000,
  miss: 0,
})

/** Days of practice along a curve, scattered, with a very bad day now and then. */
function practised(truth: PracticeCurve, days: number, noise: number): number[] {
  return Array.from({ length: days }, (_, i) => {
    const bad = random.unit() < 0.05 ? 2 : 1
    return paceOn(truth, i + 1) * Math.exp(noise * normal(random)) * bad
  })
}

test.each(LAWS)('the %s curve gives back what it was made with, bad days or not', (law) => {
  const truth = curve(law, law === 'power' ? 0.35 : 0.04)
  expect(
    fitCurve(
      law,
      Array.from({ length: 20 }, (_, i) => paceOn(truth, i + 1)),
    ),
  ).toMatchObject({
    firstMs: expect.closeTo(15_000, 3),
    rate: expect.closeTo(truth.rate, 9),
    miss: expect.closeTo(0, 9),
  })
  const errors = Array.from(
    { length: 100 },
    () => fitCurve(law, practised(truth, 30, 0.12)).rate / truth.rate - 1,
  )
  // Measured: no bias to speak of, and half of all fits within a tenth.
  expect(Math.abs(middleOf(errors))).toBeLessThan(0.05)
  expect(middleOf(errors.map(Math.abs))).toBeLessThan(0.12)
  const right = Array.from({ length: 60 }, () => bestCurve(practised(truth, 40, 0.06)).law === law)
  expect(right.filter(Boolean).length).toBeGreaterThan(48)
})

test('the day a curve meets its target is where its pace is the target', () => {
  for (const law of LAWS) {
    const truth = curve(law, law === 'power' ? 0.3 : 0.03)
    expect(paceOn(truth, dayOf(truth, 6000))).toBeCloseTo(6000, 6)
    expect(dayOf({ ...truth, rate: -0.1 }, 6000)).toBe(Number.POSITIVE_INFINITY)
    expect(dayOf(truth, 20_000)).toBe(1)
  }
})

test('of 500 simulated learners the interval holds the true day as often as it says', () => {
  let [said, held] = [0, 0]
  for (let i = 0; i < 500; i += 1) {
    const law = LAWS[i % 2]!
    const rate = law === 'power' ? 0.2 + 0.3 * random.unit() : 0.02 + 0.05 * random.unit()
    const truth = curve(law, rate)
    const days = LEAST_DAYS + Math.floor(22 * random.unit())
    const reached = days + 3 + Math.floor(27 * random.unit())
    const noise = [0.05, 0.12, 0.2][i % 3]!
    const out = forecast(practised(truth, days, noise), paceOn(truth, reached), random)
    if ('silent' in out) continue
    said += 1
    const { low, high } = out.forecast.days
    if (reached - days >= low && reached - days <= high) held += 1
  }
  // Measured: 80 % of some 400; three standard errors either way.
  expect(said).toBeGreaterThan(300)
  expect(held / said).toBeGreaterThan(COVERAGE - 0.06)
  expect(held / said).toBeLessThan(COVERAGE + 0.1)
}, 120_000)

test('it is silent where the data cannot say, and can be stopped', () => {
  const truth = curve('power', 0.3)
  const silent = (paces: number[], target: number, progress?: () => boolean) => {
    const out = forecast(paces, target, random, progress)
    return 'silent' in out ? out.silent : undefined
  }
  const days = (n: number) => Array.from({ length: n }, (_, i) => paceOn(truth, i + 1))
  expect(silent(days(7), 4000)).toBe('7 of the 8 days of practice a forecast needs.')
  expect(silent(days(20), 14_000)).toBe('The target is met already.')
  expect(
    silent(
      Array.from({ length: 20 }, () => 9000 * Math.exp(0.3 * normal(random))),
      3000,
    ),
  ).toMatch(/too much/)
  expect(silent(days(20), 4000, () => false)).toBe('Stopped.')
  const out = forecast(practised(truth, 20, 0.05), 5000, random)
  if ('silent' in out) throw new Error(out.silent)
  expect(forecastWords(out.forecast, 5000)).toMatch(/^about \d+ to \d+ more days of practice to 5 s$/)
  for (const { low, high } of out.forecast.band) expect(low).toBeLessThanOrEqual(high)
})
