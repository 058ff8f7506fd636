/**
 * A stretch of practice: what has been done of a set, as a fold of what happens in it. Pure, and alike in every tab: it may
 * be left, gone on with and written by several, and loses nothing and counts nothing twice.
 */
import { type AttemptEvent, durationOf } from './events.js'
import { mistaken, moved } from './progress.js'
import type { DoneRecall } from './recall.js'
import type { AttemptRecord } from './record.js'
import { judgeRecord, progressOf, type Verdict } from './verdict.js'

/** An attempt that is over, with the verdict the learner was told. */
export interface DoneAttempt {
  /** What is kept and sent of it. */
  readonly record: AttemptRecord
  /** What the learner was told. */
  readonly verdict: Verdict
}

/** What has been done of a set so far. */
export interface Stretch {
  /** Those that are over, in the order they were handed in; each once. */
  readonly attempts: readonly DoneAttempt[]
  /** Facts that were recalled, in order; left out where none was. */
  readonly recalls?: readonly DoneRecall[]
  /** The attempt under way, with what has happened in it so far. */
  readonly open?: AttemptRecord
  /** Nothing more is asked: all is done, the time is up, it was stopped or handed in. */
  readonly ended: boolean
}

/**
 * What happens in a stretch. `worked`: one more event in an attempt that is under way; `done`: an attempt is over, with its
 * verdict where it has been told; `recalled`: a fact was; `ended`: nothing more is asked.
 */
export type StretchEvent =
  | { readonly kind: 'worked'; readonly record: AttemptRecord }
  | { readonly kind: 'done'; readonly record: AttemptRecord; readonly verdict?: Verdict }
  | ({ readonly kind: 'recalled' } & DoneRecall)
  | { readonly kind: 'ended' }

/** @returns the stretch after an event; the same one where the event tells nothing new */
export function stretchAfter<S extends Stretch>(stretch: S, event: StretchEvent): S {
  if (event.kind === 'ended') {
    const left = stretch.open && stopped(stretch.open)
    const kept = left ? handedIn(stretch, left) : without(stretch)
    return stretch.ended && kept === stretch ? stretch : { ...kept, ended: true }
  }
  if (event.kind === 'recalled') return withRecall(stretch, event)
  const { record } = event
  // Handed in already, in this tab or another.
  if (stretch.attempts.some((a) => a.record.id === record.id)) return stretch
  if (event.kind === 'done') return handedIn(stretch, record, event.verdict)
  const { open } = stretch
  // An older copy undoes nothing.
  if (open?.id === record.id && open.events.length >= record.events.length) return stretch
  return { ...stretch, open: record }
}

/** A fact is asked once more where it was missed; told twice, a recall counts once. */
function withRecall<S extends Stretch>(stretch: S, { recall, right, known }: DoneRecall): S {
  const { recalls = [] } = stretch
  if (recalls.some((r) => r.recall.id === recall.id)) return stretch
  return { ...stretch, recalls: [...recalls, { recall, right, known }] }
}

function handedIn<S extends Stretch>(stretch: S, record: AttemptRecord, verdict = judgeRecord(record)): S {
  const rest = stretch.open?.id === record.id ? without(stretch) : stretch
  return { ...rest, attempts: [...stretch.attempts, { record, verdict }] }
}

function without<S extends Stretch>(stretch: S): S {
  if (!stretch.open) return stretch
  const { open: _, ...rest } = stretch
  return rest as S
}

/** An attempt that is not gone on with: ended where it was left; undefined when nothing was entered in it. */
export function stopped(open: AttemptRecord): AttemptRecord | undefined {
  const { entries, mostHelp, outcome } = progressOf(open)
  if (!entries.some((e) => moved(e) || mistaken(e))) return undefined
  if (outcome !== undefined) return open
  const events = [...open.events, { kind: 'stopped', at: durationOf(open.events) } as const]
  return { ...open, support: mostHelp, events }
}

/** An attempt as a page has left it, as the event it comes to. */
export const leftIn = (record: AttemptRecord): StretchEvent => ({
  kind: progressOf(record).outcome === undefined ? 'worked' : 'done',
  record,
})

/**
 * An attempt that is gone on with.
 * @param leftAt when its page was left, in milliseconds since the problem was shown; undefined where that is not known
 * @param now in milliseconds since 1970
 * @returns its events, with how long the page was gone, which is not the learner's time; and the time that went by
 */
export function resumed(
  open: AttemptRecord,
  leftAt: number | undefined,
  now: number,
): { readonly events: readonly AttemptEvent[]; readonly elapsed: number } {
  const last = durationOf(open.events)
  const elapsed = Math.max(last, now - Date.parse(open.startedAt))
  const isGone = leftAt !== undefined && leftAt >= last && leftAt <= elapsed
  const gone: readonly AttemptEvent[] = isGone
    ? [
        { kind: 'left', at: leftAt },
        { kind: 'back', at: elapsed },
      ]
    : []
  return { events: [...open.events, ...gone], elapsed }
}
