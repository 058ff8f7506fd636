/** The worst wrong answers there are, and how long somebody else waits for the server beside them. */

import { spawn } from 'node:child_process'
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { printProblem as print, readProblem } from '../../core/dist/problem/index.js'
import { OWN_LEVEL, TECHNIQUES, techniqueById } from '../../core/dist/registry/index.js'
import { JUDGE } from '../../core/dist/session/index.js'
import { GENERATOR, plainRecipe } from '../../core/dist/set/index.js'
import { ROOT } from '../prepare.mjs'

const digits = (n, k = 0) => '7384659281746352918273645546372819'.repeat(2).slice(k, k + n)
const terms = (count, n) => Array.from({ length: count }, (_, i) => digits(n, i)).join('+')

/** Long problems by hand: what the longest lines and the longest factors lead to. */
const CASES = [
  ['multiply-addition', `${digits(10)}*${digits(20)}`],
  ['multiply-subtraction', `${digits(10)}*${digits(20)}`],
  ['multiply-crosswise', `${digits(8)}*${digits(8, 9)}`],
  ['add-pairs', terms(15, 20)],
  ['add-running-total', terms(12, 20)],
  ['add-running-total', terms(30, 30)],
  ['add-place-sweep', terms(15, 20)],
  ['add-columns-left', terms(15, 20)],
  ['add-column-totals', terms(15, 20)],
  ['soroban-add', terms(15, 12)],
  ['soroban-multiply', `${digits(8)}*${digits(8, 9)}`],
  ['subtract-hold-drop', `${'9'.repeat(30)}-${'38'.repeat(15)}`],
  ['subtract-blocks', `${'9'.repeat(30)}-${'38'.repeat(15)}`],
  ['square-duplex', `${digits(8)}^2`],
  ['divide-short', `${digits(20)}/7`],
  ['flash-sum', terms(15, 9)],
]
const LIMIT_MS = 200

export async function run() {
  const data = mkdtempSync(join(tmpdir(), 'tachymetra-worst-'))
  const child = spawn(process.execPath, ['scripts/serve.mjs', '--empty'], {
    cwd: ROOT,
    env: { ...process.env, PORT: '0', HOST: '127.0.0.1', TACHYMETRA_DATA: data },
    stdio: ['ignore', 'pipe', 'inherit'],
  })
  const url = await new Promise((ready) =>
    child.stdout.on('data', (chunk) => {
      const address = /http:\/\/\S+/.exec(String(chunk))
      if (address) ready(address[0])
    }),
  )
  let made = 0
  const uuid = () => {
    made += 1
    return `00000000-0000-4000-8000-${String(made).padStart(12, '0')}`
  }
  const send = async (method, path, body) => {
    const headers = { 'Content-Type': 'application/json' }
    const response = await fetch(`${url}/api${path}`, { method, headers, body: JSON.stringify(body) })
    return { status: response.status, body: await response.json() }
  }
  const learnerId = uuid()
  await send('PUT', `/learners/${learnerId}`, { name: 'Bench', timeZone: 'UTC' })
  const startedAt = '2026-03-01T10:00:00.000Z'
  /** An attempt with as many wrong answers as are looked into, the first value off by many slips. */
  const attempt = (technique, expression) => ({
    id: uuid(),
    sessionId: uuid(),
    n: 1,
    technique,
    variant: {},
    level: OWN_LEVEL,
    support: 'answer',
    expression,
    startedAt,
    judge: JUDGE,
    events: [
      ...Array.from({ length: 20 }, (_, i) => ({ kind: 'entered', at: 1000 * i, text: `${13579 + i}` })),
      { kind: 'skipped', at: 30_000 },
    ],
  })
  /** A session of this one problem. */
  const sessionOf = (technique, expression) => ({
    startedAt,
    recipe: plainRecipe(
      [{ kind: 'listed', problems: [{ technique, level: OWN_LEVEL, expression }] }],
      'answer',
    ),
    seed: 0,
    generator: GENERATOR,
  })
  const problems = [...CASES, ...ownSettings()]
    .filter(([id, expression]) => fits(id, expression))
    .map(([id, expression]) => [id, print(readProblem(expression))])
  const waits = []
  const beside = async (work) => {
    let going = true
    let longest = 0
    const asking = (async () => {
      while (going) {
        const start = performance.now()
        await fetch(`${url}/api/health`).then((r) => r.arrayBuffer())
        longest = Math.max(longest, performance.now() - start)
        await new Promise((go) => setTimeout(go, 5))
      }
    })()
    await new Promise((go) => setTimeout(go, 30))
    await work()
    going = false
    await asking
    return longest
  }
  const idle = await beside(() => new Promise((go) => setTimeout(go, 1500)))
  for (const [id, expression] of problems) {
    const one = attempt(id, expression)
    const { learnerId: _, ...body } = one
    await send('PUT', `/sessions/${one.sessionId}`, { learnerId, ...sessionOf(id, expression) })
    let status
    const longest = await beside(async () => {
      ;({ status } = await send('PUT', `/attempts/${one.id}`, body))
    })
    waits.push([`${id} ${expression.length} characters${status === 201 ? '' : ` (${status})`}`, longest])
  }
  const rows = Array.from({ length: 100 }, (_, i) => {
    const [id, expression] = problems[i % problems.length]
    return { attempt: attempt(id, expression), session: sessionOf(id, expression) }
  })
  const stored = { yes: 0 }
  const longest = await beside(async () => {
    for (const half of [rows.slice(0, 50), rows.slice(50)]) {
      const { body } = await send('POST', `/learners/${learnerId}/attempts`, { rows: half })
      stored.yes += body.filter((a) => a.stored).length
    }
  })
  waits.push([`100 such rows brought in (${stored.yes} stored)`, longest])
  child.kill('SIGKILL')
  rmSync(data, { recursive: true, force: true })
  process.stdout.write(
    `\nWorst wrong answers: the longest wait of a health request beside each, milliseconds (with nothing beside it ${idle.toFixed(0)})\n`,
  )
  for (const [name, ms] of waits.sort((a, b) => b[1] - a[1]).slice(0, 12))
    process.stdout.write(`  ${name.padEnd(60)} ${ms.toFixed(0).padStart(6)}\n`)
  if (waits[0][1] > LIMIT_MS) process.exitCode = 1
}

function fits(id, expression) {
  return techniqueById(id).fits(readProblem(expression)).fits
}

/** Every technique with its own settings at their most. */
function ownSettings() {
  return TECHNIQUES.flatMap(({ id, parameters }) => {
    const most = Object.fromEntries(
      parameters.parameters.filter((d) => d.usual !== undefined).map((d) => [d.key, d.most]),
    )
    for (const values of [most, {}]) {
      try {
        const space = parameters.problems(values)
        if (space.size > 0n) return [[id, print(space.at(space.size - 1n))]]
      } catch {
        // Too many to be counted, or none: the settings as they are usual, then.
      }
    }
    return []
  })
}
