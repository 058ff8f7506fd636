import { spawnSync } from 'node:child_process'
import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import type { AttemptSummary, LearnerWire, SessionPage, SessionWire } from '@tachymetra/core/wire'
import { answerOne, chooseSession, expect, killable, test } from './support/bench.js'
import { TestServer } from './support/server.js'

type Whole = SessionWire & { attempts: AttemptSummary[] }

/** The newest session of the learner the desk opens with, as the server has it. */
async function newest(server: TestServer): Promise<Whole> {
  const [learner] = await server.api<LearnerWire[]>('/learners')
  const { sessions } = await server.api<SessionPage>(`/learners/${learner!.id}/sessions?limit=1`)
  return server.api<Whole>(`/sessions/${sessions[0]!.id}`)
}

test('the server goes away in the middle and comes back: nothing is lost, nothing is doubled', async ({
  page,
  server,
}) => {
  await page.goto(server.url)
  await chooseSession(page, { technique: 'Running total', level: 4, support: 'Answer only', count: 6 })
  const worked = [await answerOne(page), await answerOne(page)]
  await expect.poll(async () => (await newest(server)).attempts.map((a) => a.expression)).toEqual(worked)

  await server.stop()
  for (let i = 0; i < 4; i += 1) worked.push(await answerOne(page))
  await expect(page.locator('.waiting')).toContainText('4 saved here, waiting for the server')
  await expect(page.getByRole('heading', { name: 'The session' })).toBeVisible()

  await server.start()
  // Even from a page opened afresh: what was kept is sent.
  await page.goto(server.url)
  await expect.poll(async () => (await newest(server)).attempts.map((a) => a.expression)).toEqual(worked)
  await expect(page.locator('.waiting')).toBeHidden()
})

test('an attempt whose acknowledgement got lost is sent again and stored once', async ({ page, server }) => {
  await page.goto(server.url)
  await chooseSession(page, { technique: 'Hold and borrow', level: 2, support: 'Answer only', count: 3 })
  let lost = 0
  await page.route('**/api/attempts/*', async (route) => {
    const response = await route.fetch()
    expect(response.ok()).toBe(true)
    lost += 1
    if (lost <= 2) await route.abort('connectionreset')
    else await route.fulfill({ response })
  })
  const worked = [await answerOne(page), await answerOne(page), await answerOne(page)]
  // Two acknowledgements lost, three attempts to get through: five sendings at the least.
  await expect.poll(() => lost).toBeGreaterThanOrEqual(5)
  await expect(page.locator('.waiting')).toBeHidden()
  expect((await newest(server)).attempts.map((a) => a.expression)).toEqual(worked)
})

killable('killed right after an acknowledged attempt: it is there', async ({ page, server }) => {
  await page.goto(server.url)
  await chooseSession(page, { technique: 'Hold and borrow', level: 2, support: 'Answer only', count: 5 })
  const acknowledged = page.waitForResponse((r) => r.url().includes('/api/attempts/') && r.status() === 201)
  const expression = await answerOne(page)
  await acknowledged
  await server.stop('SIGKILL')
  await server.start()
  expect((await newest(server)).attempts.map((a) => a.expression)).toEqual([expression])
})

test('what the server refuses is said, kept apart, and does not hold up the rest', async ({
  page,
  server,
}) => {
  await page.goto(server.url)
  await chooseSession(page, { technique: 'Running total', level: 1, support: 'Answer only', count: 2 })
  let first = true
  await page.route('**/api/attempts/*', async (route) => {
    if (!first) return route.continue()
    first = false
    return route.continue({ postData: JSON.stringify({ ...route.request().postDataJSON(), totalMs: -5 }) })
  })
  await answerOne(page)
  const second = await answerOne(page)
  await expect(page.locator('.waiting')).toContainText('1 refused by the server')
  await expect.poll(async () => (await newest(server)).attempts.map((a) => a.expression)).toEqual([second])
  // It can be looked at, saved, sent once more or thrown away.
  await page.getByRole('link', { name: '1 refused by the server' }).click()
  const refused = page.getByRole('list', { name: 'Refused by the server' })
  await expect(refused.getByRole('listitem')).toHaveText([/^A problem worked of .*: /])
  const saving = page.waitForEvent('download')
  await page.getByRole('button', { name: 'Save them as a file' }).click()
  const saved = JSON.parse(readFileSync(await (await saving).path(), 'utf8')) as { body: { n: number } }[]
  expect(saved.map((p) => p.body.n)).toEqual([1])
  await page.getByRole('button', { name: 'Try again' }).click()
  await expect(page.getByText('Nothing was refused.')).toBeVisible()
  await expect.poll(async () => (await newest(server)).attempts).toHaveLength(2)
})

test('what cannot be started says why in one line', async ({ server }) => {
  const start = (env: Record<string, string>) =>
    spawnSync(process.execPath, ['scripts/serve.mjs', '--empty'], {
      cwd: join(import.meta.dirname, '..'),
      env: { ...process.env, TACHYMETRA_DATA: server.data, ...env },
      encoding: 'utf8',
    })
  const port = new URL(server.url).port
  const elsewhere = mkdtempSync(join(tmpdir(), 'tachymetra-e2e-'))
  expect(start({ PORT: '0' })).toMatchObject({
    status: 1,
    stderr: expect.stringMatching(/^The folder [^\n]* another Tachymetra is running on it[^\n]*\n$/),
  })
  expect(start({ HOST: '0.0.0.0' })).toMatchObject({
    status: 1,
    stderr: expect.stringMatching(/^HOST=0\.0\.0\.0 [^\n]* no sign-in yet[^\n]*\n$/),
  })
  expect(start({ PORT: port, TACHYMETRA_DATA: elsewhere })).toMatchObject({
    status: 1,
    stderr: expect.stringMatching(/^Port \d+ .* is taken[^\n]*\n$/),
  })
  expect(start({ PORT: 'high' })).toMatchObject({
    status: 1,
    stderr: expect.stringMatching(/^PORT is a number[^\n]*\n$/),
  })
  const noFolder = start({ PORT: '0', TACHYMETRA_DATA: '/dev/null/data' })
  expect(noFolder).toMatchObject({ status: 1, stderr: expect.stringMatching(/^The folder [^\n]*\n$/) })
})

test('on the command line: backed up while it runs, restored elsewhere, refused with one line', async ({
  server,
}) => {
  const run = (args: readonly string[], data: string) =>
    spawnSync(process.execPath, ['scripts/backup.mjs', ...args], {
      cwd: join(import.meta.dirname, '..'),
      env: { ...process.env, TACHYMETRA_DATA: data },
      encoding: 'utf8',
    })
  const file = join(server.data, 'all.tachymetra')
  expect(run(['backup', file], server.data)).toMatchObject({
    status: 0,
    stdout: `Everything is in ${file}.\n`,
  })
  expect(run(['backup', file], server.data)).toMatchObject({
    status: 2,
    stderr: expect.stringMatching(/^.* there already.*\n$/),
  })
  const elsewhere = new TestServer(join(server.data, 'elsewhere'), ['--empty'])
  expect(run(['restore', file, '--empty'], elsewhere.data)).toMatchObject({ status: 0 })
  await elsewhere.start()
  expect(await elsewhere.api('/holdings')).toEqual(await server.api('/holdings'))
  await elsewhere.stop()
  writeFileSync(file, readFileSync(file).subarray(0, 5000))
  expect(run(['restore', file, '--empty'], elsewhere.data)).toMatchObject({
    status: 2,
    stderr: expect.stringContaining('damaged'),
  })
  // What writes has the folder to itself.
  for (const args of [['restore', file], ['recount']])
    expect(run(args, server.data)).toMatchObject({
      status: 2,
      stderr: expect.stringMatching(/^The folder .* another Tachymetra is running on it.*\n$/),
    })
  expect(run(['recount', '--empty'], elsewhere.data)).toMatchObject({
    status: 0,
    stdout: expect.stringMatching(/^Counted again: \d{4} attempts, \d+ recalls\.\n$/),
  })
  expect(run(['restore'], server.data)).toMatchObject({
    status: 2,
    stderr: expect.stringContaining('which file'),
  })
})
