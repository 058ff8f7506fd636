import fc from 'fast-check'
import { beforeEach, expect, test, vi } from 'vitest'

const kept = new Map<string, string>()
const ofTab = new Map<string, string>()
const storage = (map: Map<string, string>) => ({
  getItem: (key: string) => map.get(key) ?? null,
  setItem: (key: string, value: string) => map.set(key, value),
})
vi.stubGlobal('localStorage', storage(kept))
vi.stubGlobal('sessionStorage', storage(ofTab))

/** The module as a page that has just been opened has it. */
async function opened() {
  vi.resetModules()
  return await import('./settings.js')
}

beforeEach(() => {
  kept.clear()
  ofTab.clear()
})

test('choices are there when the page is opened again', async () => {
  const first = await opened()
  const usual = first.currentSettings()
  first.changeSettings({ learnerId: 'l1', clock: false, flash: { ...usual.flash, count: 9 } })
  const again = (await opened()).currentSettings()
  expect(again).toEqual({ ...usual, learnerId: 'l1', clock: false, flash: { ...usual.flash, count: 9 } })
})

test('a tab keeps its learner when another chooses; a new one begins with the last chosen', async () => {
  ;(await opened()).changeSettings({ learnerId: 'l1' })
  kept.set('tachymetra', JSON.stringify({ learnerId: 'l2', clock: false }))
  const reloaded = (await opened()).currentSettings()
  expect([reloaded.learnerId, reloaded.clock]).toEqual(['l1', false])
  ofTab.clear()
  expect((await opened()).currentSettings().learnerId).toBe('l2')
})

test('whatever another version has kept, every setting is of its kind', async () => {
  const { currentSettings } = await opened()
  const usual = currentSettings()
  const kinds = (of: object): unknown =>
    Object.entries(of).map(([k, v]) => [k, v !== null && typeof v === 'object' ? kinds(v) : typeof v])
  const bent = fc.oneof(
    fc.string(),
    fc.json(),
    fc.dictionary(fc.constantFrom(...Object.keys(usual)), fc.jsonValue()).map((d) => JSON.stringify(d)),
  )
  await fc.assert(
    fc.asyncProperty(bent, async (text) => {
      kept.set('tachymetra', text)
      const { learnerId, ...found } = (await opened()).currentSettings()
      const { learnerId: _, ...expected } = usual
      expect(kinds(found)).toEqual(kinds(expected))
      expect(learnerId === null || typeof learnerId === 'string').toBe(true)
    }),
    { numRuns: 60 },
  )
  // What an older version did not know yet comes from the usual; the rest is as it was.
  kept.set('tachymetra', JSON.stringify({ flash: { digits: 3 } }))
  expect((await opened()).currentSettings()).toEqual({ ...usual, flash: { ...usual.flash, digits: 3 } })
})
