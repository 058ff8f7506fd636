/** Three people, each from an empty program to real practice and back to it: nothing in the way, nothing lost. */
import type { Locator, Page } from '@playwright/test'
import { answerText, printProblem } from '@tachymetra/core/problem'
import type { AttemptSummary, LearnerWire, SessionPage } from '@tachymetra/core/wire'
import { cardOn, expect, problemOn, stepValues, empty as test, type } from './support/bench.js'

test.use({ alone: true })

import type { TestServer } from './support/server.js'

/** By Tab alone to where something is, as far as it may be. */
async function tabTo(page: Page, target: Locator): Promise<void> {
  await expect(target).toBeVisible()
  for (let i = 0; i < 60 && !(await target.evaluate((e) => e === document.activeElement)); i += 1)
    await page.keyboard.press('Tab')
  await expect(target).toBeFocused()
}

/** What the server holds of a learner: every attempt, the newest session first. */
async function stored(server: TestServer, name: string): Promise<readonly AttemptSummary[]> {
  const learner = (await server.api<LearnerWire[]>('/learners')).find((l) => l.name === name)!
  const { sessions } = await server.api<SessionPage>(`/learners/${learner.id}/sessions?limit=50`)
  const whole = sessions.map((s) => server.api<{ attempts: AttemptSummary[] }>(`/sessions/${s.id}`))
  return (await Promise.all(whole)).flatMap((s) => s.attempts)
}

test('a child alone, by touch on a telephone: first session, a mistake, a reload, facts, and back the next day', async ({
  open,
  server,
}) => {
  const phone = await open({ hasTouch: true, isMobile: true, viewport: { width: 360, height: 740 } })
  const page = await phone.newPage()
  await page.goto(server.url)
  await page.getByRole('button', { name: 'Add a learner' }).tap()
  await page.getByLabel('Name or nickname').fill('Mo')
  await page.getByText('9 to 11').tap()
  await page.getByRole('button', { name: 'Add', exact: true }).tap()
  await expect(page.getByRole('heading', { name: 'Your first session' })).toBeVisible()
  // What the age has set is there, and nothing else of it.
  await expect.poll(() => page.evaluate(() => document.documentElement.style.fontSize)).toBe('112.5%')
  const [mo] = await server.api<LearnerWire[]>('/learners')
  expect(Object.keys(mo!).sort()).toEqual(['demo', 'id', 'name', 'timeZone'])
  expect(await server.api(`/learners/${mo!.id}/settings`)).toMatchObject({ extraTime: 2, wording: 'easy' })
  await expect(page.locator('.plan')).toContainText('Quick facts first: they help with all the rest.')

  await page.getByRole('button', { name: 'Begin the first session' }).tap()
  const keys = page.getByRole('group', { name: 'Answer keys' })
  const tip = page.locator('.tip')
  const enter = async (value: string) => {
    for (const digit of value) await keys.getByRole('button', { name: digit, exact: true }).tap()
    await keys.getByRole('button', { name: 'Enter' }).tap()
  }
  // No clock, nothing to aim for, and each key when it is needed.
  await expect(page.locator('.pace-bar')).toHaveCount(0)
  await expect(page.getByText('aim for')).toHaveCount(0)
  await expect(tip).toHaveText('Type the number that is asked.')
  await expect(tip).toBeInViewport({ ratio: 1 })
  await keys.getByRole('button', { name: '1', exact: true }).tap()
  await expect(tip).toHaveText('Tap Enter to check it.')
  await keys.getByRole('button', { name: 'delete' }).tap()
  const [first] = await stepValues(page, 'add-running-total')
  await enter(String(Number(first) + 1))
  await expect(page.locator('#said')).toContainText('is not right')
  await expect(tip).toContainText('No harm done')
  const problem = printProblem(await problemOn(page))
  // Reloaded in the middle: the same problem, the mistake still there, the keys still explained.
  await page.reload()
  await expect(page.locator('.steps li')).toHaveCount(1)
  expect(printProblem(await problemOn(page))).toBe(problem)
  for (let n = 1; n <= 3; n += 1) {
    await expect(page.getByText(`Problem ${n} of 3`)).toBeVisible()
    for (const value of await stepValues(page, 'add-running-total')) await enter(value)
    await expect(tip).toHaveText('Done. Tap Next problem.')
    await page.getByRole('button', { name: n < 3 ? /^Next problem/ : /^Summary/ }).tap()
  }
  await expect(page.getByText('Your first session is done.')).toBeVisible()
  await expect.poll(async () => (await stored(server, 'Mo')).map((a) => a.right)).toEqual([false, true, true])

  // What comes next is one tap away; a round of facts left in the middle is there the next time.
  await page.getByRole('button', { name: /^Next today/ }).tap()
  const card = await cardOn(page)
  for (const digit of card.kind.print(card.expect))
    await keys.getByRole('button', { name: digit, exact: true }).tap()
  await expect(page.getByText('3 to go').or(page.getByText('4 to go'))).toBeVisible()
  await page.goBack()
  await page.getByRole('link', { name: 'Desk', exact: true }).tap()
  await expect(page.getByRole('heading', { name: /^Today/ })).toBeVisible()
  await expect(page.getByRole('heading', { name: 'Your first session' })).toHaveCount(0)
  const later = await phone.newPage()
  await later.goto(server.url)
  await expect(later.locator('.plan')).toContainText('facts')
  await later.getByRole('button', { name: /^Begin/ }).tap()
  await expect(later.locator('.fact-ask').or(later.getByRole('radio', { name: 'Guided' }))).toBeVisible()
})

test('somebody who trains for a contest, by keyboard alone: own choice, a best of one’s own, back where it was left', async ({
  page,
  server,
}) => {
  await page.goto(server.url)
  await expect(page.getByRole('button', { name: 'Add a learner' })).toBeFocused()
  await page.keyboard.press('Enter')
  await expect(page.getByLabel('Name or nickname')).toBeFocused()
  await page.keyboard.type('Ada')
  await page.keyboard.press('Enter')
  await tabTo(page, page.getByText('Or choose for yourself'))
  await page.keyboard.press('Enter')
  const begin = async () => {
    const technique = page.getByRole('radio', { name: /^Running total,/ })
    if (!(await technique.isChecked())) await technique.focus()
    await page.getByRole('radio', { name: 'Answer only' }).focus()
    await page.keyboard.press('Space')
    const count = page.getByLabel('How many')
    await count.focus()
    await page.keyboard.press('ControlOrMeta+A')
    await page.keyboard.type('5')
    await tabTo(page, page.getByRole('button', { name: 'Start practice' }))
    await page.keyboard.press('Enter')
  }
  const answer = async (n: number, pause: number) => {
    await expect(page.getByText(`Problem ${n} of 5`)).toBeVisible()
    const value = answerText(await problemOn(page))
    await page.waitForTimeout(pause)
    await type(page, value)
    await expect(page.locator('#said')).toContainText('Right first time')
  }
  await begin()
  for (let n = 1; n <= 5; n += 1) {
    await answer(n, 1500)
    await page.keyboard.press('Enter')
  }
  await expect(page.getByRole('heading', { name: /^The session/ })).toBeFocused()
  await expect(page.getByText('All 5 right first time.')).toBeVisible()
  // There is nothing before it to be quicker than.
  await expect(page.getByText(/quickest yet/)).toHaveCount(0)
  await expect.poll(async () => (await stored(server, 'Ada')).length).toBe(5)
  await tabTo(page, page.getByRole('button', { name: 'Back to the desk' }))
  await page.keyboard.press('Enter')
  await begin()
  for (let n = 1; n <= 2; n += 1) {
    await answer(n, 0)
    await page.keyboard.press('Enter')
  }
  // Left with something half typed, by the browser's own back; gone on with from the desk.
  await expect(page.getByText('Problem 3 of 5')).toBeVisible()
  await page.keyboard.press('7')
  await page.goBack()
  const goOn = page.getByRole('region', { name: 'Go on where you stopped' })
  await expect(goOn).toContainText('problem 3 of 5')
  await tabTo(page, goOn.getByRole('button', { name: 'Go on' }))
  await page.keyboard.press('Enter')
  for (let n = 3; n <= 5; n += 1) {
    await answer(n, 0)
    await page.keyboard.press('Enter')
  }
  await expect(page.getByText(/^Your quickest yet: \d+ right a minute\. Until now: \d+/)).toBeVisible()
  await expect(page.getByText('own best before')).toBeVisible()
  await tabTo(page, page.getByRole('link', { name: 'See the record' }))
  await page.keyboard.press('Enter')
  await page.getByRole('link', { name: 'Pace' }).click()
  const bests = page.getByRole('region', { name: 'Own bests, answer only' })
  await expect(bests.getByRole('row').nth(1)).toHaveText(/^1[\d.]+ s[\d.]+$/)
  await page.getByRole('figure').getByText('The same as a table').click()
  await expect(page.getByRole('columnheader', { name: 'Right a minute', exact: true })).toBeVisible()
})

test('a coach: names pasted, two at work in two tabs, the server gone in between, somebody removed in the other tab', async ({
  page,
  context,
  server,
}) => {
  await page.goto(server.url)
  await page.getByRole('button', { name: 'Add a learner' }).click()
  // The dialog may still be opening beneath the pointer.
  await expect(async () => {
    await page.getByRole('button', { name: 'Several at once' }).click({ timeout: 2000 })
    await expect(page.getByLabel('Names or nicknames')).toBeVisible({ timeout: 2000 })
  }).toPass()
  await page.getByLabel('Names or nicknames').fill('Bo\nCy\nDi')
  await page.getByText('12 to 15').click()
  await page.getByRole('button', { name: 'Add', exact: true }).click()
  await expect(page.getByRole('dialog')).toBeHidden()
  for (const { id } of await server.api<LearnerWire[]>('/learners'))
    expect(await server.api(`/learners/${id}/settings`)).toMatchObject({ extraTime: 1.5, textSize: 1 })
  const other = await context.newPage()
  await other.goto(server.url)
  await other.getByRole('combobox', { name: 'Learner:' }).fill('Cy')
  await other.keyboard.press('Enter')
  for (const tab of [page, other]) {
    await tab.getByRole('button', { name: 'Begin the first session' }).click()
    await expect(tab.getByText('Problem 1 of 3')).toBeVisible()
  }
  await expect(other.getByRole('heading', { level: 1 })).toContainText('Cy')
  // Gone without a word in the middle: both go on to their end, and every page says where it stands.
  // By then the rest of the program is here as well.
  for (const tab of [page, other])
    await expect
      .poll(() =>
        tab.evaluate(
          () => performance.getEntriesByType('resource').filter((r) => /KeyHelp|Choices/.test(r.name)).length,
        ),
      )
      .toBeGreaterThanOrEqual(2)
  await server.stop('SIGKILL')
  for (const tab of [page, other]) {
    for (let n = 1; n <= 3; n += 1) {
      for (const value of await stepValues(tab, 'add-running-total')) await type(tab, value)
      await tab.keyboard.press(n === 1 ? '?' : 'Enter')
      if (n > 1) continue
      await expect(tab.getByRole('dialog')).toContainText('Keys at the bench')
      await tab.keyboard.press('Escape')
      await expect(tab.getByRole('dialog')).toBeHidden()
      await tab.keyboard.press('Enter')
    }
    await expect(tab.getByText('Your first session is done.')).toBeVisible()
    await expect(tab.locator('.waiting')).toContainText('saved here, waiting for the server')
    await expect(tab.getByRole('button', { name: /^Next today/ })).toBeVisible()
  }
  // Another session is begun without it too.
  await page.getByRole('button', { name: 'Back to the desk' }).click()
  await page.getByText('Or choose for yourself').click()
  await page.getByRole('button', { name: 'Start practice' }).click()
  await expect(page.locator('.rule')).toBeVisible()
  await page.getByRole('link', { name: 'Desk' }).click()
  await server.start()
  await expect.poll(async () => (await stored(server, 'Bo')).length, { timeout: 60_000 }).toBe(3)
  await expect.poll(async () => (await stored(server, 'Cy')).length, { timeout: 60_000 }).toBe(3)
  await page.reload()
  await expect(page.getByRole('heading', { name: /^Today/ })).toBeVisible()
  await other.goto(server.url)
  await expect(other.locator('.ant-select', { hasText: 'Cy' })).toBeVisible()
  // Cy is removed in one tab: the other says so at once, and has Cy back with one press.
  await page.getByRole('combobox', { name: 'Learner:' }).fill('Cy')
  await page.keyboard.press('Enter')
  await page.getByRole('button', { name: 'Rename or remove' }).click()
  await page.getByRole('button', { name: 'Remove...' }).click()
  await page.getByRole('button', { name: 'Remove Cy' }).click()
  // A tab that nobody looks at may take its time.
  await other.bringToFront()
  await expect(other.locator('.gone')).toContainText('Cy was removed. Shown now: Bo.')
  await other.locator('.gone').getByRole('button', { name: 'Undo' }).click()
  await expect(other.locator('.ant-select', { hasText: 'Cy' })).toBeVisible()
  await expect(other.locator('.gone')).toHaveCount(0)
  await expect(page.locator('.gone')).toHaveCount(0)
  expect((await stored(server, 'Cy')).length).toBe(3)
})
