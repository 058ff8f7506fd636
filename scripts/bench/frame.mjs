/** The soroban with its most rods: frames while a bead is dragged and while keys repeat, and key to painted bead. */
import { quantile, withBrowser } from './page.mjs'

const RODS = 27
const SECONDS = 5

export async function run() {
  await withBrowser(async (browser, url) => {
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } })
    await page.addInitScript((rods) => localStorage.setItem('tachymetra', JSON.stringify({ rods })), RODS)
    await page.goto(`${url}/soroban`)
    await page.locator('.rod').first().waitFor()
    const idle = await frames(page, () => page.waitForTimeout(SECONDS * 1000))
    const box = await page.locator('.soroban').boundingBox()
    const drag = await frames(page, async () => {
      const until = Date.now() + SECONDS * 1000
      for (let i = 0; Date.now() < until; i += 1) {
        // Up and down on one rod after another, all four beads at a time.
        const x = box.x + 20 + ((i * 37) % (box.width - 40))
        await page.mouse.move(x, box.y + 0.82 * box.height)
        await page.mouse.down()
        for (const y of [0.74, 0.66, 0.58, 0.66, 0.74, 0.82]) await page.mouse.move(x, box.y + y * box.height)
        await page.mouse.up()
      }
    })
    const keys = await frames(page, async () => {
      const until = Date.now() + SECONDS * 1000
      for (let i = 0; Date.now() < until; i += 1)
        await page.keyboard.press(['ArrowUp', ' ', 'ArrowLeft', '7'][i % 4])
    })
    process.stdout.write(`\nThe frame with ${RODS} rods: milliseconds between frames (60 a second is 16.7)\n`)
    for (const [name, times] of [
      ['nothing moves', idle],
      ['beads dragged', drag],
      ['keys', keys],
    ])
      process.stdout.write(
        `  ${name.padEnd(14)} median ${quantile(times, 0.5).toFixed(1)}, 95th percentile ${quantile(times, 0.95).toFixed(1)}, 99th ${quantile(times, 0.99).toFixed(1)} (${times.length} frames)\n`,
      )
    await keyToBead(page)
  })
}

/** Intervals between the display's frames while something is done. */
async function frames(page, doing) {
  await page.evaluate(() => {
    globalThis.intervals = []
    globalThis.watching = true
    let last
    const tick = (now) => {
      if (last !== undefined) globalThis.intervals.push(now - last)
      last = now
      if (globalThis.watching) requestAnimationFrame(tick)
    }
    requestAnimationFrame(tick)
  })
  await doing()
  return page.evaluate(() => {
    globalThis.watching = false
    return globalThis.intervals
  })
}

/** The program's own time from a key to the bead it moves: changing the page, and painting the frame. */
async function keyToBead(page) {
  await page.evaluate(() => {
    globalThis.presses = []
    let mine
    window.addEventListener(
      'keydown',
      (event) => {
        mine = { at: event.timeStamp }
        const press = mine
        const channel = new MessageChannel()
        channel.port1.onmessage = () =>
          globalThis.presses.push(press.changed - press.at + performance.now() - press.frame)
        requestAnimationFrame(() => {
          press.frame = performance.now()
          channel.port2.postMessage(0)
        })
      },
      true,
    )
    window.addEventListener('keydown', () => {
      mine.changed = performance.now()
    })
  })
  for (let i = 0; i < 200; i += 1) {
    await page.keyboard.press(i % 2 ? 'ArrowDown' : 'ArrowUp')
    await page.waitForTimeout(30 + ((i * 7) % 13))
  }
  const times = await page.evaluate(() => globalThis.presses)
  process.stdout.write(
    `  key to painted bead: median ${quantile(times, 0.5).toFixed(1)} ms, 95th percentile ${quantile(times, 0.95).toFixed(1)} ms (without the wait for the next frame)\n`,
  )
}
