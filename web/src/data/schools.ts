/** Schools chosen for a learner, by technique; they are sent with every attempt. */
import { type School, schoolOf, type Technique } from '@tachymetra/core/technique'
import { changeLearner, useLearnerSettings } from './learnerSettings.js'

/** The learner's school of each technique that was ever set, by technique id. */
export function useSchools(learnerId: string | undefined): Readonly<Record<string, School>> {
  return useLearnerSettings(learnerId).schools
}

/** The school of one technique at a level; whatever is unknown or no longer there falls back to the default. */
export function schoolIn(
  schools: Readonly<Record<string, School>>,
  technique: Technique,
  level?: number,
): School {
  const kept = schools[technique.id] ?? {}
  const known = technique.schools.filter((o) => o.values.includes(kept[o.key] ?? ''))
  return schoolOf(
    technique,
    Object.fromEntries(known.map((o) => [o.key, kept[o.key]!])),
    technique.levels[(level ?? 0) - 1],
  )
}

/** Sets one option of a technique for a learner. */
export function useSchoolSetter(
  learnerId: string | undefined,
): (technique: Technique, key: string, value: string) => void {
  const schools = useSchools(learnerId)
  return (technique, key, value) => {
    if (!learnerId) return
    const changed = { ...schools[technique.id], [key]: value }
    changeLearner(learnerId, { schools: { ...schools, [technique.id]: changed } })
  }
}
