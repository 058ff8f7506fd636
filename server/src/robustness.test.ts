/** Anything may be sent: it is stored, or refused with a reason and nothing is changed. */

import { createHash } from 'node:crypto'
import { thorough } from '@tachymetra/core/kit'
import { DEFAULT_SETTINGS } from '@tachymetra/core/learner'
import { JUDGE } from '@tachymetra/core/session'
import { GENERATOR } from '@tachymetra/core/set'
import { sql } from 'drizzle-orm'
import fc from 'fast-check'
import { beforeAll, expect, test } from 'vitest'
import { testServer } from './testing.js'

const { database, send } = testServer()

const uuid = (n: number) => `6f1b0c5e-0000-4000-8000-${String(n).padStart(12, '0')}`
const at = '2026-03-02T15:00:00.000Z'
const learner = { name: 'Wim', timeZone: 'UTC' }
const set = {
  recipe: {
    sources: [
      { kind: 'listed', problems: [{ technique: 'add-pairs', level: 1, expression: '4+7+6' }] },
      { kind: 'level', technique: 'add-pairs', level: 2, count: 2 },
      { kind: 'parameters', technique: 'add-pairs', values: { terms: 4 }, count: 1 },
      { kind: 'facts', facts: ['7x8'] },
      { kind: 'flash', digits: 1, numbers: 3, minus: true, count: 1 },
      { kind: 'grid', rows: 2, columns: 2, digits: 1, count: 1 },
    ],
    order: 'listed',
    clock: { kind: 'item', ms: 9000 },
    support: 'answer',
    answers: 'at-once',
    marks: { right: 5, wrong: -4, blank: 0 },
    rule: { kind: 'staircase', showMs: 900, run: 0 },
  },
  seed: 7,
  generator: GENERATOR,
}
const session = { learnerId: uuid(1), startedAt: at, ...set }
const attempt = {
  sessionId: uuid(2),
  n: 1,
  technique: 'add-pairs',
  variant: {},
  level: 1,
  support: 'answer',
  expression: '4+7+6',
  startedAt: at,
  judge: JUDGE,
  events: [
    { kind: 'shown', at: 0, text: 'answer' },
    { kind: 'entered', at: 1500, text: '17', first: 900, last: 1500, pause: 0 },
  ],
}
const recall = {
  learnerId: uuid(1),
  fact: '7x8',
  at,
  judge: JUDGE,
  keyMs: 200,
  events: [{ kind: 'entered', at: 700, text: '56', first: 500, last: 700, pause: 0 }],
}

/** Every route that takes a body, with one that it takes. */
const ROUTES: readonly { method: string; path: string; body: object }[] = [
  { method: 'PUT', path: `/learners/${uuid(11)}`, body: { ...learner, name: 'Bo' } },
  { method: 'PATCH', path: `/learners/${uuid(1)}`, body: { name: 'Wim' } },
  { method: 'PATCH', path: `/learners/${uuid(1)}/settings`, body: DEFAULT_SETTINGS },
  { method: 'PUT', path: `/learners/${uuid(1)}/moves/${uuid(12)}`, body: { technique: 'add-pairs', to: 2 } },
  { method: 'PUT', path: `/sessions/${uuid(13)}`, body: session },
  { method: 'PUT', path: `/attempts/${uuid(14)}`, body: attempt },
  { method: 'PUT', path: `/recalls/${uuid(15)}`, body: recall },
  {
    method: 'POST',
    path: `/learners/${uuid(1)}/attempts`,
    body: {
      rows: [
        {
          attempt: { ...attempt, id: uuid(16), sessionId: uuid(17) },
          session: { startedAt: at, ...set },
        },
      ],
    },
  },
]

beforeAll(async () => {
  expect((await send('PUT', `/learners/${uuid(1)}`, learner)).status).toBe(201)
  expect((await send('PUT', `/sessions/${uuid(2)}`, session)).status).toBe(201)
})

test('what the routes are tried with is taken as it stands', async () => {
  for (const { method, path, body } of ROUTES)
    expect((await send(method, path, body)).status, path).toBeLessThan(300)
  const { db } = database
  expect(db.all(sql.raw(`select 1 from attempt where id in ('${uuid(14)}', '${uuid(16)}')`))).toHaveLength(2)
})

/** All that is stored. */
function stored(): string {
  const { db } = database
  const tables = db.all<{ name: string }>(sql.raw("select name from sqlite_master where type = 'table'"))
  const hash = createHash('sha256')
  for (const { name } of tables) hash.update(JSON.stringify(db.all(sql.raw(`select * from "${name}"`))))
  return hash.digest('hex')
}

/** Every place within a value, as the keys that lead to it. */
function placesIn(value: unknown, path: readonly string[] = []): string[][] {
  if (typeof value !== 'object' || value === null) return [[...path]]
  return [[...path], ...Object.keys(value).flatMap((k) => placesIn((value as never)[k], [...path, k]))]
}

function bent(value: unknown, [key, ...rest]: readonly string[], put: unknown): unknown {
  if (key === undefined) return put
  const copy = (Array.isArray(value) ? [...value] : { ...(value as object) }) as Record<string, unknown>
  copy[key] = bent(copy[key], rest, put)
  return copy
}

/** What somebody might send: any JSON, the awkward ones more often. */
const anything = fc.oneof(
  { weight: 2, arbitrary: fc.jsonValue({ maxDepth: 2 }) },
  fc.constantFrom<unknown>(
    null,
    '',
    '\0',
    '-',
    '9'.repeat(500),
    '1e999',
    "'; drop table learner; --",
    'constructor',
    '__proto__',
    { constructor: {} },
    -1,
    0,
    1e308,
    2 ** 53,
    0.1,
    [],
    {},
    [[[]]],
    '2026-02-30T25:00:00Z',
    '4+7+6+',
    '0/0',
    'sqrt(2)',
    uuid(1),
  ),
)

test('one thing wrong anywhere in what is sent: refused with a reason and nothing changed, or a value as good', async () => {
  const request = fc
    .constantFrom(...ROUTES)
    .chain((route) => fc.tuple(fc.constant(route), fc.constantFrom(...placesIn(route.body)), anything))
  let refused = 0
  await fc.assert(
    fc.asyncProperty(request, async ([{ method, path, body }, place, put]) => {
      const before = stored()
      const answer = await send(method, path, JSON.stringify(bent(body, place, put)) ?? 'undefined')
      expect(answer.status, JSON.stringify(answer.body)).toBeLessThan(500)
      if (answer.status < 400) return
      refused += 1
      expect(answer.type).toContain('application/problem+json')
      expect(answer.body).toMatchObject({ status: answer.status, detail: expect.stringMatching(/\w{3}/) })
      expect(stored()).toBe(before)
    }),
    { numRuns: thorough(1500, 400) },
  )
  expect(refused).toBeGreaterThan(thorough(500, 130))
})

test('addresses with anything in them', async () => {
  const pieces = fc.array(
    fc.oneof(
      fc.constantFrom(
        'learners',
        'sessions',
        'attempts',
        'recalls',
        'settings',
        'pace',
        'days',
        uuid(1),
        '..',
        '%00',
      ),
      fc.string({ maxLength: 12 }).map(encodeURIComponent),
    ),
    { minLength: 1, maxLength: 4 },
  )
  const query = fc.dictionary(
    fc.constantFrom('technique', 'level', 'before', 'limit', 'x'),
    fc.string({ maxLength: 20 }),
  )
  const before = stored()
  await fc.assert(
    fc.asyncProperty(pieces, query, async (path, asked) => {
      const { status } = await send('GET', `/${path.join('/')}?${new URLSearchParams(asked)}`)
      expect(status).toBeLessThan(500)
    }),
    { numRuns: 500 },
  )
  expect(stored()).toBe(before)
})
