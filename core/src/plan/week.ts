/** The week ahead, supposing that each day is worked as planned and goes as the latest did. Nothing is owed for days missed. */

import type { LevelMove } from '../curriculum/levels.js'
import { type Result, readiness } from '../curriculum/readiness.js'
import { type Stand, standsOf } from '../curriculum/stands.js'
import { factById } from '../facts/decks.js'
import { type FactMemory, remember } from '../learner/recall.js'
import { aimOf, type LearnerSettings } from '../learner/settings.js'
import { dayAfter } from '../number/days.js'
import { techniqueById } from '../registry/techniques.js'
import { FACT_SECONDS, minutesOf, type PlanInput, type PlanItem, planDay } from './today.js'

type Move = Pick<LevelMove, 'technique' | 'to' | 'by'>

/** What today's plan is made from, with the results and the latest move of each technique that it rests on. */
export interface WeekInput extends Omit<PlanInput, 'readiness' | 'stands'> {
  readonly settings: Pick<LearnerSettings, keyof PlanInput['settings']>
  /** One a sitting and support, oldest first. */
  readonly results: readonly Result[]
  readonly moves: readonly Move[]
}

export interface PlanDay {
  readonly day: string
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
      week.push({ day, items: [], rest: 'The calendar leaves no time; nothing is owed for it.' })
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
  const { results, moves, settings } = input
  return planDay({
    ...input,
    readiness: readiness(results, { ...settings, moves }),
    stands: standsOf(results, moves),
  })
}

/** After one sitting of an item. */
function worked(input: WeekInput, item: PlanItem): WeekInput {
  const done = (minutes: number) => new Map(input.done).set(item.id, (input.done.get(item.id) ?? 0) + minutes)
  if (item.kind === 'facts')
    return {
      ...input,
      memories: recalled(input.memories, item.facts, input.now),
      done: done((FACT_SECONDS * item.facts.length) / 60),
    }
  const { results, moves, settings } = input
  const result = foreseen(results, item, input)
  const after = [...results, result]
  const stand = standsOf(after, moves).find((s) => s.technique === item.id)!
  return {
    ...input,
    results: after,
    moves: movesUp(stand, settings)
      ? [
          ...moves.filter((m) => m.technique !== item.id),
          { technique: item.id, to: stand.level + 1, by: 'rule' },
        ]
      : moves,
    done: done(minutesOf(result)),
  }
}

/** A sitting that goes as the latest of its technique did; what was never worked goes right, in twice its target. */
function foreseen(
  results: readonly Result[],
  item: Exclude<PlanItem, { kind: 'facts' }>,
  { now, settings, done }: WeekInput,
): Result {
  const before = [...done.values()].reduce((sum, minutes) => sum + minutes, 0)
  const latest = results.findLast((r) => r.technique === item.id && r.attempts > 0)
  const same = latest?.level === item.level ? latest.medianMs : null
  return {
    technique: item.id,
    level: item.level,
    support: item.support === 'watch' ? 'guided' : item.support,
    attempts: item.problems,
    right: Math.round(item.problems * (latest ? latest.right / latest.attempts : 1)),
    medianMs: same ?? 2 * aimOf(settings, item.id, item.level)!,
    at: new Date(Date.parse(now) + before * 60_000).toISOString(),
  }
}

function movesUp({ technique, level, support, latest }: Stand, settings: WeekInput['settings']): boolean {
  const { upOf, upRight } = settings.rules
  return (
    support === 'answer' &&
    level < techniqueById(technique).levels.length &&
    latest.problems >= upOf &&
    latest.right >= (upRight / upOf) * latest.problems &&
    latest.medianMs !== null &&
    latest.medianMs <= aimOf(settings, technique, level)!
  )
}

function recalled(memories: readonly FactMemory[], facts: readonly string[], at: string): FactMemory[] {
  const before = new Map(memories.map((m) => [m.fact, m]))
  for (const fact of facts) {
    const within = factById(fact)!.deck.withinMs
    before.set(
      fact,
      remember(before.get(fact), { fact, right: true, ms: within, thinkMs: Math.round(0.7 * within), at }),
    )
  }
  return [...before.values()]
}
