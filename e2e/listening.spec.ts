/** Somebody who does not see the page: a solver that knows only what a screen reader is given to say. */
import { FACT_DECKS } from '@tachymetra/core/facts'
import { decimal, digitAt, toText } from '@tachymetra/core/number'
import { answerText } from '@tachymetra/core/problem'
import { techniqueById } from '@tachymetra/core/registry'
import { variantOf } from '@tachymetra/core/technique'
import type { LearnerWire } from '@tachymetra/core/wire'
import { chooseSession, expect, test, trace, type } from './support/bench.js'
import { ears, listen, plain, problemFrom } from './support/ears.js'

test('by ear alone, guided: a hint, a mistake made twice, the next problem, and the end', async ({
  page,
  server,
}) => {
  await listen(page)
  await page.goto(server.url)
  const technique = techniqueById('subtract-hold-drop')
  await chooseSession(page, { technique: technique.name, level: 2, support: 'Guided', count: 2 })
  const ear = ears(page)
  for (let n = 0; n < 2; n += 1) {
    const [question, about] = await ear.focus()
    const { steps } = trace(technique, problemFrom(about!), variantOf(technique))
    expect(question).toBe(plain(steps[0]!.ask))
    if (n === 0) {
      await page.keyboard.press('h')
      expect(await ear.said()).toContain(plain(steps[0]!.why))
      for (const again of ['', 'Again: ']) {
        await type(page, '987654')
        expect(await ear.said()).toMatch(new RegExp(`^${again}987654 is not right\\. .`))
      }
    }
    for (const [i, step] of steps.entries()) {
      await type(page, toText(step.expect))
      const next = steps[i + 1]
      expect(await ear.said()).toMatch(next ? `Right. ${plain(next.ask)}` : /^Right/)
    }
    await page.keyboard.press('Enter')
  }
  // The end of the session has the focus on its heading.
  expect((await ear.focus())[0]).toMatch(/^The session/)
})

test('by ear alone: answers only, a round of facts, a frame that is read, and pages with their titles', async ({
  page,
  server,
}) => {
  await listen(page)
  // Answers that are on their way for a moment are not worth a word.
  await page.route('**/api/attempts/*', async (route) => {
    await new Promise((resolve) => setTimeout(resolve, 700))
    await route.continue()
  })
  await page.goto(server.url)
  await chooseSession(page, { technique: 'Tens first', level: 6, support: 'Answer only', count: 2 })
  const ear = ears(page)
  for (let n = 0; n < 2; n += 1) {
    const [, about] = await ear.focus()
    await type(page, answerText(problemFrom(about!)))
    expect(await ear.said()).toMatch(/^Right first time, in [\d.]+ s\. /)
    await page.keyboard.press('Enter')
  }

  await page.goto(`${server.url}/facts`)
  await expect(page).toHaveTitle(/^Facts .* Tachymetra$/)
  await page.getByLabel('How many').fill('5')
  await page.getByRole('button', { name: 'Start', exact: true }).click()
  const facts = ears(page)
  for (let n = 0; n < 5; n += 1) {
    const [asked] = await facts.focus()
    const card = FACT_DECKS.flatMap((d) => d.cards).find((c) => c.ask === asked)!
    await page.keyboard.type(card.kind.print(card.expect))
  }
  await expect(page.getByRole('heading', { level: 1 })).toHaveText(/^5 of 5 right/)
  // What had the focus goes with the round: the heading of what comes has it then.
  await page.keyboard.press('Enter')
  await expect(page.getByRole('heading', { level: 1, name: /^Facts of/ })).toBeFocused()

  // A number on the frame is told by its beads, not by its value.
  await page.goto(server.url)
  await chooseSession(page, { technique: 'Beads: read', level: 2, support: 'Answer only', count: 1 })
  const frame = ears(page)
  const [, told] = await frame.focus()
  const rods = told!.split('. ').map((rod) => {
    const beads = rod.split(': ')[1]!
    return (beads.includes('heaven') ? 5 : 0) + Number(/(\d) earth/.exec(beads)?.[1] ?? 0)
  })
  await type(page, rods.join(''))
  expect(await frame.said()).toMatch(/^Right first time/)
})

const ROD = /^(\w+) rod: (\d)\.$/
const ROD_PLACES = ['units', 'tens', 'hundreds', 'thousands']

test('by ear alone: a chain of beads, watched and moved; typing speed, a still list and a grid', async ({
  page,
  server,
}) => {
  await listen(page)
  await page.goto(server.url)
  const technique = techniqueById('soroban-add')
  await chooseSession(page, { technique: technique.name, level: 9, support: 'Watch', count: 1 })
  const ear = ears(page)
  {
    const [name, about, first] = await ear.focus()
    expect(name).toMatch(/^Its value/)
    const { steps } = trace(technique, problemFrom(about!), variantOf(technique))
    for (const [i, step] of steps.entries()) {
      expect(i === 0 ? first! : await ear.said()).toContain(plain(step.ask))
      await page.keyboard.press('Enter')
      const heard = await ear.said()
      expect(heard).toContain(`${toText(step.expect)}. ${plain(step.why)}`)
      // Every bead with its finger.
      expect(heard).toMatch(/(units|tens|hundreds): .*(thumb|index finger)/)
      await page.keyboard.press('Enter')
    }
    expect(await ear.said()).toContain(plain(answerText(problemFrom(about!))))
    await page.keyboard.press('Enter')
  }
  const [question, about] = await ear.focus()
  const { steps } = trace(technique, problemFrom(about!), variantOf(technique))
  expect(question).toBe(steps[0]!.ask)
  let before = decimal(0)
  for (const [i, step] of steps.entries()) {
    // Where the hand is, is heard by moving it; what each key does to the rods as well.
    await page.keyboard.press('ArrowLeft')
    let at = ROD_PLACES.indexOf(ROD.exec(await ear.said())![1]!)
    for (const place of [3, 2, 1, 0].filter((p) => digitAt(before, p) !== digitAt(step.expect, p))) {
      for (; at !== place; at += at < place ? 1 : -1) {
        await page.keyboard.press(at < place ? 'ArrowLeft' : 'ArrowRight')
        expect(await ear.said()).toMatch(ROD)
      }
      const digit = String(digitAt(step.expect, place))
      await page.keyboard.press(digit)
      const heard = await ear.said()
      expect(heard).toContain(`${ROD_PLACES[place]} rod: ${digit}.`)
      // The hand goes one rod to the right.
      at = Math.max(0, place - 1)
      if (place > 0) expect(heard).toContain(`${ROD_PLACES[at]} rod: `)
    }
    await page.keyboard.press('Enter')
    const next = steps[i + 1]
    expect(await ear.said()).toMatch(next ? `Right. ${plain(next.ask)}` : /^Right first time/)
    before = step.expect
  }
  expect(answerText(problemFrom(about!)) === toText(before)).toBe(true)

  await page.goto(`${server.url}/facts?keying`)
  const keys = ears(page)
  let [number] = await keys.focus()
  await page.keyboard.type('0'.repeat(number.length))
  expect(await keys.said()).toBe(`Not this number. Copy it again: ${number}`)
  for (let n = 1; n < 10; n += 1) {
    await page.keyboard.type(number)
    number = await keys.said()
  }
  await page.keyboard.type(number)
  await expect(page.getByRole('heading', { level: 1 })).toContainText('ms to key a digit')

  await page.goto(`${server.url}/flash`)
  await page.getByRole('button', { name: 'Use the still list' }).click()
  await page.getByRole('button', { name: 'Show the list' }).click()
  const list = ears(page)
  const [have, numbers] = await list.focus()
  expect(have).toMatch(/^I have the sum/)
  const sum = numbers!.split('; ').reduce((total, n) => total + Number(n.replace('minus ', '-')), 0)
  await page.keyboard.press('Enter')
  expect((await list.focus())[0]).toBe('What is the sum?')
  await type(page, '1')
  expect(await list.said()).toMatch(/^1 is not right\. ./)
  await type(page, '1')
  expect(await list.said()).toMatch(/^Again: 1 is not right\. ./)
  await type(page, String(sum))
  const end = await list.next()
  expect(end.map((h) => [h.by, h.text.split(/[:|]/)[0]!.trim()]).toSorted()).toEqual([
    ['focus', 'Next list Enter'],
    ['live', 'Right after another try'],
  ])

  await page.goto(`${server.url}/grid`)
  const grid = ears(page)
  let [sumOf, parts] = await grid.focus()
  // Taken at its last digit.
  await page.keyboard.type('999')
  expect(await grid.said()).toMatch(/^999 is not right/)
  for (let more = true; more; ) {
    expect(sumOf).toMatch(/^(Row|Column) \d$|^Total of the (rows|columns)$/)
    await page.keyboard.type(String(parts!.split(', ').reduce((total, n) => total + Number(n), 0)))
    const heard = await grid.said()
    more = !heard.startsWith('All right')
    if (more) [sumOf, parts] = heard.replace(/^Right\. /, '').split(': ') as [string, string]
  }
})

test('what a learner needs: calm has no seconds, own keys are typed into the field, beads move on an abacus of one’s own', async ({
  page,
  server,
}) => {
  const [one] = await server.api<LearnerWire[]>('/learners')
  const set = (body: object) =>
    server.api(`/learners/${one!.id}/settings`, {
      method: 'PATCH',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify(body),
    })
  await set({ calm: true, keypad: 'always', keypadOrder: 'telephone', ownAbacus: true, zero: 'slashed' })
  await page.goto(server.url)
  await chooseSession(page, { technique: 'Tens first', level: 6, support: 'Answer only', count: 1 })
  await expect(page.locator('html')).toHaveAttribute('data-zero', 'slashed')
  await expect(page.locator('.pace-bar')).toHaveCount(0)
  await expect(page.getByText(/aim for/)).toHaveCount(0)
  const keys = page.getByRole('group', { name: 'Answer keys' }).getByRole('button')
  await expect(keys.first()).toHaveText('1')
  const answer = async () => answerText(problemFrom((await page.locator('#problem').textContent())!))
  await page.keyboard.type(await answer())
  await page.keyboard.press('Enter')
  await expect(page.locator('#said')).toContainText('Right first time')
  await expect(page.locator('#said')).not.toContainText(/ s\b/)
  await page.keyboard.press('Enter')
  await expect(page.getByRole('heading', { level: 1 })).toContainText('The session')
  await expect(page.getByText('median time')).toHaveCount(0)

  await set({ calm: false, extraTime: null, ownKeyboard: true, keypad: 'never' })
  await page.goto(server.url)
  await chooseSession(page, {
    technique: 'Beads: add and take away',
    level: 2,
    support: 'Answer only',
    count: 1,
  })
  await expect(page.locator('.soroban')).toHaveCount(0)
  await expect(page.getByText('Move the beads on your own abacus')).toBeVisible()
  // As dictation or handwriting puts it there: at once, and corrected.
  const entry = page.getByTestId('entry')
  await entry.fill('1')
  await entry.fill(await answer())
  await entry.press('Enter')
  await expect(page.locator('#said')).toContainText('Right first time')
  // Without a time limit there is nothing to aim for, and whoever looks at it later is told.
  await expect(page.getByText('aim for')).toHaveCount(0)
  await page.keyboard.press('Enter')
  await expect(page.getByText('Without a time limit.')).toBeVisible()
  await page.goto(`${server.url}/facts`)
  await expect(page.getByText('a right answer counts as known')).toBeVisible()
})

test('read aloud by a voice of the browser’s own: problem, question, verdict and remark, and nothing where none is wished', async ({
  page,
  server,
}) => {
  // This browser has no voices: two are put in its place, one of which would send what it says over the network.
  await page.addInitScript(() => {
    const heard: { readonly by: string; readonly text: string }[] = []
    const voices = [
      { name: 'Far', lang: 'en-GB', localService: false },
      { name: 'Near', lang: 'en-GB', localService: true },
    ]
    Object.assign(window, {
      heard,
      SpeechSynthesisUtterance: class {
        voice = { name: 'none' }
        constructor(readonly text: string) {}
      },
    })
    Object.defineProperty(window, 'speechSynthesis', {
      value: Object.assign(new EventTarget(), {
        getVoices: () => voices,
        cancel: () => {},
        speak: ({ voice, text }: { voice: { name: string }; text: string }) =>
          heard.push({ by: voice.name, text }),
      }),
    })
  })
  const spoken = () =>
    page.evaluate(() => (window as never as { heard: { by: string; text: string }[] }).heard)
  await page.goto(`${server.url}/settings/learner`)
  await page.getByLabel('Read problem, question and remarks aloud').check()
  await expect(page.getByText('Saved')).toBeVisible()
  await page.getByRole('link', { name: 'Desk' }).click()
  await chooseSession(page, { technique: 'Running total', level: 6, support: 'Guided', count: 1 })
  await expect.poll(async () => (await spoken()).length).toBe(1)
  const [first] = await spoken()
  const technique = techniqueById('add-running-total')
  const { steps } = trace(technique, problemFrom(first!.text.split('. ')[0]!), variantOf(technique))
  expect(first).toEqual({ by: 'Near', text: expect.stringContaining(`. ${plain(steps[0]!.ask)}`) })
  await type(page, '987654')
  await expect.poll(async () => (await spoken()).at(-1)!.text).toMatch(/^987654 is not right\. ./)
  await type(page, toText(steps[0]!.expect))
  await expect.poll(async () => (await spoken()).at(-1)!.text).toBe(`Right. ${plain(steps[1]!.ask)}`)
  expect((await spoken()).map((s) => s.by)).toEqual(['Near', 'Near', 'Near'])
})
