import { expect, test } from 'vitest'
import { levelReasonWords } from '../words/levels.js'
import { adviseLevel, type LatestAnswer } from './levels.js'

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
})
