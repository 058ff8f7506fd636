/** When on a day there is time to practise, beside what a calendar says is taken. */

import type { Busy, LearnerSettings } from '../learner/settings.js'
import { instantOf } from '../number/days.js'
import { firstOf, present } from '../number/present.js'

/** Practice is put between these hours of the learner's own day. */
const EARLIEST = '07:00'
const LATEST = '20:30'
const STEP_MS = 5 * 60_000

/**
 * The first free stretch on a day that is long enough: from the wished time on, else earlier in the day.
 * @returns its beginning (ISO 8601, UTC), or undefined when the day leaves none.
 */
export function freeTime(
  { at, minutes, busy }: Pick<LearnerSettings, 'at' | 'minutes' | 'busy'>,
  day: string,
  timeZone: string,
): string | undefined {
  const [earliest, wished, latest] = firstOf(
    3,
    [EARLIEST, at, LATEST].map((t) => Date.parse(instantOf(day, t, timeZone))),
  )
  const need = minutes * 60_000
  const taken = busy.map((b): [number, number] => [Date.parse(b.from), Date.parse(b.to)])
  const free = (start: number) => taken.every(([from, to]) => start + need <= from || start >= to)
  for (let t = wished; t <= Math.max(latest, wished); t += STEP_MS) if (free(t)) return iso(t)
  for (let t = earliest; t < wished; t += STEP_MS) if (free(t)) return iso(t)
  return undefined
}

const iso = (ms: number) => new Date(ms).toISOString()

/** Busy times that are not over yet, in order, those that overlap or touch made one. */
export function mergedBusy(busy: readonly Busy[], now: string): Busy[] {
  const merged: { from: string; to: string }[] = []
  for (const { from, to } of [...busy]
    .filter((b) => b.to > now && b.from < b.to)
    .sort((a, b) => (a.from < b.from ? -1 : 1))) {
    const last = merged.at(-1)
    if (last && from <= last.to) last.to = present([to, last.to].sort()[1])
    else merged.push({ from, to })
  }
  return merged
}
