/** What people say while they work, typed at the bench: the same verdicts as by the judge and on the command line. */
import { DIALOGS, type Dialog, textsOf } from '@tachymetra/core/kit'
import type { WorkedSupport } from '@tachymetra/core/session'
import type { AttemptWire, LearnerWire, SessionWire } from '@tachymetra/core/wire'
import { begin, expect, test, type } from './support/bench.js'

/** Those in the school that is set anyway. */
const USUAL = DIALOGS.filter(([, , , , given]) => given === undefined)

/** What the screen says of an entry; where it ends the problem, the whole is told instead. */
const SAYS = {
  'so-far': /so far\. (Go on|What is)/,
  elsewhere: /is right, but|is true, but|The value is right|Give it as a whole number/,
  wrong: /is not right\.|again:/,
} as const

for (const support of ['guided', 'steps', 'answer'] as const)
  test(`dialogs typed at the bench, ${support}: each value taken as it is meant, and told so`, async ({
    page,
    server,
  }) => {
    test.setTimeout(240_000)
    const dialogs = USUAL.filter(([, , , asked = 'guided']) => asked === support)
    await page.goto(server.url)
    await expect(page.getByText('Learner:')).toBeVisible()
    const [learner] = await server.api<LearnerWire[]>('/learners')
    const problems = dialogs.map(([technique, expression]) => ({ technique, level: 0, expression }))
    const id = await begin(page, learner!.id, problems, support)
    for (const [i, dialog] of dialogs.entries()) {
      await page.getByText(`Problem ${i + 1} of ${dialogs.length}`).waitFor()
      await play(page, dialog)
      if (await page.locator('.done-panel').isHidden()) await page.keyboard.press('n')
      await expect(page.locator('.done-panel')).toBeVisible()
      await page.keyboard.press('Enter')
    }
    await expect(page.getByRole('heading', { level: 1 })).toContainText('The session')
    await expect
      .poll(async () => (await kept(server, id)).length, { message: 'what was worked is stored' })
      .toBe(dialogs.length)
    const attempts = await kept(server, id)
    expect(attempts.map((a) => verdictsOf(a, support))).toEqual(
      dialogs.map(([, , said]) => said.split(', ').map(lastWord)),
    )
  })

const lastWord = (text: string) => text.slice(text.lastIndexOf(' ') + 1)

async function play(page: Parameters<typeof begin>[0], [, , said]: Dialog): Promise<void> {
  const verdicts = said.split(', ').map(lastWord)
  for (const [i, text] of textsOf(said).entries()) {
    // Letters are keys of their own: a place is typed with its zeros, two digits with a plus.
    await type(page, text.replace(' thousands', '000').replace(' and ', '+'))
    const verdict = verdicts[i]!
    if (verdict === 'right' || verdict === 'ahead')
      await expect
        // At the end mistakes on the way are told once more.
        .poll(async () =>
          (await page.locator('.done-panel').isVisible()) ? 0 : page.locator('#said .said-slip').count(),
        )
        .toBe(0)
    else
      await expect(page.locator('#said')).toContainText(
        SAYS[verdict === 'so-far' || verdict === 'elsewhere' ? verdict : 'wrong'],
      )
  }
}

/** The attempts of a session as they are stored. */
async function kept(
  server: { api<T>(path: string): Promise<T> },
  id: string,
): Promise<readonly AttemptWire[]> {
  const { attempts } = await server.api<SessionWire & { attempts?: { id: string }[] }>(`/sessions/${id}`)
  return Promise.all((attempts ?? []).map((a) => server.api<AttemptWire>(`/attempts/${a.id}`)))
}

/** By answer alone the causes are looked for afterwards: there it only counts that it was not right. */
function verdictsOf({ entries }: AttemptWire, support: WorkedSupport): string[] {
  return entries.map((e) =>
    support === 'answer' && e.verdict === 'slip' ? 'wrong' : (e.slips[0]?.id ?? e.verdict),
  )
}
