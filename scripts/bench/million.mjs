/** Desk and Record of a learner with a million attempts beside one with a thousand, opened in turn in one browser. */
import { mkdtempSync, rmSync, statSync } from 'node:fs'
import { createServer } from 'node:http'
import { createRequire } from 'node:module'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { longRecord } from './long.mjs'
import { launchBrowser, quantile } from './page.mjs'

const ROUNDS = 9

export async function run() {
  const need = createRequire(new URL('../../server/package.json', import.meta.url))
  const { default: pino } = await import(need.resolve('pino'))
  const { createApp } = await import('../../server/dist/app.js')
  const { openDatabase } = await import('../../server/dist/store/files/opening.js')
  const { judgeHere } = await import('../../server/dist/work/judge.js')
  const { CHORES_HERE } = await import('../../server/dist/work/chores.js')
  const folder = mkdtempSync(join(tmpdir(), 'tachymetra-million-'))
  const web = new URL('../../web/dist', import.meta.url).pathname

  const stores = []
  for (const wanted of [1000, 1e6]) {
    const file = join(folder, `${wanted}.sqlite`)
    const { attempts } = await longRecord(file, wanted)
    const bytes = statSync(file).size
    const { db, close } = openDatabase(file)
    const log = pino({ level: 'silent' })
    const here = { judge: judgeHere, chores: CHORES_HERE }
    const server = createServer(createApp({ db, file, data: folder, ...here, log, web, loopback: true }))
    stores.push({ attempts, bytes, server, close })
  }
  for (const { server } of stores) await new Promise((ready) => server.listen(0, '127.0.0.1', ready))

  const browser = await launchBrowser()
  const page = await browser.newPage()
  const opened = async ({ server }, path, ready) => {
    const started = performance.now()
    await page.goto(`http://127.0.0.1:${server.address().port}${path}`)
    await page.waitForSelector(ready)
    return performance.now() - started
  }
  process.stdout.write('\nA learner with a million attempts beside one with a thousand\n')
  for (const [name, path, ready] of [
    ['Desk, with the plan', '/', '.plan > li'],
    ['Record, with its charts', '/record', '.ant-table-row'],
  ]) {
    const times = stores.map(() => [])
    for (let i = 0; i <= ROUNDS; i += 1)
      for (const [k, store] of stores.entries()) {
        const ms = await opened(store, path, ready)
        // The first round warms caches on either side.
        if (i > 0) times[k].push(ms)
      }
    const [small, large] = times.map((t) => quantile(t, 0.5))
    process.stdout.write(
      `  ${name.padEnd(24)} ${small.toFixed(0)} ms and ${large.toFixed(0)} ms: ${(large / small).toFixed(2)} x\n`,
    )
  }
  const [, large] = stores
  process.stdout.write(
    `  ${large.attempts} attempts in ${(large.bytes / 1e6).toFixed(0)} MB: ${Math.round(large.bytes / large.attempts)} bytes an attempt, its entries and indexes counted in\n`,
  )
  await browser.close()
  for (const { server, close: shut } of stores) {
    server.closeAllConnections()
    server.close()
    shut()
  }
  rmSync(folder, { recursive: true, force: true })
}
