/** A short beep with each number. */

let context: AudioContext | undefined

/** Must be called from a press or key, or the browser keeps silent. */
export function wakeSound(): void {
  context ??= new AudioContext()
  void context.resume()
}

const BEEP_S = 0.06

/** Plans a beep for each time (on the clock of performance.now); sound runs on a clock of its own, so nothing has to be on time here. */
export function planBeeps(times: readonly number[]): () => void {
  if (!context) return () => {}
  const sound = context
  const shift = sound.currentTime - performance.now() / 1000
  const made = times.map((time) => {
    const at = Math.max(sound.currentTime, time / 1000 + shift)
    const tone = sound.createOscillator()
    const volume = sound.createGain()
    tone.frequency.value = 660
    volume.gain.setValueAtTime(0, at)
    volume.gain.linearRampToValueAtTime(0.12, at + 0.005)
    volume.gain.setValueAtTime(0.12, at + BEEP_S - 0.01)
    volume.gain.linearRampToValueAtTime(0, at + BEEP_S)
    tone.connect(volume).connect(sound.destination)
    tone.start(at)
    tone.stop(at + BEEP_S)
    return tone
  })
  return () => {
    for (const tone of made) tone.stop()
  }
}
