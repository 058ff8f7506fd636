/** Why a level is changed or kept, and how far a learner is with a technique. */
import { fixedWords } from '../number/marks.js'
import { seconds, targetWords } from './english.js'

const NOT_TIMED = 'not timed'

interface Found {
  /** Of so many latest answers so many were right. */
  readonly of: number
  readonly right: number
  /** Left out where time does not count. */
  readonly medianMs?: number | null
}

const found = ({ of, right, medianMs }: Found, calm: boolean) => {
  const pace =
    calm || medianMs === undefined ? '' : `, the median ${medianMs === null ? NOT_TIMED : seconds(medianMs)}`
  return `Of the last ${of} answers ${right} were right${pace}`
}

interface Sure extends Found {
  readonly odds: number
  readonly targetMs?: number
}

const aimWords = ({ targetMs }: Pick<Sure, 'targetMs'>, calm: boolean) =>
  calm || targetMs === undefined ? '' : ` (target ${seconds(targetMs)})`

/** A chance as people say it: "7 in 10", "under 1 in 10". */
const inTen = (chance: number) =>
  chance < 0.1 ? 'under 1 in 10' : `${Math.min(9, Math.round(10 * chance))} in 10`

/**
 * Reasons by id: what is kept of a move of level is the id with its numbers. Calm words say nothing in seconds; where there
 * is no time limit, nothing is said of time.
 */
const LEVEL = {
  back: ({ of, right, least }: { of: number; right: number; least: number }) =>
    `Of the last ${of} answers ${right} were right, fewer than ${least}: a level back makes them sure again.`,
  /** Up to version 8: so many of the latest answers right, and the median within the target. */
  up: (numbers: Found & { readonly targetMs?: number }, calm: boolean) => {
    const { targetMs } = numbers
    if (calm || targetMs === undefined) return `${found(numbers, calm)}.`
    return `${found(numbers, calm)}: both within the target of ${seconds(targetMs)}.`
  },
  sure: (numbers: Sure, calm: boolean) =>
    `${found(numbers, calm)}: ${numbers.odds} to 1 that this level is yours${aimWords(numbers, calm)}.`,
  'too-hard': ({ of, right, odds }: { of: number; right: number; odds: number }) =>
    `Of the last ${of} answers ${right} were right: ${odds} to 1 that a level back is better now.`,
  unsure: (
    numbers: Omit<Sure, 'odds'> & {
      readonly rightChance: number
      readonly paceChance?: number
      readonly more: number
      readonly inTime: boolean
    },
    calm: boolean,
  ) => {
    const { of, rightChance, paceChance, more, inTime } = numbers
    const so = more > 0 ? `About ${more} more right` : 'Right often enough'
    const pace = inTime ? '' : more > 0 ? ', and quicker,' : ', but not yet quick enough'
    const needs = more > 0 ? `${so}${pace} and you move up.` : `${so}${pace}.`
    if (of === 0) return `No answers at this level yet. ${needs}`
    const chances = [
      `right often enough ${inTen(rightChance)}`,
      ...(paceChance === undefined ? [] : [`within the target ${inTen(paceChance)}`]),
    ]
    return `${found(numbers, calm)}. Likely so far: ${chances.join(', ')}. ${needs}`
  },
  hand: (_: object) => 'Set by hand.',
  /** By the rules, with numbers that were not kept. */
  rule: (_: object) => 'By the rules.',
} as const

type Reasons = typeof LEVEL

export const LEVEL_REASONS = Object.keys(LEVEL) as readonly (keyof Reasons)[]

/** Why a level is changed or kept: which reason, and its numbers. */
export type LevelReason = {
  readonly [K in keyof Reasons]: { readonly id: K } & Readonly<Parameters<Reasons[K]>[0]>
}[keyof Reasons]

/** The reason as a sentence. @param calm without seconds */
export function levelReasonWords(reason: LevelReason, calm = false): string {
  return LEVEL[reason.id](reason as never, calm)
}

const TIMES_AS_LONG: Readonly<Record<number, string>> = {
  1.5: 'half as much time again',
  2: 'twice the usual time',
  3: 'three times the usual time',
}

/** "With twice the usual time."; nothing for the usual. @param extraTime null for none at all */
export function extraTimeWords(extraTime: number | null = 1): string {
  if (extraTime === null) return 'Without a time limit.'
  return extraTime === 1 ? '' : `With ${TIMES_AS_LONG[extraTime] ?? `${extraTime} times the usual time`}.`
}

/** A target of one's own, and the usual one. */
export function ownAimWords(ownMs: number, usualMs: number): string {
  return `Your own target is ${targetWords(ownMs)}, from your pace here; practice leads to ${targetWords(usualMs)}.`
}

/** A time beside its target. */
export interface Pace {
  readonly medianMs: number | null
  readonly targetMs: number
}

/** "3.2 s (target 4 s)". */
function paceWords({ medianMs, targetMs }: Pace): string {
  return medianMs === null ? NOT_TIMED : `${seconds(medianMs)} (target ${targetWords(targetMs)})`
}

export const MASTERY = {
  moved: (to: number, byRule: boolean) => (byRule ? `moved up to level ${to}` : `level ${to} set by hand`),
  known: (level: number, words: string) => `Known on level ${level}: ${words}.`,
  fading: (known: string) => `${known} To be asked again, so that it stays.`,
  practised: (words: string) => `Started: ${words}.`,
  ready: (needs: boolean) => (needs ? 'You have learnt what it needs.' : 'Nothing to learn first.'),
  first: (missing: readonly string[]) => `Learn first: ${missing.join(', ')}.`,
  missing: (name: string, words: string) => `${name} (${words})`,
  begun: (begun: boolean) => (begun ? 'not yet tried alone' : 'not begun'),
  /** @param pace undefined where nothing is said of time */
  latest: (right: number, of: number, pace: Pace | undefined) =>
    `${right} of the last ${of} right${pace ? `, ${paceWords(pace)}` : ''}`,
} as const

/** How far a learner is with a technique, by id. */
export const MASTERY_NAMES = {
  known: 'known',
  fading: 'known, due again',
  practised: 'in practice',
  ready: 'ready',
  'not-yet': 'not yet',
} as const

const aMinute = (n: number) => `${fixedWords(n, n < 10 ? 1 : 0)} right a minute`

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
