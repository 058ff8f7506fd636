/** What can be set for one learner. Everything has a default, so nothing need be set. */

import { LEVEL_RULES, type LevelRules, type Targets } from '../curriculum/levels.js'
import { present } from '../number/present.js'
import type { PaperSetup } from '../set/paper.js'
import type { Variant } from '../technique/contract.js'
import type { Fades } from './fade.js'

/** A stretch of time in which nothing can be practised; ISO 8601, UTC. */
export interface Busy {
  readonly from: string
  readonly to: string
}

export type Wording = 'full' | 'easy'

/** How many times the usual targets and limits somebody is given; null: none at all. */
export type ExtraTime = number | null

/** What may be chosen for time and size. */
export const EXTRA_TIMES = [1, 1.5, 2, 3, null] as const
/** What may be chosen of how it is seen and answered; the usual first. */
export const ZEROS = ['plain', 'slashed'] as const
/** More contrast, or as usual. */
export const CONTRASTS = ['usual', 'more'] as const
/** When keys are shown on screen. */
export const KEYPADS = ['touch', 'always', 'never'] as const
/** The side of the keys on a wide screen. */
export const KEYPAD_SIDES = ['right', 'left'] as const
/** The digits as on a calculator or as on a telephone. */
export const KEYPAD_ORDERS = ['calculator', 'telephone'] as const
/** How long before practice a calendar may remind of it, in minutes. */
export const ALARMS = [0, 10, 30, 60] as const
/** Sizes that can be chosen, as a share of the browser's own. */
export const TEXT_SIZES = [1, 1.125, 1.25, 1.5] as const

/** What is set to begin with for an age. */
interface ForAge extends Pick<ReadingSettings, 'textSize' | 'wording'> {
  readonly extraTime: number
}

/** Ages that settings are suggested for: the youngest of each, the oldest first. */
const BY_AGE: readonly (readonly [from: number, ForAge])[] = [
  [16, { extraTime: 1, textSize: 1, wording: 'full' }],
  [12, { extraTime: 1.5, textSize: 1, wording: 'full' }],
  [9, { extraTime: 2, textSize: 1.125, wording: 'easy' }],
  [0, { extraTime: 3, textSize: 1.25, wording: 'easy' }],
]

/**
 * What is set to begin with for somebody of an age: children of eight to twelve recall sums about two to three times as
 * slowly as adults (common practice, no published source). The age itself is kept nowhere.
 */
export function settingsForAge(age: number): ForAge {
  return present(BY_AGE.find(([from]) => age >= from))[1]
}

/** When and what is practised: the plan of a day and the calendar. */
interface PlanSettings {
  /** Minutes of practice a day. */
  readonly minutes: number
  /** The time of day practice is wished at, "16:00", in the learner's own time zone. */
  readonly at: string
  /** Decks of facts the plan draws from. */
  readonly decks: readonly string[]
  /** Items of the plan, by technique id or "facts", that come every day, or never. */
  readonly pinned: readonly string[]
  readonly banned: readonly string[]
  /** Items left out on one day (ISO date). */
  readonly skipped: readonly { readonly item: string; readonly day: string }[]
  /** Times taken by other things, read from a calendar. */
  readonly busy: readonly Busy[]
  /** Minutes before practice at which a calendar reminds of it; null where it does not. */
  readonly alarm: (typeof ALARMS)[number] | null
}

/** How fast is fast enough, and when a level is left. */
interface PaceSettings {
  readonly rules: LevelRules
  /** Targets other than the defaults, in milliseconds, by technique and level. */
  readonly targets: Targets
  /** Targets and limits that are not set by hand are so many times as long; null: there are none. */
  readonly extraTime: ExtraTime
  /** Targets and limits follow the learner's own pace; else the usual ones hold. */
  readonly ownPace: boolean
  /** Milliseconds to copy one shown digit, and when that was measured. */
  readonly keying: { readonly ms: number; readonly at: string } | null
}

/** How it is seen and heard. */
interface ReadingSettings {
  /** Size of everything on screen, as a share of the browser's own. */
  readonly textSize: number
  /** How much is said on screen: in full with its numbers, or in a few easy words. */
  readonly wording: Wording
  /** How it is to be seen: a zero as it is written by hand or with a stroke, more contrast than usual. */
  readonly zero: (typeof ZEROS)[number]
  readonly contrast: (typeof CONTRASTS)[number]
  /** No clock, no bar, no seconds in what is said. */
  readonly calm: boolean
  /** Problem, question and remarks are read out by a voice of the browser's own. */
  readonly readAloud: boolean
  /** The photosensitivity caution has been read; a coach has allowed more than three flashes a second. */
  readonly cautions: { readonly read: boolean; readonly lifted: boolean }
}

/** What answers are entered with. */
interface EntrySettings {
  /** The keys on screen: where there is touch, always or never; at which side, in which order. */
  readonly keypad: (typeof KEYPADS)[number]
  readonly keypadSide: (typeof KEYPAD_SIDES)[number]
  readonly keypadOrder: (typeof KEYPAD_ORDERS)[number]
  /** Answers may come from the system's own keyboard, from dictation or handwriting. */
  readonly ownKeyboard: boolean
  /** Beads are moved on an abacus of one's own, and the value it shows is typed. */
  readonly ownAbacus: boolean
}

/** How it is worked. */
interface WorkSettings {
  /** Where practitioners differ, by technique. */
  readonly variants: Readonly<Record<string, Variant>>
  /** How much of the frame is left, by technique and level. */
  readonly fades: Fades
  /** Papers as they were set up, kept by their names. */
  readonly papers: readonly PaperSetup[]
}

/** All that can be set for a learner, kept and sent field by field. */
export interface LearnerSettings
  extends PlanSettings,
    PaceSettings,
    ReadingSettings,
    EntrySettings,
    WorkSettings {}

const PLAN: PlanSettings = {
  minutes: 4,
  at: '16:00',
  decks: ['to-ten', 'sums', 'differences', 'tables'],
  pinned: [],
  banned: [],
  skipped: [],
  busy: [],
  alarm: null,
}
const PACE: PaceSettings = { rules: LEVEL_RULES, targets: {}, extraTime: 1, ownPace: true, keying: null }
const READING: ReadingSettings = {
  textSize: 1,
  wording: 'full',
  zero: 'plain',
  contrast: 'usual',
  calm: false,
  readAloud: false,
  cautions: { read: false, lifted: false },
}
const ENTRY: EntrySettings = {
  keypad: 'touch',
  keypadSide: 'right',
  keypadOrder: 'calculator',
  ownKeyboard: false,
  ownAbacus: false,
}
const WORK: WorkSettings = { variants: {}, fades: {}, papers: [] }

/** What holds where nothing is set. */
export const DEFAULT_SETTINGS: LearnerSettings = { ...PLAN, ...PACE, ...READING, ...ENTRY, ...WORK }

/** A keying baseline older than this is taken again (default, common practice). */
export const KEYING_DAYS = 30

/** Is the keying baseline missing or old? */
export function keyingDue({ keying }: Pick<PaceSettings, 'keying'>, now: string): boolean {
  return keying === null || Date.parse(now) - Date.parse(keying.at) > KEYING_DAYS * 86_400_000
}
