import { type Causes, type Exercise, figuresOf, type Progress } from '@tachymetra/core/session'
import { trace } from '@tachymetra/core/technique'
import { useMemo } from 'react'
import { HowItGoes } from '../parts/HowItGoes.js'

/** The working of a problem that was answered without steps, gone through afterwards: in full view unless it was right at once. */
export function Afterwards({ progress, causes }: { readonly progress: Progress; readonly causes: Causes }) {
  const { technique, problem, variant } = progress.task as Exercise
  const work = useMemo(() => trace(technique, problem, variant), [technique, problem, variant])
  // What is read off in one look has no way to it.
  if (work.steps.length < 2) return null
  const [likely] = causes.find((c) => c && c.length > 0) ?? []
  const { clean } = figuresOf(progress)
  return <HowItGoes work={work} slips={likely?.slips ?? []} summary="How it goes" open={!clean} />
}
