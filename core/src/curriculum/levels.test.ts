import { expect, test } from 'vitest'
import { levelReasonWords } from '../words/levels.js'
import { adviseLevel, aimOf, type LatestAnswer } from './levels.js'

/** Newest first: r right in time, s right but slow, w wrong, i right but left alone (not timed). */
const answers = (marks: string): LatestAnswer[] =>
  [...marks].map((m) => ({ right: m !== 'w', timed: m !== 'i', totalMs: m === 's' ? 9000 : 3000 }))

test.each([
  [
    'r'.repeat(20),
    'up',
    'Of the last 20 answers 20 were right, the median 3.0 s: both within the target of 5.0 s.',
  ],
  [`w${'r'.repeat(19)}`, 'up', '19 were right'],
  [`ww${'r'.repeat(18)}`, 'hold', 'to move up: 19 right.'],
  ['s'.repeat(20), 'hold', 'the median 9.0 s; to move up: a median within 5.0 s.'],
  [`ww${'s'.repeat(18)}`, 'hold', '19 right and a median within 5.0 s'],
  ['i'.repeat(20), 'hold', 'not timed'],
  ['r'.repeat(19), 'hold', '19 of 20 answers'],
  // What lies further back does not count: the last twenty, and the last ten.
  [`${'r'.repeat(20)}${'w'.repeat(30)}`, 'up', '20 were right'],
  [`wwww${'r'.repeat(6)}`, 'back', 'Of the last 10 answers 6 were right, fewer than 7'],
  [`www${'r'.repeat(7)}`, 'hold', '10 of 20'],
  ['wwwwrrrrr', 'hold', '9 of 20'],
] as const)('%s: %s', (marks, move, because) => {
  const advice = adviseLevel(answers(marks), 5000)
  expect(advice.move).toBe(move)
  expect(levelReasonWords(advice.reason)).toContain(because)
  expect(levelReasonWords(advice.reason, true)).not.toMatch(/ s\b|\d\.\d/)
})

test('without a time limit right answers alone move up, and nothing is said of time', () => {
  const advised = (marks: string) => {
    const { move, reason } = adviseLevel(answers(marks), undefined)
    return [move, levelReasonWords(reason)]
  }
  expect(advised('s'.repeat(20))).toEqual(['up', 'Of the last 20 answers 20 were right.'])
  expect(advised('i'.repeat(20))[0]).toBe('up')
  expect(advised(`ww${'r'.repeat(18)}`)).toEqual([
    'hold',
    'Of the last 20 answers 18 were right; to move up: 19 right.',
  ])
  expect(advised('rrr')).toEqual(['hold', '3 of 20 answers at this level: 19 right move up.'])
  expect(advised('w'.repeat(10))[0]).toBe('back')
  // Neither the usual target nor one of the learner's own holds.
  const targets = { 'add-pairs': { 2: 4500 } }
  expect(aimOf({ targets, extraTime: null }, 'add-pairs', 2)).toBe(undefined)
  expect(aimOf({ targets, extraTime: 2 }, 'add-pairs', 2)).toBe(4500)
  expect(aimOf({ targets: {}, extraTime: 2 }, 'add-pairs', 2)).toBe(
    2 * aimOf({ targets: {} }, 'add-pairs', 2)!,
  )
})

test('calm words keep what is lacking and leave the seconds out', () => {
  const words = (marks: string) => levelReasonWords(adviseLevel(answers(marks), 5000).reason, true)
  expect(words('r'.repeat(20))).toBe('Of the last 20 answers 20 were right, and quickly enough.')
  expect(words('s'.repeat(20))).toBe('Of the last 20 answers 20 were right; to move up: a quicker pace.')
  expect(words('rrr')).toBe('3 of 20 answers at this level: 19 right and a quicker pace move up.')
})
