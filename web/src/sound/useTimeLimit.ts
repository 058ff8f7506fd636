import { useEffect, useRef } from 'react'
import { useNeeds } from '../data/needs.js'
import { useSettings } from '../data/settings.js'
import { ringBell } from './sound.js'

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
