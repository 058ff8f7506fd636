import { onsets } from '@tachymetra/core/flash'
import fc from 'fast-check'
import { expect, test, vi } from 'vitest'
import { errorOf, type Onsets, showNumbers } from './show.js'

/** A display whose frames take as long as they are told to. */
class Display {
  now = 0
  private waiting: ((now: number) => void) | undefined
  constructor() {
    vi.stubGlobal('requestAnimationFrame', (f: (now: number) => void) => {
      this.waiting = f
      return 1
    })
    vi.stubGlobal('cancelAnimationFrame', () => {
      this.waiting = undefined
    })
  }

  /** One frame. @returns false when nobody waits for one */
  frame(ms: number): boolean {
    this.now += ms
    const f = this.waiting
    this.waiting = undefined
    f?.(this.now)
    return f !== undefined
  }
}

const FRAME = 1000 / 60
const pace = fc.record({
  count: fc.integer({ min: 2, max: 30 }),
  showMs: fc.integer({ min: 60, max: 1500 }),
  gapMs: fc.integer({ min: 0, max: 600 }),
})

/** Runs a list to its end over the frames given, then over regular ones. */
async function run(given: { count: number; showMs: number; gapMs: number }, frames: readonly number[]) {
  const display = new Display()
  const drawn: { at: number; index: number | undefined }[] = []
  let start = 0
  const { done } = showNumbers(
    given.count,
    given,
    (index) => drawn.push({ at: display.now, index }),
    (at) => {
      start = at
    },
  )
  let n = 0
  while (display.frame(frames[n] ?? FRAME)) n += 1
  return { drawn, start, measured: await done }
}

test('on a regular display every number comes within half a frame of its time, the last as exactly as the first', async () => {
  await fc.assert(
    fc.asyncProperty(
      pace,
      fc.array(fc.double({ min: -0.4, max: 0.4, noNaN: true }), { minLength: 40, maxLength: 40 }),
      async (given, jitter) => {
        const frames = Array.from({ length: 4000 }, (_, i) => FRAME + jitter[i % 40]!)
        const { drawn, start, measured } = await run(given, frames)
        const planned = onsets(given.count, given)
        const shown = drawn.filter((d) => d.index !== undefined)
        expect(shown.map((d) => d.index)).toEqual(planned.map((_, i) => i))
        for (const { at, index } of shown)
          expect(Math.abs(at - start - planned[index!]!)).toBeLessThan(FRAME / 2 + 2)
        expect(measured.errors).toEqual(shown.map((d) => d.at - start - planned[d.index!]!))
        expect(drawn.at(-1)!.index).toBeUndefined()
        // Between two numbers there is nothing for the gap, to the frame.
        for (const [i, { at, index }] of drawn.entries())
          if (index === undefined && i + 1 < drawn.length)
            expect(Math.abs(drawn[i + 1]!.at - at - given.gapMs)).toBeLessThan(FRAME + 2)
      },
    ),
    { numRuns: 60 },
  )
})

test('frames that come late delay nothing after them, and what they swallow is counted as late', async () => {
  await fc.assert(
    fc.asyncProperty(
      pace,
      fc.array(fc.oneof(fc.constant(FRAME), fc.integer({ min: 20, max: 2500 })), { maxLength: 60 }),
      async (given, frames) => {
        const { drawn, start, measured } = await run(given, frames)
        const planned = onsets(given.count, given)
        const shown = drawn.flatMap((d) => (d.index === undefined ? [] : [d]))
        // In order, none twice; and each while it is due.
        expect(shown.map((d) => d.index)).toEqual(
          [...new Set(shown.map((d) => d.index))].sort((a, b) => a! - b!),
        )
        for (const { at, index } of shown) {
          expect(at - start).toBeGreaterThan(planned[index!]! - FRAME * 2)
          expect(at - start).toBeLessThan(planned[index!]! + given.showMs + FRAME)
        }
        expect(measured.errors.length).toBeLessThanOrEqual(given.count)
        for (const [i, error] of measured.errors.entries())
          if (!shown.some((d) => d.index === i)) expect(error).toBeGreaterThan(0)
      },
    ),
    { numRuns: 100 },
  )
})

test('stopped, nothing more is drawn and the end never comes', async () => {
  const display = new Display()
  const draw = vi.fn()
  const { done, stop } = showNumbers(5, { showMs: 100, gapMs: 50 }, draw)
  for (let i = 0; i < 50; i += 1) display.frame(FRAME)
  const before = draw.mock.calls.length
  expect(before).toBeGreaterThan(0)
  stop()
  expect(display.frame(FRAME)).toBe(false)
  expect(draw.mock.calls.length).toBe(before)
  expect(await Promise.race([done, Promise.resolve('not yet')])).toBe('not yet')
})

test('the worst and the mean error, whichever way', () => {
  expect(errorOf({ errors: [1, -3.456, 2] } as Onsets)).toEqual({ worstMs: 3.46, meanMs: 2.15 })
  expect(errorOf({ errors: [] })).toEqual({ worstMs: 0, meanMs: 0 })
})
