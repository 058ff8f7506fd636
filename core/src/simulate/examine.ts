/**
 * Examinees taken through practice, and asked from outside what they can do: what the coach believes of them does not count.
 * A technique is at its target when problems of its first level, worked in the head on an ordinary day without a trace of it
 * being left, are right and quick enough.
 */

import type { Targets } from '../curriculum/levels.js'
import { REST_DAYS } from '../curriculum/retention.js'
import { Examinee } from '../examiners/examinee.js'
import type { ExamineeKind } from '../examiners/kinds.js'
import { cardOfFact, FACT_DECKS } from '../facts/decks.js'
import { DEFAULT_SETTINGS } from '../learner/settings.js'
import { dayAfter } from '../number/days.js'
import { present } from '../number/present.js'
import { seeded } from '../number/random.js'
import { middleOf } from '../number/statistics.js'
import { draw } from '../problem/space.js'
import { levelOf, techniqueById } from '../registry/techniques.js'
import { examinedPupil } from './pupil.js'
import { FIRST_DAY, type Practice, Weeks } from './weeks.js'

/** Problems that tell whether a target is met, and the share of them that must be right. */
const ASKED = 30
const RIGHT = 0.8
/** They are asked every so many days. */
const EVERY = 3
/** A target is lasting when it is still met so many days later. */
const LASTING_DAYS = 30
/** A target is what so many problems, so many a day, lead to, and a little more. */
const PRACTISED = 80
const A_DAY = 8
const ROOM = 1.15
const TARGET_SEEDS = 5

const nameOf = (fact: string) => cardOfFact(fact)?.id ?? fact
const someone = ({ mind }: ExamineeKind, seed: number) => new Examinee(mind, seeded(seed), nameOf)

/** What they would do now: the share right, and the median time. */
function ask(examinee: Examinee, technique: string, day: number): { readonly right: number; ms: number } {
  const random = seeded(1000 + day)
  const problems = draw(levelOf(techniqueById(technique), 1).problems(), random)
  const all = Array.from({ length: ASKED }, () => {
    const { value } = problems.next()
    return value ? [examinee.wouldWork(techniqueById(technique), value, random, day)] : []
  }).flat()
  return {
    right: all.filter((w) => w.right).length / all.length,
    ms: middleOf(all.map((w) => w.totalMs)),
  }
}

/** Targets of first levels within the reach of a kind of learner: the same for every way of practising. */
export function targetsWithin(kind: ExamineeKind, goal: readonly string[]): Targets {
  const reached = (id: string, seed: number) => {
    const examinee = someone(kind, 500 + seed)
    const problems = draw(levelOf(techniqueById(id), 1).problems(), seeded(seed))
    for (let n = 0; n < PRACTISED; n += 1) {
      const { value } = problems.next()
      if (value) examinee.work(techniqueById(id), value, n < A_DAY, 1 + Math.floor(n / A_DAY))
    }
    return ask(examinee, id, 1 + PRACTISED / A_DAY).ms
  }
  const seeds = Array.from({ length: TARGET_SEEDS }, (_, i) => i)
  return Object.fromEntries(
    goal.map((id) => [id, { 1: Math.round(ROOM * middleOf(seeds.map((s) => reached(id, s)))) }]),
  )
}

/** What became of it. Minutes are minutes practised; undefined where something was not reached in the days. */
export interface Examined {
  readonly minutes: number
  /** Until every target was met once. */
  readonly toAll: number | undefined
  /** Until every target was met and still is thirty days later, practice going on. */
  readonly toLasting: number | undefined
  /** Targets still met thirty days after they were first met, practice going on. */
  readonly kept: number
  /** Targets met at the end and thirty days without any practice. */
  readonly later: number
  /** Techniques the coach takes for known. */
  readonly known: number
  /** Days of practice until each technique was begun, in the order of the goal. */
  readonly begun: readonly (number | undefined)[]
  /** The most days in a row on which the same technique took the first place without moving up or becoming known. */
  readonly blocked: number
  /** Facts of the plan's decks met, and the share of recalls that were graded Again. */
  readonly facts: number
  /** The day by which all of them were. */
  readonly factsBy: number | undefined
  readonly again: number
}

/** @param probed are targets asked for from outside? It takes most of the time. */
export function examine(kind: ExamineeKind, practice: Practice, days: number, probed: boolean): Examined {
  const examinee = someone(kind, practice.seed)
  const weeks = new Weeks(examinedPupil(examinee, FIRST_DAY), practice)
  const { goal } = practice
  const cards = FACT_DECKS.filter((d) => DEFAULT_SETTINGS.decks.includes(d.id)).flatMap((d) => d.cards)
  const met: boolean[][] = []
  const minutes: number[] = []
  const begun = new Map<string, number>()
  const asked = { all: 0, again: 0, facts: new Set<string>(), by: undefined as number | undefined }
  const block = { technique: '', state: '', since: 0, last: 0, longest: 0 }
  for (let d = 0; d < days; d += 1) {
    const done = weeks.live(dayAfter(FIRST_DAY, d))
    minutes.push((minutes.at(-1) ?? 0) + done / 60_000)
    if (probed) met.push(d % EVERY ? present(met.at(-1)) : goal.map((id) => isMet(examinee, practice, id, d)))
    for (const { fact, again } of weeks.today.recalls) {
      asked.facts.add(fact)
      if (asked.facts.size === cards.length) asked.by ??= d + 1
      asked.all += 1
      asked.again += again ? 1 : 0
    }
    for (const item of weeks.today.items) if ('level' in item && !begun.has(item.id)) begun.set(item.id, d)
    const first = weeks.today.items.flatMap((i) => (i.kind === 'edge' ? i : []))[0]
    if (!first) continue
    const known = weeks.known().some((m) => m.technique.id === first.id)
    const state = `${first.level} ${known}`
    if (first.id !== block.technique || state !== block.state || known || d - block.last >= REST_DAYS)
      Object.assign(block, { technique: first.id, state, since: d })
    block.last = d
    block.longest = Math.max(block.longest, d - block.since)
  }
  const toEach = (later: number) => goal.map((_, i) => met.findIndex((on, d) => on[i] && met[d + later]?.[i]))
  const toAll = (later: number) => {
    const each = toEach(later)
    return each.includes(-1) ? undefined : minutes[Math.max(...each)]
  }
  return {
    minutes: present(minutes.at(-1)),
    toAll: toAll(0),
    toLasting: toAll(LASTING_DAYS),
    kept: goal.filter((_, i) => {
      const first = met.findIndex((on) => on[i])
      return first >= 0 && met[first + LASTING_DAYS]?.[i]
    }).length,
    later: probed ? goal.filter((id) => isMet(examinee, practice, id, days + LASTING_DAYS)).length : 0,
    known: weeks.known().length,
    begun: goal.map((id) => begun.get(id)),
    blocked: block.longest,
    facts: cards.filter((c) => asked.facts.has(c.id)).length,
    factsBy: asked.by,
    again: asked.again / Math.max(1, asked.all),
  }
}

function isMet(examinee: Examinee, { targets }: Practice, technique: string, day: number): boolean {
  const { right, ms } = ask(examinee, technique, day)
  return right >= RIGHT && ms <= present(present(targets![technique])[1])
}
