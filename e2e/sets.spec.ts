/** Every way to practise gives a set that is made again from what the server holds alone, in Node and in Chromium. */
import { join } from 'node:path'
import type { Page } from '@playwright/test'
import { answerText, printProblem } from '@tachymetra/core/problem'
import { itemsOf, listedItem, type PracticeSet, plainRecipe } from '@tachymetra/core/set'
import type { AttemptSummary, LearnerWire, SessionWire } from '@tachymetra/core/wire'
import { build, type Rolldown } from 'vite'
import { answerOne, chooseSession, expect, openChoice, pick, problemOn, test, type } from './support/bench.js'
import type { TestServer } from './support/server.js'

/** The part of the core that makes sets, as one script for a page that holds nothing else. */
async function setScript(): Promise<string> {
  const output = (await build({
    configFile: false,
    logLevel: 'silent',
    build: {
      write: false,
      lib: {
        entry: join(import.meta.dirname, '../core/dist/set/index.js'),
        formats: ['iife'],
        name: 'sets',
        fileName: 'sets',
      },
    },
  })) as Rolldown.RolldownOutput[]
  const [chunk] = output[0]!.output
  return chunk!.code
}

/** The items of sets as Chromium makes them. */
async function inChromium(page: Page, sets: readonly PracticeSet[]): Promise<string[][]> {
  const blank = await page.context().newPage()
  await blank.addScriptTag({ content: await setScript() })
  const made = await blank.evaluate((all) => {
    const { itemsOf, listedItem } = (globalThis as never as { sets: typeof import('@tachymetra/core/set') })
      .sets
    return all.map((set) =>
      itemsOf(set).map((item) =>
        item?.kind === 'fact' ? item.card.id : (listedItem(item!)?.expression ?? ''),
      ),
    )
  }, sets as PracticeSet[])
  await blank.close()
  return made
}

const inNode = (set: PracticeSet) =>
  itemsOf(set).map((item) => (item?.kind === 'fact' ? item.card.id : (listedItem(item!)?.expression ?? '')))

type Stored = SessionWire & { readonly attempts: readonly AttemptSummary[] }

/** What is sent of sessions and recalls: the ids to ask the server for. */
function listen(page: Page) {
  const sessions = new Set<string>()
  const recalls: { sessionId: string; n: number; fact: string }[] = []
  page.on('request', (request) => {
    const path = new URL(request.url()).pathname
    if (request.method() !== 'PUT') return
    if (path.startsWith('/api/sessions/')) sessions.add(path.slice('/api/sessions/'.length))
    if (path.startsWith('/api/recalls/')) recalls.push(request.postDataJSON())
  })
  return { sessions, recalls }
}

async function practiseEveryWay(page: Page, server: TestServer): Promise<void> {
  await page.goto(server.url)
  await chooseSession(page, { technique: 'Running total', level: 2, support: 'Answer only', count: 3 })
  for (let i = 0; i < 3; i += 1) await answerOne(page)
  await page.goto(server.url)
  await openChoice(page)
  await page.getByRole('radio', { name: /^Crosswise,/ }).check()
  await page.getByRole('radio', { name: 'Own settings' }).check()
  await page.getByRole('group', { name: 'Support' }).getByRole('radio', { name: 'Answer only' }).check()
  await page.getByLabel('How many').fill('1')
  await page.getByRole('button', { name: 'Start practice' }).click()
  await answerOne(page)
  await page.goto(`${server.url}/flash`)
  await page.getByRole('button', { name: 'Use the still list' }).click()
  await page.getByRole('button', { name: 'Show the list' }).click()
  await page.getByRole('button', { name: 'I have the sum' }).click()
  await page.keyboard.press('s')
  await expect(page.locator('.said')).toContainText('Shown')
  await page.goto(`${server.url}/grid`)
  await expect(page.locator('.grid-sheet')).toBeVisible()
  await page.keyboard.type('1')
  await page.keyboard.press('Enter')
  await page.getByRole('button', { name: 'Another grid' }).click()
  await page.goto(`${server.url}/facts?today`)
  const asked = page.locator('.fact-ask')
  await expect(asked).toBeVisible()
  await page.keyboard.type('9999')
  await expect(page.getByText('You typed')).toBeVisible()
}

test('each way to practise: the server holds the set, and Node and Chromium make the same items of it', async ({
  page,
  server,
}) => {
  const { sessions, recalls } = listen(page)
  await practiseEveryWay(page, server)
  let stored: readonly Stored[] = []
  const attempts = async () => {
    stored = await Promise.all([...sessions].map((id) => server.api<Stored>(`/sessions/${id}`)))
    return stored.flatMap((s) => s.attempts ?? []).length
  }
  await expect.poll(() => recalls.length).toBeGreaterThan(0)
  // Three lists, one of own settings, a flashed one, and the sum of a grid.
  await expect.poll(attempts).toBeGreaterThanOrEqual(6)
  const kinds = stored.map((s) => s.recipe.sources[0]!.kind)
  expect(kinds.toSorted()).toEqual(['facts', 'flash', 'grid', 'level', 'parameters'])
  const made = await inChromium(page, stored)
  for (const [i, session] of stored.entries()) {
    expect(made[i], session.recipe.sources[0]!.kind).toEqual(inNode(session))
    for (const { n, expression } of session.attempts) expect(made[i]![n - 1]).toBe(expression)
  }
  for (const { sessionId, n, fact } of recalls)
    expect(made[stored.findIndex((s) => s.id === sessionId)]![n - 1]).toBe(fact)
})

test('a mixed set against the clock, told at the end: its items in order, an answer ends each, time ends it', async ({
  page,
  server,
}) => {
  await page.goto(server.url)
  await openChoice(page)
  await page.getByRole('radio', { name: /^Running total,/ }).check()
  await page.getByRole('group', { name: 'Support' }).getByRole('radio', { name: 'Answer only' }).check()
  await page.getByLabel('How many').fill('3')
  await page.getByRole('checkbox', { name: 'Say what was right only at the end' }).check()
  await pick(page, 'Time', 'a limit for each problem')
  await page.getByLabel('Seconds').fill('4')
  await page.getByRole('button', { name: 'Start practice' }).click()
  const sums: string[] = []
  sums.push(printProblem(await problemOn(page)))
  await expect(page.getByRole('timer')).toContainText(/\d s left/)
  await type(page, '1')
  // A wrong answer is not said to be one: the next problem is there.
  await expect(page.getByText('Problem 2 of 3')).toBeVisible()
  await expect(page.locator('#said')).not.toContainText('not right')
  sums.push(printProblem(await problemOn(page)))
  await type(page, answerText(await problemOn(page)))
  await expect(page.getByText('Problem 3 of 3')).toBeVisible()
  // The third is left alone until its time is up.
  await expect(page.getByRole('heading', { name: /^The session/ })).toBeVisible({ timeout: 15_000 })
  await expect(page.getByRole('cell', { name: /out of time/ })).toBeVisible()
  await expect(page.locator('.attempts tbody tr')).toHaveCount(3)
  const [learner] = await server.api<LearnerWire[]>('/learners')
  const newest = async () =>
    (await server.api<{ sessions: SessionWire[] }>(`/learners/${learner!.id}/sessions?limit=1`)).sessions[0]!
  await expect.poll(async () => (await newest()).recipe.clock).toEqual({ kind: 'item', ms: 4000 })
  const attempts = async () => (await server.api<Stored>(`/sessions/${(await newest()).id}`)).attempts
  await expect
    .poll(async () => (await attempts()).map((a) => [a.outcome, a.right]))
    .toEqual([
      ['done', false],
      ['done', true],
      ['timed-out', false],
    ])
  expect((await attempts()).slice(0, 2).map((a) => a.expression)).toEqual(sums)
})

test('a set of several techniques is worked at the bench, each problem by its own', async ({
  page,
  server,
}) => {
  await page.goto(server.url)
  const [learner] = await server.api<LearnerWire[]>('/learners')
  const recipe = {
    ...plainRecipe(
      [
        { kind: 'level', technique: 'add-running-total', level: 1, count: 2 },
        { kind: 'level', technique: 'multiply-crosswise', level: 1, count: 2 },
      ],
      'answer',
    ),
    order: 'mixed' as const,
    marks: { right: 5, wrong: -4, blank: 0 },
  }
  const set = { recipe, seed: 3, generator: 1 }
  const id = '00000000-0000-4000-8000-0000000000f1'
  // Put where the page keeps its sessions, as another screen would.
  await page.evaluate(
    async ([session]) => {
      const db = await new Promise<IDBDatabase>((ready, fail) => {
        const request = indexedDB.open('tachymetra')
        request.onsuccess = () => ready(request.result)
        request.onerror = () => fail(request.error)
      })
      const tx = db.transaction('sessions', 'readwrite')
      tx.objectStore('sessions').put(session)
      await new Promise((done) => {
        tx.oncomplete = done
      })
      db.close()
    },
    [{ id, learnerId: learner!.id, startedAt: new Date().toISOString(), ...set, attempts: [], ended: false }],
  )
  await page.goto(`${server.url}/bench/${id}`)
  const worked: string[] = []
  for (let i = 0; i < 4; i += 1) {
    const item = itemsOf(set)[i]!
    if (item.kind !== 'problem') throw new Error('no problem')
    // Which technique is meant is for the learner to see.
    await expect(page.getByRole('heading', { level: 1 })).toContainText('Mixed practice')
    worked.push(await answerOne(page))
  }
  expect(worked).toEqual(inNode(set))
  await expect(page.getByText('Score: 20')).toBeVisible()
  const stored = async () => (await server.api<Stored>(`/sessions/${id}`)).paces
  await expect.poll(stored).toMatchObject([
    { technique: 'add-running-total', attempts: 2 },
    { technique: 'multiply-crosswise', attempts: 2 },
  ])
})
