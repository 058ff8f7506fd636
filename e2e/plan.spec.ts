import { readFileSync } from 'node:fs'
import type { Page } from '@playwright/test'
import type { DayWire, Holdings, LearnerWire, MoveWire } from '@tachymetra/core/wire'
import { extractText, getDocumentProxy } from 'unpdf'
import {
  answerOne,
  expect,
  notPlain,
  openChoice,
  pick,
  problemOn,
  recallAll,
  sessionRows,
  stepValues,
  test,
  type,
} from './support/bench.js'
import type { TestServer } from './support/server.js'

async function newLearner(page: Page, server: TestServer, name: string): Promise<string> {
  await page.goto(server.url)
  await page.getByRole('button', { name: 'Add a learner' }).click()
  await page.getByLabel('Name or nickname').fill(name)
  await page.keyboard.press('Enter')
  await expect(page.getByRole('dialog')).toBeHidden()
  const learners = await server.api<LearnerWire[]>('/learners')
  return learners.find((l) => l.name === name)!.id
}

test('the day: open, plan, facts, technique, summary, record, by keyboard alone', async ({
  page,
  server,
}) => {
  const id = await newLearner(page, server, 'Wim')
  await expect(page.getByRole('heading', { name: /^Today, 4 min/ })).toBeVisible()
  const plan = page.locator('.plan > li')
  await expect(plan).toHaveCount(2)
  await expect(plan.nth(0)).toContainText('4 new')
  await expect(plan.nth(1)).toContainText('New: nothing to learn first.')

  // From the top of the page to the button that begins the day, by Tab alone.
  const begin = page.getByRole('button', { name: /^Begin ?:/ })
  await page.locator('body').focus()
  for (let i = 0; i < 40 && !(await begin.evaluate((b) => b === document.activeElement)); i += 1)
    await page.keyboard.press('Tab')
  await page.keyboard.press('Enter')
  await recallAll(page)
  const next = page.getByRole('button', { name: /^Next today: Running total, level 1/ })
  await expect(next).toBeVisible()
  for (let i = 0; i < 40 && !(await next.evaluate((b) => b === document.activeElement)); i += 1)
    await page.keyboard.press('Tab')
  await page.keyboard.press('Enter')

  // It begins by watching; then the steps are asked, then less of them.
  await expect(page.getByRole('radio', { name: 'Watch' })).toBeChecked()
  await page.getByRole('radio', { name: 'Watch' }).focus()
  await page.keyboard.press('ArrowRight')
  await expect(page.getByRole('radio', { name: 'Guided' })).toBeChecked()
  for (let n = 1; n <= 3; n += 1) {
    await expect(page.getByText(`Problem ${n} of 3`)).toBeVisible()
    for (const value of await stepValues(page, 'add-running-total')) await type(page, value)
    await expect(page.locator('#said')).toContainText('Right')
    await page.keyboard.press('Enter')
  }
  await expect(page.getByRole('heading', { name: /^The session/ })).toBeFocused()
  // It went well: the same technique goes on with less support, within the day.
  await page.getByRole('button', { name: /^Next today: Running total, level 1/ }).click()
  await expect(page.getByRole('radio', { name: 'Steps only' })).toBeChecked()
  await page.goto(server.url)
  await expect(page.getByText(/done today/)).toBeVisible()

  await page.getByRole('link', { name: 'Record', exact: true }).click()
  await expect(page.locator('.day-rules .bar')).toHaveCount(1)
  await page.getByRole('link', { name: 'Pace' }).click()
  await expect(page.getByText(/No forecast for level 1/)).toBeVisible()
  const [today] = await server.api<DayWire[]>(`/learners/${id}/days`)
  expect(today).toMatchObject({ attempts: 3, right: 3, recalls: 4 })
})

test('pin, skip and ban; all of it taken back; the week ahead and busy times', async ({ page, server }) => {
  await page.goto(server.url)
  await pick(page, 'Learner:', 'Tobin Achter')
  const items = page.locator('.plan > li')
  await expect(items).toHaveCount(2)
  const choose = async (nth: number, what: string) => {
    await items
      .nth(nth)
      .getByRole('button', { name: /pin, skip or ban/ })
      .click()
    await page.getByRole('menuitem', { name: what }).click()
  }
  const practised = (await items.nth(1).locator('strong').textContent())!.split(',')[0]!
  // By keyboard: it opens on its first line, and is left where it was entered.
  const button = items.first().getByRole('button', { name: /pin, skip or ban/ })
  const menu = page.getByRole('menuitem')
  const opened = async () => {
    await button.press('Enter')
    await expect(menu.first()).toBeFocused()
  }
  await opened()
  await page.keyboard.press('ArrowDown')
  await page.keyboard.press('Escape')
  await expect(button).toBeFocused()
  await expect(menu).toHaveCount(0)
  await opened()
  await page.keyboard.press('Tab')
  await expect(items.first().getByRole('button').last()).toBeFocused()
  await expect(button).toHaveAttribute('aria-expanded', 'false')
  await expect(menu).toHaveCount(0)
  await choose(1, 'Pin: every day')
  await expect(items.nth(1)).toContainText(`${practised}, `)
  await expect(items.nth(1)).toContainText('Pinned.')
  await choose(0, 'Not today')
  await expect(page.getByText('Left out today: facts.')).toBeVisible()
  await expect(items.first()).not.toContainText('facts')
  await choose(0, 'Never')
  await expect(items.first()).not.toContainText(`${practised}, `)
  // Taken back at once, then meant.
  const its = items.filter({ hasText: `${practised}, ` })
  const never = page.getByText(`Never planned from now on: ${practised}.`)
  await never.getByRole('button', { name: 'Put back' }).click()
  await expect(its).toHaveCount(1)
  await expect(never).toBeHidden()
  await its.getByRole('button', { name: /pin, skip or ban/ }).click()
  await page.getByRole('menuitem', { name: 'Never' }).click()
  await expect(its).toHaveCount(0)
  // The button that had the focus has gone with its item.
  await expect(page.getByRole('heading', { level: 1 })).toBeFocused()
  // Kept on the server, not in this browser.
  await page.evaluate(() => localStorage.clear())
  await page.reload()
  await pick(page, 'Learner:', 'Tobin Achter')
  await expect(page.getByText('Left out today: facts.')).toBeVisible()
  await page.getByRole('button', { name: 'Put back' }).click()
  await expect(items.first()).toContainText('facts')

  await page.getByRole('link', { name: 'Plan settings' }).click()
  await expect(page.locator('label', { hasText: 'Never planned' })).toContainText(practised)
  const download = page.waitForEvent('download')
  await page.getByRole('button', { name: /iCalendar/ }).click()
  expect((await download).suggestedFilename()).toMatch(/^Practice of \S.*\.ics$/)
  const calendar = readFileSync(await (await download).path(), 'utf8')
  expect(calendar.match(/BEGIN:VEVENT/g)).toHaveLength(7)
  expect(notPlain([calendar.replaceAll('\r\n ', '')])).toEqual([])
  const tomorrow = new Date(Date.now() + 86_400_000).toISOString().slice(0, 10).replaceAll('-', '')
  const busy = [
    'BEGIN:VCALENDAR',
    'VERSION:2.0',
    'PRODID:-//x//EN',
    'BEGIN:VEVENT',
    'UID:a',
    `DTSTART;VALUE=DATE:${tomorrow}`,
    'END:VEVENT',
    'END:VCALENDAR',
  ].join('\r\n')
  const attach = (body: string) =>
    page
      .getByLabel('Read busy times')
      .first()
      .setInputFiles({ name: 'busy.ics', mimeType: 'text/calendar', buffer: Buffer.from(body) })
  await attach('hello')
  await expect(page.getByText('This is no iCalendar file.')).toBeVisible()
  await attach(busy)
  await expect(page.getByText('1 busy time ahead')).toBeVisible()
  await page.getByRole('button', { name: 'Delete busy times' }).click()
  await expect(page.getByText('No busy times are known.')).toBeVisible()
  await page.getByRole('button', { name: 'Undo: the busy times as before' }).click()
  await expect(page.getByText('1 busy time ahead')).toBeVisible()
  await page.getByRole('link', { name: 'Desk' }).click()
  await page.getByText('The week ahead').click()
  await expect(page.locator('.week > div')).toHaveCount(7)
  await expect(page.locator('.week > div').nth(1)).toContainText('calendar is full')
})

test('what fades is asked again, several techniques shuffled: worked as one session, left out for a day, or never shuffled', async ({
  page,
  server,
}) => {
  await page.goto(server.url)
  const learner = page.getByRole('combobox', { name: 'Learner' })
  await learner.fill('Amadi')
  await page.keyboard.press('Enter')
  const items = page.locator('.plan > li')
  const mixed = items.filter({ hasText: ', mixed' })
  await expect(mixed).toContainText('3 techniques you know, asked again before you forget them.')
  const change = async (what: string) => {
    await mixed.getByRole('button', { name: /skip or ban/ }).click()
    // It cannot be had every day: then it would not fade.
    await expect(page.getByRole('menuitem')).toHaveText(['Not today', 'Never'])
    await page.getByRole('menuitem', { name: what }).click()
    await expect(mixed).toHaveCount(0)
  }
  const again = items.filter({ hasText: 'Asked again before you forget it' })
  await change('Not today')
  await expect(again).toHaveCount(0)
  await page.getByText('Left out today: mixed.').getByRole('button', { name: 'Put back' }).click()
  await change('Never')
  await expect(again).not.toHaveCount(0)
  await page.getByText('Never planned from now on: mixed.').getByRole('button', { name: 'Put back' }).click()
  // On the map the tick is all that is left, with words to it.
  await page.getByText('Or choose for yourself').click()
  await expect(page.getByRole('radio', { name: 'Hold and borrow, known, due again' })).toBeVisible()

  await mixed.getByRole('button', { name: 'Start this' }).click()
  const count = Number(/of (\d+)/.exec((await page.getByText(/^Problem 1 of/).textContent())!)![1])
  for (let n = 1; n <= count; n += 1) {
    await expect(page.getByText(`Problem ${n} of ${count}`)).toBeVisible()
    await expect(page.getByRole('heading', { level: 1 })).toContainText('Mixed practice')
    await page.keyboard.press('n')
    await expect(page.locator('#said')).toContainText('Skipped')
    await page.keyboard.press('Enter')
  }
  for (const name of ['Beads: read', 'Hold and borrow', 'Complements'])
    await expect(page.getByRole('heading', { name: /^The session/ })).toContainText(name)
})

test('levels: moved up by the rule at once, the rule changed, set back by hand, every move with its reason', async ({
  page,
  server,
}) => {
  const id = await newLearner(page, server, 'Wim')
  await page.goto(`${server.url}/settings/learner/levels`)
  // Rules that contradict each other are not kept.
  await page.getByLabel('Right too seldom').fill('99')
  await page.keyboard.press('Tab')
  await expect(page.getByRole('alert')).toContainText('must be less')
  await page.getByLabel('Right too seldom').fill('85')
  await page.getByLabel('How sure, to one').fill('2')
  await page.keyboard.press('Tab')
  await page.getByLabel('Own target for level 1, seconds').fill('60')
  await page.keyboard.press('Tab')
  await expect
    .poll(() => server.api<{ rules: object; targets: object }>(`/learners/${id}/settings`))
    .toMatchObject({ rules: { odds: 2, poor: 0.85 }, targets: { 'add-running-total': { 1: 60_000 } } })

  await page.goto(server.url)
  await openChoice(page)
  await page.getByRole('radio', { name: /^Running total,/ }).check()
  await page.getByRole('group', { name: 'Support' }).getByRole('radio', { name: 'Answer only' }).check()
  await page.getByLabel('How many').fill('5')
  await page.getByRole('button', { name: 'Start practice' }).click()
  for (let i = 0; i < 5; i += 1) {
    await problemOn(page)
    await answerOne(page)
  }
  await expect(page.getByText('Moved up to level 2.')).toBeVisible()
  await page.goto(server.url)
  await page.getByRole('radio', { name: /^Running total, known/ }).check()
  const ladder = page.getByRole('radiogroup', { name: 'Level' })
  await expect(ladder.locator('label', { hasText: '(current)' })).toContainText('2')
  await ladder.getByRole('radio').first().check()
  await page.getByRole('button', { name: 'Make level 1 the current one' }).click()
  await expect(ladder.locator('label', { hasText: '(current)' })).toContainText('1')
  // Taken back as if it had not been, and made once more.
  await page.getByRole('button', { name: 'Undo: back to level 2, as before' }).click()
  await expect(ladder.locator('label', { hasText: '(current)' })).toContainText('2')
  expect(await server.api<MoveWire[]>(`/learners/${id}/moves`)).toHaveLength(1)
  await ladder.getByRole('radio').first().check()
  await page.getByRole('button', { name: 'Make level 1 the current one' }).click()
  await expect(ladder.locator('label', { hasText: '(current)' })).toContainText('1')
  await page.goto(`${server.url}/record/levels`)
  const moves = page.locator('.moves li')
  await expect(moves).toHaveCount(2)
  await expect(moves.nth(0)).toContainText('level 2 to 1')
  await expect(moves.nth(0)).toContainText('Set by hand.')
  await expect(moves.nth(1)).toContainText('Of the last 5 answers 5 were right')
  expect(await server.api<MoveWire[]>(`/learners/${id}/moves`)).toHaveLength(2)
})

test('settings changed while the server is away are kept, and sent when it is back', async ({
  page,
  server,
}) => {
  const id = await newLearner(page, server, 'Wim')
  await page.goto(`${server.url}/settings/learner/plan`)
  await page.getByLabel('Minutes a day').fill('7')
  const minutes = () => server.api<{ minutes: number; at: string }>(`/learners/${id}/settings`)
  await expect.poll(minutes).toMatchObject({ minutes: 7 })
  await page.route('**/api/learners/*/settings', (route) =>
    route.request().method() === 'PATCH' ? route.abort() : route.continue(),
  )
  await page.getByLabel('Minutes a day').fill('9')
  await expect(page.getByText('1 saved here, waiting for the server')).toBeVisible()
  await page.reload()
  await expect(page.getByLabel('Minutes a day')).toHaveValue('9')
  // A change on top of one that waits takes it along.
  await page.getByLabel('At about').fill('18:30')
  await page.unroute('**/api/learners/*/settings')
  await expect.poll(minutes, { timeout: 60_000 }).toMatchObject({ minutes: 9, at: '18:30' })
})

test('two browsers change settings of the same learner: neither undoes what the other did', async ({
  page,
  server,
  open,
}) => {
  const id = await newLearner(page, server, 'Ada')
  await page.goto(`${server.url}/settings/learner/plan`)
  const minutes = page.getByLabel('Minutes a day')
  await expect(minutes).toHaveValue('4')
  const other = await (await open({})).newPage()
  await other.goto(`${server.url}/settings/learner/plan`)
  await pick(other, 'Settings for', 'Ada')
  await other.getByLabel('Minutes a day').fill('12')
  const settings = () => server.api<object>(`/learners/${id}/settings`)
  await expect.poll(settings).toMatchObject({ minutes: 12 })
  await expect(minutes).toHaveValue('4')
  await page.getByLabel('At about').fill('18:30')
  await expect.poll(settings).toMatchObject({ minutes: 12, at: '18:30' })
  await page.reload()
  await expect(minutes).toHaveValue('12')
})

test('the settings of a page are applied to several, only those of that page, and had back with one press', async ({
  page,
  server,
}) => {
  const id = await newLearner(page, server, 'Ada')
  const [one, two, ...rest] = (await server.api<LearnerWire[]>('/learners')).filter((l) => l.id !== id)
  const of = (l: LearnerWire) =>
    server.api<{ minutes: number; textSize: number }>(`/learners/${l.id}/settings`)
  const before = await of(one!)
  await page.goto(`${server.url}/settings/learner`)
  await pick(page, 'Text size', '150 %')
  await expect(page.getByText('Saved')).toBeVisible()
  await page.getByRole('link', { name: 'Plan and calendar' }).click()
  await page.getByLabel('Minutes a day').fill('23')
  await page.getByRole('button', { name: 'Apply to several' }).click()
  const dialog = page.getByRole('dialog', { name: 'Apply the settings of Ada to several' })
  await expect(dialog.getByRole('checkbox', { checked: true })).toHaveCount(1)
  const apply = dialog.getByRole('button', { name: 'Apply', exact: true })
  await expect(apply).toBeDisabled()
  await dialog.getByLabel(one!.name).check()
  await dialog.getByLabel(two!.name).check()
  await apply.click()
  await expect(dialog.getByText('Saved for 2 learners.')).toBeVisible()
  for (const l of [one!, two!]) await expect.poll(() => of(l)).toMatchObject({ minutes: 23 })
  // Another page's settings stay, and those of whoever was not ticked.
  expect((await of(one!)).textSize).toBe(before.textSize)
  for (const l of rest) expect((await of(l)).minutes).not.toBe(23)
  await dialog.getByRole('button', { name: 'Undo' }).click()
  await expect(dialog.getByText('Undone: everybody has the settings they had before.')).toBeVisible()
  await expect.poll(() => of(one!)).toEqual(before)
})

test('the keying baseline, and variants and cautions that follow the learner', async ({ page, server }) => {
  const id = await newLearner(page, server, 'Wim')
  await page.goto(`${server.url}/facts`)
  await page.getByRole('link', { name: 'Measure it, 20 seconds' }).click()
  for (let i = 10; i > 0; i -= 1) {
    await expect(page.getByText(`${i} to go`)).toBeVisible()
    const shown = (await page.locator('.fact-ask').textContent())!
    if (i === 7) {
      await page.keyboard.type('1000')
      await expect(page.getByRole('main').getByRole('status')).toContainText('Not this number')
    }
    await page.keyboard.type(shown, { delay: 30 })
  }
  await expect(page.getByRole('heading', { level: 1 })).toContainText('ms to key a digit')
  await page.keyboard.press('Enter')
  await expect(page.getByText(/Keying a digit takes \d+ ms/)).toBeVisible()
  await page.goto(`${server.url}/settings/learner`)
  await page.getByLabel('I have read the caution about flashing').check()
  await page.getByRole('link', { name: 'Ways of doing it' }).click()
  await pick(page, 'Order of the columns', 'first and last products, then the middle')
  await expect
    .poll(() => server.api<object>(`/learners/${id}/settings`))
    .toMatchObject({
      keying: { ms: expect.any(Number) },
      cautions: { read: true, lifted: false },
      variants: { 'multiply-crosswise': { order: 'ends-first' } },
    })
})

test('attempts go out as CSV and come in elsewhere; bad lines are told and stay out', async ({
  page,
  server,
}) => {
  await page.goto(`${server.url}/record/exchange`)
  const download = page.waitForEvent('download')
  await page.getByRole('link', { name: 'Attempts as CSV' }).click()
  const csv = readFileSync(await (await download).path(), 'utf8').split('\r\n')
  expect(csv.length).toBeGreaterThan(200)
  const statements = page.waitForEvent('download')
  await page.getByRole('link', { name: 'Learning records (xAPI)' }).click()
  expect(JSON.parse(readFileSync(await (await statements).path(), 'utf8'))).toHaveLength(csv.length - 2)

  const factsOut = page.waitForEvent('download')
  await page.getByRole('link', { name: 'Facts as CSV' }).click()
  const facts = readFileSync(await (await factsOut).path(), 'utf8').split('\r\n')

  const [first] = await server.api<LearnerWire[]>('/learners')
  await server.api(`/learners/${first!.id}`, {
    method: 'DELETE',
    headers: { 'Content-Type': 'application/json' },
    body: '{}',
  })
  const id = await newLearner(page, server, 'Wim')
  await page.goto(`${server.url}/record/exchange`)
  const bad = csv[2]!.replace(/,(guided|steps|answer),/, ',asleep,')
  const pick = (lines: readonly string[]) =>
    page
      .getByLabel('Choose a CSV file')
      .first()
      .setInputFiles({ name: 'in.csv', mimeType: 'text/csv', buffer: Buffer.from(lines.join('\r\n')) })
  await pick(['a,b', '1,2'])
  await expect(page.getByText(/must name the columns/)).toBeVisible()
  await pick([csv[0]!, csv[1]!, bad, ...csv.slice(3, 150)])
  await expect(page.getByText('149 lines read, 148 can be stored, 1 cannot.')).toBeVisible()
  await expect(page.getByRole('row').nth(1)).toContainText('3')
  await expect(page.getByRole('row').nth(1)).toContainText('support')
  expect(await server.api<DayWire[]>(`/learners/${id}/days`)).toEqual([])
  await page.getByRole('button', { name: 'Store 148 attempts' }).click()
  await expect(page.getByText('148 stored.')).toBeVisible()
  const days = await server.api<DayWire[]>(`/learners/${id}/days`)
  expect(days.reduce((sum, d) => sum + d.attempts, 0)).toBe(148)
  // Taken out again, nothing of them is left.
  await page.getByRole('button', { name: 'Undo: take these 148 out again' }).click()
  await expect(page.getByText('Taken out again: the record is as it was before in.csv.')).toBeVisible()
  expect(await server.api<DayWire[]>(`/learners/${id}/days`)).toEqual([])
  // A file of facts is known by its columns.
  await pick([facts[0]!, ...facts.slice(1, 21).map((line) => line.replace(/,[0-9a-f-]{36},/, ',,'))])
  await expect(page.getByText('20 lines read, 20 can be stored, 0 cannot.')).toBeVisible()
  await page.getByRole('button', { name: 'Store 20 facts' }).click()
  await expect(page.getByText('20 stored.')).toBeVisible()
  expect((await server.api<object[]>(`/learners/${id}/facts`)).length).toBeGreaterThan(0)
  await page.getByRole('button', { name: 'Undo: take these 20 out again' }).click()
  await expect(page.getByText('Taken out again')).toBeVisible()
  expect(await server.api<object[]>(`/learners/${id}/facts`)).toEqual([])
})

test('a backup is taken, looked at before it is put back, and a damaged one changes nothing', async ({
  page,
  server,
}) => {
  await page.goto(`${server.url}/settings/everybody`)
  const download = page.waitForEvent('download')
  await page.getByRole('link', { name: 'Take a backup' }).click()
  const bytes = readFileSync(await (await download).path())
  const before = await server.api<Holdings>('/holdings')
  await newLearner(page, server, 'Wim')
  await page.goto(`${server.url}/settings/everybody`)
  const pick = (body: Buffer) =>
    page
      .getByLabel('Restore from a backup')
      .first()
      .setInputFiles({ name: 'all.tachymetra', mimeType: 'application/octet-stream', buffer: body })
  await pick(bytes.subarray(0, bytes.length - 50))
  await expect(page.getByRole('alert')).toContainText('damaged')
  await pick(bytes)
  const question = page.getByRole('alertdialog')
  await expect(question).toContainText('holds 8 learners', { timeout: 90_000 })
  await expect(question).toContainText('9 learners')
  await question.getByRole('button', { name: 'Leave things as they are' }).click()
  expect(await server.api<Holdings>('/holdings')).toMatchObject({ learners: 9 })
  await pick(bytes)
  await question.getByRole('button', { name: 'Replace everything with it' }).click()
  await expect(page.getByText('Restored.')).toBeVisible({ timeout: 90_000 })
  expect(await server.api<Holdings>('/holdings')).toEqual(before)
})

test('the record: a page for each side, what it is narrowed to in the address, every chart with its table', async ({
  page,
  server,
}) => {
  await page.goto(`${server.url}/record`)
  await expect(page.getByText(/^Practice on \d+ of the last 28 days, \d+½? min together/)).toBeVisible()
  await page.getByRole('link', { name: 'Pace' }).click()
  await expect(
    page.getByText(/about \d+ to \d+ more days of practice to [\d.]+ s|The target is met already/),
  ).toBeVisible()
  const figure = page.getByRole('figure')
  await expect(figure).toContainText(/a problem in the latest session \(target [\d.]+ s\)/)
  await pick(page, 'Technique', 'Hold and borrow')
  await expect(figure.locator('.main-svg').first()).toBeVisible()
  await expect(figure).toContainText(/^Hold and borrow, level \d+/)
  await page.getByText('Right answers a minute').click()
  await figure.getByText('The same as a table').click()
  const rows = figure.getByRole('row')
  await expect(rows.nth(3)).toBeVisible()
  const whole = await rows.count()
  await pick(page, 'Support', 'Guided')
  await expect(figure).toContainText(', guided: ')
  expect(await rows.count()).toBeLessThan(whole)
  expect(page.url()).toContain('/record/pace?technique=subtract-hold-drop&measure=minute&support=guided')
  await page.reload()
  await expect(figure).toContainText(/^Hold and borrow, level \d+, guided: /)

  // The technique stays chosen from page to page.
  await page.getByRole('link', { name: 'Mistakes', exact: true }).click()
  const made = figure.getByText(/^\d+ mistakes? in \d+ weeks?\. Most often: /)
  const some = Number.parseInt((await made.textContent())!, 10)
  await figure.getByText('The same as a table').click()
  const counts = await figure.locator('tbody tr td:last-child').allTextContents()
  expect(counts.reduce((sum, c) => sum + Number(c), 0)).toBe(some)
  await page.getByRole('link', { name: 'Sessions' }).click()
  const sessions = sessionRows(page)
  await expect(sessions).not.toHaveCount(0)
  for (const row of await sessions.all()) await expect(row).toContainText('Hold and borrow')
  await page.goto(`${server.url}/record/sessions?technique=nonsense`)
  await expect(sessions).toHaveCount(15)
  await expect(sessions.filter({ hasNotText: 'Hold and borrow' }).first()).toBeVisible()

  await page.getByRole('link', { name: 'Facts', exact: true }).nth(1).click()
  await expect(figure).toContainText(/Of \d+ facts: (\d+ \w+,? ?(and )?)+\./)
  await figure.getByText('The same as a table').click()
  await expect(figure.getByRole('row')).toHaveCount((await figure.locator('.heat-map li').count()) + 1)
})

test('nothing on a page of the record moves while it fills', async ({ page, server }) => {
  await page.addInitScript(() => {
    new PerformanceObserver((list) => {
      for (const shift of list.getEntries())
        document.documentElement.dataset.moved = String(
          Number(document.documentElement.dataset.moved ?? 0) + (shift as never as { value: number }).value,
        )
    }).observe({ type: 'layout-shift', buffered: true })
  })
  for (const path of ['', '/pace', '/mistakes', '/facts', '/levels']) {
    await page.goto(`${server.url}/record${path}`)
    await expect(page.locator(path === '/levels' ? '.moves' : 'figure')).toBeVisible()
    if (path === '/pace' || path === '/mistakes')
      await expect(page.locator('.main-svg').first()).toBeVisible()
    const moved = await page.evaluate(() => Number(document.documentElement.dataset.moved ?? 0))
    expect.soft(moved, path).toBeLessThan(0.02)
  }
})

test('progress sheets of one and of all as a tagged PDF in every alphabet it has; for others print is offered', async ({
  page,
  server,
}) => {
  const saved = async () => {
    const download = page.waitForEvent('download')
    await page.getByRole('button', { name: 'Save as PDF' }).click()
    const file = await download
    const bytes = new Uint8Array(readFileSync(await file.path()))
    // Read by another library than the one that wrote it.
    const pdf = await getDocumentProxy(bytes)
    const { text } = await extractText(pdf, { mergePages: true })
    return { name: file.suggestedFilename(), pdf, text: text.replace(/\s+/g, ' ') }
  }
  await newLearner(page, server, 'Łucja Ωμέγα Жук')
  await page.goto(`${server.url}/record/sheet`)
  await expect(page.getByRole('heading', { name: /^Progress of Łucja Ωμέγα Жук, / })).toBeVisible()
  await page.getByRole('button', { name: 'All 9' }).click()
  await expect(page.locator('.sheet')).toHaveCount(9)
  const all = await saved()
  expect(all.name).toMatch(/^Progress of 9 learners, \d{4}-\d\d-\d\d\.pdf$/)
  for (const title of await page.locator('.sheet h2').allTextContents()) expect(all.text).toContain(title)
  for (const row of await page.locator('.sheet tbody tr').all())
    for (const cell of await row.locator('th, td').allTextContents()) expect(all.text).toContain(cell)
  expect(notPlain([all.text])).toEqual([])
  expect(all.text).toContain(`page 1 of ${all.pdf.numPages}`)
  const names = new Set<string>()
  const collect = (node: { role?: string; children?: object[] }) => {
    if (node.role) names.add(node.role)
    for (const child of node.children ?? []) collect(child)
  }
  collect((await (await all.pdf.getPage(1)).getStructTree())!)
  expect([...names]).toEqual(expect.arrayContaining(['H1', 'H2', 'P', 'Table', 'TR', 'TH', 'TD']))
  const { info } = await all.pdf.getMetadata()
  expect(info).toMatchObject({ Language: 'en', Title: all.name.replace('.pdf', '') })
  expect(await all.pdf.getMarkInfo()).toMatchObject({ Marked: true })

  await newLearner(page, server, '李小龙')
  await page.goto(`${server.url}/record/sheet`)
  await page.getByRole('button', { name: 'Save as PDF' }).click()
  await expect(page.getByRole('alert')).toContainText('no letters for “李”, “小”, “龙”. Use Print instead')
})

test('what a few minutes may give: two fields, stopped, then a range over several runs with its table', async ({
  page,
  server,
}) => {
  await page.goto(`${server.url}/simulate`)
  await expect(page.getByRole('spinbutton')).toHaveCount(1)
  await page.getByText('What is assumed').click()
  await page.getByLabel('Weeks at most').fill('52')
  const estimate = page.getByRole('button', { name: 'Estimate' })
  await estimate.click()
  await page.getByRole('button', { name: 'Stop' }).click()
  await expect(estimate).toBeEnabled()
  await page.getByLabel('Weeks at most').fill('4')
  await page.getByLabel('in minutes a day').fill('15')
  await pick(page, 'Learner', 'an adult, new to it')
  await page.getByLabel(/^Compare with/).check()
  await estimate.click()
  await expect(page.getByText('in 15 runs')).toBeVisible({ timeout: 60_000 })
  const said = page.locator('.advice')
  // An adult learns three techniques at their first level within four weeks.
  await expect(said).toHaveText(
    /^All 3 are known at the first level after [1-4](?: to [1-4])? weeks? \(\d+(?: to \d+)? (?:minutes|hours) of practice\)\. Half-way up the levels: .+ 4 weeks\.$/,
  )
  await expect(page.locator('.chart .main-svg').first()).toBeVisible()
  await page.getByText('The same as a table').click()
  const planned = page.getByRole('row').filter({ hasText: 'by the plan' })
  await expect(planned).toHaveCount(5)
  const minutes = await planned.locator('td:nth-child(5)').allTextContents()
  expect(new Set(minutes).size).toBeGreaterThan(1)
})
