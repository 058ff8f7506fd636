/**
 * What to practise today in the minutes there are: due facts first, then what is to be asked again, then what reaches its
 * target soonest, and something new every few days. Nothing is owed for days missed, and nothing blocks the way.
 */

import { firstMs } from '../curriculum/levels.js'
import { isKnown, type Mastery } from '../curriculum/mastery.js'
import { bugOf } from '../learner/bugs.js'
import { byTime, daysBetween } from '../number/days.js'
import { present } from '../number/present.js'
import { COURSE, techniqueById } from '../registry/techniques.js'
import { bugWords, PLAN } from '../words/plan.js'
import { factsFor } from './facts.js'
import type { PlanInput, PlanItem, TechniqueItem } from './input.js'
import { BETWEEN, nextSupport, sessionLength } from './session.js'
import { wordsOf } from './wording.js'
import { bySoonest, fading, heldDays, open, unready } from './worth.js'

/** Less than this many minutes are not worth beginning for. */
const LEAST_MINUTES = 0.4
/** How the minutes are shared between what is on the edge, what is new, and what else is pinned. */
const SHARES = { edge: 3, new: 2, review: 1 } as const
/** Practised for more days than this without moving, a technique steps back behind others for a week. */
const HELD_DAYS = 6.5
/** Something new comes when the newest is so many days old, unless so many are in practice (common practice). */
const NEW_DAYS = 4
const MOST_OPEN = 4
const LEAST_FOR_NEW = 2
/** A technique waits for its facts until no larger share of them is lacking. */
const MOSTLY = 0.5
/** Problems of what is asked again, and the share of the minutes that all of it may take. */
const REVIEW_PROBLEMS = 6
const MIXED_PROBLEMS = 4
const REVIEW_SHARE = 0.4
/** The share of what is left that a weak kind of a paper may take (common practice, no published source). */
const WEAK_SHARE = 0.3
/** From so many known on, what is asked again is shuffled together; so many of them at a time. */
const INTERLEAVED = 3
const MOST_MIXED = 4
const DAY_MS = 86_400_000

/**
 * Today's items in the order they are to be worked, each with the minutes it has left. What was begun today goes on
 * until its minutes are up, with less support as soon as it goes well.
 */
export function planDay(input: PlanInput): PlanItem[] {
  const { settings, day, done, mastery, assigned = [] } = input
  const skipped = settings.skipped.filter((s) => s.day === day).map((s) => s.item)
  const out = new Set([...settings.banned, ...skipped])
  const free = mastery.filter((m) => !out.has(m.technique.id))
  const of = (id: string) => free.find((m) => m.technique.id === id) ?? []
  const first = [...new Set([...assigned, ...settings.pinned])].flatMap(of)
  // The kinds of a paper are no part of the course: they come in where papers show that they are weak, or as they are set.
  const wanted = toPractise(
    free.filter((m) => m.technique.family !== 'paper'),
    first,
    input,
  )
  const facts = out.has('facts')
    ? undefined
    : factsFor(
        input,
        wanted.map((w) => w.of),
      )
  const minutesOn = (some: readonly Mastery[]) =>
    some.reduce((sum, m) => sum + (done.get(m.technique.id) ?? 0), 0)
  const budget = settings.minutes - (facts?.minutes ?? 0) - (done.get('facts') ?? 0)
  let left = budget - minutesOn(mastery)
  const asked = mastery.filter((m) => isKnown(m) && !wanted.some((w) => w.of === m))
  const forAgain = Math.min(left, REVIEW_SHARE * budget - minutesOn(asked))
  const again = skipped.includes('mixed') ? [] : toAskAgain(free, wanted, forAgain, input)
  const againMinutes = again.reduce((sum, i) => sum + i.minutes, 0)
  left -= againMinutes
  const weak = first.length > 0 ? [] : weakest(free, wanted, left, input)
  const weakMinutes = weak.reduce((sum, i) => sum + i.minutes, 0)
  left -= weakMinutes
  // What else was worked today has had its minutes: the rest is shared.
  const rest =
    budget - againMinutes - weakMinutes - minutesOn(mastery.filter((m) => !wanted.some((w) => w.of === m)))
  const shared = roomForNew(wanted, rest)
  const whole = shared.reduce((sum, { kind }) => sum + SHARES[kind], 0)
  const items = shared.flatMap(({ kind, of }): PlanItem[] => {
    const minutes = Math.min(left, (rest * SHARES[kind]) / whole - minutesOn([of]))
    if (minutes < LEAST_MINUTES) return []
    left -= minutes
    return [techniqueItem(kind, of, minutes, input)]
  })
  return [...(facts ? [facts] : []), ...again, ...weak, ...items]
}

/** The kind that cost most on the latest papers and has not had its turn today, for a part of the minutes. */
function weakest(
  free: readonly Mastery[],
  wanted: readonly Wanted[],
  minutes: number,
  input: PlanInput,
): (PlanItem & TechniqueItem)[] {
  const { weak = [], done, settings } = input
  const share = WEAK_SHARE * minutes
  const kind = weak.find((k) => !done.has(k.technique))
  // One a day: what is left of the minutes is for the course.
  if (!kind || share < LEAST_MINUTES || weak.some((k) => done.has(k.technique))) return []
  const of = free.find((m) => m.technique.id === kind.technique)
  if (!of || wanted.some((w) => w.of === of)) return []
  const item = techniqueItem('review', of, share, input)
  const level = of.worked ? item.level : kind.level
  return [{ ...item, level, because: wordsOf(settings).weak(kind) }]
}

/** What is new needs some minutes to be seen at all: where its share is too small for that, it has the day to itself. */
function roomForNew(wanted: readonly Wanted[], minutes: number): readonly Wanted[] {
  const newest = wanted.filter((w) => w.kind === 'new')
  const share = (SHARES.new * minutes) / (SHARES.edge + SHARES.new)
  return newest.length > 0 && share < LEAST_FOR_NEW ? newest : wanted
}

interface Wanted {
  readonly kind: TechniqueItem['kind']
  readonly of: Mastery
}

/**
 * What is practised: what is assigned and pinned; else what was begun today and, of what is in practice, what takes the
 * fewest minutes to its target; where nothing is, what is taught next; else what is known, on its next level.
 */
function toPractise(free: readonly Mastery[], first: readonly Mastery[], input: PlanInput): Wanted[] {
  const { done, now } = input
  if (first.length > 0) return first.map((of, i): Wanted => ({ kind: i === 0 ? 'edge' : 'review', of }))
  const all = open(free)
  const held = all.filter((m) => heldDays(m, now) > HELD_DAYS)
  const going = bySoonest(
    all.filter((m) => !held.includes(m)),
    input,
  )
  const begun = (m: Mastery) => done.has(m.technique.id) && m.worked !== undefined
  const newest = newcomer(going, free, input)
  // What is new today has a place of its own beside the edge.
  const edge =
    all.find((m) => begun(m) && m !== newest) ??
    going.find((m) => m !== newest && m.worked) ??
    newest ??
    nextReady(going, input) ??
    nextLevel(free) ??
    held[0]
  return [
    ...(edge ? [{ kind: 'edge' as const, of: edge }] : []),
    ...(newest && newest !== edge ? [{ kind: 'new' as const, of: newest }] : []),
  ]
}

/** Something new, if it is time for it; what was new earlier today goes on. */
function newcomer(
  going: readonly Mastery[],
  free: readonly Mastery[],
  input: PlanInput,
): Mastery | undefined {
  const { done, now } = input
  const age = ({ worked }: Mastery) => {
    const at = worked?.course?.begunAt
    return at === undefined ? Number.POSITIVE_INFINITY : (Date.parse(now) - Date.parse(at)) / DAY_MS
  }
  const today = going.find((m) => done.has(m.technique.id) && age(m) < 1)
  if (today) return today
  if (Math.min(...free.map(age)) < NEW_DAYS) return undefined
  if (going.filter((m) => m.worked).length >= MOST_OPEN) return undefined
  return nextReady(going, input)
}

/**
 * What is taught next of what is ready: the first whose facts are mostly there, else the one with the most of them. What
 * comes before everything else waits for none.
 */
function nextReady(going: readonly Mastery[], input: PlanInput): Mastery | undefined {
  const ready = COURSE.flatMap((t) => going.find((m) => m.technique === t && !m.worked) ?? [])
  const lacking = new Map(ready.map((m) => [m, unready(m, input)]))
  return (
    ready.find((m) => m.technique.needs.length === 0 || present(lacking.get(m)) <= MOSTLY) ??
    ready.toSorted((a, b) => present(lacking.get(a)) - present(lacking.get(b)))[0]
  )
}

/** Of what is known, the one that was left alone the longest: its next level is the next thing to learn. */
function nextLevel(free: readonly Mastery[]): Mastery | undefined {
  const lastAt = ({ worked }: Mastery) => worked?.lastAt ?? ''
  return free.filter(isKnown).toSorted((a, b) => byTime(lastAt(a), lastAt(b)))[0]
}

/**
 * What is known and fades, the likeliest to be lost first: one technique after the other, or shuffled together once some
 * are known.
 * @param most minutes there are for it
 */
function toAskAgain(
  free: readonly Mastery[],
  wanted: readonly Wanted[],
  most: number,
  input: PlanInput,
): PlanItem[] {
  const { now, done, settings } = input
  const mixed =
    free.filter(isKnown).length >= INTERLEAVED && !settings.banned.includes('mixed') && most >= LEAST_MINUTES
  const problems = mixed ? MIXED_PROBLEMS : REVIEW_PROBLEMS
  const minutes = (m: Mastery) => (problems * eachSeconds(m, input, true)) / 60
  let left = most
  // Worked today, it has been asked.
  const due = fading(free, now)
    .filter((m) => !done.has(m.technique.id) && !wanted.some((w) => w.of === m))
    .slice(0, MOST_MIXED)
    .filter((m, i) => {
      left -= minutes(m)
      return left >= 0 || (i === 0 && most >= LEAST_MINUTES)
    })
  if (!mixed || due.length < 2)
    return due.map((m) => techniqueItem('review', m, Math.min(most, minutes(m)), input))
  return [
    {
      kind: 'mixed',
      id: 'mixed',
      of: due.map((m) => ({ id: m.technique.id, level: present(m.level) })),
      problems,
      minutes: due.reduce((sum, m) => sum + minutes(m), 0),
      because: wordsOf(settings).mixed(due.length),
      pinned: false,
    },
  ]
}

/** Seconds that a problem takes, with the pause after it. What is known comes in about its target. */
function eachSeconds({ technique, worked, level }: Mastery, { settings }: PlanInput, again: boolean): number {
  const at = worked?.level ?? 1
  const ms =
    again && level !== at
      ? firstMs(settings, technique.id, level ?? at) / 2
      : (worked?.latest.medianMs ?? firstMs(settings, technique.id, at))
  return ms / 1000 + BETWEEN
}

function techniqueItem(
  kind: TechniqueItem['kind'],
  mastery: Mastery,
  minutes: number,
  input: PlanInput,
): PlanItem & TechniqueItem {
  const { settings, assigned = [] } = input
  const { technique, worked } = mastery
  const { id } = technique
  // What fades is asked at the level that is known.
  const again = kind === 'review' && mastery.state === 'fading'
  const support = again ? 'answer' : nextSupport(mastery)
  const most = again ? REVIEW_PROBLEMS : sessionLength(support, mastery)
  const pinned = settings.pinned.includes(id)
  const words = wordsOf(settings)
  const bug = bugOf(input.slips, id)
  const reasons = [
    ...(assigned.includes(id) ? [words.assigned] : []),
    ...(pinned ? [words.pinned] : []),
    reasonFor(kind, mastery, input),
    ...(bug ? [bugWords(bug)] : []),
  ]
  return {
    kind,
    id,
    level: (again ? mastery.level : worked?.level) ?? 1,
    support,
    problems: Math.max(2, Math.min(most, Math.round((minutes * 60) / eachSeconds(mastery, input, again)))),
    minutes,
    because: reasons.join(' '),
    pinned,
  }
}

function reasonFor(kind: TechniqueItem['kind'], mastery: Mastery, { settings, day }: PlanInput): string {
  const words = wordsOf(settings)
  const { state, because, worked } = mastery
  if (state === 'ready') return words.fresh(because)
  const days = worked ? daysBetween(worked.lastAt.slice(0, 10), day) : 0
  if (kind === 'review') return words.review(days)
  const aimMs = worked?.aimMs
  return words.edge(
    worked && { ...worked, ...worked.latest },
    worked && aimMs !== undefined && !settings.calm
      ? { medianMs: worked.latest.medianMs, targetMs: aimMs }
      : undefined,
  )
}

/** What has stepped back and why, in a sentence; nothing where nothing has. */
export function restingWords({ mastery, now, settings }: Omit<PlanInput, 'metToday'>): string {
  const names = open(mastery)
    .filter((m) => !settings.banned.includes(m.technique.id) && heldDays(m, now) > HELD_DAYS)
    .map((m) => m.technique.name)
  return names.length === 0 ? '' : wordsOf(settings).held(names)
}

/** An item of the plan in a few words. */
export function itemName(item: PlanItem): string {
  if (item.kind === 'facts') return PLAN.factsName(item.facts.length)
  if (item.kind === 'mixed') return PLAN.mixedName(item.of.map(({ id }) => techniqueById(id).name))
  return PLAN.techniqueName(techniqueById(item.id).name, item.level)
}
