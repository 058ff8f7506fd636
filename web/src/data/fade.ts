/** How much of the frame a learner still needs at a technique and level: moved by results. */
import { type Fade, fadeAfter, fadeOf, withFade } from '@tachymetra/core/learner'
import { changeLearner, currentLearnerSettings, useLearnerSettings } from './learnerSettings.js'

export function useFade(learnerId: string, technique: string, level: number): Fade {
  return fadeOf(useLearnerSettings(learnerId).fades, technique, level)
}

export function setFade(learnerId: string, technique: string, level: number, fade: Fade): void {
  const fades = currentLearnerSettings(learnerId)?.fades ?? {}
  changeLearner(learnerId, { fades: withFade(fades, technique, level, fade) })
}

/** Takes one more result into account. */
export function keepFade(
  learnerId: string,
  technique: string,
  level: number,
  verdict: { readonly right: boolean; readonly clean: boolean },
): void {
  const fades = currentLearnerSettings(learnerId)?.fades ?? {}
  setFade(learnerId, technique, level, fadeAfter(fadeOf(fades, technique, level), verdict))
}
