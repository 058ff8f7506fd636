/** How long the event loop of the serving thread is held up at most by whatever costs most, one by one and all at once. */
import { mkdtempSync, readFileSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { gzipSync } from 'node:zlib'
import { serverOn } from './child.mjs'
import { hardAttempt, hardProblems, sessionOf } from './hard.mjs'
import { longRecord } from './long.mjs'

const LIMIT_MS = 200
const ATTEMPTS = 100_000

export async function run() {
  const data = mkdtempSync(join(tmpdir(), 'tachymetra-stall-'))
  const file = join(data, 'tachymetra.sqlite')
  const { id: learner, attempts } = await longRecord(file, ATTEMPTS)
  const backup = gzipSync(readFileSync(file))
  const server = await serverOn(data)
  let made = 0
  const uuid = () => {
    made += 1
    return `00000000-0000-4000-8000-${String(made).padStart(12, '0')}`
  }
  const api = async (method, path, body, type = 'application/json') => {
    const response = await fetch(`${server.url}/api${path}`, {
      method,
      ...(body !== undefined && {
        headers: { 'Content-Type': type },
        body: type === 'application/json' ? JSON.stringify(body) : body,
      }),
    })
    await response.arrayBuffer()
    return response.status
  }
  const second = uuid()
  await api('PUT', `/learners/${second}`, { name: 'Other', timeZone: 'UTC' })
  const problems = hardProblems()
  const wrong = async ([technique, expression]) => {
    const { learnerId: _, ...one } = hardAttempt(technique, expression, uuid(), uuid())
    await api('PUT', `/sessions/${one.sessionId}`, { learnerId: second, ...sessionOf(technique, expression) })
    return api('PUT', `/attempts/${one.id}`, one)
  }
  const rows = () =>
    Array.from({ length: 50 }, (_, i) => {
      const [id, expression] = problems[i % problems.length]
      return { attempt: hardAttempt(id, expression, uuid(), uuid()), session: sessionOf(id, expression) }
    })
  const bytes = 'application/octet-stream'
  const work = {
    'the hardest wrong answers, one after another': async () => {
      for (const problem of problems) await wrong(problem)
    },
    'the same, all at once': () => Promise.all(problems.map(wrong)),
    '50 rows of them brought in': () => api('POST', `/learners/${second}/attempts`, { rows: rows() }),
    [`${attempts} attempts as CSV`]: () => api('GET', `/learners/${learner}/attempts.csv`),
    'the same as statements': () => api('GET', `/learners/${learner}/statements.json`),
    'what the desk asks for': () =>
      Promise.all(
        ['progress', 'times', 'settings', 'moves', 'sessions?limit=20'].map((p) =>
          api('GET', `/learners/${learner}/${p}`),
        ),
      ),
    backup: () => api('GET', '/backup'),
    'a backup looked at': () => api('POST', '/restore/look', backup, bytes),
    'a backup restored': () => api('POST', '/restore', backup, bytes),
  }
  process.stdout.write(`\nHeld up at most, in milliseconds (goal: under ${LIMIT_MS})\n`)
  let worst = 0
  const measured = async (name, run, on = server) => {
    await on.load()
    const start = performance.now()
    const status = await run()
    const took = (performance.now() - start) / 1000
    const { maxMs } = await on.load()
    worst = Math.max(worst, maxMs)
    const said = [status].flat().filter((s) => s !== undefined && (s < 200 || s > 299))
    process.stdout.write(
      `  ${name.padEnd(50)} ${maxMs.toFixed(0).padStart(6)}   in ${took.toFixed(1)} s${said.length ? ` (${said.join(' ')})` : ''}\n`,
    )
  }
  for (const [name, run] of Object.entries(work)) await measured(name, run)
  await measured('all of it at once', () => Promise.all(Object.values(work).map((run) => run())))
  await measured('a learner of as many erased', () => api('DELETE', `/learners/${learner}`, {}))
  await server.stop()
  const empty = mkdtempSync(join(tmpdir(), 'tachymetra-stall-'))
  const other = await serverOn(empty)
  const demo = { method: 'POST', headers: { 'Content-Type': 'application/json' }, body: '{}' }
  await measured('the demo put in', async () => (await fetch(`${other.url}/api/demo`, demo)).status, other)
  await other.stop()
  for (const folder of [data, empty]) rmSync(folder, { recursive: true, force: true })
  if (worst > LIMIT_MS) process.exitCode = 1
}
