import fc from 'fast-check'
import { expect, test } from 'vitest'
import { type LatestAt, type Mastery, masteryOf } from '../curriculum/mastery.js'
import { factsNeeded } from '../curriculum/needs.js'
import type { PastSession } from '../curriculum/retention.js'
import { FACT_DECKS } from '../facts/decks.js'
import { thorough } from '../kit/thorough.js'
import type { SlipCount } from '../learner/bugs.js'
import { type FactMemory, remember } from '../learner/recall.js'
import { DEFAULT_SETTINGS } from '../learner/settings.js'
import { dayAfter, dayIn, daysBetween, instantOf, weekOf } from '../number/days.js'
import { marked } from '../number/marks.js'
import { middleOf } from '../number/statistics.js'
import { TECHNIQUES, techniqueById, withNeeds } from '../registry/techniques.js'
import { BEGINNER } from '../simulate/learner.js'
import type { Policy } from '../simulate/policies.js'
import { goalReached, type SimulationInput } from '../simulate/weeks.js'
import { freeTime, mergedBusy } from './agenda.js'
import type { PlanInput } from './input.js'
import { nextSupport, SUPPORTED, sessionLength } from './session.js'
import { itemName, planDay, restingWords } from './today.js'
import { planWeek, recalledOn, type WeekInput } from './week.js'

const day = '2026-03-10'
const now = `${day}T15:00:00.000Z`

const worked = (
  technique: string,
  on: string,
  given: { attempts?: number; right?: number; ms?: number; support?: LatestAt['support'] } = {},
): LatestAt => {
  const { attempts = 10, right = 9, ms = 4000, support = 'answer' } = given
  const answers = Array.from({ length: attempts }, (_, i) => ({ right: i < right, timed: true, totalMs: ms }))
  return { technique, level: 1, support, at: `${on}T15:00:00.000Z`, answers }
}

const WORKED = [
  worked('add-running-total', '2026-03-01', { attempts: 20, right: 20, ms: 2000 }),
  worked('subtract-hold-drop', '2026-03-01', { attempts: 20, right: 20, ms: 2000 }),
  worked('add-place-sweep', '2026-03-07', { ms: 3000 }),
  worked('add-columns-left', '2026-03-08', { ms: 9000, right: 6 }),
]

/** A session for each of the latest answers' levels. */
const pastOf = (latest: readonly LatestAt[]): PastSession[] =>
  latest.map(({ technique, level, support, at, answers }) => ({
    technique,
    level,
    support,
    at,
    answers: answers.length,
    right: answers.filter((a) => a.right).length,
    medianMs: answers[0]?.totalMs ?? null,
  }))

function input(more: Partial<PlanInput> = {}, latest = WORKED): PlanInput {
  return {
    settings: DEFAULT_SETTINGS,
    day,
    now,
    memories: [],
    slow: [],
    recall: { share: undefined, ms: undefined },
    mastery: masteryOf({ latest, moves: [], past: pastOf(latest), now }),
    slips: [],
    metToday: new Set(),
    done: new Map(),
    ...more,
  }
}

const ids = (plan: PlanInput) => planDay(plan).map((i) => `${i.kind} ${i.id}`)

function due(count: number, deck = 'sums'): FactMemory[] {
  return FACT_DECKS.find((d) => d.id === deck)!
    .cards.slice(0, count)
    .map((c) => ({
      ...remember(undefined, {
        fact: c.id,
        right: true,
        ms: 500,
        thinkMs: 500,
        withinMs: 1000,
        at: '2026-02-01T10:00:00.000Z',
      }),
    }))
}

test('a kind that went badly on papers has a part of the day, once; the others of the paper stay away', () => {
  const weak = [
    { technique: 'paper-roman', level: 3, missed: 2, of: 3 },
    { technique: 'paper-bases', level: 1, missed: 1, of: 1 },
  ]
  const latest = [...WORKED, worked('paper-mean', '2026-03-09', { right: 3 })]
  const plan = planDay(input({ weak }, latest))
  const item = plan.find((p) => p.id === 'paper-roman')!
  expect(item).toMatchObject({ level: 3, because: 'On your last papers 2 of 3 were missed.' })
  expect(plan.filter((p) => p.id.startsWith('paper-')).map((p) => p.id)).toEqual(['paper-roman'])
  expect(plan.reduce((sum, p) => sum + p.minutes, 0)).toBeLessThanOrEqual(DEFAULT_SETTINGS.minutes + 0.01)
  // Worked today it has had its turn, and so has the paper.
  const after = ids(input({ weak, done: new Map([['paper-roman', 1]]) }, latest))
  expect(after.some((id) => id.includes('paper-'))).toBe(false)
  expect(ids(input({}, latest)).some((id) => id.includes('paper-'))).toBe(false)
  // What is pinned comes whatever it is.
  const pinned = { ...DEFAULT_SETTINGS, pinned: ['paper-mean'] }
  expect(ids(input({ settings: pinned }, latest))).toContain('edge paper-mean')
  const easy = planDay(input({ weak, settings: { ...DEFAULT_SETTINGS, wording: 'easy' } }))
  expect(easy.find((p) => p.id === 'paper-roman')!.because).toBe(
    'Some of these were missed on your last papers.',
  )
})

test('what fades first is asked again even where less time is left than it takes; the next one only where it fits', () => {
  const minutes = (most: number) =>
    planDay(input({ settings: { ...DEFAULT_SETTINGS, minutes: most, banned: ['facts', 'mixed'] } }))
      .filter((i) => i.kind === 'review')
      .map((i) => [i.id, Number(i.minutes.toFixed(2))] as const)
  const all = minutes(30)
  expect(all.map(([id]) => id)).toEqual(['add-running-total', 'subtract-hold-drop'])
  const one = all[0]![1]
  // Whole, with nothing left for the second; a little less than it takes; hardly any time at all.
  const shares = [4, 2, 1.2, 0.8, 0.6].map((most) => minutes(most))
  for (const found of shares) for (const [, its] of found) expect(its).toBeLessThanOrEqual(one)
  expect(shares.map((found) => found.length)).toEqual(shares.map((found) => Math.min(found.length, 2)))
  const short = shares.flat().filter(([id, its]) => id === 'add-running-total' && its < one)
  expect(short.length).toBeGreaterThan(0)
  expect(minutes(0.3)).toEqual([])
})

test('due facts, then what is to be asked again, then what is soonest at its target; each with its reason', () => {
  const plan = planDay(input({ memories: due(10), slow: ['7x8'] }))
  expect(plan.map((i) => `${i.kind} ${i.id}`)).toEqual([
    'facts facts',
    'review add-running-total',
    'review subtract-hold-drop',
    'edge add-place-sweep',
  ])
  const [facts, review, , edge] = plan
  expect(facts).toMatchObject({
    because: expect.stringMatching(
      /^10 to repeat before you forget them, 1 that slows you down, 4 new\. Facts first/,
    ),
    facts: expect.arrayContaining(['7x8']),
  })
  expect(edge!.because).toBe(
    marked('Closest to its target. Level 1: 9 of the last 10 right, 3.0 s (target 2.7 s).'),
  )
  expect(review!.because).toBe('Asked again before you forget it: last worked 9 days ago.')
  // Late in the evening west of Greenwich the instant has the next day's date.
  const known = worked('add-columns-left', '2026-03-08', { attempts: 20, right: 20, ms: 2000 })
  const settings = { ...DEFAULT_SETTINGS, pinned: ['add-columns-left', 'add-running-total'] }
  const evening = planDay(input({ day: '2026-03-07', settings }, [known]))
  expect(evening.find((i) => i.id === 'add-columns-left')!.because).toMatch(/^Pinned\. Closest to its target/)
})

test('a slip made again and again is called to mind; facts and keying have their own ways', () => {
  const slip = (slip: string, place: number, count: number, technique = 'add-place-sweep') => ({
    technique,
    slip,
    place,
    count,
  })
  const said = (...slips: SlipCount[]) =>
    planDay(input({ slips }))
      .find((i) => i.id === 'add-place-sweep')!
      .because.split('. ')
      .at(-1)
  expect(said(slip('carry-lost', 1, 3), slip('carry-lost', 2, 1), slip('part-left-out', 0, 2))).toBe(
    'Watch out: you forgot to carry 4 times lately, mostly in the tens.',
  )
  expect(said(slip('carry-lost', 0, 1), slip('carry-lost', 1, 1), slip('carry-lost', 2, 1))).toBe(
    'Watch out: you forgot to carry 3 times lately.',
  )
  for (const none of [
    slip('carry-lost', 1, 2),
    slip('fact', 1, 9),
    slip('key-swapped', 1, 9),
    slip('carry-lost', 1, 9, 'add-pairs'),
  ])
    expect(said(none)).not.toContain('Watch out')
})

/** What is practised, facts and what is asked again left out. */
const practised = (plan: PlanInput) =>
  planDay(plan).flatMap((i) => (i.kind === 'edge' || i.kind === 'new' ? [`${i.kind} ${i.id}`] : []))

test('what is assigned and pinned comes first, banned and skipped items never; what is skipped comes back the next day', () => {
  const set = (more: object) => input({ settings: { ...DEFAULT_SETTINGS, ...more } })
  expect(practised(set({ pinned: ['add-columns-left'] }))).toEqual(['edge add-columns-left'])
  expect(ids(set({ pinned: ['add-columns-left', 'subtract-hold-drop'] })).slice(1)).toEqual([
    'review add-running-total',
    'edge add-columns-left',
    'review subtract-hold-drop',
  ])
  const assigned = planDay({ ...set({ pinned: ['add-columns-left'] }), assigned: ['add-place-sweep'] })
  expect(assigned.slice(-2)).toMatchObject([
    { kind: 'edge', id: 'add-place-sweep', because: expect.stringMatching(/^Set by your coach\./) },
    { kind: 'review', id: 'add-columns-left', because: expect.stringMatching(/^Pinned\./) },
  ])
  expect(ids(set({ banned: ['facts', 'add-place-sweep'] }))).toEqual([
    'review add-running-total',
    'review subtract-hold-drop',
    'edge add-columns-left',
  ])
  const skipped = { skipped: [{ item: 'facts', day }] }
  expect(ids(set(skipped))).not.toContain('facts facts')
  expect(ids({ ...set(skipped), day: dayAfter(day), now: `${dayAfter(day)}T15:00:00.000Z` })).toContain(
    'facts facts',
  )
  expect(ids(set({ banned: ['facts', ...TECHNIQUES.map((t) => t.id)] }))).toEqual([])
})

test('what fades is asked at the level that is known and without steps; from three on shuffled; not twice a day', () => {
  const known = (technique: string, level: number) => ({
    ...worked(technique, '2026-03-01', { attempts: 20, right: 20, ms: 2000 }),
    level,
  })
  const latest = [
    known('add-running-total', 3),
    known('subtract-hold-drop', 1),
    known('subtract-complement', 2),
  ]
  const moves = [{ technique: 'add-running-total', to: 4, by: 'rule' as const }]
  const mastery = masteryOf({ latest, moves, past: pastOf(latest), now })
  const at = (more: Partial<PlanInput>) =>
    planDay(input({ mastery, ...more })).find((i) => i.kind === 'mixed')
  const mixed = at({})
  expect(mixed).toMatchObject({
    problems: 4,
    because: '3 techniques you know, asked again before you forget them.',
  })
  expect(itemName(mixed!)).toMatch(/^.*, .* and .*, mixed$/)
  expect(mixed?.kind === 'mixed' && mixed.of.toSorted((a, b) => a.id.localeCompare(b.id))).toEqual([
    { id: 'add-running-total', level: 3 },
    { id: 'subtract-complement', level: 2 },
    { id: 'subtract-hold-drop', level: 1 },
  ])
  // No more of them than there are minutes for.
  const short = at({ settings: { ...DEFAULT_SETTINGS, minutes: 2 } })
  expect(short?.kind === 'mixed' && short.of).toHaveLength(2)
  // Left out for a day nothing is asked again; never shuffled, one comes after the other.
  const again = (more: object) =>
    planDay(input({ mastery, settings: { ...DEFAULT_SETTINGS, ...more } })).flatMap((i) =>
      i.kind === 'mixed' || i.kind === 'review' ? i.kind : [],
    )
  expect(again({ skipped: [{ item: 'mixed', day }] })).toEqual([])
  expect(again({ banned: ['mixed'] })).toEqual(['review', 'review'])
  // What has been asked today counts: there are minutes for so much of it.
  const much = new Map(['add-running-total', 'subtract-hold-drop'].map((id) => [id, 0.8]))
  expect(planDay(input({ mastery, done: much })).filter((i) => i.kind === 'review')).toEqual([])
  // With two of them worked today, one is left, by itself; without steps, however it was worked last.
  const steps = {
    ...worked('subtract-complement', '2026-03-02', { attempts: 6, right: 1, support: 'steps' }),
    level: 2,
  }
  const helped = masteryOf({ latest: [...latest, steps], moves, past: pastOf([...latest, steps]), now })
  const done = new Map([
    ['add-running-total', 0.5],
    ['subtract-hold-drop', 0.5],
  ])
  expect(planDay(input({ mastery: helped, done })).find((i) => i.kind === 'review')).toMatchObject({
    id: 'subtract-complement',
    level: 2,
    support: 'answer',
  })
})

test('nothing blocks: after a week without moving a technique steps back for a week, with the reason, and comes again', () => {
  const days = (technique: string, from: string, to: string) =>
    Array.from({ length: daysBetween(from, to) + 1 }, (_, i) =>
      worked(technique, dayAfter(from, i), { attempts: 12, right: 8, ms: 4000 }),
    )
  const stuck = (from: string, to: string) => {
    const sessions = days('add-running-total', from, to)
    const latest = [...WORKED.slice(1, 2), ...sessions.slice(-1)]
    const mastery = masteryOf({
      latest,
      moves: [],
      past: [...pastOf(sessions), ...pastOf(WORKED.slice(1, 2))],
      now,
    })
    const given = input({ mastery, settings: { ...DEFAULT_SETTINGS, minutes: 20, banned: ['facts'] } })
    return { items: planDay(given).filter((i) => i.kind !== 'review'), said: restingWords(given) }
  }
  expect(stuck('2026-03-07', '2026-03-09')).toMatchObject({ items: [{ id: 'add-running-total' }], said: '' })
  const { items, said } = stuck('2026-03-02', '2026-03-09')
  expect(items.map((i) => i.id)).not.toContain('add-running-total')
  expect(said).toBe('Running total has a rest: not moved up for a week.')
  // Rested, it has its turn.
  const rested = stuck('2026-02-20', '2026-03-02')
  expect(rested.items[0]).toMatchObject({ id: 'add-running-total' })
  expect(rested.said).toBe('')
})

test('of what is in practice the fewest minutes come first: right answers count, and what is the likeliest to be lost', () => {
  const ids = ['add-running-total', 'subtract-complement'] as const
  for (const sure of ids) {
    const latest = ids.map((id) =>
      worked(id, '2026-03-09', { attempts: 12, right: id === sure ? 12 : 8, ms: 2600 }),
    )
    const mastery = masteryOf({ latest, moves: [], past: pastOf(latest), now })
    expect(practised(input({ mastery })), sure).toEqual([`edge ${sure}`])
    const long = ids.map((id) =>
      worked(id, id === sure ? '2026-02-01' : '2026-02-20', { attempts: 20, right: 20, ms: 2000 }),
    )
    const known = masteryOf({ latest: long, moves: [], past: pastOf(long), now })
    const reviews = planDay(input({ mastery: known })).filter((i) => i.kind === 'review')
    expect(reviews.map((i) => i.id)).toEqual([sure, ids.find((id) => id !== sure)])
  }
})

test('something new every few days, unless much is in practice already; it has the day where its share is small', () => {
  const since = (on: string, minutes: number, practised = ['add-running-total', 'subtract-complement']) => {
    const latest = practised.map((id) => worked(id, on, { attempts: 12, right: 8 }))
    const again = practised.map((id) => worked(id, '2026-03-09', { attempts: 12, right: 8 }))
    const mastery = masteryOf({ latest: again, moves: [], past: pastOf([...latest, ...again]), now })
    const settings = { ...DEFAULT_SETTINGS, minutes, banned: ['facts'] }
    return planDay(input({ mastery, settings })).map((i) => i.kind)
  }
  expect(since('2026-03-07', 10)).toEqual(['edge'])
  expect(since('2026-03-05', 10)).toEqual(['edge', 'new'])
  expect(since('2026-03-05', 4)).toEqual(['new'])
  // With something ready, four in practice are enough.
  const known = worked('add-running-total', '2026-03-09', { attempts: 20, right: 20, ms: 2000 })
  const kinds = (practised: string[]) => {
    const some = practised.map((id) => worked(id, '2026-03-05', { attempts: 12, right: 8 }))
    const again = practised.map((id) => worked(id, '2026-03-09', { attempts: 12, right: 8 }))
    const past = pastOf([{ ...known, at: '2026-03-01T15:00:00.000Z' }, known, ...some, ...again])
    const mastery = masteryOf({ latest: [known, ...again], moves: [], past, now })
    const settings = { ...DEFAULT_SETTINGS, minutes: 10, banned: ['facts'] }
    return planDay(input({ mastery, settings })).map((i) => i.kind)
  }
  const three = ['subtract-complement', 'subtract-hold-drop', 'soroban-read']
  expect(kinds(three)).toEqual(['edge', 'new'])
  expect(kinds([...three, 'add-columns-left'])).toEqual(['edge'])
})

/** Facts recalled today, so many of them for the first time. */
function recalledToday(count: number): Pick<PlanInput, 'memories' | 'metToday'> {
  const memories = FACT_DECKS.find((d) => d.id === 'sums')!
    .cards.slice(0, count)
    .map(({ id: fact }) =>
      remember(undefined, { fact, right: true, ms: 2000, thinkMs: 2000, withinMs: 1000, at: now }),
    )
  return { memories, metToday: recalledOn(memories, day, (at) => at.slice(0, 10)) }
}

test('facts go on with those not asked today, however the round ended; a slow one does not come twice', () => {
  const facts = (more: Partial<PlanInput>) => {
    const item = planDay(input({ settings: { ...DEFAULT_SETTINGS, minutes: 4 }, ...more }))[0]
    return item?.kind === 'facts' ? item.facts : []
  }
  expect(facts({})).toHaveLength(4)
  // Those that the technique on the edge rests on are the first of the new.
  const needed = factsNeeded(techniqueById('add-place-sweep'))
  expect(facts({}).every((f) => needed.includes(f))).toBe(true)
  // Two of four new ones were met, both too slowly: due again at once, but not today.
  const { memories, metToday } = recalledToday(2)
  expect(memories.every((m) => m.due <= `${day}T23:00:00Z`)).toBe(true)
  const rest = facts({ memories, metToday, now: `${day}T23:00:00.000Z` })
  expect(rest).toHaveLength(2)
  expect(rest.filter((f) => metToday.has(f))).toEqual([])
  expect(facts(recalledToday(4))).toEqual([])
  // However many wait, there is always room for some that are new.
  const many = due(36)
  const fresh = facts({ memories: many }).filter((f) => !many.some((m) => m.fact === f))
  expect(fresh).toHaveLength(2)
  // Whoever takes longer for each is asked fewer.
  const slower = facts({ memories: many, recall: { share: 3, ms: 6000 } })
  expect([facts({ memories: many }).length, slower.length]).toEqual([24, 9])
  // And more where what comes next rests on facts that are not there.
  expect(facts({ memories: due(36, 'tables') })).toHaveLength(38)
  // Due ones go on as well: ten of them, six asked.
  const ten = due(10)
  const six = ten
    .slice(0, 6)
    .map((m) => remember(m, { fact: m.fact, right: true, ms: 500, thinkMs: 500, withinMs: 1000, at: now }))
  const left = facts({
    memories: [...six, ...ten.slice(6)],
    metToday: recalledOn(six, day, (at) => at.slice(0, 10)),
  })
  expect(left.slice(0, 4).toSorted()).toEqual(
    ten
      .slice(6)
      .map((m) => m.fact)
      .toSorted(),
  )
})

test('what was begun goes on until its minutes are up; what became known makes room for the next', () => {
  const begun = input({
    ...recalledToday(4),
    done: new Map([
      ['facts', 0.7],
      ['add-place-sweep', 1],
    ]),
  })
  expect(ids(begun)).toEqual([
    'review add-running-total',
    'review subtract-hold-drop',
    'edge add-place-sweep',
  ])
  // What is asked again has its minutes, the edge the rest of the day.
  const [review, , edge] = planDay(begun)
  expect(review!.minutes).toBeCloseTo((6 * (2 + 3)) / 60, 5)
  expect(edge!.minutes).toBeCloseTo(4 - 0.7 - 1 - 2 * review!.minutes, 5)
  const over = input({
    ...recalledToday(4),
    done: new Map([
      ['facts', 0.7],
      ['add-place-sweep', 2.5],
      ['add-running-total', 0.8],
    ]),
  })
  expect(ids(over)).toEqual([])
  const known = [
    ...WORKED.filter((l) => l.technique !== 'add-place-sweep'),
    worked('add-place-sweep', day, { attempts: 20, right: 20, ms: 1000 }),
  ]
  const next = input(
    {
      ...recalledToday(4),
      done: new Map([
        ['facts', 0.7],
        ['add-place-sweep', 1],
      ]),
    },
    known,
  )
  expect(practised(next)).toEqual(['edge add-columns-left'])
})

test('what was only tried, or before its time, does not take over the day', () => {
  const today = (technique: string, attempts: number) => [
    ...WORKED,
    { ...worked(technique, day, { attempts, right: 0 }), level: 8 },
  ]
  const plan = (latest: LatestAt[], technique: string) =>
    ids(
      input(
        {
          ...recalledToday(4),
          done: new Map([
            ['facts', 0.7],
            [technique, 0.4],
          ]),
        },
        latest,
      ),
    )
  const usual = ids(input({ ...recalledToday(4), done: new Map([['facts', 0.7]]) }))
  expect(plan(today('add-column-totals', 2), 'add-column-totals')).toEqual(usual)
  // Roots need much that is not known yet, however often they were worked.
  expect(plan(today('root-duplex', 9), 'root-duplex')).toEqual(usual)
  expect(plan(today('add-columns-left', 9), 'add-columns-left').at(-1)).toBe('edge add-columns-left')
})

test('the plan fits the minutes, whatever they are and however long practice was missed', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 2, max: 60 }),
      fc.integer({ min: 0, max: 400 }),
      fc.integer({ min: 0, max: 36 }),
      (minutes, daysAway, facts) => {
        const later = dayAfter(day, daysAway)
        const plan = planDay(
          input({
            settings: { ...DEFAULT_SETTINGS, minutes },
            day: later,
            now: `${later}T15:00:00.000Z`,
            memories: due(facts),
          }),
        )
        const total = plan.reduce((sum, i) => sum + i.minutes, 0)
        expect(total).toBeLessThanOrEqual(minutes + 1e-9)
        expect(total).toBeGreaterThan(0.8 * minutes)
        // Nothing is owed: days away do not make the list longer.
        expect(plan.length).toBeLessThanOrEqual(5)
      },
    ),
  )
})

test('support goes one level at a time, and only when it went well', () => {
  const stand = (support: LatestAt['support'], answers: number, right: number): Pick<Mastery, 'worked'> => ({
    worked: {
      level: 1,
      support,
      lastAt: now,
      latest: { answers, right, medianMs: 1000 },
      alone: undefined,
      aimMs: 4000,
      course: undefined,
    },
  })
  expect(nextSupport({ worked: undefined })).toBe('watch')
  expect(nextSupport(stand('guided', 5, 4))).toBe('steps')
  expect(nextSupport(stand('guided', 5, 3))).toBe('guided')
  expect(nextSupport(stand('guided', 2, 2))).toBe('guided')
  // After many problems with help half of them right are enough: nobody stays in it for good.
  expect(nextSupport(stand('guided', 7, 4))).toBe('guided')
  expect(nextSupport(stand('guided', 8, 4))).toBe('steps')
  expect(nextSupport(stand('steps', 8, 3))).toBe('steps')
  expect(nextSupport(stand('steps', 5, 5))).toBe('answer')
  expect(nextSupport(stand('answer', 9, 0))).toBe('answer')
  expect(nextSupport(stand('answer', 20, 12))).toBe('answer')
  expect(nextSupport(stand('answer', 20, 11))).toBe('steps')
  const guided = [worked('add-running-total', '2026-03-09', { support: 'guided' })]
  const [, edge] = planDay(input({ settings: { ...DEFAULT_SETTINGS, minutes: 60 } }, guided))
  expect(edge).toMatchObject({ support: 'steps', problems: SUPPORTED })
})

function week(more: Partial<WeekInput>, busy?: string) {
  const given = {
    settings: DEFAULT_SETTINGS,
    day,
    now,
    memories: [],
    slow: [],
    recall: { share: undefined, ms: undefined },
    slips: [],
    latest: WORKED,
    past: pastOf(more.latest ?? WORKED),
    moves: [],
    dayOf: (at: string) => at.slice(0, 10),
  }
  return planWeek({ ...given, done: new Map(), ...more }, 7, (d) => d === busy)
}

test('the week ahead: facts come back when they are due, reviews take turns, a full day rests', () => {
  const busy = dayAfter(day, 2)
  const ahead = week({ memories: due(10) }, busy)
  expect(ahead.map((d) => d.day)).toEqual(Array.from({ length: 7 }, (_, i) => dayAfter(day, i)))
  expect(ahead[2]).toMatchObject({ items: [], rest: expect.stringContaining('calendar is full') })
  const reviews = ahead.flatMap((d) => d.items.filter((i) => i.kind === 'review').map((i) => i.id))
  // What fades is asked today; having been there after a week it holds for longer than the next one.
  expect(reviews).toEqual(['add-running-total', 'subtract-hold-drop'])
  const facts = (i: number) => ahead[i]!.items.flatMap((item) => (item.kind === 'facts' ? item.facts : []))
  // Those recalled today are not asked again tomorrow.
  expect(facts(1).filter((f) => facts(0).includes(f) && due(10).some((m) => m.fact === f))).toEqual([])
})

test('the week ahead foresees what the rules will do: a level up, the next technique, less support', () => {
  const edges = (latest: LatestAt[]) =>
    week({ latest, settings: { ...DEFAULT_SETTINGS, banned: ['facts'] } }).map((d) => d.items[0]!)
  // Fast and right, with some answers lacking: known by tomorrow, so that another one is on the edge.
  const near = [
    worked('add-running-total', '2026-03-08', { attempts: 20, right: 20, ms: 2000 }),
    worked('add-place-sweep', '2026-03-09', { attempts: 10, right: 10, ms: 2000 }),
    worked('add-columns-left', '2026-03-09', { attempts: 10, right: 9, ms: 6000 }),
  ]
  const [today, tomorrow] = edges(near)
  expect(today).toMatchObject({ kind: 'edge', id: 'add-place-sweep', level: 1, problems: 8 })
  expect(tomorrow).toMatchObject({ kind: 'edge', id: 'add-columns-left' })
  // As slow as it is, it stays, but something new comes as well.
  expect(new Set(edges([near[0]!, near[2]!]).map((i) => i.id))).toEqual(
    new Set(['add-columns-left', 'subtract-hold-drop']),
  )
  // What is quite new is watched, then asked without steps; known at the learner's own pace, so that something new comes.
  expect(
    edges([])
      .map((i) => 'support' in i && i.support)
      .slice(0, 3),
  ).toEqual(['watch', 'answer', 'answer'])
})

test('a session ends where support or level may change', () => {
  const stand = (answers: number): Pick<Mastery, 'worked'> => ({
    worked: {
      level: 1,
      support: 'answer',
      lastAt: now,
      latest: { answers, right: answers, medianMs: 1000 },
      alone: undefined,
      aimMs: 4000,
      course: undefined,
    },
  })
  const length = (problems: number) => sessionLength('answer', stand(problems))
  expect([0, 8, 17, 18, 30].map(length)).toEqual([18, 10, 5, 9, 9])
  expect(sessionLength('answer', { worked: undefined })).toBe(18)
  expect(sessionLength('steps', stand(8))).toBe(SUPPORTED)
})

test('practice is put into the first free time from the wished one on, else earlier, else nowhere', () => {
  const at = (busy: [string, string][]) =>
    freeTime(
      {
        minutes: 10,
        at: '16:00',
        busy: busy.map(([from, to]) => ({ from: `${day}T${from}Z`, to: `${day}T${to}Z` })),
      },
      day,
      'UTC',
    )?.slice(11, 16)
  expect(at([])).toBe('16:00')
  expect(at([['15:00:00', '16:05:00']])).toBe('16:05')
  // A gap too short is no gap.
  expect(
    at([
      ['15:00:00', '16:05:00'],
      ['16:10:00', '17:00:00'],
    ]),
  ).toBe('17:00')
  expect(at([['12:00:00', '23:00:00']])).toBe('07:00')
  expect(at([['00:00:00', '23:59:00']])).toBe(undefined)
  expect(
    mergedBusy(
      [
        { from: 'b', to: 'd' },
        { from: 'a', to: 'c' },
        { from: 'e', to: 'f' },
        { from: '0', to: '1' },
      ],
      '5',
    ),
  ).toEqual([
    { from: 'a', to: 'd' },
    { from: 'e', to: 'f' },
  ])
})

test('days: an instant and back in any zone, across the change of clocks', () => {
  fc.assert(
    fc.property(
      fc.constantFrom('UTC', 'Europe/Lisbon', 'Pacific/Auckland', 'America/St_Johns', 'Asia/Kathmandu'),
      fc.integer({ min: 0, max: 4000 }),
      fc.integer({ min: 0, max: 23 }),
      (zone, days, hour) => {
        const date = dayAfter('2020-01-01', days)
        const instant = instantOf(date, `${String(hour).padStart(2, '0')}:30`, zone)
        // An hour left out in spring has no instant of its own; the day stays the same.
        expect(dayIn(instant, zone)).toBe(date)
        expect(daysBetween('2020-01-01', date)).toBe(days)
        expect(new Date(weekOf(date)).getUTCDay()).toBe(1)
        expect(daysBetween(weekOf(date), date)).toBeLessThan(7)
      },
    ),
  )
})

test('in simulation the plan meets its targets in far fewer minutes than by chance and in turn, and hardly more than one by one', () => {
  const aims = ['add-pairs', 'subtract-blocks', 'multiply-near-base', 'square-duplex', 'divide-short']
  const needed = new Set(aims.flatMap(withNeeds))
  const goal = TECHNIQUES.map((t) => t.id).filter((id) => needed.has(id))
  const days = 160
  const minutes = (policy: Policy, i: number) => {
    const traits = {
      ...BEGINNER,
      factMs: 600 + 120 * i,
      carryMs: 350 + 60 * i,
      weak: i % 2 ? [7] : [],
      slipRate: 0.01 + 0.003 * (i % 3),
    }
    const given: SimulationInput = {
      ...{ traits, fadeDays: 20, minutes: 4, days, attendance: 0.8, policy, goal, seed: i },
    }
    // Whoever does not get there has practised all the while at least.
    return goalReached(given)?.minutes ?? 0.7 * 4 * days
  }
  const byPlan = Array.from({ length: thorough(6, 3) }, (_, i) => minutes('plan', i))
  const beside = (policy: Policy) => middleOf(byPlan.map((plan, i) => minutes(policy, i) / plan))
  // Measured: 0.82, 3.2 and 3.2 (with examinees see the benchmark); with one technique after another nothing is repeated.
  expect(beside('one-by-one')).toBeGreaterThan(0.75)
  expect(beside('random')).toBeGreaterThan(2)
  expect(beside('in-turn')).toBeGreaterThan(2)
}, 120_000)
