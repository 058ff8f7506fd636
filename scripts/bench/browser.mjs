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
    const ours = await measure(page)
    // The same keys to a page that does nothing but write one word: what the browser and the machine take.
    await page.goto('about:blank')
    await page.setContent('<p></p>')
    await page.evaluate(() => {
      window.addEventListener('keydown', (event) => {
        document.querySelector('p').textContent = `${event.key} ${performance.now()}`
      })
    })
    const bare = await measure(page)
    process.stdout.write(
      `\nBrowser: key press to verdict, ${PRESSES} wrong entries on the bench (a frame is 16.7 ms)\n`,
    )
    const changed = (p) => p.changed - p.at
    const painting = (p) => p.painted - p.frame
    show('key press to page changed', ours, bare, changed)
    show('painting the frame', ours, bare, painting)
    show('both: the time that is ours', ours, bare, (p) => changed(p) + painting(p))
    show('with the wait for the next frame', ours, bare, (p) => p.painted - p.at)
  } finally {
    await browser.close()
    server.kill('SIGTERM')
  }
}

/** Types and enters a wrong value again and again. @returns the times of each press, in milliseconds. */
async function measure(page) {
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
  return page.evaluate(() => globalThis.presses)
}

function show(name, ours, bare, value) {
  const at = (presses, q) => presses.map(value).sort((a, b) => a - b)[Math.floor(q * presses.length)]
  const figure = (q) =>
    `${at(ours, q).toFixed(1).padStart(6)} ms (bare page ${at(bare, q).toFixed(1).padStart(5)})`
  process.stdout.write(`  ${name.padEnd(34)} median ${figure(0.5)}   95th percentile ${figure(0.95)}\n`)
}
