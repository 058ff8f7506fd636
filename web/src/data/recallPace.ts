import type { RecallPace } from '@tachymetra/core/learner'
import { useLearnerSettings } from './learnerSettings.js'
import { useTimes } from './queries.js'

/** What a learner's limits for facts follow from: the usual ones while their own times are not known. */
export function useRecallPace(learnerId: string): RecallPace {
  const { extraTime, ownPace } = useLearnerSettings(learnerId)
  const share = useTimes(learnerId).data?.recall.share
  return { extraTime, ownPace, share }
}
