import { writtenBy } from '@tachymetra/core/session'
import { useLayoutEffect, useRef } from 'react'

/** Where keys that write an answer go: those of its kind. */
export interface KeyTarget {
  readonly keys: readonly string[]
  press(key: string): void
}

/**
 * The keys of the bench, wherever the focus is. Keys that write the answer come before commands. Buttons and links keep
 * Enter and Space for themselves, and combinations with Ctrl, Alt or Meta stay with the browser.
 */
export function useKeys(
  commands: Readonly<Record<string, () => void>>,
  entry: KeyTarget | undefined,
  active: boolean,
): void {
  const latest = useRef({ commands, entry })
  latest.current = { commands, entry }
  // Listening before the page is painted: whoever sees the question can answer it.
  useLayoutEffect(() => {
    if (!active) return
    const onKey = (event: KeyboardEvent) => {
      if (event.ctrlKey || event.altKey || event.metaKey || event.isComposing) return
      const control =
        event.target instanceof Element &&
        event.target.closest('button, a, select, [role="combobox"], [type="radio"]')
      const { key } = event
      if (control && ['Enter', ' ', 'ArrowLeft', 'ArrowRight', 'ArrowUp', 'ArrowDown'].includes(key)) return
      const target = latest.current.entry
      const written = target && writtenBy(target, key)
      if (target && written !== undefined) {
        event.preventDefault()
        target.press(written)
        return
      }
      const command = latest.current.commands[key.length === 1 ? key.toLowerCase() : key]
      if (!command || (event.repeat && key !== 'Backspace')) return
      event.preventDefault()
      command()
    }
    window.addEventListener('keydown', onKey)
    return () => window.removeEventListener('keydown', onKey)
  }, [active])
}
