/** Tracing, diagnosing and generating, beside decimal.js doing the plain sum. */
import Decimal from 'decimal.js'
import { Bench } from 'tinybench'
import {
  diagnose,
  draw,
  readDecimal,
  readProblem,
  seeded,
  TECHNIQUES,
  techniqueById,
  trace,
} from '../../core/dist/index.js'

const CASES = [
  ['add-running-total', '364', '+', '278', '542'],
  ['add-running-total', '5618633023', '+', '8213989751', '13832622774'],
  ['subtract-hold-drop', '8341', '-', '3675', '4676'],
  ['subtract-hold-drop', '898316874608364', '-', '641273557509797', '257043317098577'],
]

export async function run() {
  const bench = new Bench({ time: 300, warmupTime: 100 })
  for (const [id, a, sign, b, wrong] of CASES) {
    const technique = techniqueById(id)
    const name = `${a}${sign}${b}`
    const problem = readProblem(name)
    const answer = readDecimal(wrong)
    bench.add(`reference sum ${name}`, () =>
      (sign === '+' ? new Decimal(a).plus(b) : new Decimal(a).minus(b)).toString(),
    )
    bench.add(`trace         ${name}`, () => trace(technique, problem, {}))
    bench.add(`diagnose      ${name}`, () => diagnose(technique, problem, {}, answer))
  }
  for (const technique of TECHNIQUES) {
    const at = technique.levels.length - 1
    const source = draw(technique.levels[at].problems(), seeded(1))
    bench.add(`generate      ${technique.id}, level ${at + 1}`, () => source.next())
  }
  await bench.run()
  process.stdout.write('\nCore: microseconds each (median), and how many plain sums of decimal.js that is\n')
  let reference = 1
  for (const { name, result } of bench.tasks) {
    const us = (result.latency.p50 ?? result.latency.mean) * 1000
    if (name.startsWith('reference')) reference = us
    process.stdout.write(
      `  ${name.padEnd(52)} ${us.toFixed(2).padStart(9)} us  ${(us / reference).toFixed(1).padStart(8)} x\n`,
    )
  }
}
