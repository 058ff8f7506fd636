import { techniqueById } from '@tachymetra/core/registry'
import type { LearnerWire } from '@tachymetra/core/wire'
import { Select } from 'antd'
import { usePractised } from '../data/queries.js'

/** One of the techniques practised, or all of them. @param props.all what stands for all; without it one is always chosen */
export function TechniqueChoice(props: {
  readonly learner: LearnerWire
  readonly chosen: string | undefined
  readonly all?: string
  readonly onChoose: (id: string | undefined) => void
}) {
  const { learner, chosen, all, onChoose } = props
  const practised = usePractised(learner.id).data ?? []
  return (
    <Select
      aria-label="Technique"
      value={chosen ?? ''}
      options={[
        ...(all ? [{ value: '', label: all }] : []),
        ...practised.map((p) => ({ value: p.technique, label: techniqueById(p.technique).name })),
      ]}
      onChange={(id) => onChoose(id || undefined)}
      style={{ minWidth: '15rem' }}
    />
  )
}
