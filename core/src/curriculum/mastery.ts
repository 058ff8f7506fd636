/** How far a learner is with each technique, and what may come next: prerequisites first. */

import { byTime } from '../number/days.js'
import { present } from '../number/present.js'
import { TECHNIQUES, techniqueById } from '../registry/techniques.js'
import { WORKED_SUPPORTS, type WorkedSupport } from '../session/support.js'
import type { Technique } from '../technique/contract.js'
import { MASTERY, type MASTERY_NAMES } from '../words/levels.js'
import {
  type Aims,
  adviseLevel,
  aimFor,
  type LatestAnswer,
  LEVEL_RULES,
  type LevelMove,
  type LevelRules,
  LOOKED_BACK,
  type Reading,
  readingOf,
  type Targets,
} from './levels.js'
import { type Course, courseOf, type PastSession, type Retention, retentionOf } from './retention.js'

/** The latest answers to problems of one technique, level and support. */
export interface LatestAt {
  /** The id of the technique, or of the drill. */
  readonly technique: string
  /** The level, from 1. */
  readonly level: number
  /** How much help was given. */
  readonly support: WorkedSupport
  /** When their latest session began; ISO 8601, UTC. */
  readonly at: string
  /** Newest first, at most as many as are looked back on; those before the latest move to this level are left out. */
  readonly answers: readonly LatestAnswer[]
}

/** From not yet begun to known. */
export type MasteryState = keyof typeof MASTERY_NAMES

/** Where the work on one technique stands. */
export interface Worked {
  /** The level in force. */
  readonly level: number
  /** The least support of the latest session. */
  readonly support: WorkedSupport
  /** ISO 8601, UTC. */
  readonly lastAt: string
  /** Of the latest answers under that support at that level. */
  readonly latest: Reading
  /** Of the latest answers without any steps asked at that level, the only ones a target is for; undefined when there are none. */
  readonly alone: Reading | undefined
  /** The time to aim for without steps at that level, from the learner's own answers there; undefined without a limit. */
  readonly aimMs: number | undefined
  /** How practice at it has gone; undefined where sessions are not known. */
  readonly course: Course | undefined
}

/** How far a learner is with a technique. */
export interface Mastery {
  /** The technique it is about. */
  readonly technique: Technique
  /** How far the learner is with it. */
  readonly state: MasteryState
  /** Why it is so, in a sentence. */
  readonly because: string
  /** Prerequisites not known yet. */
  readonly missing: readonly Technique[]
  /** Undefined when it was never worked. */
  readonly worked: Worked | undefined
  /** The highest level that is known; undefined where none is. */
  readonly level: number | undefined
  /** What is remembered of it. */
  readonly retention: Retention | undefined
}

/** Is it known, be it that it is to be asked again? Only what it leads to asks for no more. */
export const isKnown = ({ state }: Pick<Mastery, 'state'>): boolean => state === 'known' || state === 'fading'

export type Move = Pick<LevelMove, 'technique' | 'to' | 'by'>

/** What mastery is read from. */
export interface MasteryInput {
  readonly latest: readonly LatestAt[]
  /** The latest move of each technique: the levels below the one in force are known. */
  readonly moves: readonly Move[]
  /** The latest sessions of each technique, from which it follows what is to be asked again. */
  readonly past?: readonly PastSession[]
  /** ISO 8601, UTC; without it nothing fades. */
  readonly now?: string
  readonly targets?: Targets
  readonly extraTime?: number | null
  readonly ownPace?: boolean
  /** Nothing is said in seconds. */
  readonly calm?: boolean
  /** A level is known by what would move the learner up from it. */
  readonly rules?: LevelRules
}

/** What was worked less often than this was only tried: it says nothing of how far the learner is (common practice). */
const TRIED = 3

/** Every technique with how far the learner is, in teaching order. */
export function masteryOf(input: MasteryInput): Mastery[] {
  const known = new Map(TECHNIQUES.map((t) => [t.id, knownLevel(t, input)]))
  return TECHNIQUES.map((technique): Mastery => {
    const { level, words } = present(known.get(technique.id))
    const worked = workedOf(technique.id, input)
    const missing = technique.needs
      .filter((id) => present(known.get(id)).level === undefined)
      .map(techniqueById)
    const as = (state: MasteryState, because: string, retention?: Retention) => {
      return {
        technique,
        state,
        because,
        missing: level === undefined ? missing : [],
        worked,
        level,
        retention,
      }
    }
    if (level !== undefined) {
      const kept = retentionOf(sessionsOf(technique.id, input), (l) => aimAt(technique.id, l, input))
      const fades = kept && input.now !== undefined && kept.dueAt <= input.now
      const because = MASTERY.known(level, words)
      return fades ? as('fading', MASTERY.fading(because), kept) : as('known', because, kept)
    }
    if (worked) return as('practised', MASTERY.practised(words))
    if (missing.length === 0) return as('ready', MASTERY.ready(technique.needs.length > 0))
    const first = missing.map((m) => MASTERY.missing(m.name, present(known.get(m.id)).words))
    return as('not-yet', MASTERY.first(first))
  })
}

/** The highest level that is known, and how the latest work stands in words. */
function knownLevel(
  technique: Technique,
  input: MasteryInput,
): { readonly level: number | undefined; readonly words: string } {
  const read = knownByAnswers(technique, input)
  const move = input.moves.find((m) => m.technique === technique.id)
  if (!move || move.to <= (read.level ?? 1)) return read
  return { level: move.to - 1, words: MASTERY.moved(move.to, move.by === 'rule') }
}

function knownByAnswers(
  technique: Technique,
  input: MasteryInput,
): { readonly level: number | undefined; readonly words: string } {
  const { latest, rules = LEVEL_RULES, calm = false } = input
  const its = latest.filter((l) => l.technique === technique.id)
  const alone = its
    .filter((l) => l.support === 'answer' && l.level > 0 && l.answers.length > 0)
    .toSorted((a, b) => b.level - a.level)
  let words = ''
  for (const { level, answers } of alone) {
    const targetMs = aimFor(aimsOf(input), technique.id, level, answers)
    const { answers: of, right, medianMs } = readingOf(answers, LOOKED_BACK)
    const pace = calm || targetMs === undefined ? undefined : { medianMs, targetMs }
    const said = MASTERY.latest(right, of, pace)
    if (adviseLevel(answers, targetMs, rules).move === 'up') return { level, words: said }
    words ||= said
  }
  return { level: undefined, words: words || MASTERY.begun(its.length > 0) }
}

const sessionsOf = (technique: string, { past = [] }: MasteryInput) =>
  past.filter((s) => s.technique === technique)

const aimsOf = ({ targets = {}, extraTime = 1, ownPace = true }: MasteryInput): Aims => ({
  targets,
  extraTime,
  ownPace,
})

/** The time to aim for at a level, from the latest answers there. */
function aimAt(technique: string, level: number, input: MasteryInput): number | undefined {
  const its = input.latest.find(
    (l) => l.technique === technique && l.level === level && l.support === 'answer',
  )
  return aimFor(aimsOf(input), technique, level, its?.answers ?? [])
}

function workedOf(technique: string, input: MasteryInput): Worked | undefined {
  const { latest, moves } = input
  const its = latest
    .filter((l) => l.technique === technique)
    .toSorted((a, b) => byTime(b.at, a.at) || b.level - a.level)
  const [last] = its
  const move = moves.find((m) => m.technique === technique)
  const answersAt = (some: readonly LatestAt[]) => some.reduce((sum, l) => sum + l.answers.length, 0)
  if (!last || (!move && answersAt(its) < TRIED)) return undefined
  // A level that was only tried is not the one in force.
  const worked = its.find((l) => l.level > 0 && answersAt(its.filter((o) => o.level === l.level)) >= TRIED)
  const level = move?.to ?? worked?.level ?? 1
  const supports = its.filter((l) => l.at === last.at).map((l) => l.support)
  const support = present(WORKED_SUPPORTS.findLast((s) => supports.includes(s)))
  const answersUnder = (s: WorkedSupport) =>
    its.find((l) => l.level === level && l.support === s)?.answers ?? []
  const reading = (s: WorkedSupport) => readingOf(answersUnder(s), LOOKED_BACK)
  const own = answersUnder('answer')
  const alone = own.length > 0 ? reading('answer') : undefined
  return {
    level,
    support,
    lastAt: last.at,
    latest: reading(support),
    alone,
    aimMs: aimAt(technique, level, input),
    course: courseOf(sessionsOf(technique, input), level),
  }
}

/** The latest answers with one more session in them, as if it had been worked. @param session newest answer first */
export function withSession(latest: readonly LatestAt[], session: LatestAt): LatestAt[] {
  const same = (l: LatestAt) =>
    l.technique === session.technique && l.level === session.level && l.support === session.support
  const before = latest.find(same)?.answers ?? []
  const answers = [...session.answers, ...before].slice(0, LOOKED_BACK)
  return [...latest.filter((l) => !same(l)), { ...session, answers }]
}

/** The latest answers after a move: at the level moved to they begin anew. */
export function withMove(latest: readonly LatestAt[], { technique, to }: Move): LatestAt[] {
  return latest.map((l) => (l.technique === technique && l.level === to ? { ...l, answers: [] } : l))
}
