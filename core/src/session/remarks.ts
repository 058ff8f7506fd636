/** What is said of the mistakes of a kept attempt: they are kept by step, place and id alone. */
import { remarked } from '../diagnose/diagnose.js'
import { placeName } from '../number/places.js'
import { readAnswerOf } from '../technique/driver.js'
import { slipName } from '../words/slips.js'
import type { AttemptRecord } from './record.js'
import type { JudgedEntry } from './reduce.js'
import { exerciseOf, replayOf } from './verdict.js'

/**
 * The entries of an attempt with remarks on their mistakes, made again by its working; a mistake that the working no
 * longer has is told by its name and place.
 * @throws InputError as `exerciseOf` does
 */
export function withRemarks(record: AttemptRecord, entries: readonly JudgedEntry[]): readonly JudgedEntry[] {
  const replayed = replayOf(record)?.entries
  const { technique, problem, variant } = exerciseOf(record)
  return entries.map((entry, i) => {
    const again = replayed?.[i]
    const value = readAnswerOf(technique, problem, variant, entry.text)
    const slips =
      entry.step === 0 && value !== undefined
        ? remarked(technique, problem, variant, entry.slips, value)
        : entry.slips
    return {
      ...entry,
      slips: slips.map((slip, k) => {
        const same = again?.slips[k]?.id === slip.id ? again.slips[k]!.remark : undefined
        return { ...slip, remark: slip.remark ?? same ?? namedAt(slip) }
      }),
    }
  })
}

/** "Forgot to carry: tens." */
function namedAt({ id, place }: { readonly id: string; readonly place: number }): string {
  const name = slipName(id)
  return `${name.charAt(0).toUpperCase()}${name.slice(1)}: ${placeName(place)}.`
}
