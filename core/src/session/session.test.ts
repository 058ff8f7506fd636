import fc from 'fast-check'
import { expect, test } from 'vitest'
import { FACT_DECKS } from '../facts/decks.js'
import { numberTrace } from '../kit/rule.js'
import { counting } from '../kit/testing.js'
import { judgeRecall } from '../learner/recall.js'
import { add, decimal, toText } from '../number/decimal.js'
import { InputError } from '../problem/error.js'
import { printProblem, readProblem } from '../problem/expression.js'
import { SIGNED, WHOLE } from '../question/kind.js'
import type { Value } from '../question/value.js'
import { TECHNIQUES, techniqueById } from '../registry/techniques.js'
import type { Step } from '../technique/contract.js'
import { variantOf } from '../technique/driver.js'
import { check } from '../wire/check.js'
import { attemptSchema } from '../wire/schemas.js'
import { type AttemptEvent, MOST_WRONG } from './events.js'
import { eventsOfOlder, type OlderAttempt } from './older.js'
import { type Exercise, JUDGE, type Progress } from './progress.js'
import { type AttemptRecord, MOST_MS } from './record.js'
import { beginTask, happen, openQuestion, openStep, reduceEvents } from './reduce.js'
import { moreHelp, WORKED_SUPPORTS, type WorkedSupport } from './support.js'
import { confirm, eraseKey, NOTHING_TYPED, type Typing, typeKey } from './typing.js'
import { finishedProgress, judgeRecord, verdictOf } from './verdict.js'

const exercise = (
  support: WorkedSupport,
  expression = '364+278',
  id = 'add-running-total',
  variant = {},
) => ({
  technique: techniqueById(id),
  variant: variantOf(techniqueById(id), variant),
  level: 1,
  support,
  problem: readProblem(expression),
})
/** Values entered one after another, a second apart. */
const entries = (...texts: string[]) =>
  texts.map((text, i): AttemptEvent => ({ kind: 'entered', at: 1000 * (i + 1), text }))
const verdicts = (progress: Progress) => progress.entries.map((e) => e.verdict)

const base: AttemptRecord = {
  id: '0b0c3a52-1111-4222-8333-944455556666',
  sessionId: '0b0c3a52-1111-4222-8333-944455557777',
  n: 1,
  technique: 'add-running-total',
  variant: {},
  level: 1,
  support: 'guided',
  expression: '364+278',
  startedAt: '2026-11-20T15:00:00.000Z',
  judge: JUDGE,
  events: [],
}

test('a wrong entry on the way is kept with its slip; the answer still counts as right, but not as right first time', () => {
  const verdict = judgeRecord({ ...base, events: entries('564', '534', '634', '642') })
  expect(verdict).toMatchObject({ right: true, clean: false, timed: true, outcome: 'done', totalMs: 4000 })
  expect(verdict.entries[1]).toMatchObject({
    verdict: 'slip',
    step: 2,
    place: 1,
    slips: [{ id: 'carry-lost' }],
  })
  expect(verdict.entries.map((e) => e.ms)).toEqual([1000, 1000, 2000, 1000])
})

test('right first time needs every entry right and unaided; a long pause is not timed', () => {
  const events = entries('564', '634', '642')
  const judged = (more: AttemptEvent[]) => judgeRecord({ ...base, events: more })
  expect(judged(events)).toMatchObject({ right: true, clean: true, hints: 0 })
  expect(judged([{ kind: 'hint', at: 10 }, ...events])).toMatchObject({ right: true, clean: false, hints: 1 })
  expect(judged([...events.slice(0, 2), { kind: 'given', at: 3000 }])).toMatchObject({
    right: false,
    clean: false,
  })
  expect(judged([{ kind: 'given', at: 10 }, ...events.slice(1)])).toMatchObject({ right: true, clean: false })
  for (const [wait, timed] of [
    [59_999, true],
    [60_001, false],
  ] as const)
    expect(judged([events[0]!, events[1]!, { ...events[2]!, at: 2000 + wait }])).toMatchObject({ timed })
})

test('an answer without steps is diagnosed, and only its first try counts as right', () => {
  const verdict = judgeRecord({ ...base, support: 'answer', events: entries('542', '642') })
  expect(verdict).toMatchObject({ right: false, clean: false })
  expect(verdict.entries[0]).toMatchObject({
    verdict: 'slip',
    step: 0,
    place: 1,
    slips: [{ id: 'carry-lost' }],
  })
  // 52-38, not dropped and the smaller digit taken from the larger: both slips are kept.
  const two = { ...base, technique: 'subtract-hold-drop', expression: '52-38', support: 'answer' as const }
  const { entries: judged } = judgeRecord({
    ...two,
    events: [...entries('26'), { kind: 'skipped', at: 9000 }],
  })
  expect(judged[0]!.slips.map((s) => s.id)).toEqual(['borrow-missed', 'smaller-from-larger'])
})

test.each([
  ['an entry after the end', { events: entries('564', '634', '642', '1') }],
  ['no end', { events: entries('564') }],
  ['a skip after the answer', { events: [...entries('564', '634', '642'), { kind: 'skipped', at: 9000 }] }],
  ['a value that is no number', { events: entries('lots') }],
  ['times that run backwards', { events: entries('564', '634', '642').reverse() }],
  ['an entry without a time', { events: [{ kind: 'entered', at: null, text: '642' }] }],
  ['keys after their entry', { events: [{ kind: 'entered', at: 5, text: '642', first: 4, last: 6 }] }],
  [
    'another support than there was',
    { support: 'answer', events: [{ kind: 'shown', at: 0, text: 'steps' }, ...entries('642')] },
  ],
  ['a support that is none', { events: [{ kind: 'support', at: 0, text: 'watch' }, ...entries('642')] }],
  ['a problem that does not fit', { expression: '8-9' }],
  ['an unknown technique', { technique: 'guessing' }],
  ['a level that is not there', { level: 99 }],
  ['a variant that is not there', { variant: { carry: 'glance' } }],
] as [string, Partial<AttemptRecord>][])('%s is refused', (_, wrong) => {
  expect(() => judgeRecord({ ...base, ...wrong })).toThrow(InputError)
})

test('times are kept apart: thinking, keying, each entry since the last that moved on, the longest pause', () => {
  const keyed = (text: string, first: number, last: number, at = last): AttemptEvent => ({
    kind: 'entered',
    at,
    text,
    first,
    last,
    pause: 100,
  })
  const progress = reduceEvents(exercise('guided'), [
    { kind: 'shown', at: 0 },
    keyed('564', 2000, 2300),
    keyed('571', 3000, 3300),
    keyed('634', 4000, 4300),
    keyed('642', 8000, 8200, 8300),
  ])
  expect(verdictOf(progress)).toMatchObject({ thinkMs: 2000, keyMs: 6200, totalMs: 8300, idleMs: 3700 })
  expect(progress.entries.map((e) => e.ms)).toEqual([2300, 1000, 2000, 4000])
})

test('the time the page was gone is not the learner’s, but counts as a pause', () => {
  const events: AttemptEvent[] = [
    { kind: 'entered', at: 1000, text: '564', first: 800, last: 1000 },
    { kind: 'left', at: 1500 },
    { kind: 'back', at: 41_500 },
    { kind: 'entered', at: 43_000, text: '642', first: 42_600, last: 43_000 },
  ]
  const verdict = verdictOf(reduceEvents(exercise('guided'), events))
  expect(verdict).toMatchObject({ totalMs: 3000, thinkMs: 800, keyMs: 2200, idleMs: 40_000, timed: true })
  expect(verdict.entries[1]!.ms).toBe(2000)
})

test.each([
  // 364+278: the whole answer said at once; a later total; what was said last; the surplus of another place.
  ['add-running-total', '364+278', '642', 'ahead'],
  ['add-running-total', '364+278', '564; 564; 642', 'right so-far ahead'],
  ['add-place-sweep', '38+94+75', '120; 190; 207', 'ahead right ahead'],
  // 347x26 raw from the right: 42, 38, 26, 6, then settled; the same digit by digit is another variant.
  ['multiply-crosswise', '347*26', '42; 38; 26; 6; 9022', 'right right right right ahead'],
  ['multiply-crosswise', '36*52', '12; 2; 36; 7; 15; 18', 'right right right right right right'],
  ['multiply-crosswise', '36*52', '12; 36; 15; 1872', 'right right right ahead'],
  ['multiply-crosswise', '36*52', '15; 12; 36; 1872', 'right right right ahead'],
  // Glance writes 8, 4, 3; mend writes 7, then 3 and 8, then 3 and 4.
  ['add-columns-left', '457+386', '8; 4; 3', 'right right right'],
  ['add-columns-left', '457+386', '7; 3; 8; 3; 4', 'right right right right right'],
  // 34x27: a partial product of a later place is told, not counted.
  ['multiply-addition', '34*27', '108; 810; 108; 918', 'right right so-far right'],
])('%s %s: %s', (id, expression, typed, expected) => {
  const texts = typed.split('; ')
  const progress = reduceEvents(exercise('guided', expression, id), entries(...texts))
  expect(verdicts(progress).join(' ')).toBe(expected)
  const last = expected.split(' ').at(-1)
  if (id !== 'add-running-total' || last === 'ahead') expect(progress.outcome).toBe('done')
  const { clean } = verdictOf(progress.outcome ? progress : happen(progress, { kind: 'stopped', at: 99_000 }))
  expect(clean).toBe(!expected.includes('slip') && progress.outcome === 'done')
})

test('where a value belongs that came too early, and how many tries were counted', () => {
  const progress = reduceEvents(
    exercise('guided', '36*52', 'multiply-crosswise'),
    entries('30', '11', '99', '12', '2', '2'),
  )
  expect(verdicts(progress)).toEqual(['elsewhere', 'wrong', 'wrong', 'right', 'right', 'so-far'])
  expect(progress.entries.map((e) => [e.place, e.took, e.as])).toEqual([
    [1, 0, 'later'],
    [0, 0, undefined],
    [0, 0, undefined],
    [0, 1, undefined],
    [0, 1, undefined],
    [1, 0, undefined],
  ])
  expect(progress).toMatchObject({ tries: 0, lastTries: 1 })
  const more = entries('36', '37', '15', '18').map((e, i) => ({ ...e, at: 9000 + i }))
  expect(verdictOf(more.reduce(happen, progress))).toMatchObject({ right: true, clean: false })
  expect(reduceEvents(exercise('answer'), entries('1', '2')).tries).toBe(2)
})

test('the variant worked is recognised, and an entry rules the others out', () => {
  const walked = (...texts: string[]) =>
    reduceEvents(exercise('guided', '36*52', 'multiply-crosswise'), entries(...texts)).walks.map(
      (w) => w.variant.order,
    )
  expect(walked()).toEqual(['right-carry', 'right-raw', 'left-mend', 'ends-first'])
  expect(walked('15')).toEqual(['left-mend', 'ends-first'])
  expect(walked('12', '36')).toEqual(['right-raw'])
  // Judged by the first version, only the variant set is taken.
  const strict = reduceEvents(exercise('guided', '36*52', 'multiply-crosswise'), entries('15'), 1)
  expect(verdicts(strict)).toEqual(['wrong'])
})

test('another support in the middle goes on with the same problem; the most help counts', () => {
  const events: AttemptEvent[] = [
    { kind: 'shown', at: 0, text: 'answer' },
    { kind: 'entered', at: 1000, text: '542' },
    { kind: 'support', at: 2000, text: 'guided' },
    { kind: 'entered', at: 3000, text: '564' },
    { kind: 'support', at: 4000, text: 'steps' },
    { kind: 'entered', at: 5000, text: '642' },
  ]
  const progress = reduceEvents(exercise('answer'), events)
  expect(progress).toMatchObject({ mostHelp: 'guided', support: 'steps', outcome: 'done' })
  expect(progress.entries.map((e) => e.step)).toEqual([0, 1, 2])
  expect(judgeRecord({ ...base, events })).toMatchObject({ right: true, clean: false, support: 'guided' })
})

test('questions in any order, and one after another', () => {
  const ask = (n: number) => ({ ask: '', kind: WHOLE, expect: decimal(n) })
  const sheet = { questions: [ask(3), ask(4), ask(5)], inOrder: false }
  const at = (of: number, text: string, ms: number): AttemptEvent => ({ kind: 'entered', at: ms, text, of })
  const progress = reduceEvents(sheet, [at(2, '5', 1), at(0, '9', 2), at(0, '3', 3)])
  expect(progress).toMatchObject({ answered: [true, false, true], outcome: undefined })
  expect(verdicts(progress)).toEqual(['right', 'wrong', 'right'])
  expect(happen(progress, at(1, '4', 4)).outcome).toBe('done')
  expect(() => happen(progress, at(7, '4', 4))).toThrow(InputError)
  const copied = reduceEvents({ ...sheet, inOrder: true }, entries('3', '5', '4', '5'))
  expect(verdicts(copied)).toEqual(['right', 'wrong', 'right', 'right'])
})

test('a recall is judged by its first entry; only as much keying as copying takes is taken off', () => {
  const recall = { fact: '7x8', at: base.startedAt, judge: JUDGE, keyMs: 200, withinMs: 1500 }
  const keyed = (text: string): AttemptEvent => ({ kind: 'entered', at: 1500, text, first: 900, last: 1500 })
  expect(judgeRecall({ ...recall, events: [keyed('56')] })).toMatchObject({
    right: true,
    ms: 1500,
    thinkMs: 1300,
    withinMs: 1500,
    entry: '56',
  })
  const wrong = [keyed('54'), { kind: 'given', at: 2500 } as const]
  expect(judgeRecall({ ...recall, events: wrong })).toMatchObject({ right: false, ms: 1500, entry: '54' })
  expect(judgeRecall({ ...recall, events: [{ kind: 'given', at: 900 }] })).toMatchObject({
    right: false,
    ms: 900,
  })
  expect(() => judgeRecall({ ...recall, events: [] })).toThrow(InputError)
  expect(() => judgeRecall({ ...recall, fact: '1x1', events: [keyed('1')] })).toThrow(InputError)
  for (const card of FACT_DECKS.flatMap((d) => d.cards)) {
    const events = [keyed(card.kind.print(card.expect))]
    expect(judgeRecall({ ...recall, fact: card.id, events }).right, card.id).toBe(true)
  }
})

test('attempts recorded before there were events are judged as they were then', () => {
  const older: OlderAttempt = {
    entries: [
      { step: 1, value: '564', ms: 2300, by: 'learner' },
      { step: 2, value: '642', ms: 1000, by: 'learner' },
      { step: 2, value: '634', ms: 2000, by: 'program' },
      { step: 3, value: '642', ms: 4000, by: 'learner' },
    ],
    hints: 2,
    outcome: 'done',
    thinkMs: 2000,
    keyMs: 6300,
    totalMs: 8300,
    idleMs: 3700,
  }
  const events = eventsOfOlder(older)
  const verdict = judgeRecord({ ...base, judge: 1, events })
  const { entries: _, ...figures } = older
  expect(verdict).toMatchObject({ ...figures, right: true, clean: false, timed: true })
  expect(verdict.entries.map((e) => [e.text, e.verdict, e.step, e.ms])).toEqual([
    ['564', 'right', 1, 2300],
    ['642', 'wrong', 2, 1000],
    ['634', 'given', 2, 2000],
    ['642', 'right', 3, 4000],
  ])
  const skipped = { ...older, entries: older.entries.slice(0, 2), outcome: 'skipped' as const }
  expect(judgeRecord({ ...base, judge: 1, events: eventsOfOlder(skipped) })).toMatchObject({
    outcome: 'skipped',
    right: false,
    totalMs: 8300,
  })
})

test('keys that make no number are not taken, an unfinished one is not judged, Backspace mends', () => {
  const progress = beginTask(exercise('answer', '12-45', 'subtract-hold-drop'))
  const { kind } = openQuestion(progress)!
  let typing: Typing = NOTHING_TYPED
  for (const key of ['x', '-', '6', '-', ',', '.', '5']) typing = typeKey(typing, kind, key, 2000)
  expect(typing.text).toBe('-6.5')
  typing = eraseKey(eraseKey(eraseKey(typing, 2100), 2150), 2250)
  expect(confirm(progress, typing, 2300)).toEqual({ notice: 'That is not a number yet.' })
  expect(confirm(progress, eraseKey(typing, 2300), 2300)).toEqual({ notice: 'Type your answer first.' })
  expect(confirm(progress, typeKey(typing, kind, '7', 2600), 2700)).toEqual({
    event: { kind: 'entered', at: 2700, text: '-7', first: 2000, last: 2600, pause: 350 },
  })
  // Where there are several questions it is kept which one was answered, the first too.
  const question = { ask: '', kind: WHOLE, expect: decimal(56) }
  const drill = beginTask({ questions: [question, question], inOrder: false })
  for (const of of [0, 1])
    expect(confirm(drill, { ...NOTHING_TYPED, text: '56' }, 900, of)).toMatchObject({ event: { of } })
})

test('a hint stands until the step is answered; the keys of an entry come in their order and before it', () => {
  const begun = beginTask(exercise('guided', '364+278', 'add-running-total'))
  const hinted = happen(begun, { kind: 'hint', at: 500 })
  expect([begun.hintOpen, hinted.hintOpen, hinted.hints]).toEqual([false, true, 1])
  expect(happen(hinted, { kind: 'entered', at: 900, text: '564' }).hintOpen).toBe(false)
  const keyed = (first: number, last: number) =>
    happen(begun, { kind: 'entered', at: 900, text: '564', first, last })
  expect(keyed(900, 900).entries).toHaveLength(1)
  expect(() => keyed(800, 700)).toThrow('keys')
  expect(() => keyed(800, 901)).toThrow('keys')
})

/** A problem of a random technique, level and support, and what somebody does at it. */
const something = fc.constantFrom(...TECHNIQUES).chain((technique) =>
  fc.record({
    technique: fc.constant(technique),
    nth: fc.nat(technique.levels.length - 1),
    at: fc.double({ min: 0, max: 0.999999, noNaN: true }),
    support: fc.constantFrom(...WORKED_SUPPORTS),
    doings: fc.array(
      fc.tuple(
        fc.oneof(
          { weight: 6, arbitrary: fc.constantFrom(...'0123456789.-x') },
          { weight: 3, arbitrary: fc.constant('Enter') },
          fc.constantFrom('Backspace', 'hint', 'right', 'slip', 'later', 'leave', 'support'),
          { weight: 1, arbitrary: fc.constantFrom('show', 'skip') },
        ),
        fc.oneof(fc.nat(3000), fc.constant(3 * MOST_MS), fc.constant(0.25)),
      ),
      { maxLength: 50 },
    ),
  }),
)

/** Does it all, as the bench would. @returns the record, and what stood on screen when it ended. */
function play(given: typeof something extends fc.Arbitrary<infer T> ? T : never): {
  record: AttemptRecord
  seen: Progress
  task: Exercise
} {
  const { technique, nth, support } = given
  const space = technique.levels[nth]!.problems()
  const problem = space.at(
    BigInt(Math.floor(given.at * Number(space.size > 10n ** 15n ? 10n ** 15n : space.size))),
  )
  const task: Exercise = { technique, variant: variantOf(technique), level: nth + 1, support, problem }
  const events: AttemptEvent[] = []
  let progress = beginTask(task)
  let typing: Typing = NOTHING_TYPED
  let at = 0
  const happens = (event: AttemptEvent) => {
    events.push(event)
    progress = happen(progress, event)
    if (event.kind === 'entered') typing = NOTHING_TYPED
  }
  happens({ kind: 'shown', at: 0, text: support })
  const wholeText = ({ walks }: Progress) => {
    const { kind, expect } = walks[0]!.whole()
    return kind.print(expect)
  }
  const now = () => Math.min(MOST_MS, Math.round(at))
  for (const [what, wait] of given.doings) {
    at = Math.min(MOST_MS, at + wait)
    const question = openQuestion(progress)
    if (!question) break
    const step: Step | undefined = openStep(progress)
    const text = (value: Value) => question.kind.print(value)
    if (what === 'Enter') {
      const result = confirm(progress, typing, at)
      if ('event' in result) happens(result.event)
    } else if (what === 'Backspace') typing = eraseKey(typing, at)
    else if (what === 'hint') happens({ kind: 'hint', at: now() })
    else if (what === 'show') happens({ kind: 'given', at: now() })
    else if (what === 'skip') happens({ kind: 'skipped', at: now() })
    else if (what === 'right') happens({ kind: 'entered', at: now(), text: text(question.expect) })
    else if (what === 'slip' && step?.slips()[0])
      happens({ kind: 'entered', at: now(), text: step.kind.print(step.slips()[0]!.entry) })
    else if (what === 'later') happens({ kind: 'entered', at: now(), text: wholeText(progress) })
    else if (what === 'leave') {
      happens({ kind: 'left', at: now() })
      happens({ kind: 'back', at: now() })
    } else if (what === 'support')
      happens({ kind: 'support', at: now(), text: WORKED_SUPPORTS[events.length % 3]! })
    else typing = typeKey(typing, question.kind, what, at)
  }
  if (progress.outcome === undefined) happens({ kind: 'stopped', at: now() })
  const record: AttemptRecord = {
    ...base,
    technique: technique.id,
    variant: task.variant,
    level: task.level,
    support: progress.mostHelp,
    expression: printProblem(problem),
    events,
  }
  return { record, seen: progress, task }
}

const told = ({ entries: made, support, mostHelp, outcome, hints, tries, clock }: Progress) => ({
  made,
  support,
  mostHelp,
  outcome,
  hints,
  tries,
  clock,
})

test('whatever is done, the server takes the record and finds what was on screen; any part of it goes on the same', () => {
  fc.assert(
    fc.property(something, fc.double({ min: 0, max: 1, noNaN: true }), (given, cut) => {
      const { record, seen, task } = play(given)
      // Over the wire and back.
      const sent = JSON.parse(JSON.stringify(record)) as AttemptRecord
      expect(check(attemptSchema, sent)).toEqual({ value: record })
      const judged = finishedProgress(sent)
      expect(told(judged)).toEqual(told(seen))
      expect(verdictOf(judged)).toEqual(verdictOf(seen))
      // Left in the middle and reloaded.
      const until = Math.floor(cut * record.events.length)
      let again = reduceEvents(task, sent.events.slice(0, until))
      for (const event of sent.events.slice(until)) again = happen(again, event)
      expect(told(again)).toEqual(told(seen))
      expect(seen.mostHelp).toBe(
        record.events
          .filter((e) => e.kind === 'support' || e.kind === 'shown')
          .map((e) => e.text as WorkedSupport)
          .reduce(moreHelp),
      )
    }),
    { numRuns: 300 },
  )
})

test('a position is never changed by going on from it', () => {
  const task = exercise('guided', '347*26', 'multiply-crosswise')
  const start = reduceEvents(task, entries('42'))
  const [one, other] = [entries('42', '38')[1]!, entries('42', '2')[1]!].map((e) => happen(start, e))
  expect(openStep(start)!.place).toBe(openStep(reduceEvents(task, entries('42')))!.place)
  expect(told(happen(start, entries('42', '38')[1]!))).toEqual(told(one!))
  expect(verdicts(other!)).toEqual(['right', 'right'])
})

test('judging is linear: a thousand wrong entries ask no more steps than ten, twice the steps twice as many', () => {
  const asked = (expression: string, wrong: number) => {
    const { technique, asked: count } = counting(techniqueById('add-place-sweep'))
    const task = { ...exercise('guided', expression, 'add-place-sweep'), technique }
    let progress = beginTask(task)
    const values = numberTrace(task.technique, task.problem, task.variant).entries
    const before = count()
    for (const value of values) {
      for (let i = 0; i < wrong; i += 1)
        progress = happen(progress, {
          kind: 'entered',
          at: 0,
          text: toText(add(value, decimal(1_234_567 + i))),
        })
      progress = happen(progress, { kind: 'entered', at: 0, text: toText(value) })
      wrong = 0
    }
    expect(progress.outcome).toBe('done')
    return count() - before
  }
  expect(asked('4821+3917', 1000)).toBe(asked('4821+3917', 10))
  const terms = (n: number) => Array.from({ length: n }, () => '4821').join('+')
  expect(asked(terms(24), 0) / asked(terms(12), 0)).toBeLessThan(2.2)
})

test('tries without end are told so, and what is kept of them the server takes', () => {
  let progress = beginTask(exercise('answer'))
  const events: AttemptEvent[] = []
  let notice = ''
  for (let i = 0; i < MOST_WRONG + 5; i += 1) {
    const typing = [...String(1000 + i)].reduce((t, key) => typeKey(t, WHOLE, key, 100 * i), NOTHING_TYPED)
    const result = confirm(progress, typing, 100 * i)
    if ('notice' in result) notice = result.notice
    else {
      events.push(result.event)
      progress = happen(progress, result.event)
    }
  }
  expect(notice).toContain('tried many times')
  expect(events).toHaveLength(MOST_WRONG)
  events.push({ kind: 'entered', at: 200_000, text: '642' })
  const record = { ...base, support: 'answer' as const, events }
  expect(check(attemptSchema, record)).toHaveProperty('value')
  // Causes are looked for in the first tries only, each for half as long as the one before.
  const { entries: judged, right } = judgeRecord(record)
  expect(right).toBe(false)
  expect(judged.slice(20).some((e) => e.slips.length > 0)).toBe(false)
})

const digits = fc.bigInt(0n, 10n ** 15n).map(String)

test('typed from the right a number comes to the same, and the last digit typed is the one taken back', () => {
  fc.assert(
    fc.property(digits, fc.boolean(), fc.nat(9), (number, below, slip) => {
      const kind = SIGNED
      const keys = [...number].reverse()
      const press = (t: Typing, key: string) => typeKey(t, kind, key, 5, 'right')
      const before = below ? press(NOTHING_TYPED, '-') : NOTHING_TYPED
      const typed = keys.reduce(press, before)
      expect(typed.text).toBe(`${below ? '-' : ''}${number}`)
      expect(eraseKey(press(typed, String(slip)), 6, 'right').text).toBe(typed.text)
      const gone = keys.reduce((t) => eraseKey(t, 7, 'right'), typed)
      expect([gone.text, eraseKey(gone, 8, 'right').text]).toEqual([below ? '-' : '', ''])
    }),
  )
})
