/** What is set for a learner: read from the server, changed here at once and sent by the outbox. */
import { DEFAULT_SETTINGS, type LearnerSettings } from '@tachymetra/core/learner'
import { type UseQueryResult, useQuery } from '@tanstack/react-query'
import { flush } from '../kept/outbox.js'
import { keepChange, keptChange } from '../kept/store.js'
import { call } from '../wire/api.js'
import { queryClient } from '../wire/queryClient.js'

const keyOf = (learnerId: string) => ['settings', learnerId]
const pathOf = (learnerId: string) => `/learners/${learnerId}/settings`

const settingsQuery = (learnerId: string) => ({
  queryKey: keyOf(learnerId),
  // What was changed here and has not been sent yet, or was sent meanwhile, is newer than what the server read.
  queryFn: async () => {
    const path = pathOf(learnerId)
    const before = await keptChange<LearnerSettings>(path)
    const settings = await call<LearnerSettings>('GET', path)
    return { ...settings, ...before, ...(await keptChange<LearnerSettings>(path)) }
  },
})

export function useLearnerSettingsQuery(learnerId: string | undefined): UseQueryResult<LearnerSettings> {
  return useQuery({ ...settingsQuery(learnerId ?? ''), enabled: learnerId !== undefined })
}

/** The settings, asked for where they are not known yet. @throws Refusal, Unreachable */
export function learnerSettings(learnerId: string): Promise<LearnerSettings> {
  return queryClient.fetchQuery(settingsQuery(learnerId))
}

/** The settings, the defaults while they are on their way. */
export function useLearnerSettings(learnerId: string | undefined): LearnerSettings {
  return useLearnerSettingsQuery(learnerId).data ?? DEFAULT_SETTINGS
}

export function currentLearnerSettings(learnerId: string): LearnerSettings | undefined {
  return queryClient.getQueryData(keyOf(learnerId))
}

/** What a new learner begins with. Whoever is shown already is shown with it. @throws Refusal, Unreachable */
export async function beginWith(learnerId: string, first: Partial<LearnerSettings>): Promise<void> {
  const settings = await call<LearnerSettings>('PATCH', pathOf(learnerId), first)
  // An answer under way knows nothing of it.
  await queryClient.cancelQueries({ queryKey: keyOf(learnerId) })
  queryClient.setQueryData(keyOf(learnerId), settings)
}

/** Changes some settings. Before they have come from the server nothing is changed: a list would be begun anew. */
export async function changeLearner(learnerId: string, change: Partial<LearnerSettings>): Promise<void> {
  const before = currentLearnerSettings(learnerId)
  if (!before) return
  // An answer under way knows nothing of the change.
  void queryClient.cancelQueries({ queryKey: keyOf(learnerId) })
  queryClient.setQueryData(keyOf(learnerId), { ...before, ...change })
  const path = pathOf(learnerId)
  try {
    await keepChange(path, change)
    await flush()
  } catch {
    // Where the browser stores nothing it is sent at once, or holds until the page is closed.
    await call('PATCH', path, change).catch(() => undefined)
  }
}
