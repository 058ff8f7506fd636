import type { LearnerWire } from '@tachymetra/core/wire'
import { Select } from 'antd'
import { changeSettings } from '../data/settings.js'

/** Whose desk, record or settings are shown. @param labelledBy the heading that leads up to the name */
export function LearnerSelect(props: {
  readonly learner: LearnerWire
  readonly all: readonly LearnerWire[]
  readonly labelledBy: string
}) {
  const { learner, all, labelledBy } = props
  return (
    <Select
      aria-labelledby={labelledBy}
      value={learner.id}
      options={all.map((l) => ({ value: l.id, label: l.name }))}
      optionRender={({ label }) => <bdi>{label}</bdi>}
      labelRender={({ label }) => <bdi>{label}</bdi>}
      onChange={(id) => changeSettings({ learnerId: id })}
      showSearch={{ optionFilterProp: 'label' }}
      style={{ minWidth: '13rem' }}
    />
  )
}
