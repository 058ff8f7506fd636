/** Rounds, trials, own problems and printed sheets, as they are used. */

import { execFileSync } from 'node:child_process'
import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import type { Page } from '@playwright/test'
import { FACT_DECKS } from '@tachymetra/core/facts'
import { unmarked } from '@tachymetra/core/number'
import { answerText } from '@tachymetra/core/problem'
import { keyItem, type ListedProblem, sheetItem } from '@tachymetra/core/set'
import type {
  AttemptSummary,
  LearnerWire,
  OwnSetWire,
  SheetBatch,
  SheetWire,
  WorkedSet,
} from '@tachymetra/core/wire'
import { clocked, countTones, expect, pick, problemOn, test } from './support/bench.js'
import { answerTo } from './support/paper.js'
import type { TestServer } from './support/server.js'

async function openPage(
  page: Page,
  server: TestServer,
  name: string,
  head: RegExp | string,
): Promise<LearnerWire> {
  const learner = (await server.api<LearnerWire[]>('/learners')).find((l) => l.name === 'Ilse Marrow')!
  await page.addInitScript((id) => sessionStorage.setItem('tachymetra.learner', id), learner.id)
  await page.goto(`${server.url}/papers`)
  await page.getByRole('navigation', { name: 'Papers and other sets' }).getByRole('link', { name }).click()
  await expect(page.getByRole('heading', { level: 1 })).toHaveText(head)
  return learner
}

test('a round by touch: ready, go; a bell at which the answer comes by itself with its working; right answers a minute', async ({
  open,
  server,
}) => {
  const page = await (
    await open({ hasTouch: true, isMobile: true, viewport: { width: 360, height: 740 } })
  ).newPage()
  const rung = await countTones(page)
  await page.clock.install()
  await openPage(page, server, 'Rounds', 'Rounds for Ilse Marrow')
  await page.getByLabel('How many').fill('3')
  await page.getByLabel('Seconds for each').fill('60')
  await page.getByRole('checkbox', { name: 'read aloud' }).check()
  await page.getByRole('button', { name: 'To the start' }).tap()
  await expect(page.getByText('3 problems, 1 min 0 s for each. The answer only.')).toBeVisible()
  // Nothing is shown, and no time runs, before it is started.
  await expect(page.locator('.rule')).toHaveCount(0)
  await page.clock.runFor(20_000)
  await page.getByRole('button', { name: 'Start' }).tap()
  await expect(page.locator('.ready-word')).toHaveText('Ready')
  await page.clock.runFor(950)
  await expect(page.locator('.ready-word')).toHaveText('Go')
  await page.clock.runFor(950)
  const tap = async (text: string) => {
    for (const key of text) await page.getByRole('button', { name: key, exact: true }).tap()
    await page.getByRole('button', { name: 'Enter', exact: true }).tap()
  }
  await expect(page.getByText('Problem 1 of 3')).toBeVisible()
  await page.clock.runFor(2000)
  await tap(answerText(await problemOn(page)))
  await expect(page.locator('.done-panel')).toContainText('Right')
  await page.getByRole('button', { name: /^Next problem/ }).tap()
  await expect(page.getByText('Problem 2 of 3')).toBeVisible()
  const second = await problemOn(page)
  expect(await rung()).toBe(0)
  // Time goes on by itself as well: far enough from the bell on either side.
  await page.clock.runFor(30_000)
  await expect(page.locator('.done-panel')).toHaveCount(0)
  await page.clock.runFor(31_000)
  await expect(page.locator('.done-panel')).toBeVisible()
  expect(await rung()).toBeGreaterThan(0)
  // The answer and each step of it stand there without a press.
  const digits = answerText(second)
  await expect(page.locator('.done-panel')).toContainText(digits)
  await expect(page.locator('.how-it-goes li').first()).toBeVisible()
  await page.getByRole('button', { name: /^Next problem/ }).tap()
  await page.clock.runFor(61_000)
  await page.getByRole('button', { name: /^Summary/ }).tap()
  await expect(page.locator('.figures').first()).toContainText('right before the bell1 of 3')
  await expect(page.locator('.figures').first()).toContainText('out of time2')
  // One right in 2 seconds and two minutes, and whatever the machine took.
  await expect(page.locator('.figures').first()).toContainText(/right answers a minute0\.[345]/)
  await page.getByRole('button', { name: 'Another round' }).tap()
  await expect(page.getByRole('button', { name: 'Start' })).toBeVisible()
})

/** Works the trial that is open to its end. @param wrong problems that are answered wrongly, from 1 */
async function workTrial(page: Page, count: number, wrong: readonly number[] = []): Promise<void> {
  await page.getByRole('button', { name: 'Start', exact: false }).click()
  for (let n = 1; n <= count; n += 1) {
    await expect(page.getByText(`Problem ${n} of ${count}`)).toBeVisible({ timeout: 10_000 })
    const right = answerText(await problemOn(page))
    await page.keyboard.type(wrong.includes(n) ? right.replace(/.$/, (d) => (d === '1' ? '2' : '1')) : right)
    await page.keyboard.press('Enter')
  }
}

test('a trial twice: compared with the first run, its curve, its sheet; left in the middle it is not compared', async ({
  page,
  server,
}) => {
  const learner = await openPage(page, server, 'Trials', 'Trials for Ilse Marrow')
  await page.getByRole('button', { name: 'Begin: Ten squares near 100' }).click()
  await workTrial(page, 10, [4])
  const said = page.locator('.advice', { hasText: 'right a minute' })
  await expect(said).toContainText('9 of 10 right in')
  await expect(said).toContainText('Your first one')
  await page.getByRole('button', { name: 'Once more' }).click()
  await workTrial(page, 10)
  await expect(said).toContainText('10 of 10 right in')
  await expect(said).toContainText(/best/)
  const trials = () => server.api<WorkedSet[]>(`/learners/${learner.id}/trials`)
  await expect.poll(async () => (await trials()).map((t) => t.answers.length)).toEqual([10, 10])
  const [second, first] = await trials()
  expect(second!.recipe.sources).toEqual(first!.recipe.sources)
  await page.getByRole('link', { name: 'All runs of this trial' }).click()
  await expect(page.getByText(/^2 runs: best \d+\.\d right a minute, usually/)).toBeVisible()
  await expect(page.locator('.js-plotly-plot .scatterlayer .point')).toHaveCount(2)
  await page.getByText('The same as a table').click()
  await expect(page.getByRole('table', { name: /Runs of Ten squares/ }).locator('tbody tr')).toHaveCount(2)
  const saved = page.waitForEvent('download')
  await page.getByRole('button', { name: 'Save as a sheet to keep' }).click()
  const text = pdfText(await (await saved).path())
  expect(text).toContain('Ilse Marrow: Ten squares near 100')
  expect(text).toContain('10 of 10 right in')
  // A third run, left after two problems, changes neither best nor median.
  await page.getByRole('button', { name: 'Begin this trial' }).click()
  await page.getByRole('button', { name: 'Start' }).click()
  for (const n of [1, 2]) {
    await expect(page.getByText(`Problem ${n} of 10`)).toBeVisible({ timeout: 10_000 })
    await page.keyboard.type(answerText(await problemOn(page)))
    await page.keyboard.press('Enter')
  }
  await expect(page.getByText('Problem 3 of 10')).toBeVisible()
  await page.keyboard.press('Escape')
  await expect(page.getByText('this run is not compared')).toBeVisible()
  await page.getByRole('link', { name: 'All runs of this trial' }).click()
  await expect(page.getByText(/^2 runs/)).toBeVisible()
  await expect(page.locator('.runs li')).toHaveCount(3)
})

/** The text of a PDF, by a reader that is not ours. */
function pdfText(path: string): string {
  return execFileSync('/usr/bin/pdftotext', ['-layout', path, '-'], { encoding: 'utf8' })
}

const BOOK =
  '1) 364 + 278 = 642\n2) 36 x 52 =\n3) 8341-3675 = 4666\n\n4) 12 + = 3\n5) 47\n6) 63*67 = 4211\n7) lcm(36, 48)'

test('own problems pasted: each fault named at its line, the others kept, practised, sent and read back', async ({
  page,
  server,
}) => {
  const learner = await openPage(page, server, 'Own problems', 'Own problems for Ilse Marrow')
  await page.getByLabel('Problems, one on each line').fill(BOOK)
  await expect(page.getByText('4 problems, 3 lines with a fault.')).toBeVisible()
  const faults = page.getByRole('list', { name: 'Lines with a fault' })
  await expect(faults).toContainText(/Line 5: .*12 \+ = 3/)
  await expect(faults).toContainText(/Line 6: .*number alone/)
  await expect(faults).toContainText(
    'Line 7: 6) 63*67 = 4211 The answer given is wrong: 63 × 67 = 4 221.'.replaceAll(
      /(?<=4) (?=221)/g,
      '\u2009',
    ),
  )
  await expect(page.getByText('3 lines with a fault are left out.')).toBeVisible()
  await page.getByLabel('Name').fill('Chapter 4')
  await page.getByRole('button', { name: 'Keep 4 problems' }).click()
  const kept = page.getByRole('article', { name: 'Chapter 4' })
  await expect(kept).toContainText('4 problems, the best way for each')
  const sets = await server.api<OwnSetWire[]>(`/learners/${learner.id}/problem-sets`)
  expect(sets.map((s) => s.problems.map((p) => p.expression))).toEqual([
    ['364+278', '36*52', '8341-3675', 'lcm(36,48)'],
  ])
  // Sent, let go, read back: the same.
  const sending = page.waitForEvent('download')
  await kept.getByRole('button', { name: 'Send as a file: Chapter 4' }).click()
  const sent = await sending
  expect(sent.suggestedFilename()).toBe('Chapter 4.json')
  await kept.getByRole('button', { name: 'Delete: Chapter 4' }).click()
  await page.getByRole('button', { name: 'Delete', exact: true }).click()
  await expect(kept).toHaveCount(0)
  await page
    .locator('input[type=file]')
    .setInputFiles(await sent.path().then((path) => renamed(path, 'Chapter 4.json')))
  await expect(page.getByText('4 problems.')).toBeVisible()
  await page.getByRole('button', { name: 'Keep 4 problems' }).click()
  await expect(kept).toBeVisible()
  const [back] = await server.api<OwnSetWire[]>(`/learners/${learner.id}/problem-sets`)
  expect({ ...back, id: '' }).toEqual({ ...sets[0], id: '' })
  // A table with a technique of its own for a row, and a row with a fault.
  await page.locator('input[type=file]').setInputFiles({
    name: 'table.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from('problem,technique\n36*52,multiply-addition\n36*52,add-pairs\n'),
  })
  await expect(page.getByText('1 problem, 1 line with a fault.')).toBeVisible()
  await expect(faults).toContainText('does not fit')
  await page.getByRole('button', { name: 'Clear' }).click()
  // Practised: the answers only, in their order.
  await kept.getByRole('button', { name: 'Practise Chapter 4' }).click()
  await expect(page.getByText('Problem 1 of 4')).toBeVisible()
  for (const expected of ['642', '1872', '4666', '144']) {
    await page.keyboard.type(expected)
    await page.keyboard.press('Enter')
    await expect(page.locator('.done-panel')).toContainText('Right')
    await page.keyboard.press('Enter')
  }
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('The session: Chapter 4')
})

function renamed(path: string, name: string): string {
  const copy = join(mkdtempSync(join(tmpdir(), 'tachymetra-sent-')), name)
  writeFileSync(copy, readFileSync(path))
  return copy
}

/** As a reader of PDFs gives it: without the spaces that part thousands and columns. */
const bare = (text: string) => unmarked(text).replace(/[\s\u2009]+/g, '')

async function savePdf(page: Page, name: RegExp): Promise<string> {
  const saving = page.waitForEvent('download', { timeout: 60_000 })
  await page.getByRole('button', { name }).first().click()
  return (await saving).path()
}

test('thirty papers of 80 with keys in one file, with progress; each has its own problems, and its text agrees with set and key', async ({
  page,
  server,
}) => {
  await openPage(page, server, 'Printed sheets', 'Printed sheets')
  await page.getByRole('radio', { name: 'A paper' }).check()
  await page.getByLabel('Title').fill('Class paper')
  await page.getByLabel('Different papers').fill('30')
  await page.getByRole('button', { name: 'Make 30 sheets' }).click()
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Class paper 30 papers', {
    timeout: 30_000,
  })
  await page.getByRole('link', { name: 'Printed sheets' }).click()
  const [batch] = await server.api<SheetBatch[]>('/sheets')
  expect([batch!.copies, batch!.items, batch!.codes.length]).toEqual([30, 80, 30])
  const told = page.getByText(/^\d+ of 30 papers$/)
  const saving = savePdf(page, /^Save as PDF: Class paper/)
  await expect(told).toBeVisible()
  const path = await saving
  const sheets: SheetWire[] = []
  for (const code of batch!.codes) sheets.push(await server.api<SheetWire>(`/sheets/${code}`))
  const lists = sheets.map((s) => s.list.map((p) => p.expression).join())
  expect(new Set(lists).size).toBe(30)
  const text = pdfText(path)
  const pages = text.split('\f')
  // A paper's pages and its key's, found by the code that stands on each.
  for (const { code, list, copy } of sheets) {
    const its = pages.filter((p) => p.includes(code))
    const [key, paper] = [its.filter((p) => p.includes('Key:')), its.filter((p) => !p.includes('Key'))]
    expect(paper.join('\n')).toContain(`Paper ${copy} of 30`)
    for (const [i, item] of list.entries()) agrees(paper, key, i + 1, item)
  }
})

/** Does an item stand on its paper, and its answer on the key? */
function agrees(paper: readonly string[], key: readonly string[], n: number, item: ListedProblem): void {
  const asked = bare(sheetItem(item).asked)
  const [paperText, keyText] = [bare(paper.join('')), bare(key.join(''))]
  expect(paperText.includes(asked) || whole(paper, asked), `${n}. ${asked}`).toBe(true)
  expect(keyText, `key of ${n}: ${item.expression}`).toContain(bare(`${n}.${keyItem(item, false).answer}`))
}

/** Is it there where a long problem goes over two lines in its column? */
function whole(paper: readonly string[], asked: string): boolean {
  const text = bare(paper.join(''))
  return [asked.slice(0, 8), asked.slice(-6)].every((part) => text.includes(part))
}

test('a sheet is printed, made again the same after a restart, and keyed back in: in the record, untimed, with its mistakes', async ({
  page,
  server,
}) => {
  const learner = await openPage(page, server, 'Printed sheets', 'Printed sheets')
  const technique = page.getByRole('combobox', { name: 'Technique', exact: true })
  await technique.fill('Hold and borrow')
  await technique.press('Enter')
  await pick(page, 'Level', '4:')
  await page.getByLabel('How many').fill('6')
  await pick(page, 'Key', 'key with each step')
  await page.getByRole('button', { name: 'Make 1 sheet' }).click()
  await expect(page.locator('.printed').first()).toBeVisible()
  const code = new URL(page.url()).pathname.split('/').at(-1)!
  const { list } = await server.api<SheetWire>(`/sheets/${code}`)
  await expect(page.locator('.printed').first().locator('li')).toHaveCount(6)
  const before = readFileSync(await savePdf(page, /^Save as PDF/))
  await server.stop()
  await server.start()
  await page.goto(`${server.url}/papers/sheets`)
  // Any way the code may be read off; a wrong sign is told.
  await page.getByLabel('Code of a sheet').fill(code.replace(/.$/, (c) => (c === '2' ? '3' : '2')))
  await page.getByRole('button', { name: 'Open' }).click()
  await expect(page.getByText('A sign of this code is wrong or missing.')).toBeVisible()
  await page.getByLabel('Code of a sheet').fill(` ${code.toLowerCase().replace('-', ' ')}`)
  await page.getByRole('button', { name: 'Open' }).click()
  await expect(page.locator('.printed').first().locator('li')).toHaveCount(6)
  const after = readFileSync(await savePdf(page, /^Save as PDF/))
  expect(after.equals(before)).toBe(true)
  // A worked key: each step stands there.
  const file = join(mkdtempSync(join(tmpdir(), 'tachymetra-pdf-')), 'sheet.pdf')
  writeFileSync(file, before)
  const [keyText] = pdfText(file)
    .split('\f')
    .filter((p) => p.includes('Key:'))
  for (const item of list)
    for (const step of keyItem(item, true).steps) expect(bare(keyText!)).toContain(bare(step).slice(0, 18))
  await page.getByRole('link', { name: 'Key it in' }).click()
  const rights = list.map(({ expression }) => answerTo(expression))
  const open = (n: number) => expect(page.getByText(`Item ${n}`, { exact: true })).toBeVisible()
  await open(1)
  await page.keyboard.type(rights[0]!)
  await page.keyboard.press('Enter')
  await open(2)
  // Ten too many: a borrow was forgotten.
  await page.keyboard.type(String(Number(rights[1]) + 10))
  await page.keyboard.press('Enter')
  await open(3)
  await page.keyboard.press('ArrowRight')
  await open(4)
  await page.keyboard.press('ArrowLeft')
  await open(5)
  // Left in the middle: what was keyed in is still there.
  await page.reload()
  await open(5)
  await page.keyboard.press('Enter')
  await open(6)
  await page.keyboard.type(rights[5]!)
  await page.keyboard.press('Enter')
  await page.getByRole('button', { name: 'Store 5 answers' }).click()
  await expect(page).toHaveURL(/\/record\/session\//)
  const id = new URL(page.url()).pathname.split('/').at(-1)!
  const { attempts } = await server.api<{ attempts: readonly AttemptSummary[] }>(`/sessions/${id}`)
  expect(attempts.map((a) => [a.outcome, a.right, a.timed])).toEqual([
    ['done', true, false],
    ['done', false, false],
    ['done', true, false],
    ['done', false, false],
    ['skipped', false, false],
    ['done', true, false],
  ])
  expect(attempts[1]!.slips.length).toBeGreaterThan(0)
  await expect(page.getByRole('heading', { level: 1 })).toBeVisible()
  await page.locator('.attempts a').nth(3).click()
  await expect(page.getByText('Worked on paper and keyed in: not timed.')).toBeVisible()
  await page.getByRole('button', { name: /^Next/ }).click()
  await expect(page.getByText('marked as wrong')).toBeVisible()
  // Whoever keys the same sheet in again is told.
  await page.goto(`${server.url}/papers/sheets/${code}/key`)
  await expect(page.getByText(`Keyed in for ${learner.name} already`)).toBeVisible()
  // Blanks and cards for the same room.
  await page.goto(`${server.url}/papers/sheets`)
  for (const kind of ['Pattern cards', 'Place rules', 'Soroban frames']) {
    await pick(page, 'Cards or blanks', kind)
    expect(pdfText(await savePdf(page, /^Save cards/))).toContain(kind)
  }
})

test('facts of any deck and frames: in a round, on a sheet, keyed back in with what stands on it', async ({
  page,
  server,
}) => {
  await openPage(page, server, 'Rounds', 'Rounds for Ilse Marrow')
  const deck = async (name: string) => {
    await page.getByRole('radio', { name: 'Facts' }).check()
    await page.getByRole('combobox', { name: 'Deck of facts' }).fill(name)
    await page.keyboard.press('Enter')
  }
  await deck('Roman numerals')
  await page.getByLabel('How many').fill('1')
  await page.getByLabel('Seconds for each').fill('60')
  await page.getByRole('button', { name: 'To the start' }).click()
  await page.getByRole('button', { name: /^Start/ }).click()
  const asked = await page.locator('#question').textContent({ timeout: 10_000 })
  const card = FACT_DECKS.flatMap((d) => d.cards).find((c) => c.ask === asked)!
  await page.keyboard.type(card.kind.print(card.expect))
  await page.keyboard.press('Enter')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('The session: Roman numerals')
  await expect(page.locator('.figures').first()).toContainText('right before the bell1 of 1')
  const made = async () => {
    await page.getByLabel('How many').fill('2')
    await page.getByRole('button', { name: 'Make 1 sheet' }).click()
    await page.getByRole('link', { name: 'Key it in' }).click()
    await expect(page.getByText('Item 1', { exact: true })).toBeVisible()
    const code = new URL(page.url()).pathname.split('/').at(-2)!
    return (await server.api<SheetWire>(`/sheets/${code}`)).list
  }
  const stored = async () => {
    await page.getByRole('button', { name: 'Store 2 answers' }).click()
    await expect(page).toHaveURL(/\/record\/session\//)
    const id = new URL(page.url()).pathname.split('/').at(-1)!
    const { attempts } = await server.api<{ attempts: readonly AttemptSummary[] }>(`/sessions/${id}`)
    return attempts.map((a) => a.right)
  }
  await page.goto(`${server.url}/papers/sheets`)
  await deck('Squares')
  const [first] = await made()
  await page.keyboard.type(keyItem(first!, false).answer)
  await page.keyboard.press('Enter')
  await page.keyboard.type('3')
  await page.keyboard.press('Enter')
  expect(await stored()).toEqual([true, false])
  await page.goto(`${server.url}/papers/sheets`)
  const technique = page.getByRole('combobox', { name: 'Technique', exact: true })
  await technique.fill('Beads: read')
  await technique.press('Enter')
  await pick(page, 'Level', '5:')
  const frames = await made()
  // The number is on its rods, and nowhere in words.
  const rods = page.locator('.panel .rod')
  const words = await rods.evaluateAll((all) => all.map((rod) => rod.getAttribute('aria-label')!))
  expect(words.map((w) => /(\d):/.exec(w)![1]).join('')).toBe(frames[0]!.expression.padStart(5, '0'))
  await expect(page.locator('.panel')).not.toContainText(keyItem(frames[0]!, false).answer)
  await page.keyboard.type(frames[0]!.expression)
  await page.keyboard.press('Enter')
  await page.keyboard.press('ArrowRight')
  expect(await stored()).toEqual([true, true])
})

clocked(
  'other sets: a round of tables with a bell, own settings on a sheet, a sheet of finished work that is marked',
  async ({ page, server }) => {
    const learner = await openPage(page, server, 'Rounds', 'Rounds for Ilse Marrow')
    await page.getByRole('radio', { name: 'Other sets' }).check()
    await page.getByLabel('How many').fill('2')
    await page.getByLabel('Seconds for each').fill('60')
    await page.getByRole('button', { name: 'To the start' }).click()
    await page.getByRole('button', { name: /^Start/ }).click()
    await page.clock.runFor(2000)
    const grid = page.locator('.grid-sheet')
    await expect(grid).toBeVisible()
    const numbers = await grid.locator('tbody tr').first().locator('td').allTextContents()
    const row = numbers.slice(0, 3).reduce((sum, n) => sum + Number(n), 0)
    await page.keyboard.type(String(row))
    await page.keyboard.press('Enter')
    await expect(grid.locator('tbody tr').first().locator('td').last()).toHaveText(String(row))
    await page.clock.runFor(61_000)
    // At the bell every sum stands there.
    await expect(page.locator('.answers li')).toHaveCount(8)
    await expect(page.locator('.answers li').first()).toContainText(String(row))
    await page.keyboard.press('Enter')
    await page.keyboard.press('n')
    await page.keyboard.press('Enter')
    await expect(page.locator('.figures').first()).toContainText('right before the bell0 of 2')
    await page.goto(`${server.url}/papers/sheets`)
    await pick(page, 'Level', 'own settings')
    await page.getByLabel('Digits before the point').fill('5')
    await page.getByLabel('How many').fill('3')
    await page.getByRole('button', { name: 'Make 1 sheet' }).click()
    await expect(page.locator('.printed').first().locator('li').first()).toContainText(/\d{2}\s\d{3} \+/)
    await page.goto(`${server.url}/papers/sheets`)
    await page.getByRole('radio', { name: 'Other sets' }).check()
    await pick(page, 'Other sets', 'Is it right?')
    await page.getByLabel('How many').fill('2')
    await page.getByRole('button', { name: 'Make 1 sheet' }).click()
    await expect(page.locator('.printed').first()).toContainText('What do you know now?')
    await page.getByRole('link', { name: 'Key it in' }).click()
    await expect(page.getByText('Item 1', { exact: true })).toBeVisible()
    await page.keyboard.press('ArrowRight')
    await page.keyboard.press('ArrowLeft')
    await page.getByRole('button', { name: 'Store 2 answers' }).click()
    await expect(page).toHaveURL(/\/record\/session\//)
    const id = new URL(page.url()).pathname.split('/').at(-1)!
    const { attempts, learnerId } = await server.api<{
      learnerId: string
      attempts: readonly AttemptSummary[]
    }>(`/sessions/${id}`)
    expect(learnerId).toBe(learner.id)
    expect(attempts.map((a) => [a.technique, a.right, a.timed])).toEqual([
      ['checking', true, false],
      ['checking', false, false],
    ])
    for (const n of [0, 1]) {
      await page.goto(`${server.url}/record/attempt/${attempts[n]!.id}`)
      await expect(page.getByRole('heading', { level: 1 })).toContainText('=')
    }
  },
)

test('the grid: Enter goes on, right or wrong, and nothing moves; a tape glides to the right', async ({
  page,
  server,
}) => {
  await page.goto(`${server.url}/grid`)
  const cells = page.locator('.grid-cell')
  await expect(cells).toHaveCount(8)
  await expect(page.getByText(/^aim for \d/)).toBeVisible()
  const places = () => cells.evaluateAll((all) => all.map((c) => Math.round(c.getBoundingClientRect().x)))
  const before = await places()
  await page.keyboard.type('9')
  await page.keyboard.press('Enter')
  // The wrong sum keeps its mark, and the next one is open.
  await expect(cells.nth(0)).toHaveText('9')
  await expect(cells.nth(1)).toHaveAttribute('aria-pressed', 'true')
  await expect(page.locator('.grid-sum .mark')).toHaveCount(1)
  await page.keyboard.press('Enter')
  await expect(cells.nth(2)).toHaveAttribute('aria-pressed', 'true')
  expect(await places()).toEqual(before)
  await page.goto(`${server.url}/flash`)
  await pick(page, 'How', 'Tape: gliding to the right')
})
