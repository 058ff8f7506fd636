/** Elements with their texts as numbers are written here. */
import { currentSettings } from '../data/settings.js'
import { asItIs, written } from './written.js'

/** Properties that are shown or read out. */
const READ = ['aria-label', 'title', 'alt', 'placeholder', 'label'] as const

function child(value: unknown): unknown {
  if (typeof value === 'string') return written(value)
  if (typeof value === 'number' && !Number.isInteger(value)) return written(String(value))
  if (Array.isArray(value)) return value.map(child)
  return value
}

/** What may be chosen from, each with its label. */
const option = (value: unknown) =>
  typeof value === 'object' && value !== null && 'label' in value && typeof value.label === 'string'
    ? { ...value, label: written(value.label) }
    : value

/** The properties of an element as they are to be shown; those of one that says `data-plain` stay as they are. */
export function propsHere<P>(props: P): P {
  if (asItIs(currentSettings().numbers)) return props
  const its: Record<string, unknown> = { ...(props as Record<string, unknown>) }
  if ('data-plain' in its) return props
  if ('children' in its) its.children = child(its.children)
  if (Array.isArray(its.options)) its.options = its.options.map(option)
  for (const name of READ) if (typeof its[name] === 'string') its[name] = written(its[name])
  return its as P
}
