import 'fake-indexeddb/auto'
import { judgeRecall } from '@tachymetra/core/learner'
import {
  type AttemptRecord,
  JUDGE,
  judgeRecord,
  type RecallRecord,
  type StretchEvent,
} from '@tachymetra/core/session'
import { GENERATOR, itemsOf, listedItem, plainRecipe } from '@tachymetra/core/set'
import fc from 'fast-check'
import { openDB } from 'idb'
import { afterEach, expect, test, vi } from 'vitest'
import { endHere, leftSession, noteHere, noteLeaving, resumedNow } from './kept.js'
import { flush, handInHappened, startOutbox, throwAway, tryAgain } from './outbox.js'
import {
  forgetLearner,
  keepChange,
  keepHappened,
  keepParcels,
  keepSession,
  keptChange,
  keptSession,
  type LocalSession,
  parcels,
} from './store.js'

/** Just enough of a page to start the outbox in. */
vi.stubGlobal('window', new EventTarget())
/** Asked not to clear away what is not sent. */
const persist = vi.fn(async () => true)
vi.stubGlobal('navigator', { storage: { persist } })
vi.stubGlobal('document', Object.assign(new EventTarget(), { visibilityState: 'visible' }))

/** What a version before this one has left in the browser; made before anything here opens it. */
const OLDER = {
  id: '00000000-0000-4000-8000-0000000000a1',
  sittingId: '00000000-0000-4000-8000-0000000000a0',
  n: 1,
  technique: 'add-running-total',
  school: {},
  level: 1,
  support: 'answer',
  expression: '364+278',
  startedAt: '2026-03-10T10:00:00.000Z',
  entries: [
    { step: 0, value: '542', ms: 3000, by: 'learner' },
    { step: 0, value: '642', ms: 5000, by: 'learner' },
  ],
  hints: 0,
  outcome: 'done',
  thinkMs: 2000,
  keyMs: 3000,
  totalMs: 5000,
  idleMs: 2000,
}
const older = await openDB('tachymetra', 1, {
  upgrade(db) {
    db.createObjectStore('outbox', { autoIncrement: true })
    db.createObjectStore('sittings', { keyPath: 'id' })
  },
})
const { id: _, ...olderBody } = OLDER
await older.add('outbox', { path: `/attempts/${OLDER.id}`, body: olderBody, refused: 'old' })
const recall = { learnerId: 'l1', at: OLDER.startedAt }
await older.add('outbox', {
  path: '/recalls/r1',
  body: { ...recall, fact: '7x8', right: true, ms: 900, thinkMs: 700 },
})
await older.add('outbox', {
  path: '/recalls/r2',
  body: { ...recall, fact: '7x8', right: false, ms: 900, thinkMs: 700 },
})
await older.put('sittings', {
  id: OLDER.sittingId,
  learnerId: 'l1',
  technique: OLDER.technique,
  level: OLDER.level,
  planned: 5,
  startedAt: OLDER.startedAt,
  seed: 7,
  support: 'answer',
  attempts: [OLDER],
  ended: false,
})
older.close()

const SETTINGS = '/learners/l1/settings'
const uuid = (n: number) => `00000000-0000-4000-8000-${String(n).padStart(12, '0')}`
let made = 0

/** The same attempt as it is recorded now, but for what happened in it. */
const RECORD = (({ sittingId: _, school, entries: __, ...rest }) => ({ ...rest, variant: school }))(
  OLDER,
) as unknown as AttemptRecord

/** A server that keeps what it is sent: whole things by PUT, fields by PATCH. */
class Kept {
  readonly things = new Map<string, unknown>()
  readonly arrivals: string[] = []
  /** What goes wrong with the next requests: not reached, answer lost, or the server failing; nothing when used up. */
  faults: readonly ('lost' | 'unanswered' | 'failing' | 'signed-out' | 'none')[] = []
  /** Paths the server always fails at. */
  readonly broken = new Set<string>()
  /** Paths whose session, or learner, is not there. */
  readonly missing = new Set<string>()

  fetch = async (url: string, { method, body }: { method: string; body: string }): Promise<Response> => {
    const [fault = 'none', ...rest] = this.faults
    this.faults = rest
    if (fault === 'lost') throw new TypeError('Failed to fetch')
    const path = url.replace('/api', '')
    if (fault === 'failing' || this.broken.has(path)) return new Response('{}', { status: 503 })
    if (this.missing.has(path))
      return new Response(JSON.stringify({ code: 'not-found', detail: 'There is none.' }), { status: 404 })
    if (fault === 'signed-out') return new Response('{}', { status: 401 })
    const value = JSON.parse(body) as object
    if ('bad' in value) return new Response(JSON.stringify({ detail: 'This is bad.' }), { status: 422 })
    if (method === 'PUT' && !this.things.has(path)) this.arrivals.push(path)
    this.things.set(path, method === 'PATCH' ? { ...(this.things.get(path) as object), ...value } : value)
    if (fault === 'unanswered') throw new TypeError('Failed to fetch')
    return new Response('{}')
  }
}

function serve(): Kept {
  const kept = new Kept()
  vi.stubGlobal('fetch', kept.fetch)
  return kept
}

async function session(learnerId = 'l1'): Promise<LocalSession> {
  made += 1
  const started: LocalSession = {
    id: uuid(made),
    learnerId,
    startedAt: '2026-03-10T10:00:00.000Z',
    recipe: plainRecipe([{ kind: 'level', technique: 'add-pairs', level: 1, count: 5 }], 'answer'),
    seed: 1,
    generator: GENERATOR,
    attempts: [],
    ended: false,
  }
  await keepSession(started)
  return started
}

const done = (sessionId: string, n: number, more: object = {}) =>
  ({
    kind: 'done',
    record: { id: `${sessionId}-${n}`, sessionId, n, ...more },
    verdict: {},
  }) as unknown as StretchEvent
/** An attempt of a session is over. */
const worked = (of: LocalSession, n: number, more: object = {}) => keepHappened(of, done(of.id, n, more))
const open = (of: LocalSession, record: AttemptRecord) => keepHappened(of, { kind: 'worked', record })

/** Something that belongs to no session is kept to be sent. */
const keepRecall = (n: number, body: object = {}) => keepParcels([{ path: `/recalls/${uuid(n)}`, body }])

/** Sends until nothing is left to send but what was refused. */
async function sendAll(): Promise<void> {
  for (let i = 0; i < 100; i += 1) {
    await flush()
    if ((await parcels()).every(([, p]) => p.refused !== undefined)) return
  }
  throw new Error('The outbox does not get empty.')
}

test('what an older version has kept is gone on with: judged as it was, sent as the server takes it now', async () => {
  const kept = await parcels()
  expect(kept.map(([, p]) => p.refused)).toEqual([undefined, undefined, undefined])
  const [{ body }, right, wrong] = kept.map(([, p]) => p) as unknown as [
    { body: AttemptRecord },
    ...{ body: RecallRecord }[],
  ]
  const verdict = judgeRecord({ ...body, id: OLDER.id })
  expect(verdict).toMatchObject({
    judge: 1,
    right: false,
    totalMs: 5000,
    thinkMs: 2000,
    keyMs: 3000,
    hints: 0,
  })
  expect(judgeRecall(right!.body)).toMatchObject({ right: true, ms: 900, thinkMs: 720 })
  expect(judgeRecall(wrong!.body)).toMatchObject({ right: false, ms: 900 })
  const session = (await keptSession(OLDER.sittingId))!
  expect(session.attempts).toEqual([{ record: { ...body, id: OLDER.id }, verdict }])
  // What is still to come of it is drawn from the seed it was begun with.
  expect(session).toMatchObject({ seed: 7, recipe: { support: 'answer', sources: [{ level: 1, count: 5 }] } })
  expect(itemsOf(session).map((item) => item && listedItem(item)!.level)).toEqual([1, 1, 1, 1, 1])
})

test('an attempt left open is there again, and sent as stopped when its session is let go', async () => {
  const server = serve()
  const begun = await session()
  const { id } = begun
  const record: AttemptRecord = {
    ...RECORD,
    id: uuid(700),
    sessionId: id,
    support: 'answer',
    judge: JUDGE,
    events: [
      { kind: 'shown', at: 0, text: 'answer' },
      { kind: 'entered', at: 3000, text: '542' },
    ],
  }
  await open(begun, record)
  expect((await keptSession(id))!.open).toEqual(record)
  made += 1
  await keepSession({ ...begun, id: uuid(made), startedAt: '2026-03-18T10:00:00.000Z' })
  await sendAll()
  expect(server.arrivals).toEqual([`/sessions/${id}`, `/attempts/${record.id}`])
  expect(server.things.get(`/attempts/${record.id}`)).toMatchObject({
    events: [{}, {}, { kind: 'stopped', at: 3000 }],
  })
  expect(await keptSession(id)).toBeUndefined()
})

/** What a page writes at once, in memory. */
function storages(): Record<'localStorage' | 'sessionStorage', Map<string, string>> {
  const made = { localStorage: new Map<string, string>(), sessionStorage: new Map<string, string>() }
  for (const [name, kept] of Object.entries(made))
    vi.stubGlobal(name, {
      getItem: (key: string) => kept.get(key) ?? null,
      setItem: (key: string, value: string) => kept.set(key, value),
      removeItem: (key: string) => kept.delete(key),
    })
  return made
}

const SHOWN = { kind: 'shown', at: 0, text: 'answer' } as const
const WRONG = { kind: 'entered', at: 3000, text: '542' } as const
const RIGHT = { kind: 'entered', at: 5000, text: '642' } as const

test('what the page could not write any more when it went is there again: gone on with, or kept when it was over', async () => {
  const server = serve()
  storages()
  const begun = await session()
  const { id } = begun
  const startedAt = new Date(Date.now() - 4000).toISOString()
  const record: AttemptRecord = {
    ...RECORD,
    sessionId: id,
    judge: JUDGE,
    id: uuid(710),
    startedAt,
    events: [SHOWN, WRONG],
  }
  expect((await leftSession(id))!.open).toBeUndefined()
  noteLeaving(begun, record, record)
  expect((await leftSession(id))!.open).toEqual(record)
  // How long the page was gone is told, of this attempt alone.
  expect(resumedNow(record).events.slice(2)).toMatchObject([{ kind: 'left' }, { kind: 'back' }])
  expect(resumedNow({ ...record, id: uuid(711) }).events).toHaveLength(2)
  // What was kept later is not undone by what was left before.
  const hint = { kind: 'hint', at: 4000 } as const
  await open(begun, { ...record, events: [SHOWN, WRONG, hint] })
  expect((await leftSession(id))!.open!.events).toHaveLength(3)
  noteLeaving(begun, record, { ...record, events: [SHOWN, WRONG, hint, RIGHT] })
  const found = (await leftSession(id))!
  expect(found.open).toBeUndefined()
  expect(found.attempts).toMatchObject([
    { record: { id: record.id }, verdict: { outcome: 'done', right: false } },
  ])
  expect((await leftSession(id))!.attempts).toHaveLength(1)
  await sendAll()
  expect(server.arrivals).toEqual([`/sessions/${id}`, `/attempts/${record.id}`])
})

test('on a page of its own nothing is kept before the first entry; left in the middle it is ended by the next page, once', async () => {
  const server = serve()
  const { sessionStorage } = storages()
  const own: LocalSession = { ...(await session()), id: uuid(719), ended: true }
  const record: AttemptRecord = {
    ...RECORD,
    sessionId: own.id,
    judge: JUDGE,
    id: uuid(720),
    events: [SHOWN, WRONG],
  }
  expect(await leftSession(own.id)).toBeUndefined()
  noteHere(own)
  // The page has gone before the browser could write it.
  noteLeaving(own, record, record)
  await endHere()
  await endHere()
  await sendAll()
  expect(server.arrivals).toEqual([`/sessions/${own.id}`, `/attempts/${record.id}`])
  expect((await keptSession(own.id))!.attempts).toMatchObject([{ verdict: { outcome: 'stopped' } }])
  // As the version before noted it.
  const older = { ...record, id: uuid(721), sessionId: uuid(722) }
  const { learnerId, startedAt, recipe, seed, generator } = own
  const start = { learnerId, startedAt, recipe, seed, generator }
  sessionStorage.set('tachymetra.visited', JSON.stringify({ start, record: older }))
  await endHere()
  await sendAll()
  expect(server.arrivals.slice(2)).toEqual([`/sessions/${uuid(722)}`, `/attempts/${uuid(721)}`])
  const over = { ...record, id: uuid(723), sessionId: uuid(724), events: [SHOWN, WRONG, RIGHT] }
  sessionStorage.set('tachymetra.visited', JSON.stringify({ start, record: over }))
  await endHere()
  await sendAll()
  expect(server.arrivals.slice(4)).toEqual([`/sessions/${uuid(724)}`, `/attempts/${uuid(723)}`])
})

test('one the server always fails at does not hold up those behind it; the attempts of its session wait', async () => {
  const server = serve()
  const [one, other] = [await session(), await session()]
  server.broken.add(`/sessions/${one.id}`)
  await worked(one, 1)
  await worked(other, 1)
  for (let i = 0; i < 5; i += 1) await flush()
  expect(server.arrivals).toEqual([`/sessions/${other.id}`, `/attempts/${other.id}-1`])
  server.broken.clear()
  await sendAll()
  expect(server.arrivals.slice(2)).toEqual([`/sessions/${one.id}`, `/attempts/${one.id}-1`])
})

test('a session the server does not know is announced again; without its learner it is kept apart, tried again or thrown away', async () => {
  const server = serve()
  const begun = await session()
  const { id } = begun
  await worked(begun, 1)
  await sendAll()
  // Put back from a backup of before.
  server.missing.add(`/attempts/${id}-2`)
  server.things.delete(`/sessions/${id}`)
  await worked(begun, 2)
  await flush()
  expect(server.things.has(`/sessions/${id}`)).toBe(true)
  server.missing.clear()
  await sendAll()
  expect(server.arrivals.at(-1)).toBe(`/attempts/${id}-2`)
  expect(persist).toHaveBeenCalledTimes(1)
  const gone = uuid(900)
  const orphan = { ...begun, id: gone }
  for (const path of [`/sessions/${gone}`, `/attempts/${gone}-1`]) server.missing.add(path)
  await worked(orphan, 1)
  await sendAll()
  expect((await parcels()).map(([, p]) => p.refused)).toEqual(['There is none.', 'There is none.'])
  await tryAgain()
  expect((await parcels()).map(([, p]) => p.refused)).toEqual(['There is none.', 'There is none.'])
  server.missing.clear()
  await tryAgain()
  expect(await parcels()).toEqual([])
  for (const path of [`/sessions/${gone}`, `/attempts/${gone}-2`]) server.missing.add(path)
  await worked(orphan, 2)
  await sendAll()
  await throwAway()
  expect(await parcels()).toEqual([])
  expect(server.arrivals).not.toContain(`/attempts/${gone}-2`)
})

test('where the browser stores nothing it is sent at once, and it is said when that cannot be either; cleared away under an open page, the session is announced again', async () => {
  const server = serve()
  const begun = await session()
  const { id } = begun
  const one = (n: number) => handInHappened(begun, done(id, n))
  const full = vi.spyOn(IDBObjectStore.prototype, 'add').mockImplementation(() => {
    throw new DOMException('There is no room.', 'QuotaExceededError')
  })
  await one(1)
  expect(server.arrivals).toEqual([`/sessions/${id}`, `/attempts/${id}-1`])
  server.faults = ['lost']
  await expect(one(2)).rejects.toThrow('refuses to store it, and it could not be sent')
  full.mockRestore()
  expect(await parcels()).toEqual([])
  // What was cleared away is there again with what comes next, whose session the server may not know.
  server.things.clear()
  const db = await openDB('tachymetra')
  await db.clear('sessions')
  db.close()
  await one(3)
  await sendAll()
  expect([...server.things.keys()]).toEqual([`/sessions/${id}`, `/attempts/${id}-3`])
  expect((await keptSession(id))!.attempts.map((a) => a.record.n)).toEqual([3])
})

afterEach(async () => {
  serve()
  await sendAll()
  await forgetLearner('l1')
})

test('whatever goes wrong on the way, everything arrives, once, attempts after their session, and the latest change of each field holds', async () => {
  const action = fc.oneof(
    { weight: 3, arbitrary: fc.constant({ do: 'attempt' as const }) },
    { weight: 1, arbitrary: fc.constant({ do: 'session' as const }) },
    { weight: 1, arbitrary: fc.constant({ do: 'recall' as const }) },
    {
      weight: 2,
      arbitrary: fc.record({
        do: fc.constant('change' as const),
        field: fc.constantFrom('minutes', 'at', 'fades'),
        to: fc.nat(99),
      }),
    },
    { weight: 2, arbitrary: fc.constant({ do: 'flush' as const }) },
  )
  const faults = fc.array(fc.constantFrom('lost', 'unanswered', 'failing', 'signed-out', 'none'), {
    maxLength: 12,
  })
  await fc.assert(
    fc.asyncProperty(fc.array(action, { maxLength: 25 }), faults, async (actions, wrong) => {
      const server = serve()
      server.faults = wrong
      const expected: string[] = []
      const fields: Record<string, number> = {}
      let at = await session()
      let n = 0
      for (const a of actions) {
        if (a.do === 'session') [at, n] = [await session(), 0]
        else if (a.do === 'attempt') {
          if (n === 0) expected.push(`/sessions/${at.id}`)
          n += 1
          expected.push(`/attempts/${at.id}-${n}`)
          await worked(at, n)
        } else if (a.do === 'recall') {
          made += 1
          expected.push(`/recalls/${uuid(made)}`)
          await keepRecall(made)
        } else if (a.do === 'change') {
          fields[a.field] = a.to
          await keepChange(SETTINGS, { [a.field]: a.to })
        } else void flush()
      }
      await sendAll()
      expect([...server.arrivals].sort()).toEqual([...expected].sort())
      // Of one session all come in the order they were made, unless one was failed at three times.
      const perSession = (paths: readonly string[]) =>
        paths
          .filter((p) => p.startsWith('/attempts/'))
          .toSorted((a, b) =>
            a.slice(10, 46) < b.slice(10, 46) ? -1 : a.slice(10, 46) > b.slice(10, 46) ? 1 : 0,
          )
      if (wrong.filter((f) => f === 'failing' || f === 'signed-out').length < 3)
        expect(perSession(server.arrivals)).toEqual(perSession(expected))
      for (const [i, path] of server.arrivals.entries())
        if (path.startsWith('/attempts/'))
          expect(server.arrivals.indexOf(`/sessions/${path.slice(10, 46)}`)).toBeLessThan(i)
      expect(server.things.get(SETTINGS) ?? {}).toEqual(fields)
      expect(await keptChange(SETTINGS)).toEqual({})
    }),
    { numRuns: 60 },
  )
})

test('what the server refuses is kept apart with its reason and holds nothing up', async () => {
  const server = serve()
  const begun = await session()
  const { id } = begun
  await worked(begun, 1, { bad: true })
  await worked(begun, 2)
  await keepChange(SETTINGS, { bad: 1 })
  await sendAll()
  expect(server.arrivals).toEqual([`/sessions/${id}`, `/attempts/${id}-2`])
  expect((await parcels()).map(([, p]) => p.refused)).toEqual(['This is bad.', 'This is bad.'])
  // What was refused is not laid over what the server has, nor sent again with the next change.
  expect(await keptChange(SETTINGS)).toEqual({})
  await keepChange(SETTINGS, { minutes: 6 })
  await sendAll()
  expect(server.things.get(SETTINGS)).toEqual({ minutes: 6 })
})

test('a learner removed takes along what was still to be sent, and nobody else’s', async () => {
  const server = serve()
  server.faults = Array(20).fill('lost')
  const [theirs, other] = [await session('l1'), await session('l2')]
  for (const of of [theirs, other]) await worked(of, 1)
  await keepChange(SETTINGS, { minutes: 6 })
  await keepRecall(900, { learnerId: 'l1' })
  await forgetLearner('l1')
  expect(await keptSession(theirs.id)).toBeUndefined()
  expect((await keptSession(other.id))!.attempts).toHaveLength(1)
  server.faults = []
  await sendAll()
  expect(server.arrivals).toEqual([`/sessions/${other.id}`, `/attempts/${other.id}-1`])
})

test('what is left from earlier is sent at the start and when the network is back; who follows is told', async () => {
  const server = serve()
  server.faults = ['lost']
  const sent = vi.fn()
  await keepRecall(901)
  startOutbox(sent)
  await flush()
  window.dispatchEvent(new Event('online'))
  await flush()
  expect(server.arrivals).toEqual([`/recalls/${uuid(901)}`])
  expect(sent).toHaveBeenCalled()
})

test('who sends while sending is under way waits until what was kept meanwhile is sent too', async () => {
  const server = serve()
  await keepRecall(902)
  const under = flush()
  await keepRecall(903)
  await flush()
  expect(server.arrivals).toEqual([`/recalls/${uuid(902)}`, `/recalls/${uuid(903)}`])
  await under
})

test('a round of facts is announced with its first recall; a fact asked again after a miss is not sent once more', async () => {
  const server = serve()
  const round = await session('l1')
  const recalled = (made: number, n: number, known: boolean) =>
    ({
      kind: 'recalled',
      recall: { id: uuid(made), learnerId: 'l1', sessionId: round.id, n },
      right: known,
      known,
    }) as unknown as StretchEvent
  for (const event of [recalled(1, 1, false), recalled(2, 2, true), recalled(3, 1, true)])
    await handInHappened((await keptSession(round.id))!, event)
  await sendAll()
  expect(server.arrivals).toEqual([`/sessions/${round.id}`, `/recalls/${uuid(1)}`, `/recalls/${uuid(2)}`])
  expect((await keptSession(round.id))!.recalls).toHaveLength(3)
})
