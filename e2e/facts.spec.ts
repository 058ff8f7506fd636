import type { Page } from '@playwright/test'
import { FACT_DECKS, type FactCard, factById, toText } from '@tachymetra/core'
import type { FactStanding, LearnerWire } from '@tachymetra/core/wire'
import { expect, pick, test } from './bench.js'

async function cardOn(page: Page): Promise<FactCard> {
  const ask = await page.locator('.fact-ask').textContent()
  return FACT_DECKS.flatMap((d) => d.cards).find((c) => c.ask === ask)!
}

test('facts: no Enter, a wrong one shown and asked again, slow counts as not recalled, all kept', async ({
  page,
  server,
}) => {
  const [learner] = await server.api<LearnerWire[]>('/learners')
  const recalls = async () => {
    const standings = await server.api<FactStanding[]>(`/learners/${learner!.id}/facts`)
    for (const { fact } of standings) expect(factById(fact)).toBeDefined()
    return standings.reduce((sum, s) => sum + s.recalls, 0)
  }
  const before = await recalls()
  await page.goto(`${server.url}/facts`)
  await pick(page, 'Facts', 'Tables to 9 × 9')
  await page.getByLabel('How many').fill('5')
  await page.keyboard.press('Tab')
  await page.getByRole('button', { name: 'Recall', exact: true }).click()
  const first = await cardOn(page)
  // As many digits as the answer has, but not its own.
  await page.keyboard.type('1'.repeat(toText(first.answer).length))
  await expect(page.getByRole('status')).toContainText(`${first.ask} is ${toText(first.answer)}`)
  const asked = [first.ask]
  for (let i = 0; i < 5; i += 1) {
    const card = await cardOn(page)
    asked.push(card.ask)
    // The third is thought about for too long.
    if (i === 2) await page.waitForTimeout(1400)
    const shown = (await page.locator('.fact-ask').textContent())!
    await page.keyboard.type(toText(card.answer))
    if (i < 4) await expect(page.locator('.fact-ask')).not.toHaveText(shown)
  }
  expect(asked.filter((ask) => ask === first.ask)).toHaveLength(2)
  // The slow one has come back to the end as well.
  await page.keyboard.type(toText((await cardOn(page)).answer))
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('3 of 5 recalled')
  await page.getByRole('button', { name: 'Back to the facts' }).click()
  await expect(page.locator('.heat-map .shaky', { hasText: first.ask })).toBeVisible()
  await expect.poll(recalls).toBe(before + 5)
})
