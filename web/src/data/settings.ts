/** Choices of this browser, kept in local storage; none of them is about what a learner did. */
import type { School } from '@tachymetra/core'
import { shared } from './shared.js'

export interface Settings {
  readonly theme: 'system' | 'day' | 'night'
  /** The thin bar of elapsed time on the bench. */
  readonly clock: boolean
  readonly learnerId: string | null
  readonly planned: number
  /** Schools by learner, then by technique. */
  readonly schools: Readonly<Record<string, Readonly<Record<string, School>>>>
}

const DEFAULTS: Settings = { theme: 'system', clock: true, learnerId: null, planned: 5, schools: {} }
const KEY = 'tachymetra'

const settings = shared(load())

function load(): Settings {
  try {
    return { ...DEFAULTS, ...(JSON.parse(localStorage.getItem(KEY) ?? '{}') as Partial<Settings>) }
  } catch {
    return DEFAULTS
  }
}

export function changeSettings(change: Partial<Settings>): void {
  settings.set({ ...settings.get(), ...change })
  try {
    localStorage.setItem(KEY, JSON.stringify(settings.get()))
  } catch {
    // Without storage the choice lasts until the page is closed.
  }
}

export const useSettings = settings.use
