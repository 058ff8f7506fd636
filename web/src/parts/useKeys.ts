import { useLayoutEffect, useRef } from 'react'

/**
 * The keys of the bench, wherever the focus is. Buttons and links keep Enter and Space for themselves, and
 * combinations with Ctrl, Alt or Meta stay with the browser.
 */
export function useKeys(
  commands: Readonly<Record<string, () => void>>,
  onDigit: (key: string) => void,
  active: boolean,
): void {
  const latest = useRef({ commands, onDigit })
  latest.current = { commands, onDigit }
  // Listening before the page is painted: whoever sees the question can answer it.
  useLayoutEffect(() => {
    if (!active) return
    const onKey = (event: KeyboardEvent) => {
      if (event.ctrlKey || event.altKey || event.metaKey || event.isComposing) return
      const control =
        event.target instanceof Element &&
        event.target.closest('button, a, select, [role="combobox"], [type="radio"]')
      if (control && ['Enter', ' ', 'ArrowLeft', 'ArrowRight', 'ArrowUp', 'ArrowDown'].includes(event.key))
        return
      // Some number pads have a comma where the point should be.
      const key = event.key === ',' || event.key === '−' ? (event.key === ',' ? '.' : '-') : event.key
      const command = latest.current.commands[key.length === 1 ? key.toLowerCase() : key]
      if (command) {
        if (event.repeat && key !== 'Backspace') return
        event.preventDefault()
        command()
      } else if (/^[0-9.-]$/.test(key)) {
        event.preventDefault()
        latest.current.onDigit(key)
      }
    }
    window.addEventListener('keydown', onKey)
    return () => window.removeEventListener('keydown', onKey)
  }, [active])
}
