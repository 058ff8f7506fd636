/**
 * A room that begins: thirty clients at once fetch what a browser fetches that knows nothing yet, over six connections each,
 * until the desk could stand there.
 */
import { mkdtempSync, readFileSync, rmSync } from 'node:fs'
import { Agent, get } from 'node:http'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { ROOT } from '../prepare.mjs'
import { serverOn } from './child.mjs'
import { quantile } from './page.mjs'

const CLIENTS = 30
const CONNECTIONS = 6
const ROUNDS = 3

export async function run() {
  const data = mkdtempSync(join(tmpdir(), 'tachymetra-room-'))
  const server = await serverOn(data, [])
  const learners = await (await fetch(`${server.url}/api/learners`)).json()
  // What the first page names; the rest of the program comes once it is at rest.
  const page = readFileSync(join(ROOT, 'web/dist/index.html'), 'utf8')
  const files = [...page.matchAll(/(?:href|src)="(\/[^"]+)"/g)].map(([, path]) => path)
  const times = []
  // The making of the demo is not meant.
  await server.load()
  for (let round = 0; round < ROUNDS; round += 1)
    times.push(
      ...(await Promise.all(
        Array.from({ length: CLIENTS }, (_, i) =>
          client(server.url, files, learners[i % learners.length].id),
        ),
      )),
    )
  const { maxMs } = await server.load()
  process.stdout.write(
    `\nA room begins: ${CLIENTS} clients at once, ${files.length} files and what the desk asks for, ${ROUNDS} rounds\n  median ${(quantile(times, 0.5) / 1000).toFixed(2)} s (goal 1.5), slowest ${(Math.max(...times) / 1000).toFixed(2)} s; event loop held up at most ${maxMs.toFixed(0)} ms\n`,
  )
  await server.stop()
  rmSync(data, { recursive: true, force: true })
}

async function client(url, files, learner) {
  const agent = new Agent({ keepAlive: true, maxSockets: CONNECTIONS })
  const fetched = (path) =>
    new Promise((done, fail) => {
      const headers = { 'Accept-Encoding': 'gzip, deflate, br' }
      get(`${url}${path}`, { agent, headers }, (response) => response.resume().on('end', done)).on(
        'error',
        fail,
      )
    })
  const start = performance.now()
  await fetched('/')
  await Promise.all(files.map(fetched))
  await fetched('/api/learners')
  await Promise.all(
    ['settings', 'progress', 'times'].map((what) => fetched(`/api/learners/${learner}/${what}`)),
  )
  const took = performance.now() - start
  agent.destroy()
  return took
}
