/** From the key press to the painted verdict, in headless Chromium on the built application. */
import { quantile, withBrowser } from './page.mjs'

const PRESSES = 200

export async function run() {
  await withBrowser(async (browser, url) => {
    const page = await browser.newPage()
    await page.goto(url)
    await page.getByText('Or choose for yourself').click()
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
  })
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
  const at = (presses, q) => quantile(presses.map(value), q)
  const figure = (q) =>
    `${at(ours, q).toFixed(1).padStart(6)} ms (bare page ${at(bare, q).toFixed(1).padStart(5)})`
  process.stdout.write(`  ${name.padEnd(34)} median ${figure(0.5)}   95th percentile ${figure(0.95)}\n`)
}
