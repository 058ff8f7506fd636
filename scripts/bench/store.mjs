/** Attempts stored a second through HTTP, beside the bare driver inserting the same rows, each durably on its own. */
import { mkdtempSync } from 'node:fs'
import { Agent, createServer, request } from 'node:http'
import { createRequire } from 'node:module'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { demoLearners } from '../../core/dist/simulate/index.js'

const COUNT = 1500

export async function run() {
  const need = createRequire(new URL('../../server/package.json', import.meta.url))
  const { default: pino } = await import(need.resolve('pino'))
  const { createApp } = await import('../../server/dist/app.js')
  const { openDatabase } = await import('../../server/dist/store/opening.js')

  const folder = mkdtempSync(join(tmpdir(), 'tachymetra-bench-'))
  const learner = demoLearners('2026-03-01')[1]
  const sessions = learner.sessions.filter((s) => s.attempts.length > 0)
  const attempts = sessions.flatMap((s) => s.attempts).slice(0, COUNT)

  const { db, close } = openDatabase(join(folder, 'http.sqlite'))
  const server = createServer(createApp({ db, data: folder, log: pino({ level: 'silent' }), loopback: true }))
  await new Promise((ready) => server.listen(0, '127.0.0.1', ready))
  const agent = new Agent({ keepAlive: true, maxSockets: 8 })
  const put = (path, body) =>
    new Promise((done, fail) => {
      const options = { method: 'PUT', agent, headers: { 'Content-Type': 'application/json' } }
      const call = request(`http://127.0.0.1:${server.address().port}/api${path}`, options, (response) => {
        response
          .resume()
          .on('end', () =>
            response.statusCode === 201 ? done() : fail(new Error(String(response.statusCode))),
          )
      })
      call.on('error', fail)
      call.end(JSON.stringify(body))
    })
  await put(`/learners/${learner.id}`, { name: 'Bench', timeZone: 'UTC' })
  for (const { id, attempts: _, recalls: __, ...start } of sessions)
    await put(`/sessions/${id}`, { learnerId: learner.id, ...start })
  const http = await timed(async () => {
    let at = 0
    const worker = async () => {
      while (at < attempts.length) {
        const { id, ...body } = attempts[at++]
        await put(`/attempts/${id}`, body)
      }
    }
    await Promise.all(Array.from({ length: 8 }, worker))
  })
  agent.destroy()
  server.close()
  close()

  // The same rows through the driver alone, a durable transaction each.
  const { default: Driver } = await import(need.resolve('better-sqlite3'))
  const bare = new Driver(join(folder, 'bare.sqlite'))
  bare.pragma('journal_mode = WAL')
  bare.pragma('synchronous = FULL')
  bare.exec(
    'create table attempt (id text primary key, session text, expression text, started text, total integer)',
  )
  bare.exec('create table entry (attempt text, n integer, value text, ms integer, primary key (attempt, n))')
  const one = bare.prepare('insert into attempt values (?, ?, ?, ?, ?)')
  const entry = bare.prepare('insert into entry values (?, ?, ?, ?)')
  const insert = bare.transaction((a) => {
    one.run(a.id, a.sessionId, a.expression, a.startedAt, a.events.at(-1).at)
    a.events.forEach((e, n) => {
      entry.run(a.id, n, e.text ?? e.kind, e.at)
    })
  })
  const driver = await timed(() => {
    for (const attempt of attempts) insert(attempt)
  })
  bare.close()

  const rate = (seconds) => Math.round(attempts.length / seconds)
  process.stdout.write('\nStore: attempts a second, each on disk before it is acknowledged\n')
  process.stdout.write(`  through HTTP, judged and rolled up   ${String(rate(http)).padStart(6)}\n`)
  process.stdout.write(
    `  bare driver, the rows alone          ${String(rate(driver)).padStart(6)}   (HTTP is ${(http / driver).toFixed(1)} x slower)\n`,
  )
}

async function timed(work) {
  const start = performance.now()
  await work()
  return (performance.now() - start) / 1000
}
