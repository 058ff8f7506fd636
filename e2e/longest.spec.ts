/** The longest problem of every level of every technique, measured in four windows. */
import type { Page } from '@playwright/test'
import { digitCount, seeded } from '@tachymetra/core/number'
import { draw, isItem, type Problem, printProblem, problemWords, rowsOf } from '@tachymetra/core/problem'
import { TECHNIQUES } from '@tachymetra/core/registry'
import { type ListedProblem, MOST_ITEMS } from '@tachymetra/core/set'
import type { Technique } from '@tachymetra/core/technique'
import type { LearnerWire } from '@tachymetra/core/wire'
import { begin, expect, test } from './support/bench.js'

/** How much room a problem takes: its numbers, one below the other, and the digits of the longest; of an item its line. */
function sizeOf(problem: Problem): readonly [rows: number, digits: number] {
  if (isItem(problem)) return [1, problemWords(problem).length]
  const rows = rowsOf(problem)
  return [rows.length, Math.max(...rows.map((r) => digitCount(r.size)))]
}

/** Of so many drawn from a level, the one that takes the most room. */
const DRAWN = 40

interface Longest extends ListedProblem {
  readonly size: readonly [number, number]
}

function longestOf({ id, levels }: Technique, level: number): Longest {
  const drawn: Problem[] = []
  for (const problem of draw(levels[level - 1]!.problems(), seeded(level))) {
    drawn.push(problem)
    if (drawn.length === DRAWN) break
  }
  const [longest] = drawn.sort((a, b) => {
    const [x, y] = [sizeOf(a), sizeOf(b)]
    return y[0] - x[0] || y[1] - x[1]
  })
  return { technique: id, level, expression: printProblem(longest!), size: sizeOf(longest!) }
}

/** Where a longer one of the same technique fits, so does this; E2E_ALL measures these as well. */
const isLongest = (one: Longest, _: number, all: readonly Longest[]) =>
  process.env.E2E_ALL !== undefined ||
  !all.some((o) => o !== one && o.size.every((n, i) => n >= one.size[i]!) && `${o.size}` !== `${one.size}`)

const LONGEST = TECHNIQUES.filter((t) => t.id !== 'flash-sum').flatMap((technique) =>
  technique.levels
    .map((_, i) => longestOf(technique, i + 1))
    .filter(isLongest)
    .map(({ size, ...problem }) => problem),
)

/** Frames a busy machine may need until the rule has been measured in another window and written anew. */
const SETTLED = 40

/** What does not fit on the page once it stands. */
async function misfits(page: Page, touch: boolean): Promise<readonly string[]> {
  let faults: readonly string[] = []
  for (let frame = 0; frame < SETTLED; frame += 1) {
    faults = await misfitsNow(page, touch)
    if (faults.length === 0) break
  }
  return faults
}

/** What does not fit two frames from now: parts that are cut off or lie beneath another, digits too small. */
const misfitsNow = (page: Page, touch: boolean) =>
  page.evaluate(async (keys) => {
    for (let i = 0; i < 2; i += 1) await new Promise(requestAnimationFrame)
    const faults: string[] = []
    const boxOf = (selector: string) => {
      const found = document.querySelector(selector)
      return found?.checkVisibility() ? { selector, box: found.getBoundingClientRect() } : undefined
    }
    const written = boxOf('.rule .zone') ?? boxOf('.entry-line') ?? boxOf('.choices') ?? boxOf('.soroban')
    const asked = [
      boxOf('.rule') ?? boxOf('.problem-line') ?? boxOf('.item-line') ?? boxOf('.soroban'),
      boxOf('#question'),
      written,
    ]
    const pad = keys && !boxOf('.soroban') && !boxOf('.choices') ? [boxOf('.keypad')] : []
    const parts = [...asked, ...pad]
    for (const [i, part] of parts.entries()) {
      if (!part) {
        faults.push(`part ${i} is missing`)
        continue
      }
      const { selector, box } = part
      const [width, height] = [document.documentElement.clientWidth, innerHeight]
      if (box.top < -1 || box.left < -1 || box.bottom > height + 1 || box.right > width + 1)
        faults.push(`${selector} ends at ${Math.round(box.right)}, ${Math.round(box.bottom)}`)
      const [below] = pad
      if (below && selector !== '.keypad' && box.bottom > below.box.top + 1 && box.right > below.box.left + 1)
        faults.push(`${selector} lies beneath the keys`)
    }
    for (const digits of document.querySelectorAll('.band, .problem-line, .item-line')) {
      const high = Number.parseFloat(getComputedStyle(digits).fontSize)
      if (high < 20) faults.push(`digits of ${high} px`)
    }
    if (document.documentElement.scrollWidth > innerWidth) faults.push('wider than the page')
    if (scrollX !== 0 || scrollY !== 0) faults.push(`scrolled to ${scrollX}, ${scrollY}`)
    return faults
  }, touch)

for (const [touch, sizes] of [
  [
    false,
    [
      [1280, 800],
      [640, 400],
    ],
  ],
  [
    true,
    [
      [360, 740],
      [740, 360],
    ],
  ],
] as const)
  test(`the longest problem of every level fits ${touch ? 'on a telephone' : 'as it is and enlarged'}: problem, question, entry and keys together, digits of 20 pixels, nothing scrolled`, async ({
    open,
    server,
  }) => {
    test.setTimeout(600_000)
    const viewport = { width: sizes[0][0], height: sizes[0][1] }
    const page = await (await open({ viewport, hasTouch: touch, isMobile: touch })).newPage()
    await page.goto(server.url)
    await expect(page.getByText('Learner:')).toBeVisible()
    const [learner] = await server.api<LearnerWire[]>('/learners')
    const faults: string[] = []
    for (let from = 0; from < LONGEST.length; from += MOST_ITEMS) {
      const some = LONGEST.slice(from, from + MOST_ITEMS)
      await begin(page, learner!.id, some)
      for (const [i, { technique, level, expression }] of some.entries()) {
        await page.getByText(`Problem ${i + 1} of ${some.length}`).waitFor()
        for (const [width, height] of sizes) {
          await page.setViewportSize({ width, height })
          for (const fault of await misfits(page, touch))
            faults.push(`${technique} ${level} (${expression}) at ${width}x${height}: ${fault}`)
        }
        await page.keyboard.press('n')
        await page.keyboard.press('Enter')
      }
    }
    expect(faults).toEqual([])
  })
