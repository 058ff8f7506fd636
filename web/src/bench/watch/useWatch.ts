import { useEffect, useRef, useState } from 'react'
import { useSettings } from '../../data/settings.js'
import { hush, speak } from '../../sound/speech.js'

/** From the end of what is said to the next thing, at least; in milliseconds. */
const BREATH_MS = 400

/**
 * Watching at a pace of its own and read aloud, as it is set: what is shown is said, and the next comes when it has been said
 * and its time is over.
 * @param words what is shown now
 * @param over nothing more comes by itself
 */
export function useWatch(words: string, over: boolean, onNext: () => void) {
  const { watchMs, watchAloud } = useSettings()
  const [paused, setPaused] = useState(false)
  const latest = useRef(onNext)
  latest.current = onNext
  const moving = watchMs > 0 && !over && !paused
  useEffect(() => {
    let timer: ReturnType<typeof setTimeout> | undefined
    const begun = performance.now()
    const soon = () => {
      if (!moving) return
      const left = watchMs - (performance.now() - begun)
      timer = setTimeout(() => latest.current(), Math.max(watchAloud ? BREATH_MS : 0, left))
    }
    if (watchAloud) speak(words, 1, soon)
    else soon()
    return () => {
      clearTimeout(timer)
      hush()
    }
  }, [words, moving, watchMs, watchAloud])
  return { byItself: watchMs > 0, paused, pause: () => setPaused(!paused) }
}
