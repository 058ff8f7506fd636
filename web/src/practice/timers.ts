/** What happens in practice by itself: the time is up, a right answer has stood for a while. */
import { deadlineOf, type Recipe } from '@tachymetra/core/set'
import { useEffect, useRef } from 'react'
import { useNeeds } from '../data/needs.js'
import { useSettings } from '../data/settings.js'
import { ringBell } from '../sound/sound.js'

/** Calls once when the time is up, with a bell where one is wished. @param deadline in milliseconds since 1970 */
export function useTimeLimit(deadline: number | undefined, over: () => void): void {
  const { bell } = useSettings()
  const { calm } = useNeeds()
  const latest = useRef(over)
  latest.current = () => {
    if (bell && !calm) ringBell()
    over()
  }
  useEffect(() => {
    if (deadline === undefined) return
    const timer = setTimeout(() => latest.current(), Math.max(0, deadline - Date.now()))
    return () => clearTimeout(timer)
  }, [deadline])
}

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
