/** Sets that nobody has practised yet. */
import { type Random, seeded } from '@tachymetra/core/number'
import { GENERATOR, type PracticeSet, type Recipe } from '@tachymetra/core/set'
import type { SessionStart } from '@tachymetra/core/wire'
import { currentLearnerSettings } from './learnerSettings.js'

/** A seed nobody has chosen. */
export function freshSeed(): number {
  return crypto.getRandomValues(new Int32Array(1))[0]!
}

/** Draws from such a seed. */
export const freshRandom = (): Random => seeded(freshSeed())

/** A set of a recipe, as it is practised from now on. */
function freshSet(recipe: Recipe): PracticeSet {
  return { recipe, seed: freshSeed(), generator: GENERATOR }
}

/** What is announced of a session of a learner that begins now. */
export function startOf(learnerId: string, recipe: Recipe): SessionStart {
  const { extraTime = 1 } = currentLearnerSettings(learnerId) ?? {}
  // Whoever looks at the session later is to know with how much time it was worked.
  const timed = extraTime === 1 ? recipe : { ...recipe, extraTime }
  return { learnerId, startedAt: new Date().toISOString(), ...freshSet(timed) }
}
