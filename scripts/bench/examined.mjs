/**
 * Examinees taken through the coach's plan, and through other ways of choosing what to practise, as many at a time as there are
 * processors. SEEDS sets how many of each kind; with HELD_OUT=1 the kinds that were kept back are taken instead.
 */
import { availableParallelism } from 'node:os'
import { isMainThread, parentPort, Worker, workerData } from 'node:worker_threads'
import { EXAMINEES } from '../../core/dist/examiners/index.js'
import { settingsForAge } from '../../core/dist/learner/index.js'
import { middleOf } from '../../core/dist/number/index.js'
import { TECHNIQUES, withNeeds } from '../../core/dist/registry/index.js'
import { examine, POLICIES, targetsWithin } from '../../core/dist/simulate/index.js'

const SEEDS = Number(process.env.SEEDS ?? 20)
const HELD_OUT = process.env.HELD_OUT === '1'
/** What is set for a child of that age; adults have the usual time. */
const AGES = { eight: 8, unsure: 8, ten: 10, away: 10, twelve: 12, forgetful: 12, moody: 12 }
const extraTime = (kind) => settingsForAge(AGES[kind] ?? 30).extraTime
const goalOf = (...aims) => {
  const needed = new Set(aims.flatMap((id) => withNeeds(id)))
  return TECHNIQUES.map((t) => t.id).filter((id) => needed.has(id))
}
/** As the settings are from the start, so many minutes on each day somebody comes; the slowest with twice as many as well. */
const OWN = { goal: goalOf('add-pairs', 'multiply-crosswise', 'subtract-blocks'), days: 120, minutes: 4 }
const SLOWEST = ['eight', 'unsure']
const minutesOf = (kind) => (SLOWEST.includes(kind) ? [OWN.minutes, 2 * OWN.minutes] : [OWN.minutes])
/** With targets set by hand, within reach and the same for every policy. */
const BESIDE = {
  goal: goalOf(
    'add-pairs',
    'multiply-crosswise',
    'subtract-blocks',
    'divide-short',
    'multiply-repunit',
    'square-round-balance',
  ),
  days: 160,
  minutes: 6,
}

export async function examinations() {
  const kinds = EXAMINEES.filter((k) => k.heldOut === HELD_OUT)
  const seeds = Array.from({ length: SEEDS }, (_, i) => (HELD_OUT ? 900 : 40) + i)
  const tasks = kinds.flatMap(({ id }) =>
    seeds.flatMap((seed) => [
      ...minutesOf(id).map((minutes) => ({ kind: id, seed, minutes })),
      ...POLICIES.map((policy) => ({ kind: id, seed, policy })),
    ]),
  )
  const done = await workedOff(tasks)
  const of = (kind, key) =>
    done.filter((d) => d.kind === kind.id && (d.policy ?? d.minutes) === key).map((d) => d.out)
  write(
    `\nCoach: examinees by the plan, ${SEEDS} seeds each, middle (least to most); ${OWN.goal.length} techniques in ${OWN.days} days\n`,
  )
  for (const kind of kinds)
    for (const minutes of minutesOf(kind.id)) {
      const all = of(kind, minutes)
      const facts = all.filter((o) => o.factsBy !== undefined && o.factsBy <= 90).length
      write(
        `  ${kind.name}, ${minutes} min: known ${range(all, (o) => o.known)}, facts met ${range(all, (o) => o.facts)} (all within 90 days: ${facts} of ${all.length}), again ${range(all, (o) => 100 * o.again)} %, held ${range(all, (o) => o.blocked)} days\n`,
      )
    }
  write(
    `\nCoach: ${BESIDE.goal.length} targets beside other ways, ${BESIDE.minutes} min a day for ${BESIDE.days} days: minutes to all, and to all lasting 30 days; kept 30 days after; met 30 days after the end\n`,
  )
  for (const kind of kinds) beside(kind, (policy) => of(kind, policy))
}

function beside(kind, of) {
  write(`  ${kind.name}\n`)
  const middle = {}
  for (const policy of POLICIES) {
    const all = of(policy)
    // Whoever does not get there has practised all the while at least.
    const minutes = (key) => (o) => o[key] ?? o.minutes
    const reached = (key) => all.filter((o) => o[key] !== undefined).length
    middle[policy] = Object.fromEntries(
      ['toAll', 'toLasting'].map((key) => [key, middleOf(all.map(minutes(key)))]),
    )
    middle[policy].kept = middleOf(all.map((o) => o.kept))
    middle[policy].later = middleOf(all.map((o) => o.later))
    write(
      `    ${policy.padEnd(14)} all ${range(all, minutes('toAll'))}, by ${reached('toAll')}; lasting ${range(all, minutes('toLasting'))}, by ${reached('toLasting')}; kept ${range(all, (o) => o.kept)}; later ${range(all, (o) => o.later)}\n`,
    )
  }
  const rivals = POLICIES.filter((p) => p !== 'plan')
  const best = (key) => Math.min(...rivals.map((p) => middle[p][key]))
  const share = (key) => (middle.plan[key] / best(key)).toFixed(2)
  const against = (key) => (middle.plan[key] / Math.max(0.5, middle['one-by-one'][key])).toFixed(2)
  write(
    `    plan beside the best rival: all ${share('toAll')} x, lasting ${share('toLasting')} x; beside one by one: kept ${against('kept')} x, later ${against('later')} x\n`,
  )
}

function range(all, of) {
  const values = all.map(of).sort((a, b) => a - b)
  return `${middleOf(values).toFixed(0)} (${values[0].toFixed(0)} to ${values.at(-1).toFixed(0)})`
}

const write = (text) => process.stdout.write(text)

/** @returns the tasks in their order, each with what came of it */
function workedOff(tasks) {
  return new Promise((resolve, reject) => {
    const done = []
    let next = 0
    let left = tasks.length
    for (let i = 0; i < availableParallelism(); i += 1) {
      const worker = new Worker(new URL(import.meta.url), { workerData: { examiner: true } })
      const give = () =>
        next < tasks.length ? worker.postMessage({ n: next, task: tasks[next++] }) : worker.terminate()
      worker.on('error', reject)
      worker.on('message', ({ n, out }) => {
        done[n] = { ...tasks[n], out }
        left -= 1
        if (left === 0) resolve(done)
        give()
      })
      give()
    }
  })
}

const targets = new Map()

function examined({ kind: id, seed, minutes, policy }) {
  const kind = EXAMINEES.find((k) => k.id === id)
  const shared = { extraTime: extraTime(id), seed }
  if (policy === undefined)
    return examine(kind, { ...shared, policy: 'plan', goal: OWN.goal, minutes }, OWN.days, false)
  if (!targets.has(id)) targets.set(id, targetsWithin(kind, BESIDE.goal))
  const { goal, days } = BESIDE
  return examine(
    kind,
    { ...shared, policy, goal, minutes: BESIDE.minutes, targets: targets.get(id) },
    days,
    true,
  )
}

if (!isMainThread && workerData?.examiner)
  parentPort.on('message', ({ n, task }) => parentPort.postMessage({ n, out: examined(task) }))
