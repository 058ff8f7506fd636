import { toText, toWords, unmarked } from '@tachymetra/core/number'
import { answerPlaces, answerText, printProblem } from '@tachymetra/core/problem'
import { techniqueById } from '@tachymetra/core/registry'
import { itemCount } from '@tachymetra/core/set'
import type { AttemptWire, LearnerWire, SessionPage } from '@tachymetra/core/wire'
import {
  answerOne,
  chooseSession,
  empty,
  expect,
  pick,
  problemOn,
  sessionRows,
  stepValues,
  test,
  trace,
  type,
} from './support/bench.js'

test('watched, guided with a slip, then five against the clock: the record shows it after a restart', async ({
  page,
  server,
}) => {
  await page.goto(server.url)
  await expect(page.getByText('Demo data')).toBeVisible()
  await chooseSession(page, { technique: 'Running total', level: 6, support: 'Watch', count: 6 })

  // Watch: every step in turn, then "Now you".
  const watched = await stepValues(page, 'add-running-total')
  for (const [i, value] of watched.entries()) {
    // What comes next? There is time to think before the value is told.
    await expect(page.getByText(`Step ${i + 1} of ${watched.length}.`)).toBeVisible()
    await expect(page.locator('.watched .mono')).toHaveText('?')
    await page.keyboard.press('Enter')
    await expect(page.locator('.watched .mono')).toHaveText(value.replace(/\B(?=(\d{3})+$)/g, '\u2009'))
    await page.keyboard.press('Enter')
  }
  await expect(page.getByRole('button', { name: 'Now you' })).toBeVisible()
  await page.keyboard.press('Enter')

  // Guided: a carry lost in the tens, named, then mended.
  await expect(page.getByTestId('entry')).toBeFocused()
  const { steps } = trace(techniqueById('add-running-total'), await problemOn(page), {})
  const carry = steps.findIndex((s) => s.slips().some((slip) => slip.id === 'carry-lost'))
  const slip = steps[carry]!.slips().find((s) => s.id === 'carry-lost')!
  for (const [i, step] of steps.entries()) {
    if (i === carry) {
      await type(page, toText(slip.entry))
      await expect(page.locator('#said')).toContainText(unmarked(slip.remark))
    }
    await type(page, toText(step.expect))
  }
  await expect(page.locator('#said')).toContainText(
    carry === steps.length - 1 ? 'Right after another try' : 'Right, after a mistake on the way',
  )
  await page.keyboard.press('Enter')

  // Five against the clock; the fourth wrong at first.
  await page.getByRole('radio', { name: 'Answer only' }).check()
  for (let i = 0; i < 5; i += 1) {
    if (i === 3) {
      await type(page, String(Number(answerText(await problemOn(page))) - 100))
      await expect(page.locator('#said')).toContainText('Likely')
      await type(page, answerText(await problemOn(page)))
      await expect(page.locator('#said')).toContainText('Right after another try')
      await page.keyboard.press('Enter')
    } else await answerOne(page)
  }
  const figures = page.getByRole('region', { name: 'Answer only' })
  await expect(figures).toContainText('4 of 5')
  await expect(page.getByRole('listitem').filter({ hasText: 'forgot to carry' })).toBeVisible()

  await server.stop()
  await server.start()
  await page.goto(`${server.url}/record/pace`)
  await expect(page.locator('.chart .main-svg').first()).toBeVisible()
  await page.getByRole('link', { name: 'Sessions' }).click()
  const row = sessionRows(page).first()
  // The guided answer counts as right unless the slip fell on its very last step.
  const guided = carry === steps.length - 1 ? '0 of 1' : '1 of 1'
  await expect(row).toContainText(`${guided}, 4 of 5`)
  await row.getByRole('link').click()
  await page.getByRole('link', { name: '+' }).first().click()
  await expect(page.getByText('0 of')).toBeVisible()
  await page.keyboard.press('ArrowRight')
  await expect(page.getByRole('listitem').first()).toContainText(
    toWords(carry === 0 ? slip.entry : steps[0]!.expect),
  )
  for (let i = 0; i < steps.length; i += 1) await page.keyboard.press('ArrowRight')
  await expect(page.locator('.replay-entry').filter({ hasText: unmarked(slip.remark) })).toBeVisible()
})

test('a whole session by keyboard alone, with hint, show, skip and stop', async ({ page, server }) => {
  await page.goto(server.url)
  await page.getByText('Or choose for yourself').focus()
  await page.keyboard.press('Enter')
  await expect(page.getByRole('button', { name: 'Start practice' })).toBeVisible()
  // Arrows lead to another technique of the map; Tab leads on, and Enter starts from anywhere on the desk.
  await page.keyboard.press('Tab')
  while (!(await page.evaluate(() => document.activeElement?.getAttribute('name') === 'technique')))
    await page.keyboard.press('Tab')
  while (!(await page.getByRole('radio', { name: /^Hold and borrow,/ }).isChecked()))
    await page.keyboard.press('ArrowUp')
  for (let i = 0; i < 12; i += 1) {
    await page.keyboard.press('Tab')
    if (await page.evaluate(() => document.activeElement?.getAttribute('name') === 'support')) break
  }
  await expect(page.locator('input[name=support]:focus')).toHaveCount(1)
  for (let i = 0; i < 4 && !(await page.getByRole('radio', { name: 'Steps only' }).isChecked()); i += 1)
    await page.keyboard.press('ArrowDown')
  await page.keyboard.press('Enter')

  await expect(page.getByTestId('entry')).toBeFocused()
  await page.keyboard.press('h')
  await expect(page.locator('#question .faint')).toContainText(/\w{4}/)
  await page.keyboard.press('?')
  await expect(page.getByRole('dialog')).toContainText('Backspace')
  await page.keyboard.press('Escape')
  await expect(page.getByRole('dialog')).toBeHidden()
  await page.keyboard.press('t')
  await expect(page.locator('.pace-bar')).toHaveCount(0)
  await page.keyboard.type('12')
  await page.keyboard.press('Backspace')
  await expect(page.getByTestId('entry')).toHaveValue('1')
  await page.keyboard.press('Backspace')

  await page.keyboard.press('s')
  await expect(page.getByText('shown', { exact: true })).toBeVisible()
  await page.keyboard.press('n')
  await expect(page.locator('#said')).toContainText('Skipped')
  await page.keyboard.press('Enter')
  await expect(page.getByText('Problem 2 of 5')).toBeVisible()
  await page.keyboard.press('Escape')
  await expect(page.getByRole('heading', { name: 'The session' })).toBeFocused()
  await expect(page.getByRole('row').filter({ hasText: 'skipped' })).toHaveCount(1)
})

test('entries that are no numbers are told so and change nothing', async ({ page, server }) => {
  await page.goto(server.url)
  await chooseSession(page, { technique: 'Hold and borrow', level: 4, support: 'Guided', count: 1 })
  const entry = page.getByTestId('entry')
  await page.keyboard.press('Enter')
  await expect(page.locator('#said')).toContainText('Type your answer first')
  await type(page, '-')
  await expect(page.locator('#said')).toContainText('not a number yet')
  await page.keyboard.press('Backspace')
  await page.keyboard.type('abc')
  await page.keyboard.press('Backspace')
  await page.keyboard.type('5'.repeat(400))
  expect((await entry.inputValue()).length).toBeLessThanOrEqual(42)
  await page.keyboard.press('Enter')
  await expect(page.getByText('None yet.')).toHaveCount((await entry.inputValue()) === '' ? 0 : 1)
  for (let i = 0; i < 42; i += 1) await page.keyboard.press('Backspace')
  for (const value of await stepValues(page, 'subtract-hold-drop')) await type(page, value)
  await expect(page.locator('#said')).toContainText('Right')
})

test('a reload in the middle goes on where it was', async ({ page, server }) => {
  await page.goto(server.url)
  await chooseSession(page, { technique: 'Hold and borrow', level: 6, support: 'Answer only', count: 3 })
  await answerOne(page)
  const second = printProblem(await problemOn(page))
  await page.reload()
  await expect(page.getByText('Problem 2 of 3')).toBeVisible()
  expect(printProblem(await problemOn(page))).toBe(second)
})

test('in the middle: a reload, another support, another page lose no entry, time or mistake', async ({
  page,
  server,
}) => {
  await page.goto(server.url)
  await chooseSession(page, { technique: 'Running total', level: 6, support: 'Guided', count: 1 })
  const { steps } = trace(techniqueById('add-running-total'), await problemOn(page), {})
  const problem = printProblem(await problemOn(page))
  const [first, second] = steps
  const entries = page.locator('.steps li')
  await type(page, toText(first!.expect))
  const slip = second!.slips()[0]!
  await type(page, toText(slip.entry))
  await expect(entries).toHaveCount(2)
  await page.reload()
  await expect(entries).toHaveCount(2)
  await expect(entries.nth(1)).toContainText(unmarked(slip.remark))
  expect(printProblem(await problemOn(page))).toBe(problem)
  await expect(page.locator('#question')).toContainText(unmarked(second!.ask))
  // Another support: the same problem goes on, and what is asked changes.
  await page.getByRole('radio', { name: 'Answer only' }).check()
  await expect(page.locator('#question')).toContainText('The answer?')
  await expect(entries).toHaveCount(2)
  expect(printProblem(await problemOn(page))).toBe(problem)
  await page.getByRole('radio', { name: 'Watch' }).check()
  await page.getByRole('radio', { name: 'Steps only' }).check()
  await expect(entries).toHaveCount(2)
  const bench = page.url()
  await page.getByRole('link', { name: 'Record' }).first().click()
  await expect(page.getByRole('heading', { level: 1 })).toBeVisible()
  await page.goto(bench)
  await expect(entries).toHaveCount(2)
  await type(page, toText(steps.at(-1)!.expect))
  await expect(page.locator('#said')).toContainText(/Right/)
  const [learner] = await server.api<LearnerWire[]>('/learners')
  const newest = async () =>
    (await server.api<SessionPage>(`/learners/${learner!.id}/sessions?limit=1`)).sessions[0]!
  await expect.poll(async () => itemCount((await newest()).recipe)).toBe(1)
  const { id } = await newest()
  // The session arrives before its attempt.
  const attempts = async () => (await server.api<{ attempts: { id: string }[] }>(`/sessions/${id}`)).attempts
  await expect.poll(attempts).toHaveLength(1)
  const attempt = await server.api<AttemptWire>(`/attempts/${(await attempts())[0]!.id}`)
  expect(attempt).toMatchObject({ support: 'guided', outcome: 'done', clean: false, timed: true })
  expect(attempt.entries.map((e) => e.text)).toEqual([
    toText(first!.expect),
    toText(slip.entry),
    toText(steps.at(-1)!.expect),
  ])
  const kinds = attempt.events.map((e) => e.kind)
  expect(kinds.filter((k) => k === 'left').length).toBeGreaterThanOrEqual(3)
  expect(kinds.filter((k) => k === 'support').length).toBeGreaterThanOrEqual(2)
  // The time away is taken off.
  expect(attempt.totalMs).toBeLessThan(attempt.events.at(-1)!.at!)
})

test('touch: the keypad types, mends and commits', async ({ open, server }) => {
  const context = await open({
    hasTouch: true,
    isMobile: true,
    viewport: { width: 360, height: 740 },
  })
  const page = await context.newPage()
  await page.goto(server.url)
  await chooseSession(page, { technique: 'Running total', level: 1, support: 'Answer only', count: 1 })
  const answer = answerText(await problemOn(page))
  await page.getByRole('button', { name: '7', exact: true }).tap()
  await page.getByRole('button', { name: 'delete' }).tap()
  for (const digit of answer) await page.getByRole('button', { name: digit, exact: true }).tap()
  await expect(page.getByTestId('entry')).toHaveValue(answer)
  await page.getByRole('button', { name: 'Enter', exact: true }).tap()
  await expect(page.locator('#said')).toContainText('Right')
})

test('what is typed appears on the rule where it belongs, from the right too where the work goes that way', async ({
  page,
  server,
}) => {
  const typed = page.locator('.rule .typed')
  const box = page.locator('.entry-line')
  await page.goto(server.url)
  await chooseSession(page, { technique: 'Crosswise', level: 1, support: 'Guided', count: 1 })
  await expect(box).toHaveCount(0)
  await page.keyboard.type('17')
  await expect(page.locator('.rule .lit.typed')).toHaveText('17')
  await page.keyboard.press('Backspace')
  await expect(typed).toHaveText('1')
  await page.keyboard.press('Escape')
  // A gap is only kept in mind: it stands in a box.
  await page.goto(server.url)
  await chooseSession(page, { technique: 'Near a base', level: 1, support: 'Guided', count: 1 })
  await page.keyboard.type('3')
  await expect(box).toBeVisible()
  await expect(typed).toHaveCount(0)
  await page.keyboard.press('Escape')
  await page.goto(server.url)
  await chooseSession(page, { technique: 'Crosswise', level: 3, support: 'Answer only', count: 2 })
  const problem = await problemOn(page)
  const answer = answerText(problem)
  const { high } = answerPlaces(problem)
  await expect(page.locator('.rule .zone')).toHaveCount(high + 1)
  await page.keyboard.type(answer.slice(0, -1))
  await expect(page.locator('.rule .zone').last()).toHaveText(answer.at(-2)!)
  await page.keyboard.press('r')
  await expect(typed).toHaveCount(0)
  const fromRight = [...answer].reverse()
  await page.keyboard.type(fromRight[0]!)
  await expect(page.locator('.rule .zone').last()).toHaveText(fromRight[0]!)
  await page.keyboard.type(fromRight.slice(1).join(''))
  expect((await typed.allTextContents()).join('')).toBe(answer)
  await page.keyboard.press('Enter')
  await expect(page.locator('#said')).toContainText('Right first time')
  await page.keyboard.press('Enter')
  // Kept, until it is turned back.
  await page.reload()
  await page.getByRole('button', { name: 'Write from the left' }).click()
  await answerOne(page)
})

test('numbers are written as they were chosen, everywhere, and a decimal comma is typed and read', async ({
  page,
  server,
}) => {
  await page.goto(`${server.url}/settings`)
  await pick(page, 'Decimal sign', 'comma')
  await pick(page, 'Between thousands', 'comma or point')
  await pick(page, 'Times', '·')
  await expect(page.getByText('1\u2060.234\u2060.567,5 · 7')).toBeVisible()
  await page.goto(server.url)
  await chooseSession(page, { technique: 'Crosswise', level: 12, support: 'Answer only', count: 1 })
  const problem = await problemOn(page)
  const answer = answerText(problem).replace('.', ',')
  await expect(page.locator('.rule')).toContainText('·')
  expect(answer).toContain(',')
  await page.keyboard.type(answer)
  await expect(page.getByTestId('entry')).toHaveValue(answer)
  await page.keyboard.press('Enter')
  await expect(page.locator('#said')).toContainText(/Right first time, in \d,\d s/)
  await page.keyboard.press('Enter')
  await expect(page.getByRole('region', { name: 'Answer only' })).toContainText('1 of 1')
  await expect(page.getByRole('region', { name: 'Answer only' })).toContainText(/\d,\d s/)
  await expect(page.locator('.attempts tbody tr')).toContainText(/\d,\d.* · |· \d+,\d/)
  // The same in a file: it is read by somebody else, who reads numbers as they are written here.
  await page.goto(`${server.url}/compare?p=1.234,5*2`)
  await expect(page.locator('.big').first()).toContainText('1\u2060.234,5 · 2 = 2\u2060.469')
  await expect(page.getByText(/about \d+,\d s for you/).first()).toBeVisible()
})

empty(
  'names stay as they were typed, in their own direction, whatever numbers are written beside them',
  async ({ page, server }) => {
    await page.goto(`${server.url}/settings`)
    await pick(page, 'Decimal sign', 'comma')
    await pick(page, 'Between thousands', 'comma or point')
    await pick(page, 'Times', '·')
    for (const name of ['Class 5.2 x 3', 'http://10.0.0.5:4173/7×8', 'ليلى 1.5']) {
      const id = crypto.randomUUID()
      await server.api(`/learners/${id}`, {
        method: 'PUT',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify({ name, timeZone: 'UTC' }),
      })
      await page.goto(server.url)
      await pick(page, 'Learner:', name)
      await page.goto(`${server.url}/papers/own`)
      await expect(page.getByRole('heading', { level: 1 }).locator('bdi', { hasText: name })).toBeVisible()
      await page.getByLabel('Problems, one on each line').fill('1234,5*2')
      await page.getByLabel('Name').fill(`${name} 2.5 × 2`)
      await page.getByRole('button', { name: 'Keep 1 problem' }).click()
      const set = page.getByRole('article')
      await expect(set.locator('bdi')).toHaveText(`${name} 2.5 × 2`)
      await set.getByRole('button', { name: /^Practise/ }).click()
      await expect(page.locator('.bench')).toBeVisible()
      await page.keyboard.press('Escape')
      await page.goto(`${server.url}/record`)
      await expect(page.locator('bdi').getByText(name, { exact: true }).first()).toBeVisible()
    }
  },
)
