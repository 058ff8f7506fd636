/** The week ahead, supposing that each day is worked as planned and goes as the latest did. Nothing is owed for days missed. */

import { adviseLevel, aimFor, firstMs, type LatestAnswer } from '../curriculum/levels.js'
import { type LatestAt, type Move, masteryOf, withMove, withSession } from '../curriculum/mastery.js'
import type { PastSession } from '../curriculum/retention.js'
import { factById } from '../facts/decks.js'
import { type FactMemory, lastRecalled, type RecallPace, recallLimit, remember } from '../learner/recall.js'
import type { LearnerSettings } from '../learner/settings.js'
import { byTime, dayAfter } from '../number/days.js'
import { present } from '../number/present.js'
import { median } from '../number/statistics.js'
import { techniqueById } from '../registry/techniques.js'
import type { Support } from '../session/support.js'
import { PLAN } from '../words/plan.js'
import { factMinutes } from './facts.js'
import type { Place, PlanInput, PlanItem } from './input.js'
import { minutesOf } from './session.js'
import { planDay } from './today.js'

/** What today's plan is made from, with the latest answers and moves that it rests on. */
export interface WeekInput extends Omit<PlanInput, 'mastery' | 'metToday'> {
  /** The learner's own day of an instant. */
  readonly dayOf: (instant: string) => string
  readonly settings: Pick<LearnerSettings, keyof PlanInput['settings']>
  readonly latest: readonly LatestAt[]
  readonly moves: readonly Move[]
  readonly past: readonly PastSession[]
}

/** A day ahead. */
export interface PlanDay {
  /** ISO date in the learner's time zone. */
  readonly day: string
  /** What would be practised on it, in order. */
  readonly items: readonly PlanItem[]
  /** Why nothing is planned, where nothing is. */
  readonly rest?: string
}

/**
 * Today and the days ahead: recalled facts go on to their next date, support and levels change by their rules, and
 * what was reviewed goes to the end of the line. A day without free time rests, and its facts wait for the next.
 * @param busy true for a day that has no room for practice.
 */
export function planWeek(input: WeekInput, days: number, busy: (day: string) => boolean): PlanDay[] {
  const week: PlanDay[] = []
  let ahead = input
  for (let i = 0; i < days; i += 1) {
    const day = dayAfter(input.day, i)
    if (busy(day)) {
      week.push({ day, items: [], rest: PLAN.rest })
      continue
    }
    // Days ahead are planned from their middle.
    if (i > 0) ahead = { ...ahead, day, now: `${day}T12:00:00.000Z`, done: new Map() }
    let items = itemsOf(ahead)
    week.push({ day, items })
    for (; items[0]; items = itemsOf(ahead)) ahead = worked(ahead, items[0])
  }
  return week
}

function itemsOf(input: WeekInput): PlanItem[] {
  const { latest, moves, past, settings, memories, day, now, dayOf } = input
  const metToday = recalledOn(memories, day, dayOf)
  return planDay({ ...input, metToday, mastery: masteryOf({ latest, moves, past, now, ...settings }) })
}

const NEAR_MS = 26 * 3_600_000

/** Facts recalled on a day of the learner's own. */
export function recalledOn(
  memories: readonly FactMemory[],
  day: string,
  dayOf: (instant: string) => string,
): ReadonlySet<string> {
  // Wherever it is, a day lies within 26 hours of its noon in UTC; telling the day of an instant takes long.
  const noon = Date.parse(`${day}T12:00:00Z`)
  const on = (m: FactMemory) => {
    const at = lastRecalled(m)
    return at !== undefined && Math.abs(Date.parse(at) - noon) <= NEAR_MS && dayOf(at) === day
  }
  return new Set(memories.filter(on).map((m) => m.fact))
}

/** After one session of an item. */
function worked(input: WeekInput, item: PlanItem): WeekInput {
  if (item.kind === 'facts')
    return {
      ...input,
      memories: recalled(input.memories, item.facts, input.now, { ...input.settings, ...input.recall }),
      done: new Map(input.done).set(
        item.id,
        (input.done.get(item.id) ?? 0) + factMinutes(item.facts.length, input.recall),
      ),
    }
  if (item.kind === 'mixed')
    return item.of.reduce(
      (ahead, place) => workedAt(ahead, { ...place, support: 'answer', problems: item.problems }),
      input,
    )
  return workedAt(input, item)
}

type Task = Place & { readonly support: Support; readonly problems: number }

function workedAt(input: WeekInput, task: Task): WeekInput {
  const { settings, moves } = input
  const session = foreseen(input, task)
  const latest = withSession(input.latest, session)
  const { technique, level, support, at, answers } = session
  const ms = answers.reduce((sum, a) => sum + a.totalMs, 0)
  const minutes = minutesOf({ attempts: answers.length, ms })
  const right = answers.filter((a) => a.right).length
  const medianMs = median(answers.map((a) => a.totalMs)) ?? null
  const after: WeekInput = {
    ...input,
    latest,
    past: [...input.past, { technique, level, support, at, answers: answers.length, right, medianMs }],
    done: new Map(input.done).set(task.id, (input.done.get(task.id) ?? 0) + minutes),
  }
  const its = present(latest.at(-1)).answers
  const inForce = moves.find((m) => m.technique === task.id)?.to ?? level
  const up =
    support === 'answer' &&
    level === inForce &&
    level < techniqueById(task.id).levels.length &&
    adviseLevel(its, aimFor(settings, task.id, level, its), settings.rules).move === 'up'
  if (!up) return after
  const move: Move = { technique: task.id, to: level + 1, by: 'rule' }
  return {
    ...after,
    latest: withMove(latest, move),
    moves: [...moves.filter((m) => m.technique !== task.id), move],
  }
}

/** A session that goes as the latest of its technique did; what was never worked goes right, in twice its target. */
function foreseen({ latest, now, settings, done }: WeekInput, item: Task): LatestAt {
  const before = [...done.values()].reduce((sum, minutes) => sum + minutes, 0)
  const last = latest
    .filter((l) => l.technique === item.id && l.answers.length > 0)
    .toSorted((a, b) => byTime(b.at, a.at))[0]
  const share = last ? last.answers.filter((a) => a.right).length / last.answers.length : 1
  const timed = last?.level === item.level ? last.answers.filter((a) => a.timed) : []
  const totalMs = timed.length
    ? timed.reduce((sum, a) => sum + a.totalMs, 0) / timed.length
    : firstMs(settings, item.id, item.level)
  const right = Math.round(item.problems * share)
  return {
    technique: item.id,
    level: item.level,
    support: item.support === 'watch' ? 'guided' : item.support,
    at: new Date(Date.parse(now) + before * 60_000).toISOString(),
    answers: Array.from({ length: item.problems }, (_, i): LatestAnswer => {
      return { right: i < right, timed: true, totalMs }
    }),
  }
}

function recalled(
  memories: readonly FactMemory[],
  facts: readonly string[],
  at: string,
  pace: RecallPace,
): FactMemory[] {
  const before = new Map(memories.map((m) => [m.fact, m]))
  for (const fact of facts) {
    const { deck } = present(factById(fact))
    const within = recallLimit(deck, pace) ?? deck.withinMs
    before.set(
      fact,
      remember(before.get(fact), {
        fact,
        right: true,
        ms: within,
        thinkMs: Math.round(0.7 * within),
        withinMs: within,
        at,
      }),
    )
  }
  return [...before.values()]
}
