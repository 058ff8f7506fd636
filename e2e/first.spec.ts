/** The first minutes: from an empty program to practice, and what may happen in the middle of it. */
import type { Page } from '@playwright/test'
import { answerText, printProblem, readProblem } from '@tachymetra/core/problem'
import type { AttemptSummary, LearnerWire, SessionPage } from '@tachymetra/core/wire'
import {
  answerOne,
  chooseSession,
  empty,
  expect,
  killable,
  openChoice,
  problemOn,
  sessionRows,
  test,
  toSessions,
  type,
} from './support/bench.js'

empty(
  'a learner is added, bad names are refused in the same words as on the server',
  async ({ page, server }) => {
    await page.goto(server.url)
    await page.getByRole('button', { name: 'Add a learner' }).click()
    const dialog = page.getByRole('dialog')
    await dialog.getByLabel('Name or nickname').fill('   ')
    await dialog.getByRole('button', { name: 'Add' }).click()
    const id = '6f1b0c5e-0000-4000-8000-00000000000f'
    const refusal = await server.api<{ detail: string }>(`/learners/${id}`, {
      method: 'PUT',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify({ name: '', timeZone: 'UTC' }),
    })
    await expect(dialog.getByRole('alert')).toHaveText(refusal.detail)
    await dialog.getByLabel('Name or nickname').fill('Wim')
    await page.keyboard.press('Enter')
    await expect(page.getByText('Learner:')).toBeVisible()
    await expect(page.getByText('Demo data')).toBeHidden()
    await chooseSession(page, { technique: 'Running total', level: 1, support: 'Answer only', count: 1 })
    await answerOne(page)
    await toSessions(page)
    await expect(sessionRows(page).first()).toContainText('1 of 1')
    await page.goto(server.url)
    await page.getByRole('button', { name: 'Rename or remove' }).click()
    await page.getByRole('dialog').getByLabel('Name or nickname').fill('Wim B')
    await page.keyboard.press('Enter')
    await expect(page.getByRole('dialog')).toBeHidden()
    await expect(page.getByText('Wim B')).toBeVisible()
    await page.getByRole('button', { name: 'Rename or remove' }).click()
    await page.getByRole('button', { name: 'Remove...' }).click()
    await page.getByRole('button', { name: 'Remove Wim B' }).click()
    await expect(page.getByText('There are no learners yet')).toBeVisible()
    expect(await server.api('/learners')).toEqual([])
    // Had back with one press, with everything; then erased for good.
    await page.getByRole('button', { name: 'Undo' }).click()
    await expect(page.getByText('Learner:')).toBeVisible()
    await page.getByRole('link', { name: 'Record', exact: true }).click()
    await page.getByRole('link', { name: 'Sessions' }).click()
    await expect(sessionRows(page).first()).toContainText('1 of 1')
    await page.getByRole('link', { name: 'Settings', exact: true }).click()
    await page.getByRole('link', { name: 'Reading and time' }).click()
    await page.getByRole('button', { name: 'Rename or remove' }).click()
    await page.getByRole('button', { name: 'Remove...' }).click()
    await page.getByRole('button', { name: 'Remove Wim B' }).click()
    await page.getByRole('link', { name: 'Everybody' }).click()
    await expect(page.getByRole('heading', { name: 'Removed learners' })).toBeVisible()
    await page.getByRole('button', { name: /^Erase now ?: Wim B/ }).click()
    await page.getByRole('tooltip').getByRole('button', { name: 'Erase now' }).click()
    await expect(page.getByRole('heading', { name: 'Removed learners' })).toBeHidden()
    expect(await server.api('/learners/removed')).toEqual([])
  },
)

empty(
  'a list of names is pasted: whoever cannot be added is told and stays in the list',
  async ({ page, server }) => {
    await page.goto(server.url)
    await expect(page.getByRole('button', { name: 'Add a learner' })).toBeFocused()
    await page.keyboard.press('Enter')
    await page.getByRole('button', { name: 'Several at once' }).click()
    const names = page.getByLabel('Names or nicknames')
    await names.fill('Ada\n\n  Bo \nada\nCy\n')
    await page.getByRole('button', { name: 'Add', exact: true }).click()
    await expect(page.getByRole('alert')).toContainText('ada is here already')
    await expect(names).toHaveValue('ada\nCy')
    await names.fill('Ada L\nCy')
    await page.getByRole('button', { name: 'Add', exact: true }).click()
    await expect(page.getByRole('dialog')).toBeHidden()
    const there = await server.api<LearnerWire[]>('/learners')
    expect(there.map((l) => l.name)).toEqual(['Ada', 'Ada L', 'Bo', 'Cy'])
  },
)

empty('the demo is loaded to look around, and taken out again; counts follow', async ({ page, server }) => {
  await page.goto(server.url)
  await page.getByRole('button', { name: 'Look around with the demo' }).click()
  // Six weeks of eight learners are made, which takes a busy machine a while.
  await expect(page.getByText('Learner:')).toBeVisible({ timeout: 150_000 })
  expect(await server.api<LearnerWire[]>('/learners')).toHaveLength(8)
  const second = await fetch(`${server.url}/api/demo`, {
    method: 'POST',
    headers: { 'Content-Type': 'application/json' },
    body: '{}',
  })
  expect([second.status, (await second.json()).code]).toEqual([409, 'not-empty'])
  await page.getByRole('link', { name: 'Settings', exact: true }).click()
  await page.getByRole('link', { name: 'Everybody' }).click()
  await expect(page.getByText(/Here: 8 learners/)).toBeVisible()
  await page.getByRole('link', { name: 'Reading and time' }).click()
  await page.getByRole('button', { name: 'Rename or remove' }).click()
  await page.getByRole('button', { name: 'Remove...' }).click()
  await page.getByRole('button', { name: /^Remove [A-Z]/ }).click()
  await page.getByRole('link', { name: 'Everybody' }).click()
  await expect(page.getByText(/Here: 7 learners/)).toBeVisible()
  await page.getByRole('button', { name: 'Take the demo out: 7 invented learners' }).click()
  await page.getByRole('button', { name: 'Take it out' }).click()
  // Without anybody, a backup can still be restored.
  await expect(page.getByText(/Here: 0 learners, 0 attempts/)).toBeVisible()
  await expect(page.getByText('Restore from a backup')).toBeVisible()
  await page.goto(`${server.url}/record`)
  await page.getByRole('link', { name: 'Add one' }).click()
  await expect(page.getByRole('heading', { name: 'Who is going to practise?' })).toBeVisible()
  expect(await server.api('/learners')).toEqual([])
})

test('a session left in the middle is offered on the desk, at its very entry; let go of, it is kept as left', async ({
  page,
  server,
}) => {
  await page.goto(server.url)
  await chooseSession(page, { technique: 'Running total', level: 6, support: 'Guided', count: 3 })
  await type(page, '99999')
  const problem = printProblem(await problemOn(page))
  await page.getByRole('link', { name: 'Desk' }).click()
  const goOn = page.getByRole('region', { name: 'Go on where you stopped' })
  await expect(goOn).toContainText('Running total')
  await expect(goOn).toContainText('problem 1 of 3')
  await goOn.getByRole('button', { name: 'Go on' }).click()
  await expect(page.getByText('Problem 1 of 3')).toBeVisible()
  expect(printProblem(await problemOn(page))).toBe(problem)
  await expect(page.locator('.steps li')).toHaveCount(1)
  await page.getByRole('link', { name: 'Desk' }).click()
  await goOn.getByRole('button', { name: 'Not any more' }).click()
  await expect(goOn).toBeHidden()
  const [learner] = await server.api<LearnerWire[]>('/learners')
  const newest = async () => {
    const { sessions } = await server.api<SessionPage>(`/learners/${learner!.id}/sessions?limit=1`)
    const { attempts } = await server.api<{ attempts: AttemptSummary[] }>(`/sessions/${sessions[0]!.id}`)
    return attempts.map((a) => [a.expression, a.outcome])
  }
  await expect.poll(newest).toEqual([[problem, 'stopped']])
  await page.reload()
  await expect(page.getByRole('heading', { name: /^Today/ })).toBeVisible()
  await expect(goOn).toBeHidden()
})

test('stopped where a problem has just been answered: it counts in what the session came to', async ({
  page,
  server,
}) => {
  await page.goto(server.url)
  await chooseSession(page, { technique: 'Running total', level: 2, support: 'Answer only', count: 5 })
  await answerOne(page)
  await answerOne(page)
  await type(page, answerText(await problemOn(page)))
  await expect(page.locator('#said')).toContainText('Right first time')
  await page.keyboard.press('Escape')
  await expect(page.getByText('3 of 3')).toBeVisible()
  await expect(page.getByText('All 3 right first time.')).toBeVisible()
})

test('after a right answer the next problem comes by itself, accepted at the last digit', async ({
  page,
  server,
}) => {
  await page.goto(server.url)
  await page.evaluate(() => localStorage.setItem('tachymetra', JSON.stringify({ onward: 'last-digit' })))
  await page.reload()
  await chooseSession(page, { technique: 'Running total', level: 2, support: 'Answer only', count: 3 })
  await page.keyboard.type(answerText(await problemOn(page)))
  await expect(page.getByText('Problem 2 of 3')).toBeVisible()
  // A wrong answer is judged as well, and waits.
  const answer = answerText(await problemOn(page))
  await page.keyboard.type(answer.replace(/\d/g, (d) => (d === '9' ? '8' : '9')))
  await expect(page.locator('#said')).toContainText(' is not ')
  await page.waitForTimeout(1200)
  await expect(page.getByText('Problem 2 of 3')).toBeVisible()
})

test('two tabs: each keeps its learner, and the bench says whose session it is', async ({
  page,
  context,
  server,
}) => {
  await page.goto(server.url)
  const [first, second] = await server.api<LearnerWire[]>('/learners')
  await chooseSession(page, { technique: 'Running total', level: 2, support: 'Answer only', count: 2 })
  await expect(page.getByRole('heading', { level: 1 })).toContainText(first!.name)
  const other = await context.newPage()
  await other.goto(server.url)
  await other.getByRole('combobox', { name: 'Learner:' }).fill(second!.name)
  await other.keyboard.press('Enter')
  await expect(other.locator('.ant-select', { hasText: second!.name })).toBeVisible()
  await page.reload()
  await expect(page.getByRole('heading', { level: 1 })).toContainText(first!.name)
  await page.getByRole('link', { name: 'Desk' }).click()
  await expect(page.locator('.ant-select', { hasText: first!.name })).toBeVisible()
  await other.reload()
  await expect(other.locator('.ant-select', { hasText: second!.name })).toBeVisible()
})

/** The answer to the problem that stands above a frame. */
async function answerAboveFrame(page: Page): Promise<string> {
  const text = (await page.locator('.problem-line').textContent())!
  const plain = text.replaceAll('\u2009', '').replaceAll('\u2212', '-').replaceAll(' ', '')
  return answerText(readProblem(plain))
}

test('on the frame, where only the answer is asked, a typed number takes the whole frame', async ({
  page,
  server,
}) => {
  await page.goto(server.url)
  await chooseSession(page, {
    technique: 'Beads: add and take away',
    level: 7,
    support: 'Answer only',
    count: 2,
  })
  await page.keyboard.type(`${await answerAboveFrame(page)}9`)
  await page.keyboard.press('Backspace')
  await page.keyboard.press('Enter')
  await expect(page.locator('#said')).toContainText('Right first time')
})

test('on a telephone the frame has fewer rods, and a wrong one is judged after the rest that is set', async ({
  open,
  server,
}) => {
  const phone = { hasTouch: true, isMobile: true, viewport: { width: 360, height: 740 } }
  const page = await (await open(phone)).newPage()
  await page.goto(server.url)
  await openChoice(page)
  await page.getByRole('radio', { name: /^Beads: set,/ }).check()
  await page.getByLabel('Checked after a rest of').fill('30')
  await chooseSession(page, { technique: 'Beads: set', level: 1, support: 'Guided', count: 1 })
  await expect(page.locator('.soroban .rod')).toHaveCount(7)
  // A digit on the rod that nothing belongs on.
  await page.keyboard.press('ArrowLeft')
  await page.keyboard.type('1')
  await page.waitForTimeout(4500)
  await expect(page.locator('.steps li')).toHaveCount(0)
  await page.keyboard.press('Enter')
  await expect(page.locator('#said')).toContainText(' is not ')
  // Where only the answer is asked there are keys for it, and nothing is judged before that is wished.
  await page.goto(server.url)
  const alone = { technique: 'Beads: add and take away', level: 7, support: 'Answer only', count: 1 }
  await chooseSession(page, alone)
  const keys = page.getByRole('group', { name: 'Answer keys' })
  await expect(keys).toBeInViewport({ ratio: 1 })
  for (const digit of await answerAboveFrame(page))
    await keys.getByRole('button', { name: digit, exact: true }).tap()
  await keys.getByRole('button', { name: 'Check' }).tap()
  await expect(page.locator('#said')).toContainText('Right first time')
})

killable('the server gone: every page says so and has a way on', async ({ open, server }) => {
  // A browser that has fetched nothing of the program yet.
  const page = await (await open({})).newPage()
  await page.goto(server.url)
  await expect(page.getByRole('heading', { name: /^Today/ })).toBeVisible()
  await server.stop('SIGKILL')
  for (const name of ['Facts', 'Soroban', 'Flash', 'Compare', 'Record', 'Settings', 'Desk']) {
    await page.getByRole('link', { name, exact: true }).click()
    const words = async () => ((await page.locator('main').textContent()) ?? '').trim().length
    await expect.poll(words, { timeout: 15_000 }).toBeGreaterThan(20)
    await expect(page.getByRole('navigation', { name: 'Pages' })).toBeVisible()
    await expect(page.locator('main .loading')).toHaveCount(0, { timeout: 20_000 })
  }
  // What could not be fetched comes when it is tried again.
  await page.getByRole('link', { name: 'Compare', exact: true }).click()
  await expect(page.getByRole('alert')).toContainText('could not be fetched')
  await server.start()
  await page.getByRole('button', { name: 'Load the page anew' }).click()
  await expect(page.getByLabel('Problem')).toBeVisible()
})

test('an address that leads nowhere says what may have happened, and leads on', async ({ page, server }) => {
  const nobody = '6f1b0c5e-0000-4000-8000-0000000000ee'
  for (const [path, head] of [
    ['bench/x', 'This session is not here'],
    [`record/session/${nobody}`, 'This session is not in the record'],
    ['record/attempt/x', 'This problem is not in the record'],
    ['learn/x', 'There is no such technique'],
    ['nowhere', 'There is no such page'],
  ] as const) {
    await page.goto(`${server.url}/${path}`)
    await expect(page.getByRole('heading', { level: 1 })).toHaveText(head)
    await page.getByRole('link', { name: 'To the desk' }).click()
    await expect(page.getByText('Learner:')).toBeVisible()
  }
})

test('times stand in the learner’s own time zone, wherever the browser is', async ({ page, server }) => {
  const id = '6f1b0c5e-0000-4000-8000-0000000000ef'
  await server.api(`/learners/${id}`, {
    method: 'PUT',
    headers: { 'Content-Type': 'application/json' },
    body: JSON.stringify({ name: 'Kei', timeZone: 'Asia/Kathmandu' }),
  })
  await page.addInitScript((learner) => sessionStorage.setItem('tachymetra.learner', learner), id)
  await page.goto(server.url)
  await chooseSession(page, { technique: 'Running total', level: 1, support: 'Answer only', count: 1 })
  await answerOne(page)
  await toSessions(page)
  const row = sessionRows(page).first()
  await expect(row).toContainText('1 of 1')
  const { sessions } = await server.api<SessionPage>(`/learners/${id}/sessions?limit=1`)
  const minutes = new Date(Date.parse(sessions[0]!.startedAt) + 345 * 60_000).toISOString().slice(11, 16)
  await expect(row).toContainText(minutes)
  await row.getByRole('link').click()
  await expect(page.getByRole('heading', { level: 1 })).toContainText(minutes)
  await page.locator('.attempts').getByRole('link').click()
  await expect(page.getByText(new RegExp(`answer only, .*${minutes}`))).toBeVisible()
})
