/** What happens at the bench by itself, after a while. */
import { useEffect, useRef } from 'react'

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
