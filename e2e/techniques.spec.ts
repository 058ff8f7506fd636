import type { Page } from '@playwright/test'
import { type Decimal, equal, readDecimal, toText, toWords, unmarked } from '@tachymetra/core/number'
import { answerText, InputError, type Problem, printProblem, readProblem } from '@tachymetra/core/problem'
import { meets } from '@tachymetra/core/question'
import { COURSE, levelOf, techniqueById } from '@tachymetra/core/registry'
import { reduceEvents } from '@tachymetra/core/session'
import { isAbacus } from '@tachymetra/core/soroban'
import { type Step, type Technique, variantOf } from '@tachymetra/core/technique'
import type { LearnerWire, SessionPage } from '@tachymetra/core/wire'
import {
  chooseSession,
  expect,
  expectUntold,
  openChoice,
  pick,
  problemOn,
  sessionRows,
  stepValues,
  test,
  toSessions,
  trace,
  type,
} from './support/bench.js'
import { ears, listen, plain, problemFrom } from './support/ears.js'

/** Types every value of a working; between two of them nothing is waited for, as a quick learner would. */
async function work(page: Page, values: readonly string[]): Promise<void> {
  for (const value of values) await type(page, value)
}

async function expectRight(page: Page): Promise<void> {
  await expect(page.locator('#said').filter({ hasText: /Right first time, in/ })).toBeVisible()
}

// A few techniques a test, so that they share a server.
// Work on the frame has tests of its own, and so have the kinds of a paper.
const HEADWORK = COURSE.filter((t) => !isAbacus(t))
for (const group of Array.from({ length: 6 }, (_, i) => HEADWORK.filter((_, t) => t % 6 === i)))
  test(`opened, watched and guided, by ear alone: ${group.map((t) => t.id).join(', ')}`, async ({
    page,
    server,
  }) => {
    await listen(page)
    for (const technique of group) await openWatchGuide(page, server.url, technique)
  })

/** How a value is taken after some steps were answered as they ask. */
function verdictAfter(
  technique: Technique,
  problem: Problem,
  steps: readonly Step<Decimal>[],
  entry: Decimal,
): string | undefined {
  const task = { technique, problem, variant: variantOf(technique), level: 1, support: 'guided' } as const
  const texts = [...steps.map((s) => toText(s.expect)), toText(entry)]
  const events = texts.map((text, i) => ({ kind: 'entered', at: i, text }) as const)
  return reduceEvents(task, events).entries.at(-1)?.verdict
}

/** What there is to know of the problem and of each step is what a screen reader is given to say. */
async function openWatchGuide(page: Page, url: string, technique: Technique): Promise<void> {
  await page.goto(`${url}/learn/${technique.id}`)
  await expect(page.getByRole('heading', { level: 1 })).toContainText(technique.name)
  const lesson = trace(technique, readProblem(technique.lesson.example), variantOf(technique))
  await expect(page.locator('.lesson-steps li')).toHaveCount(lesson.steps.length)

  await page.goto(url)
  const level = Math.ceil(technique.levels.length / 2)
  await chooseSession(page, { technique: technique.name, level, support: 'Watch', count: 1 })
  await expect(page.getByRole('heading', { level: 1 })).toContainText(
    levelOf(technique, level).name.toLowerCase(),
  )
  const ear = ears(page)
  const [, shown, first] = await ear.focus()
  for (const [i, step] of trace(technique, problemFrom(shown!), variantOf(technique)).steps.entries()) {
    expect(i === 0 ? first : await ear.said()).toContain(plain(step.ask))
    await page.keyboard.press('Enter')
    expect(await ear.said()).toContain(plain(`${toWords(step.expect)}. ${step.why}`))
    await page.keyboard.press('Enter')
  }
  await ear.said()
  await page.keyboard.press('Enter')

  const [question, about] = await ear.focus()
  const { steps } = trace(technique, problemFrom(about!), variantOf(technique))
  expect(question).toBe(plain(steps[0]!.ask))
  // Half of the way through a mistake is made, and named; not one that is also a value on the way.
  const middle = Math.floor(steps.length / 2)
  const slip = steps[middle]!.slips().find(
    (s) =>
      steps.every((other) => !meets(other, s.entry)) &&
      toText(s.entry).length > 1 &&
      verdictAfter(technique, problemFrom(about!), steps.slice(0, middle), s.entry) === 'slip',
  )
  for (const [i, step] of steps.entries()) {
    await expectUntold(page, steps, i)
    if (i === middle && slip) {
      await type(page, toText(slip.entry))
      expect(await ear.said()).toContain(plain(slip.remark))
      await expect(page.locator('#said')).toContainText(unmarked(slip.remark))
      await expect(page.locator('#question')).toContainText(unmarked(step.ask))
    }
    await type(page, toText(step.expect))
    const next = steps[i + 1]
    expect(await ear.said()).toMatch(next ? `Right. ${plain(next.ask)}` : /^Right/)
  }
  if (slip)
    await expect(page.locator('#said')).toContainText(/Right,? after (a mistake on the way|another try)/)
  else await expectRight(page)
}

test('crosswise: a carry lost is named, lines join the digits, and the answer is checked', async ({
  page,
  server,
}) => {
  await page.goto(server.url)
  await chooseSession(page, { technique: 'Crosswise', level: 5, support: 'Guided', count: 1 })
  const { steps } = trace(techniqueById('multiply-crosswise'), await problemOn(page), {
    order: 'right-carry',
  })
  await expect(page.locator('.links line')).toHaveCount(1)
  for (const [i, step] of steps.entries()) {
    const lost = step.slips().find((s) => s.id === 'carry-lost')
    // What was just said may be said again.
    if (lost && !equal(lost.entry, steps[i - 1]!.expect)) {
      await type(page, toText(lost.entry))
      await expect(page.locator('#said')).toContainText(unmarked(lost.remark))
    }
    await type(page, toText(step.expect))
  }
  await expect(page.locator('#said')).toContainText('Right, after a mistake on the way')
  await page.keyboard.press('c')
  await expect(page.getByRole('heading', { name: 'Casting out nines: passes' })).toBeVisible()
  await expect(page.getByText('would pass too, and is wrong')).not.toHaveCount(0)
})

test('front and back: the back left unpadded is named from the answer alone', async ({ page, server }) => {
  await page.goto(server.url)
  await chooseSession(page, { technique: 'Ten pair times twins', level: 2, support: 'Answer only', count: 1 })
  const { steps, answer } = trace(techniqueById('multiply-complement-repdigit'), await problemOn(page), {})
  const slip = steps
    .at(-1)!
    .slips()
    .find((s) => s.id === 'not-padded')!
  await type(page, toText(slip.entry))
  await expect(page.locator('#said')).toContainText(unmarked(slip.remark))
  await type(page, toText(answer))
  await expect(page.locator('#said')).toContainText('Right after another try')
})

test('tens first by touch: digits are taken in the learner’s own order, and the tens found are counted', async ({
  open,
  server,
}) => {
  const context = await open({
    hasTouch: true,
    isMobile: true,
    viewport: { width: 360, height: 740 },
  })
  const page = await context.newPage()
  await page.goto(server.url)
  await chooseSession(page, { technique: 'Tens first', level: 4, support: 'Guided', count: 1 })
  // One digit after another from the bottom, which no teacher would do.
  for (let more = true; more; ) {
    await page.locator('.pick').last().tap()
    await page.getByRole('button', { name: 'Enter', exact: true }).tap()
    more = (await page.locator('.pick').count()) > 0
  }
  await expectRight(page)
  const of = /tens found: 0 of (\d+)/.exec((await page.locator('#said').textContent())!)
  const { tally } = techniqueById('add-pairs')
  const problem = await problemOn(page)
  expect(Number(of?.[1] ?? 0)).toBe(tally!(problem, []).of)
})

test('an estimate is right to two decimals, whichever way it is rounded', async ({ page, server }) => {
  await page.goto(server.url)
  await chooseSession(page, { technique: 'Root by estimate', level: 2, support: 'Guided', count: 1 })
  // Each value rounded to two decimals; those after it follow from the rounded ones.
  const technique = techniqueById('root-estimate')
  const rounded = (step: Step<Decimal>) =>
    readDecimal(String(Number(Number(toText(step.expect)).toFixed(2))))!
  const { entries } = trace(technique, await problemOn(page), variantOf(technique), rounded)
  await work(page, entries.map(toText))
  await expectRight(page)
})

test('the variant chosen on the desk is worked and stays chosen', async ({ page, server }) => {
  await page.goto(server.url)
  await openChoice(page)
  await page.getByRole('radio', { name: /^Crosswise,/ }).check()
  await pick(page, 'Order of the columns', 'from the left, mending what is written')
  await chooseSession(page, { technique: 'Crosswise', level: 5, support: 'Guided', count: 1 })
  const technique = techniqueById('multiply-crosswise')
  const { steps } = trace(technique, await problemOn(page), variantOf(technique, { order: 'left-mend' }))
  await work(
    page,
    steps.map((s) => toText(s.expect)),
  )
  await expectRight(page)
  await page.goto(server.url)
  await openChoice(page)
  await page.getByRole('radio', { name: /^Crosswise,/ }).check()
  await expect(page.getByText('from the left, mending what is written')).toBeVisible()
})

test('own settings: impossible ones say so at once, possible ones are counted and worked', async ({
  page,
  server,
}) => {
  await page.goto(server.url)
  await openChoice(page)
  await page.getByRole('radio', { name: /^Crosswise,/ }).check()
  await page.getByRole('radio', { name: 'Own settings' }).check()
  await page.getByLabel('Columns that carry').fill('9')
  await page.keyboard.press('Tab')
  await expect(page.getByRole('alert')).toContainText('these numbers contradict each other')
  await expect(page.getByRole('button', { name: 'Start practice' })).toBeDisabled()
  await page.getByLabel('Columns that carry').fill('0')
  await page.getByLabel('Largest digit').fill('2')
  await page.keyboard.press('Tab')
  // Two digits by two of 0 to 2, counted here the slow way: no column sum above 9 can occur, so all of them.
  await expect(page.getByTestId('possible')).toContainText('36 different problems')
  await page.getByRole('group', { name: 'Support' }).getByRole('radio', { name: 'Guided' }).check()
  await page.getByLabel('How many').fill('1')
  await page.getByRole('button', { name: 'Start practice' }).click()
  await expect(page.getByRole('heading', { level: 1 })).toContainText('own settings')
  await work(page, await stepValues(page, 'multiply-crosswise'))
  await expectRight(page)
  await page.keyboard.press('Enter')
  await toSessions(page)
  await expect(sessionRows(page).first()).toContainText('own')
})

test('compare: the advice, every way on the rule, misfits with reasons, bad input told in the core’s words', async ({
  page,
  server,
}) => {
  await page.goto(`${server.url}/compare`)
  await page.getByLabel('Problem').fill('96*93')
  await page.keyboard.press('Enter')
  await expect(page.locator('.advice')).toContainText('Near a base needs the least effort')
  await expect(page.locator('.way').first()).toContainText('Near a base')
  await expect(page.locator('.way').last()).toContainText('On paper')
  await page.getByText('that do not fit, and why').click()
  await expect(page.getByText('the units sum to 9, not 10')).toBeVisible()
  await page.getByLabel('Answer').fill('8298')
  await expect(page.getByRole('heading', { name: 'Casting out nines: passes' })).toBeVisible()
  await expect(page.getByRole('heading', { name: 'Last digit: passes' })).toBeVisible()
  await expect(page.getByRole('heading', { name: 'Casting out elevens: does not pass' })).toBeVisible()
  await page.getByLabel('Problem').fill('96*')
  await page.keyboard.press('Enter')
  let refusal = ''
  try {
    readProblem('96*')
  } catch (error) {
    if (error instanceof InputError) refusal = error.message
  }
  await expect(page.getByRole('alert')).toHaveText(refusal)
})

test('an answer is followed by its working: in full view after a slip, which stands at its step, folded when it was right', async ({
  page,
  server,
}) => {
  await page.goto(server.url)
  await chooseSession(page, { technique: 'Crosswise', level: 5, support: 'Answer only', count: 2 })
  const technique = techniqueById('multiply-crosswise')
  const worked = async (enter?: (step: Step<Decimal>) => Decimal | undefined) =>
    trace(technique, await problemOn(page), variantOf(technique), enter)
  const { steps, answer } = await worked()
  const at = steps.findIndex((s) => s.slips().some((slip) => slip.id === 'carry-lost'))
  const lost = steps[at]!.slips().find((s) => s.id === 'carry-lost')!
  // Everything after it is done rightly.
  const { answer: wrong } = await worked((step) =>
    step.place === steps[at]!.place && equal(step.expect, steps[at]!.expect) ? lost.entry : undefined,
  )
  await type(page, toText(wrong))
  await expect(page.locator('#said')).toContainText('is not right')
  await expect(page.locator('#said')).toContainText('Likely')
  await type(page, toText(answer))
  const gone = page.locator('.how-it-goes')
  await expect(gone.getByRole('listitem')).toHaveCount(steps.length)
  await expect(gone.getByRole('listitem').last()).toContainText(unmarked(steps.at(-1)!.ask))
  const slipped = gone.locator('.slipped')
  await expect(slipped).toHaveCount(1)
  await expect(slipped).toContainText('Likely here.')
  // With the value that stood there then.
  await expect(slipped.locator('.had')).toHaveText(`you probably had ${toText(lost.entry)}`)
  await page.keyboard.press('Enter')
  await expect(gone).toHaveCount(0)
  await type(page, toText((await worked()).answer))
  await expect(page.locator('#said')).toContainText('Right first time')
  await expect(gone).not.toHaveAttribute('open')
  await gone.getByText('How it goes').click()
  await expect(gone.getByRole('listitem').first()).toBeVisible()
})

test('a lesson opens by trying: a wrong answer and a bell lead to the working on those numbers; nothing is recorded', async ({
  page,
  server,
}) => {
  // Every tone that sounds is counted.
  await page.addInitScript(() => {
    const counted = window as never as { tones: number }
    counted.tones = 0
    const start = OscillatorNode.prototype.start
    OscillatorNode.prototype.start = function (...at) {
      counted.tones += 1
      return start.apply(this, at)
    }
  })
  const tones = () => page.evaluate(() => (window as never as { tones: number }).tones)
  await page.goto(`${server.url}/learn/multiply-repunit`)
  const trying = page.locator('.trying')
  await expect(trying).toContainText('with 7.5 s on the clock. It is not recorded.')
  await trying.getByRole('button', { name: 'Start' }).click()
  const asked = async () => problemFrom((await page.locator('#try-problem').textContent())!)
  const steps = page.getByLabel('The steps, on your own numbers')
  const first = await asked()
  await type(page, '7')
  await expect(trying.getByRole('status')).toContainText(
    /^ ?7 is not right: .* = .*\. Its steps are below\.$/,
  )
  await expect(steps).toHaveValue(printProblem(first))
  const technique = techniqueById('multiply-repunit')
  const worked = trace(technique, first, variantOf(technique))
  await expect(page.locator('.lesson-steps li')).toHaveCount(worked.steps.length)
  // The next one is there at a press, and the clock does not wait.
  await page.keyboard.press('Enter')
  const second = await asked()
  expect(await tones()).toBe(0)
  await expect(trying.getByRole('status')).toContainText(/^ ?Time is up: /)
  expect(await tones()).toBeGreaterThan(0)
  await expect(steps).toHaveValue(printProblem(second))
  await page.keyboard.press('Enter')
  await type(page, answerText(await asked()))
  await expect(trying.getByRole('status')).toContainText(/^ ?Right: /)
  const [learner] = await server.api<LearnerWire[]>('/learners')
  const { sessions } = await server.api<SessionPage>(`/learners/${learner!.id}/sessions?limit=1`)
  expect(
    sessions.flatMap((s) => s.paces).filter((p) => p.technique === technique.id && p.attempts < 3),
  ).toEqual([])
})
