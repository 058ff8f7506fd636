import { writtenBy } from '@tachymetra/core/session'
import { useLayoutEffect, useRef } from 'react'
import { currentSettings } from '../data/settings.js'

/** Where keys that write an answer go: those of its kind. */
export interface KeyTarget {
  readonly keys: readonly string[]
  press(key: string): void
}

/** Fields keep every key for themselves. Ours only shows what is typed. */
const FIELDS =
  'input:not([readonly]):not([type="radio"]):not([type="checkbox"]), textarea, select, [role="combobox"], [contenteditable]'
/** Controls keep the keys they are worked by. */
const CONTROLS = 'button, a, summary, [type="radio"], [type="checkbox"]'
const OF_CONTROLS = ['Enter', ' ']
const OF_CHOICES = ['ArrowLeft', 'ArrowRight', 'ArrowUp', 'ArrowDown']

/**
 * The keys of the bench, wherever the focus is but in a field. Keys that write the answer come before commands. Buttons
 * and links keep Enter and Space for themselves, choices arrows and letters as well, and combinations with Ctrl, Alt or Meta stay
 * with the browser. Commands that are a single letter can be switched off (WCAG 2.1.4).
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
      const at = event.target instanceof Element ? event.target : undefined
      if (at?.closest(FIELDS)) return
      const control = at?.closest(CONTROLS)
      const { key } = event
      const choice = control?.matches('[type="radio"]') ?? false
      if ((control && OF_CONTROLS.includes(key)) || (choice && OF_CHOICES.includes(key))) return
      const target = latest.current.entry
      const written = target && writtenBy(target, key)
      if (target && written !== undefined) {
        event.preventDefault()
        target.press(written)
        return
      }
      const letter = key.length === 1 && key !== ' '
      if (letter && (!currentSettings().letterKeys || choice)) return
      const command = latest.current.commands[letter ? key.toLowerCase() : key]
      if (!command || (event.repeat && key !== 'Backspace')) return
      event.preventDefault()
      command()
    }
    window.addEventListener('keydown', onKey)
    return () => window.removeEventListener('keydown', onKey)
  }, [active])
}
