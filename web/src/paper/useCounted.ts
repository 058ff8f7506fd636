import { PAPER_POOL } from '@tachymetra/core/set'
import { useEffect } from 'react'

/** Between two levels the page takes what was typed meanwhile. */
const PAUSE_MS = 10

/** Counts the items there are while the page is read, a level at a time: then a paper is drawn at once. */
export function useCounted(): void {
  useEffect(() => {
    const left = PAPER_POOL.flatMap(({ technique, levels }) => levels.map((n) => technique.levels[n - 1]!))
    const count = () => {
      left.pop()?.problems()
      if (left.length > 0) timer = setTimeout(count, PAUSE_MS)
    }
    let timer = setTimeout(count, PAUSE_MS)
    return () => clearTimeout(timer)
  }, [])
}
