/** Beginning a sitting: kept in this browser before anything is worked. */
import type { PlanItem } from '@tachymetra/core/plan'
import { techniqueById } from '@tachymetra/core/registry'
import { currentLearnerSettings } from './learnerSettings.js'
import { schoolIn } from './schools.js'
import { keepSitting, type LocalSitting } from './store.js'

/** What is chosen of a sitting; the rest is made here. */
export type Chosen = Pick<LocalSitting, 'learnerId' | 'technique' | 'level' | 'planned' | 'support'> &
  Partial<Pick<LocalSitting, 'dials'>>

/**
 * @returns the address of its bench.
 * @throws Error, in words for the learner, when the browser keeps nothing.
 */
export async function beginSitting(chosen: Chosen): Promise<string> {
  const id = crypto.randomUUID()
  const schools = currentLearnerSettings(chosen.learnerId)?.schools ?? {}
  try {
    await keepSitting({
      ...chosen,
      id,
      school: schoolIn(schools, techniqueById(chosen.technique), chosen.level),
      startedAt: new Date().toISOString(),
      seed: crypto.getRandomValues(new Int32Array(1))[0]!,
      attempts: [],
      ended: false,
    })
  } catch {
    throw new Error(
      'This browser does not let the page keep anything, so practice could be lost. Leave private mode?',
    )
  }
  return `/bench/${id}`
}

/** The page an item of the plan is worked on. */
export async function beginItem(learnerId: string, item: PlanItem): Promise<string> {
  if (item.kind === 'facts') return '/facts?today'
  const { id: technique, level, support, problems } = item
  return beginSitting({ learnerId, technique, level, planned: problems, support })
}
