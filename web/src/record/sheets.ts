/** The progress sheets of learners, each put together from what the server tells of them. */
import { masteryOf } from '@tachymetra/core/curriculum'
import { type Sheet, sheetOf } from '@tachymetra/core/report'
import type { DayWire, LearnerWire, MoveWire, ProgressWire, SlipWeek } from '@tachymetra/core/wire'
import { useQueries } from '@tanstack/react-query'
import { learnerSettings } from '../data/learnerSettings.js'
import { call } from '../wire/api.js'

async function readSheet({ id, name }: LearnerWire): Promise<Sheet> {
  const ask = <T>(what: string) => call<T>('GET', `/learners/${id}/${what}`)
  const [progress, settings, days, moves, slips] = await Promise.all([
    ask<ProgressWire>('progress'),
    learnerSettings(id),
    ask<DayWire[]>('days'),
    ask<MoveWire[]>('moves'),
    ask<SlipWeek[]>('slips'),
  ])
  const { day, latest, past, facts } = progress
  const now = new Date().toISOString()
  const mastery = masteryOf({ ...settings, latest, past, now, moves: progress.moves })
  return sheetOf({ name, day, settings, moves, mastery, days, facts, slips })
}

/** In the order of the learners; each read anew when it is asked for. */
export function useSheets(learners: readonly LearnerWire[]) {
  return useQueries({
    queries: learners.map((learner) => ({
      queryKey: ['record', learner.id, 'sheet', learner.name],
      queryFn: () => readSheet(learner),
      staleTime: 0,
    })),
  })
}
