/** Attempts as they were recorded before events: entries with the number of their step, and hints counted only. */
import type { AttemptEvent } from './events.js'
import type { Outcome } from './record.js'

/** An entry of an attempt recorded before events. */
export interface OlderEntry {
  /** Step number from 1; 0 for a final answer given without steps. */
  readonly step: number
  readonly value: string
  /** Milliseconds since the last accepted entry, or since the problem was shown. */
  readonly ms: number
  /** 'program' when the learner asked to be shown the value. */
  readonly by: 'learner' | 'program'
}

export interface OlderAttempt {
  readonly entries: readonly OlderEntry[]
  readonly hints: number
  readonly outcome: Outcome
  readonly thinkMs: number
  readonly keyMs: number
  readonly totalMs: number
  readonly idleMs: number
}

/** The same as events, to be judged by version 1. Hints are events without a time. */
export function eventsOfOlder(older: OlderAttempt): AttemptEvent[] {
  const { entries, outcome, thinkMs, keyMs, totalMs, idleMs } = older
  const accepted = entries.map((e, i) =>
    i === entries.length - 1 ? outcome === 'done' : entries[i + 1]!.step > e.step,
  )
  let movedAt = 0
  let at = 0
  const given = entries.map(({ value, ms, by }, i): AttemptEvent => {
    at = Math.max(at, movedAt + ms, i === entries.length - 1 && outcome === 'done' ? totalMs : 0)
    if (accepted[i]) movedAt = at
    return by === 'program' ? { kind: 'given', at } : { kind: 'entered', at, text: value }
  })
  const typed = given.flatMap((e, i) => (e.kind === 'entered' ? [i] : []))
  const [first, last] = [typed[0], typed.at(-1)]
  const events = given.map((event, i): AttemptEvent => {
    if (i !== first && i !== last) return event
    const end = Math.min(event.at!, i === last ? Math.max(thinkMs + keyMs, 0) : event.at!)
    const begin = i === first ? Math.min(thinkMs, end) : end
    return { ...event, first: begin, last: end, ...(i === last && { pause: idleMs }) }
  })
  return [
    { kind: 'shown', at: 0 },
    ...Array.from({ length: older.hints }, (): AttemptEvent => ({ kind: 'hint', at: null })),
    ...events,
    ...(outcome === 'done' ? [] : [{ kind: outcome, at: Math.max(at, totalMs) } as const]),
  ]
}
