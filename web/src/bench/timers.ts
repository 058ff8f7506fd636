/** What happens at the bench by itself, after a while. */
import { deadlineOf, type Recipe } from '@tachymetra/core/set'
import { useEffect, useRef } from 'react'
import { useTimeLimit } from '../sound/useTimeLimit.js'

/** How long a right answer stands before the next problem comes by itself. */
const STANDS_MS = 900

/** Goes on by itself once a problem was answered rightly, so that the verdict is seen before. */
export function useOnward(right: boolean, next: () => void): void {
  const latest = useRef(next)
  latest.current = next
  useEffect(() => {
    if (!right) return
    const timer = setTimeout(() => latest.current(), STANDS_MS)
    return () => clearTimeout(timer)
  }, [right])
}

/**
 * Calls when the time there is for a problem, or for all, is over.
 * @param resting how long the clock has rested at this problem, in milliseconds; undefined while it rests, or nothing runs
 * @returns when it is over, as it is shown; undefined where there is no limit
 */
export function useDeadline(
  recipe: Recipe,
  begun: { readonly item: string; readonly whole: string },
  resting: number | undefined,
  over: () => void,
): number | undefined {
  const from = { item: Date.parse(begun.item) + (resting ?? 0), whole: Date.parse(begun.whole) }
  const deadline = deadlineOf(recipe, from)
  useTimeLimit(resting === undefined ? undefined : deadline, over)
  return deadline
}
