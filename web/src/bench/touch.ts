import { useEffect, useState } from 'react'

const QUERY = '(pointer: coarse)'

/** True where fingers are what points, so that the keypad is needed. */
export function useTouch(): boolean {
  const [touch, setTouch] = useState(() => matchMedia(QUERY).matches)
  useEffect(() => {
    const query = matchMedia(QUERY)
    const follow = () => setTouch(query.matches)
    query.addEventListener('change', follow)
    return () => query.removeEventListener('change', follow)
  }, [])
  return touch
}
