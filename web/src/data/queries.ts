/** What the screens read from the server, cached by TanStack Query. */

import type { LatestAnswer } from '@tachymetra/core/curriculum'
import type { Best, Times } from '@tachymetra/core/learner'
import type {
  AttemptSummary,
  AttemptWire,
  DayWire,
  FactStanding,
  HandMove,
  LatestMistake,
  LearnerWire,
  MoveWire,
  NewLearner,
  PacePoint,
  PractisedWire,
  ProgressWire,
  RemovedLearner,
  SessionPage,
  SessionWire,
  SlipWeek,
  WorkedSet,
} from '@tachymetra/core/wire'
import { useInfiniteQuery, useMutation, useQuery } from '@tanstack/react-query'
import { forgetLeft } from '../kept/kept.js'
import { forgetLearner } from '../kept/store.js'
import { call, LONG_MS } from '../wire/api.js'
import { forgetHeard } from '../wire/heard.js'
import { queryClient } from '../wire/queryClient.js'
import { learnerSettings } from './learnerSettings.js'
import { currentSettings, useSettings } from './settings.js'

const learnersQuery = {
  queryKey: ['learners'],
  queryFn: () => call<LearnerWire[]>('GET', '/learners'),
}

export function useLearners() {
  return useQuery(learnersQuery)
}

const chosenOf = (all: readonly LearnerWire[] | undefined, learnerId: string | null) =>
  all?.find((l) => l.id === learnerId) ?? all?.[0]

/** The learner chosen in this browser, else the first; undefined while none is known. */
export function useLearner(): LearnerWire | undefined {
  const { learnerId } = useSettings()
  return chosenOf(useLearners().data, learnerId)
}

/** Asks for what a page needs while it is only being made: whose it is, and at the desk what the plan is made from. */
export async function askAhead(path: string): Promise<void> {
  const all = await queryClient.fetchQuery(learnersQuery)
  const learner = chosenOf(all, currentSettings().learnerId)
  if (!learner) return
  const asked: Promise<unknown>[] = [learnerSettings(learner.id)]
  if (path === '/')
    asked.push(
      queryClient.prefetchQuery(progressQuery(learner.id)),
      queryClient.prefetchQuery(timesQuery(learner.id)),
    )
  await Promise.all(asked)
}

/** The time zone a learner's days and times are counted in; undefined until it is known. */
export function useZone(learnerId: string | undefined): string | undefined {
  return useLearners().data?.find((l) => l.id === learnerId)?.timeZone
}

export function useAddLearner() {
  return useMutation({
    mutationFn: ({ id, ...given }: NewLearner) => call<LearnerWire>('PUT', `/learners/${id}`, given),
    onSuccess: peopleChanged,
  })
}

export function useRenameLearner() {
  return useMutation({
    mutationFn: ({ id, name }: { id: string; name: string }) =>
      call<LearnerWire>('PATCH', `/learners/${id}`, { name }),
    onSuccess: () => queryClient.invalidateQueries({ queryKey: ['learners'] }),
  })
}

/** Whoever comes or goes is seen in the lists and in the counts of everything, in other tabs as well. */
const peopleChanged = async () => {
  tellOtherTabs('learners')
  await queryClient.invalidateQueries({ queryKey: ['learners'] })
  await queryClient.invalidateQueries({ queryKey: ['holdings'] })
}

/** Puts the invented learners into an empty program. */
export function useLoadDemo() {
  return useMutation({
    mutationFn: () => call<{ attempts: number }>('POST', '/demo', {}, LONG_MS),
    // A slow machine may answer too late and have done it all the same.
    onSettled: peopleChanged,
  })
}

/** Whatever of a learner is still in this browser. */
async function forgetHere(id: string): Promise<void> {
  await forgetLearner(id)
  await forgetHeard(id)
  forgetLeft()
}

/** Takes the invented learners out again, with what was done for them. */
export function useRemoveDemo() {
  return useMutation({
    mutationFn: async () => {
      const { ids } = await call<{ ids: string[] }>('DELETE', '/demo', {}, LONG_MS)
      for (const id of ids) await forgetHere(id)
    },
    onSuccess: peopleChanged,
  })
}

/** Learners who were removed and can still be had back. */
export function useRemoved() {
  return useQuery({
    queryKey: ['learners', 'removed'],
    queryFn: () => call<RemovedLearner[]>('GET', '/learners/removed'),
  })
}

/** Takes a learner out of every list; they can be had back for a while. */
export function useRemoveLearner() {
  return useMutation({
    mutationFn: (id: string) => call<RemovedLearner>('PUT', `/learners/${id}/removal`, {}),
    onSuccess: peopleChanged,
  })
}

export function useTakeBack() {
  return useMutation({
    mutationFn: (id: string) => call<LearnerWire>('DELETE', `/learners/${id}/removal`, {}),
    onSuccess: peopleChanged,
  })
}

/** Erases a learner on the server, then whatever of theirs is still in this browser. */
export function useEraseLearner() {
  return useMutation({
    mutationFn: async (id: string) => {
      await call<{ id: string }>('DELETE', `/learners/${id}`, {}, LONG_MS)
      await forgetHere(id)
    },
    onSuccess: peopleChanged,
  })
}

/** What today's plan is made from. */
const progressQuery = (learnerId: string) => ({
  queryKey: ['record', learnerId, 'progress'],
  queryFn: () => call<ProgressWire>('GET', `/learners/${learnerId}/progress`),
})

export function useProgress(learnerId: string) {
  return useQuery(progressQuery(learnerId))
}

const timesQuery = (learnerId: string) => ({
  queryKey: ['record', learnerId, 'times'],
  queryFn: () => call<Times>('GET', `/learners/${learnerId}/times`),
})

/** The times of a learner's own. */
export function useTimes(learnerId: string | undefined) {
  return useQuery({ ...timesQuery(learnerId ?? ''), enabled: learnerId !== undefined })
}

export function useMoves(learnerId: string) {
  return useQuery({
    queryKey: ['record', learnerId, 'moves'],
    queryFn: () => call<MoveWire[]>('GET', `/learners/${learnerId}/moves`),
  })
}

/** Sets the level in force by hand. */
export function useMoveByHand(learnerId: string) {
  return useMutation({
    mutationFn: (move: HandMove) =>
      call<{ id: string }>('PUT', `/learners/${learnerId}/moves/${crypto.randomUUID()}`, move),
    onSuccess: () => queryClient.invalidateQueries({ queryKey: ['record', learnerId] }),
  })
}

export function useDays(learnerId: string) {
  return useQuery({
    queryKey: ['record', learnerId, 'days'],
    queryFn: () => call<DayWire[]>('GET', `/learners/${learnerId}/days`),
  })
}

export function useSlips(learnerId: string) {
  return useQuery({
    queryKey: ['record', learnerId, 'slips'],
    queryFn: () => call<SlipWeek[]>('GET', `/learners/${learnerId}/slips`),
  })
}

/** The mistakes made last, newest first. */
export function useLatestMistakes(learnerId: string) {
  return useQuery({
    queryKey: ['record', learnerId, 'mistakes'],
    queryFn: () => call<LatestMistake[]>('GET', `/learners/${learnerId}/mistakes`),
  })
}

/** The techniques ever sat down to, in teaching order. */
export function usePractised(learnerId: string) {
  return useQuery({
    queryKey: ['record', learnerId, 'techniques'],
    queryFn: () => call<PractisedWire[]>('GET', `/learners/${learnerId}/techniques`),
  })
}

export function useSessions(learnerId: string, technique: string | undefined) {
  return useInfiniteQuery({
    queryKey: ['record', learnerId, 'sessions', technique],
    queryFn: ({ pageParam }) =>
      call<SessionPage>(
        'GET',
        `/learners/${learnerId}/sessions?limit=15${technique ? `&technique=${technique}` : ''}${pageParam && `&before=${pageParam}`}`,
      ),
    initialPageParam: '',
    getNextPageParam: (page) => page.next,
  })
}

export function usePace(learnerId: string, technique: string) {
  return useQuery({
    queryKey: ['record', learnerId, 'pace', technique],
    queryFn: () => call<PacePoint[]>('GET', `/learners/${learnerId}/pace?technique=${technique}`),
  })
}

/** The best of a learner's own, by level and support. @param asked of one technique, or as it was before an instant */
export function useBests(
  learnerId: string | undefined,
  asked: { readonly technique?: string; readonly before?: string },
) {
  return useQuery({
    queryKey: ['record', learnerId, 'bests', asked],
    queryFn: () => call<Best[]>('GET', `/learners/${learnerId}/bests?${new URLSearchParams(asked)}`),
    enabled: learnerId !== undefined,
  })
}

/** The latest answers at a level; nothing is asked for problems of own parameters. */
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

/** Papers that were worked, newest first. */
export function usePapers(learnerId: string) {
  return useQuery({
    queryKey: ['record', learnerId, 'papers'],
    queryFn: () => call<WorkedSet[]>('GET', `/learners/${learnerId}/papers`),
  })
}

export function useSession(id: string) {
  return useQuery({
    queryKey: ['record', 'session', id],
    queryFn: () => call<SessionWire & { attempts: AttemptSummary[] }>('GET', `/sessions/${id}`),
  })
}

export function useAttempt(id: string) {
  return useQuery({
    queryKey: ['record', 'attempt', id],
    queryFn: () => call<AttemptWire>('GET', `/attempts/${id}`),
  })
}

/** Takes a move of level back: one by hand as if it had not been, one of the rules by a move by hand. */
export function useMoveBack(learnerId: string) {
  return useMutation({
    mutationFn: ({ id, by, technique, from }: MoveWire) =>
      by === 'hand'
        ? call<{ id: string }>('DELETE', `/learners/${learnerId}/moves/${id}`, {})
        : call<{ id: string }>('PUT', `/learners/${learnerId}/moves/${crypto.randomUUID()}`, {
            technique,
            to: from,
          }),
    onSuccess: () => queryClient.invalidateQueries({ queryKey: ['record', learnerId] }),
  })
}

/** After something new is stored, whatever was read of the record is read again when next looked at. */
export function recordChanged(): void {
  tellOtherTabs('record')
  void queryClient.invalidateQueries({ queryKey: ['record'] })
}

const TABS = 'tachymetra'
const tabs = typeof BroadcastChannel === 'undefined' ? undefined : new BroadcastChannel(TABS)

function tellOtherTabs(changed: 'learners' | 'record'): void {
  tabs?.postMessage(changed)
}

/** What other tabs have changed is read again in this one. */
export function followChanges(): void {
  tabs?.addEventListener('message', ({ data }) => {
    void queryClient.invalidateQueries({ queryKey: [data] })
    if (data === 'learners') void queryClient.invalidateQueries({ queryKey: ['holdings'] })
  })
}
