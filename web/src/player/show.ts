/**
 * Showing numbers on the display's own frames. Every onset is planned from the start, and each frame shows what is
 * due by then, so a late frame never delays the ones after it.
 */
import type { FlashPace } from '@tachymetra/core/flash'
import { onsets } from '@tachymetra/core/flash'

export interface Onsets {
  /** Differences between planned and shown onsets, in milliseconds, one for each number shown. */
  readonly errors: readonly number[]
}

/** Before the first number, so that the eyes are there. */
const LEAD_MS = 700

/**
 * @param draw called on the frame in which a number is due (its index), and with undefined in a gap.
 * @param started told the time of the first onset on the clock of performance.now.
 * @returns a promise of the measured onsets, and a function that stops at once (the promise then never resolves).
 */
export function showNumbers(
  count: number,
  pace: FlashPace,
  draw: (index: number | undefined) => void,
  started: (at: number) => void = () => {},
): { readonly done: Promise<Onsets>; readonly stop: () => void } {
  const planned = onsets(count, pace)
  const period = pace.showMs + pace.gapMs
  let handle = 0
  const done = new Promise<Onsets>((resolve) => {
    const errors: number[] = []
    let start: number | undefined
    let last: number | undefined
    let frameMs = 1000 / 60
    let shown: number | undefined
    const onFrame = (now: number) => {
      // The frame's own length, smoothed: what is due within half of it belongs to this frame.
      if (last !== undefined && now - last < 50) frameMs += (now - last - frameMs) / 16
      last = now
      if (start === undefined) {
        start = now + LEAD_MS
        started(start)
      }
      const due = now + frameMs / 2 - start
      const index = Math.floor(due / period)
      if (index >= count) {
        draw(undefined)
        resolve({ errors })
        return
      }
      if (due >= 0) {
        const visible = due - index * period < pace.showMs || pace.gapMs === 0 ? index : undefined
        if (visible !== shown) {
          draw(visible)
          shown = visible
          if (visible !== undefined && errors.length <= visible) {
            // A number that no frame was left for counts with the full time it was late.
            while (errors.length < visible) errors.push(now - start - planned[errors.length]!)
            errors.push(now - start - planned[visible]!)
          }
        }
      }
      handle = requestAnimationFrame(onFrame)
    }
    handle = requestAnimationFrame(onFrame)
  })
  return { done, stop: () => cancelAnimationFrame(handle) }
}

/** The worst and the mean size of the errors, to a hundredth of a millisecond. */
export function errorOf({ errors }: Onsets): { readonly worstMs: number; readonly meanMs: number } {
  const sizes = errors.map(Math.abs)
  const round = (n: number) => Math.round(n * 100) / 100
  return {
    worstMs: round(Math.max(0, ...sizes)),
    meanMs: round(sizes.reduce((a, b) => a + b, 0) / Math.max(1, sizes.length)),
  }
}
