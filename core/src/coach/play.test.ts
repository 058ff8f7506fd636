import fc from 'fast-check'
import { expect, test } from 'vitest'
import { attemptSchema, check } from '../exchange/wire.js'
import { readProblem } from '../problem/expression.js'
import { schoolOf } from '../technique/driver.js'
import { TECHNIQUES, techniqueById } from '../technique/registry.js'
import { judgeAttempt, MOST_MS, WORKED_SUPPORTS, type WorkedSupport } from './attempt.js'
import {
  commit,
  commitValue,
  eraseKey,
  hint,
  openStep,
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

test('whatever is pressed and however long it takes, the record is one the server takes, judged as it was on screen', () => {
  const event = fc.oneof(
    { weight: 6, arbitrary: fc.constantFrom(...'0123456789.-x') },
    { weight: 3, arbitrary: fc.constant('Enter') },
    fc.constantFrom('Backspace', 'hint', 'right', 'slip'),
    { weight: 1, arbitrary: fc.constantFrom('show', 'skip') },
  )
  const problem = fc.constantFrom(...TECHNIQUES).chain((technique) =>
    fc.record({
      technique: fc.constant(technique),
      rung: fc.nat(technique.levels.length - 1),
      at: fc.double({ min: 0, max: 0.999999, noNaN: true }),
      support: fc.constantFrom(...WORKED_SUPPORTS),
    }),
  )
  const waits = fc.oneof(fc.nat(3000), fc.constant(3 * MOST_MS), fc.constant(0.25))
  fc.assert(
    fc.property(problem, fc.array(fc.tuple(event, waits), { maxLength: 60 }), (given, events) => {
      const { technique, rung, support } = given
      const space = technique.levels[rung]!.problems()
      const drawn = space.at(
        BigInt(Math.floor(given.at * Number(space.size > 10n ** 15n ? 10n ** 15n : space.size))),
      )
      const school = schoolOf(technique)
      let play = startPlay({ technique, school, level: rung + 1, support, problem: drawn }, 0)
      let at = 0
      for (const [what, wait] of events) {
        at += wait
        const step = openStep(play)
        if (what === 'Enter') play = commit(play, at)
        else if (what === 'Backspace') play = eraseKey(play, at)
        else if (what === 'hint') play = hint(play)
        else if (what === 'show') play = show(play, at)
        else if (what === 'skip') play = skip(play)
        else if (what === 'right') play = commitValue(play, step?.expect ?? play.whole.answer, at)
        else if (what === 'slip')
          play = step?.slips()[0] ? commitValue(play, step.slips()[0]!.entry, at) : play
        else play = typeKey(play, what, at)
      }
      const record = recordOf(play, as)
      expect(check(attemptSchema, record)).toEqual({ value: record })
      const verdict = judgeAttempt(record)
      expect(verdict.entries.map((e) => e.right)).toEqual(play.made.map((m) => m.right))
      expect(record.thinkMs + record.keyMs).toBeLessThanOrEqual(2 * MOST_MS)
    }),
    { numRuns: 400 },
  )
})

test('tries without end are told so, and what is kept of them the server takes', () => {
  let play = begin('answer')
  for (let i = 0; i < 700; i += 1) play = enter(play, String(1000 + i), 2000 + 100 * i)
  expect(play.notice).toContain('tries enough')
  play = enter(play, '642', 200_000)
  expect(play.outcome).toBe('done')
  const record = recordOf(play, as)
  expect(check(attemptSchema, record)).toHaveProperty('value')
  // Causes are looked for in the first tries only, so that judging does not take for ever.
  const { entries, right } = judgeAttempt(record)
  expect(right).toBe(false)
  expect(entries.slice(20).some((e) => e.slip !== undefined)).toBe(false)
})
