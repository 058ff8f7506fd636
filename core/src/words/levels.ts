/** Why a level is changed or kept, and how far a learner is with a technique. */
import { seconds, targetWords } from './english.js'

const NOT_TIMED = 'not timed'

interface Found {
  /** Of so many latest answers so many were right. */
  readonly of: number
  readonly right: number
  readonly medianMs: number | null
}

const found = ({ of, right, medianMs }: Found) =>
  `Of the last ${of} answers ${right} were right, the median ${medianMs === null ? NOT_TIMED : seconds(medianMs)}`

/** Reasons by id: what is kept of a move of level is the id with its numbers. */
const LEVEL = {
  back: ({ of, right, least }: { of: number; right: number; least: number }) =>
    `Of the last ${of} answers ${right} were right, fewer than ${least}: a level back makes them sure again.`,
  early: ({ of, given, least, targetMs }: { of: number; given: number; least: number; targetMs: number }) =>
    `${given} of ${of} answers at this level: ${least} right and a median within ${seconds(targetMs)} move up.`,
  up: (numbers: Found & { readonly targetMs: number }) =>
    `${found(numbers)}: both within the target of ${seconds(numbers.targetMs)}.`,
  hold: (numbers: Found & { readonly lackRight: number | null; readonly lackMs: number | null }) => {
    const lacking = [
      ...(numbers.lackRight === null ? [] : [`${numbers.lackRight} right`]),
      ...(numbers.lackMs === null ? [] : [`a median within ${seconds(numbers.lackMs)}`]),
    ]
    return `${found(numbers)}; to move up: ${lacking.join(' and ')}.`
  },
  hand: (_: object) => 'Set by hand.',
  /** By the rules, with numbers that were not kept. */
  rule: (_: object) => 'By the rules.',
} as const

type Reasons = typeof LEVEL

/** Why a level is changed or kept: which reason, and its numbers. */
export type LevelReason = {
  readonly [K in keyof Reasons]: { readonly id: K } & Readonly<Parameters<Reasons[K]>[0]>
}[keyof Reasons]

/** The reason as a sentence. */
export function levelReasonWords(reason: LevelReason): string {
  return LEVEL[reason.id](reason as never)
}

export const MASTERY = {
  moved: (to: number, byRule: boolean) => (byRule ? `moved up to level ${to}` : `level ${to} set by hand`),
  known: (level: number, words: string) => `At target on level ${level}: ${words}.`,
  practised: (words: string) => `Started: ${words}.`,
  ready: (needs: boolean) => (needs ? 'You have learnt what it needs.' : 'Nothing to learn first.'),
  first: (missing: readonly string[]) => `Learn first: ${missing.join(', ')}.`,
  missing: (name: string, words: string) => `${name} (${words})`,
  begun: (begun: boolean) => (begun ? 'not yet tried alone' : 'not begun'),
  latest: (right: number, of: number, medianMs: number | null, targetMs: number) =>
    `${right} of the last ${of} right, ${medianMs === null ? NOT_TIMED : `${seconds(medianMs)} (target ${targetWords(targetMs)})`}`,
} as const

/** How far a learner is with a technique, by id. */
export const MASTERY_NAMES = {
  known: 'known',
  practised: 'in practice',
  ready: 'ready',
  'not-yet': 'not yet',
} as const

const aMinute = (n: number) => `${n.toFixed(n < 10 ? 1 : 0)} right a minute`

/** "Your best: 1.8 s, 24 right a minute."; nothing where there is none yet. */
export function bestWords(best: {
  readonly bestMs: number | null
  readonly perMinute: number | null
}): string {
  const parts = [
    ...(best.bestMs === null ? [] : [seconds(best.bestMs)]),
    ...(best.perMinute === null ? [] : [aMinute(best.perMinute)]),
  ]
  return parts.length === 0 ? '' : `Your best: ${parts.join(', ')}.`
}

/** What a session has that none before it had. */
export function newBestWords(best: {
  readonly kind: 'per-minute' | 'answer'
  readonly now: number
  readonly before: number
}): { readonly head: string; readonly tail: string } {
  return best.kind === 'per-minute'
    ? { head: `Your quickest yet: ${aMinute(best.now)}.`, tail: `Until now: ${aMinute(best.before)}.` }
    : { head: `Your quickest answer yet: ${seconds(best.now)}.`, tail: `Until now: ${seconds(best.before)}.` }
}
