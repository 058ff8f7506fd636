import { expect, test } from 'vitest'
import { marked } from '../number/marks.js'
import { inTwoWays, twoWaysOf, twoWaysVerdict } from './twoWays.js'

const WAYS = ['multiply-crosswise', 'multiply-near-base'] as const

test('every problem by both ways, as often first by the one as by the other', () => {
  const list = inTwoWays(['96*93', '97*98', '94*99', '92*91'], WAYS)
  expect(list.map((p) => `${p.expression} ${p.technique.slice(9)}`)).toEqual([
    '96*93 crosswise',
    '97*98 near-base',
    '94*99 crosswise',
    '92*91 near-base',
    '96*93 near-base',
    '97*98 crosswise',
    '94*99 near-base',
    '92*91 crosswise',
  ])
  expect(twoWaysOf(list)).toEqual(WAYS)
  expect(twoWaysOf(list.slice(1))).toBe(undefined)
  expect(twoWaysOf([...list, null])).toBe(undefined)
  expect(twoWaysOf(list.filter((p) => p.technique === WAYS[0]))).toBe(undefined)
})

test('the verdict from the times of right answers', () => {
  const answers = (technique: string, ms: readonly number[], wrong = 0) => [
    ...ms.map((totalMs) => ({ technique, right: true, timed: true, totalMs })),
    ...Array.from({ length: wrong }, () => ({ technique, right: false, timed: true, totalMs: 100 })),
  ]
  const says = (a: readonly number[], b: readonly number[], wrong = 0) =>
    twoWaysVerdict(WAYS, [...answers(WAYS[0], a), ...answers(WAYS[1], b, wrong)]).says
  expect(says([6000, 7000, 8000], [3000, 4000, 9000])).toBe(
    marked('On these problems Near a base is quicker for you: 4.0 s, where Crosswise takes 7.0 s.'),
  )
  expect(says([6000, 7000, 8000, 7000], [3000, 4000, 5000], 1)).toBe(
    marked(
      'On these problems Near a base is quicker for you: 4.0 s, where Crosswise takes 7.0 s. But it was right only 3 of 4 times, Crosswise 4 of 4.',
    ),
  )
  // Within a tenth.
  expect(says([4000, 4000, 4000], [4300, 4300, 4300])).toContain(
    marked('Too close to call: Crosswise 4.0 s, Near a base 4.3 s.'),
  )
  expect(says([4000, 4000, 4000], [4400, 4400, 4400])).toContain('Crosswise is quicker')
  expect(says([4000, 4000], [3000, 3000, 3000])).toContain('Too few right answers')
  expect(twoWaysVerdict(WAYS, answers(WAYS[0], [4000], 2)).ways.map((w) => [w.right, w.of, w.ms])).toEqual([
    [1, 3, 4000],
    [0, 0, undefined],
  ])
})
