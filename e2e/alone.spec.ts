/** The browser without its server: the program opens, everything is practised, and all is stored once when it is back. */

import { createServer, request } from 'node:http'
import type { AddressInfo } from 'node:net'
import { answerText, readProblem } from '@tachymetra/core/problem'
import { COURSE, techniqueById } from '@tachymetra/core/registry'
import {
  GENERATOR,
  itemsOf,
  type ListedProblem,
  listedItem,
  plainRecipe,
  USUAL_PAPER,
} from '@tachymetra/core/set'
import { answerQuestion, trace, variantOf } from '@tachymetra/core/technique'
import type { AttemptSummary, LearnerWire, SessionPage, SessionWire } from '@tachymetra/core/wire'
import { begin, expect, recallAll, test } from './support/bench.js'
import { answerTo } from './support/paper.js'
import type { TestServer } from './support/server.js'

/** The first problem of a level of every technique that is answered with a number. */
const problemsAt = (level: 'first' | 'last'): readonly ListedProblem[] =>
  COURSE.flatMap(({ id, levels }) => {
    const source = {
      kind: 'level',
      technique: id,
      level: level === 'first' ? 1 : levels.length,
      count: 1,
    } as const
    const [item] = itemsOf({ recipe: plainRecipe([source], 'answer'), seed: 3, generator: GENERATOR })
    return [listedItem(item!)]
  })

const stored = (server: TestServer, id: string) =>
  server.api<SessionWire & { attempts?: AttemptSummary[] }>(`/sessions/${id}`)

/** The whole answer as a technique asks for it: a quotient with its remainder too. */
function wholeAnswer(id: string, expression: string): string {
  const [technique, problem] = [techniqueById(id), readProblem(expression)]
  const variant = variantOf(technique)
  const { kind, expect: answer } = answerQuestion(technique, variant, trace(technique, problem, variant))
  const text = kind.print(answer)
  return kind.read(text) === undefined ? answerText(problem) : text
}

test('with the server gone before the page is opened: every technique, facts, a list and a paper, stored once when it is back', async ({
  open,
  server,
}) => {
  test.setTimeout(240_000)
  const context = await open({ serviceWorkers: 'allow', viewport: { width: 1280, height: 800 } })
  const learner = (await server.api<LearnerWire[]>('/learners'))[0]!
  const first = await context.newPage()
  await first.goto(server.url)
  await expect(first.locator('.plan')).toBeVisible()
  // Kept once the worker is there and all it keeps has been fetched.
  await first.evaluate(async () => {
    const { active } = await navigator.serviceWorker.ready
    if (active!.state !== 'activated')
      await new Promise((done) => {
        active!.onstatechange = () => active!.state === 'activated' && done(undefined)
      })
  })
  await first.goto(`${server.url}/facts`)
  await expect(first.getByRole('heading', { level: 1 })).toContainText('Facts')
  await first.waitForTimeout(1500)
  await first.close()
  await server.stop()

  const page = await context.newPage()
  await page.goto(server.url)
  await expect(page.getByRole('heading', { name: /^Today/ })).toBeVisible()
  const done: Record<string, number> = {}
  for (const level of ['first', 'last'] as const) {
    const problems = problemsAt(level)
    const id = await begin(page, learner.id, problems, 'answer')
    for (const [i, { expression, technique }] of problems.entries()) {
      await expect(page.getByText(`Problem ${i + 1} of ${problems.length}`)).toBeVisible()
      // A frame is set by hand elsewhere; here it is enough that it is begun and ended.
      if (technique.startsWith('soroban') || technique === 'flash-sum') await page.keyboard.press('n')
      else {
        await page.keyboard.type(wholeAnswer(technique, expression))
        await page.keyboard.press('Enter')
      }
      await expect(page.locator('.done-panel')).toBeVisible()
      await page.keyboard.press('Enter')
    }
    await expect(page.getByRole('heading', { level: 1 })).toContainText('The session')
    done[id] = problems.length
    // Typed faster than anybody can: the last of it is still being written down.
    await page.waitForTimeout(2000)
  }
  await expect(page.locator('.waiting')).toContainText('saved here, waiting for the server')

  await page.goto(`${server.url}/facts`)
  await page.getByRole('button', { name: /^All \d+ that are due/ }).click({ timeout: 10_000 })
  const recalled = await recallAll(page)
  expect(recalled.length).toBeGreaterThan(5)

  await page.goto(`${server.url}/flash`)
  await page.getByRole('button', { name: 'Use the still list' }).click()
  await page.getByRole('button', { name: 'Show the list' }).click()
  const numbers = (await page.locator('.flash-stage li').allTextContents()).map(Number)
  await page.getByRole('button', { name: 'I have the sum' }).click()
  await page.keyboard.type(String(numbers.reduce((sum, n) => sum + n, 0)))
  await page.keyboard.press('Enter')
  await expect(page.locator('.said')).toContainText('Right first time')
  await page.waitForTimeout(500)

  await page.goto(`${server.url}/record`)
  await expect(page.getByText(/^The record is as of .* the server does not answer/)).toBeVisible()
  await page.goto(`${server.url}/papers`)
  await page.getByRole('button', { name: /^Begin/ }).click()
  await expect(page.getByText(`1 of ${USUAL_PAPER.count}`).first()).toBeVisible({ timeout: 20_000 })
  await page.keyboard.type('7')
  await page.keyboard.press('Enter')
  await page.keyboard.press('Escape')
  await page.keyboard.press('y')
  await expect(page.getByText(/points/).first()).toBeVisible()

  await server.start()
  for (const [id, count] of Object.entries(done)) {
    const attempts = async () => (await stored(server, id)).attempts ?? []
    const all = Array.from({ length: count }, (_, i) => i + 1)
    await expect.poll(async () => (await attempts()).map((a) => a.n)).toEqual(all)
    expect((await attempts()).filter((a) => a.outcome === 'done' && !a.right)).toEqual([])
  }
  await expect(page.locator('.waiting')).toBeHidden()
  // Whatever was kept is sent: nothing of it is left.
  await page.goto(`${server.url}/settings/waiting`)
  await expect(page.getByText('Nothing waits to be sent.')).toBeVisible()
  const facts = await server.api<{ fact: string; recalls: number }[]>(`/learners/${learner.id}/facts`)
  for (const fact of recalled) expect(facts.some((f) => f.fact === fact)).toBe(true)
  const { sessions } = await server.api<SessionPage>(`/learners/${learner.id}/sessions?limit=4`)
  expect(sessions.filter((s) => s.recipe.paper)).toHaveLength(1)
  expect(sessions.filter((s) => s.recipe.sources[0]!.kind === 'flash')).toHaveLength(1)
})

/** What is only in a newer worker: it tells which it is, and when it is told to take over. */
const NEWER = `addEventListener('message', ({ data, source }) => {
  if (data === 'which') source.postMessage('newer')
  if (data?.type === 'SKIP_WAITING') source.postMessage('goes on')
});
`

/** Stands before a server as a newer version of it would, once `newer` is set: only the worker is another. */
async function before(server: TestServer) {
  const version = { newer: false }
  const front = createServer((asked, answer) => {
    // Whole, not packed, and whatever the browser has of it already.
    const headers = { 'content-type': asked.headers['content-type'] ?? 'text/plain' }
    const { method, url } = asked
    const onward = request(`${server.url}${url}`, { method, headers }, (found) => {
      const { 'content-length': _, ...rest } = found.headers
      const newer = url === '/sw.js' && version.newer
      answer.writeHead(found.statusCode!, newer ? rest : found.headers)
      if (newer) answer.write(NEWER)
      found.pipe(answer)
    })
    onward.on('error', () => answer.destroy())
    asked.pipe(onward)
  })
  await new Promise<void>((ready) => front.listen(0, '127.0.0.1', ready))
  const { port } = front.address() as AddressInfo
  return { version, url: `http://127.0.0.1:${port}`, close: () => front.close() }
}

test('a new version is offered in every tab and taken at a press; the session under way goes on in it', async ({
  open,
  server,
}) => {
  const front = await before(server)
  const context = await open({ serviceWorkers: 'allow', viewport: { width: 1280, height: 800 } })
  const learner = (await server.api<LearnerWire[]>('/learners'))[0]!
  const page = await context.newPage()
  await page.goto(front.url)
  await page.evaluate(() => navigator.serviceWorker.ready)
  const other = await context.newPage()
  await other.goto(front.url)
  const problems = problemsAt('first').slice(0, 3)
  await begin(page, learner.id, problems, 'answer')
  await expect(page.getByText('Problem 1 of 3')).toBeVisible()
  await page.keyboard.type(answerTo(problems[0]!.expression))
  await page.keyboard.press('Enter')
  await page.keyboard.press('Enter')
  await expect(page.getByText('Problem 2 of 3')).toBeVisible()
  const address = page.url()
  const offer = page.getByRole('button', { name: 'Load the new version' })
  await expect(offer).toBeHidden()
  front.version.newer = true
  await page.evaluate(async () => (await navigator.serviceWorker.ready).update())
  await expect(offer).toBeVisible()
  await expect(other.getByRole('button', { name: 'Load the new version' })).toBeVisible()
  const told = page.evaluate(
    () =>
      new Promise((said) => {
        navigator.serviceWorker.onmessage = ({ data }) => said(data)
        navigator.serviceWorker.startMessages()
      }),
  )
  // Or the page is loaded anew before it can say so.
  const gone = told.catch(() => 'goes on')
  await offer.click()
  // A browser that is looked into lets its workers go late: that the new one was told is what can be seen.
  expect(await gone).toBe('goes on')
  // Whichever page is opened next has it, and the session under way goes on there.
  for (const tab of [page, other]) await tab.close()
  const next = await context.newPage()
  // It may have to wait until the old worker is let go.
  await expect(() => next.goto(address, { timeout: 15_000 })).toPass()
  await expect(next.getByText('Problem 2 of 3')).toBeVisible()
  await expect(next.getByRole('button', { name: 'Load the new version' })).toBeHidden()
  const which = () =>
    next.evaluate(
      () =>
        new Promise((said) => {
          navigator.serviceWorker.onmessage = ({ data }) => said(data)
          navigator.serviceWorker.startMessages()
          navigator.serviceWorker.controller?.postMessage('which')
          setTimeout(() => said('older'), 1000)
        }),
    )
  await expect.poll(which).toBe('newer')
  front.close()
})

test('where the browser stores nothing, answers go to the server at once', async ({ page, server }) => {
  const learner = (await server.api<LearnerWire[]>('/learners'))[0]!
  await page.goto(server.url)
  await expect(page.locator('.plan')).toBeVisible()
  const problems = problemsAt('first').slice(0, 2)
  const id = await begin(page, learner.id, problems, 'answer')
  await expect(page.getByText('Problem 1 of 2')).toBeVisible()
  await page.evaluate(() => {
    IDBObjectStore.prototype.add = IDBObjectStore.prototype.put = () => {
      throw new DOMException('There is no room.', 'QuotaExceededError')
    }
  })
  for (const { expression } of problems) {
    await page.keyboard.type(answerTo(expression))
    await page.keyboard.press('Enter')
    await expect(page.locator('.done-panel')).toBeVisible()
    await page.keyboard.press('Enter')
  }
  await expect(page.getByRole('heading', { level: 1 })).toContainText('The session')
  await expect
    .poll(async () => (await stored(server, id)).attempts?.map((a) => a.right))
    .toEqual([true, true])
  await expect(page.getByText('could not be kept')).toBeHidden()
})

test('an address that is none is answered as such; every other as a page', async ({ server }) => {
  const statuses = await Promise.all(
    [
      '/',
      '/bench/x',
      '/papers/sheets/K7WP-3XND/key',
      '/learn/multiply-crosswise',
      '/nothing',
      '/record/nothing/at/all',
      '/assets/none.js',
    ].map(async (path) => (await fetch(server.url + path)).status),
  )
  expect(statuses).toEqual([200, 200, 200, 200, 404, 404, 404])
})
