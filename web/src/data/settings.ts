/** Choices of this browser, kept in local storage; none of them is about what a learner did. */
import { useSyncExternalStore } from 'react'

export interface Settings {
  readonly theme: 'system' | 'day' | 'night'
  /** The thin bar of elapsed time on the bench. */
  readonly clock: boolean
  readonly learnerId: string | null
  readonly planned: number
}

const DEFAULTS: Settings = { theme: 'system', clock: true, learnerId: null, planned: 5 }
const KEY = 'tachymetra'

let current = load()
const listeners = new Set<() => void>()

function load(): Settings {
  try {
    return { ...DEFAULTS, ...(JSON.parse(localStorage.getItem(KEY) ?? '{}') as Partial<Settings>) }
  } catch {
    return DEFAULTS
  }
}

export function changeSettings(change: Partial<Settings>): void {
  current = { ...current, ...change }
  try {
    localStorage.setItem(KEY, JSON.stringify(current))
  } catch {
    // Without storage the choice lasts until the page is closed.
  }
  for (const listener of listeners) listener()
}

export function useSettings(): Settings {
  return useSyncExternalStore(
    (listener) => {
      listeners.add(listener)
      return () => listeners.delete(listener)
    },
    () => current,
  )
}
