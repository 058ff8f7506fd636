/** Sounds made here: a short beep with each number, and a bell when the time is up. */

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

/** The partials of a small bell, over its lowest tone, and how loud each is. */
const BELL = [
  [880, 0.12],
  [1864, 0.05],
  [2640, 0.03],
] as const
const BELL_S = 1.4

/** Rings once, now. Silent where no press or key has woken the sound. */
export function ringBell(): void {
  if (!context) return
  const at = context.currentTime
  for (const [hertz, loud] of BELL) {
    const tone = context.createOscillator()
    const volume = context.createGain()
    tone.frequency.value = hertz
    volume.gain.setValueAtTime(loud, at)
    volume.gain.exponentialRampToValueAtTime(0.0001, at + BELL_S)
    tone.connect(volume).connect(context.destination)
    tone.start(at)
    tone.stop(at + BELL_S)
  }
}
