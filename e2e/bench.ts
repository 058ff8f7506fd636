/** What the tests do at desk and bench, as a learner would. */
import { test as base, expect, type Page } from '@playwright/test'
import {
  answerOf,
  type Problem,
  printProblem,
  readProblem,
  schoolOf,
  techniqueById,
  toText,
  trace,
} from '@tachymetra/core'
import { demoCopy, TestServer } from './server.js'

export { expect }

/** Every test has a server of its own, freshly filled with the demo data. */
export const test = base.extend<{ server: TestServer }>({
  // biome-ignore lint/correctness/noEmptyPattern: the runner reads the pattern to see what is needed
  server: async ({}, use) => {
    const server = new TestServer(demoCopy())
    await server.start()
    await use(server)
    await server.stop()
  },
})

/** Opens what lies beneath the plan on the desk, unless it is open. */
export async function openChoice(page: Page): Promise<void> {
  const summary = page.getByText('Or choose for yourself')
  await expect(summary).toBeVisible()
  if (!(await page.getByRole('button', { name: 'To the bench' }).isVisible())) await summary.click()
  await expect(page.getByRole('button', { name: 'To the bench' })).toBeVisible()
}

/** Picks from a list that opens; it may still be sliding when it is clicked, so what was picked is looked at. */
export async function pick(page: Page, list: string, option: string): Promise<void> {
  const box = page.getByRole('combobox', { name: list })
  await expect(async () => {
    await box.click()
    await page.locator('.ant-select-item-option').getByText(option).first().click({ timeout: 2000 })
    await expect(page.locator('.ant-select', { has: box })).toContainText(option, { timeout: 2000 })
  }).toPass()
}

/** The sittings of the record, newest first. */
export function sittingRows(page: Page) {
  return page.locator('.ant-table-tbody .ant-table-row')
}

export async function chooseSitting(
  page: Page,
  choice: { technique: string; level: number; support: string; count: number },
): Promise<void> {
  await openChoice(page)
  await page.getByRole('radio', { name: new RegExp(`^${choice.technique},`) }).check()
  await page
    .getByRole('radiogroup', { name: 'Level' })
    .getByRole('radio')
    .nth(choice.level - 1)
    .check()
  await page.getByRole('group', { name: 'Support' }).getByRole('radio', { name: choice.support }).check()
  await page.getByLabel('How many').fill(String(choice.count))
  await page.getByRole('button', { name: 'To the bench' }).click()
  await expect(page.locator('.bench')).toBeVisible()
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
  return trace(t, await problemOn(page), schoolOf(t)).steps.map((s) => toText(s.expect))
}

/** Answers the problem on the rule rightly and goes on. @returns its expression. */
export async function answerOne(page: Page): Promise<string> {
  const problem = await problemOn(page)
  await type(page, toText(answerOf(problem)))
  await expect(page.locator('#said').filter({ hasText: /Right, in/ })).toBeVisible()
  await page.keyboard.press('Enter')
  return printProblem(problem)
}
