/** npm run screenshots: takes the pictures that the README shows. */
import { toText } from '@tachymetra/core/number'
import { answerText } from '@tachymetra/core/problem'
import { techniqueById } from '@tachymetra/core/registry'
import { variantOf } from '@tachymetra/core/technique'
import {
  chooseSession,
  expect,
  openChoice,
  pick,
  problemOn,
  stepValues,
  test,
  trace,
  type,
} from './support/bench.js'
import { answer, listed } from './support/paper.js'

const FOLDER = process.env.SCREENSHOTS

/** Problems as a book has them, and some with a fault. */
const BOOK = '1) 364 + 278\n2) 36 x 52\n3) 8341 - 3675\n4) 63 x 67\n5) lcm(36, 48)\n6) 7/8 as %'
const FAULTS = '1) 4268 + 1907 = 6175\n2) 98 x 93 = 9114\n3) 7052 - 3068 = 3994\n4) 2184 / 6 =\n5) 16 x = 48'

test('a picture of each main view, from the demo data', async ({ page, server, open }) => {
  test.skip(FOLDER === undefined, 'only for npm run screenshots')
  test.setTimeout(400_000)
  await page.setViewportSize({ width: 1280, height: 800 })
  const on = (p: import('@playwright/test').Page) => async (name: string) => {
    await p.waitForTimeout(500)
    await p.screenshot({ path: `${FOLDER}/${name}.png` })
  }
  const shot = on(page)
  await page.goto(server.url)
  await pick(page, 'Learner:', 'Tobin Achter').catch(() => undefined)
  await expect(page.getByRole('heading', { name: /^Today/ })).toBeVisible()
  await shot('desk')
  await openChoice(page)
  await page.waitForTimeout(500)
  await page.locator('.map-frame').evaluate((e) => e.scrollIntoView())
  await page.goto(`${server.url}/learn/multiply-crosswise`)
  await shot('learn')
  await page.goto(`${server.url}/compare`)
  await page.getByRole('textbox').first().fill('8341-3675')
  await page.keyboard.press('Enter')
  await shot('compare')
  await page.goto(server.url)
  await chooseSession(page, { technique: 'Crosswise', level: 6, support: 'Watch', count: 3 })
  for (let i = 0; i < 5; i += 1) await page.keyboard.press('Enter')
  await shot('watch')
  await page.goto(server.url)
  await chooseSession(page, { technique: 'Running total', level: 7, support: 'Guided', count: 3 })
  const [first] = await stepValues(page, 'add-running-total')
  await type(page, first!)
  const t = techniqueById('add-running-total')
  const steps = trace(t, await problemOn(page), variantOf(t)).steps
  await page.waitForTimeout(2600)
  await type(
    page,
    toText((steps[1]!.slips().find((x) => x.id === 'carry-lost') ?? steps[1]!.slips()[0]!).entry),
  )
  await shot('guided')
  await page.goto(server.url)
  await chooseSession(page, { technique: 'Running total', level: 7, support: 'Answer only', count: 4 })
  await page.waitForTimeout(2100)
  await type(page, String(Number(answerText(await problemOn(page))) - 10))
  await expect(page.locator('.said')).toContainText('Likely')
  await shot('answer')
  await page.goto(`${server.url}/soroban`)
  await page.waitForTimeout(800)
  for (const k of ['ArrowLeft', 'ArrowLeft', '4', '0', '7']) await page.keyboard.press(k)
  await shot('soroban')
  await page.goto(`${server.url}/facts`)
  await shot('facts')
  await page.goto(`${server.url}/flash`)
  await shot('flash')
  await page.goto(server.url)
  await pick(page, 'Learner:', 'Ilse Marrow')
  await page.goto(`${server.url}/choose`)
  await expect(page.getByRole('heading', { name: /Choose and check/ })).toBeVisible()
  await shot('choose')
  await page.goto(server.url)
  await pick(page, 'Learner:', 'Tobin Achter')
  await page.goto(`${server.url}/record/pace`)
  await expect(page.locator('.chart .main-svg').first()).toBeVisible()
  await page.waitForTimeout(1500)
  await shot('record')
  await page.goto(server.url)
  await pick(page, 'Learner:', 'Sunniva Dray')
  await page.goto(`${server.url}/papers`)
  await expect(page.locator('.chart .main-svg').first()).toBeVisible()
  await page.waitForTimeout(1500)
  await page.locator('.paper-list a').first().click()
  await page.locator('details.gone-through summary').first().click()
  await shot('paper-review')
  await page.goto(`${server.url}/papers`)
  await page.getByRole('button', { name: 'Begin the paper' }).click()
  await expect(page.getByRole('heading', { name: /item 1 of 80/ })).toBeVisible()
  const items = await listed(page)
  for (const [i, item] of items.slice(0, 23).entries()) {
    if (i % 8 === 6) await page.keyboard.press('n')
    else await answer(page, item)
    await expect(page.getByRole('heading', { name: new RegExp(`item ${i + 2} of 80`) })).toBeVisible()
  }
  await shot('paper')
  await page.goto(`${server.url}/papers/trials?trial=lists`)
  await expect(page.locator('.chart .main-svg').first()).toBeVisible()
  await page.waitForTimeout(1500)
  await shot('trials')
  await page.goto(`${server.url}/papers/own`)
  await page.getByLabel('Problems, one on each line').fill(BOOK)
  await page.getByLabel('Name').fill('Chapter 3')
  await page.getByRole('button', { name: /^Keep 6 problems/ }).click()
  await page.getByLabel('Problems, one on each line').fill(FAULTS)
  await page.getByLabel('Name').fill('Chapter 4')
  await page.evaluate(() => scrollTo(0, 0))
  await page.waitForTimeout(800)
  await shot('own')
  await page.goto(`${server.url}/papers/sheets`)
  await page.getByRole('radio', { name: 'A paper' }).check()
  await page.getByLabel('Title').fill('Friday paper')
  await page.getByRole('button', { name: 'Make 1 sheet' }).click()
  await expect(page.locator('.printed').first()).toBeVisible()
  await page.waitForTimeout(400)
  await shot('sheet')
  await page.goto(`${server.url}/board`)
  await page.getByRole('button', { name: 'Add to the lesson' }).click()
  await pick(page, 'What is shown', 'The pattern of a product')
  await page.getByRole('button', { name: 'Add to the lesson' }).click()
  await page.getByLabel('Name', { exact: true }).fill('Borrowing')
  await page.getByRole('button', { name: 'Keep', exact: true }).click()
  await expect(page.getByRole('button', { name: 'Begin: Borrowing' })).toBeVisible()
  await shot('board')
  await page.goto(`${server.url}/board`)
  const technique = page.getByRole('combobox', { name: 'Technique', exact: true })
  await technique.fill('Crosswise')
  await technique.press('Enter')
  await pick(page, 'Level', '5:')
  await page.getByRole('button', { name: 'Show it now' }).click()
  await expect(page.locator('.wall .rule')).toBeVisible()
  for (let i = 0; i < 6; i += 1) await page.keyboard.press('PageDown')
  await page.waitForTimeout(400)
  await shot('wall')
  const phone = await open({
    viewport: { width: 360, height: 740 },
    hasTouch: true,
    isMobile: true,
    colorScheme: 'dark',
  })
  const p = await phone.newPage()
  await p.goto(server.url)
  await chooseSession(p, { technique: 'Running total', level: 5, support: 'Guided', count: 2 })
  await on(p)('phone-night')
})
