/** What is said of the mistakes of a kept attempt: they are kept by step, place and id alone. */

import { remarked } from '../diagnose/diagnose.js'
import { placeName } from '../number/places.js'
import { present } from '../number/present.js'
import { sameValue } from '../question/value.js'
import { readAnswerOf } from '../technique/driver.js'
import { missingFrom } from '../technique/listening/so-far.js'
import { pastDecisions } from '../technique/listening/walks.js'
import { PASSED_OVER } from '../words/entry.js'
import { slipName } from '../words/slips.js'
import { type JudgedEntry, mistaken, moved, type Progress } from './progress.js'
import type { AttemptRecord } from './record.js'
import { openStep } from './reduce.js'
import { exerciseOf, replayOf } from './verdict.js'

/**
 * The entries of an attempt with remarks on their mistakes, made again by its working; a mistake that the working no
 * longer has is told by its name and place.
 * @throws InputError as `exerciseOf` does
 */
export function withRemarks(record: AttemptRecord, entries: readonly JudgedEntry[]): readonly JudgedEntry[] {
  const replayed = replayOf(record)
  const [walk] = replayed?.walks ?? []
  const steps = walk ? [...walk.steps, ...(walk.next ? [walk.next] : [])] : []
  const { technique, problem, variant } = exerciseOf(record)
  return entries.map((entry, i) => {
    const again = replayed?.entries[i]
    const step = steps[entry.step - 1]
    const typed = step?.kind.read(entry.text)
    const value = readAnswerOf(technique, problem, variant, entry.text)
    const slips =
      entry.step === 0 && value !== undefined
        ? remarked(technique, problem, variant, entry.slips, value)
        : entry.slips
    return {
      ...entry,
      slips: slips.map((slip, k) => {
        const same = again?.slips[k]?.id === slip.id ? present(again.slips[k]).remark : undefined
        // Judged by an older judge it may be read otherwise now: what its step says of it stands.
        const kept = step?.slips().find((s) => s.id === slip.id && typed && sameValue(s.entry, typed))?.remark
        return { ...slip, remark: slip.remark ?? same ?? kept ?? namedAt(slip) }
      }),
    }
  })
}

/**
 * What is said where a value on the way was said once more than it stands for something, with what belongs to it besides:
 * "24 again: 3 × 4 belongs here too." undefined for anything else.
 */
export function againWords(progress: Progress): string | undefined {
  const entry = progress.entries.at(-1)
  const step = openStep(progress)
  if (!entry || !step || !mistaken(entry)) return undefined
  const here = progress.entries.slice(progress.entries.findLastIndex(moved) + 1, -1)
  const value = step.kind.read(entry.text)
  if (!here.some((e) => e.verdict === 'so-far' && e.text === entry.text) || value === undefined)
    return undefined
  // An estimate need not be said: what belongs to the column after it may be meant.
  const steps = [step, ...pastDecisions(progress.walks.slice(0, 1)).flatMap((w) => w.next ?? [])]
  const missing = steps.map((s) => missingFrom(s, value)).find((m) => m.length > 0) ?? []
  // A mistake with a name has a sentence of its own.
  if (missing.length === 0 && entry.verdict === 'slip') return undefined
  return PASSED_OVER.again(step.kind.say(value), missing)
}

/** "Forgot to carry: tens." */
function namedAt({ id, place }: { readonly id: string; readonly place: number }): string {
  const name = slipName(id)
  return `${name.charAt(0).toUpperCase()}${name.slice(1)}: ${placeName(place)}.`
}
