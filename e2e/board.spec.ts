/** A technique taught to a room from one screen, by keys alone. */

import type { Page } from '@playwright/test'
import { unmarked } from '@tachymetra/core/number'
import { solvedWords } from '@tachymetra/core/problem'
import { techniqueById } from '@tachymetra/core/registry'
import type { RoomCount } from '@tachymetra/core/set'
import { trace, variantOf } from '@tachymetra/core/technique'
import { expect, pick, problemOn, test } from './support/bench.js'

/** Whoever sits eight metres away reads what is a twelfth of the height; see the style of the board. */
const SHARE = 12

/** All that is written on the board for the room: how large it is, and whether it is seen whole. */
async function tooSmall(page: Page): Promise<string[]> {
  return page.evaluate((share) => {
    const faults: string[] = []
    const least = innerHeight / share
    const foot = document.querySelector('.coach-keys')!.getBoundingClientRect().top
    const pen = document.createElement('canvas').getContext('2d')!
    const texts = document.createTreeWalker(document.querySelector('.wall')!, NodeFilter.SHOW_TEXT)
    while (texts.nextNode()) {
      const text = texts.currentNode.nodeValue!.trim()
      const element = texts.currentNode.parentElement!
      const style = getComputedStyle(element)
      if (text === '' || element.closest('.sr-only, .coach-keys, style, .place-name, .tick')) continue
      if (element.getClientRects().length === 0 || style.visibility === 'hidden' || style.fontSize === '0px')
        continue
      // Digits that stand alone are measured as they are drawn, words by their size.
      const size = Number.parseFloat(style.fontSize)
      pen.font = `${style.fontWeight} ${size}px ${style.fontFamily}`
      const tall = /^\d+$/.test(text) ? pen.measureText('8').actualBoundingBoxAscent : size
      if (tall < least - 0.5) faults.push(`${text}: ${tall.toFixed(0)} of ${least.toFixed(0)}`)
      const range = document.createRange()
      range.selectNodeContents(texts.currentNode)
      const { left, right, top, bottom } = range.getBoundingClientRect()
      const inset = 0.12 * (bottom - top)
      if (left < -1 || right > innerWidth + 1 || top + inset < -1 || bottom - inset > foot + 1)
        faults.push(`${text}: not seen whole`)
    }
    return faults
  }, SHARE)
}

test('one technique by keys alone: try, show, same steps, three rounds, easier, harder; large enough in three windows', async ({
  page,
  server,
}) => {
  await page.goto(`${server.url}/board`)
  const technique = page.getByRole('combobox', { name: 'Technique', exact: true })
  await technique.fill('Hold and borrow')
  await technique.press('Enter')
  await pick(page, 'Level', '4:')
  await page.getByLabel('How many').fill('2')
  await page.getByRole('button', { name: 'Add to the lesson' }).click()
  await page.getByLabel('How many').fill('3')
  await page.getByLabel(/^Seconds on the clock/).fill('2')
  await page.getByRole('checkbox', { name: /^A round/ }).check()
  await page.getByRole('button', { name: 'Add to the lesson' }).click()
  await page.getByLabel('Name', { exact: true }).fill('Borrowing')
  await page.getByRole('button', { name: 'Keep', exact: true }).click()
  await expect(page.getByRole('button', { name: 'Begin: Borrowing' })).toBeVisible()
  await page.getByRole('button', { name: 'Begin the lesson' }).click()
  await expect(page.locator('.wall .rule')).toBeVisible()
  // Nobody is named, and nothing is to be typed.
  for (const name of ['Ilse', 'Tobin', 'Sunniva', 'Amadi'])
    await expect(page.locator('.wall')).not.toContainText(name)
  await expect(page.locator('.keypad, .entry')).toHaveCount(0)

  const hold = techniqueById('subtract-hold-drop')
  const taught = async (windows: boolean) => {
    const problem = await problemOn(page)
    const work = trace(hold, problem, variantOf(hold))
    const ask = page.locator('.wall-ask')
    await expect(ask).toHaveText('')
    for (const [n, step] of work.steps.entries()) {
      await page.keyboard.press('PageDown')
      await expect(ask).toHaveText(unmarked(step.ask))
      await page.keyboard.press('PageDown')
      await expect(ask).toHaveText(unmarked(`${step.ask} ${step.kind.say(work.entries[n]!)}`))
      if (windows) expect(await tooSmall(page), step.ask).toEqual([])
    }
    await page.keyboard.press('PageDown')
    await expect(ask).toHaveText(unmarked(solvedWords(problem, work.answer)))
    return problem
  }
  // Try: the clock runs until it is thought aloud.
  const clock = page.locator('.wall-clock')
  await expect(clock).toHaveText(/^\d+$/)
  const sizes = [
    [1280, 800],
    [1920, 1080],
    [1024, 768],
  ] as const
  const first = await problemOn(page)
  for (const [width, height] of sizes) {
    await page.setViewportSize({ width, height })
    expect(await tooSmall(page), `${width}`).toEqual([])
  }
  expect(await taught(true)).toEqual(first)
  await expect(clock).toHaveCount(0)
  for (const [width, height] of sizes) {
    await page.setViewportSize({ width, height })
    expect(await tooSmall(page), `${width}`).toEqual([])
    await page.keyboard.press('w')
    await expect(page.locator('.wall .paper-sheet')).toBeVisible()
    expect(await tooSmall(page), `on paper, ${width}`).toEqual([])
    await page.keyboard.press('w')
  }
  // One check after another, then the working again.
  const checks = page.locator('.wall-beside p').last()
  await page.keyboard.press('k')
  await expect(checks).toContainText('nines')
  expect(await tooSmall(page), 'the check').toEqual([])
  await page.keyboard.press('k')
  await expect(checks).toContainText('elevens')
  for (let i = 0; i < 8 && (await checks.count()) > 0; i += 1) await page.keyboard.press('k')
  await expect(page.locator('.wall .rule')).toBeVisible()
  // Hands up, counted as a number.
  await page.keyboard.type('17')
  await page.keyboard.press('Enter')
  await expect(page.getByText('17 right, kept')).toBeVisible()
  // A page back and on again; a reload goes on where it stood.
  await page.keyboard.press('PageUp')
  await expect(page.locator('.wall-ask strong')).toBeVisible()
  await page.keyboard.press('PageDown')
  await page.reload()
  await expect(page.locator('.wall-ask')).toHaveText(/=/)
  // The same steps on the next problem, which is there within a second.
  const before = Date.now()
  await page.keyboard.press('PageDown')
  await expect(page.getByText('problem 2 of 2')).toBeVisible()
  await expect(page.locator('.wall-ask')).toHaveText('')
  expect(Date.now() - before).toBeLessThan(1000)
  const second = await taught(false)
  expect(second).not.toEqual(first)
  // Three rounds: at the bell the answer comes by itself.
  await page.keyboard.press('PageDown')
  for (let n = 1; n <= 3; n += 1) {
    await expect(page.getByText(`problem ${n} of 3`)).toBeVisible()
    await expect(page.locator('.wall-ask')).toHaveText(/ = /)
    expect(await tooSmall(page)).toEqual([])
    if (n < 3) await page.keyboard.press('n')
  }
  // Easier and harder: another problem, of another level.
  await page.keyboard.press('ArrowUp')
  await expect(page.getByText('level 5')).toBeVisible()
  await page.keyboard.press('ArrowDown')
  await page.keyboard.press('ArrowDown')
  await expect(page.getByText('level 3')).toBeVisible()
  await page.keyboard.press('d')
  await expect(page.locator('html')).toHaveAttribute('data-light', 'night')
  await page.keyboard.press('Escape')
  await expect(page.getByRole('heading', { name: 'The board' })).toBeVisible()
  await expect(page.getByRole('table', { name: /^How the room did/ })).toContainText(
    'Hold and borrow, level 4',
  )
  const counts = await server.api<RoomCount[]>('/board/counts')
  expect(counts.map((c) => [c.technique, c.level, c.right])).toEqual([['subtract-hold-drop', 4, 17]])
})

test('every other part on the wall by touch: two ways, facts that answer themselves, a tape, the frame, a pattern', async ({
  open,
  server,
}) => {
  const page = await (await open({ hasTouch: true, viewport: { width: 1280, height: 800 } })).newPage()
  await page.goto(`${server.url}/board`)
  const kind = page.getByRole('combobox', { name: 'What is shown' })
  const add = async (name: string) => {
    await pick(page, 'What is shown', name)
    await expect(kind).toBeVisible()
  }
  const added = () => page.getByRole('button', { name: 'Add to the lesson' }).click()
  await add('One problem in two ways')
  await added()
  await expect(page.getByRole('alert')).toContainText('Type a problem first.')
  await page.getByLabel('Problems, one on each line').fill('63*67')
  await added()
  await add('Facts, called one by one')
  await page.getByRole('combobox', { name: 'Deck of facts' }).fill('Divisions')
  await page.keyboard.press('Enter')
  await page.getByLabel('Seconds until the answer').fill('1')
  await added()
  await add('Flash and tape')
  await pick(page, 'How they come', 'gliding to the right')
  await page.getByLabel('Milliseconds each').fill('150')
  await added()
  await add('A set')
  await page.getByRole('radio', { name: 'Other sets' }).check()
  await page.getByLabel('How many').fill('1')
  await added()
  await add('The pattern of a product')
  await added()
  await add('The soroban')
  await added()
  await expect(page.getByRole('list', { name: 'Parts of this lesson' }).getByRole('listitem')).toHaveCount(6)
  await page.getByRole('button', { name: 'Begin the lesson' }).click()
  const stage = page.locator('.wall-stage')
  // What follows a touch at once is taken as one.
  const tap = async () => {
    await page.waitForTimeout(350)
    await stage.tap({ position: { x: 900, y: 300 } })
  }
  await expect(page.locator('.wall-ways h2')).toHaveText(['Crosswise', 'Split and add'])
  for (let i = 0; i < 3; i += 1) await tap()
  await expect(page.locator('.wall-ways li')).toHaveCount(3)
  expect(await tooSmall(page)).toEqual([])
  await page.keyboard.press('End')
  await expect(page.locator('.wall-fact p').first()).toHaveText(/\d/)
  await expect(page.locator('.wall-fact .answer')).toHaveText(/\d/)
  expect(await tooSmall(page)).toEqual([])
  await page.keyboard.press('End')
  await expect(stage).toContainText('Ready?')
  const begun = Date.now()
  await tap()
  await expect(stage).toContainText('The sum?', { timeout: 10_000 })
  // Five numbers, three a second at most, whatever was set.
  expect(Date.now() - begun).toBeGreaterThan(5 * 333)
  await tap()
  await expect(stage).toContainText('=')
  expect(await tooSmall(page)).toEqual([])
  await page.keyboard.press('End')
  await expect(page.locator('.wall .grid-sheet')).toBeVisible()
  await tap()
  await expect(page.locator('.wall-ask')).toHaveText('Row 1')
  await tap()
  await expect(page.locator('.wall-ask strong')).toHaveText(/^\d+$/)
  expect(await tooSmall(page)).toEqual([])
  await page.keyboard.press('End')
  await expect(page.locator('.wall-pattern li:visible')).toHaveCount(0)
  await tap()
  await tap()
  await expect(page.locator('.wall-pattern li').nth(1)).toBeVisible()
  await expect(page.locator('.wall-pattern li').nth(2)).toBeHidden()
  await page.keyboard.press('End')
  const frame = page.locator('.wall-frame .soroban')
  await expect(frame).toBeVisible()
  const rod = (await frame.locator('[data-place="0"]').boundingBox())!
  await page.touchscreen.tap(rod.x + rod.width / 2, rod.y + rod.height * 0.12)
  await expect(page.locator('.wall-frame .wall-line')).toHaveText('5')
})
