/** What the plan of the day says of its items. */

import { placeName } from '../number/places.js'
import { firstOf } from '../number/present.js'
import { count, listed, plural, targetWords } from './english.js'
import { MASTERY, type Pace } from './levels.js'
import { slipName } from './slips.js'

const away = (days: number) => (days === 1 ? 'yesterday' : `${days} days ago`)

export const PLAN = {
  facts: ({ due, slow, fresh }: { due: number; slow: number; fresh: number }) => {
    const parts = [
      ...(due ? [`${due} to repeat before you forget them`] : []),
      ...(slow ? [`${slow} that ${plural(slow, 'slows', 'slow')} you down`] : []),
      ...(fresh ? [`${fresh} new`] : []),
    ]
    return `${parts.join(', ')}. Facts first: everything else uses them.`
  },
  factsName: (n: number) => count(n, 'fact'),
  techniqueName: (name: string, level: number) => `${name}, level ${level}`,
  mixedName: (names: readonly string[]) => `${listed(names)}, mixed`,
  pinned: 'Pinned.',
  assigned: 'Set by your coach.',
  mixed: (n: number) => `${count(n, 'technique')} you know, asked again before you forget them.`,
  held: (names: readonly string[]) => {
    const [first, ...others] = firstOf(1, names)
    const who = others.length > 1 ? [first, count(others.length, 'other')] : names
    return `${listed(who)} ${plural(names.length, 'has a rest', 'have a rest')}: not moved up for a week.`
  },
  fresh: (because: string) => `New: ${because.charAt(0).toLowerCase()}${because.slice(1)}`,
  review: (days: number) =>
    days <= 0 ? 'You began this today.' : `Asked again before you forget it: last worked ${away(days)}.`,
  edge: (
    worked:
      | {
          readonly level: number
          readonly answers: number
          readonly right: number
        }
      | undefined,
    pace: Pace | undefined,
  ) => {
    const head = 'Closest to its target.'
    if (!worked || worked.answers === 0) return `${head} Not worked at this level yet.`
    const { level, answers, right } = worked
    return `${head} Level ${level}: ${MASTERY.latest(right, answers, pace)}.`
  },
  weak: ({ missed, of }: { missed: number; of: number }) =>
    of === 1 ? 'Missed on your last paper.' : `On your last papers ${missed} of ${of} were missed.`,
  rest: 'Rest day: your calendar is full.',
} as const

/** The same in a few easy words, without numbers. */
export const EASY_PLAN = {
  facts: () => 'Quick facts first: they help with all the rest.',
  mixed: () => 'All mixed up: do you still know which is which?',
  fresh: () => 'Something new.',
  held: (names: readonly string[]) => `${PLAN.held(names).split(':')[0]}.`,
  review: () => 'Once more, so that it stays.',
  edge: () => 'This comes next for you.',
  weak: () => 'Some of these were missed on your last papers.',
  pinned: PLAN.pinned,
  assigned: PLAN.assigned,
} as const

/** "Watch out: you forgot to carry 4 times lately, mostly in the tens." */
export function bugWords(bug: {
  readonly slip: string
  readonly count: number
  readonly place: number | undefined
}): string {
  const where = bug.place === undefined ? '' : `, mostly in the ${placeName(bug.place)}`
  return `Watch out: you ${slipName(bug.slip)} ${bug.count} times lately${where}.`
}

/** When a target will be met, or why nothing can be said. */
export const OUTLOOK = {
  few: (days: number, least: number) => `${days} of the ${least} days of practice a forecast needs.`,
  met: 'The target is met already.',
  stopped: 'Stopped.',
  unsteady: 'The pace goes up and down too much, or too slowly down, to say when.',
} as const

/** "about 9 to 14 more days of practice to 6 s". */
export function forecastWords(
  { days }: { readonly days: { readonly low: number; readonly high: number } },
  targetMs: number,
): string {
  const span = days.low === days.high ? `${days.low}` : `${days.low} to ${days.high}`
  return `about ${span} more ${plural(days.high, 'day')} of practice to ${targetWords(targetMs)}`
}
