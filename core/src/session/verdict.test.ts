/** What an attempt comes to: its figures, at their bounds. */
import { expect, test } from 'vitest'
import { readProblem } from '../problem/expression.js'
import { techniqueById } from '../registry/techniques.js'
import type { AttemptEvent } from './events.js'
import { keyedEvents } from './keyed.js'
import { JUDGE } from './progress.js'
import { type AttemptRecord, MOST_MS } from './record.js'
import { againWords } from './remarks.js'
import { IDLE_MS, judgeRecord, progressOf } from './verdict.js'

const attempt = (events: readonly AttemptEvent[], more: Partial<AttemptRecord> = {}): AttemptRecord => ({
  id: '00000000-0000-4000-8000-000000000001',
  sessionId: '00000000-0000-4000-8000-00000000000a',
  n: 1,
  technique: 'add-running-total',
  variant: {},
  level: 1,
  support: 'answer',
  expression: '364+278',
  startedAt: '2026-11-20T15:00:00.000Z',
  judge: JUDGE,
  events: [{ kind: 'shown', at: 0, text: more.support ?? 'answer' }, ...events],
  ...more,
})
const entered = (at: number, text: string): AttemptEvent => ({
  kind: 'entered',
  at,
  text,
  first: at,
  last: at,
  pause: 0,
})

test('a time counts where no pause was longer than a minute, to the millisecond', () => {
  const after = (ms: number) => judgeRecord(attempt([entered(ms, '642')]))
  expect(after(IDLE_MS)).toMatchObject({ right: true, timed: true, idleMs: IDLE_MS, totalMs: IDLE_MS })
  expect(after(IDLE_MS + 1)).toMatchObject({ right: true, timed: false, idleMs: IDLE_MS + 1 })
  // The page gone for longer is a pause as well.
  const gone = [
    { kind: 'left', at: 1000 },
    { kind: 'back', at: 1000 + IDLE_MS + 1 },
  ] as const
  expect(judgeRecord(attempt([...gone, entered(70_000, '642')])).timed).toBe(false)
})

test('no time is longer than a day', () => {
  expect(judgeRecord(attempt([entered(MOST_MS, '642')])).totalMs).toBe(MOST_MS)
  const { totalMs, idleMs, thinkMs } = judgeRecord(attempt([entered(5 * MOST_MS, '642')]))
  expect([totalMs, idleMs, thinkMs]).toEqual([MOST_MS, MOST_MS, MOST_MS])
})

test('right is the first answer; clean is that without a hint and without a value shown', () => {
  const judged = (...events: AttemptEvent[]) => {
    const { right, clean, outcome } = judgeRecord(attempt(events))
    return [right, clean, outcome]
  }
  expect(judged(entered(900, '642'))).toEqual([true, true, 'done'])
  expect(judged(entered(900, '542'), entered(1800, '642'))).toEqual([false, false, 'done'])
  expect(judged({ kind: 'hint', at: 500 }, entered(900, '642'))).toEqual([true, false, 'done'])
  expect(judged({ kind: 'given', at: 900 })).toEqual([false, false, 'done'])
  expect(judged(entered(900, '542'), { kind: 'stopped', at: 1000 })).toEqual([false, false, 'stopped'])
  expect(judged({ kind: 'skipped', at: 1000 })).toEqual([false, false, 'skipped'])
  expect(() => judgeRecord(attempt([]))).toThrow('no end')
})

test('thinking is the time to the first key, keying the time from there to the last', () => {
  const keys: AttemptEvent = { kind: 'entered', at: 4000, text: '642', first: 2500, last: 3600, pause: 700 }
  expect(judgeRecord(attempt([keys]))).toMatchObject({ thinkMs: 2500, keyMs: 1100, totalMs: 4000 })
  // Without a key all of it is thinking.
  expect(judgeRecord(attempt([{ kind: 'given', at: 4000 }]))).toMatchObject({ thinkMs: 4000, keyMs: 0 })
})

test('said again is what was said before and stands for no more; another value is a mistake of its own', () => {
  const steps = (...texts: string[]) =>
    progressOf(
      attempt(
        texts.map((text, i) => entered(900 * (i + 1), text)),
        { support: 'guided', technique: 'multiply-crosswise', expression: '36*52' },
      ),
    )
  // 36 times 52: 12 for the units, of which 2 is written; then 6 and 30 belong to the tens, each once.
  const verdicts = steps('12', '2', '30', '30', '31').entries.map((e) => e.verdict)
  expect(verdicts.slice(0, 3)).toEqual(['right', 'right', 'so-far'])
  expect(againWords(steps('12', '2', '30'))).toBeUndefined()
  expect(againWords(steps('12', '2', '30', '30'))).toContain('30')
  expect(againWords(steps('12', '2', '30', '31'))).toBeUndefined()
})

test('what is keyed in from paper is an attempt: an answer, a mark alone, or nothing', () => {
  const task = {
    technique: techniqueById('add-running-total'),
    variant: {},
    level: 1,
    support: 'answer',
    problem: readProblem('364+278'),
  } as const
  const judged = (keyed: Parameters<typeof keyedEvents>[1]) => {
    const read = keyedEvents(task, keyed)
    if ('notice' in read) return read.notice
    const { outcome, right, timed } = judgeRecord(attempt(read.events, { events: read.events }))
    return [outcome, right, timed]
  }
  expect(judged({ text: '642' })).toEqual(['done', true, false])
  expect(judged({ text: '542' })).toEqual(['done', false, false])
  expect(judged({ mark: 'right' })).toEqual(['done', true, false])
  expect(judged({ mark: 'wrong' })).toEqual(['done', false, false])
  expect(judged(undefined)).toEqual(['skipped', false, false])
  expect(judged({ text: '-' })).toMatch(/\w/)
})
