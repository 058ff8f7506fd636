/**
 * Attempts as learning records: Experience API 1.0.3 statements (part two of that specification). The actor is an
 * account by the learner's id on this installation; no name leaves it.
 */
import type { AttemptWire } from '../wire/types.js'

const VERBS = 'http://adlnet.gov/expapi/verbs'
const ACTIVITY_TYPE = 'http://adlnet.gov/expapi/activities/question'
/** Names of our own; they need not lead anywhere. */
const HOME = 'urn:tachymetra'

export interface Statement {
  readonly id: string
  readonly actor: {
    readonly objectType: 'Agent'
    readonly account: { readonly homePage: string; readonly name: string }
  }
  readonly verb: { readonly id: string; readonly display: Readonly<Record<string, string>> }
  readonly object: object
  readonly result: object
  readonly context: object
  readonly timestamp: string
  readonly version: '1.0.3'
}

/** One attempt worked to the end is "answered", one left is "skipped"; steps and slips go along as extensions. */
export function statementOf(attempt: AttemptWire): Statement {
  const done = attempt.outcome === 'done'
  const last = attempt.entries.at(-1)
  return {
    id: attempt.id,
    actor: { objectType: 'Agent', account: { homePage: HOME, name: attempt.learnerId } },
    verb: done
      ? { id: `${VERBS}/answered`, display: { en: 'answered' } }
      : { id: 'http://id.tincanapi.com/verb/skipped', display: { en: 'skipped' } },
    object: {
      objectType: 'Activity',
      id: `${HOME}:problem:${attempt.technique}:${encodeURIComponent(attempt.expression)}`,
      definition: {
        type: ACTIVITY_TYPE,
        name: { en: attempt.expression },
        extensions: {
          [`${HOME}:technique`]: attempt.technique,
          [`${HOME}:level`]: attempt.level,
        },
      },
    },
    result: {
      success: attempt.right,
      completion: done,
      duration: duration(attempt.totalMs),
      ...(done && last && { response: last.text }),
      extensions: {
        [`${HOME}:clean`]: attempt.clean,
        [`${HOME}:support`]: attempt.support,
        [`${HOME}:slips`]: attempt.entries.flatMap((e) => e.slips.map((s) => s.id)),
      },
    },
    context: {
      registration: attempt.sessionId,
      platform: 'Tachymetra',
      language: 'en',
    },
    timestamp: attempt.startedAt,
    version: '1.0.3',
  }
}

/** Milliseconds as an ISO 8601 duration, to hundredths as the specification asks. */
export function duration(ms: number): string {
  return `PT${(Math.round(ms / 10) / 100).toFixed(2)}S`
}
