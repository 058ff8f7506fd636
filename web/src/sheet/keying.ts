/** Keying a sheet in: what is typed so far, kept in this tab, and made into a session of attempts. */
import { drillById } from '@tachymetra/core/drill'
import { InputError, readProblem } from '@tachymetra/core/problem'
import { techniqueById } from '@tachymetra/core/registry'
import {
  type AttemptRecord,
  beginTask,
  JUDGE,
  type Keyed,
  keyedEvents,
  openQuestion,
  type Task,
} from '@tachymetra/core/session'
import type { ListedProblem, Recipe } from '@tachymetra/core/set'
import { variantOf } from '@tachymetra/core/technique'
import { ownSession } from '../data/begin.js'
import type { LocalSession } from '../kept/store.js'

/** What stands on paper for each item. */
export type KeyedSheet = readonly Keyed[]

/** An item as it was worked on paper: the answer only, or the questions of what no technique works. */
export function taskOf({ technique: id, level, expression }: ListedProblem): Task {
  const drill = drillById(id)
  if (drill) return drill.read(expression)
  const technique = techniqueById(id)
  const problem = readProblem(expression)
  return { technique, variant: variantOf(technique), level, support: 'answer', problem }
}

/** What was keyed in, in words. */
export function keyedWords(task: Task, keyed: Keyed): string {
  if (!keyed) return '–'
  if ('mark' in keyed) return keyed.mark
  const { kind } = openQuestion(beginTask(task))!
  const value = kind.read(keyed.text)
  return value === undefined ? keyed.text : kind.say(value)
}

const keyOf = (code: string, learnerId: string) => `tachymetra.keying.${code}.${learnerId}`

/** What was keyed in before the page was left. */
export function keptDraft(code: string, learnerId: string): KeyedSheet | undefined {
  try {
    const kept = JSON.parse(sessionStorage.getItem(keyOf(code, learnerId)) ?? 'null') as
      | (Keyed | null)[]
      | null
    return kept?.map((k) => k ?? undefined)
  } catch {
    return undefined
  }
}

export function noteDraft(code: string, learnerId: string, keyed: KeyedSheet): void {
  try {
    sessionStorage.setItem(keyOf(code, learnerId), JSON.stringify(keyed.map((k) => k ?? null)))
  } catch {
    // Without storage it lasts until the page is left.
  }
}

export function letGoDraft(code: string, learnerId: string): void {
  sessionStorage.removeItem(keyOf(code, learnerId))
}

/** A sheet as it is keyed in: a session of its own. Nothing of it is timed, so there is no more time for anybody either. */
export function keyedSession(learnerId: string, recipe: Recipe): LocalSession {
  const { extraTime: _, ...untimed } = recipe
  const session = ownSession(learnerId, untimed)
  const { extraTime: __, ...kept } = session.recipe
  return { ...session, recipe: kept }
}

/**
 * The attempts that were keyed in, item by item. What is open before the last answer counts as skipped, what comes after it
 * as not reached.
 * @throws InputError that says which item has no answer of its kind
 */
export function keyedAttempts(
  { id, startedAt }: LocalSession,
  list: readonly ListedProblem[],
  keyed: KeyedSheet,
): readonly AttemptRecord[] {
  const reached = keyed.findLastIndex(Boolean) + 1
  const begun = Date.parse(startedAt)
  return list.slice(0, reached).map((item, i) => {
    const task = taskOf(item)
    const read = keyedEvents(task, keyed[i])
    if ('notice' in read) throw new InputError(`Item ${i + 1}: ${read.notice}`)
    return {
      id: crypto.randomUUID(),
      sessionId: id,
      n: i + 1,
      ...item,
      variant: 'technique' in task ? task.variant : {},
      support: 'answer',
      // One after another, so that they stay in their order.
      startedAt: new Date(begun + i).toISOString(),
      judge: JUDGE,
      events: read.events,
    }
  })
}
