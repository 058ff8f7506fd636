import { type Causes, type Exercise, figuresOf, moved, type Progress } from '@tachymetra/core/session'
import { useMemo } from 'react'
import { HowItGoes } from '../working/HowItGoes.js'
import { WayWorked } from '../working/saying.js'

/** The working of a problem that was answered without steps, gone through afterwards: in full view unless it was right at once. */
export function Afterwards({ progress, causes }: { readonly progress: Progress; readonly causes: Causes }) {
  const { task, walks, entries } = progress
  const { technique, problem, variant } = task as Exercise
  // Whoever was asked for steps before, and worked them in another way, sees that way.
  const worked = walks[0]?.variant ?? variant
  const exercise = useMemo(
    () => ({ technique, problem, variant: entries.some((e) => e.step > 0) ? worked : variant }),
    [technique, problem, variant, worked, entries],
  )
  const given = new Set(
    entries.filter((e) => e.step > 0 && moved(e) && e.verdict !== 'given').map((e) => e.step),
  )
  const wrong = entries.filter((e) => e.step === 0 && !moved(e))
  const nth = causes.findIndex((c) => c && c.length > 0)
  const { clean } = figuresOf(progress)
  return (
    <>
      <HowItGoes
        exercise={exercise}
        slips={causes[nth]?.[0]?.slips ?? []}
        answer={wrong[nth]?.text}
        given={given}
        summary="How it goes"
        open={!clean}
      />
      {given.size > 0 && <WayWorked progress={progress} />}
    </>
  )
}
