/** What the tests do at desk and bench, as a learner would. */
import { mkdtempSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import {
  type BrowserContext,
  type BrowserContextOptions,
  test as base,
  expect,
  type Page,
} from '@playwright/test'
import { FACT_DECKS, type FactCard } from '@tachymetra/core/facts'
import { absolute, type Decimal, toText, unmarked } from '@tachymetra/core/number'
import { answerText, type Problem, printProblem, readProblem, rowsOf } from '@tachymetra/core/problem'
import { TECHNIQUES, techniqueById } from '@tachymetra/core/registry'
import type { WorkedSupport } from '@tachymetra/core/session'
import { GENERATOR, type ListedProblem, plainRecipe } from '@tachymetra/core/set'
import {
  type Step,
  type Technique,
  type Trace,
  trace as traceValues,
  type Variant,
  variantOf,
} from '@tachymetra/core/technique'
import { unwantedIn } from '@tachymetra/core/words'
import { PAGE, PATIENCE_MS } from './page.js'
import { demoCopy, TestServer } from './server.js'

/** A working whose values are all decimals, as those of everything but the items of a paper are. */
interface NumberTrace extends Trace {
  readonly steps: readonly Step<Decimal>[]
  readonly entries: readonly Decimal[]
  readonly answer: Decimal
}

export function trace(
  technique: Technique,
  problem: Parameters<typeof traceValues>[1],
  variant: Variant,
  swap?: (step: Step<Decimal>, index: number) => Decimal | undefined,
): NumberTrace {
  return traceValues(technique, problem, variant, swap as Parameters<typeof traceValues>[3]) as NumberTrace
}

export { expect }

/** Draws of the page from a seed instead of chance; E2E_SEED tries others. */
async function seeded(context: BrowserContext, title: string): Promise<void> {
  const text = `${title} ${process.env.E2E_SEED ?? ''}`
  const seed = [...text].reduce((n, c) => (Math.imul(n, 31) + c.charCodeAt(0)) | 0, 7)
  await context.addInitScript((start) => {
    let state = start
    const chance = crypto.getRandomValues.bind(crypto)
    crypto.getRandomValues = <T extends ArrayBufferView>(into: T): T => {
      // Seeds are drawn one at a time; anything else is for ids.
      if (!(into instanceof Int32Array)) return chance(into as never) as T
      state = (Math.imul(state, 1_664_525) + 1_013_904_223) | 0
      into[0] = state
      return into
    }
  }, seed)
}

/** What a worker keeps from test to test, since nothing takes longer than to load a program for the first time. */
interface Kept {
  readonly context: BrowserContext
  /** Where its servers listen: to the browser they are one, so that its files are fetched once. */
  port: number
  /** A page that stays, with the process that has compiled the program. */
  anchor: Page | undefined
}

/** Lets go of everything that pages have kept, and of what was done to them. */
async function emptied({ context, anchor }: Kept): Promise<void> {
  for (const page of context.pages()) if (page !== anchor) await page.close()
  await context.setOffline(false)
  await context.unrouteAll({ behavior: 'ignoreErrors' })
  await context.clearCookies()
  await context.clearPermissions()
  if (!anchor) return
  const client = await context.newCDPSession(anchor)
  await client.send('Storage.clearDataForOrigin', {
    origin: new URL(anchor.url()).origin,
    storageTypes: 'all',
  })
  await client.detach()
}

/**
 * Every test has a server of its own, freshly filled with the demo data, a browser in which nothing is kept, and draws
 * problems from a seed of its own.
 */
export const test = base.extend<
  {
    filled: boolean
    alone: boolean
    server: TestServer
    open: (options: BrowserContextOptions) => Promise<BrowserContext>
  },
  { kept: Kept }
>({
  /** With the demo data; otherwise nobody is in it yet. */
  filled: [true, { option: true }],
  /** Is the server a process of its own, which may be killed? */
  alone: [false, { option: true }],
  kept: [
    async ({ browser }, use) => {
      const context = await browser.newContext(PAGE)
      context.setDefaultTimeout(PATIENCE_MS)
      await use({ context, port: 0, anchor: undefined })
      await context.close()
    },
    { scope: 'worker' },
  ],
  server: async ({ kept, filled, alone }, use) => {
    const data = filled ? demoCopy() : mkdtempSync(join(tmpdir(), 'tachymetra-empty-'))
    const server = new TestServer(data, filled ? [] : ['--empty'], kept.port, alone)
    await server.start()
    kept.port = Number(new URL(server.url).port)
    kept.anchor ??= await kept.context.newPage()
    await kept.anchor.goto(`${server.url}/icon.svg`)
    await use(server)
    await emptied(kept)
    await server.stop()
  },
  // The server is asked for so that its pages are gone before it is.
  context: async ({ kept, server: _ }, use, { title }) => {
    await seeded(kept.context, title)
    await use(kept.context)
  },
  /** Another context, such as one with touch, that draws from the same seed. */
  open: async ({ browser, server: _ }, use, { title }) => {
    const opened: BrowserContext[] = []
    await use(async (options) => {
      const context = await browser.newContext({ serviceWorkers: 'block', ...options })
      opened.push(context)
      await seeded(context, title)
      return context
    })
    for (const context of opened) await context.close()
  },
})

/** The same with nobody in it yet. */
export const empty = test.extend({ filled: async ({ kept: _ }, use) => use(false) })

/** The same with a server that may be killed. */
export const killable = test.extend({ alone: async ({ kept: _ }, use) => use(true) })

/** A page whose clock is the test's: that holds for all of its context. */
export const clocked = test.extend({
  page: async ({ open }, use) => {
    const page = await (await open({})).newPage()
    await page.clock.install()
    await use(page)
  },
})

/** Opens what lies beneath the plan on the desk, unless it is open. */
export async function openChoice(page: Page): Promise<void> {
  const summary = page.getByText('Or choose for yourself')
  await expect(summary).toBeVisible()
  const fold = page.locator('details', { has: summary })
  if (!(await fold.evaluate((details: HTMLDetailsElement) => details.open))) await summary.click()
  await expect(page.getByRole('button', { name: 'Start practice' })).toBeVisible()
}

/** Picks from a list that opens; it may still be sliding when it is clicked, so what was picked is looked at. */
export async function pick(page: Page, list: string, option: string): Promise<void> {
  const box = page.getByRole('combobox', { name: list })
  await expect(async () => {
    await box.click()
    await page.locator('.ant-select-item-option').getByText(option).first().click({ timeout: 2000 })
    await expect(page.locator('.ant-select', { has: box })).toContainText(option, { timeout: 2000 })
    // One that stays open would lie over what is wanted next.
    await expect(box).toHaveAttribute('aria-expanded', 'false', { timeout: 2000 })
  }).toPass()
}

/** From the end of a session to the record. What comes in above the link may push it from under the pointer. */
export async function toSessions(page: Page): Promise<void> {
  await expect(async () => {
    const link = page.getByRole('link', { name: 'See the record' })
    if (await link.isVisible()) await link.click({ timeout: 2000 })
    await expect(page).toHaveURL(/\/record/, { timeout: 2000 })
  }).toPass()
  await page.getByRole('link', { name: 'Sessions' }).click()
}

/** The sessions of the record, newest first. */
export function sessionRows(page: Page) {
  return page.locator('.ant-table-tbody .ant-table-row')
}

/** Chooses what is practised at the desk, without starting it. */
export async function chooseProblems(
  page: Page,
  choice: { technique: string; level: number; support: string; count: number },
): Promise<void> {
  await openChoice(page)
  await page.getByRole('radio', { name: new RegExp(`^${choice.technique},`) }).check()
  const levels = page.getByRole('radiogroup', { name: 'Level' }).getByRole('radio')
  // What comes in above may push a row from under the pointer.
  await expect(async () => levels.nth(choice.level - 1).check({ timeout: 2000 })).toPass()
  await page.getByRole('group', { name: 'Support' }).getByRole('radio', { name: choice.support }).check()
  await page.getByLabel('How many').fill(String(choice.count))
}

export async function chooseSession(page: Page, choice: Parameters<typeof chooseProblems>[1]): Promise<void> {
  await chooseProblems(page, choice)
  await page.getByRole('button', { name: 'Start practice' }).click()
  await expect(page.locator('.bench')).toBeVisible()
}

export async function cardOn(page: Page): Promise<FactCard> {
  const ask = await page.locator('.fact-ask').textContent()
  return FACT_DECKS.flatMap((d) => d.cards).find((c) => c.ask === ask)!
}

/** Answers every fact of the round rightly, to its end. @returns the ids of those asked, in order */
export async function recallAll(page: Page): Promise<string[]> {
  const asked: string[] = []
  for (;;) {
    const ask = page.locator('.fact-ask')
    await expect(ask.or(page.getByRole('heading', { name: /right, \d+ fast$/ }))).toBeVisible()
    if ((await ask.count()) === 0) return asked
    const card = await cardOn(page)
    const left = (await page.getByText(/to go$/).textContent())!
    asked.push(card.id)
    await page.keyboard.type(card.kind.print(card.expect))
    // The next question, or the same once more because it was slow.
    await expect
      .poll(async () => {
        const [question, count] = [ask, page.getByText(/to go$/)]
        if ((await question.count()) === 0) return 'over'
        return (await question.textContent()) !== card.ask || (await count.textContent()) !== left
          ? 'on'
          : 'same'
      })
      .not.toBe('same')
  }
}

/** The problem on the rule, read as a screen reader would. */
export async function problemOn(page: Page): Promise<Problem> {
  const label = (await page.locator('.rule').getAttribute('aria-label'))!
  const text = label.split(';')[0]!
  const root = /^root of (.*)$/.exec(text)
  if (root) return readProblem(`sqrt(${root[1]})`)
  const signs: readonly (readonly [string, string])[] = [
    ['plus', '+'],
    ['minus', '-'],
    ['times', '*'],
    ['divided by', '/'],
    ['squared', '^2'],
  ]
  return readProblem(signs.reduce((read, [word, sign]) => read.replaceAll(word, sign), text))
}

export async function type(page: Page, value: string): Promise<void> {
  await page.keyboard.type(value)
  await page.keyboard.press('Enter')
}

/** The values of every step of the problem on the rule. */
export async function stepValues(page: Page, technique: string): Promise<string[]> {
  const t = techniqueById(technique)
  return trace(t, await problemOn(page), variantOf(t)).steps.map((s) => toText(s.expect))
}

/** Answers the problem on the rule rightly and goes on. @returns its expression. */
export async function answerOne(page: Page): Promise<string> {
  const problem = await problemOn(page)
  await type(page, answerText(problem))
  await expect(page.locator('#said').filter({ hasText: /Right first time, in/ })).toBeVisible()
  await page.keyboard.press('Enter')
  return printProblem(problem)
}

/** What may be decided at a step; a gap is a decision as well. */
const decisionOf = ({ decision, action, expect: value }: Step<Decimal>) =>
  decision ?? (action === 'deviation' ? [value] : undefined)

/** Numbers in what a page says, written plainly. */
const numbersIn = (text: string): string[] => text.replaceAll('\u2009', '').match(/\d+(\.\d+)?/g) ?? []

/**
 * Before a decision is answered nothing at the bench gives it away: no text, name, description, placeholder or value, no
 * line between digits, no answer to choose from, no lit or marked rod. What can be read off the problem, or was answered
 * before, is no secret.
 */
export async function expectUntold(page: Page, steps: readonly Step<Decimal>[], i: number): Promise<void> {
  const step = steps[i]!
  const right = decisionOf(step)
  if (!right) return
  await expect(page.locator('#question')).toContainText(unmarked(step.ask))
  const seen = await page.locator('.bench').evaluate((bench) => {
    const shown = bench.cloneNode(true) as HTMLElement
    // Keys of the pad, and which problem of how many it is, hold digits of their own.
    for (const other of shown.querySelectorAll('.keypad, .keys-line, .bench-head, .row.spread, kbd'))
      other.remove()
    const names = ['aria-label', 'aria-description', 'aria-valuetext', 'placeholder', 'title', 'value', 'alt']
    const said = [...shown.querySelectorAll('*')].flatMap((e) => names.map((n) => e.getAttribute(n) ?? ''))
    return [shown.textContent ?? '', ...said]
  })
  expect(await page.getByTestId('entry').inputValue()).toBe('')
  const numbers = [
    ...rowsOf(await problemOn(page)).map((row) => row.size),
    ...steps.slice(0, i).map((s) => absolute(s.expect)),
  ].map(toText)
  // Runs of digits of what stands there anyway.
  const known = new Set(
    numbers.flatMap((d) => [...d].flatMap((_, from) => [...d].map((__, to) => d.slice(from, to + 1)))),
  )
  // Which of the numbers a digit belongs to is counted, not told.
  const told = seen.flatMap((text) => numbersIn(text.replace(/of number \d+/g, '')))
  for (const value of right.map((v) => toText(absolute(v))).filter((v) => !known.has(v)))
    expect(told, `${step.ask} ${seen.join(' ')}`).not.toContain(value)
  await expect(page.locator('.links line, .choice')).toHaveCount(0)
}

const IDS = TECHNIQUES.map((t) => t.id).filter((id) => id.includes('-'))

/** What of some texts is no plain English, each turn with where it stands: unwanted words, and names of the code's own. */
export function notPlain(texts: readonly string[]): string[] {
  const found = texts.flatMap((text) =>
    [...unwantedIn(text), ...IDS.filter((id) => text.includes(id))].map((turn) => `${turn}: ${text}`),
  )
  return [...new Set(found)]
}

/** Counts the tones that are made from here on. */
export async function countTones(page: Page): Promise<() => Promise<number>> {
  await page.addInitScript(() => {
    const create = AudioContext.prototype.createOscillator
    ;(window as unknown as { rung: number }).rung = 0
    AudioContext.prototype.createOscillator = function (...all) {
      ;(window as unknown as { rung: number }).rung += 1
      return create.apply(this, all)
    }
  })
  return () => page.evaluate(() => (window as unknown as { rung: number }).rung)
}

/** Begins a session of some problems as the program keeps it, and opens it at the bench. @returns its id */
export async function begin(
  page: Page,
  learnerId: string,
  problems: readonly ListedProblem[],
  support: WorkedSupport = 'guided',
): Promise<string> {
  const session = {
    id: crypto.randomUUID(),
    learnerId,
    recipe: plainRecipe([{ kind: 'listed', problems }], support),
    seed: 1,
    generator: GENERATOR,
    startedAt: new Date().toISOString(),
    attempts: [],
    ended: false,
  }
  await page.evaluate(
    (row) =>
      new Promise<void>((done, fail) => {
        const opening = indexedDB.open('tachymetra')
        opening.onerror = () => fail(opening.error)
        opening.onsuccess = () => {
          const tx = opening.result.transaction('sessions', 'readwrite')
          tx.objectStore('sessions').put(row)
          tx.oncomplete = () => {
            opening.result.close()
            done()
          }
        }
      }),
    session,
  )
  await page.goto(new URL(`/bench/${session.id}`, page.url()).href)
  await expect(page.locator('.bench')).toBeVisible()
  return session.id
}
