/**
 * An attempt under way: a pure state that keys are fed into. The bench draws it and feeds it; time comes in
 * with every event, so a whole attempt can be played in a test.
 */
import { type Decimal, readDecimal, toText } from '../number/decimal.js'
import { printProblem } from '../problem/expression.js'
import type { Problem } from '../problem/problem.js'
import type { School, Slip, Step, Technique } from '../technique/contract.js'
import { acceptsAnswer, judgeEntry, type Position, replay, type Trace, trace } from '../technique/driver.js'
import { type AttemptRecord, type Entered, MOST_ENTRIES, MOST_MS, type WorkedSupport } from './attempt.js'

/** What is being worked and how. */
export interface Exercise {
  readonly technique: Technique
  readonly school: School
  readonly level: number
  readonly support: WorkedSupport
  readonly problem: Problem
}

/** An entry made, with what was said to it. */
export interface Made extends Entered {
  readonly right: boolean
  readonly slip?: Slip
}

export interface Play {
  readonly exercise: Exercise
  /** The whole working, as it goes when nothing slips. */
  readonly whole: Trace
  /** Where the working stands; with the answer alone asked, it does not move. */
  readonly position: Position
  readonly accepted: readonly Decimal[]
  readonly made: readonly Made[]
  /** What is typed and not yet committed. */
  readonly text: string
  /** Said about a text that is no number; gone with the next key. */
  readonly notice: string | undefined
  readonly hintOpen: boolean
  readonly hints: number
  readonly outcome: AttemptRecord['outcome'] | undefined
  readonly clock: Clock
}

/** Readings of one monotonic clock, in milliseconds. */
interface Clock {
  readonly shownAt: number
  readonly firstKeyAt: number | undefined
  readonly lastKeyAt: number
  /** When the last entry was accepted, or the problem shown. */
  readonly acceptedAt: number
  readonly longestPause: number
}

/** Wrong entries of one problem, after which only the right ones are taken: there is room for all its steps. */
const MOST_WRONG = MOST_ENTRIES - 200

/** Longest text that can be typed: a sign, 40 digits and a point. */
const MOST_CHARACTERS = 42

export function startPlay(exercise: Exercise, at: number): Play {
  return {
    exercise,
    whole: trace(exercise.technique, exercise.problem, exercise.school),
    position: replay(exercise.technique, exercise.problem, exercise.school, []),
    accepted: [],
    made: [],
    text: '',
    notice: undefined,
    hintOpen: false,
    hints: 0,
    outcome: undefined,
    clock: { shownAt: at, firstKeyAt: undefined, lastKeyAt: at, acceptedAt: at, longestPause: 0 },
  }
}

/** A digit, point or minus typed. Anything else leaves the play as it is. */
export function typeKey(play: Play, key: string, at: number): Play {
  if (play.outcome || !/^[0-9.-]$/.test(key)) return play
  const text = play.text + key
  const possible = /^-?\d*\.?\d*$/.test(text) && text.length <= MOST_CHARACTERS
  return { ...play, clock: pressed(play.clock, at), notice: undefined, ...(possible && { text }) }
}

/** Something moved that is no key, such as a bead: it counts for the times. */
export function touched(play: Play, at: number): Play {
  return play.outcome ? play : { ...play, clock: pressed(play.clock, at), notice: undefined }
}

/** A value given at once, such as what a frame shows. */
export function commitValue(play: Play, value: Decimal, at: number): Play {
  return play.outcome ? play : enter({ ...play, clock: pressed(play.clock, at) }, value, 'learner', at)
}

export function eraseKey(play: Play, at: number): Play {
  if (play.outcome) return play
  return { ...play, clock: pressed(play.clock, at), notice: undefined, text: play.text.slice(0, -1) }
}

/** Enter: the text is judged. A right entry opens the next step, a wrong one leaves the same step open. */
export function commit(play: Play, at: number): Play {
  if (play.outcome) return play
  const value = readDecimal(play.text)
  if (!value)
    return { ...play, notice: play.text === '' ? 'Type a number first.' : 'That is not a number yet.' }
  return enter({ ...play, clock: pressed(play.clock, at) }, value, 'learner', at)
}

/** Opens the hint for the open step. */
export function hint(play: Play): Play {
  if (play.outcome || play.hintOpen || !play.position.next) return play
  return { ...play, hintOpen: true, hints: play.hints + 1 }
}

/** The program enters the open step's value itself, or the answer where only that is asked. */
export function show(play: Play, at: number): Play {
  if (play.outcome) return play
  return enter(play, expected(play), 'program', at)
}

export function skip(play: Play): Play {
  return play.outcome ? play : { ...play, outcome: 'skipped' }
}

/** The step that is open; undefined when only the answer is asked or all is done. */
export function openStep(play: Play): Step | undefined {
  return play.exercise.support === 'answer' ? undefined : play.position.next
}

/** The last entry when it was wrong and the same question is still open. */
export function standingSlip(play: Play): Made | undefined {
  const last = play.made.at(-1)
  return last && !last.right && !play.outcome ? last : undefined
}

/** The record of a play that has come to its outcome. */
export function recordOf(
  play: Play,
  as: Pick<AttemptRecord, 'id' | 'sittingId' | 'n' | 'startedAt'>,
): AttemptRecord {
  const { exercise, clock, made } = play
  const firstKeyAt = clock.firstKeyAt ?? clock.lastKeyAt
  return {
    ...as,
    technique: exercise.technique.id,
    school: exercise.school,
    level: exercise.level,
    support: exercise.support,
    expression: printProblem(exercise.problem),
    entries: made.map(({ step, value, ms, by }) => ({ step, value, ms, by })),
    hints: play.hints,
    outcome: play.outcome ?? 'skipped',
    thinkMs: whole(firstKeyAt - clock.shownAt),
    keyMs: whole(clock.lastKeyAt - firstKeyAt),
    totalMs: whole(Math.max(clock.lastKeyAt, clock.acceptedAt) - clock.shownAt),
    idleMs: whole(clock.longestPause),
  }
}

function enter(play: Play, value: Decimal, by: Entered['by'], at: number): Play {
  const { exercise, position, accepted, clock } = play
  const step = openStep(play)
  const verdict = step ? judgeEntry(step, value) : { right: acceptsAnswer(play.whole, value) }
  if (!verdict.right && play.made.length >= MOST_WRONG)
    return { ...play, text: '', notice: 'That was not it, and tries enough: have it shown, or skip it.' }
  const made: Made = {
    step: step ? accepted.length + 1 : 0,
    value: toText(value),
    ms: whole(at - clock.acceptedAt),
    by,
    right: verdict.right,
    ...('slip' in verdict && verdict.slip && { slip: verdict.slip }),
  }
  const next = { ...play, made: [...play.made, made], text: '', notice: undefined }
  if (!verdict.right) return next
  const moved = step ? [...accepted, value] : accepted
  const reached = step ? replay(exercise.technique, exercise.problem, exercise.school, moved) : position
  const done = step === undefined || reached.answer !== undefined
  return {
    ...next,
    accepted: moved,
    position: reached,
    hintOpen: false,
    outcome: done ? 'done' : undefined,
    clock: { ...clock, acceptedAt: at },
  }
}

function expected(play: Play): Decimal {
  return openStep(play)?.expect ?? play.whole.answer
}

function pressed(clock: Clock, at: number): Clock {
  return {
    ...clock,
    firstKeyAt: clock.firstKeyAt ?? at,
    lastKeyAt: at,
    longestPause: Math.max(clock.longestPause, at - clock.lastKeyAt),
  }
}

function whole(ms: number): number {
  return Math.min(MOST_MS, Math.max(0, Math.round(ms)))
}
