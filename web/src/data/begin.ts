/** Beginning a session: kept in this browser before anything is worked. */
import { drillById } from '@tachymetra/core/drill'
import type { PlanItem } from '@tachymetra/core/plan'
import { techniqueById } from '@tachymetra/core/registry'
import { plainRecipe, type Recipe, trialById } from '@tachymetra/core/set'
import { keepSession, type LocalSession } from '../kept/store.js'
import { startOf } from './fresh.js'
import { currentLearnerSettings } from './learnerSettings.js'
import { variantIn } from './variants.js'

/**
 * @param first the first session of all: without a clock, its keys explained
 * @returns the address of its bench.
 * @throws Error, in words for the learner, when the browser keeps nothing.
 */
export async function beginSession(learnerId: string, recipe: Recipe, first = false): Promise<string> {
  const id = crypto.randomUUID()
  const chosen = currentLearnerSettings(learnerId)?.variants ?? {}
  // As they are chosen now: a change in the middle of a session is for the next one.
  const variants = Object.fromEntries(
    workedIn(recipe).map(([technique, level]) => [
      technique,
      { ...variantIn(chosen, techniqueById(technique), level), ...trialById(recipe.trial)?.variant },
    ]),
  )
  try {
    await keepSession({
      ...startOf(learnerId, recipe),
      id,
      variants,
      attempts: [],
      ended: false,
      ...(first && { first }),
    })
  } catch {
    throw new Error(
      'This browser does not let the page keep anything, so practice could be lost. Leave private mode?',
    )
  }
  return sessionPath({ id, recipe })
}

/** A session on a page of its own, such as flashed lists and grids: begun with its first entry, not gone on with later. */
export function ownSession(learnerId: string, recipe: Recipe): LocalSession {
  return { ...startOf(learnerId, recipe), id: crypto.randomUUID(), attempts: [], ended: true }
}

/** The techniques of a set, with their level where they have one; a paper is worked alike by everybody. */
function workedIn({ sources, paper }: Recipe): (readonly [technique: string, level: number | undefined])[] {
  return sources.flatMap((source) => {
    if (source.kind === 'listed')
      return paper
        ? []
        : source.problems.flatMap((p) =>
            p && !drillById(p.technique) ? [[p.technique, undefined] as const] : [],
          )
    if (!('technique' in source)) return []
    return [[source.technique, source.kind === 'level' ? source.level : undefined] as const]
  })
}

/** The page a session is worked on. */
export function sessionPath({ id, recipe }: { readonly id: string; readonly recipe: Recipe }): string {
  return recipe.paper ? `/papers/${id}` : `/bench/${id}`
}

/** The page an item of the plan is worked on. */
export async function beginItem(learnerId: string, item: PlanItem): Promise<string> {
  if (item.kind === 'facts') return '/facts?today'
  const from = ({ id: technique, level }: { readonly id: string; readonly level: number }) =>
    ({ kind: 'level', technique, level, count: item.problems }) as const
  if (item.kind !== 'mixed') return beginSession(learnerId, plainRecipe([from(item)], item.support))
  return beginSession(learnerId, { ...plainRecipe(item.of.map(from), 'answer'), order: 'mixed' })
}
