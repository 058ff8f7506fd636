import { seconds } from '@tachymetra/core/words'
import { useEffect, useRef, useState } from 'react'
import type { LocalSession } from '../kept/store.js'

const TOLD_MS = 3000

/** That the page was gone, while the item is open at which it came back: the clock has gone on. @param n the open item */
export function useAway(session: LocalSession, n: number): string | undefined {
  const [told, setTold] = useState(() => ({ n, gone: Date.now() - lastSign(session) }))
  const at = useRef(n)
  at.current = n
  const left = useRef<number>(undefined)
  useSeen((seen) => {
    if (!seen) left.current = Date.now()
    else if (left.current !== undefined) setTold({ n: at.current, gone: Date.now() - left.current })
  })
  return told.n === n && told.gone > TOLD_MS
    ? `You were away for ${seconds(told.gone)}. The clock went on.`
    : undefined
}

/** When something last happened in what is kept. */
function lastSign({ open, startedAt, attempts }: LocalSession): number {
  const last = open ?? attempts.at(-1)?.record
  return last ? Date.parse(last.startedAt) + (last.events.at(-1)?.at ?? 0) : Date.parse(startedAt)
}

/** Tells when the page goes out of sight, and when it is seen again. */
export function useSeen(tell: (seen: boolean) => void): void {
  const latest = useRef(tell)
  latest.current = tell
  useEffect(() => {
    const changed = () => latest.current(!document.hidden)
    document.addEventListener('visibilitychange', changed)
    return () => document.removeEventListener('visibilitychange', changed)
  }, [])
}
