/** Every way to practise: its set is made again from the database alone, and nothing else is taken as an attempt at it. */
import { drillById } from '@tachymetra/core/drill'
import { printProblem } from '@tachymetra/core/problem'
import { techniqueById } from '@tachymetra/core/registry'
import { type AttemptRecord, beginTask, JUDGE, openQuestion } from '@tachymetra/core/session'
import {
  AS_RECORDED,
  GENERATOR,
  type Item,
  itemsOf,
  listedItem,
  paperRecipe,
  paperScore,
  plainRecipe,
  type Recipe,
  type Source,
  setupOf,
  USUAL_PAPER,
} from '@tachymetra/core/set'
import { variantOf } from '@tachymetra/core/technique'
import type { ProgressWire, SessionPage, SessionStart, WorkedSet } from '@tachymetra/core/wire'
import { eq } from 'drizzle-orm'
import { beforeAll, expect, test } from 'vitest'
import { recount } from './store/recount.js'
import { attempt, factRecall, session } from './store/schema.js'
import { testServer } from './testing.js'

const { database, send, get } = testServer()
const { db } = database
const uuid = (n: number) => `6f1b0c5e-0000-4000-8000-${String(n).padStart(12, '0')}`
const learnerId = uuid(1)
const at = '2026-03-02T15:00:00.000Z'
let next = 100
const newId = () => {
  next += 1
  return uuid(next)
}

beforeAll(async () => {
  await send('PUT', `/learners/${learnerId}`, { name: 'Wim', timeZone: 'UTC' })
})

/** What is announced of a set. */
const startOf = (recipe: Recipe, seed = 7, generator = GENERATOR): SessionStart => {
  return { learnerId, startedAt: at, recipe, seed, generator }
}

/** A right attempt at an item of a set. */
function attemptAt(item: Item, n: number, sessionId: string): Omit<AttemptRecord, 'id'> {
  const listed = listedItem(item)!
  const made = {
    sessionId,
    n,
    ...listed,
    variant: {},
    support: 'answer',
    startedAt: at,
    judge: JUDGE,
  } as const
  if (item.kind === 'drill') {
    const { questions } = drillById(item.drill)!.read(item.text)
    const right = questions.map((q) => q.kind.print(q.expect))
    return { ...made, events: right.map((text, of) => ({ kind: 'entered', at: 1000 * of, text, of })) }
  }
  if (item.kind !== 'problem') throw new Error('A fact is recalled.')
  const technique = techniqueById(item.technique)
  const { problem, level } = item
  const variant = variantOf(technique)
  const question = openQuestion(beginTask({ technique, problem, variant, level, support: 'answer' }))!
  return { ...made, events: [{ kind: 'entered', at: 4000, text: question.kind.print(question.expect) }] }
}

const pairs: Source = { kind: 'level', technique: 'add-pairs', level: 2, count: 3 }
const WAYS: Readonly<Record<string, Recipe>> = {
  'a level': plainRecipe([pairs], 'answer'),
  'own parameters': plainRecipe(
    [{ kind: 'parameters', technique: 'multiply-crosswise', values: { first: 2, second: 3 }, count: 3 }],
    'guided',
  ),
  'problems typed by hand': plainRecipe(
    [{ kind: 'listed', problems: [{ technique: 'add-running-total', level: 0, expression: '364+278' }] }],
    'steps',
  ),
  'flashed lists': plainRecipe([{ kind: 'flash', digits: 2, numbers: 4, minus: true, count: 3 }], 'answer'),
  grids: plainRecipe([{ kind: 'grid', rows: 2, columns: 3, digits: 2, count: 2 }], 'answer'),
  'a mixed set against the clock': {
    ...plainRecipe([pairs, { kind: 'level', technique: 'subtract-hold-drop', level: 3, count: 3 }], 'answer'),
    order: 'mixed',
    clock: { kind: 'whole', ms: 60_000 },
    answers: 'at-end',
    marks: { right: 5, wrong: -4, blank: 0 },
  },
}

test.each(Object.entries(WAYS))(
  '%s: only its items are taken, and it is made again from the database alone',
  async (_, recipe) => {
    const id = newId()
    const start = startOf(recipe)
    expect((await send('PUT', `/sessions/${id}`, start)).status).toBe(201)
    const items = itemsOf(start)
    const [first, second] = items
    // Another item of the same set, and none of it at all.
    if (second)
      expect((await send('PUT', `/attempts/${newId()}`, attemptAt(second, 1, id))).body.code).toBe(
        'not-in-set',
      )
    expect(
      (await send('PUT', `/attempts/${newId()}`, attemptAt(first!, items.length + 1, id))).body.code,
    ).toBe('not-in-set')
    for (const [i, item] of items.entries()) {
      const answer = await send('PUT', `/attempts/${newId()}`, attemptAt(item!, i + 1, id))
      expect(answer).toMatchObject({ status: 201, body: { right: true } })
    }
    const row = db.select().from(session).where(eq(session.id, id)).get()!
    const again = itemsOf(row)
    const stored = db.select().from(attempt).where(eq(attempt.sessionId, id)).all()
    expect(stored).toHaveLength(items.length)
    for (const { n, technique, level, expression } of stored)
      expect(listedItem(again[n - 1]!)).toEqual({ technique, level, expression })
  },
)

test('facts: each recall is of its item, and the set is made again from the database alone', async () => {
  const id = newId()
  const recipe: Recipe = {
    ...plainRecipe([{ kind: 'facts', facts: ['7x8', 'c10:4'] }], 'answer'),
    rule: { kind: 'repeat-missed' },
  }
  await send('PUT', `/sessions/${id}`, startOf(recipe))
  const recall = (fact: string, n: number) => ({
    learnerId,
    sessionId: id,
    n,
    fact,
    at,
    judge: JUDGE,
    keyMs: 200,
    events: [{ kind: 'entered', at: 700, text: '56' }],
  })
  expect((await send('PUT', `/recalls/${newId()}`, recall('6x7', 1))).body.code).toBe('not-in-set')
  expect((await send('PUT', `/recalls/${newId()}`, recall('7x8', 2))).body.code).toBe('not-in-set')
  expect((await send('PUT', `/recalls/${newId()}`, { ...recall('7x8', 1), n: undefined })).status).toBe(422)
  expect((await send('PUT', `/recalls/${newId()}`, recall('7x8', 1))).status).toBe(201)
  const [row] = db.select().from(session).where(eq(session.id, id)).all()
  const [stored] = db.select().from(factRecall).where(eq(factRecall.sessionId, id)).all()
  expect(itemsOf(row!)[stored!.n! - 1]).toMatchObject({ card: { id: stored!.fact } })
  // A round of facts is no line among the sessions in which problems were worked.
  const { sessions } = await get<SessionPage>(`/learners/${learnerId}/sessions?limit=50`)
  expect(sessions.map((s) => s.id)).not.toContain(id)
})

test('pace, days and mistakes follow technique and level of each item', async () => {
  const { sessions } = await get<SessionPage>(`/learners/${learnerId}/sessions?limit=50`)
  const mixed = sessions.find((s) => s.recipe.order === 'mixed')!
  expect(mixed.paces.map(({ technique, level, attempts }) => [technique, level, attempts])).toEqual([
    ['add-pairs', 2, 3],
    ['subtract-hold-drop', 3, 3],
  ])
  const pace = await get<object[]>(`/learners/${learnerId}/pace?technique=subtract-hold-drop`)
  expect(pace).toMatchObject([{ level: 3, attempts: 3, right: 3 }])
  const of = (technique: string) => get<SessionPage>(`/learners/${learnerId}/sessions?technique=${technique}`)
  expect((await of('subtract-hold-drop')).sessions.map((s) => s.id)).toEqual([mixed.id])
  expect((await of('add-pairs')).sessions).toHaveLength(2)
  // Counted again, all of it is the same.
  const counted = () => [get(`/learners/${learnerId}/sessions?limit=50`), get(`/learners/${learnerId}/days`)]
  const before = await Promise.all(counted())
  recount(db)
  expect(await Promise.all(counted())).toEqual(before)
})

test('a list kept as it is recorded grows by what comes, and contradicts nothing it has', async () => {
  const id = newId()
  const recipe = plainRecipe([{ kind: 'listed', problems: [null] }], 'answer')
  expect((await send('PUT', `/sessions/${id}`, startOf(recipe, 0, AS_RECORDED))).status).toBe(201)
  const problems = itemsOf(startOf(plainRecipe([pairs], 'answer')))
  const late = attemptAt(problems[2]!, 3, id)
  expect((await send('PUT', `/attempts/${newId()}`, late)).status).toBe(201)
  expect((await send('PUT', `/attempts/${newId()}`, attemptAt(problems[0]!, 1, id))).status).toBe(201)
  expect((await send('PUT', `/attempts/${newId()}`, attemptAt(problems[1]!, 3, id))).body.code).toBe(
    'not-in-set',
  )
  const row = db.select().from(session).where(eq(session.id, id)).get()!
  expect(itemsOf(row).map((item) => item && listedItem(item))).toEqual([
    listedItem(problems[0]!),
    undefined,
    listedItem(problems[2]!),
  ])
  // Announced once more it is still the same session.
  expect((await send('PUT', `/sessions/${id}`, startOf(recipe, 0, AS_RECORDED))).status).toBe(200)
})

test('a set drawn by another version of the generator goes on as the list of what is stored of it', async () => {
  const id = newId()
  const start = startOf(plainRecipe([pairs], 'answer'))
  await send('PUT', `/sessions/${id}`, start)
  const problems = itemsOf(start)
  await send('PUT', `/attempts/${newId()}`, attemptAt(problems[0]!, 1, id))
  db.update(session)
    .set({ generator: GENERATOR + 1 })
    .where(eq(session.id, id))
    .run()
  const other = attemptAt(itemsOf(startOf(plainRecipe([pairs], 'answer'), 8))[1]!, 2, id)
  expect((await send('PUT', `/attempts/${newId()}`, other)).status).toBe(201)
  const row = db.select().from(session).where(eq(session.id, id)).get()!
  expect(row.generator).toBe(AS_RECORDED)
  const expressions = itemsOf(row).map((item) => (item?.kind === 'problem' ? printProblem(item.problem) : ''))
  expect(expressions).toEqual([listedItem(problems[0]!)!.expression, other.expression])
  // And no newer one is announced here.
  expect((await send('PUT', `/sessions/${newId()}`, { ...start, generator: GENERATOR + 1 })).status).toBe(422)
})

test('a grid is right when every sum is right at its first try', async () => {
  const id = newId()
  const start = startOf(WAYS.grids!)
  await send('PUT', `/sessions/${id}`, start)
  const [item] = itemsOf(start)
  const given = attemptAt(item!, 1, id)
  const wrong = { kind: 'entered', at: 0, text: '1', of: 0 } as const
  const answer = await send('PUT', `/attempts/${newId()}`, { ...given, events: [wrong, ...given.events] })
  expect(answer).toMatchObject({ status: 201, body: { right: false } })
})

test('drills are kept like any set, and leave techniques alone', async () => {
  const id = newId()
  const start = startOf({
    ...plainRecipe(
      [
        { kind: 'fits', tricks: ['multiply-same-head'], count: 1 },
        {
          kind: 'ways',
          known: [
            { technique: 'multiply-addition', level: 1 },
            { technique: 'multiply-same-head', level: 1 },
          ],
          count: 1,
        },
        { kind: 'checking', check: 'nines', known: [{ technique: 'multiply-addition', level: 4 }], count: 1 },
      ],
      'answer',
    ),
  })
  expect((await send('PUT', `/sessions/${id}`, start)).status).toBe(201)
  const [fit, way, check] = itemsOf(start)
  for (const [n, item] of [fit, way, check].entries())
    expect(await send('PUT', `/attempts/${newId()}`, attemptAt(item!, n + 1, id))).toMatchObject({
      status: 201,
      body: { right: true },
    })
  // Only the item that the seed draws is taken, and only an answer that is one of those to choose.
  const other = { ...attemptAt(fit!, 1, id), expression: 'multiply-same-head: 41*49' }
  expect((await send('PUT', `/attempts/${newId()}`, other)).status).toBe(422)
  const none = { ...attemptAt(fit!, 1, id), events: [{ kind: 'entered', at: 5, text: 'perhaps' }] }
  expect((await send('PUT', `/attempts/${newId()}`, none)).status).toBe(422)
  // A best of one's own, but nothing that a plan would take for a technique.
  const { body } = await send('GET', `/learners/${learnerId}/progress`)
  const { latest, past, bests } = body as ProgressWire
  for (const rows of [latest, past]) expect(rows.map((r) => r.technique)).not.toContain('fits')
  expect(bests.map((b) => b.technique)).toContain('fits')
})

test('papers are told with what became of each item, the newest first, and no other session is', async () => {
  const recipe = paperRecipe({ ...USUAL_PAPER, count: 6, without: [], name: 'Friday' }, 11)
  const id = newId()
  expect((await send('PUT', `/sessions/${id}`, startOf(recipe))).status).toBe(201)
  const items = itemsOf({ recipe, seed: 7, generator: GENERATOR })
  for (const [i, item] of items.entries()) {
    if (i > 4) break
    const whole = attemptAt(item!, i + 1, id)
    const events = i === 2 ? [{ kind: 'skipped' as const, at: 900 }] : whole.events
    expect((await send('PUT', `/attempts/${newId()}`, { ...whole, events })).status).toBe(201)
  }
  const other = newId()
  await send('PUT', `/sessions/${other}`, startOf({ ...recipe, sources: [], paper: undefined } as never))
  const [paper, ...others] = (await get(`/learners/${learnerId}/papers`)) as readonly WorkedSet[]
  expect(others).toEqual([])
  expect([paper!.id, setupOf(paper!.recipe)!.name]).toEqual([id, 'Friday'])
  expect(paper!.answers.map((a) => [a.n, a.outcome, a.right])).toEqual([
    [1, 'done', true],
    [2, 'done', true],
    [3, 'skipped', false],
    [4, 'done', true],
    [5, 'done', true],
  ])
  expect(paperScore(paper!.recipe, paper!.answers).points).toBe(4 * 5 - 4)
  // An item that is not of the list is no item of the paper.
  const stranger = { ...attemptAt(items[0]!, 2, id), events: [{ kind: 'skipped' as const, at: 5 }] }
  expect((await send('PUT', `/attempts/${newId()}`, stranger)).status).toBe(422)
  // A paper without its list, its time or its marks is none.
  for (const lacking of [
    { ...recipe, marks: undefined },
    { ...recipe, clock: { kind: 'none' } },
  ])
    expect((await send('PUT', `/sessions/${newId()}`, startOf(lacking as never))).status).toBe(422)
})
