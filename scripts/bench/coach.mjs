/** How well the coach judges: levels, plan and limits with examinees, and how often forecasts hold. */
import { adviseLevel } from '../../core/dist/curriculum/index.js'
import { answers } from '../../core/dist/examiners/index.js'
import { normal, seeded } from '../../core/dist/number/index.js'
import { COVERAGE, forecast, LEAST_DAYS, paceOn } from '../../core/dist/plan/index.js'
import { examinations } from './examined.mjs'

const CASES = 250

/** Somebody who answers at a level: how often right, at which share of the target, by which scatter. */
const ANSWERING = [
  ['sure, 98 % right, quick', { right: 0.98, pace: 0.8, scatter: 0.3 }],
  ['sure, 96 % right, just quick enough', { right: 0.96, pace: 0.85, scatter: 0.3 }],
  ['85 % right, quick', { right: 0.85, pace: 0.8, scatter: 0.3 }],
  ['98 % right, a tenth too slow', { right: 0.98, pace: 1.1, scatter: 0.3 }],
  ['98 % right, a tenth too slow, uneven', { right: 0.98, pace: 1.1, scatter: 0.5 }],
  ['65 % right, skips what fails', { right: 0.65, pace: 0.8, scatter: 0.3, skips: 1 }],
  ['60 % right', { right: 0.6, pace: 0.9, scatter: 0.3 }],
]
const PEOPLE = 2000
const MOST_ANSWERS = 60
const TARGET_MS = 4000

export async function run() {
  process.stdout.write(
    `\nCoach: what becomes of a level within ${MOST_ANSWERS} answers (${PEOPLE} seeds each; half and nine tenths of those moved up, in answers)\n`,
  )
  for (const [name, who] of ANSWERING) level(name, who)
  await examinations()
  process.stdout.write(
    `\nForecast: how often the interval meant for ${100 * COVERAGE} % holds the true day\n`,
  )
  for (const law of ['power', 'exponential']) for (const noise of [0.05, 0.12, 0.2]) coverage(law, noise)
}

function level(name, who) {
  const [ups, backs] = [[], []]
  for (let seed = 0; seed < PEOPLE; seed += 1) {
    const given = answers(who, TARGET_MS, seeded(70_000 + seed))
    let latest = []
    for (let n = 1; n <= MOST_ANSWERS; n += 1) {
      const { right, skipped, totalMs } = given.next().value
      latest = [{ right, timed: !skipped, totalMs }, ...latest]
      const { move } = adviseLevel(latest, TARGET_MS)
      if (move === 'hold') continue
      ;(move === 'up' ? ups : backs).push(n)
      break
    }
  }
  ups.sort((a, b) => a - b)
  const share = (some) => `${((100 * some.length) / PEOPLE).toFixed(0).padStart(3)} %`
  const at = (part) => ups[Math.floor(part * (ups.length - 1))] ?? '-'
  process.stdout.write(
    `  ${name.padEnd(38)} up ${share(ups)} (${at(0.5)}, ${at(0.9)}), back ${share(backs)}\n`,
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
