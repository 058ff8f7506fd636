/** What the pages of a learner's settings share. */
import type { LearnerSettings } from '@tachymetra/core/learner'
import type { LearnerWire } from '@tachymetra/core/wire'

export type Change = (part: Partial<LearnerSettings>) => void

export interface Section {
  readonly learner: LearnerWire
  readonly settings: LearnerSettings
  readonly change: Change
}

export type OwnPageName = 'reading' | 'plan' | 'levels' | 'ways'
