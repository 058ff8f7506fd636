import { keyedEvents, stretchAfter } from '@tachymetra/core/session'
import { plainRecipe } from '@tachymetra/core/set'
import { expect, test, vi } from 'vitest'
import {
  keptDraft,
  keyedAttempts,
  keyedSession,
  keyedWords,
  letGoDraft,
  noteDraft,
  taskOf,
} from './keying.js'

const kept = new Map<string, string>()
vi.stubGlobal('sessionStorage', {
  getItem: (key: string) => kept.get(key) ?? null,
  setItem: (key: string, value: string) => kept.set(key, value),
  removeItem: (key: string) => kept.delete(key),
})

const LIST = [
  { technique: 'multiply-crosswise', level: 1, expression: '36*52' },
  { technique: 'add-running-total', level: 2, expression: '364+278' },
  { technique: 'grid', level: 0, expression: '12 34; 56 78' },
  { technique: 'add-running-total', level: 2, expression: '18+25' },
] as const

test('what is keyed in is kept in its tab, for one sheet and one learner, until it is let go', () => {
  noteDraft('AAAA-BBBB', 'l1', [{ text: '1872' }, undefined, { mark: 'right' }])
  expect(keptDraft('AAAA-BBBB', 'l1')).toEqual([{ text: '1872' }, undefined, { mark: 'right' }])
  expect(keptDraft('AAAA-BBBB', 'l2')).toBeUndefined()
  expect(keptDraft('AAAA-CCCC', 'l1')).toBeUndefined()
  letGoDraft('AAAA-BBBB', 'l1')
  expect(keptDraft('AAAA-BBBB', 'l1')).toBeUndefined()
  kept.set('tachymetra.keying.AAAA-BBBB.l1', '{not json')
  expect(keptDraft('AAAA-BBBB', 'l1')).toBeUndefined()
})

test('what was keyed in is told as people write it; nothing as a dash', () => {
  const task = taskOf(LIST[0])
  expect(keyedWords(task, undefined)).toBe('–')
  expect(keyedWords(task, { text: '1872' })).toBe('1\u2009872')
  expect(keyedWords(task, { mark: 'wrong' })).toBe('wrong')
})

/** What comes of handing in what was keyed in. */
const handedIn = (keyed: Parameters<typeof keyedAttempts>[2]) => {
  const recipe = { ...plainRecipe([{ kind: 'listed', problems: LIST }], 'answer'), extraTime: 2 }
  const session = keyedSession('l1', recipe)
  return keyedAttempts(session, LIST, keyed).reduce(
    (stretch, record) => stretchAfter(stretch, { kind: 'done', record }),
    session,
  )
}

test('a keyed sheet is a session of its own, untimed: what is left open before the last answer is skipped, the rest not there', () => {
  const session = handedIn([{ text: '1872' }, undefined, { mark: 'right' }, undefined])
  expect(session).toMatchObject({ learnerId: 'l1', ended: true })
  expect(session.recipe.extraTime).toBeUndefined()
  const [first, second, third, ...more] = session.attempts
  expect(more).toEqual([])
  expect([first, second, third].map((a) => [a!.record.n, a!.record.technique, a!.verdict.outcome])).toEqual([
    [1, 'multiply-crosswise', 'done'],
    [2, 'add-running-total', 'skipped'],
    [3, 'grid', 'done'],
  ])
  expect([first!.verdict.right, third!.verdict.right]).toEqual([true, true])
  expect([first!.verdict.timed, second!.verdict.timed]).toEqual([false, false])
  expect(session.attempts.every((a) => a.record.sessionId === session.id)).toBe(true)
  // In their order, though all of it is stored at once.
  const at = session.attempts.map((a) => a.record.startedAt)
  expect(at).toEqual([...at].sort())
  expect(new Set(at).size).toBe(3)
})

test('what is no answer of the kind asked hands in nothing, and says at which item', () => {
  expect('notice' in keyedEvents(taskOf(LIST[1]), { text: '4+' })).toBe(true)
  expect(() => handedIn([{ text: '1872' }, { text: '4+' }])).toThrow(/^Item 2: /)
})
