/** The worst wrong answers there are, and how long somebody else waits for the server beside them. */

import { spawn } from 'node:child_process'
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { ROOT } from '../prepare.mjs'
import { hardAttempt, hardProblems, sessionOf } from './hard.mjs'

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
  const attempt = (technique, expression) => hardAttempt(technique, expression, uuid(), uuid())
  const problems = hardProblems()
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
