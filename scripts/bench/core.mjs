/** Tracing, diagnosing, comparing and generating, beside decimal.js reckoning the plain answer. */
import Decimal from 'decimal.js'
import { Bench } from 'tinybench'
import { diagnose } from '../../core/dist/diagnose/index.js'
import { seeded } from '../../core/dist/number/index.js'
import { draw, printProblem, readProblem } from '../../core/dist/problem/index.js'
import { TECHNIQUES, techniqueById } from '../../core/dist/registry/index.js'
import { compareWays } from '../../core/dist/report/index.js'
import { paperRecipe, USUAL_PAPER } from '../../core/dist/set/index.js'
import { trace, variantOf } from '../../core/dist/technique/index.js'

/** A technique and a problem; the answer diagnosed is one that a slip at a step in the middle leads to. */
const CASES = [
  ['add-running-total', '364+278'],
  ['add-running-total', '5618633023+8213989751'],
  ['subtract-hold-drop', '8341-3675'],
  ['subtract-hold-drop', '898316874608364-641273557509797'],
  ['multiply-crosswise', '36*52'],
  ['multiply-crosswise', '4738*6925'],
  ['multiply-crosswise', '47382916*69251374'],
  ['square-near-base', '88^2'],
  ['divide-short', '2184/6'],
  ['root-duplex', 'sqrt(70)'],
]

const COMPARED = [
  '364+278',
  '8341-3675',
  '63*67',
  '4738*6925',
  '7.5^2',
  'sqrt(70)',
  'sqrt(123456789012)',
  '2184/6',
]

/** The answer that the likeliest slip of a middle step leads to. */
function slipped(technique, problem, variant) {
  const { steps } = trace(technique, problem, variant)
  const at = steps.findIndex((s, i) => i >= steps.length / 2 && s.slips().length > 0)
  const slip = steps[at].slips()[0]
  return trace(technique, problem, variant, (_, i) => (i === at ? slip.entry : undefined)).answer
}

/** The plain answer by the reference library. */
function reference(problem) {
  const text = printProblem(problem)
  const [a, b] = (/^sqrt\((.*)\)$/.exec(text)?.[1] ?? text).split(/[-+*/^]/).map(String)
  if (problem.kind === 'root') return () => new Decimal(a).sqrt().toString()
  if (text.includes('*')) return () => new Decimal(a).times(b).toString()
  if (text.includes('/')) return () => new Decimal(a).div(b).toString()
  if (text.includes('^')) return () => new Decimal(a).pow(2).toString()
  return text.includes('+')
    ? () => new Decimal(a).plus(b).toString()
    : () => new Decimal(a).minus(b).toString()
}

export async function run() {
  const bench = new Bench({ time: 250, warmupTime: 80 })
  for (const [id, expression] of CASES) {
    const technique = techniqueById(id)
    const variant = variantOf(technique)
    const problem = readProblem(expression)
    const answer = slipped(technique, problem, variant)
    bench.add(`reference  ${id} ${expression}`, reference(problem))
    bench.add(`trace      ${id} ${expression}`, () => trace(technique, problem, variant))
    bench.add(`diagnose   ${id} ${expression}`, () => diagnose(technique, problem, variant, answer))
  }
  for (const expression of COMPARED) {
    const problem = readProblem(expression)
    bench.add(`reference  compare ${expression}`, reference(problem))
    bench.add(`compare    ${expression}`, () => compareWays(problem))
  }
  await bench.run()
  process.stdout.write(
    '\nCore: microseconds each (median), and how many plain answers of decimal.js that is\n',
  )
  let plain = 1
  for (const { name, result } of bench.tasks) {
    const us = microseconds(result)
    if (name.startsWith('reference')) plain = us
    line(name, us, us / plain)
  }
  await generation()
}

/** Counting the problems of every level once, then drawing from each; the slowest of each are shown. */
async function generation() {
  const counted = []
  const bench = new Bench({ time: 30, warmupTime: 10 })
  bench.add('reference  decimal.js, 10 random digits', () =>
    new Decimal(String(Math.random()).slice(2, 12)).toString(),
  )
  for (const technique of TECHNIQUES)
    for (const [i, level] of technique.levels.entries()) {
      const start = performance.now()
      const space = level.problems()
      counted.push([`${technique.id}, level ${i + 1}: ${level.name}`, performance.now() - start])
      const source = draw(space, seeded(1))
      bench.add(`${technique.id}, level ${i + 1}: ${level.name}`, () => source.next())
    }
  let seed = 0
  bench.add(`a paper of ${USUAL_PAPER.count} items`, () => paperRecipe(USUAL_PAPER, ++seed))
  await bench.run()
  const plain = microseconds(bench.tasks[0].result)
  process.stdout.write(
    `\nDrawing one problem, the slowest of ${counted.length} levels: microseconds, and times ${bench.tasks[0].name}\n`,
  )
  const { name: paper, result } = bench.tasks.at(-1)
  line(paper, microseconds(result), microseconds(result) / plain)
  const drawn = bench.tasks.slice(1, -1).map(({ name, result }) => [name, microseconds(result)])
  for (const [name, us] of drawn.sort((a, b) => b[1] - a[1]).slice(0, 8)) line(name, us, us / plain)
  process.stdout.write('\nCounting the problems of a level, once: the slowest, in milliseconds\n')
  for (const [name, ms] of counted.sort((a, b) => b[1] - a[1]).slice(0, 8))
    process.stdout.write(`  ${name.padEnd(72)} ${ms.toFixed(1).padStart(9)} ms\n`)
}

function microseconds(result) {
  return (result.latency.p50 ?? result.latency.mean) * 1000
}

function line(name, us, ratio) {
  process.stdout.write(
    `  ${name.padEnd(72)} ${us.toFixed(2).padStart(9)} us  ${ratio.toFixed(1).padStart(9)} x\n`,
  )
}
