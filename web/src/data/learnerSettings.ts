/** What is set for a learner: read from the server, changed here at once and sent by the outbox. */
import { DEFAULT_SETTINGS, type LearnerSettings } from '@tachymetra/core'
import { useQuery } from '@tanstack/react-query'
import { call } from './api.js'
import { flush } from './outbox.js'
import { queryClient } from './queries.js'
import { keepReplacement } from './store.js'

const keyOf = (learnerId: string) => ['settings', learnerId]

export function useLearnerSettingsQuery(learnerId: string | undefined) {
  return useQuery({
    queryKey: keyOf(learnerId ?? ''),
    queryFn: () => call<LearnerSettings>('GET', `/learners/${learnerId}/settings`),
    enabled: learnerId !== undefined,
    // This browser is where they are changed.
    staleTime: 60_000,
  })
}

/** The settings, the defaults while they are on their way. */
export function useLearnerSettings(learnerId: string | undefined): LearnerSettings {
  return useLearnerSettingsQuery(learnerId).data ?? DEFAULT_SETTINGS
}

export function currentLearnerSettings(learnerId: string): LearnerSettings | undefined {
  return queryClient.getQueryData(keyOf(learnerId))
}

/** Changes some settings. Before they have come from the server nothing is changed, lest the rest be lost. */
export function changeLearner(learnerId: string, change: Partial<LearnerSettings>): void {
  const before = currentLearnerSettings(learnerId)
  if (!before) return
  const settings = { ...before, ...change }
  queryClient.setQueryData(keyOf(learnerId), settings)
  void keepReplacement(`/learners/${learnerId}/settings`, settings).then(flush)
}
