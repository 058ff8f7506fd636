import { useEffect, useRef, useState } from 'react'
import { currentSettings } from '../data/settings.js'
import { ringBell } from '../sound/sound.js'

/**
 * Seconds on the clock for what stands on the board: they run from the moment it comes, stop and begin anew at a key, and a
 * bell rings when they are over.
 * @param key of what stands there: with another one the clock begins anew
 * @param ms undefined where no clock runs
 * @returns whole seconds that are left, 0 when the time is up; undefined where none runs
 */
export function useClock(key: string, ms: number | undefined, onOver: () => void) {
  const [until, setUntil] = useState<{ readonly key: string; readonly at: number | undefined }>()
  const latest = useRef(onOver)
  latest.current = onOver
  const [now, setNow] = useState(() => Date.now())
  const mine = until?.key === key ? until : undefined
  // The clock of what has just come.
  useEffect(() => {
    setNow(Date.now())
    setUntil({ key, at: ms === undefined ? undefined : Date.now() + ms })
  }, [key, ms])
  const at = mine?.at
  useEffect(() => {
    if (at === undefined) return
    const tick = setInterval(() => setNow(Date.now()), TICK_MS)
    const over = setTimeout(
      () => {
        setNow(Date.now())
        if (currentSettings().bell) ringBell()
        latest.current()
      },
      Math.max(0, at - Date.now()),
    )
    return () => {
      clearInterval(tick)
      clearTimeout(over)
    }
  }, [at])
  return {
    left: at === undefined ? undefined : Math.max(0, Math.ceil((at - now) / 1000)),
    /** Stops it, or begins it anew. @param usual where none was set */
    toggle: (usual: number) => {
      setNow(Date.now())
      setUntil({ key, at: at === undefined || at <= Date.now() ? Date.now() + (ms ?? usual) : undefined })
    },
  }
}

const TICK_MS = 200
