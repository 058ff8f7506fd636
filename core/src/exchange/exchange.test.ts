import fc from 'fast-check'
import ical from 'node-ical'
import { expect, test } from 'vitest'
import { FACT_DECKS } from '../facts/decks.js'
import type { FactRow } from '../learner/recall.js'
import { DEFAULT_SETTINGS } from '../learner/settings.js'
import type { PlanDay } from '../plan/week.js'
import { InputError } from '../problem/error.js'
import { JUDGE } from '../session/progress.js'
import { judgeRecord } from '../session/verdict.js'
import { demoLearners } from '../simulate/demo.js'
import { planCalendar, readBusy } from './calendar.js'
import { type AttemptRow, csvHead, csvRows, readCsv } from './csv.js'
import { factsHead, factsRows, holdsFacts, readFacts } from './facts.js'
import { duration, statementOf } from './statements.js'

const demo = demoLearners('2026-03-01')
const rows = demo
  .slice(0, 2)
  .flatMap(({ sessions }) =>
    sessions.flatMap(({ attempts, startedAt, recipe, seed, generator }) =>
      attempts.map((attempt) => ({ attempt, session: { startedAt, recipe, seed, generator } })),
    ),
  )
const withVerdict = (row: AttemptRow) => {
  const { entries, ...verdict } = judgeRecord(row.attempt)
  return {
    ...row,
    verdict: {
      ...verdict,
      slips: entries.flatMap((e) => e.slips.map((s) => s.id)),
      verdicts: entries.map((e) => e.verdict),
    },
  }
}
let made = 0
const newId = () => {
  made += 1
  return `00000000-0000-4000-8000-${String(made).padStart(12, '0')}`
}

// RFC 4180: lines end with CRLF, fields with commas, quotes or line breaks are quoted and quotes doubled.
test('CSV goes out and comes in again without loss, to the byte', () => {
  const flashed = {
    ...rows[0]!,
    attempt: {
      ...rows[0]!.attempt,
      shown: { way: 'flash', showMs: 300, gapMs: 50, worstMs: 8.4, meanMs: 2.1 } as const,
    },
  }
  // An item of a drill: its answer is the id of a choice.
  const chosen = {
    ...rows[0]!,
    attempt: {
      ...rows[0]!.attempt,
      ...({ technique: 'fits', variant: {}, level: 0, support: 'answer', judge: JUDGE } as const),
      expression: 'multiply-same-head: 63*57',
      events: [
        { kind: 'shown', at: 0, text: 'answer' },
        { kind: 'entered', at: 900, text: 'same-head/heads', first: 900, last: 900, pause: 0 },
      ] as const,
    },
  }
  // A fact: none of its signs is changed.
  const recalled = {
    ...chosen,
    attempt: {
      ...chosen.attempt,
      id: newId(),
      technique: 'fact',
      expression: 'tables: 7x8',
      events: [
        { kind: 'shown', at: 0 },
        { kind: 'entered', at: 900, text: '56', first: 700, last: 900, pause: 0 },
      ] as const,
    },
  }
  const all = [flashed, chosen, recalled, ...rows.slice(2, 1500)]
  const text = csvHead() + csvRows(all.map(withVerdict), '=Mo "the" Roe')
  // UTF-8 is told by a mark, the learner is named, and no cell is taken for a formula.
  expect(text.startsWith('\uFEFFlearner,attempt,session,')).toBe(true)
  expect(text.split('\r\n')[1]!.startsWith(`"'=Mo ""the"" Roe",`)).toBe(true)
  expect(text.split('\r\n').every((line) => !line.includes('\n'))).toBe(true)
  expect(text).toContain('"{""way"":""flash""')
  const read = readCsv(text, newId)
  expect(read.map((r) => ('row' in r ? r.row : r.error))).toEqual(all)
  const again = read.map((r) => withVerdict((r as { row: AttemptRow }).row))
  expect(csvHead() + csvRows(again, '=Mo "the" Roe')).toBe(text)
}, 60_000)

test('nothing in a cell is what a spreadsheet takes for a date or a number, and what it writes is read again', () => {
  const text = csvRows(rows.slice(0, 1500).map(withVerdict), 'Mo')
  const cells = text.split('\r\n').flatMap((line) => line.split(','))
  // Day and month, or month and year, as spreadsheets read them.
  expect(cells.filter((cell) => /^\d{1,4}[-/.]\d{1,4}(?:[-/.]\d{1,4})?$/.test(cell))).toEqual([])
  const head = 'technique,support,expression,started,events\n'
  const line = 'divide-short,answer,12 ÷ 3,2026-10-15 15:29:59,shown=answer@0 entered=4@1500:900-900~0'
  const [one] = readCsv(head + line, newId)
  expect(one).toMatchObject({
    row: { attempt: { expression: '12/3', startedAt: '2026-10-15T15:29:59.000Z' } },
  })
})

test('a bad row is told with its line and reason and leaves the others alone', () => {
  const head = 'technique,support,expression,started,entries,outcome,total_ms,level\n'
  const good = 'add-running-total,answer,364+278,2026-03-01T15:00:00.000Z,0=542@4000 0=642@6000,done,6000,5'
  const bad: [string, RegExp][] = [
    [good.replace('add-running-total', 'guess'), /technique/],
    [good.replace('364+278', '364+'), /./],
    [good.replace('0=642@6000', '0=643@6000'), /no end/],
    [good.replace('0=642@6000', 'six'), /not like/],
    [good.replace(',6000,', ',fast,'), /total_ms/],
    [good.replace('2026-03-01T', 'March '), /^started: .* must look like 2026-11-26T09:00:00Z/],
    [good.replace(',done', ',gone'), /outcome/],
    [good.replace(',5', ',77'), /levels/],
  ]
  const read = readCsv(head + [good, ...bad.map(([line]) => line), good].join('\n'), newId)
  expect(read.map((r) => 'row' in r)).toEqual([true, ...bad.map(() => false), true])
  for (const [i, [, reason]] of bad.entries())
    expect(read[i + 1]).toMatchObject({ line: i + 3, error: expect.stringMatching(reason) })
  // Rows that bring no session are put into one a day, in their order.
  const [first, last] = [read[0]!, read.at(-1)!].map((r) => (r as { row: AttemptRow }).row.attempt)
  expect(last!.sessionId).toBe(first!.sessionId)
  expect([first!.n, last!.n]).toEqual([1, 2])
  expect(() => readCsv('a,b\n1,2', newId)).toThrow(/technique/)
})

test('facts come back from their table as they went out; what cannot be true is told', () => {
  const cards = FACT_DECKS.flatMap((d) => d.cards)
  const rows = cards.map(
    (card, i): FactRow => ({
      id: newId(),
      fact: card.id,
      at: new Date(Date.UTC(2026, 2, 1, 9, 0, i)).toISOString(),
      entry: i % 3 === 0 ? null : i % 3 === 1 ? card.kind.print(card.expect) : '0',
      right: i % 3 === 1,
      ms: 900 + i,
      thinkMs: 800,
      withinMs: i % 4 === 0 ? null : 700 + i,
      judge: JUDGE,
    }),
  )
  const text = factsHead() + factsRows(rows, 'Wim')
  expect(holdsFacts(text)).toBe(true)
  expect(holdsFacts(csvHead())).toBe(false)
  const read = readFacts(text, newId)
  expect(read.map((r) => ('fact' in r ? r.fact : r))).toEqual(rows)
  const head = 'fact;started;right;total_ms;think_ms;entry\n'
  const bad: [string, RegExp][] = [
    ['7x8;2026-03-01 09:00:00;yes;900;901;56', /thinking cannot take longer/],
    ['7x8;2026-03-01 09:00:00;yes;900;800;54', /says right, but 54 is not the answer/],
    ['7x77;2026-03-01 09:00:00;yes;900;800;', /no fact "7x77"/],
    ['7x8;yesterday;yes;900;800;', /^started/],
    ['7x8;2026-03-01 09:00:00;perhaps;900;800;', /^right: "perhaps" must be yes or no/],
    ['7x8;2026-03-01 09:00:00;TRUE;soon;;', /^total_ms/],
  ]
  const told = readFacts(
    head + ['7x8;2026-03-01 09:00:00;TRUE;900;;56', ...bad.map(([line]) => line)].join('\n'),
    newId,
  )
  expect(told[0]).toMatchObject({
    line: 2,
    fact: { right: true, ms: 900, thinkMs: 900, withinMs: 1200, entry: '56' },
  })
  for (const [i, [, reason]] of bad.entries())
    expect(told[i + 1]).toMatchObject({ line: i + 3, error: expect.stringMatching(reason) })
  expect(() => readFacts('fact,right\n', newId)).toThrow('missing: started, total_ms')
})

test('no text makes the reader fail otherwise than with a reason', () => {
  fc.assert(
    fc.property(fc.string({ maxLength: 300 }), (text) => {
      for (const read of [
        () => readCsv(text, newId),
        () => readFacts(text, newId),
        () => readFacts(`fact,started,right,total_ms\n${text}`, newId),
        () => readBusy(text, '2026-01-01', '2026-12-31', 'UTC'),
      ])
        try {
          read()
        } catch (error) {
          expect(error).toBeInstanceOf(InputError)
        }
    }),
  )
})

const learner = { id: demo[0]!.id, timeZone: 'Europe/Lisbon' }
const item = {
  kind: 'edge',
  id: 'add-pairs',
  level: 2,
  support: 'answer',
  problems: 12,
  minutes: 4,
  because:
    'Nearest; to its target, with a comma, a \\ and a long line that has to be folded somewhere: märz.',
  pinned: false,
} as const
const week: PlanDay[] = [
  { day: '2026-03-27', items: [item] },
  { day: '2026-03-28', items: [], rest: 'none' },
  { day: '2026-03-29', items: [item] },
]

// Reference: node-ical, a parser of its own; RFC 5545 sections 3.1 (lines of at most 75 octets, CRLF) and 3.6.1.
test('the plan is an iCalendar that another parser reads, across the change of clocks', () => {
  const text = planCalendar(week, { ...DEFAULT_SETTINGS, at: '17:30' }, learner, '2026-03-27T08:00:00.000Z')
  for (const line of text.split('\r\n')) expect(new TextEncoder().encode(line).length).toBeLessThanOrEqual(75)
  expect(text.replaceAll('\r\n', '')).not.toMatch(/[\r\n]/)
  const events = Object.values(ical.sync.parseICS(text)).filter((e) => e?.type === 'VEVENT')
  expect(events).toHaveLength(2)
  expect(text).not.toContain('VALARM')
  // RFC 5545 section 3.6.6: an alarm that is shown has a description; its trigger is a time before the start.
  for (const [alarm, trigger] of [
    [10, '-PT10M'],
    [60, '-PT1H'],
    [0, 'PT0S'],
  ] as const) {
    const reminds = planCalendar(week, { ...DEFAULT_SETTINGS, alarm }, learner, '2026-03-27T08:00:00.000Z')
    const [found] = /BEGIN:VALARM.*?END:VALARM/s.exec(reminds)!
    expect(found.split('\r\n')).toEqual([
      'BEGIN:VALARM',
      'ACTION:DISPLAY',
      'DESCRIPTION:Mental arithmetic\\, 4 min',
      `TRIGGER:${trigger}`,
      'END:VALARM',
    ])
    expect(Object.values(ical.sync.parseICS(reminds)).filter((e) => e?.type === 'VEVENT')).toHaveLength(2)
  }
  const [first, second] = events as {
    uid: string
    start: Date
    end: Date
    summary: string
    description: string
  }[]
  // Lisbon is on UTC until the night of 29 March 2026 and an hour ahead from then on.
  expect(first!.start.toISOString()).toBe('2026-03-27T17:30:00.000Z')
  expect(second!.start.toISOString()).toBe('2026-03-29T16:30:00.000Z')
  expect(second!.end.getTime() - second!.start.getTime()).toBe(4 * 60_000)
  expect(first!.description).toContain(item.because)
  expect(new Set(events.map((e) => (e as { uid: string }).uid)).size).toBe(2)
  // Made later it stands in the place of this one; read again it takes up no time of one's own.
  const sequence = (now: string) =>
    Number(/SEQUENCE:(\d+)/.exec(planCalendar(week, DEFAULT_SETTINGS, learner, now))![1])
  expect(sequence('2026-03-27T08:01:00.000Z')).toBe(sequence('2026-03-27T08:00:00.000Z') + 1)
  expect(readBusy(text, '2026-03-01T00:00:00.000Z', '2026-04-30T00:00:00.000Z', 'UTC')).toEqual([])
})

test('busy times: series, exceptions, zones, free/busy lists; cancelled and transparent ones do not count', () => {
  const text = [
    'BEGIN:VCALENDAR',
    'VERSION:2.0',
    'PRODID:-//Test//EN',
    'BEGIN:VEVENT',
    'UID:choir',
    'DTSTART;TZID=Europe/Berlin:20260302T160000',
    'DTEND;TZID=Europe/Berlin:20260302T170000',
    'RRULE:FREQ=WEEKLY;COUNT=3',
    'EXDATE;TZID=Europe/Berlin:20260309T160000',
    'END:VEVENT',
    'BEGIN:VEVENT',
    'UID:off',
    'STATUS:CANCELLED',
    'DTSTART:20260303T160000Z',
    'DTEND:20260303T170000Z',
    'END:VEVENT',
    'BEGIN:VEVENT',
    'UID:birthday',
    'TRANSP:TRANSPARENT',
    'DTSTART;VALUE=DATE:20260304',
    'END:VEVENT',
    'BEGIN:VEVENT',
    'UID:floating',
    'DTSTART:20260305T160000',
    'DURATION:PT30M',
    'END:VEVENT',
    'BEGIN:VFREEBUSY',
    'FREEBUSY;FBTYPE=BUSY:20260306T160000Z/PT1H,20260306T164500Z/PT1H',
    'FREEBUSY;FBTYPE=FREE:20260307T160000Z/PT1H',
    'END:VFREEBUSY',
    'END:VCALENDAR',
  ].join('\r\n')
  expect(readBusy(text, '2026-03-01T00:00:00.000Z', '2026-04-01T00:00:00.000Z', 'Pacific/Auckland')).toEqual([
    { from: '2026-03-02T15:00:00.000Z', to: '2026-03-02T16:00:00.000Z' },
    // 16:00 in Auckland, 13 hours ahead.
    { from: '2026-03-05T03:00:00.000Z', to: '2026-03-05T03:30:00.000Z' },
    { from: '2026-03-06T16:00:00.000Z', to: '2026-03-06T17:45:00.000Z' },
    { from: '2026-03-16T15:00:00.000Z', to: '2026-03-16T16:00:00.000Z' },
  ])
  // Practice moves behind the choir, and rests on a day that is all taken.
  const busy = readBusy(text, '2026-03-01T00:00:00.000Z', '2026-04-01T00:00:00.000Z', 'UTC')
  const settings = { ...DEFAULT_SETTINGS, at: '15:00', busy }
  expect(
    planCalendar(
      [{ day: '2026-03-02', items: [item] }],
      settings,
      { id: 'x', timeZone: 'UTC' },
      week[0]!.day,
    ),
  ).toContain('DTSTART:20260302T160000Z')
  const full = { ...settings, busy: [{ from: '2026-03-02T00:00:00.000Z', to: '2026-03-03T00:00:00.000Z' }] }
  expect(
    planCalendar([{ day: '2026-03-02', items: [item] }], full, { id: 'x', timeZone: 'UTC' }, week[0]!.day),
  ).not.toContain('VEVENT')
})

test('long series reach today, a moved date stands for itself, a cancelled one is free, nonsense is told', () => {
  const event = (...lines: string[]) => ['BEGIN:VEVENT', ...lines, 'END:VEVENT']
  const calendar = (...events: string[][]) =>
    ['BEGIN:VCALENDAR', 'VERSION:2.0', 'PRODID:-//Test//EN', ...events.flat(), 'END:VCALENDAR'].join('\r\n')
  const daily = event('UID:a', 'DTSTART:20100101T160000Z', 'DTEND:20100101T170000Z', 'RRULE:FREQ=DAILY')
  const moved = event(
    'UID:a',
    'RECURRENCE-ID:20260303T160000Z',
    'DTSTART:20260303T190000Z',
    'DTEND:20260303T193000Z',
  )
  const off = event(
    'UID:a',
    'RECURRENCE-ID:20260304T160000Z',
    'STATUS:CANCELLED',
    'DTSTART:20260304T160000Z',
    'DTEND:20260304T170000Z',
  )
  const read = (text: string) =>
    readBusy(text, '2026-03-02T00:00:00.000Z', '2026-03-06T00:00:00.000Z', 'UTC').map((b) =>
      b.from.slice(5, 16),
    )
  expect(read(calendar(daily, moved, off))).toEqual(['03-02T16:00', '03-03T19:00', '03-05T16:00'])
  expect(() => read(calendar(event('UID:b', 'DTSTART:20269999T990000Z', 'RRULE:FREQ=NEVER')))).toThrow(
    InputError,
  )
})

// The rules are those of xAPI 1.0.3, part two: 2.2 (required properties, UUIDs), 2.4.2.3 (account), 2.4.4 (activity),
// 2.4.5 (result, duration), 4.2 (extensions by IRI), 4.4 (no empty values), 4.5 (timestamps with a zone).
test('statements keep the rules of xAPI 1.0.3', () => {
  const uuid = /^[0-9a-f]{8}-[0-9a-f]{4}-[1-5][0-9a-f]{3}-[89ab][0-9a-f]{3}-[0-9a-f]{12}$/
  const iri = /^[a-z][a-z0-9+.-]*:[^\s<>"{}|\\^`]+$/i
  const allowed = {
    statement: ['id', 'actor', 'verb', 'object', 'result', 'context', 'timestamp', 'version'],
    result: ['score', 'success', 'completion', 'response', 'duration', 'extensions'],
    context: ['registration', 'contextActivities', 'platform', 'language', 'extensions'],
  }
  const noNulls = (value: unknown): boolean =>
    value === null
      ? false
      : typeof value === 'object'
        ? Object.values(value!).every(noNulls)
        : value !== undefined
  for (const { attempt } of rows.slice(0, 300)) {
    const verdict = judgeRecord(attempt)
    const s = statementOf({ ...attempt, ...verdict, learnerId: learner.id }) as unknown as Record<
      string,
      never
    > & {
      id: string
      actor: { objectType: string; account: { homePage: string; name: string } }
      verb: { id: string; display: Record<string, string> }
      object: { objectType: string; id: string; definition: { type: string; extensions: object } }
      result: { success: boolean; duration: string; extensions: object }
      context: { contextActivities: Record<string, { id: string; definition: { type: string } }[]> }
      timestamp: string
    }
    expect(Object.keys(s).every((k) => allowed.statement.includes(k))).toBe(true)
    expect(Object.keys(s.result).every((k) => allowed.result.includes(k))).toBe(true)
    expect(Object.keys(s.context).every((k) => allowed.context.includes(k))).toBe(true)
    expect(noNulls(s)).toBe(true)
    expect(s.id).toMatch(uuid)
    // An address of its own, and of every part: no name without one.
    expect(new URL(s.actor.account.homePage).protocol).toBe('https:')
    const parts = Object.values(s.context.contextActivities).flat()
    expect(Object.keys(s.context.contextActivities)).toEqual(['parent', 'grouping', 'category'])
    for (const id of parts.flatMap((p) => [p.id, p.definition.type])) expect(id).toMatch(iri)
    expect(parts[0]!.id).toContain(attempt.sessionId)
    // Part two, 4.1.4.1: an interaction says of what type it is; a numeric one holds its right answer.
    const { definition } = s.object as unknown as {
      definition: { interactionType: string; correctResponsesPattern?: string[] }
    }
    expect(definition.interactionType).toBe('numeric')
    const { correctResponsesPattern: [right] = [] } = definition
    if (verdict.right && right && attempt.support === 'answer')
      expect((s.result as unknown as { response: string }).response).toBe(right)
    expect(Date.parse(s.timestamp)).toBeGreaterThan(Date.parse(attempt.startedAt))
    // An agent is identified in exactly one way, and not by a name.
    expect(Object.keys(s.actor).sort()).toEqual(['account', 'objectType'])
    expect(JSON.stringify(s)).not.toContain(demo[0]!.name)
    for (const id of [
      s.actor.account.homePage,
      s.verb.id,
      s.object.id,
      s.object.definition.type,
      ...Object.keys(s.object.definition.extensions),
      ...Object.keys(s.result.extensions),
    ])
      expect(id).toMatch(iri)
    expect(Object.keys(s.verb.display).every((tag) => Intl.getCanonicalLocales(tag).length === 1)).toBe(true)
    expect(s.timestamp).toMatch(/^\d{4}-\d\d-\d\dT\d\d:\d\d:\d\d(\.\d+)?Z$/)
    expect(s.result.duration).toMatch(/^PT\d+\.\d\dS$/)
    expect(s.result.success).toBe(verdict.right)
  }
  expect([duration(6000), duration(1234), duration(61_005)]).toEqual(['PT6.00S', 'PT1.23S', 'PT61.01S'])
})
