/** How much of the frame a learner still needs: moved by results, kept in this browser. */
import { type Fade, FIRST_FADE, fadeAfter } from '@tachymetra/core'
import { changeSettings, currentSettings, useSettings } from './settings.js'

export function useFade(learnerId: string): Fade {
  return useSettings().fades[learnerId] ?? FIRST_FADE
}

export function setFade(learnerId: string, fade: Fade): void {
  changeSettings({ fades: { ...currentSettings().fades, [learnerId]: fade } })
}

/** Takes one more result into account. */
export function keepFade(
  learnerId: string,
  verdict: { readonly right: boolean; readonly clean: boolean },
): void {
  setFade(learnerId, fadeAfter(currentSettings().fades[learnerId] ?? FIRST_FADE, verdict))
}
