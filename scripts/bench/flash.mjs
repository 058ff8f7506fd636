/**
 * When flashed numbers really appear, beside a general browser-experiment library showing the same numbers at the
 * same times. Both are watched alike from outside: the frame on which each number is painted.
 */
import { readFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { ROOT } from '../prepare.mjs'
import { launchBrowser, quantile, withBrowser } from './page.mjs'

const COUNT = Number(process.env.FLASHES ?? 1000)
const SHOW_MS = 300
const FRAME_MS = 1000 / 60

export async function run() {
  const ours = await bundled()
  const need = createRequire(new URL('../../e2e/package.json', import.meta.url))
  const script = (name) => readFileSync(join(need.resolve(name), '../index.browser.min.js'), 'utf8')
  const theirs = [script('jspsych'), script('@jspsych/plugin-html-keyboard-response')]
  await withBrowser(async (browser) => {
    process.stdout.write(
      `\nFlash: ${COUNT} numbers at ${SHOW_MS} ms each, onsets against plan (a frame is ${FRAME_MS.toFixed(1)} ms)\n`,
    )
    await besides(async () => report('this program', await watch(browser, [ours], oursShows)))
    report('jsPsych', await watch(browser, theirs, theirsShows))
  })
}

/** The module that shows numbers, as the browser would load it. */
async function bundled() {
  const { build } = await import(createRequire(join(ROOT, 'web/package.json')).resolve('vite'))
  const outDir = join(tmpdir(), `tachymetra-flash-${process.pid}`)
  await build({
    configFile: false,
    logLevel: 'error',
    resolve: { conditions: ['source', 'module', 'browser'] },
    build: {
      outDir,
      lib: {
        entry: join(ROOT, 'web/src/flash/show.ts'),
        formats: ['iife'],
        name: 'show',
        fileName: () => 'show.js',
      },
    },
  })
  return readFileSync(join(outDir, 'show.js'), 'utf8')
}

function oursShows([count, showMs]) {
  const box = document.querySelector('#box')
  globalThis.show
    .showNumbers(count, { showMs, gapMs: 0 }, (i) => {
      box.textContent = i === undefined ? '' : `n${i}`
    })
    .done.then(() => {
      globalThis.finished = true
    })
}

function theirsShows([count, showMs]) {
  const psych = globalThis.initJsPsych({
    display_element: 'box',
    on_finish: () => {
      globalThis.finished = true
    },
  })
  psych.run(
    Array.from({ length: count }, (_, i) => ({
      type: globalThis.jsPsychHtmlKeyboardResponse,
      stimulus: `n${i}`,
      choices: 'NO_KEYS',
      trial_duration: showMs,
      post_trial_gap: 0,
    })),
  )
}

/** @returns by number, the frame on which it was first seen, in milliseconds from the first one's. */
async function watch(browser, scripts, start) {
  const page = await browser.newPage()
  await page.setContent('<!doctype html><div id="box"></div>')
  for (const content of scripts) await page.addScriptTag({ content })
  await page.evaluate(() => {
    const seen = new Map()
    globalThis.seen = seen
    // Whatever changes the page is noticed at once, and counted to the frame that follows: a constant shift.
    new MutationObserver(() => {
      const text = /n\d+/.exec(document.querySelector('#box').textContent)?.[0]
      if (!text || seen.has(text)) return
      seen.set(text, undefined)
      requestAnimationFrame((at) => seen.set(text, at))
    }).observe(document.querySelector('#box'), { childList: true, characterData: true, subtree: true })
  })
  await page.evaluate(start, [COUNT, SHOW_MS])
  await page.waitForFunction(() => globalThis.finished, undefined, { timeout: 0 })
  const seen = await page.evaluate(() => [...globalThis.seen])
  await page.close()
  // A number that no frame was left for is not there; the others keep their own places.
  return new Map(seen.map(([text, at]) => [Number(text.slice(1)), at - seen[0][1]]))
}

function report(name, times) {
  const errors = [...times].map(([n, at]) => at - n * SHOW_MS)
  const within = errors.filter((e) => Math.abs(e) <= FRAME_MS + 0.1).length / COUNT
  const drift = (errors.at(-1) - errors[Math.floor(errors.length / 2)]).toFixed(1)
  process.stdout.write(
    `  ${name.padEnd(14)} ${times.size} shown; within a frame ${(100 * within).toFixed(1)} %; 99.9th percentile ${quantile(errors.map(Math.abs), 0.999).toFixed(1)} ms; last number ${errors.at(-1).toFixed(1)} ms off, ${drift} ms more than halfway\n`,
  )
}

/** Frames of an empty page in a browser of its own, meanwhile: what the machine itself holds up. */
async function besides(work) {
  const browser = await launchBrowser()
  const page = await browser.newPage()
  await page.evaluate(() => {
    globalThis.late = []
    let last
    requestAnimationFrame(function frame(now) {
      if (now - last > 40) globalThis.late.push(now - last)
      last = now
      requestAnimationFrame(frame)
    })
  })
  await work()
  const late = await page.evaluate(() => globalThis.late)
  await browser.close()
  process.stdout.write(
    `  an empty page  meanwhile: ${late.length} frames held up for more than two, the longest ${Math.max(0, ...late).toFixed(0)} ms\n`,
  )
}
