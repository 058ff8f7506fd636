import { type FactCard, factById } from '@tachymetra/core/facts'
import type { FactStanding, LearnerWire } from '@tachymetra/core/wire'
import { cardOn, clocked, expect, recallAll, test } from './support/bench.js'

const answerTo = ({ kind, expect: want }: FactCard) => kind.print(want)

/** As many digits, none of them right. */
const otherThan = (answer: string) => answer.replace(/\d/g, (digit) => (digit === '1' ? '2' : '1'))

test('every kind of answer is entered: Roman, with a remainder, chosen; by keyboard and by touch', async ({
  page,
  open,
  server,
}) => {
  const touch = await (
    await open({ hasTouch: true, isMobile: true, viewport: { width: 360, height: 740 } })
  ).newPage()
  for (const [on, deck] of [
    [page, 'roman'],
    [page, 'remainders'],
    [page, 'short'],
    [touch, 'roman'],
    [touch, 'remainders'],
    [touch, 'short'],
  ] as const) {
    // The choice as the page keeps it: the list of decks is longer than what it shows at once.
    await on.goto(server.url)
    await on.evaluate(
      (factDeck) => localStorage.setItem('tachymetra', JSON.stringify({ factDeck, factCount: 5 })),
      deck,
    )
    await on.goto(`${server.url}/facts`)
    await on.getByRole('button', { name: 'Start', exact: true }).click()
    const card = await cardOn(on)
    const { choices } = card.kind
    const keys = choices ? [choices.find((c) => c.id === card.expect)!.key] : [...answerTo(card)]
    for (const key of keys)
      if (on === page) await on.keyboard.press(key.toLowerCase())
      else if (choices) await on.getByRole('button', { name: choices.find((c) => c.key === key)!.name }).tap()
      else
        await on
          .getByRole('group', { name: 'Answer keys' })
          .getByRole('button', { name: key === 'r' ? 'remainder' : key, exact: true })
          .tap()
    await expect(on.locator('.fact-ask')).not.toHaveText(card.ask)
    await on.keyboard.press('Escape')
  }
  const [learner] = await server.api<LearnerWire[]>('/learners')
  await expect
    .poll(
      async () =>
        (await server.api<FactStanding[]>(`/learners/${learner!.id}/facts`)).filter(
          (f) => /^(m|k|\d+r)/.test(f.fact) && f.right > 0,
        ).length,
    )
    .toBeGreaterThanOrEqual(3)
})

clocked(
  'facts: no Enter, a wrong one shown and asked again, slow counts as not recalled, all kept',
  async ({ page, server }) => {
    const [learner] = await server.api<LearnerWire[]>('/learners')
    const recalls = async () => {
      const standings = await server.api<FactStanding[]>(`/learners/${learner!.id}/facts`)
      for (const { fact } of standings) expect(factById(fact)).toBeDefined()
      return standings.reduce((sum, s) => sum + s.recalls, 0)
    }
    const before = await recalls()
    await page.goto(`${server.url}/facts`)
    await page.getByRole('radio', { name: /^Tables to 9 × 9/ }).check()
    await page.getByLabel('How many').fill('5')
    await page.keyboard.press('Tab')
    await page.getByRole('button', { name: 'Start', exact: true }).click()
    const first = await cardOn(page)
    // From here on time goes by only where it is told to: a busy machine makes nobody slow.
    await page.clock.pauseAt(new Date(Date.now() + 10_000))
    // As many digits as the answer has, but not its own.
    await page.keyboard.type(otherThan(answerTo(first)))
    // It stays, with both values, until a key is pressed.
    const wrong = otherThan(answerTo(first))
    await page.clock.runFor(800)
    await expect(page.getByRole('main').getByRole('status')).toContainText(`You typed ${wrong}`)
    await expect(page.getByRole('main').getByRole('status')).toContainText(
      `${first.ask} is ${answerTo(first)}`,
    )
    await page.keyboard.press('Enter')
    const asked = [first.ask]
    for (let i = 0; i < 5; i += 1) {
      const card = await cardOn(page)
      asked.push(card.ask)
      // The third is thought about for too long.
      if (i === 2) await page.clock.runFor(1400)
      const shown = (await page.locator('.fact-ask').textContent())!
      await page.keyboard.type(answerTo(card))
      if (i < 4) await expect(page.locator('.fact-ask')).not.toHaveText(shown)
    }
    expect(asked.filter((ask) => ask === first.ask)).toHaveLength(2)
    // The slow one has come back to the end as well.
    await page.keyboard.type(answerTo(await cardOn(page)))
    await expect(page.getByRole('heading', { level: 1 })).toHaveText('4 of 5 right, 3 fast')
    await page.clock.resume()
    await page.getByRole('button', { name: 'Back to the facts' }).click()
    await expect(page.locator('.heat-map .shaky', { hasText: first.ask })).toBeVisible()
    await expect.poll(recalls).toBe(before + 5)
  },
)

test('a round of today with a mistake, left and gone on with: the rest comes, and what is next after it', async ({
  page,
  server,
}) => {
  await page.goto(server.url)
  const item = page.locator('.plan > li').first()
  await expect(item).toContainText(/\d+ facts/)
  const count = async () => Number(/(\d+) fact/.exec((await item.textContent())!)![1])
  const before = await count()
  await page.getByRole('button', { name: /^Begin/ }).click()
  const met = new Set<string>()
  for (let i = 0; i < 4; i += 1) {
    const card = await cardOn(page)
    met.add(card.id)
    await page.keyboard.type(i === 1 ? otherThan(answerTo(card)) : answerTo(card))
    await page.waitForTimeout(60)
    if (await page.getByText('You typed').isVisible()) await page.keyboard.press('Enter')
    await expect(page.locator('.fact-ask')).not.toHaveText(card.ask)
  }
  // Left in the middle, by a reload: the others are still to be done today.
  await page.reload()
  await expect(page.locator('.fact-ask')).toBeVisible()
  await page.goto(server.url)
  await expect.poll(count).toBe(before - 4)
  await page.getByRole('button', { name: /^Begin/ }).click()
  const missed = await cardOn(page)
  await page.keyboard.type(otherThan(answerTo(missed)))
  await expect(page.getByText('You typed')).toBeVisible()
  await page.keyboard.press('Enter')
  const asked = new Set([missed.id, ...(await recallAll(page))])
  expect([...asked].filter((id) => met.has(id))).toEqual([])
  expect(asked.size).toBe(before - 4)
  await expect(page.getByRole('button', { name: /^Next today/ })).toBeVisible()
})
