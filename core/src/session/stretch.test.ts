/** A stretch of practice as a fold: whatever the order of tabs, reloads and late answers, nothing is lost and nothing doubled. */
import fc from 'fast-check'
import { expect, test } from 'vitest'
import type { AttemptEvent } from './events.js'
import { JUDGE } from './progress.js'
import type { AttemptRecord } from './record.js'
import { leftIn, resumed, type Stretch, type StretchEvent, stopped, stretchAfter } from './stretch.js'
import { judgeRecord } from './verdict.js'

const EMPTY: Stretch = { attempts: [], ended: false }
const SHOWN_AT = '2026-11-20T15:00:00.000Z'

/** A list of two entries, the second right, cut after some of its events. */
const EVENTS: readonly AttemptEvent[] = [
  { kind: 'shown', at: 0, text: 'answer' },
  { kind: 'entered', at: 900, text: '542' },
  { kind: 'entered', at: 1800, text: '642' },
]
const attempt = (n: number, events = EVENTS): AttemptRecord => ({
  id: `00000000-0000-4000-8000-${String(n).padStart(12, '0')}`,
  sessionId: '00000000-0000-4000-8000-00000000000a',
  n,
  technique: 'add-running-total',
  variant: {},
  level: 1,
  support: 'answer',
  expression: '364+278',
  startedAt: SHOWN_AT,
  judge: JUDGE,
  events,
})
const upTo = (n: number, many: number) => attempt(n, EVENTS.slice(0, many))
const after = (events: readonly StretchEvent[], from = EMPTY) => events.reduce(stretchAfter<Stretch>, from)
const worked = (record: AttemptRecord): StretchEvent => ({ kind: 'worked', record })
const done = (n: number): StretchEvent => ({ kind: 'done', record: attempt(n) })
const ENDED: StretchEvent = { kind: 'ended' }
const handedIn = ({ attempts }: Stretch) => attempts.map((a) => a.record.n)

/** What one tab does at some items, one after another, left off after any of its events. */
const tab = fc
  .array(fc.tuple(fc.integer({ min: 1, max: 4 }), fc.boolean()), { maxLength: 5 })
  .map((items) =>
    items.flatMap(([n, whole]) => [worked(upTo(n, 1)), worked(upTo(n, 2)), ...(whole ? [done(n)] : [])]),
  )

/** Two tabs at once, in any order between them; what either has said may arrive twice. */
const tabs = fc.tuple(tab, tab, fc.array(fc.boolean(), { maxLength: 40 })).map(([a, b, turns]) => {
  const [left, right] = [[...a], [...b]]
  const order = turns.flatMap((turn) => (turn ? left : right).splice(0, 1))
  return [...order, ...left, ...right]
})

test('each attempt is handed in once, however often and late it is told, by one tab or two', () => {
  fc.assert(
    fc.property(tabs, fc.nat(40), (events, again) => {
      const stretch = after([...events, ...events.slice(again)])
      const told = new Set(events.flatMap((e) => (e.kind === 'done' ? [e.record.n] : [])))
      expect(new Set(handedIn(stretch))).toEqual(told)
      expect(handedIn(stretch)).toHaveLength(told.size)
      // What is over is not open any more.
      expect(told).not.toContain(stretch.open?.n)
    }),
  )
})

test('gone on with from anywhere it goes on alike: kept and read back between any two events', () => {
  fc.assert(
    fc.property(tabs, fc.nat(40), (events, cut) => {
      const kept = JSON.parse(JSON.stringify(after(events.slice(0, cut)))) as Stretch
      expect(after(events.slice(cut), kept)).toEqual(after(events))
    }),
  )
})

test('an older copy undoes nothing, and an answer that comes after the end is kept', () => {
  const open = after([worked(upTo(1, 2)), worked(upTo(1, 1))])
  expect(open.open?.events).toHaveLength(2)
  expect(after([worked(upTo(1, 2))], open)).toBe(open)
  const late = after([ENDED, done(2)])
  expect(late).toMatchObject({ ended: true, attempts: [{ record: { n: 2 } }] })
  expect(after([done(2), worked(upTo(2, 2)), ENDED], late)).toBe(late)
  // Another attempt that is over leaves the open one open.
  expect(after([worked(upTo(1, 2)), done(2)]).open?.n).toBe(1)
})

test('ended, what was begun is kept as it was left; what was only looked at leaves no trace', () => {
  const left = after([worked(upTo(1, 2)), ENDED])
  expect(left.open).toBeUndefined()
  expect(left.attempts.map((a) => a.verdict.outcome)).toEqual(['stopped'])
  expect(left.attempts[0]!.record.events.at(-1)).toEqual({ kind: 'stopped', at: 900 })
  expect(after([worked(upTo(1, 1)), ENDED])).toEqual({ attempts: [], ended: true })
  expect(stopped(attempt(1))).toEqual(attempt(1))
})

test('the verdict is what was told; where nothing was told the record is judged', () => {
  const told = { ...judgeRecord(attempt(1)), hints: 7 }
  const [first] = after([{ kind: 'done', record: attempt(1), verdict: told }]).attempts
  expect(first!.verdict).toBe(told)
  expect(after([done(1)]).attempts[0]!.verdict).toEqual(judgeRecord(attempt(1)))
  expect([leftIn(attempt(1)).kind, leftIn(upTo(1, 2)).kind]).toEqual(['done', 'worked'])
})

test('how long the page was gone is told between leaving and coming back, and nothing where it cannot be so', () => {
  const open = upTo(1, 2)
  const at = (ms: number) => Date.parse(SHOWN_AT) + ms
  expect(resumed(open, 1500, at(61_000))).toEqual({
    events: [...open.events, { kind: 'left', at: 1500 }, { kind: 'back', at: 61_000 }],
    elapsed: 61_000,
  })
  // Left before its last event, or after now: a note of something else.
  for (const wrong of [undefined, 800, 70_000])
    expect(resumed(open, wrong, at(61_000))).toEqual({ events: open.events, elapsed: 61_000 })
  // A clock that was set back.
  expect(resumed(open, 900, at(-5000)).elapsed).toBe(900)
})

test('a fact recalled is kept once, in its turn, beside the attempts; after the end too', () => {
  const recalled = (id: string, n: number, known = true) =>
    ({ kind: 'recalled', recall: { id, n }, right: true, known }) as unknown as StretchEvent
  const stretch = after([recalled('a', 1, false), done(1), recalled('b', 2), recalled('a', 1, false)])
  expect(stretch.recalls!.map((r) => [r.recall.id, r.known])).toEqual([
    ['a', false],
    ['b', true],
  ])
  expect(handedIn(stretch)).toEqual([1])
  expect(after([recalled('b', 2)], stretch)).toBe(stretch)
  expect(after([ENDED, recalled('c', 1)], stretch)).toMatchObject({ ended: true, recalls: { length: 3 } })
})

test('a stretch on a page of its own, which is not gone on with, still hands in what was begun in it', () => {
  // Such a page begins ended, so that it is not offered again.
  const own = after([worked(upTo(1, 2))], { attempts: [], ended: true })
  const left = after([ENDED], own)
  expect(left.open).toBeUndefined()
  expect(left.attempts.map((a) => a.verdict.outcome)).toEqual(['stopped'])
  expect(after([ENDED], left)).toBe(left)
})
