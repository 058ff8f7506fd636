/** The board: plans that are kept, the one that is shown now, and how the room did. */
import type { BoardPlan, RoomCount } from '@tachymetra/core/set'
import { useMutation, useQuery } from '@tanstack/react-query'
import { flush, handIn } from '../kept/outbox.js'
import { keepParcels } from '../kept/store.js'
import { call } from '../wire/api.js'
import { queryClient } from '../wire/queryClient.js'

export type KeptPlan = BoardPlan & { readonly id: string }

export function usePlans() {
  return useQuery({ queryKey: ['board', 'plans'], queryFn: () => call<KeptPlan[]>('GET', '/board/plans') })
}

export function useKeepPlan() {
  return useMutation({
    mutationFn: ({ id, ...plan }: KeptPlan) => call<KeptPlan>('PUT', `/board/plans/${id}`, plan),
    onSuccess: () => queryClient.invalidateQueries({ queryKey: ['board', 'plans'] }),
  })
}

export function useForgetPlan() {
  return useMutation({
    mutationFn: (id: string) => call('DELETE', `/board/plans/${id}`, {}),
    onSuccess: () => queryClient.invalidateQueries({ queryKey: ['board', 'plans'] }),
  })
}

/** How the room did, the newest first. */
export function useCounts() {
  return useQuery({ queryKey: ['board', 'counts'], queryFn: () => call<RoomCount[]>('GET', '/board/counts') })
}

/** Kept here until the server has it. @throws when it can be neither kept nor sent */
export async function storeCount({ id, ...count }: RoomCount): Promise<void> {
  const parcels = [{ path: `/board/counts/${id}`, body: count }]
  await handIn(() => keepParcels(parcels), parcels)
  await flush()
  await queryClient.invalidateQueries({ queryKey: ['board', 'counts'] })
}

/** Where a lesson stands: which part, which of its problems, at which level, after how many presses. */
export interface WallPlace {
  readonly part: number
  readonly n: number
  readonly level: number
  /** How often it was made easier or harder in this part. */
  readonly moves: number
  readonly presses: number
}

/** A lesson that is shown in this tab; it is gone on with after a reload. */
export interface Showing {
  readonly plan: BoardPlan
  /** What its problems are drawn with. */
  readonly seed: number
  readonly place: WallPlace
}

const KEY = 'tachymetra.board'

export function keptShowing(): Showing | undefined {
  try {
    return (JSON.parse(sessionStorage.getItem(KEY) ?? 'null') as Showing | null) ?? undefined
  } catch {
    return undefined
  }
}

export function keepShowing(showing: Showing): void {
  try {
    sessionStorage.setItem(KEY, JSON.stringify(showing))
  } catch {
    // Without storage the lesson begins anew after a reload.
  }
}
