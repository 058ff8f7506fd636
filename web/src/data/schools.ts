/** Schools chosen for a learner, by technique: kept in this browser, and sent with every attempt. */
import { type School, schoolOf, type Technique } from '@tachymetra/core'
import { changeSettings, useSettings } from './settings.js'

/** The learner's school of each technique that was ever set, by technique id. */
export function useSchools(learnerId: string | null): Readonly<Record<string, School>> {
  return useSettings().schools[learnerId ?? ''] ?? NONE
}

const NONE: Readonly<Record<string, School>> = {}

/** The school of one technique; whatever is unknown or no longer there falls back to the default. */
export function schoolIn(schools: Readonly<Record<string, School>>, technique: Technique): School {
  const kept = schools[technique.id] ?? {}
  const known = technique.schools.filter((o) => o.values.includes(kept[o.key] ?? ''))
  return schoolOf(technique, Object.fromEntries(known.map((o) => [o.key, kept[o.key]!])))
}

/** Sets one option of a technique for a learner. */
export function useSchoolSetter(
  learnerId: string | null,
): (technique: Technique, key: string, value: string) => void {
  const { schools } = useSettings()
  return (technique, key, value) => {
    const own = schools[learnerId ?? ''] ?? {}
    const changed = { ...own, [technique.id]: { ...own[technique.id], [key]: value } }
    changeSettings({ schools: { ...schools, [learnerId ?? '']: changed } })
  }
}
