/** What is told of a paper, from this browser or from the record. */
import type { AttemptRecord, JudgedEntry, Outcome } from '@tachymetra/core/session'
import type { Recipe } from '@tachymetra/core/set'
import type { LocalSession } from '../kept/store.js'

export interface KeptAnswer {
  readonly id: string
  readonly n: number
  readonly technique: string
  readonly level: number
  readonly outcome: Outcome
  readonly right: boolean
  readonly ms: number
  readonly timed: boolean
  /** What was entered, judged; undefined where only the record knows. */
  readonly entries: readonly JudgedEntry[] | undefined
  /** The whole attempt, where this browser has it. */
  readonly record: AttemptRecord | undefined
  /** How long the page was gone while the item was open, in milliseconds. */
  readonly awayMs: number
}

export interface Kept {
  readonly id: string
  readonly learnerId: string
  readonly recipe: Recipe
  readonly startedAt: string
  readonly answers: readonly KeptAnswer[]
}

export function keptOf(session: LocalSession): Kept {
  const { id, learnerId, recipe, startedAt, attempts } = session
  return {
    id,
    learnerId,
    recipe,
    startedAt,
    answers: attempts.map(({ record, verdict }) => ({
      id: record.id,
      n: record.n,
      technique: record.technique,
      level: record.level,
      outcome: verdict.outcome,
      right: verdict.right,
      ms: verdict.totalMs,
      timed: verdict.timed,
      entries: verdict.entries,
      record,
      awayMs: awayIn(record.events),
    })),
  }
}

/** The time between leaving the page and coming back. */
function awayIn(events: AttemptRecord['events']): number {
  let [away, left] = [0, undefined as number | undefined]
  for (const { kind, at } of events) {
    if (kind === 'left') left = at ?? undefined
    if (kind === 'back' && left !== undefined) away += (at ?? left) - left
  }
  return away
}

/** The answer that counts at each item: the last that was given, else that it was skipped. */
export function lastAnswers(answers: readonly KeptAnswer[]): ReadonlyMap<number, KeptAnswer> {
  const found = new Map<number, KeptAnswer>()
  for (const answer of answers)
    if (answer.outcome === 'done' || !found.has(answer.n)) found.set(answer.n, answer)
  return found
}
