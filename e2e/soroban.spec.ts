import type { Page } from '@playwright/test'
import { type Decimal, digitAt, equal, readDecimal, toText, unmarked } from '@tachymetra/core/number'
import { type Problem, readProblem } from '@tachymetra/core/problem'
import { techniqueById } from '@tachymetra/core/registry'
import { type BeadMove, beadsOf, beadWorkOf, isOnFrame } from '@tachymetra/core/soroban'
import { type Step, variantOf } from '@tachymetra/core/technique'
import type { AttemptWire, LearnerWire, SessionPage, SessionWire } from '@tachymetra/core/wire'
import { chooseSession, expect, openChoice, pick, test, trace, type } from './support/bench.js'

async function problemAbove(page: Page): Promise<Problem> {
  const label = (await page.locator('.problem-line').getAttribute('aria-label'))!
  return readProblem(label.replaceAll('plus', '+').replaceAll('minus', '-').replaceAll('times', '*'))
}

async function stepsOf(page: Page, id: string): Promise<readonly Step<Decimal>[]> {
  const technique = techniqueById(id)
  return trace(technique, await problemAbove(page), variantOf(technique)).steps
}

/** What a rod shows, read as a screen reader would. */
async function shown(page: Page, place: number): Promise<number> {
  return Number(await page.locator(`.rod[data-place="${place}"]`).getAttribute('aria-valuenow'))
}

/** Sets every rod that differs by keys alone: arrows to it, then its digit. */
async function setByKeys(page: Page, value: Decimal, places: readonly number[]): Promise<void> {
  for (const place of places) {
    if ((await shown(page, place)) === digitAt(value, place)) continue
    for (;;) {
      const chosen = Number(await page.locator('.rod.chosen').getAttribute('data-place'))
      if (chosen === place) break
      await page.keyboard.press(chosen < place ? 'ArrowLeft' : 'ArrowRight')
    }
    await page.keyboard.press(String(digitAt(value, place)))
  }
}

/** Where a finger takes hold of the bead that a move needs. */
async function spotOf(page: Page, { place, bead, by }: BeadMove): Promise<{ x: number; y: number }> {
  const rod = page.locator(`.rod[data-place="${place}"]`)
  const { earth } = beadsOf(await shown(page, place))
  // The heaven bead is the first; of the earth beads, the one farthest from where they go takes the others along.
  const index = bead === 'heaven' ? 0 : 1 + (by > 0 ? earth + by - 1 : earth + by)
  const box = (await rod.locator('.bead').nth(index).boundingBox())!
  return { x: box.x + box.width / 2, y: box.y + box.height / 2 }
}

const PLACES = [3, 2, 1, 0]

test('guided addition with a ten-five by keys: judged by itself, a slip named, shown against the right beads and taken back', async ({
  page,
  server,
}) => {
  await page.goto(server.url)
  await chooseSession(page, { technique: 'Beads: add and take away', level: 7, support: 'Guided', count: 1 })
  const steps = await stepsOf(page, 'soroban-add')
  const at = steps.findIndex((s) => beadWorkOf(s)!.kind === 'ten-five')
  for (const [i, step] of steps.entries()) {
    if (i === at) {
      const slip = step.slips().find((s) => s.id === 'carry-lost')!
      await setByKeys(page, slip.entry, PLACES)
      await page.keyboard.press('Enter')
      await expect(page.locator('#said')).toContainText(unmarked(slip.remark))
      await expect(page.locator('.outlines')).not.toHaveCount(0)
      await expect(page.locator('.outlines')).toHaveCount(0)
      expect(await shown(page, step.place)).toBe(digitAt(steps[i - 1]!.expect, step.place))
    }
    // Free judging: no Enter, the frame is taken as it stands once it rests.
    await setByKeys(page, step.expect, PLACES)
    if (i < steps.length - 1)
      await expect(page.locator('#question')).toContainText(unmarked(steps[i + 1]!.ask))
  }
  await expect(page.locator('#said')).toContainText(
    /Right(, after a mistake on the way| after another try), in/,
  )
})

test('by touch: a bead takes its neighbours along, and two fingers work at once', async ({
  open,
  server,
}) => {
  const context = await open({ hasTouch: true, viewport: { width: 800, height: 900 } })
  const page = await context.newPage()
  await page.goto(server.url)
  await chooseSession(page, { technique: 'Beads: add and take away', level: 3, support: 'Guided', count: 1 })
  for (const step of await stepsOf(page, 'soroban-add')) {
    for (const move of beadWorkOf(step)!.moves) {
      const { x, y } = await spotOf(page, move)
      await page.touchscreen.tap(x, y)
    }
    await expect(page.locator('#question, .done-panel').first()).not.toContainText(unmarked(step.ask))
  }
  await expect(page.locator('#said').filter({ hasText: /Right first time, in/ })).toBeVisible()

  await page.goto(`${server.url}/soroban`)
  const client = await context.newCDPSession(page)
  const fingers = [
    await spotOf(page, { place: 0, bead: 'heaven', by: 1 }),
    await spotOf(page, { place: 0, bead: 'earth', by: 3 }),
  ]
  const points = (dy: number) => fingers.map(({ x, y }, id) => ({ x, y: y + (id === 0 ? dy : -dy), id }))
  await client.send('Input.dispatchTouchEvent', { type: 'touchStart', touchPoints: points(0) })
  for (const dy of [6, 12, 18])
    await client.send('Input.dispatchTouchEvent', { type: 'touchMove', touchPoints: points(dy) })
  await client.send('Input.dispatchTouchEvent', { type: 'touchEnd', touchPoints: [] })
  expect(await shown(page, 0)).toBe(8)
  await expect(page.locator('.free-value')).toContainText('eight')
})

test('strict: a bead out of order is not taken, and what comes first is said', async ({ page, server }) => {
  await page.goto(server.url)
  await openChoice(page)
  await page.getByRole('radio', { name: /^Beads: add and take away,/ }).check()
  await page.getByLabel('Strict: check every bead and the order').check()
  await chooseSession(page, { technique: 'Beads: add and take away', level: 5, support: 'Guided', count: 1 })
  const steps = await stepsOf(page, 'soroban-add')
  const click = async (move: BeadMove) => {
    const { x, y } = await spotOf(page, move)
    await page.mouse.click(x, y)
  }
  for (const step of steps) {
    const { expect: value, place } = step
    const beads = beadWorkOf(step)!
    const { moves } = beads
    if (beads.kind === 'ten') {
      // The one on the left belongs last.
      const before = await shown(page, moves.at(-1)!.place)
      await click(moves.at(-1)!)
      await expect(page.locator('#said')).toContainText('First')
      await expect(page.locator('.outlines')).toHaveCount(1)
      expect(await shown(page, moves.at(-1)!.place)).toBe(before)
    }
    for (const move of moves) await click(move)
    await expect
      .poll(
        async () =>
          (await page.locator('#said').textContent())!.includes('Right') ||
          (await shown(page, place)) === digitAt(value, place),
      )
      .toBe(true)
  }
  await expect(page.locator('#said')).toContainText(
    /Right(, after a mistake on the way| after another try), in/,
  )
})

test('multiplication: the finger marker rests on the last units rod', async ({ page, server }) => {
  await page.goto(server.url)
  await chooseSession(page, { technique: 'Beads: multiply', level: 6, support: 'Guided', count: 1 })
  const steps = await stepsOf(page, 'soroban-multiply')
  for (const [i, step] of steps.entries()) {
    // Which rod to begin on, and whether a 0 goes first, is the learner's to say; nothing shows it before.
    if (!isOnFrame(step)) {
      const before = steps[i - 1]
      await expect(page.locator('.finger')).toHaveCount(before && isOnFrame(before) ? 1 : 0)
      if (i === 0) await expect(page.locator('.rod.lit')).toHaveAttribute('data-place', '0')
      await type(page, toText(step.expect))
      continue
    }
    await setByKeys(page, step.expect, PLACES)
    await page.keyboard.press('Enter')
    if (i === steps.length - 1) break
    await expect(page.locator('#question')).toContainText(unmarked(steps[i + 1]!.ask))
    const finger = await page.locator('.finger').boundingBox()
    const rod = await page.locator(`.rod[data-place="${step.place - 1}"]`).boundingBox()
    expect(Math.abs(finger!.x + finger!.width / 2 - rod!.x - rod!.width / 2)).toBeLessThan(2)
  }
  await expect(page.locator('#said').filter({ hasText: /Right first time, in/ })).toBeVisible()
})

test('watched bead by bead; read; and the frame let go of: then the value is typed', async ({
  page,
  server,
}) => {
  await page.goto(server.url)
  await chooseSession(page, { technique: 'Beads: add and take away', level: 9, support: 'Watch', count: 1 })
  await page.getByRole('button', { name: 'Quick' }).click()
  for (const step of await stepsOf(page, 'soroban-add')) {
    await page.getByRole('button', { name: 'Its value' }).click()
    await expect(page.locator('.watched').getByText(step.why)).toBeVisible()
    for (const place of PLACES)
      await expect(page.locator(`.rod[data-place="${place}"]`)).toHaveAttribute(
        'aria-label',
        new RegExp(`, ${digitAt(step.expect, place)}: `),
      )
    await page.keyboard.press('Enter')
  }
  await page.goto(server.url)
  await chooseSession(page, { technique: 'Beads: read', level: 5, support: 'Guided', count: 1 })
  const digits = await page
    .locator('.rod')
    .evaluateAll((rods) => rods.map((r) => /, (\d):/.exec(r.getAttribute('aria-label')!)![1]))
  await type(page, digits.join('').replace(/^0+/, ''))
  await expect(page.locator('#said').filter({ hasText: /Right first time, in/ })).toBeVisible()

  await page.goto(server.url)
  await openChoice(page)
  await page.getByRole('radio', { name: /^Beads: add and take away,/ }).check()
  const levels = page.getByRole('radiogroup', { name: 'Level' }).getByRole('radio')
  await levels.nth(4).check()
  await pick(page, 'The frame shows', 'no frame, only the mind')
  await levels.nth(3).check()
  await expect(page.locator('.ant-select', { has: page.getByLabel('The frame shows') })).toContainText(
    'all its beads',
  )
  await chooseSession(page, { technique: 'Beads: add and take away', level: 5, support: 'Guided', count: 1 })
  await expect(page.locator('.soroban')).toHaveCount(0)
  for (const step of await stepsOf(page, 'soroban-add')) await type(page, toText(step.expect))
  await expect(page.locator('#said').filter({ hasText: /Right first time, in/ })).toBeVisible()
})

test('the frame by itself: set, add with a cascade, undo, clear, a full frame told', async ({
  page,
  server,
}) => {
  await page.goto(`${server.url}/soroban`)
  await expect(page.locator('.rod.chosen')).toHaveAttribute('data-place', '0')
  for (const key of ['ArrowLeft', 'ArrowLeft', '9', '9', '9', '+', '1']) await page.keyboard.press(key)
  await expect(page.locator('.free-value')).toContainText('one thousand')
  await page.keyboard.press('Backspace')
  await expect(page.locator('.free-value')).toContainText('nine hundred ninety-nine')
  await page.keyboard.press('-')
  for (let i = 0; i < 3; i += 1) await page.keyboard.press('9')
  await expect(page.locator('.free-value')).toContainText('nine hundred seventy-two')
  await page.keyboard.press('Delete')
  await expect(page.locator('.free-value')).toContainText('zero')
  await page.keyboard.press('5')
  await expect(page.locator('.free-value')).toContainText('go below zero')
  await page.keyboard.press('ArrowUp')
  await page.keyboard.press(' ')
  await expect(page.locator('.rod.chosen')).toHaveAttribute(
    'aria-valuetext',
    '6: heaven bead and 1 earth bead at the bar',
  )
})

test('the frame by itself on a telephone: its keys set, add and take away, and hide neither value nor choice', async ({
  open,
  server,
}) => {
  const phone = await open({ hasTouch: true, isMobile: true, viewport: { width: 360, height: 740 } })
  const page = await phone.newPage()
  await page.goto(`${server.url}/soroban`)
  await expect(page.locator('.rod')).toHaveCount(7)
  await expect(page.getByLabel('Rods', { exact: true })).toHaveValue('7')
  const keys = page.getByRole('group', { name: 'Answer keys' })
  const value = page.locator('.free-value')
  const tap = (name: string) => keys.getByRole('button', { name, exact: true }).tap()
  for (const key of ['4', 'plus', '7']) await tap(key)
  await expect(value).toContainText('eleven')
  for (const key of ['minus', '3']) await tap(key)
  await expect(value).toContainText('eight')
  for (const key of ['set', '2']) await tap(key)
  // Eleven less three is eight; the units set to two.
  await expect(value).toContainText('two')
  await tap('delete')
  await expect(value).toContainText('eight')
  for (const part of [value, page.getByRole('button', { name: /^A digit adds/ }), keys])
    await expect(part).toBeInViewport({ ratio: 1 })
})

test('flash: the caution first, any key stops, a list answered with its slip named, onsets kept with the attempt', async ({
  page,
  server,
}) => {
  await page.goto(`${server.url}/flash`)
  await expect(page.getByRole('heading', { name: 'Before anything flashes' })).toBeVisible()
  await expect(page.getByRole('button', { name: 'Start' })).toBeDisabled()
  await page.getByLabel('I have read this').check()
  await page.getByLabel('Time each, ms').fill('150')
  await page.getByLabel('Gap, ms').fill('50')
  await page.keyboard.press('Tab')
  await expect(page.getByText('they are slowed down to 3')).toBeVisible()
  await page.getByRole('button', { name: 'Start' }).click()
  await page.waitForTimeout(900)
  await page.keyboard.press('x')
  await expect(page.getByRole('button', { name: 'Start' })).toBeVisible()

  await page.getByRole('button', { name: 'Start' }).click()
  // Every number as it is drawn, by whoever watches the page.
  await page.evaluate(() => {
    const seen: string[] = []
    Object.assign(window, { seen })
    new MutationObserver(() => {
      const text = document.querySelector('[data-testid=flash-number]')?.textContent
      if (text && text !== seen.at(-1)) seen.push(text)
      else if (text === '') seen.push('')
    }).observe(document.querySelector('[data-testid=flash-number]')!, {
      childList: true,
      characterData: true,
      subtree: true,
    })
  })
  await expect(page.getByTestId('entry')).toBeVisible()
  const seen = (await page.evaluate(() => (window as unknown as { seen: string[] }).seen))
    .filter((t) => t !== '')
    .map((t) => Number(t))
  expect(seen).toHaveLength(5)
  const sum = seen.reduce((a, b) => a + b, 0)
  await type(page, String(sum - seen[2]!))
  await expect(page.locator('.said')).toContainText('Likely')
  await type(page, String(sum))
  await expect(page.locator('.said')).toContainText(`Right after another try: ${sum}`)
  await expect(page.locator('.running-totals tbody tr')).toHaveCount(5)
  await expect(page.locator('.running-totals tbody tr').last()).toContainText(String(sum))

  const [learner] = await server.api<LearnerWire[]>('/learners')
  const newest = async () =>
    (await server.api<SessionPage>(`/learners/${learner!.id}/sessions?limit=1`)).sessions[0]!
  await expect.poll(async () => (await newest()).recipe.sources[0]!.kind).toBe('flash')
  const { id } = await newest()
  // The session arrives before its attempt.
  const attempts = async () => (await server.api<{ attempts: { id: string }[] }>(`/sessions/${id}`)).attempts
  await expect.poll(attempts).toHaveLength(1)
  const attempt = await server.api<AttemptWire>(`/attempts/${(await attempts())[0]!.id}`)
  expect(attempt.shown).toMatchObject({ way: 'flash', showMs: 284, gapMs: 50 })
  expect(equal(readDecimal(attempt.entries.at(-1)!.text)!, readDecimal(String(sum))!)).toBe(true)

  // The list again at half speed, then the still one.
  await page.keyboard.press('r')
  await expect(page.getByRole('button', { name: 'Start' })).toBeVisible()
  await page.getByRole('button', { name: 'Use the still list' }).click()
  await page.getByRole('button', { name: 'Show the list' }).click()
  const still = (await page.locator('.flash-stage li').allTextContents()).map(Number)
  await page.getByRole('button', { name: 'I have the sum' }).click()
  await type(page, String(still.reduce((a, b) => a + b, 0)))
  await expect(page.locator('.said')).toContainText('Right first time:')
})

test('a flashed list left in the middle: its wrong answer is kept, by a reload and by going back to the settings', async ({
  page,
  server,
}) => {
  const [learner] = await server.api<LearnerWire[]>('/learners')
  const newest = async () =>
    (await server.api<SessionPage>(`/learners/${learner!.id}/sessions?limit=1`)).sessions[0]!
  const attempts = async () => {
    const { id } = await newest()
    return (
      await server.api<SessionWire & { attempts: { outcome: string; right: boolean }[] }>(`/sessions/${id}`)
    ).attempts
  }
  const wrong = async () => {
    await page.getByRole('button', { name: 'Show the list' }).click()
    await page.getByRole('button', { name: 'I have the sum' }).click()
    await type(page, '1')
    await expect(page.locator('.said')).toContainText('1 is not right')
  }
  await page.goto(`${server.url}/flash`)
  await page.getByRole('button', { name: 'Use the still list' }).click()
  await wrong()
  await page.reload()
  await expect.poll(async () => (await newest()).recipe.sources[0]!.kind).toBe('flash')
  await expect.poll(attempts).toMatchObject([{ outcome: 'stopped', right: false }])
  await wrong()
  await page.keyboard.press('Escape')
  await expect.poll(async () => (await newest()).slips.length + (await attempts()).length).toBeGreaterThan(0)
  await expect.poll(attempts).toMatchObject([{ outcome: 'stopped', right: false }])
})

test('grid: sums along rows and columns, totals that disagree are told', async ({ page, server }) => {
  await page.goto(`${server.url}/grid`)
  await expect(page.locator('.grid-sheet')).toBeVisible()
  const cells = await page
    .locator('.grid-sheet tbody tr')
    .evaluateAll((rows) =>
      rows
        .slice(0, 3)
        .map((row) => [...row.querySelectorAll('td:not(.grid-sum)')].map((td) => Number(td.textContent))),
    )
  const sum = (n: readonly number[]) => n.reduce((a, b) => a + b, 0)
  const total = sum(cells.flat())
  const question = page.locator('#question')
  // By keyboard: each sum is taken at its last digit, and the next one asks for itself.
  for (const [i, row] of cells.entries()) {
    await expect(question).toHaveText(`Row ${i + 1}`)
    await page.keyboard.type(String(sum(row)))
  }
  const columns = cells[0]!.map((_, c) => sum(cells.map((row) => row[c]!)))
  // A wrong sum stays with its cell until it is right.
  await page.keyboard.type(String(columns[0]! + 1))
  await expect(page.locator('.grid-said')).toContainText(`${columns[0]! + 1} is not right`)
  for (const column of columns) await page.keyboard.type(String(column))
  await expect(question).toHaveText('Total of the rows')
  await page.keyboard.press('ArrowDown')
  await page.keyboard.type(String(total + 10))
  await page.keyboard.press('ArrowUp')
  await page.keyboard.type(String(total))
  await expect(question).toHaveText('Total of the columns')
  await page.keyboard.press('ArrowUp')
  await expect(page.locator('.grid-said')).toContainText('do not agree')
  // And by a press on its cell.
  await page.getByRole('button', { name: /^Total of the columns/ }).click()
  await page.keyboard.type(String(total))
  await expect(page.locator('.grid-said')).toContainText('All right')
})

test('a product is typed and lands: a second one is added, a whole total is read by its size, as on the command line', async ({
  page,
  server,
}) => {
  await page.goto(server.url)
  await chooseSession(page, { technique: 'Beads: multiply', level: 6, support: 'Guided', count: 1 })
  const steps = await stepsOf(page, 'soroban-multiply')
  const landings = steps.filter(isOnFrame)
  for (const [i, step] of steps.entries()) {
    if (i > 0) await expect(page.locator('#question')).toContainText(unmarked(step.ask))
    if (!isOnFrame(step)) await type(page, toText(step.expect))
    else {
      // The first product by its two digits, the next ones in turn as the whole total and by their digits.
      const whole = landings.indexOf(step) % 2 === 1
      await page.keyboard.type(whole ? toText(step.expect) : step.typedAs!)
      for (const place of PLACES)
        await expect.poll(() => shown(page, place)).toBe(digitAt(step.expect, place))
    }
  }
  await expect(page.locator('#said')).toContainText('Right first time')
})
