/** Choosing a way, and checking without doing it again: as drills, and before the verdict. */

import type { Page } from '@playwright/test'
import { checkQuestions } from '@tachymetra/core/drill'
import { readDecimal, toText, unmarked } from '@tachymetra/core/number'
import { answerText } from '@tachymetra/core/problem'
import { techniqueById } from '@tachymetra/core/registry'
import type { AttemptSummary, LearnerWire, SessionPage } from '@tachymetra/core/wire'
import { workedOnPaper } from '@tachymetra/core/written'
import { chooseProblems, chooseSession, expect, pick, problemOn, test, trace, type } from './support/bench.js'
import type { TestServer } from './support/server.js'

/** Ilse has worked nearly everything. */
async function openChoose(page: Page, server: TestServer): Promise<LearnerWire> {
  await page.goto(server.url)
  await pick(page, 'Learner:', 'Ilse Marrow')
  await page.getByRole('link', { name: 'Choose', exact: true }).click()
  await expect(page.getByRole('heading', { name: /Choose and check/ })).toBeVisible()
  return (await server.api<LearnerWire[]>('/learners')).find((l) => l.name === 'Ilse Marrow')!
}

/** The attempts of the newest session. */
async function kept(server: TestServer, learner: LearnerWire): Promise<readonly AttemptSummary[]> {
  const { sessions } = await server.api<SessionPage>(`/learners/${learner.id}/sessions?limit=1`)
  const whole = await server.api<{ attempts: readonly AttemptSummary[] }>(`/sessions/${sessions[0]!.id}`)
  return whole.attempts
}

/** One of a few answers by its letter, confirmed. */
async function choose(page: Page, letter: string): Promise<void> {
  await page.keyboard.press(letter)
  await page.keyboard.press('Enter')
}

test('a trick that does not fit is refused, with what is missing', async ({ page, server }) => {
  const learner = await openChoose(page, server)
  await pick(page, 'Which trick', 'Same head')
  await page.getByRole('button', { name: 'Start: Does it fit?' }).click()
  const trick = techniqueById('multiply-same-head')
  let refused = 0
  let fitted = 0
  for (let n = 1; n <= 10; n += 1) {
    await expect(page.getByRole('heading', { name: `Does it fit? ${n} of 10` })).toBeVisible()
    const problem = await problemOn(page)
    // What a teacher would look at: the heads, then the last digits.
    const [a, b] = problem.kind === 'product' ? problem.factors.map((f) => Number(f.units)) : [0, 0]
    const heads = Math.floor(a! / 10) === Math.floor(b! / 10)
    const ten = (a! % 10) + (b! % 10) === 10
    expect(trick.fits(problem).fits).toBe(heads && ten)
    if (heads && ten) {
      fitted += 1
      await choose(page, 'a')
      await expect(page.locator('.revealed')).toContainText('Right. Same head fits here.')
    } else {
      refused += 1
      await choose(page, 'a')
      await expect(page.locator('.said')).toContainText(/Same head does not fit: /)
      await choose(page, heads ? 'c' : 'b')
      await expect(page.locator('.revealed')).toContainText(
        heads ? 'the last digits do not make 10' : 'the heads are different',
      )
      await expect(page.locator('.revealed')).toContainText('Answered after another try.')
    }
    await page.keyboard.press('Enter')
  }
  expect(refused).toBeGreaterThan(1)
  expect(fitted).toBeGreaterThan(1)
  await expect(page.getByText(`${fitted} of 10 right first time.`)).toBeVisible()
  await expect.poll(async () => (await kept(server, learner)).length).toBe(10)
  const attempts = await kept(server, learner)
  expect(attempts.filter((x) => x.right).length).toBe(fitted)
  // In the record: what was asked, and what was answered.
  await page.goto(`${server.url}/record/attempt/${attempts.find((x) => !x.right)!.id}`)
  await expect(page.getByRole('heading', { name: /^Does it fit\?/ })).toBeVisible()
  await expect(page.locator('.replay-entry')).toHaveCount(2)
  await expect(page.locator('.replay-entry').first()).toContainText('yes, it fits')
})

test('which way: a choice that takes more is told what it costs by own times', async ({ page, server }) => {
  await openChoose(page, server)
  await page.getByRole('button', { name: 'None' }).click()
  await expect(page.getByRole('button', { name: 'Start: Which way?' })).toBeDisabled()
  for (const name of ['Crosswise', 'Same head', 'Split and add']) await page.getByLabel(name).check()
  await page.getByRole('button', { name: 'Start: Which way?' }).click()
  // Until the head is the same and the others tempt.
  for (;;) {
    const same = techniqueById('multiply-same-head').fits(await problemOn(page)).fits
    if (same) break
    await page.keyboard.press('s')
    await page.keyboard.press('Enter')
  }
  const choices = page.locator('.choice')
  await choices.getByText('Split and add').click()
  await expect(page.locator('.said')).toContainText(
    /Split and add takes \d+ points of effort, Same head only \d+\./,
  )
  await choices.getByText('Same head').click()
  await expect(page.locator('.revealed')).toContainText(
    /Split and add would cost you about \d+\.\d s more than /,
  )
  await expect(page.locator('.costs tr', { hasText: 'Same head' })).toContainText(/about \d+\.\d s/)
  await expect(page.locator('.costs tr', { hasText: 'your choice' })).toContainText('Split and add')
})

test('a check that passes wrongly is recognised as no proof', async ({ page, server }) => {
  await openChoose(page, server)
  await page.getByRole('button', { name: 'None' }).click()
  await page.getByLabel('Crosswise').check()
  await page.getByRole('button', { name: 'Start: Is it right?' }).click()
  const found = { right: 0, failing: 0, passing: 0 }
  for (let n = 1; n <= 10; n += 1) {
    await expect(page.getByRole('heading', { name: `Is it right? ${n} of 10` })).toBeVisible()
    const problem = await problemOn(page)
    const rule = (await page.locator('.rule').getAttribute('aria-label'))!
    const claimed = readDecimal(/written so far: (.*)$/.exec(rule)![1]!.replaceAll(' ', ''))!
    const { questions, passes } = checkQuestions('nines', problem, claimed)!
    for (const question of questions) {
      await expect(page.locator('.question')).toHaveText(unmarked(question.ask))
      const text = question.kind.print(question.expect)
      if (question.kind.choices) await choose(page, question.kind.choices.find((c) => c.id === text)!.key)
      else await type(page, text)
    }
    const right = answerText(problem) === toText(claimed)
    found[right ? 'right' : passes ? 'passing' : 'failing'] += 1
    if (passes && !right) {
      // That it is wrong does not follow from the check.
      await choose(page, 'a')
      await expect(page.locator('.said')).toContainText('is not right')
    }
    await choose(page, passes ? 'b' : 'a')
    await expect(page.locator('.revealed')).toContainText(
      right
        ? 'The check alone could not tell.'
        : passes
          ? 'It passes, and yet it is wrong'
          : 'the check found it',
    )
    await page.keyboard.press('Enter')
  }
  for (const [kind, count] of Object.entries(found)) expect(count, kind).toBeGreaterThan(0)
})

test('the check comes before the verdict where it is wished, and the clock rests', async ({
  page,
  server,
}) => {
  await page.goto(server.url)
  await chooseProblems(page, { technique: 'Running total', level: 5, support: 'Answer only', count: 1 })
  await pick(page, 'Before the verdict', 'check by casting out nines')
  await page.getByRole('button', { name: 'Start practice' }).click()
  const problem = await problemOn(page)
  const begun = Date.now()
  const right = Number(answerText(problem))
  const give = async (claimed: number) => {
    await type(page, String(claimed))
    const { questions } = checkQuestions('nines', problem, readDecimal(String(claimed))!)!
    for (const { ask, kind, expect: value } of questions) {
      await expect(page.locator('#question')).toHaveText(ask)
      const text = kind.print(value)
      if (kind.choices) await choose(page, kind.choices.find((c) => c.id === text)!.key)
      else await type(page, text)
    }
  }
  await give(right - 1)
  await expect(page.locator('.asking')).toContainText('your answer is wrong somewhere')
  // Nothing was said of it yet, and it can be mended.
  await page.keyboard.press('Enter')
  await page.waitForTimeout(1500)
  await give(right)
  await expect(page.locator('.asking')).toContainText('that proves nothing')
  await page.waitForTimeout(1500)
  await page.keyboard.press('Enter')
  await expect(page.locator('.said')).toContainText('Right first time')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('heading', { name: /^The session/ })).toBeVisible()
  const [learner] = await server.api<LearnerWire[]>('/learners')
  await expect.poll(async () => (await kept(server, learner!)).length).toBe(1)
  const [attempt] = await kept(server, learner!)
  expect(attempt).toMatchObject({ right: true, clean: true })
  // Neither the check of the first answer nor that of the second counts.
  expect(attempt!.totalMs).toBeLessThan(Date.now() - begun - 3000)
})

test('the same problems in two ways: the times say which suits better', async ({ page, server }) => {
  await openChoose(page, server)
  await page.getByRole('button', { name: 'Start: Two ways compared' }).click()
  await expect(page.locator('.bench')).toBeVisible()
  const ways: string[] = []
  for (let n = 1; n <= 12; n += 1) {
    const way = await page.locator('.bench-head h1').textContent()
    ways.push(way!.startsWith('Crosswise') ? 'c' : 's')
    const problem = await problemOn(page)
    // By one of them it takes longer.
    if (ways.at(-1) === 's') await page.waitForTimeout(700)
    await type(page, answerText(problem))
    await page.keyboard.press('Enter')
  }
  expect(ways.join('')).toBe('cscscsscscsc')
  await expect(page.getByText(/^On these problems Crosswise is quicker for you: /)).toBeVisible()
})

test('mixed practice does not say which technique is meant, until it is over', async ({ page, server }) => {
  await openChoose(page, server)
  await page.getByRole('button', { name: 'None' }).click()
  for (const name of ['Running total', 'Hold and borrow', 'Same head']) await page.getByLabel(name).check()
  await page.getByRole('button', { name: 'Start: Mixed practice' }).click()
  const kinds = new Map<string, number>()
  for (let n = 1; n <= 12; n += 1) {
    await expect(page.locator('.bench-head h1')).toContainText('Mixed practice')
    const problem = await problemOn(page)
    const kind =
      problem.kind === 'product'
        ? 'times'
        : problem.kind === 'sum' && problem.terms.some((t) => t.sign < 0)
          ? 'less'
          : 'more'
    kinds.set(kind, (kinds.get(kind) ?? 0) + 1)
    await type(page, answerText(problem))
    await page.keyboard.press('Enter')
  }
  expect([...kinds.values()]).toEqual([4, 4, 4])
})

test('watched by itself at a pace, with the pattern beforehand and the usual way beside; the pattern printed', async ({
  page,
  server,
}) => {
  await page.goto(server.url)
  await chooseSession(page, { technique: 'Crosswise', level: 8, support: 'Watch', count: 1 })
  const pattern = page.locator('.side .pattern')
  // Three by two digits: one, two, two, one products.
  await expect(pattern.locator('li')).toHaveCount(4)
  expect(
    await pattern.locator('li').evaluateAll((all) => all.map((li) => li.querySelectorAll('line').length)),
  ).toEqual([1, 2, 2, 1])
  await page.getByText('The usual way on paper').click()
  const steps = workedOnPaper(await problemOn(page)).steps
  for (const { says } of steps) {
    await page.getByRole('button', { name: 'Next step on paper' }).click()
    await expect(page.locator('.on-paper .says')).toContainText(says)
  }
  const digits = await page.locator('.paper-sheet tr').last().locator('td').allTextContents()
  expect(digits.join('')).toBe(answerText(await problemOn(page)))
  await pick(page, 'Pace', 'by itself, quickly')
  await expect(page.locator('.watched')).toContainText('?')
  await expect(page.getByText(/Step 2 of/)).toBeVisible({ timeout: 15_000 })
  await page.getByRole('button', { name: 'Pause' }).click()
  const before = await page.locator('.watched').textContent()
  await page.waitForTimeout(2200)
  expect(await page.locator('.watched').textContent()).toBe(before)
  await page.getByRole('link', { name: 'To print' }).click()
  await expect(page.getByRole('heading', { name: 'Crosswise, 3 by 2 digits' })).toBeVisible()
  await page.evaluate(() => {
    window.print = () => document.body.setAttribute('data-printed', 'yes')
  })
  await page.getByRole('button', { name: 'Print' }).click()
  await expect(page.locator('body')).toHaveAttribute('data-printed', 'yes')
  await page.emulateMedia({ media: 'print' })
  await expect(page.getByRole('button', { name: 'Print' })).toBeHidden()
  await expect(page.locator('.head-rule')).toBeHidden()
  await expect(page.locator('.pattern li')).toHaveCount(4)
  expect((await page.pdf()).length).toBeGreaterThan(2000)
})

test('what is watched is read aloud on wish, its question before its value', async ({ page, server }) => {
  // A voice of the machine that says everything at once.
  await page.addInitScript(() => {
    const said: string[] = []
    const voice = { localService: true, lang: 'en-GB', name: 'here' }
    Object.assign(window, { said })
    Object.defineProperty(window, 'speechSynthesis', {
      value: {
        getVoices: () => [voice],
        addEventListener: () => undefined,
        removeEventListener: () => undefined,
        cancel: () => undefined,
        speak: (u: { text: string; onend?: () => void }) => {
          said.push(u.text)
          u.onend?.()
        },
      },
    })
    Object.defineProperty(window, 'SpeechSynthesisUtterance', {
      value: class {
        constructor(readonly text: string) {}
      },
    })
  })
  const said = () => page.evaluate(() => (window as never as { said: string[] }).said)
  await page.goto(server.url)
  await chooseSession(page, { technique: 'Running total', level: 5, support: 'Watch', count: 1 })
  expect(await said()).toEqual([])
  await page.getByLabel('Read aloud').check()
  await expect.poll(said).toHaveLength(1)
  await page.keyboard.press('Escape')
  await chooseSession(page, { technique: 'Running total', level: 5, support: 'Watch', count: 1 })
  const work = trace(techniqueById('add-running-total'), await problemOn(page), {})
  await expect.poll(async () => (await said()).at(-1)).toContain('what is the total?')
  const before = (await said()).length
  await page.getByRole('button', { name: 'Its value' }).click()
  await expect.poll(async () => (await said()).length).toBe(before + 1)
  expect((await said()).at(-1)).toContain(toText(work.steps[0]!.expect))
})
