/** How much of the frame a learner still needs: moved by results. */
import { type Fade, FIRST_FADE, fadeAfter } from '@tachymetra/core'
import { changeLearner, currentLearnerSettings, useLearnerSettings } from './learnerSettings.js'

export function useFade(learnerId: string): Fade {
  return useLearnerSettings(learnerId).fade
}

export function setFade(learnerId: string, fade: Fade): void {
  changeLearner(learnerId, { fade })
}

/** Takes one more result into account. */
export function keepFade(
  learnerId: string,
  verdict: { readonly right: boolean; readonly clean: boolean },
): void {
  setFade(learnerId, fadeAfter(currentLearnerSettings(learnerId)?.fade ?? FIRST_FADE, verdict))
}
