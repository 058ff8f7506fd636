/** From the key press to the painted verdict, in headless Chromium on the built application. */
import { spawn } from 'node:child_process'
import { mkdtempSync } from 'node:fs'
import { createRequire } from 'node:module'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { ROOT } from '../prepare.mjs'

const PRESSES = 200

export async function run() {
  const need = createRequire(new URL('../../e2e/package.json', import.meta.url))
  const { chromium } = need('@playwright/test')
  const server = spawn(process.execPath, ['scripts/serve.mjs'], {
    cwd: ROOT,
    env: { ...process.env, PORT: '0', TACHYMETRA_DATA: mkdtempSync(join(tmpdir(), 'tachymetra-bench-')) },
    stdio: ['ignore', 'pipe', 'ignore'],
  })
  const url = await new Promise((ready) => {
    server.stdout.on('data', (chunk) => /http:\S+/.test(chunk) && ready(/http:\S+/.exec(chunk)[0]))
  })
  const args = [
    '--no-sandbox',
    '--disable-gpu',
    '--disable-quic',
    '--no-first-run',
    '--disable-background-networking',
    '--disable-component-update',
    '--disable-sync',
  ]
  const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args })
  try {
    const page = await browser.newPage()
    await page.goto(url)
    await page.getByRole('radio', { name: 'Guided' }).check()
    await page.getByRole('button', { name: 'To the bench' }).click()
    await page.getByTestId('entry').waitFor()
    await page.evaluate(() => {
      globalThis.presses = []
      let press
      const enter = (then) => (event) => event.key === 'Enter' && then(event)
      // Capturing: before the application sees the key. The frame's callback runs just before it is painted, and
      // the message sent from there is handled just after.
      window.addEventListener(
        'keydown',
        enter((event) => {
          const mine = { at: event.timeStamp }
          press = mine
          const channel = new MessageChannel()
          channel.port1.onmessage = () => globalThis.presses.push({ ...mine, painted: performance.now() })
          requestAnimationFrame(() => {
            mine.frame = performance.now()
            channel.port2.postMessage(0)
          })
        }),
        true,
      )
      // Bubbling and added last: the application has judged the entry and changed the page.
      window.addEventListener(
        'keydown',
        enter(() => {
          press.changed = performance.now()
        }),
      )
    })
    // A wrong value each time: judged, its slip sought among the known ones, the verdict and the list drawn.
    for (let i = 0; i < PRESSES; i += 1) {
      await page.keyboard.type(String(100 + i))
      await page.waitForTimeout(30 + ((i * 7) % 13))
      await page.keyboard.press('Enter')
      await page.waitForTimeout(20)
    }
    await page.waitForTimeout(200)
    const presses = await page.evaluate(() => globalThis.presses)
    const show = (name, value) => {
      const sorted = presses.map(value).sort((a, b) => a - b)
      const at = (q) => `${sorted[Math.floor(q * sorted.length)].toFixed(1).padStart(6)} ms`
      process.stdout.write(`  ${name.padEnd(44)} median ${at(0.5)}   95th percentile ${at(0.95)}\n`)
    }
    process.stdout.write(
      `\nBrowser: key press to verdict, ${presses.length} wrong entries on the bench (a frame is 16.7 ms)\n`,
    )
    show('key press to page changed', (p) => p.changed - p.at)
    show('painting the frame', (p) => p.painted - p.frame)
    show('both: the time that is ours', (p) => p.changed - p.at + p.painted - p.frame)
    show('with the wait for the next frame', (p) => p.painted - p.at)
  } finally {
    await browser.close()
    server.kill('SIGTERM')
  }
}
