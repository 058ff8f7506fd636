import 'fake-indexeddb/auto'
import type { AttemptRecord } from '@tachymetra/core'
import fc from 'fast-check'
import { afterEach, expect, test, vi } from 'vitest'
import { flush, startOutbox } from './outbox.js'
import {
  forgetLearner,
  keepAttempt,
  keepChange,
  keepRecall,
  keepSitting,
  keptChange,
  keptSitting,
  type LocalSitting,
  parcels,
} from './store.js'

/** Just enough of a page to start the outbox in. */
vi.stubGlobal('window', new EventTarget())
vi.stubGlobal('document', Object.assign(new EventTarget(), { visibilityState: 'visible' }))

const SETTINGS = '/learners/l1/settings'
const uuid = (n: number) => `00000000-0000-4000-8000-${String(n).padStart(12, '0')}`
let made = 0

/** A server that keeps what it is sent: whole things by PUT, fields by PATCH. */
class Kept {
  readonly things = new Map<string, unknown>()
  readonly arrivals: string[] = []
  /** What goes wrong with the next requests: not reached, answer lost, or the server failing; nothing when used up. */
  faults: readonly ('lost' | 'unanswered' | 'failing' | 'none')[] = []

  fetch = async (url: string, { method, body }: { method: string; body: string }): Promise<Response> => {
    const [fault = 'none', ...rest] = this.faults
    this.faults = rest
    if (fault === 'lost') throw new TypeError('Failed to fetch')
    if (fault === 'failing') return new Response('{}', { status: 503 })
    const path = url.replace('/api', '')
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

async function sitting(learnerId = 'l1'): Promise<LocalSitting> {
  made += 1
  const started: LocalSitting = {
    id: uuid(made),
    seed: 1,
    learnerId,
    technique: 'add-pairs',
    level: 1,
    planned: 5,
    startedAt: '2026-03-10T10:00:00.000Z',
    support: 'answer',
    attempts: [],
    ended: false,
  }
  await keepSitting(started)
  return started
}

const attempt = (sittingId: string, n: number) =>
  ({ id: `${sittingId}-${n}`, sittingId, n }) as unknown as AttemptRecord

/** Sends until nothing is left to send but what was refused. */
async function sendAll(): Promise<void> {
  for (let i = 0; i < 100; i += 1) {
    await flush()
    if ((await parcels()).every(([, p]) => p.refused !== undefined)) return
  }
  throw new Error('The outbox does not get empty.')
}

afterEach(async () => {
  serve()
  await sendAll()
  await forgetLearner('l1')
})

test('whatever goes wrong on the way, everything arrives, in order, once, and the latest change of each field holds', async () => {
  const action = fc.oneof(
    { weight: 3, arbitrary: fc.constant({ do: 'attempt' as const }) },
    { weight: 1, arbitrary: fc.constant({ do: 'sitting' as const }) },
    { weight: 1, arbitrary: fc.constant({ do: 'recall' as const }) },
    {
      weight: 2,
      arbitrary: fc.record({
        do: fc.constant('change' as const),
        field: fc.constantFrom('minutes', 'at', 'fade'),
        to: fc.nat(99),
      }),
    },
    { weight: 2, arbitrary: fc.constant({ do: 'flush' as const }) },
  )
  const faults = fc.array(fc.constantFrom('lost', 'unanswered', 'failing', 'none'), { maxLength: 12 })
  await fc.assert(
    fc.asyncProperty(fc.array(action, { maxLength: 25 }), faults, async (actions, wrong) => {
      const server = serve()
      server.faults = wrong
      const expected: string[] = []
      const fields: Record<string, number> = {}
      let at = await sitting()
      let n = 0
      for (const a of actions) {
        if (a.do === 'sitting') [at, n] = [await sitting(), 0]
        else if (a.do === 'attempt') {
          if (n === 0) expected.push(`/sittings/${at.id}`)
          n += 1
          expected.push(`/attempts/${at.id}-${n}`)
          await keepAttempt(attempt(at.id, n))
        } else if (a.do === 'recall') {
          made += 1
          expected.push(`/recalls/${uuid(made)}`)
          await keepRecall({ id: uuid(made) } as Parameters<typeof keepRecall>[0])
        } else if (a.do === 'change') {
          fields[a.field] = a.to
          await keepChange(SETTINGS, { [a.field]: a.to })
        } else void flush()
      }
      await sendAll()
      expect(server.arrivals).toEqual(expected)
      expect(server.things.get(SETTINGS) ?? {}).toEqual(fields)
      expect(await keptChange(SETTINGS)).toEqual({})
    }),
    { numRuns: 60 },
  )
})

test('what the server refuses is kept apart with its reason and holds nothing up', async () => {
  const server = serve()
  const { id } = await sitting()
  await keepAttempt({ ...attempt(id, 1), bad: true } as unknown as AttemptRecord)
  await keepAttempt(attempt(id, 2))
  await keepChange(SETTINGS, { bad: 1 })
  await sendAll()
  expect(server.arrivals).toEqual([`/sittings/${id}`, `/attempts/${id}-2`])
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
  const [theirs, other] = [await sitting('l1'), await sitting('l2')]
  for (const { id } of [theirs, other]) await keepAttempt(attempt(id, 1))
  await keepChange(SETTINGS, { minutes: 6 })
  await keepRecall({ id: uuid(900), learnerId: 'l1' } as Parameters<typeof keepRecall>[0])
  await forgetLearner('l1')
  expect(await keptSitting(theirs.id)).toBeUndefined()
  expect((await keptSitting(other.id))!.attempts).toHaveLength(1)
  server.faults = []
  await sendAll()
  expect(server.arrivals).toEqual([`/sittings/${other.id}`, `/attempts/${other.id}-1`])
})

test('what is left from earlier is sent at the start and when the network is back; who follows is told', async () => {
  const server = serve()
  server.faults = ['lost']
  const sent = vi.fn()
  await keepRecall({ id: uuid(901) } as Parameters<typeof keepRecall>[0])
  startOutbox(sent)
  await flush()
  window.dispatchEvent(new Event('online'))
  await flush()
  expect(server.arrivals).toEqual([`/recalls/${uuid(901)}`])
  expect(sent).toHaveBeenCalled()
})
