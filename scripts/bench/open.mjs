/**
 * How soon a page stands there, and how much of it moves about, with the processor four times slower: desk and bench beside a
 * bare page of the same libraries, in turn.
 */
import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { createServer } from 'node:http'
import { createRequire } from 'node:module'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { ROOT, runBin } from '../prepare.mjs'
import { launchBrowser, quantile } from './page.mjs'

const ROUNDS = 7
const SLOWER = 4
const ROUTES = [
  '',
  'learn',
  'facts',
  'soroban',
  'flash',
  'papers',
  'choose',
  'compare',
  'record',
  'board',
  'settings',
  'help',
]

/** A page that does nothing but use what ours uses: a heading, a list to choose from and a button, with data asked for. */
const BARE = `
import { QueryClient, QueryClientProvider, useQuery } from '@tanstack/react-query'
import { Button, ConfigProvider, Select } from 'antd'
import { createElement as h } from 'react'
import { createRoot } from 'react-dom/client'
import { BrowserRouter, Link, Route, Routes } from 'react-router'
function Page() {
  const { data = [] } = useQuery({ queryKey: ['all'], queryFn: () => fetch('/api/learners').then((r) => r.json()) })
  return h('main', {}, h('h1', {}, 'A bare page with a heading of some length'), h(Link, { to: '/' }, 'Here'),
    h(Select, { style: { width: 200 }, options: data.map((l) => ({ value: l.id, label: l.name })) }), h(Button, { type: 'primary' }, 'Begin'))
}
createRoot(document.getElementById('root')).render(h(ConfigProvider, {}, h(QueryClientProvider, { client: new QueryClient() },
  h(BrowserRouter, {}, h(Routes, {}, h(Route, { path: '*', element: h(Page) }))))))
`

/** @returns the folder the bare page is built in */
function bareBuilt() {
  const folder = join(ROOT, 'web/node_modules/.cache/bare')
  rmSync(folder, { recursive: true, force: true })
  mkdirSync(folder, { recursive: true })
  writeFileSync(join(folder, 'main.js'), BARE)
  writeFileSync(
    join(folder, 'index.html'),
    '<!doctype html><html lang="en"><head><meta charset="utf-8"><title>Bare</title></head><body><div id="root"></div><script type="module" src="/main.js"></script></body></html>',
  )
  writeFileSync(
    join(folder, 'vite.config.js'),
    `import { compression } from 'vite-plugin-compression2'\nexport default { plugins: [compression({ algorithms: ['gzip', 'brotliCompress'] })] }\n`,
  )
  runBin('vite', ['build', '--logLevel', 'error'], { cwd: folder })
  return join(folder, 'dist')
}

export async function run() {
  const need = createRequire(new URL('../../server/package.json', import.meta.url))
  const { default: pino } = await import(need.resolve('pino'))
  const { createApp } = await import('../../server/dist/app.js')
  const { judgeHere } = await import('../../server/dist/work/judge.js')
  const { CHORES_HERE } = await import('../../server/dist/work/chores.js')
  const { openDatabase } = await import('../../server/dist/store/files/opening.js')
  const { loadDemo } = await import('../../server/dist/store/demo.js')
  const data = mkdtempSync(join(tmpdir(), 'tachymetra-open-'))
  const file = join(data, 'demo.sqlite')
  const { db, close } = openDatabase(file)
  loadDemo(db, new Date().toISOString().slice(0, 10))
  const served = async (web) => {
    const log = pino({ level: 'silent' })
    const app = createApp({ db, file, data, judge: judgeHere, chores: CHORES_HERE, log, web, loopback: true })
    const server = createServer(app)
    await new Promise((ready) => server.listen(0, '127.0.0.1', ready))
    return { server, url: `http://127.0.0.1:${server.address().port}` }
  }
  const [bare, ours] = [await served(bareBuilt()), await served(join(ROOT, 'web/dist'))]
  const browser = await launchBrowser()
  const bench = await startedSession(browser, ours.url)
  const pages = {
    'a bare page': () => opened(browser, `${bare.url}/`, 'h1'),
    desk: () => opened(browser, `${ours.url}/`, '.plan > li'),
    bench: () => opened(browser, bench.url, '.bench', bench.state),
  }
  const found = Object.fromEntries(Object.keys(pages).map((name) => [name, []]))
  for (let i = 0; i <= ROUNDS; i += 1)
    for (const [name, open] of Object.entries(pages)) {
      const one = await open()
      if (i > 0) found[name].push(one)
    }
  const mid = (name, of) => quantile(found[name].map(of), 0.5)
  process.stdout.write(
    `\nOpened with nothing cached, the processor ${SLOWER} times slower, median of ${ROUNDS}\n`,
  )
  for (const name of Object.keys(pages)) {
    const beside = (of) => (mid(name, of) / mid('a bare page', of)).toFixed(2)
    process.stdout.write(
      `  ${name.padEnd(12)} largest paint ${mid(name, (f) => f.lcp)
        .toFixed(0)
        .padStart(
          5,
        )} ms, ${beside((f) => f.lcp)} x   script ${(mid(name, (f) => f.script) / 1000).toFixed(0).padStart(4)} kB, ${beside((f) => f.script)} x\n`,
    )
  }
  const shifts = []
  for (const route of ROUTES)
    shifts.push([route, (await opened(browser, `${ours.url}/${route}`, 'h1')).shift])
  const worst = shifts.sort((a, b) => b[1] - a[1])
  process.stdout.write(
    `  layout shift: at most ${worst[0][1].toFixed(3)} on /${worst[0][0]}, then ${worst[1][1].toFixed(3)} on /${worst[1][0]} (goal 0.05)\n`,
  )
  await browser.close()
  for (const { server } of [bare, ours]) {
    server.closeAllConnections()
    server.close()
  }
  close()
}

/** Opens a page in a browser that knows nothing yet, and waits until it rests. */
async function opened(browser, url, ready, storageState) {
  const context = await browser.newContext({
    viewport: { width: 1280, height: 800 },
    serviceWorkers: 'block',
    ...(storageState && { storageState }),
  })
  const page = await context.newPage()
  const devtools = await context.newCDPSession(page)
  await devtools.send('Emulation.setCPUThrottlingRate', { rate: SLOWER })
  await page.addInitScript(() => {
    globalThis.seen = { lcp: 0, shift: 0 }
    new PerformanceObserver((list) => {
      for (const entry of list.getEntries()) globalThis.seen.lcp = entry.startTime
    }).observe({ type: 'largest-contentful-paint', buffered: true })
    new PerformanceObserver((list) => {
      for (const entry of list.getEntries()) if (!entry.hadRecentInput) globalThis.seen.shift += entry.value
    }).observe({ type: 'layout-shift', buffered: true })
  })
  await page.goto(url)
  await page.waitForSelector(ready)
  const script = await page.evaluate(() =>
    performance
      .getEntriesByType('resource')
      .filter((entry) => /\.js$/.test(entry.name))
      .reduce((sum, entry) => sum + entry.encodedBodySize, 0),
  )
  await page.waitForTimeout(1200)
  const seen = await page.evaluate(() => globalThis.seen)
  await context.close()
  return { ...seen, script }
}

/** A session begun at the desk: the address of its bench, and what the browser keeps of it. */
async function startedSession(browser, url) {
  const context = await browser.newContext({ serviceWorkers: 'block' })
  const page = await context.newPage()
  await page.goto(url)
  await page.getByText('Or choose for yourself').click()
  await page.getByRole('button', { name: /^(Start practice|To the bench)$/ }).click()
  await page.waitForSelector('.bench')
  const address = page.url()
  await page.waitForTimeout(500)
  const state = await context.storageState({ indexedDB: true })
  await context.close()
  return { url: address, state }
}
