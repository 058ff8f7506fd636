/** What is made once and kept: own problems, printed sheets, and the runs of trials. */
import { answerText, printProblem, readProblem } from '@tachymetra/core/problem'
import { techniqueById } from '@tachymetra/core/registry'
import { beginTask, JUDGE } from '@tachymetra/core/session'
import {
  codeOf,
  GENERATOR,
  itemsOf,
  MOST_OWN,
  type NewSheet,
  type OwnSet,
  paperRecipe,
  type Recipe,
  sheetList,
  sheetRecipe,
  trialRecipe,
  trialResult,
  USUAL_LAYOUT,
  USUAL_PAPER,
} from '@tachymetra/core/set'
import { variantOf } from '@tachymetra/core/technique'
import type {
  OwnSetWire,
  ProgressWire,
  SheetBatch,
  SheetWire,
  SlipWeek,
  WorkedSet,
} from '@tachymetra/core/wire'
import { beforeAll, expect, test } from 'vitest'
import { recount } from './store/recount.js'
import { testServer } from './testing.js'

const { database, send, get } = testServer()
const uuid = (n: number) => `6f1b0c5e-0000-4000-8000-${String(n).padStart(12, '0')}`
const [wim, ada] = [uuid(1), uuid(2)]
let next = 100
const newId = () => {
  next += 1
  return uuid(next)
}

beforeAll(async () => {
  await send('PUT', `/learners/${wim}`, { name: 'Wim', timeZone: 'UTC' })
  await send('PUT', `/learners/${ada}`, { name: 'Ada', timeZone: 'UTC' })
})

const own: OwnSet = {
  name: 'Chapter 4',
  technique: 'subtract-hold-drop',
  problems: [{ expression: '8341-3675' }, { expression: '36*52', technique: 'multiply-crosswise' }],
}

test('own problems are kept by name, changed, let go, and go with their learner alone', async () => {
  const id = newId()
  const path = `/learners/${wim}/problem-sets`
  expect((await send('PUT', `${path}/${id}`, own)).status).toBe(201)
  expect(await get<OwnSetWire[]>(path)).toEqual([{ id, ...own }])
  const changed = { ...own, technique: null, problems: [{ expression: '12+30' }] }
  expect((await send('PUT', `${path}/${id}`, changed)).status).toBe(200)
  expect(await get<OwnSetWire[]>(path)).toEqual([{ id, ...changed }])
  // Two of one name could not be told apart; another learner's set is nobody else's.
  expect((await send('PUT', `${path}/${newId()}`, own)).status).toBe(409)
  expect((await send('PUT', `/learners/${ada}/problem-sets/${id}`, own)).status).toBe(409)
  expect((await send('DELETE', `/learners/${ada}/problem-sets/${id}`, {})).status).toBe(200)
  expect(await get<OwnSetWire[]>(path)).toEqual([{ id, ...changed }])
  await send('DELETE', `${path}/${id}`, {})
  expect(await get<OwnSetWire[]>(path)).toEqual([])
})

test('a thousand own problems are kept; with one bad among them nothing is', async () => {
  const path = `/learners/${ada}/problem-sets`
  const problems = Array.from({ length: MOST_OWN }, (_, i) => ({ expression: `${i + 10}*37` }))
  const bad: readonly (readonly [object, string])[] = [
    [{ problems: problems.with(700, { expression: '12+' }) }, 'ends here'],
    [{ problems: problems.with(700, { expression: '47' }) }, 'number alone'],
    [
      { problems: problems.with(3, { expression: '7+8', technique: 'multiply-crosswise' } as never) },
      'does not fit',
    ],
    [{ problems: [...problems, { expression: '1+2' }] }, 'Problems'],
    [{ problems: [] }, 'Problems'],
    [{ name: ' ' }, 'Name'],
  ]
  for (const [change, why] of bad) {
    const answer = await send('PUT', `${path}/${newId()}`, {
      name: 'Many',
      technique: null,
      problems,
      ...change,
    })
    expect([answer.status, (answer.body as { detail: string }).detail]).toEqual([
      422,
      expect.stringContaining(why),
    ])
  }
  expect(await get<OwnSetWire[]>(path)).toEqual([])
  expect((await send('PUT', `${path}/${newId()}`, { name: 'Many', technique: null, problems })).status).toBe(
    201,
  )
  expect((await get<OwnSetWire[]>(path))[0]!.problems.length).toBe(MOST_OWN)
})

const layout = {
  ...USUAL_LAYOUT,
  numbers: { decimal: '.', grouping: 'space', times: '×', over: '÷' },
} as const
const sheetOf = (change: Partial<NewSheet> = {}): NewSheet => ({
  code: codeOf([1, 2, 3, 4, 5, 6, 7]),
  batch: uuid(50),
  copy: 1,
  copies: 1,
  title: 'Monday',
  madeAt: '2026-03-02T15:00:00.000Z',
  layout,
  list: sheetList({ recipe: paperRecipe(USUAL_PAPER, 4), seed: 1, generator: GENERATOR }),
  ...change,
})

test('a sheet is the same to the letter whenever it is asked for by its code, in any dress of it, and never changes', async () => {
  const sheet = sheetOf({ marks: { right: 5, wrong: -4, blank: 0 } })
  const { code, ...body } = sheet
  expect((await send('PUT', `/sheets/${code}`, body)).status).toBe(201)
  expect((await send('PUT', `/sheets/${code}`, body)).status).toBe(200)
  for (const typed of [code, code.toLowerCase(), code.replace('-', '')])
    expect(await get<SheetWire>(`/sheets/${typed}`)).toEqual({ ...sheet, keyed: [] })
  expect((await send('PUT', `/sheets/${code}`, { ...body, title: 'Tuesday' })).status).toBe(409)
  expect((await get<SheetWire>(`/sheets/${code}`)).title).toBe('Monday')
  // A list with what cannot be worked, a code that is none: refused, and nothing stored.
  const other = codeOf([7, 6, 5, 4, 3, 2, 1])
  const misfit = { technique: 'add-pairs', level: 1, expression: '36*52' }
  expect((await send('PUT', `/sheets/${other}`, { ...body, list: [misfit] })).status).toBe(422)
  expect((await send('PUT', '/sheets/AAAA-AAAA', body)).status).toBe(422)
  expect((await send('GET', `/sheets/${other}`)).status).toBe(404)
})

test('sheets made together are listed together and let go together', async () => {
  const codes = [10, 11, 12].map((n) => codeOf([n, 2, 3, 4, 5, 6, 7]))
  for (const [i, code] of codes.toReversed().entries()) {
    const { code: _, ...body } = sheetOf({ batch: uuid(51), copy: 3 - i, copies: 3, title: 'Three' })
    await send('PUT', `/sheets/${code}`, { ...body, madeAt: '2026-03-03T15:00:00.000Z' })
  }
  const batches = await get<SheetBatch[]>('/sheets')
  expect(batches[0]).toEqual({
    batch: uuid(51),
    title: 'Three',
    madeAt: '2026-03-03T15:00:00.000Z',
    copies: 3,
    items: 80,
    codes,
  })
  await send('DELETE', `/sheets/batches/${uuid(51)}`, {})
  expect((await get<SheetBatch[]>('/sheets')).map((b) => b.title)).toEqual(['Monday'])
  expect((await send('GET', `/sheets/${codes[0]}`)).status).toBe(404)
})

// Mistakes are told of the last weeks.
const today = new Date().toISOString().slice(0, 10)

/** Attempts at the items of a set, in order. */
async function work(recipe: Recipe, answers: readonly (readonly object[])[], learnerId = wim, seed = 7) {
  const id = newId()
  const start = { learnerId, startedAt: `${today}T15:00:00.000Z`, recipe, seed, generator: GENERATOR }
  expect((await send('PUT', `/sessions/${id}`, start)).status).toBe(201)
  for (const [i, item] of itemsOf({ recipe, seed, generator: GENERATOR }).entries()) {
    if (item?.kind !== 'problem' || !answers[i]) continue
    const { technique, level, problem } = item
    const answer = await send('PUT', `/attempts/${newId()}`, {
      sessionId: id,
      n: i + 1,
      technique,
      variant: variantOf(techniqueById(technique)),
      level,
      support: 'answer',
      expression: printProblem(problem),
      startedAt: `${today}T15:00:${String(i).padStart(2, '0')}.000Z`,
      judge: JUDGE,
      events: [{ kind: 'shown', at: 0, text: 'answer' }, ...answers[i]!],
    })
    expect(answer.status, JSON.stringify(answer.body)).toBe(201)
  }
  return id
}

test('keyed in from paper: attempts of that sheet, in the record, the mistakes and the plan, untimed', async () => {
  const level = { kind: 'level', technique: 'subtract-hold-drop', level: 4, count: 4 } as const
  const recipe = {
    sources: [level],
    order: 'listed',
    clock: { kind: 'none' },
    support: 'answer',
    answers: 'at-end',
  } as const
  const list = sheetList({ recipe, seed: 3, generator: GENERATOR })
  const { code, ...body } = sheetOf({ code: codeOf([9, 9, 9, 9, 9, 9, 1]), batch: uuid(52), list })
  await send('PUT', `/sheets/${code}`, body)
  const sheet = await get<SheetWire>(`/sheets/${code}`)
  const technique = techniqueById('subtract-hold-drop')
  const right = list.map(({ expression }) => expression).map((e) => Number(answerText(readProblem(e))))
  const paper = { kind: 'on-paper', at: 0 }
  const id = await work(sheetRecipe(sheet), [
    [paper, { kind: 'entered', at: 0, text: String(right[0]) }],
    // Borrowed without need, or not at all: ten too many or too few.
    [paper, { kind: 'entered', at: 0, text: String(right[1]! + 10) }, { kind: 'handed-in', at: 0 }],
    [paper, { kind: 'marked', at: 0, text: 'wrong' }],
    [paper, { kind: 'marked', at: 0, text: 'right' }],
  ])
  const progress = await get<ProgressWire>(`/learners/${wim}/progress`)
  const latest = progress.latest.find((l) => l.technique === technique.id && l.level === 4)!
  expect(latest.answers.map((a) => [a.right, a.timed])).toEqual([
    [true, false],
    [false, false],
    [false, false],
    [true, false],
  ])
  expect((await get<SlipWeek[]>(`/learners/${wim}/slips`)).some((s) => s.technique === technique.id)).toBe(
    true,
  )
  expect((await get<SheetWire>(`/sheets/${code}`)).keyed).toEqual([
    { learnerId: wim, sessionId: id, at: `${today}T15:00:00.000Z` },
  ])
  const session = (await send('GET', `/sessions/${id}`)).body as { paces: { medianMs?: number }[] }
  expect(session.paces[0]!.medianMs).toBeUndefined()
  // Counted again from the verdicts, nothing changes.
  const before = await get<ProgressWire>(`/learners/${wim}/progress`)
  recount(database.db)
  expect(await get<ProgressWire>(`/learners/${wim}/progress`)).toEqual(before)
  // The sheet let go, what was keyed in stays.
  await send('DELETE', `/sheets/batches/${uuid(52)}`, {})
  expect((await send('GET', `/sessions/${id}`)).status).toBe(200)
})

test('trials are told with what became of each item, the newest first, and nobody calls another set one', async () => {
  const recipe = trialRecipe('roots', 0)
  const answers = itemsOf({ recipe, seed: 7, generator: GENERATOR }).map((item) => {
    if (item?.kind !== 'problem') throw new RangeError('A trial asks problems.')
    const technique = techniqueById(item.technique)
    const task = {
      technique,
      variant: variantOf(technique),
      level: 0,
      support: 'answer',
      problem: item.problem,
    } as const
    const { kind, expect: value } = beginTask(task).walks[0]!.whole()
    return [{ kind: 'entered', at: 6000, text: kind.print(value) }]
  })
  const id = await work(recipe, answers)
  await work(trialRecipe('paper', 3), [[{ kind: 'skipped', at: 900 }]])
  await work({ ...recipe, trial: undefined } as never, [])
  const trials = await get<WorkedSet[]>(`/learners/${wim}/trials`)
  expect(trials.map((t) => t.recipe.trial).sort()).toEqual(['paper', 'roots'])
  const roots = trials.find((t) => t.id === id)!
  expect(trialResult(roots.recipe, roots.answers)).toEqual({
    right: 5,
    of: 5,
    ms: 30_000,
    score: 10,
    whole: true,
  })
  const easier = { ...recipe, sources: [{ ...recipe.sources[0]!, count: 2 }] }
  const start = { learnerId: wim, startedAt: '2026-03-02T15:00:00.000Z', seed: 1, generator: GENERATOR }
  expect((await send('PUT', `/sessions/${newId()}`, { ...start, recipe: easier })).status).toBe(422)
})

test('lessons for the board are kept by name and checked; counts of hands tell nothing but how many', async () => {
  const part = {
    kind: 'technique',
    technique: 'multiply-crosswise',
    level: 4,
    variant: {},
    clock: { ms: 10_000, round: false },
    count: 4,
  }
  const [id, other] = [newId(), newId()]
  const plan = { name: 'Monday', parts: [part, { kind: 'frame' }] }
  expect((await send('PUT', `/board/plans/${id}`, plan)).status).toBe(200)
  expect(await get('/board/plans')).toEqual([{ id, ...plan }])
  expect((await send('PUT', `/board/plans/${other}`, plan)).status).toBe(409)
  const faults = [
    { parts: [] },
    { parts: [{ ...part, level: 99 }] },
    { parts: [{ ...part, clock: { ms: -1, round: true } }] },
  ]
  for (const fault of faults)
    expect((await send('PUT', `/board/plans/${other}`, { ...plan, name: 'Tuesday', ...fault })).status).toBe(
      422,
    )
  await send('DELETE', `/board/plans/${id}`, {})
  expect(await get('/board/plans')).toEqual([])
  const count = {
    at: '2026-03-02T15:00:00.000Z',
    technique: 'multiply-crosswise',
    level: 4,
    expression: '36*52',
    right: 12,
  }
  await send('PUT', `/board/counts/${id}`, count)
  // Counted anew, it takes the place of what was counted before.
  await send('PUT', `/board/counts/${id}`, { ...count, right: 15 })
  expect(await get('/board/counts')).toEqual([{ id, ...count, right: 15 }])
  expect((await send('PUT', `/board/counts/${other}`, { ...count, right: -1 })).status).toBe(422)
  expect((await send('PUT', `/board/counts/${other}`, { ...count, learnerId: wim })).status).toBe(422)
})
