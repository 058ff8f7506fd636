/** How well the coach judges: plan against chance and fixed order in simulation, and how often forecasts hold. */
import { middleOf, normal, seeded } from '../../core/dist/number/index.js'
import { COVERAGE, forecast, LEAST_DAYS, paceOn } from '../../core/dist/plan/index.js'
import { TECHNIQUES, withNeeds } from '../../core/dist/registry/index.js'
import { BEGINNER, goalReached, POLICIES } from '../../core/dist/simulate/index.js'

const LEARNERS = 12
const DAYS = 200
const MINUTES = 4
const ATTENDANCE = 0.8
const GOALS = [
  ['multiply-crosswise'],
  ['subtract-complement', 'multiply-crosswise', 'square-ending-five', 'divide-short'],
  ['add-pairs', 'subtract-blocks', 'multiply-near-base', 'square-duplex', 'root-estimate', 'divide-short'],
]
const CASES = 250

export function run() {
  process.stdout.write(
    '\nCoach: minutes until a goal is known, beside the plan (simulated learners, medians)\n',
  )
  for (const aims of GOALS) plans(aims)
  process.stdout.write(
    `\nForecast: how often the interval meant for ${100 * COVERAGE} % holds the true day\n`,
  )
  for (const law of ['power', 'exponential']) for (const noise of [0.05, 0.12, 0.2]) coverage(law, noise)
}

function plans(aims) {
  const needed = new Set(aims.flatMap(withNeeds))
  const goal = TECHNIQUES.map((t) => t.id).filter((id) => needed.has(id))
  const ratios = { random: [], fixed: [] }
  for (let i = 0; i < LEARNERS; i += 1) {
    const traits = {
      ...BEGINNER,
      factMs: 600 + 100 * (i % 8),
      carryMs: 350 + 50 * (i % 8),
      weak: i % 2 ? [7] : [],
      practice: 0.25 + 0.02 * (i % 5),
      slipRate: 0.01 + 0.004 * (i % 4),
    }
    const shared = {
      traits,
      fadeDays: 20,
      minutes: MINUTES,
      days: DAYS,
      attendance: ATTENDANCE,
      goal,
      seed: 30 + i,
    }
    // Whoever does not get there has practised all the while at least.
    const [plan, random, fixed] = POLICIES.map(
      (policy) => goalReached({ ...shared, policy })?.minutes ?? ATTENDANCE * MINUTES * DAYS,
    )
    ratios.random.push(random / plan)
    ratios.fixed.push(fixed / plan)
  }
  const [random, fixed] = [ratios.random, ratios.fixed].map((r) => middleOf(r).toFixed(2))
  process.stdout.write(
    `  ${String(goal.length).padStart(2)} techniques: at random ${random} x, in a fixed order ${fixed} x\n`,
  )
}

function coverage(law, noise) {
  const random = seeded(7)
  let [said, held] = [0, 0]
  for (let i = 0; i < CASES; i += 1) {
    const rate = law === 'power' ? 0.2 + 0.3 * random.unit() : 0.02 + 0.05 * random.unit()
    const truth = { law, rate, firstMs: 15_000, miss: 0 }
    const days = LEAST_DAYS + Math.floor(22 * random.unit())
    const reached = days + 3 + Math.floor(27 * random.unit())
    const paces = Array.from(
      { length: days },
      (_, d) => paceOn(truth, d + 1) * Math.exp(noise * normal(random)) * (random.unit() < 0.05 ? 2 : 1),
    )
    const out = forecast(paces, paceOn(truth, reached), random)
    if ('silent' in out) continue
    said += 1
    const { low, high } = out.forecast.days
    if (reached - days >= low && reached - days <= high) held += 1
  }
  process.stdout.write(
    `  ${law.padEnd(12)} scatter ${(100 * noise).toFixed(0).padStart(2)} %: ${((100 * held) / said).toFixed(0)} % of the ${said} it speaks of\n`,
  )
}
