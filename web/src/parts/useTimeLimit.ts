import { useEffect, useRef } from 'react'

/** Calls once when the time is up. @param deadline in milliseconds since 1970 */
export function useTimeLimit(deadline: number | undefined, over: () => void): void {
  const latest = useRef(over)
  latest.current = over
  useEffect(() => {
    if (deadline === undefined) return
    const timer = setTimeout(() => latest.current(), Math.max(0, deadline - Date.now()))
    return () => clearTimeout(timer)
  }, [deadline])
}
