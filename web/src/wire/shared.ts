import { useSyncExternalStore } from 'react'

/** One value that several components follow: set anywhere, followed with `use`. */
export interface Shared<T> {
  get(): T
  set(value: T): void
  use(): T
}

export function shared<T>(first: T): Shared<T> {
  let current = first
  const listeners = new Set<() => void>()
  const follow = (listener: () => void) => {
    listeners.add(listener)
    return () => listeners.delete(listener)
  }
  const get = () => current
  return {
    get,
    set(value) {
      current = value
      for (const listener of listeners) listener()
    },
    use: () => useSyncExternalStore(follow, get),
  }
}
