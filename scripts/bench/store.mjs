/**
 * Attempts stored through HTTP by thirty clients at once, each on disk before it is acknowledged, beside a route that only
 * parses and checks the same bodies, and beside the bare driver inserting the same rows.
 */
import { mkdtempSync } from 'node:fs'
import { Agent, request } from 'node:http'
import { createRequire } from 'node:module'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { demoLearners } from '../../core/dist/simulate/index.js'
import { serverOn } from './child.mjs'

const COUNT = 3000
const WARM = 2000
const CLIENTS = 30
const ROUNDS = 3

export async function run() {
  const need = createRequire(new URL('../../server/package.json', import.meta.url))
  const learners = demoLearners('2026-03-01')
  const sessions = learners.flatMap(({ id: learnerId, sessions }) =>
    sessions.filter((s) => s.attempts.length > 0).map((s) => ({ ...s, learnerId })),
  )
  // As they come from a room: of everybody in turn. The first ones warm both servers.
  const all = sessions.flatMap((s) => s.attempts).sort((a, b) => a.startedAt.localeCompare(b.startedAt))
  const rates = []
  for (let round = 0; round < ROUNDS; round += 1) {
    const folder = mkdtempSync(join(tmpdir(), 'tachymetra-bench-'))
    const [warm, attempts] = [all.slice(0, WARM), all.slice(WARM, WARM + COUNT)]
    const server = await serverOn(folder)
    const parse = await serverOn(folder, [], 'scripts/bench/parse.mjs')
    const agent = new Agent({ keepAlive: true, maxSockets: CLIENTS })
    const put = (url, path, body) => sent(agent, `${url}/api${path}`, body)
    for (const { id, name } of learners) await put(server.url, `/learners/${id}`, { name, timeZone: 'UTC' })
    for (const { id, attempts: _, recalls: __, ...start } of sessions)
      await put(server.url, `/sessions/${id}`, start)
    let before
    const through = async (url) => {
      const every = (list) => inTurns(list, ({ id, ...body }) => put(url, `/attempts/${id}`, body))
      await every(warm)
      if (url === server.url) before = await server.load()
      return timed(() => every(attempts))
    }
    const parsed = await through(parse.url)
    const stored = await through(server.url)
    const after = await server.load()
    agent.destroy()
    rates.push({
      stored: attempts.length / stored,
      parsed: attempts.length / parsed,
      cpuMs: (after.cpuMs - before.cpuMs) / attempts.length,
      driver: attempts.length / (await bare(need, folder, attempts)),
    })
    await Promise.all([server.stop(), parse.stop()])
  }
  const mid = (of) => rates.map(of).sort((a, b) => a - b)[ROUNDS >> 1]
  const line = (name, value, said = '') =>
    process.stdout.write(`  ${name.padEnd(42)} ${value.toFixed(0).padStart(6)}   ${said}\n`)
  process.stdout.write(`\nStore: attempts a second from ${CLIENTS} clients, the median of ${ROUNDS} runs\n`)
  line(
    'stored, judged and rolled up',
    mid((r) => r.stored),
  )
  line(
    'parsed and checked only',
    mid((r) => r.parsed),
    `storing is ${mid((r) => r.stored / r.parsed).toFixed(2)} x that (goal 0.5)`,
  )
  line(
    'bare driver, a transaction each',
    mid((r) => r.driver),
  )
  process.stdout.write(`  processor time an attempt: ${mid((r) => r.cpuMs).toFixed(2)} ms (goal 0.8)\n`)
}

function sent(agent, url, body) {
  return new Promise((done, fail) => {
    const options = { method: 'PUT', agent, headers: { 'Content-Type': 'application/json' } }
    const call = request(url, options, (response) => {
      response
        .resume()
        .on('end', () => (response.statusCode < 300 ? done() : fail(new Error(String(response.statusCode)))))
    })
    call.on('error', fail)
    call.end(JSON.stringify(body))
  })
}

async function inTurns(list, work) {
  let at = 0
  const worker = async () => {
    while (at < list.length) await work(list[at++])
  }
  await Promise.all(Array.from({ length: CLIENTS }, worker))
}

/** The same rows through the driver alone, a durable transaction each; in seconds. */
async function bare(need, folder, attempts) {
  const { default: Driver } = await import(need.resolve('better-sqlite3'))
  const driver = new Driver(join(folder, 'bare.sqlite'))
  driver.pragma('journal_mode = WAL')
  driver.pragma('synchronous = FULL')
  driver.exec(
    'create table attempt (id text primary key, session text, expression text, started text, total integer)',
  )
  driver.exec(
    'create table entry (attempt text, n integer, value text, ms integer, primary key (attempt, n))',
  )
  const one = driver.prepare('insert into attempt values (?, ?, ?, ?, ?)')
  const entry = driver.prepare('insert into entry values (?, ?, ?, ?)')
  const insert = driver.transaction((a) => {
    one.run(a.id, a.sessionId, a.expression, a.startedAt, a.events.at(-1).at)
    a.events.forEach((e, n) => {
      entry.run(a.id, n, e.text ?? e.kind, e.at)
    })
  })
  const seconds = await timed(() => {
    for (const attempt of attempts) insert(attempt)
  })
  driver.close()
  return seconds
}

async function timed(work) {
  const start = performance.now()
  await work()
  return (performance.now() - start) / 1000
}
