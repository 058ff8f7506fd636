import { expect, test } from 'vitest'
import { readProblem } from '../problem/expression.js'
import { techniqueById } from '../technique/registry.js'
import { judgeAttempt, type WorkedSupport } from './attempt.js'
import {
  commit,
  eraseKey,
  hint,
  type Play,
  recordOf,
  show,
  skip,
  standingSlip,
  startPlay,
  typeKey,
} from './play.js'

const begin = (support: WorkedSupport, expression = '364+278', id = 'add-running-total') =>
  startPlay(
    { technique: techniqueById(id), school: {}, level: 1, support, problem: readProblem(expression) },
    1000,
  )

/** Keys at one a tenth of a second, from a given time; Enter at the end. */
function enter(play: Play, text: string, at: number): Play {
  const typed = [...text].reduce((p, key, i) => typeKey(p, key, at + 100 * i), play)
  return commit(typed, at + 100 * text.length)
}
const as = {
  id: '0b0c3a52-1111-4222-8333-944455556666',
  sittingId: '0b0c3a52-1111-4222-8333-944455557777',
  n: 1,
  startedAt: '2026-11-20T15:00:00.000Z',
}

test('times are kept apart: thinking, keying, the step since the last accepted entry, the longest pause', () => {
  let play = enter(begin('guided'), '564', 3000)
  play = enter(play, '571', 4000)
  expect(standingSlip(play)).toMatchObject({ slip: { id: 'wrong-place' } })
  play = enter(play, '634', 5000)
  play = enter(play, '642', 9000)
  const record = recordOf(play, as)
  expect(record).toMatchObject({ outcome: 'done', thinkMs: 2000, keyMs: 6300, totalMs: 8300, idleMs: 3700 })
  expect(record.entries.map((e) => e.ms)).toEqual([2300, 1000, 2000, 4000])
  expect(judgeAttempt(record)).toMatchObject({ right: true, clean: false, timed: true })
})

test('keys that make no number are not taken, an unfinished one is not judged, Backspace mends', () => {
  let play = begin('answer')
  for (const key of ['x', '-', '6', '-', '.', '.', '5']) play = typeKey(play, key, 2000)
  expect(play.text).toBe('-6.5')
  play = eraseKey(eraseKey(eraseKey(play, 2100), 2100), 2100)
  expect(commit(play, 2200)).toMatchObject({ text: '-', notice: 'That is not a number yet.', made: [] })
  expect(commit(eraseKey(play, 2200), 2300).notice).toBe('Type a number first.')
})

test('a hint, a shown value and a skip all leave their mark on the record', () => {
  const hinted = hint(begin('steps'))
  expect(hint(hinted).hints).toBe(1)
  const shown = enter(enter(show(hinted, 1500), '634', 2000), '642', 3000)
  expect(recordOf(shown, as)).toMatchObject({
    hints: 1,
    outcome: 'done',
    entries: [{ by: 'program', value: '564' }, {}, {}],
  })
  expect(judgeAttempt(recordOf(shown, as))).toMatchObject({ right: true, clean: false })
  const skipped = skip(begin('answer'))
  expect(enter(skipped, '642', 2000)).toBe(skipped)
  expect(judgeAttempt(recordOf(skipped, as))).toMatchObject({ right: false, clean: false })
})

test('the answer alone: tries until it is right, and only the first counts', () => {
  const play = enter(enter(begin('answer', '12-45', 'subtract-hold-drop'), '33', 2000), '-33', 4000)
  expect(play.outcome).toBe('done')
  const verdict = judgeAttempt(recordOf(play, as))
  expect(verdict).toMatchObject({ right: false, entries: [{ slip: 'sign-lost' }, { right: true }] })
})
