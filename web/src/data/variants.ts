/** Variants chosen for a learner, by technique; they are sent with every attempt. */
import { type Technique, type Variant, variantOf } from '@tachymetra/core/technique'
import { changeLearner, useLearnerSettings } from './learnerSettings.js'

/** The learner's variant of each technique that was ever set, by technique id. */
export function useVariants(learnerId: string | undefined): Readonly<Record<string, Variant>> {
  return useLearnerSettings(learnerId).variants
}

/** The variant of one technique at a level; whatever is unknown or no longer there falls back to the default. */
export function variantIn(
  variants: Readonly<Record<string, Variant>>,
  technique: Technique,
  level?: number,
): Variant {
  const kept = variants[technique.id] ?? {}
  const known = technique.variants.filter((o) => o.values.includes(kept[o.key] ?? ''))
  return variantOf(
    technique,
    Object.fromEntries(known.map((o) => [o.key, kept[o.key]!])),
    technique.levels[(level ?? 0) - 1],
  )
}

/** Sets one option of a technique for a learner. */
export function useVariantSetter(
  learnerId: string | undefined,
): (technique: Technique, key: string, value: string) => void {
  const variants = useVariants(learnerId)
  return (technique, key, value) => {
    if (!learnerId) return
    const changed = { ...variants[technique.id], [key]: value }
    changeLearner(learnerId, { variants: { ...variants, [technique.id]: changed } })
  }
}
