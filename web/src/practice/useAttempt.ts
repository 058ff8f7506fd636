/** An attempt on screen: its events as they happen, what stands, and what is typed. */
import { type AnyQuestion, isFull } from '@tachymetra/core/question'
import {
  type AttemptEvent,
  beginTask,
  confirm,
  durationOf,
  eraseKey,
  happen,
  JUDGE,
  NOTHING_TYPED,
  openQuestion,
  type Progress,
  reduceEvents,
  type Task,
  type TypedFrom,
  type Typing,
  touched,
  typeKey,
  type WorkedSupport,
} from '@tachymetra/core/session'
import { useRef, useState } from 'react'

interface State {
  readonly events: readonly AttemptEvent[]
  readonly progress: Progress
  readonly typing: Typing
  /** Said about a text that is no answer; gone with the next key. */
  readonly notice: string | undefined
}

export interface AttemptOnScreen extends State {
  /** As it stands now, before the page is painted anew. */
  latest(): State
  /** The question that is open; of several the one named. */
  question(of?: number): AnyQuestion | undefined
  press(key: string, of?: number): void
  erase(): void
  /** Something moved that is no key, such as a bead. */
  touch(): void
  /** Lets go of what is typed and not confirmed. */
  clear(): void
  /** Enter. @param at when it was, where that is over; in milliseconds since the problem was shown */
  confirm(of?: number, at?: number): void
  /** The time that went by, in milliseconds. */
  at(): number
  /** A value given at once, such as what a frame shows. */
  enter(text: string): void
  /** Anything that is no entry. */
  note(kind: Exclude<AttemptEvent['kind'], 'shown' | 'entered' | 'support'>, at?: number): void
  /** Another support: from here on, or from the start where nothing has been done yet. */
  support(support: WorkedSupport): void
}

interface Given {
  readonly task: Task
  /** What has happened before, when it is gone on with. */
  readonly events?: readonly AttemptEvent[]
  /** The time that went by since the problem was shown, when it is gone on with; in milliseconds. */
  readonly elapsed?: number
  /** Taken at its last key, without Enter. */
  readonly byItself?: boolean
  /** Which end of an answer is typed first. */
  readonly from?: TypedFrom
  /** Told of everything that happens, the first time when the problem is shown. */
  readonly onChange?: (events: readonly AttemptEvent[], progress: Progress) => void
}

/** The task as if it had been shown with another support from the start. */
function shownAgain(task: Task, support: WorkedSupport): Pick<State, 'events' | 'progress'> {
  const events = [{ kind: 'shown', at: 0, text: support } as const]
  return { events, progress: events.reduce(happen, beginTask(task, JUDGE)) }
}

/** The task as it is shown, or as it was left. */
function begun(task: Task, before: readonly AttemptEvent[] | undefined): State {
  const support = 'technique' in task ? task.support : undefined
  const events = before ?? [{ kind: 'shown', at: 0, ...(support && { text: support }) } as const]
  return { events, progress: reduceEvents(task, events), typing: NOTHING_TYPED, notice: undefined }
}

export function useAttempt(given: Given): AttemptOnScreen {
  const { task, events: before, elapsed = 0, byItself = false, from = 'left', onChange } = given
  const [origin] = useState(() => performance.now() - elapsed)
  const [shown, setShown] = useState(() => begun(task, before))
  // What handlers go on from: several may run before the page is painted anew.
  const latest = useRef(shown)
  const now = () => Math.max(durationOf(latest.current.events), Math.round(performance.now() - origin))
  const change = (some: Partial<State>) => {
    latest.current = { ...latest.current, notice: undefined, ...some }
    setShown(latest.current)
  }
  const happens = (event: AttemptEvent) => {
    const { events, progress } = latest.current
    if (progress.outcome !== undefined) return
    const next = { events: [...events, event], progress: happen(progress, event) }
    const isTaken = event.kind === 'entered' || event.kind === 'given'
    change({ ...next, ...(isTaken && { typing: NOTHING_TYPED }) })
    onChange?.(next.events, next.progress)
  }
  const question = (of?: number) => openQuestion(latest.current.progress, of)
  const confirmed = (of?: number, at = now()) => {
    const { progress, typing } = latest.current
    if (progress.outcome !== undefined) return
    const result = confirm(progress, typing, at, of)
    if ('event' in result) happens(result.event)
    else change({ notice: result.notice, ...(typing.text !== '' && { typing }) })
  }
  return {
    ...shown,
    latest: () => latest.current,
    question: (of) => openQuestion(shown.progress, of),
    press(key, of) {
      const asked = question(of)
      if (!asked) return
      change({ typing: typeKey(latest.current.typing, asked.kind, key, now(), from) })
      if (byItself && isFull(asked, latest.current.typing.text)) confirmed(of)
    },
    erase: () => question() && change({ typing: eraseKey(latest.current.typing, now(), from) }),
    touch: () => question() && change({ typing: touched(latest.current.typing, now()) }),
    clear: () => change({ typing: NOTHING_TYPED }),
    confirm: confirmed,
    enter(text) {
      if (!question()) return
      change({ typing: { ...touched(latest.current.typing, now()), text } })
      confirmed()
    },
    at: now,
    note: (kind, at = now()) => happens({ kind, at }),
    support(support) {
      const { events } = latest.current
      if (events.length > 1) return happens({ kind: 'support', at: now(), text: support })
      change(shownAgain(task, support))
      onChange?.(latest.current.events, latest.current.progress)
    },
  }
}
