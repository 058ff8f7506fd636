/** What may happen after a right answer. */
import type { Settings } from '../data/settings.js'

export const ONWARD: readonly { readonly value: Settings['onward']; readonly label: string }[] = [
  { value: 'enter', label: 'the next at Enter' },
  { value: 'itself', label: 'the next by itself' },
  { value: 'last-digit', label: 'the next by itself, no Enter at all' },
]
