/** The clock of an attempt: times at work, whatever the page did. */
import fc from 'fast-check'
import { expect, test } from 'vitest'
import { sinceMoved, ticked, UNSTARTED, worked } from './clock.js'
import type { AttemptEvent } from './events.js'

const run = (events: readonly AttemptEvent[], older = false) =>
  events.reduce((clock, event) => ticked(clock, event, older), UNSTARTED)
const at = (ms: number, kind: AttemptEvent['kind'] = 'hint'): AttemptEvent => ({ kind, at: ms })
const entered = (ms: number, first: number, last: number, pause = 0): AttemptEvent => ({
  kind: 'entered',
  at: ms,
  text: '1',
  first,
  last,
  pause,
})

test('the time a page is gone is no time at work, however often it goes', () => {
  // Stretches of work and of absence in turn, in milliseconds.
  const stretches = fc.array(fc.tuple(fc.nat(5000), fc.nat(90_000)), { minLength: 1, maxLength: 6 })
  fc.assert(
    fc.property(stretches, fc.nat(5000), (turns, last) => {
      let now = 0
      const events: AttemptEvent[] = []
      for (const [work, gone] of turns) {
        now += work
        events.push(at(now, 'left'))
        now += gone
        events.push(at(now, 'back'))
      }
      const clock = run([...events, at(now + last)])
      expect(worked(clock)).toBe(turns.reduce((sum, [work]) => sum + work, 0) + last)
      expect(clock.away).toBe(turns.reduce((sum, [, gone]) => sum + gone, 0))
      // The longest absence counts as a pause, as the longest silence does.
      expect(clock.idle).toBe(
        Math.max(...turns.map(([, gone]) => gone), ...turns.map(([work]) => work), last),
      )
      expect(sinceMoved(clock)).toBe(worked(clock))
    }),
  )
})

test('the longest stretch without a sign of life: before the first key, between two keys, after the last', () => {
  expect(run([entered(5000, 3000, 4500, 800)]).idle).toBe(3000)
  expect(run([entered(5000, 1000, 4800, 2500)]).idle).toBe(2500)
  expect(run([entered(9000, 1000, 2000, 400)]).idle).toBe(7000)
  expect(run([at(4000), entered(9000, 8000, 9000, 0)]).idle).toBe(4000)
  // The first judge knew only of the pause between keys.
  expect(run([entered(9000, 1000, 2000, 400)], true).idle).toBe(400)
})

test('keys are timed as time at work: the first of all, and the last of the last entry', () => {
  const clock = run([
    at(1000, 'left'),
    at(4000, 'back'),
    entered(6000, 4500, 5500),
    entered(9000, 7000, 8000),
  ])
  expect([clock.firstKeyAt, clock.lastKeyAt]).toEqual([1500, 5000])
  // An entry without keys, as from a frame, leaves them as they were.
  expect(ticked(clock, { kind: 'entered', at: 9500, text: '2' }, false)).toMatchObject({
    firstKeyAt: 1500,
    lastKeyAt: 5000,
  })
})

test('what comes while the page is said to be gone shows that it is back; who comes back without having gone loses nothing', () => {
  const clock = run([at(1000, 'left'), at(5000)])
  expect([clock.leftAt, clock.away, worked(clock)]).toEqual([undefined, 0, 5000])
  expect(worked(run([at(1000), at(4000, 'back')]))).toBe(4000)
  // Gone twice without coming back between: the second counts.
  expect(run([at(1000, 'left'), at(3000, 'left'), at(5000, 'back')]).away).toBe(2000)
})

test('what does not follow is refused: earlier than before, keys after their entry, no time', () => {
  expect(() => run([at(2000), at(1999)])).toThrow('comes before')
  expect(run([at(2000), at(2000)]).at).toBe(2000)
  expect(() => run([entered(1000, 900, 800)])).toThrow('keys')
  expect(() => run([entered(1000, 900, 1001)])).toThrow('keys')
  expect(run([entered(1000, 1000, 1000)]).lastKeyAt).toBe(1000)
  expect(() => run([{ kind: 'hint', at: null }])).toThrow('no time')
  expect(() => run([{ kind: 'skipped', at: null }], true)).toThrow('no time')
  expect(run([at(700), { kind: 'hint', at: null }], true).at).toBe(700)
})
