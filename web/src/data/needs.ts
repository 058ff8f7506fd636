/** What the learner of this tab needs at practice, the usual while it is on its way. */
import type { LearnerSettings } from '@tachymetra/core/learner'
import { useLearnerSettings } from './learnerSettings.js'
import { useLearner } from './queries.js'
import { HAS_TOUCH } from './touch.js'

export interface Needs
  extends Pick<
    LearnerSettings,
    'calm' | 'extraTime' | 'readAloud' | 'ownKeyboard' | 'ownAbacus' | 'keypadSide' | 'keypadOrder'
  > {
  /** Are the keys shown on screen? */
  readonly keypad: boolean
}

export function useNeeds(): Needs {
  const settings = useLearnerSettings(useLearner()?.id)
  const { keypad } = settings
  return { ...settings, keypad: keypad === 'always' || (keypad === 'touch' && HAS_TOUCH) }
}
