/** The runner: whatever is practised is a session of its set, one item after another. */
import {
  type AttemptRecord,
  type DoneRecall,
  type Stretch,
  type StretchEvent,
  stretchAfter,
  type Verdict,
} from '@tachymetra/core/session'
import { deadlineOf, type Item, type ItemAnswer, isDrawable, itemsOf, toCome } from '@tachymetra/core/set'
import { useEffect, useMemo, useRef, useState } from 'react'
import { changeSettings, currentSettings } from '../data/settings.js'
import { happenedIn, keepSoon, noteHere } from '../kept/kept.js'
import { flush } from '../kept/outbox.js'
import type { LocalSession } from '../kept/store.js'

export interface Practice {
  /** The session with all that has been done of it. */
  readonly session: LocalSession
  /** The items of its set; those another version has drawn are none. */
  readonly items: readonly (Item | undefined)[]
  /** The item that stands there, from 1; undefined once all are done. */
  readonly n: number | undefined
  readonly item: Item | undefined
  /** How many have stood there before: what is shown of each is a thing of its own. */
  readonly turn: number
  /** Items that are still to come, the one that stands there among them until it is left. */
  readonly left: number
  readonly ended: boolean
  /** What could neither be kept nor sent. */
  readonly trouble: Error | undefined
  /** Tells of the attempt at the item; the verdict once it is over. */
  happened(record: AttemptRecord, verdict: Verdict | undefined): void
  /** Hands in attempts that were over before they were told of, such as those on paper. @throws Error in words where one could neither be kept nor sent */
  handIn(records: readonly AttemptRecord[]): Promise<void>
  /** Tells of a fact that was recalled. */
  recalled(done: DoneRecall): void
  /** Leaves what has been done for the next, or for the end. */
  next(): void
  /** Another item of those that may be chosen. */
  goTo(n: number): void
  finish(): void
  /** The same, unless nothing has been done yet. @returns whether anything was */
  stop(): boolean
}

interface Standing {
  readonly session: LocalSession
  readonly n: number | undefined
  readonly turn: number
}

/** Answers to the items of a set, in the order they were given. */
export const answersOf = ({
  attempts,
  recalls = [],
}: Pick<Stretch, 'attempts' | 'recalls'>): readonly ItemAnswer[] => [
  ...attempts.map(({ record, verdict }) => ({
    n: record.n,
    right: verdict.right,
    open: verdict.outcome !== 'done',
  })),
  ...recalls.map(({ recall, right, known }) => ({ n: recall.n, right, known })),
]

const upNext = (session: LocalSession) => toCome(session.recipe, answersOf(session))

const begun = (kept: LocalSession, n = kept.open?.n ?? upNext(kept)[0]): Standing => ({
  session: kept,
  n,
  turn: answersOf(kept).length,
})

/** The item that comes next; undefined where all are done or the time for the whole is up. @param now in milliseconds since 1970 */
function comingIn(session: LocalSession, now: number): number | undefined {
  const until = deadlineOf(session.recipe, { item: now, whole: Date.parse(session.startedAt) })
  return until !== undefined && until <= now ? undefined : upNext(session)[0]
}

/** Whoever's session it is, is who practises in this tab. */
function useWhose(learnerId: string): void {
  useEffect(() => {
    if (currentSettings().learnerId !== learnerId) changeSettings({ learnerId })
  }, [learnerId])
}

function useOnceOver(isOver: boolean, finish: () => void): void {
  const ending = useRef(finish)
  ending.current = finish
  useEffect(() => {
    if (isOver) ending.current()
  }, [isOver])
}

/** @param kept the session as it was begun or left @param first the item that stands there first, where that is chosen */
export function usePractice(kept: LocalSession, first?: number): Practice {
  const { learnerId } = kept
  const items = useMemo(() => (isDrawable(kept) ? itemsOf(kept) : []), [kept])
  const [shown, setShown] = useState(() => begun(kept, first))
  const [trouble, setTrouble] = useState<Error>()
  // What handlers go on from: several may run before the page is painted anew.
  const latest = useRef(shown)
  const change = (some: Partial<Standing>) => {
    latest.current = { ...latest.current, ...some }
    setShown(latest.current)
  }
  const taken = async (event: StretchEvent) => {
    const { session } = latest.current
    const after = stretchAfter(session, event)
    if (after === session) return
    change({ session: after })
    // What is not gone on with is ended by whatever page comes next in this tab.
    if (kept.ended) noteHere(session)
    if (event.kind === 'worked') keepSoon(session, event.record)
    else await happenedIn(session, event)
  }
  const takes = (event: StretchEvent) => void taken(event).catch(setTrouble)
  const finish = () => {
    takes({ kind: 'ended' })
    void flush()
  }
  useWhose(learnerId)
  const { session, n, turn } = shown
  // All was done before the page was left.
  useOnceOver(n === undefined && !session.ended, finish)
  return {
    session,
    items,
    n,
    item: n === undefined ? undefined : items[n - 1],
    turn,
    left: upNext(session).length + (isDone(session, n, turn) ? 1 : 0),
    ended: session.ended,
    trouble,
    happened: (record, verdict) =>
      takes(verdict ? { kind: 'done', record, verdict } : { kind: 'worked', record }),
    async handIn(records) {
      for (const record of records) await taken({ kind: 'done', record })
    },
    recalled: (done) => takes({ kind: 'recalled', ...done }),
    next() {
      const coming = comingIn(latest.current.session, Date.now())
      if (coming !== undefined) return change({ n: coming, turn: latest.current.turn + 1 })
      change({ n: undefined })
      finish()
    },
    goTo: (to) => change({ n: to, turn: latest.current.turn + 1 }),
    finish,
    stop() {
      const isAny = answersOf(latest.current.session).length > 0
      if (isAny) finish()
      return isAny
    },
  }
}

/** Is the item that stands there done already, and only looked at? */
const isDone = (session: LocalSession, n: number | undefined, turn: number) =>
  n !== undefined && answersOf(session).length > turn
