/** What is set for a learner: read from the server, changed here at once and sent by the outbox. */
import { DEFAULT_SETTINGS, type LearnerSettings } from '@tachymetra/core'
import { useQuery } from '@tanstack/react-query'
import { call } from './api.js'
import { flush } from './outbox.js'
import { queryClient } from './queries.js'
import { keepReplacement, keptReplacement } from './store.js'

const keyOf = (learnerId: string) => ['settings', learnerId]
const pathOf = (learnerId: string) => `/learners/${learnerId}/settings`

export function useLearnerSettingsQuery(learnerId: string | undefined) {
  return useQuery({
    queryKey: keyOf(learnerId ?? ''),
    // What was changed here and has not been sent yet is newer than what the server has.
    queryFn: async () =>
      (await keptReplacement<LearnerSettings>(pathOf(learnerId!))) ??
      call<LearnerSettings>('GET', pathOf(learnerId!)),
    enabled: learnerId !== undefined,
    // This browser is where they are changed; looking again could only bring back what was before.
    staleTime: Number.POSITIVE_INFINITY,
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
  const path = pathOf(learnerId)
  // Where the browser stores nothing they are sent at once, or hold until the page is closed.
  keepReplacement(path, settings).then(flush, () => call('PUT', path, settings).catch(() => undefined))
}
