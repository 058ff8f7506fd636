/** A paper worked against the clock, scored, gone through and learnt from. */

import type { Page } from '@playwright/test'
import { techniqueById } from '@tachymetra/core/registry'
import { isStarred, PAPER_POOL, setupOf } from '@tachymetra/core/set'
import type { LearnerWire, ProgressWire, WorkedSet } from '@tachymetra/core/wire'
import { clocked, countTones, expect, pick, test } from './support/bench.js'
import { answer, answerTo, keysOf, listed } from './support/paper.js'
import type { TestServer } from './support/server.js'

async function openPapers(page: Page, server: TestServer, name = 'Ilse Marrow'): Promise<LearnerWire> {
  await page.goto(server.url)
  await pick(page, 'Learner:', name)
  await page.getByRole('link', { name: 'Papers', exact: true }).click()
  await expect(page.getByRole('heading', { name: /^Papers for/ })).toBeVisible()
  return (await server.api<LearnerWire[]>('/learners')).find((l) => l.name === name)!
}

const at = (page: Page, n: number, of: number) =>
  expect(page.getByRole('heading', { name: `item ${n} of ${of}` })).toBeVisible()

async function setUp(page: Page, items: number): Promise<void> {
  await page.getByRole('spinbutton', { name: 'Items' }).fill(String(items))
  await page.getByRole('spinbutton', { name: 'Items' }).press('Tab')
}

test('a paper by keyboard: skips, a reload, the server gone; then scored, gone through, and what cost most drilled', async ({
  page,
  server,
}) => {
  const learner = await openPapers(page, server)
  await setUp(page, 12)
  await page.getByRole('button', { name: 'Begin the paper' }).click()
  await at(page, 1, 12)
  const list = await listed(page)
  expect(list.length).toBe(12)
  await answer(page, list[0]!)
  await at(page, 2, 12)
  await answer(page, list[1]!, true)
  await at(page, 3, 12)
  // Nothing is said of right and wrong.
  await expect(page.locator('.paper-run')).not.toContainText(/right|wrong/i)
  await page.keyboard.press('n')
  await at(page, 4, 12)
  await page.reload()
  await at(page, 4, 12)
  await answer(page, list[3]!)
  await at(page, 5, 12)
  // The server is gone from here on, without the page being loaded anew.
  await page.route('**/api/**', (route) => route.abort())
  for (let n = 5; n <= 12; n += 1) {
    await at(page, n, 12)
    if (n === 10) await expect(page.getByRole('img', { name: 'an estimate' })).toBeVisible()
    if (n === 7) await page.keyboard.press('n')
    else await answer(page, list[n - 1]!)
  }
  // 9 right, 1 wrong, 2 skipped before the last.
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Paper: 33 points')
  await expect(page.locator('.figures')).toContainText('10 of 12')
  await page.unroute('**/api/**')
  await expect
    .poll(async () => (await server.api<WorkedSet[]>(`/learners/${learner.id}/papers`))[0]?.answers.length, {
      timeout: 20_000,
    })
    .toBe(12)
  const missed = page.locator('details.gone-through')
  await expect(missed).toHaveCount(3)
  await missed.first().locator('summary').first().click()
  await expect(missed.first()).toContainText('You answered')
  await expect(missed.first().locator('.how-it-goes li').first()).toBeVisible()
  // Worked again where it stands: each value shown comes to the answer.
  await missed.first().getByRole('button', { name: 'Work it yourself' }).click()
  const show = missed.first().getByRole('button', { name: 'Show' })
  for (let i = 0; i < 12 && (await show.count()) > 0; i += 1) await show.click()
  await expect(missed.first().locator('.done-panel')).toBeVisible()
  // The plan takes up what was missed.
  const { weak } = await server.api<ProgressWire>(`/learners/${learner.id}/progress`)
  expect(weak.map((k) => k.technique).sort()).toEqual(
    [list[1]!, list[2]!, list[6]!].map((p) => p.technique).sort(),
  )
  await page.getByRole('button', { name: 'Drill what cost most' }).click()
  await expect(page).toHaveURL(/\/bench\//)
  await expect(page.getByRole('heading', { level: 1 })).toContainText(techniqueById(weak[0]!.technique).name)
  // The paper stands in the list and opens from the record of the server too.
  await page.getByRole('link', { name: 'Papers', exact: true }).click()
  await page.locator('.paper-list a').first().click()
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Paper: 33 points')
})

test('a paper keeps every key, as fast as they can come', async ({ page, server }) => {
  await openPapers(page, server)
  await setUp(page, 40)
  await page.getByRole('button', { name: 'Begin the paper' }).click()
  await at(page, 1, 40)
  const keys = (await listed(page)).flatMap((item) => [...keysOf(item), 'Enter'])
  // None waits until the one before has been dealt with.
  const client = await page.context().newCDPSession(page)
  const sent = keys.flatMap((key) =>
    (['keyDown', 'keyUp'] as const).map((type) =>
      client.send('Input.dispatchKeyEvent', { type, key, ...(key.length === 1 && { text: key }) }),
    ),
  )
  await Promise.all(sent)
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Paper: 200 points')
})

clocked(
  'when the time is up a bell rings and the paper is over; what was not reached costs nothing',
  async ({ page, server }) => {
    const learner = await openPapers(page, server)
    const rung = await countTones(page)
    await page.reload()
    await page.getByRole('spinbutton', { name: 'Minutes' }).fill('1')
    await setUp(page, 12)
    await page.getByRole('button', { name: 'Begin the paper' }).click()
    await at(page, 1, 12)
    const list = await listed(page)
    await answer(page, list[0]!)
    await at(page, 2, 12)
    await page.keyboard.press('t')
    await expect(page.getByText('The bar is hidden.')).toBeVisible()
    // Another page is looked at for ten seconds: told, and the clock goes on.
    const seen = (hidden: boolean) =>
      page.evaluate((is) => {
        Object.defineProperty(document, 'hidden', { value: is, configurable: true })
        document.dispatchEvent(new Event('visibilitychange'))
      }, hidden)
    await seen(true)
    await page.clock.runFor(10_000)
    await seen(false)
    // Time goes on between the two as well.
    const told = page.getByText(/^You were away for 1\d\.\d s\. The clock went on\.$/)
    await expect(told).toBeVisible()
    const away = /1\d\.\d s/.exec((await told.textContent())!)![0]
    await answer(page, list[1]!)
    await at(page, 3, 12)
    await expect(page.getByText('You were away')).toBeHidden()
    await page.clock.runFor(50_000)
    await expect(page.getByRole('heading', { level: 1 })).toHaveText('Paper: 10 points')
    await expect(page.locator('.figures')).toContainText(`away, the clock going on${away}`)
    expect(await rung()).toBeGreaterThan(0)
    await expect
      .poll(async () => (await server.api<WorkedSet[]>(`/learners/${learner.id}/papers`))[0]?.answers.length)
      .toBeGreaterThan(0)
  },
)

test('by touch: mixed numbers and Roman numerals, another form told, going back to what was skipped', async ({
  open,
  server,
}) => {
  const [learner] = await server.api<LearnerWire[]>('/learners')
  const touch = ['paper-mixed-head', 'paper-roman', 'paper-fractions']
  const page = await (
    await open({ hasTouch: true, isMobile: true, viewport: { width: 360, height: 740 } })
  ).newPage()
  await page.goto(`${server.url}/papers`)
  await page.getByText(`All ${PAPER_POOL.length} kinds`).click()
  await page.getByRole('button', { name: 'Only one' }).tap()
  for (const id of touch)
    await page.getByRole('checkbox', { name: techniqueById(id).name, exact: true }).check()
  await page.getByRole('checkbox', { name: 'Add by blocks' }).uncheck()
  await page.getByRole('checkbox', { name: /Going back/ }).check()
  await setUp(page, 6)
  await page.getByLabel('Name of this paper').fill('Forms')
  await page.getByRole('button', { name: 'Keep' }).tap()
  await page.getByRole('button', { name: 'Begin the paper' }).tap()
  await at(page, 1, 6)
  const list = await listed(page)
  expect(new Set(list.map((p) => p.technique))).toEqual(new Set(touch))
  const names: Readonly<Record<string, string>> = { '/': 'over', ' ': 'and', '-': 'minus' }
  const tap = async (text: string) => {
    for (const key of text) await page.getByRole('button', { name: names[key] ?? key, exact: true }).tap()
    await page.getByRole('button', { name: 'Enter', exact: true }).tap()
  }
  let told = 0
  await page.getByRole('button', { name: /^Skip/ }).tap()
  for (let n = 2; n <= 6; n += 1) {
    await at(page, n, 6)
    const { technique, expression } = list[n - 1]!
    const right = answerTo(expression)
    const [, w, a, b] = /^(\d+)_(\d+)\/(\d+)$/.exec(right) ?? []
    if (technique === 'paper-mixed-head' && w) {
      // The same as an improper fraction: told, and not counted.
      await tap(`${Number(w) * Number(b) + Number(a)}/${b}`)
      await expect(page.locator('#said')).toHaveText(
        'The value is right. Write it as a mixed number in lowest terms.',
      )
      told += 1
    }
    await tap(right.replace('_', ' '))
  }
  expect(told).toBeGreaterThan(0)
  // Back at what was skipped.
  await at(page, 1, 6)
  await tap(answerTo(list[0]!.expression).replace('_', ' '))
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Forms: 30 points')
  await expect(page.getByText('Every item that was tried is right.')).toBeVisible()
  const kept = await server.api<{ papers: readonly { name: string; back: boolean }[] }>(
    `/learners/${learner!.id}/settings`,
  )
  expect(kept.papers.map((p) => [p.name, p.back])).toEqual([['Forms', true]])
  const [paper] = await server.api<WorkedSet[]>(`/learners/${learner!.id}/papers`)
  expect([setupOf(paper!.recipe)!.name, list.some(isStarred)]).toEqual(['Forms', false])
})
