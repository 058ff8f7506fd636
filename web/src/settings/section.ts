/** What a section of a learner's settings is given. */
import type { LearnerSettings } from '@tachymetra/core/learner'

export type Change = (part: Partial<LearnerSettings>) => void

export interface Section {
  readonly settings: LearnerSettings
  readonly change: Change
}
