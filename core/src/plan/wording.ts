import type { LearnerSettings } from '../learner/settings.js'
import { EASY_PLAN, PLAN } from '../words/plan.js'

/** Reasons in full, or in easy words, as it is set. */
export const wordsOf = ({ wording }: Pick<LearnerSettings, 'wording'>): typeof PLAN =>
  wording === 'easy' ? { ...PLAN, ...EASY_PLAN } : PLAN
