/** What the screens read from the server, cached by TanStack Query. */

import type { LatestAnswer } from '@tachymetra/core'
import type {
  AttemptSummary,
  AttemptWire,
  FactStanding,
  LearnerWire,
  NewLearner,
  PacePoint,
  SittingPage,
  SittingWire,
  Standing,
} from '@tachymetra/core/wire'
import { QueryClient, useInfiniteQuery, useMutation, useQuery } from '@tanstack/react-query'
import { call, Refusal } from './api.js'
import { useSettings } from './settings.js'
import { forgetLearner } from './store.js'

export const queryClient = new QueryClient({
  defaultOptions: {
    queries: {
      staleTime: 10_000,
      // A refusal stays a refusal; a server that does not answer may be starting up.
      retry: (count, error) => !(error instanceof Refusal) && count < 2,
      networkMode: 'always',
    },
    mutations: { networkMode: 'always' },
  },
})

export function useLearners() {
  return useQuery({ queryKey: ['learners'], queryFn: () => call<LearnerWire[]>('GET', '/learners') })
}

/** The learner chosen in this browser, else the first; undefined while none is known. */
export function useLearner(): LearnerWire | undefined {
  const { learnerId } = useSettings()
  const { data } = useLearners()
  return data?.find((l) => l.id === learnerId) ?? data?.[0]
}

export function useAddLearner() {
  return useMutation({
    mutationFn: ({ id, ...given }: NewLearner) => call<LearnerWire>('PUT', `/learners/${id}`, given),
    onSuccess: () => queryClient.invalidateQueries({ queryKey: ['learners'] }),
  })
}

export function useRenameLearner() {
  return useMutation({
    mutationFn: ({ id, name }: { id: string; name: string }) =>
      call<LearnerWire>('PATCH', `/learners/${id}`, { name }),
    onSuccess: () => queryClient.invalidateQueries({ queryKey: ['learners'] }),
  })
}

/** Removes a learner on the server, then whatever of theirs is still in this browser. */
export function useRemoveLearner() {
  return useMutation({
    mutationFn: async (id: string) => {
      await call<{ id: string }>('DELETE', `/learners/${id}`, {})
      await forgetLearner(id)
    },
    onSuccess: () => queryClient.invalidateQueries({ queryKey: ['learners'] }),
  })
}

export function useStandings(learnerId: string | undefined) {
  return useQuery({
    queryKey: ['record', learnerId, 'standings'],
    queryFn: () => call<Standing[]>('GET', `/learners/${learnerId}/standings`),
    enabled: learnerId !== undefined,
  })
}

export function useSittings(learnerId: string) {
  return useInfiniteQuery({
    queryKey: ['record', learnerId, 'sittings'],
    queryFn: ({ pageParam }) =>
      call<SittingPage>(
        'GET',
        `/learners/${learnerId}/sittings?limit=15${pageParam && `&before=${pageParam}`}`,
      ),
    initialPageParam: '',
    getNextPageParam: (page) => page.next,
  })
}

export function usePace(learnerId: string) {
  return useQuery({
    queryKey: ['record', learnerId, 'pace'],
    queryFn: () => call<PacePoint[]>('GET', `/learners/${learnerId}/pace`),
  })
}

/** The latest answers at a level; nothing is asked for problems of own dials. */
export function useLatest(learnerId: string, technique: string, level: number | undefined) {
  return useQuery({
    queryKey: ['record', learnerId, 'latest', technique, level],
    queryFn: () =>
      call<LatestAnswer[]>('GET', `/learners/${learnerId}/latest?technique=${technique}&level=${level}`),
    enabled: level !== undefined,
  })
}

export function useFacts(learnerId: string) {
  return useQuery({
    queryKey: ['record', learnerId, 'facts'],
    queryFn: () => call<FactStanding[]>('GET', `/learners/${learnerId}/facts`),
  })
}

export function useSitting(id: string) {
  return useQuery({
    queryKey: ['record', 'sitting', id],
    queryFn: () => call<SittingWire & { attempts: AttemptSummary[] }>('GET', `/sittings/${id}`),
  })
}

export function useAttempt(id: string) {
  return useQuery({
    queryKey: ['record', 'attempt', id],
    queryFn: () => call<AttemptWire>('GET', `/attempts/${id}`),
  })
}

/** After something new is stored, whatever was read of the record is read again when next looked at. */
export function recordChanged(): void {
  void queryClient.invalidateQueries({ queryKey: ['record'] })
}
