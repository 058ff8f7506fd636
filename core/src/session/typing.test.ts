/** What is typed and not yet confirmed. */
import fc from 'fast-check'
import { expect, test } from 'vitest'
import { readProblem } from '../problem/expression.js'
import { DECIMAL, ROMAN, SIGNED } from '../question/kind.js'
import { techniqueById } from '../registry/techniques.js'
import { MOST_WRONG } from './events.js'
import { beginTask, happen } from './reduce.js'
import { confirm, eraseKey, NOTHING_TYPED, type Typing, touched, typeKey, writtenBy } from './typing.js'

const typed = (keys: string, from: 'left' | 'right' = 'left', kind = SIGNED) =>
  [...keys].reduce((typing, key, i) => typeKey(typing, kind, key, 100 * i, from), NOTHING_TYPED)

const task = (expression: string) =>
  ({
    technique: techniqueById('add-running-total'),
    variant: {},
    level: 1,
    support: 'answer',
    problem: readProblem(expression),
  }) as const

test('from the right the units come first: the same number stands there in the end, sign and all', () => {
  fc.assert(
    fc.property(fc.integer({ min: 1, max: 10 ** 9 }), fc.boolean(), (n, below) => {
      const digits = String(n)
      const backwards = [...digits].reverse().join('')
      const text = below ? `-${digits}` : digits
      expect(typed(text).text).toBe(text)
      expect(typed(below ? `-${backwards}` : backwards, 'right').text).toBe(text)
    }),
  )
})

test('a key of no use changes nothing, not even the times; one the text cannot go on with is only a sign of life', () => {
  expect(typed('4x2').text).toBe('42')
  expect(typeKey(typed('4'), SIGNED, 'x', 9000)).toEqual(typed('4'))
  const twice = typeKey(typed('1.5', 'left', DECIMAL), DECIMAL, '.', 9000)
  expect(twice).toMatchObject({ text: '1.5', last: 9000 })
})

test('a comma is the point, a true minus the minus, a letter is taken large or small', () => {
  expect(typed('1,5').text).toBe('1.5')
  expect(typed('−7').text).toBe('-7')
  expect(writtenBy(ROMAN, 'x')).toBe(ROMAN.keys.find((k) => k.toLowerCase() === 'x'))
  expect(writtenBy(SIGNED, 'Enter')).toBeUndefined()
})

test('the last key typed is the first taken back, at either end; the sign goes with the last digit', () => {
  expect(eraseKey(typed('123'), 500).text).toBe('12')
  expect(eraseKey(typed('321', 'right'), 500, 'right').text).toBe('23')
  const one = eraseKey(typed('-12', 'right'), 500, 'right')
  expect(one.text).toBe('-1')
  expect(eraseKey(one, 600, 'right').text).toBe('-')
  expect(eraseKey(eraseKey(one, 600, 'right'), 700, 'right').text).toBe('')
})

test('first and last key and the longest pause between two: the time before the first is no pause', () => {
  const keys = (...at: number[]) =>
    at.reduce((typing: Typing, ms) => typeKey(typing, SIGNED, '1', ms), NOTHING_TYPED)
  expect(keys(900)).toMatchObject({ first: 900, last: 900, pause: 0 })
  expect(keys(900, 1000, 2500, 2600)).toMatchObject({ first: 900, last: 2600, pause: 1500 })
  // Beads and keys taken back are signs of life as well, to the whole millisecond.
  expect(touched(keys(900), 1400.4)).toMatchObject({ first: 900, last: 1400, pause: 500, text: '1' })
  expect(eraseKey(keys(900), 3000.6)).toMatchObject({ last: 3001, pause: 2101, text: '' })
})

test('Enter makes an event of what is typed, with its keys; nothing and half an answer are told', () => {
  const progress = beginTask(task('364+278'))
  const typing = [...'642'].reduce(
    (t: Typing, key, i) => typeKey(t, SIGNED, key, 800 + 300 * i),
    NOTHING_TYPED,
  )
  expect(confirm(progress, typing, 2000)).toEqual({
    event: { kind: 'entered', at: 2000, text: '642', first: 800, last: 1400, pause: 300 },
  })
  // A frame gives its value without a key.
  expect(confirm(progress, { ...NOTHING_TYPED, text: '642' }, 2000.4)).toEqual({
    event: { kind: 'entered', at: 2000, text: '642', first: 2000, last: 2000, pause: 0 },
  })
  expect(confirm(progress, NOTHING_TYPED, 2000)).toMatchObject({ notice: expect.stringMatching(/\w/) })
  expect(confirm(progress, { ...NOTHING_TYPED, text: '-' }, 2000)).toMatchObject({
    notice: expect.any(String),
  })
})

test('after very many wrong tries only what is right is taken; the rest is told, and stores nothing', () => {
  const tried = Array.from({ length: MOST_WRONG }).reduce(
    (progress: ReturnType<typeof beginTask>, _, i) =>
      happen(progress, { kind: 'entered', at: i, text: String(900 + (i % 7)) }),
    beginTask(task('364+278')),
  )
  const say = (text: string) => confirm(tried, { ...NOTHING_TYPED, text }, MOST_WRONG + 1)
  expect(say('905')).toMatchObject({ notice: expect.any(String) })
  expect(say('642')).toMatchObject({ event: { text: '642' } })
  const before = { ...tried, entries: tried.entries.slice(1) }
  expect(confirm(before, { ...NOTHING_TYPED, text: '905' }, MOST_WRONG + 1)).toMatchObject({
    event: { text: '905' },
  })
})

test('a point between three digits parts thousands where only that is right', () => {
  const text = (expression: string, entry: string) => {
    const result = confirm(beginTask(task(expression)), { ...NOTHING_TYPED, text: entry }, 10)
    return 'event' in result ? result.event.text : result.notice
  }
  expect(text('1200+34', '1.234')).toBe('1234')
  expect(text('1.2+0.034', '1.234')).toBe('1.234')
})
