/** Speech by a voice that the browser has on this machine: nothing is sent anywhere. */
import { unmarked } from '@tachymetra/core/number'
import { useSyncExternalStore } from 'react'

const CAN = typeof window !== 'undefined' && 'speechSynthesis' in window

const voice = (): SpeechSynthesisVoice | undefined =>
  CAN ? speechSynthesis.getVoices().find((v) => v.localService && v.lang.startsWith('en')) : undefined

/** Is there a voice? Voices may become known only after a while. */
export function useVoice(): boolean {
  return useSyncExternalStore(
    (changed) => {
      if (!CAN) return () => {}
      speechSynthesis.addEventListener('voiceschanged', changed)
      return () => speechSynthesis.removeEventListener('voiceschanged', changed)
    },
    () => voice() !== undefined,
  )
}

/**
 * Says something now, cutting off whatever is still being said.
 * @param rate 1 is the voice's own pace
 * @param onEnd told when it has been said, or at once where there is no voice
 */
export function speak(text: string, rate = 1, onEnd?: () => void): void {
  const own = voice()
  if (!own) {
    onEnd?.()
    return
  }
  speechSynthesis.cancel()
  const said = new SpeechSynthesisUtterance(unmarked(text))
  said.voice = own
  said.lang = own.lang
  said.rate = Math.max(0.8, Math.min(3, rate))
  if (onEnd) said.onend = onEnd
  speechSynthesis.speak(said)
}

export function hush(): void {
  if (CAN) speechSynthesis.cancel()
}
