import { isItem, itemsOf } from '@tachymetra/core/set'
import { expect, test } from 'vitest'
import { upgradedParcel, upgradedSession } from './older.js'

const VERSION = 2
const record = {
  id: 'a1',
  sittingId: 's1',
  n: 1,
  technique: 'add-running-total',
  school: { start: 'first-whole' },
  level: 1,
  support: 'answer',
  expression: '23+6',
  startedAt: '2026-11-20T10:00:00.000Z',
  judge: 2,
  events: [{ kind: 'entered', at: 900, text: '29' }],
}
const { sittingId: _, school, ...rest } = record
const now = { ...rest, sessionId: 's1', variant: school }
const sitting = {
  id: 's1',
  learnerId: 'l1',
  technique: 'add-running-total',
  level: 1,
  planned: 4,
  startedAt: record.startedAt,
  seed: 5,
  support: 'guided',
  school,
  attempts: [{ record, verdict: { right: true } }],
  open: { ...record, id: 'a2', n: 2 },
  ended: false,
}

test('a sitting goes on as a session: the same problems from its seed, what was done and what is open with it', () => {
  const session = upgradedSession(sitting, VERSION)
  expect(session).toMatchObject({
    id: 's1',
    learnerId: 'l1',
    seed: 5,
    recipe: {
      support: 'guided',
      sources: [{ kind: 'level', technique: 'add-running-total', level: 1, count: 4 }],
    },
    variants: { 'add-running-total': school },
    attempts: [{ record: now, verdict: { right: true } }],
    open: { ...now, id: 'a2', n: 2 },
    ended: false,
  })
  const own = upgradedSession({ ...sitting, level: 0, dials: { terms: 3, digits: 1 } }, VERSION)
  expect(own.recipe.sources).toEqual([
    { kind: 'parameters', technique: 'add-running-total', values: { terms: 3, digits: 1 }, count: 4 },
  ])
  expect(isItem(itemsOf(own), 1, { technique: 'add-running-total', level: 0, expression: '23+6' })).toBe(
    false,
  )
})

test('what was still to be sent is sent as it is taken now', () => {
  const upgraded = (path: string, body: unknown, more: object = {}) =>
    upgradedParcel({ path, body, ...more }, VERSION)
  expect(upgraded('/attempts/a1', record)).toEqual({ path: '/attempts/a1', body: now })
  const start = { learnerId: 'l1', technique: 'add-pairs', level: 1, planned: 5, startedAt: record.startedAt }
  expect(upgraded('/sittings/s1', start)).toMatchObject({
    path: '/sessions/s1',
    body: { learnerId: 'l1', startedAt: record.startedAt, generator: 0, seed: 0 },
  })
  const change = { schools: { 'add-pairs': { order: 'any' } }, fade: { level: 'ghosts', run: 1 }, minutes: 6 }
  const settings = upgraded('/learners/l1/settings', change, { method: 'PATCH' })
  expect(settings).toMatchObject({
    method: 'PATCH',
    body: { variants: change.schools, minutes: 6, fades: { 'soroban-add': { 1: change.fade } } },
  })
  expect(settings.body).not.toHaveProperty('schools')
  expect(settings.body).not.toHaveProperty('fade')
  // What is as it was stays refused; what had another form is tried once more.
  const recall = { fact: '7x8', events: [] }
  expect(upgraded('/recalls/r1', recall, { refused: 'no' })).toEqual({
    path: '/recalls/r1',
    body: recall,
    refused: 'no',
  })
  expect(upgraded('/attempts/a1', record, { refused: 'no' })).toEqual({ path: '/attempts/a1', body: now })
})
