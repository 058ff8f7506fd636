/** Attempts as they were recorded before events: entries with the number of their step, and hints counted only. */

import { present } from '../number/present.js'
import type { Technique, Variant } from '../technique/contract.js'
import type { SlipId } from '../words/slips.js'
import type { AttemptEvent } from './events.js'
import type { Outcome } from './record.js'

/** An entry of an attempt recorded before events. */
export interface OlderEntry {
  /** Step number from 1; 0 for a final answer given without steps. */
  readonly step: number
  /** As it was typed. */
  readonly value: string
  /** Milliseconds since the last accepted entry, or since the problem was shown. */
  readonly ms: number
  /** 'program' when the learner asked to be shown the value. */
  readonly by: 'learner' | 'program'
}

/** An attempt as versions before events kept it. */
export interface OlderAttempt {
  /** What was entered, step by step. */
  readonly entries: readonly OlderEntry[]
  /** How many hints were taken. */
  readonly hints: number
  /** How it ended. */
  readonly outcome: Outcome
  /** Milliseconds of thinking. */
  readonly thinkMs: number
  /** Milliseconds of keying. */
  readonly keyMs: number
  /** From the showing to the answer, in milliseconds, without pauses. */
  readonly totalMs: number
  /** Milliseconds of pauses, which do not count. */
  readonly idleMs: number
}

/** The same as events, to be judged by version 1. Hints are events without a time. */
export function eventsOfOlder(older: OlderAttempt): AttemptEvent[] {
  const { entries, outcome, thinkMs, keyMs, totalMs, idleMs } = older
  const accepted = entries.map((e, i) =>
    i === entries.length - 1 ? outcome === 'done' : present(entries[i + 1]).step > e.step,
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
    const end = Math.min(present(event.at), i === last ? Math.max(thinkMs + keyMs, 0) : present(event.at))
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

/** Which variant was worked where none was named, when attempts had no events: the defaults were others then. */
const OLDER_DEFAULTS: Variant = { carry: 'glance', start: 'first-whole', outer: 'second' }

export function olderVariant({ variants }: Technique): Variant {
  return Object.fromEntries(
    Object.entries(OLDER_DEFAULTS).filter(([key]) => variants.some((o) => o.key === key)),
  )
}

/** Techniques that ask the same steps as they did before there were events: only their steps can be judged again. */
const SAME_STEPS: readonly string[] = [
  'add-running-total',
  'add-place-sweep',
  'add-pairs',
  'add-columns-left',
  'add-column-totals',
  'subtract-complement',
  'subtract-blocks',
  'multiply-addition',
  'multiply-repunit',
  'square-duplex',
  'soroban-read',
  'soroban-set',
  'soroban-add',
  'soroban-multiply',
  'flash-sum',
]

export function asksTheSame({ id }: Technique): boolean {
  return SAME_STEPS.includes(id)
}

/** Mistakes that had several names, by the names they had. */
export const RENAMED_SLIPS: Readonly<Record<string, SlipId>> = {
  'lost-carry': 'carry-lost',
  'missed-carry': 'carry-lost',
  'carry-forgotten': 'carry-lost',
  'tens-dropped': 'carry-lost',
  'spill-lost': 'carry-lost',
  'not-mended': 'carry-lost',
  'excess-dropped': 'carry-lost',
  'missed-drop': 'borrow-missed',
  'lost-borrow': 'borrow-missed',
  'lend-missed': 'borrow-missed',
  'needless-drop': 'needless-borrow',
  'needless-lend': 'needless-borrow',
  'drop-not-through-equals': 'borrow-not-through-equals',
  'surplus-added': 'given-wrong-way',
  'step-taken': 'given-wrong-way',
  'correction-sign': 'given-wrong-way',
  'surplus-kept': 'not-given-back',
  'step-forgotten': 'not-given-back',
  'total-left-out': 'part-left-out',
  'number-missed': 'part-left-out',
  'correction-left-out': 'part-left-out',
  'mean-left-out': 'part-left-out',
  'middle-left-out': 'product-left-out',
  'off-column': 'wrong-place',
  'head-squared': 'one-more-forgotten',
  'deviation-sign': 'gap-wrong-way',
  'deviation-twice': 'gap-twice',
  'step-twice': 'gap-twice',
  'wrong-deviation': 'own-gap',
  'deviations-added': 'added-not-multiplied',
  'units-added': 'added-not-multiplied',
  'factors-added': 'added-not-multiplied',
  'product-sign': 'wrong-sign',
  'column-ten': 'ten-off',
  'round-off': 'ten-off',
  'rounded-down': 'wrong-side',
  sum: 'fact',
  'step-not-squared': 'not-squared',
  'back-five': 'not-squared',
  'back-ten': 'doubled-not-squared',
  'factor-twice': 'doubled',
  'number-twice': 'doubled',
  'middle-doubled': 'doubled',
  'heaven-for-earth': 'heaven-as-one',
}

/** The id a mistake has now. */
export function currentSlip(id: string): string {
  return RENAMED_SLIPS[id] ?? id
}
