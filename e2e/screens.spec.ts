import { readFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import type { Page } from '@playwright/test'
import { seeded } from '@tachymetra/core/number'
import { PAGES } from '@tachymetra/core/pages'
import type { NumberSigns } from '@tachymetra/core/set'
import {
  answerOne,
  chooseSession,
  expect,
  notPlain,
  openChoice,
  pick,
  sessionRows,
  stepValues,
  test,
  toSessions,
  type,
} from './support/bench.js'
import { answer, listed } from './support/paper.js'
import type { TestServer } from './support/server.js'

const AXE = readFileSync(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8')

/** Every rule axe has, but for these. */
const NOT_HELD: Readonly<Record<string, string>> = {
  'color-contrast-enhanced': 'level AAA; more contrast is a choice of the learner',
  'identical-links-same-purpose': 'level AAA; a technique is practised and looked up from several places',
  'target-size': 'beads are drawn as one picture, with keys and a keypad for the same',
  region: 'lists and menus of the component library open outside the landmarks',
  'p-as-heading': 'large figures are no headings',
}

/** Every rule of axe but those that are not held. */
async function expectNoViolations(page: Page): Promise<void> {
  await page.evaluate(AXE)
  const violations = await page.evaluate(async (notHeld) => {
    const { axe } = globalThis as unknown as {
      axe: {
        getRules(): { ruleId: string }[]
        run(
          options: object,
        ): Promise<{ violations: { id: string; nodes: { html: string; failureSummary: string }[] }[] }>
      }
    }
    const rules = axe.getRules().map((r) => r.ruleId)
    const run = await axe.run({
      runOnly: { type: 'rule', values: rules.filter((r) => !notHeld.includes(r)) },
    })
    return run.violations.map(
      (v) => `${v.id}: ${v.nodes.map((n) => `${n.html} ${n.failureSummary}`).join(' | ')}`,
    )
  }, Object.keys(NOT_HELD))
  expect.soft(violations, page.url()).toEqual([])
}

/** How every screen writes its numbers: in every sign otherwise than they are put together. */
const NUMBERS: NumberSigns = { decimal: ',', grouping: 'sign', times: '·', over: ':' }

/** A number, or a sign between two, that was not written as it was chosen. */
const UNWRITTEN = /\u2009|×|÷|\.\u2060|(?<![\d.])\d+\.\d+(?![\d.])/

/**
 * Every text and name on the page is plain, none is a name of the code's own, and every number is written as it was chosen, but
 * for what a person typed and what is no number.
 */
async function expectPlain(page: Page): Promise<void> {
  const numbers = await page.locator('body').evaluate((body) => {
    const texts: string[] = []
    const nodes = document.createTreeWalker(body, NodeFilter.SHOW_TEXT)
    while (nodes.nextNode()) {
      const inside = nodes.currentNode.parentElement
      if (!inside?.closest('bdi, style, .printed, .js-plotly-plot'))
        texts.push(nodes.currentNode.nodeValue ?? '')
    }
    const names = [...body.querySelectorAll('*')].flatMap((e) =>
      ['aria-label', 'title', 'placeholder'].map((n) => e.getAttribute(n) ?? ''),
    )
    return [...texts, ...names]
  })
  expect.soft([...new Set(numbers.filter((text) => UNWRITTEN.test(text)))], page.url()).toEqual([])
  const texts = await page.locator('body').evaluate((body) => {
    const texts: string[] = []
    const nodes = document.createTreeWalker(body, NodeFilter.SHOW_TEXT)
    while (nodes.nextNode()) texts.push(nodes.currentNode.nodeValue ?? '')
    const names = [...body.querySelectorAll('*')].flatMap((e) =>
      ['aria-label', 'title', 'placeholder'].map((n) => e.getAttribute(n) ?? ''),
    )
    return [...texts, ...names]
  })
  expect.soft(notPlain(texts), page.url()).toEqual([])
}

/** Nothing may stick out sideways: the page itself never scrolls that way. */
async function expectFits(page: Page): Promise<void> {
  const wide = await page.evaluate(() => document.documentElement.scrollWidth)
  expect.soft(wide, page.url()).toBeLessThanOrEqual(page.viewportSize()!.width)
}

/** Parts of the library's controls that it has no rules for. */
const PLAIN_PARTS =
  /^ant-(checkbox-label|radio-label|table-measure-row|modal-close-icon|select-dropdown-list.*)$/

/** The rules of the library's controls are written when the program is built: each that is shown has its own. */
async function expectDressed(page: Page): Promise<void> {
  const bare = await page.evaluate(() => {
    const rules = [...document.styleSheets]
      .flatMap((sheet) => [...sheet.cssRules].map((r) => r.cssText))
      .join()
    const shown = [...document.querySelectorAll('[class*="ant-"]')].map(
      (e) => [...e.classList].find((name) => name.startsWith('ant-')) ?? '',
    )
    return [...new Set(shown)].filter((name) => name && !new RegExp(`\\.${name}(?![\\w-])`).test(rules))
  })
  expect
    .soft(
      bare.filter((name) => !PLAIN_PARTS.test(name)),
      page.url(),
    )
    .toEqual([])
}

/** By the Tab key alone everything is reached, with the focus seen and nothing lying over it. */
async function expectWalkable(page: Page): Promise<void> {
  const reached = new Set<string>()
  const faults: string[] = []
  const first = await page.evaluate(() => {
    document.querySelector<HTMLElement>('.skip')!.focus()
    const all = [
      ...document.querySelectorAll<HTMLElement>('a[href], button, input, select, summary, [tabindex]'),
    ]
    return all.filter((e) => e.tabIndex >= 0 && e.checkVisibility() && !e.matches(':disabled')).length
  })
  for (let i = 0; i < first + 5; i += 1) {
    await page.keyboard.press('Tab')
    const at = await page.evaluate(() => {
      const e = document.activeElement as HTMLElement
      if (!e || e === document.body) return undefined
      const name = `${e.tagName} ${e.getAttribute('aria-label') ?? e.textContent?.trim().slice(0, 40) ?? ''} ${e.id}`
      const shown = (of: Element | null, up: number): boolean => {
        if (!of || up < 0) return false
        const { outlineStyle, outlineWidth, boxShadow } = getComputedStyle(of)
        return (
          (outlineStyle !== 'none' && Number.parseFloat(outlineWidth) >= 2) ||
          boxShadow !== 'none' ||
          // A rod is drawn with a thicker line; a field for the time of day has a part with a ring of the browser's own.
          of.matches('.rod:has(.zone), [type="time"]') ||
          shown(of.parentElement, up - 1)
        )
      }
      const box = e.getBoundingClientRect()
      const [x, y] = [box.x + box.width / 2, box.y + box.height / 2]
      const over = document.elementFromPoint(x, y)
      const seen =
        box.width < 3 ||
        (over !== null &&
          (e.contains(over) ||
            over.contains(e) ||
            e.closest('label')?.contains(over) === true ||
            over.closest('.ant-select, .ant-input-number, .ant-segmented') ===
              e.closest('.ant-select, .ant-input-number, .ant-segmented')))
      return { name, focus: shown(e, 4), seen, place: [Math.round(x), Math.round(y)] }
    })
    if (!at) break
    reached.add(at.name)
    if (!at.focus) faults.push(`no focus is seen on ${at.name}`)
    if (!at.seen) faults.push(`something lies over ${at.name} at ${at.place.join(', ')}`)
  }
  expect.soft([...new Set(faults)], page.url()).toEqual([])
  expect.soft(reached.size, page.url()).toBeGreaterThan(2)
}

interface Look {
  readonly colorScheme: 'light' | 'dark'
  readonly width: number
}

const LOOKS: readonly Look[] = (['light', 'dark'] as const).flatMap((colorScheme) =>
  [1280, 360, 320].map((width) => ({ colorScheme, width })),
)

/** Each state in a look drawn for it; with AUDIT every state in every look. */
const AUDIT = process.env.AUDIT !== undefined
type Walk = (page: Page, server: TestServer, check: () => Promise<void>) => Promise<void>

function everyScreen(what: string, walk: Walk): void {
  for (const look of AUDIT ? LOOKS : [undefined])
    test(`${what} ${look ? `${look.colorScheme} at ${look.width}` : 'in a look drawn for it'}: axe finds nothing, nothing sticks out, every word is plain`, async ({
      open,
      server,
    }) => {
      test.setTimeout(600_000)
      const context = await open({
        viewport: { width: 1280, height: 800 },
        hasTouch: true,
        reducedMotion: 'reduce',
      })
      await context.addInitScript((numbers) => {
        const kept = JSON.parse(localStorage.getItem('tachymetra') ?? '{}')
        localStorage.setItem('tachymetra', JSON.stringify({ ...kept, numbers }))
      }, NUMBERS)
      const page = await context.newPage()
      const errors: string[] = []
      page.on('pageerror', (error) => errors.push(error.message))
      // Of a page that is none the browser says so.
      const foreseen = (url: string) => url.endsWith('/nowhere')
      page.on('console', (message) => {
        if (message.type() === 'error' && !foreseen(message.location().url)) errors.push(message.text())
      })
      const random = seeded(1)
      const wear = async ({ colorScheme, width }: Look) => {
        await page.emulateMedia({ colorScheme, reducedMotion: 'reduce' })
        await page.setViewportSize({ width, height: width === 1280 ? 800 : 740 })
        // Colours glide from one light to the other.
        await page.waitForTimeout(100)
        await page.waitForFunction(() => document.getAnimations().every((a) => a.playState !== 'running'))
      }
      if (look) await wear(look)
      const check = async () => {
        if (!look) await wear(LOOKS[Math.floor(random.unit() * LOOKS.length)]!)
        await expectNoViolations(page)
        await expectFits(page)
        await expectPlain(page)
        await expectDressed(page)
        if (AUDIT && look?.colorScheme === 'light') await expectWalkable(page)
      }
      await walk(page, server, check)
      expect(errors).toEqual([])
    })
}

everyScreen('every screen', async (page, server, check) => {
  await page.goto(server.url)
  await expect(page.locator('.plan > li').first()).toBeVisible()
  await check()
  await openChoice(page)
  await check()
  await page.getByRole('button', { name: 'Add a learner' }).click()
  await expect(page.getByRole('dialog')).toBeVisible()
  await check()
  await page.keyboard.press('Escape')
  await expect(page.getByRole('dialog')).toBeHidden()
  await page.getByRole('radio', { name: 'Own settings' }).check()
  await expect(page.getByTestId('possible')).toBeVisible()
  await check()
  await page.getByRole('link', { name: 'How it is done', exact: true }).click()
  await expect(page.getByRole('heading', { name: 'Why it works' })).toBeVisible()
  await check()
  await page.goto(server.url)
  await page.getByText('The week ahead').click()
  await expect(page.locator('.week')).toBeVisible()
  await check()
  // The board is walked through below, with a plan on it.
  const plain = PAGES.filter((page) => page !== '' && !page.includes(':') && !page.startsWith('board'))
  for (const path of [...plain, 'learn/pattern?first=4&second=3'] as const) {
    expect((await page.goto(`${server.url}/${path}`))!.status(), path).toBe(200)
    await expect(page.getByRole('heading', { level: 1 })).toBeVisible()
    await check()
  }
  await page.goto(server.url)
  await chooseSession(page, { technique: 'Beads: add and take away', level: 7, support: 'Watch', count: 1 })
  await check()
  await page.getByRole('radio', { name: 'Guided' }).check()
  await expect(page.locator('.soroban.live')).toBeVisible()
  await check()
  await page.goto(`${server.url}/compare?p=64*33`)
  await page.getByText('that do not fit, and why').click()
  await check()
  await page.goto(server.url)

  await chooseSession(page, { technique: 'Hold and borrow', level: 12, support: 'Watch', count: 2 })
  await page.keyboard.press('Enter')
  await check()
  await page.getByRole('radio', { name: 'Guided' }).check()
  await expect(page.getByTestId('entry')).toBeFocused()
  const values = await stepValues(page, 'subtract-hold-drop')
  await type(page, values[0]!)
  await type(page, '12345')
  await check()
  for (const value of values.slice(1)) await type(page, value)
  await expect(page.locator('#said')).toContainText('Right')
  await check()
  await page.keyboard.press('Enter')
  await page.getByRole('radio', { name: 'Answer only' }).check()
  await check()
  await answerOne(page)
  await expect(page.getByRole('heading', { name: 'The session' })).toBeVisible()
  await check()
  await toSessions(page)
  await expect(sessionRows(page).nth(1)).toBeVisible()
  await check()
  await sessionRows(page).first().getByRole('link').click()
  await expect(page.getByRole('heading', { name: 'Attempts' })).toBeVisible()
  await check()
  await page.locator('.attempts tbody').getByRole('link').first().click()
  await expect(page.getByRole('heading', { level: 1 })).toContainText('−')
  await page.keyboard.press('ArrowRight')
  await check()
  await page.goto(server.url)
  await pick(page, 'Learner:', 'Sunniva Dray')
  await page.goto(`${server.url}/papers`)
  await expect(page.locator('.chart .main-svg').first()).toBeVisible()
  await check()
  await page.locator('.paper-list a').first().click()
  await page.locator('details.gone-through summary').first().click()
  await page.getByRole('button', { name: 'Work it yourself' }).first().click()
  await check()
  await page.goto(`${server.url}/papers`)
  await page.getByRole('button', { name: 'Begin the paper' }).click()
  await expect(page.getByRole('heading', { name: 'item 1 of 80' })).toBeVisible()
  await check()
  await answer(page, (await listed(page))[0]!, true)
  await page.keyboard.press('Escape')
  await check()
  await page.keyboard.press('y')
  await expect(page.getByRole('heading', { name: /^Paper: / })).toBeVisible()
  await check()
  expect((await page.goto(`${server.url}/nowhere`))!.status()).toBe(404)
  await check()
})

everyScreen('every set that is made up before', async (page, server, check) => {
  await page.goto(server.url)
  await pick(page, 'Learner:', 'Sunniva Dray')
  await page.goto(`${server.url}/papers/trials?trial=lists`)
  await page.locator('.chart').scrollIntoViewIfNeeded()
  await expect(page.locator('.chart .main-svg').first()).toBeVisible()
  await check()
  await page.getByRole('button', { name: 'Begin this trial' }).click()
  await expect(page.getByRole('button', { name: /^Start/ })).toBeVisible()
  await check()
  await page.goto(`${server.url}/papers/own`)
  await page.getByLabel('Problems, one on each line').fill('36*52\n47\n12+=3')
  await page.getByText('As they are read').click()
  await page.getByLabel('Name').fill('Four')
  await check()
  await page.getByRole('button', { name: 'Keep 1 problem' }).click()
  await expect(page.getByRole('article', { name: 'Four' })).toBeVisible()
  await check()
  await page.goto(`${server.url}/papers/sheets`)
  await page.getByRole('radio', { name: 'A paper' }).check()
  await page.getByRole('button', { name: 'Make 1 sheet' }).click()
  await expect(page.locator('.printed').first()).toBeVisible()
  await check()
  await page.getByRole('link', { name: 'Key it in' }).click()
  await page.keyboard.press('ArrowRight')
  await check()
  await page.goto(`${server.url}/papers/sheets`)
  await expect(page.locator('.batch')).toBeVisible()
  await check()
  await page.goto(`${server.url}/board`)
  await check()
  for (const kind of [
    'Problems that are typed',
    'One problem in two ways',
    'Facts, called',
    'Flash and tape',
  ]) {
    await pick(page, 'What is shown', kind)
    await check()
  }
  await page.goto(`${server.url}/board`)
  await page.getByRole('button', { name: 'Add to the lesson' }).click()
  await page.getByLabel('Name', { exact: true }).fill('Tens')
  await page.getByRole('button', { name: 'Keep', exact: true }).click()
  await expect(page.getByRole('button', { name: 'Begin: Tens' })).toBeVisible()
  await check()
  await page.getByRole('button', { name: 'Begin the lesson' }).click()
  await expect(page.locator('.wall')).toBeVisible()
  await check()
  await page.keyboard.press('PageDown')
  await page.keyboard.press('PageDown')
  await check()
  await page.keyboard.press('w')
  await check()
})

test('thirty digits stand on the rule at 360 px', async ({ open, server }) => {
  const context = await open({ viewport: { width: 360, height: 740 } })
  const page = await context.newPage()
  await page.goto(server.url)
  await chooseSession(page, { technique: 'Hold and borrow', level: 15, support: 'Guided', count: 1 })
  await expect(page.getByTestId('entry')).toBeFocused()
  await expectFits(page)
  const widths = await page.locator('.rule').evaluate((rule) => [rule.scrollWidth, rule.clientWidth])
  expect(widths[0]).toBeLessThanOrEqual(widths[1]!)
})

test('the practice screen loads no charts', async ({ page, server }) => {
  const loaded: string[] = []
  page.on('response', (r) => loaded.push(r.url()))
  await page.goto(server.url)
  await chooseSession(page, { technique: 'Running total', level: 1, support: 'Answer only', count: 1 })
  await expect(page.getByTestId('entry')).toBeFocused()
  expect(loaded.filter((url) => /Plot|plotly/i.test(url))).toEqual([])
  await answerOne(page)
  await toSessions(page)
  expect(loaded.filter((url) => /Plot|plotly/i.test(url))).toEqual([])
  await page.getByRole('link', { name: 'Pace' }).click()
  await expect(page.locator('.chart .main-svg').first()).toBeVisible()
  expect(loaded.filter((url) => /\/Plot-/.test(url))).toHaveLength(1)
})
