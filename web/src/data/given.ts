/** Own problems, printed sheets and trials, as the screens read and keep them. */
import type { NewSheet, OwnSet } from '@tachymetra/core/set'
import type { OwnSetWire, SheetBatch, SheetWire, WorkedSet } from '@tachymetra/core/wire'
import { useMutation, useQuery } from '@tanstack/react-query'
import { call } from '../wire/api.js'
import { queryClient } from '../wire/queryClient.js'

/** Trials that were worked, newest first. */
export function useTrials(learnerId: string) {
  return useQuery({
    queryKey: ['record', learnerId, 'trials'],
    queryFn: () => call<WorkedSet[]>('GET', `/learners/${learnerId}/trials`),
  })
}

export function useOwnSets(learnerId: string | undefined) {
  return useQuery({
    queryKey: ['own', learnerId],
    queryFn: () => call<OwnSetWire[]>('GET', `/learners/${learnerId}/problem-sets`),
    enabled: learnerId !== undefined,
  })
}

export function useKeepOwn(learnerId: string) {
  return useMutation({
    mutationFn: ({ id, ...set }: OwnSet & { readonly id: string }) =>
      call<OwnSetWire>('PUT', `/learners/${learnerId}/problem-sets/${id}`, set),
    onSuccess: () => queryClient.invalidateQueries({ queryKey: ['own', learnerId] }),
  })
}

export function useForgetOwn(learnerId: string) {
  return useMutation({
    mutationFn: (id: string) => call('DELETE', `/learners/${learnerId}/problem-sets/${id}`, {}),
    onSuccess: () => queryClient.invalidateQueries({ queryKey: ['own', learnerId] }),
  })
}

export function useBatches() {
  return useQuery({ queryKey: ['sheets'], queryFn: () => call<SheetBatch[]>('GET', '/sheets') })
}

export function useSheet(code: string) {
  return useQuery({
    queryKey: ['record', 'sheet', code],
    queryFn: () => call<SheetWire>('GET', `/sheets/${encodeURIComponent(code)}`),
    retry: false,
  })
}

/** Sheets by their codes, in this order. */
export function sheetsOf(codes: readonly string[]): Promise<SheetWire[]> {
  return Promise.all(codes.map((code) => call<SheetWire>('GET', `/sheets/${code}`)))
}

/** Stores sheets one after another. @param progress told of how many are stored */
export async function storeSheets(
  sheets: readonly NewSheet[],
  progress: (done: number) => void,
): Promise<void> {
  for (const [i, { code, ...sheet }] of sheets.entries()) {
    await call('PUT', `/sheets/${code}`, sheet)
    progress(i + 1)
  }
  await queryClient.invalidateQueries({ queryKey: ['sheets'] })
}

export function useForgetBatch() {
  return useMutation({
    mutationFn: (batch: string) => call('DELETE', `/sheets/batches/${batch}`, {}),
    onSuccess: () => queryClient.invalidateQueries({ queryKey: ['sheets'] }),
  })
}
