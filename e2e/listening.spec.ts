/** Somebody who does not see the page: only what a screen reader is given to say is known here. */
import type { Page } from '@playwright/test'
import { factById } from '@tachymetra/core/facts'
import { toText } from '@tachymetra/core/number'
import { answerOf, type Problem, readProblem } from '@tachymetra/core/problem'
import { techniqueById } from '@tachymetra/core/registry'
import { type Technique, trace, variantOf } from '@tachymetra/core/technique'
import type { LearnerWire } from '@tachymetra/core/wire'
import { chooseSession, expect, test } from './bench.js'

/** What was said: on the focus of something, its name and description; and each change of a live region. */
interface Heard {
  readonly by: 'focus' | 'live'
  readonly text: string
}

/** Begins to write down what a screen reader would say. To be called before the page is opened. */
async function listen(page: Page): Promise<void> {
  await page.addInitScript(() => {
    const heard: { by: string; text: string }[] = []
    Object.assign(window, { heard })
    const texts = (ids: string | null) =>
      (ids ?? '')
        .split(' ')
        .map((id) => document.getElementById(id)?.textContent?.trim() ?? '')
        .filter(Boolean)
        .join(' ')
    document.addEventListener('focusin', ({ target }) => {
      if (!(target instanceof Element)) return
      const name =
        texts(target.getAttribute('aria-labelledby')) ||
        target.getAttribute('aria-label') ||
        target.textContent?.trim() ||
        ''
      const about = texts(target.getAttribute('aria-describedby'))
      heard.push({ by: 'focus', text: [name, about].filter(Boolean).join(' | ') })
    })
    const said = new WeakMap<Element, string>()
    const look = () => {
      for (const region of document.querySelectorAll(
        '[role="status"], [role="alert"], [aria-live="polite"]',
      )) {
        const copy = region.cloneNode(true) as Element
        for (const unseen of copy.querySelectorAll('[aria-hidden="true"]')) unseen.remove()
        const text = copy.textContent?.trim() ?? ''
        const before = said.get(region)
        said.set(region, text)
        // A region that comes with its text is usually not read.
        if (before !== undefined && text && text !== before) heard.push({ by: 'live', text })
      }
    }
    document.addEventListener('DOMContentLoaded', () =>
      new MutationObserver(look).observe(document.body, {
        childList: true,
        subtree: true,
        characterData: true,
      }),
    )
  })
}

/** Everything heard since the last time, once something has been. */
function ears(page: Page) {
  let from = 0
  const all = () => page.evaluate(() => (window as never as { heard: Heard[] }).heard)
  return {
    async next(): Promise<Heard[]> {
      await expect.poll(async () => (await all()).length).toBeGreaterThan(from)
      // What belongs together comes within a moment.
      await page.waitForTimeout(150)
      const heard = (await all()).slice(from)
      from += heard.length
      return heard
    },
    async forget(): Promise<void> {
      await page.waitForTimeout(200)
      from = (await all()).length
    },
  }
}

/** "364 plus 278" -> the problem. */
function problemFrom(words: string): Problem {
  const signs: readonly (readonly [RegExp, string])[] = [
    [/ plus /g, '+'],
    [/ minus /g, '-'],
    [/ times /g, '*'],
    [/ divided by /g, '/'],
    [/ squared/g, '^2'],
  ]
  const root = /^root of (.*)$/.exec(words)
  if (root) return readProblem(`sqrt(${root[1]})`)
  return readProblem(signs.reduce((text, [word, sign]) => text.replace(word, sign), words))
}

const plain = (text: string) => text.replace(/(?<=\d)\u2009(?=\d)/g, '')
/** No number is said in pieces, nothing twice. */
function expectClear(heard: readonly Heard[]): void {
  for (const { text } of heard) expect(text).not.toMatch(/\d\u2009\d/)
  const live = heard.filter((h) => h.by === 'live').map((h) => h.text)
  expect(new Set(live).size, live.join('\n')).toBe(live.length)
}

for (const ids of [
  ['add-running-total', 'multiply-crosswise', 'square-ending-five', 'root-duplex'],
  ['subtract-hold-drop', 'multiply-near-base', 'divide-short'],
])
  test(`by ear alone, guided, a mistake made twice, a hint, and the next problem: ${ids.join(', ')}`, async ({
    page,
    server,
  }) => {
    await listen(page)
    for (const [i, id] of ids.entries()) await workByEar(page, server.url, techniqueById(id), i === 0 ? 2 : 1)
  })

/** Some problems of a technique, worked from what is heard. */
async function workByEar(page: Page, url: string, technique: Technique, count: number): Promise<void> {
  await page.goto(url)
  await chooseSession(page, { technique: technique.name, level: 2, support: 'Guided', count })
  const ear = ears(page)
  for (let n = 0; n < count; n += 1) {
    const opened = (await ear.next()).filter((h) => h.by === 'focus').at(-1)!
    const [question, about] = opened.text.split(' | ') as [string, string]
    const { steps } = trace(technique, problemFrom(about), variantOf(technique))
    expect(question).toBe(plain(steps[0]!.ask))
    if (n === 0) {
      await page.keyboard.press('h')
      const hint = await ear.next()
      expect(hint).toHaveLength(1)
      expect(hint[0]!.text).toContain(plain(steps[0]!.why))
      for (const again of ['', 'Again: ']) {
        await page.keyboard.type('987654')
        await page.keyboard.press('Enter')
        const wrong = await ear.next()
        expect(wrong).toHaveLength(1)
        expect(wrong[0]!.text).toMatch(new RegExp(`^${again}987654 is not right\\. .`))
      }
    }
    for (const [i, step] of steps.entries()) {
      await page.keyboard.type(toText(step.expect))
      await page.keyboard.press('Enter')
      const heard = await ear.next()
      expectClear(heard)
      const live = heard.filter((h) => h.by === 'live')
      expect(live).toHaveLength(1)
      const next = steps[i + 1]
      expect(live[0]!.text).toMatch(next ? /^Right\. / : /^Right/)
      if (next) expect(live[0]!.text).toBe(`Right. ${plain(next.ask)}`)
    }
    await ear.forget()
    await page.keyboard.press('Enter')
  }
  // The end of the session has the focus on its heading.
  expect((await ear.next())[0]).toMatchObject({ by: 'focus', text: expect.stringMatching(/^The session/) })
}

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
    const opened = (await ear.next()).filter((h) => h.by === 'focus').at(-1)!
    const about = opened.text.split(' | ')[1]!
    await page.keyboard.type(toText(answerOf(problemFrom(about))))
    await page.keyboard.press('Enter')
    const heard = await ear.next()
    expectClear(heard)
    expect(heard.filter((h) => h.by === 'live').map((h) => h.text)).toEqual([
      expect.stringMatching(/^Right first time, in [\d.]+ s\. /),
    ])
    await page.keyboard.press('Enter')
  }

  await page.goto(`${server.url}/facts`)
  await expect(page).toHaveTitle(/^Facts .* Tachymetra$/)
  await page.getByLabel('How many').fill('5')
  await page.getByRole('button', { name: 'Start', exact: true }).click()
  const facts = ears(page)
  for (let n = 0; n < 5; n += 1) {
    const asked = (await facts.next()).filter((h) => h.by === 'focus').at(-1)!
    const card = [1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 0]
      .flatMap((a) => factById(`${a}to10`)?.card ?? factById(`10-${a}`)?.card ?? [])
      .find((c) => c.ask === asked.text)
    const answer = card ? card.kind.print(card.expect) : String(10 - Number.parseInt(asked.text, 10))
    await page.keyboard.type(answer)
  }
  await expect(page.getByRole('heading', { level: 1 })).toHaveText(/^5 of 5 right/)

  // A number on the frame is told by its beads, not by its value.
  await page.goto(server.url)
  await chooseSession(page, { technique: 'Beads: read', level: 2, support: 'Answer only', count: 1 })
  const frame = ears(page)
  const told = (await frame.next())
    .filter((h) => h.by === 'focus')
    .at(-1)!
    .text.split(' | ')[1]!
  const rods = told.split('. ').map((rod) => {
    const beads = rod.split(': ')[1]!
    return (beads.includes('heaven') ? 5 : 0) + Number(/(\d) earth/.exec(beads)?.[1] ?? 0)
  })
  await page.keyboard.type(rods.join(''))
  await page.keyboard.press('Enter')
  expect((await frame.next()).filter((h) => h.by === 'live').map((h) => h.text)).toEqual([
    expect.stringMatching(/^Right first time/),
  ])
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
  const answer = async () => toText(answerOf(problemFrom((await page.locator('#problem').textContent())!)))
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
