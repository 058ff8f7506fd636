/** Today's plan of a learner, made here from what the server knows. */
import { masteryOf } from '@tachymetra/core/curriculum'
import { type Best, type LearnerSettings, slowFacts, type Times } from '@tachymetra/core/learner'
import { dayIn } from '@tachymetra/core/number'
import {
  factMinutes,
  freeTime,
  minutesOf,
  type PlanDay,
  type PlanInput,
  type PlanItem,
  planDay,
  planWeek,
  recalledOn,
} from '@tachymetra/core/plan'
import type { LearnerWire } from '@tachymetra/core/wire'
import { useMemo } from 'react'
import { useLearnerSettingsQuery } from './learnerSettings.js'
import { useProgress, useTimes } from './queries.js'

const WEEK = 7

export interface Plan {
  readonly input: PlanInput & { readonly settings: LearnerSettings; readonly times: Times }
  /** What is left to do today. */
  readonly items: readonly PlanItem[]
  /** The best of one's own without steps. */
  readonly bests: readonly Best[]
  /** Minutes worked today. */
  readonly worked: number
  readonly week: () => readonly PlanDay[]
  /** When the server was last heard, in milliseconds since 1970. */
  readonly heardAt: number
}

/** @returns undefined until everything it needs has come. */
export function usePlan(learner: LearnerWire): Plan | undefined {
  const { data: progress, dataUpdatedAt } = useProgress(learner.id)
  const { data: settings } = useLearnerSettingsQuery(learner.id)
  const { data: times } = useTimes(learner.id)
  return useMemo(() => {
    if (!progress || !settings || !times) return undefined
    const { day, today, latest, moves, past } = progress
    const { recall } = times
    const now = new Date().toISOString()
    const done = new Map<string, number>(
      today.recalls > 0 ? [['facts', factMinutes(today.recalls, recall)]] : [],
    )
    for (const worked of progress.worked) done.set(worked.technique, minutesOf(worked))
    const week = {
      settings,
      day,
      now,
      memories: progress.facts,
      recall,
      slow: slowFacts(times).map((s) => s.fact),
      latest,
      slips: progress.slips,
      weak: progress.weak,
      moves,
      past,
      done,
      dayOf: (instant: string) => dayIn(instant, learner.timeZone),
    }
    const metToday = recalledOn(progress.facts, day, week.dayOf)
    const input = { ...week, metToday, times, mastery: masteryOf({ ...settings, latest, moves, past, now }) }
    return {
      input,
      items: planDay(input),
      bests: progress.bests,
      worked: today.ms / 60_000,
      heardAt: dataUpdatedAt,
      week: () => planWeek(week, WEEK, (date) => freeTime(settings, date, learner.timeZone) === undefined),
    }
  }, [progress, settings, times, learner.timeZone, dataUpdatedAt])
}
