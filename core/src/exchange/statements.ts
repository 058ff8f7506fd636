/**
 * Attempts as learning records: Experience API 1.0.3 statements (part two of that specification). The actor is an
 * account by the learner's id on this installation; no name leaves it.
 */
import { InputError } from '../problem/error.js'
import { answerText, readProblem } from '../problem/expression.js'
import { answerOf, isExact } from '../problem/problem.js'
import { durationOf } from '../session/events.js'
import type { AttemptWire } from '../wire/types.js'

const VERBS = 'http://adlnet.gov/expapi/verbs'
const ACTIVITIES = 'http://adlnet.gov/expapi/activities'
/** Where names of our own begin: an address of a kind that is kept for examples (RFC 2606), so that it is nobody else's. */
const HOME = 'https://tachymetra.example'

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
      id: `${HOME}/problem/${attempt.technique}/${encodeURIComponent(attempt.expression)}`,
      definition: {
        type: `${ACTIVITIES}/cmi.interaction`,
        ...interactionOf(attempt.expression),
        name: { en: attempt.expression },
        extensions: {
          [`${HOME}/extensions/technique`]: attempt.technique,
          [`${HOME}/extensions/level`]: attempt.level,
        },
      },
    },
    result: {
      success: attempt.right,
      score: { scaled: attempt.right ? 1 : 0 },
      completion: done,
      duration: duration(attempt.totalMs),
      ...(done && last && { response: last.text }),
      extensions: {
        [`${HOME}/extensions/clean`]: attempt.clean,
        [`${HOME}/extensions/support`]: attempt.support,
        [`${HOME}/extensions/mistakes`]: attempt.entries.flatMap((e) => e.slips.map((s) => s.id)),
        [`${HOME}/extensions/verdicts`]: attempt.entries.map((e) => e.verdict),
      },
    },
    context: {
      platform: 'Tachymetra',
      language: 'en',
      contextActivities: {
        parent: [activity(`session/${attempt.sessionId}`, 'attempt')],
        grouping: [activity(`technique/${attempt.technique}`, 'module')],
        category: [activity('profile', 'profile')],
      },
    },
    timestamp: endOf(attempt),
    version: '1.0.3',
  }
}

/** Something of ours that an attempt is part of. */
const activity = (path: string, type: string) => ({
  objectType: 'Activity',
  id: `${HOME}/${path}`,
  definition: { type: `${ACTIVITIES}/${type}` },
})

/** How a problem is answered, and the right answer where one number says it. */
function interactionOf(expression: string): object {
  try {
    const problem = readProblem(expression)
    return {
      interactionType: 'numeric',
      ...(isExact(problem, answerOf(problem)) && { correctResponsesPattern: [answerText(problem)] }),
    }
  } catch (error) {
    if (!(error instanceof InputError)) throw error
    // A table of sums has as many answers as it has rows and columns.
    return { interactionType: 'other' }
  }
}

/** When an attempt was over. */
function endOf({ startedAt, events }: AttemptWire): string {
  return new Date(Date.parse(startedAt) + durationOf(events)).toISOString()
}

/** Milliseconds as an ISO 8601 duration, to hundredths as the specification asks. */
export function duration(ms: number): string {
  return `PT${(Math.round(ms / 10) / 100).toFixed(2)}S`
}
