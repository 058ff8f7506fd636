/** Choices of this browser, kept in local storage; what is set for a learner is kept with them on the server. */
import type { Shown, Staircase } from '@tachymetra/core/flash'
import type { TypedFrom } from '@tachymetra/core/session'
import type { NumberSigns } from '@tachymetra/core/set'
import { shared } from '../wire/shared.js'

/** How numbers are flashed or glide by. */
export interface FlashSettings extends Staircase {
  readonly way: Shown['way']
  readonly digits: number
  readonly count: number
  readonly gapMs: number
  readonly minus: boolean
  readonly sound: 'beep' | 'voice' | 'none'
  /** Height of the figures in rem. */
  readonly size: number
}

export interface Settings {
  readonly theme: 'system' | 'day' | 'night'
  /** How it is seen, as last set for the learner of this tab: known before the server is asked. */
  readonly textSize: number
  readonly zero: string
  readonly contrast: string
  /** The thin bar of elapsed time on the bench. */
  readonly clock: boolean
  readonly learnerId: string | null
  readonly planned: number
  /** Is the desk open for choosing beside the plan? */
  readonly choosing: boolean
  /** Do single letters act in practice, such as H for a hint? */
  readonly letterKeys: boolean
  /** After a right answer: the next problem at Enter, by itself, or by itself and accepted at its last digit. */
  readonly onward: 'enter' | 'itself' | 'last-digit'
  /** Which digit of an answer is typed first, where the work goes from the right. */
  readonly writtenFrom: TypedFrom
  /** Rods of the frame; a problem that needs more gets them. */
  readonly rods: number
  /** On the frame: is every bead and its order judged, or only what the rods show? */
  readonly strict: boolean
  /** Milliseconds a frame that is not right stands still before it is judged. */
  readonly restMs: number
  /** Milliseconds between two bead moves that are played. */
  readonly beadMs: number
  /** Milliseconds from one thing to the next while a problem is watched; 0: each at a press. */
  readonly watchMs: number
  /** Is what is watched read aloud? */
  readonly watchAloud: boolean
  /** Does a bell ring when the time is up? */
  readonly bell: boolean
  readonly flash: FlashSettings
  readonly numbers: NumberSigns
  /** The deck of facts last chosen, and how many a round has. */
  readonly factDeck: string
  readonly factCount: number
}

/** On a screen as narrow or as low as a telephone's, as many rods as still have beads that a finger hits. */
function usualRods(): number {
  return typeof matchMedia === 'function' && matchMedia('(max-width: 30rem), (max-height: 30rem)').matches
    ? 7
    : 13
}

const DEFAULTS: Settings = {
  theme: 'system',
  textSize: 1,
  zero: 'plain',
  contrast: 'usual',
  clock: true,
  learnerId: null,
  planned: 5,
  choosing: false,
  letterKeys: true,
  onward: 'enter',
  writtenFrom: 'left',
  rods: usualRods(),
  strict: false,
  restMs: 3500,
  beadMs: 550,
  watchMs: 0,
  watchAloud: false,
  bell: true,
  numbers: { decimal: '.', grouping: 'space', times: '×', over: '÷' },
  factDeck: 'to-ten',
  factCount: 20,
  flash: {
    way: 'flash',
    digits: 1,
    count: 5,
    showMs: 1000,
    run: 0,
    gapMs: 200,
    minus: false,
    sound: 'beep',
    size: 9,
  },
}
const KEY = 'tachymetra'
/** Who practises is a choice of each tab: two may practise side by side. */
const LEARNER_KEY = 'tachymetra.learner'

const settings = shared(load())

function load(): Settings {
  try {
    const kept = over(DEFAULTS, JSON.parse(localStorage.getItem(KEY) ?? '{}'))
    return { ...kept, learnerId: sessionStorage.getItem(LEARNER_KEY) ?? kept.learnerId }
  } catch {
    return DEFAULTS
  }
}

/** Follows what is chosen in other tabs, but for the learner of this one. */
export function followOtherTabs(): void {
  window.addEventListener('storage', ({ key }) => {
    if (key === KEY) settings.set({ ...load(), learnerId: settings.get().learnerId })
  })
}

/** What was kept, where it is of the kind that is expected: another version may have kept something else. */
function over<T extends object>(defaults: T, kept: unknown): T {
  const entries = Object.entries(defaults).map(([key, usual]) => {
    const value = (kept as Record<string, unknown> | null)?.[key]
    if (usual === null) return [key, typeof value === 'string' ? value : null]
    if (typeof value !== typeof usual) return [key, usual]
    return [key, typeof usual === 'object' ? over(usual, value) : value]
  })
  return Object.fromEntries(entries) as T
}

export function changeSettings(change: Partial<Settings>): void {
  settings.set({ ...settings.get(), ...change })
  try {
    localStorage.setItem(KEY, JSON.stringify(settings.get()))
    if (change.learnerId) sessionStorage.setItem(LEARNER_KEY, change.learnerId)
  } catch {
    // Without storage the choice lasts until the page is closed.
  }
}

export const currentSettings = settings.get

export const useSettings = settings.use
