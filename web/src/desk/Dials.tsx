import { InputError, type ProblemSpace } from '@tachymetra/core/problem'
import type { DialValues, Technique } from '@tachymetra/core/technique'
import { InputNumber } from 'antd'

/** The problems that some dial values leave, or why there are none. */
export function dialledSpace(technique: Technique, values: DialValues): ProblemSpace | { error: string } {
  try {
    const space = technique.dials.problems(values)
    return space.size > 0n ? space : { error: 'No problem is like that: these dials contradict each other.' }
  } catch (error) {
    if (error instanceof InputError) return { error: error.message }
    throw error
  }
}

/** A field for each dial; one left empty is open, so that anything goes. */
export function Dials(props: {
  readonly technique: Technique
  readonly values: DialValues
  readonly onChange: (values: DialValues) => void
}) {
  const { technique, values, onChange } = props
  const set = (key: string, value: number | null) => {
    const { [key]: _, ...others } = values
    onChange(value === null ? others : { ...others, [key]: value })
  }
  return (
    <div className="dials">
      {technique.dials.dials.map((d) => (
        <label key={d.key} htmlFor={`dial-${d.key}`}>
          <span>{d.name}</span>
          <InputNumber
            id={`dial-${d.key}`}
            min={d.least}
            max={d.most}
            precision={0}
            value={values[d.key] ?? null}
            placeholder={d.usual === undefined ? 'any' : String(d.usual)}
            onChange={(value) => set(d.key, value ?? d.usual ?? null)}
            style={{ width: '7rem' }}
          />
        </label>
      ))}
    </div>
  )
}
