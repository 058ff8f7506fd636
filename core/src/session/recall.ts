/** A fact that was recalled: an attempt at one question, which has a record of its own. */
import type { AttemptEvent } from './events.js'

/** What the browser records and sends of a recall: an attempt at one question. */
export interface RecallRecord {
  /** The id of the fact's card. */
  readonly fact: string
  /** ISO 8601, UTC. */
  readonly at: string
  /** The version of the judge, from 1. */
  readonly judge: number
  /** Milliseconds a digit takes this learner to key; it is taken off the time. */
  readonly keyMs: number
  /** The learner's limit for it, in milliseconds; null without one. */
  readonly withinMs: number | null
  /** What happened in it, in order, from the showing on. */
  readonly events: readonly AttemptEvent[]
}

/** A recall at item n of the set of its session, with what the learner was told. */
export interface DoneRecall {
  /** What is kept and sent of it. */
  readonly recall: RecallRecord & {
    readonly id: string
    readonly learnerId: string
    readonly sessionId: string
    /** Which item, from 1. */
    readonly n: number
  }
  /** Was the first entry right? */
  readonly right: boolean
  /** Right and in time: it need not come again. */
  readonly known: boolean
}
