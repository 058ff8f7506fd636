/**
 * The one judge: folds the events of an attempt into what stands, what is asked and what is to be said, in the browser
 * as they happen and on the server all at once. Pure, and linear in the events.
 */

import { firstOf, present } from '../number/present.js'
import { InputError } from '../problem/error.js'
import { type AnyQuestion, meets } from '../question/question.js'
import type { Step } from '../technique/contract.js'
import {
  readAnswer,
  readStep,
  readStrictly,
  type SaidSoFar,
  showStep,
} from '../technique/listening/reading.js'
import { beginWalks, pastDecisions, type Walk } from '../technique/listening/walks.js'
import { once } from '../technique/make.js'
import { sinceMoved, ticked, UNSTARTED, worked } from './clock.js'
import type { AttemptEvent } from './events.js'
import {
  FIRST_JUDGE,
  JUDGE,
  type JudgedEntry,
  mistaken,
  moved,
  type Progress,
  type QuestionList,
  type Task,
} from './progress.js'
import { moreHelp, WORKED_SUPPORTS, type WorkedSupport } from './support.js'

const NOWHERE = () => []

/** The walks as they are asked: decisions only in words. Once they were not asked at all. */
function asked(walks: readonly Walk[], support: WorkedSupport, judge: number): readonly Walk[] {
  // Where only the answer is asked no step is looked at.
  if (support === 'answer' || (support === 'guided' && judge > FIRST_JUDGE)) return walks
  return pastDecisions(walks)
}

/** @throws InputError when the technique does not fit the problem. */
export function beginTask(task: Task, judge: number = JUDGE): Progress {
  const exercise = 'technique' in task
  const support = exercise ? task.support : 'answer'
  return {
    task,
    judge,
    support,
    mostHelp: support,
    walks: exercise
      ? asked(beginWalks(task.technique, task.problem, task.variant, judge > FIRST_JUDGE), support, judge)
      : [],
    spare: NOWHERE,
    answered: exercise ? [] : task.questions.map(() => false),
    entries: [],
    tries: 0,
    lastTries: 0,
    hints: 0,
    hintOpen: false,
    outcome: undefined,
    onPaper: false,
    clock: UNSTARTED,
  }
}

/** @throws InputError when the events do not hang together: out of order, after the end, no value. */
export function reduceEvents(task: Task, events: readonly AttemptEvent[], judge: number = JUDGE): Progress {
  return events.reduce(happen, beginTask(task, judge))
}

/** The step that is open; undefined when only the answer is asked or all is done. */
export function openStep({ support, walks, outcome }: Progress): Step | undefined {
  return outcome === undefined && support !== 'answer' ? walks[0]?.next : undefined
}

/** What is asked now. Of several open questions the one that is named, else the first. */
export function openQuestion(progress: Progress, of?: number): AnyQuestion | undefined {
  const { task, walks, answered, outcome } = progress
  if (outcome !== undefined) return undefined
  if ('technique' in task) return openStep(progress) ?? present(walks[0]).whole()
  return task.questions[indexOf(task, answered, of)]
}

function indexOf(task: QuestionList, answered: readonly boolean[], of: number | undefined): number {
  return !task.inOrder && of !== undefined ? of : answered.indexOf(false)
}

/** What stands after one more event. @throws InputError when it does not follow. */
export function happen(before: Progress, event: AttemptEvent): Progress {
  if (before.outcome !== undefined)
    throw new InputError(`"${event.kind}" comes after the end of the attempt.`)
  const progress = { ...before, clock: ticked(before.clock, event, before.judge <= FIRST_JUDGE) }
  switch (event.kind) {
    case 'shown':
      if (before.clock.at > 0 || before.entries.length > 0)
        throw new InputError('"shown" comes first or not at all.')
      return event.text === undefined ? progress : supported(progress, event.text, true)
    case 'entered':
      return enter(progress, event)
    case 'given':
      return give(progress, event)
    case 'hint':
      return { ...progress, hints: progress.hints + 1, hintOpen: true }
    case 'support':
      return supported(progress, event.text ?? '', false)
    case 'left':
    case 'back':
      return progress
    case 'on-paper':
      return { ...progress, onPaper: true }
    case 'marked':
      return marked(progress, event.text === 'right')
    case 'handed-in':
      if (progress.entries.length === 0) throw new InputError('Nothing was entered to be handed in.')
      return { ...progress, outcome: 'done', lastTries: progress.tries }
    default:
      return { ...progress, outcome: event.kind }
  }
}

function supported(progress: Progress, text: string, first: boolean): Progress {
  const support = WORKED_SUPPORTS.find((s) => s === text)
  if (!support) throw new InputError(`There is no support "${text.slice(0, 40)}".`)
  return {
    ...progress,
    support,
    walks: asked(progress.walks, support, progress.judge),
    spare: NOWHERE,
    mostHelp: first ? support : moreHelp(progress.mostHelp, support),
    hintOpen: false,
  }
}

function enter(progress: Progress, event: AttemptEvent): Progress {
  const { task, walks, support } = progress
  const text = event.text ?? ''
  if (!('technique' in task)) return answerOne(progress, event)
  const inSteps = support !== 'answer'
  const read = inSteps
    ? progress.judge <= FIRST_JUDGE
      ? readStrictly(walks, text)
      : readStep(walks, text, progress.spare, saidSoFar(progress, text))
    : readAnswer(walks, text)
  if (!read) throw notValue(text)
  const step = inSteps ? present(walks[0]).taken + 1 : 0
  const place = inSteps ? present(present(walks[0]).next).place : 0
  const entry = { text, ms: sinceMoved(progress.clock), step, place, took: 0, slips: [] }
  switch (read.verdict) {
    case 'right':
    case 'ahead': {
      const took = present(read.walks[0]).taken - present(walks[0]).taken
      const { spare = NOWHERE } = read
      return {
        ...movedOn(progress, { ...entry, took, verdict: read.verdict }, read.walks),
        spare: once(() => asked(spare(), support, progress.judge)),
      }
    }
    case 'so-far': {
      const { possible, spare } = read
      return {
        ...noted(progress, { ...entry, verdict: 'so-far', ...(possible && { possible }) }),
        spare: once(() => [...progress.spare(), ...asked(spare(), support, progress.judge)]),
      }
    }
    case 'elsewhere':
      return noted(progress, { ...entry, place: read.place, as: read.as, verdict: 'elsewhere' })
    case 'slip': {
      const { id, remark } = read.slip
      return noted(progress, { ...entry, verdict: 'slip', slips: [{ step, place, id, remark }] })
    }
    case 'wrong':
      return noted(progress, { ...entry, verdict: 'wrong' })
  }
}

/** What was passed over as so far at the open step, and how often this very value in a row. */
function saidSoFar({ entries, walks }: Progress, text: string): SaidSoFar {
  const here = entries.slice(entries.findLastIndex(moved) + 1)
  const said = here.filter((e) => e.verdict === 'so-far')
  const row = here.slice(here.findLastIndex((e) => e.text !== text) + 1)
  const last = said.at(-1)
  return {
    count: said.length,
    running: row.filter((e) => e.verdict === 'so-far').length,
    last: last && walks[0]?.next?.kind.read(last.text),
  }
}

function answerOne(progress: Progress, event: AttemptEvent): Progress {
  const task = progress.task as QuestionList
  const at = indexOf(task, progress.answered, event.of)
  const question = task.questions[at]
  if (!question) throw new InputError('There is no such question.')
  const text = event.text ?? ''
  const value = question.kind.read(text)
  if (value === undefined) throw notValue(text)
  const entry = { text, ms: sinceMoved(progress.clock), step: at + 1, place: 0, took: 0, slips: [] }
  return meets(question, value)
    ? movedOn(progress, { ...entry, took: 1, verdict: 'right' }, [], at)
    : noted(progress, { ...entry, verdict: 'wrong' })
}

function give(progress: Progress, event: AttemptEvent): Progress {
  const { task, walks, support, answered } = progress
  const ms = sinceMoved(progress.clock)
  if (!('technique' in task)) {
    const at = indexOf(task, answered, event.of)
    const question = task.questions[at]
    if (!question) throw new InputError('There is no such question.')
    const text = question.kind.print(question.expect)
    return movedOn(
      progress,
      { text, ms, step: at + 1, place: 0, took: 1, verdict: 'given', slips: [] },
      [],
      at,
    )
  }
  const [walk] = firstOf(1, walks)
  if (support === 'answer') return wholeAnswer(progress, 'given')
  const { place, kind } = present(walk.next)
  const shown = showStep(walks)
  const entry = { text: kind.print(shown.value), ms, step: walk.taken + 1, place, took: 1, slips: [] }
  return movedOn(progress, { ...entry, verdict: 'given' }, shown.walks)
}

/** The answer all at once, shown by the program or marked as right on paper. */
function wholeAnswer(progress: Progress, verdict: 'given' | 'right'): Progress {
  const walk = present(progress.walks[0])
  const { kind, expect } = walk.whole()
  const end = walk.onward().at(-1) ?? walk
  const took = end.taken - walk.taken
  const text = kind.print(expect)
  const entry = { text, ms: sinceMoved(progress.clock), step: 0, place: 0, took, verdict, slips: [] }
  return movedOn(progress, entry, [end])
}

/** Every question of a list, marked as right on paper. */
function allRight(progress: Progress, { questions }: QuestionList): Progress {
  return questions.reduce((before, { kind, expect }, i) => {
    const text = kind.print(expect)
    const entry = { text, ms: 0, step: i + 1, place: 0, took: 1, verdict: 'right', slips: [] } as const
    return movedOn(before, entry, [], i)
  }, progress)
}

/** An answer on paper of which only is known whether it was right: of a wrong one no value is kept. */
function marked(progress: Progress, right: boolean): Progress {
  const { task } = progress
  if (!progress.onPaper || progress.support !== 'answer')
    throw new InputError('Only an answer on paper is marked without being entered.')
  if (right) return 'technique' in task ? wholeAnswer(progress, 'right') : allRight(progress, task)
  const entry = { text: '', ms: 0, step: 0, place: 0, took: 0, verdict: 'wrong', slips: [] } as const
  const after = noted(progress, entry)
  return { ...after, outcome: 'done', lastTries: after.tries }
}

/** An entry that leaves the question open. */
function noted(progress: Progress, entry: JudgedEntry): Progress {
  const tries = progress.tries + (mistaken(entry) ? 1 : 0)
  return { ...progress, entries: [...progress.entries, entry], tries }
}

function movedOn(progress: Progress, entry: JudgedEntry, walks: readonly Walk[], index?: number): Progress {
  const answered =
    index === undefined ? progress.answered : progress.answered.map((done, i) => done || i === index)
  const done = walks.length > 0 ? present(walks[0]).next === undefined : answered.every(Boolean)
  return {
    ...progress,
    entries: [...progress.entries, entry],
    // A walk that has ended beside one that goes on asks nothing more.
    walks: done
      ? walks
      : asked(
          walks.filter((w) => w.next),
          progress.support,
          progress.judge,
        ),
    spare: NOWHERE,
    answered,
    tries: 0,
    lastTries: progress.tries + 1,
    hintOpen: false,
    outcome: done ? 'done' : undefined,
    clock: { ...progress.clock, movedAt: worked(progress.clock) },
  }
}

function notValue(text: string): InputError {
  return new InputError(`"${text.slice(0, 60)}" is no answer of the kind that is asked.`)
}
