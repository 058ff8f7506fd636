import type { ParameterValues, Technique } from '@tachymetra/core/technique'
import { InputNumber } from 'antd'

/** A field for each parameter; one left empty is open, so that anything goes. */
export function Parameters(props: {
  readonly technique: Technique
  readonly values: ParameterValues
  readonly onChange: (values: ParameterValues) => void
}) {
  const { technique, values, onChange } = props
  const set = (key: string, value: number | null) => {
    const { [key]: _, ...others } = values
    onChange(value === null ? others : { ...others, [key]: value })
  }
  return (
    <div className="parameters">
      {technique.parameters.parameters.map((d) => (
        <label key={d.key} htmlFor={`parameter-${d.key}`}>
          <span>{d.name}</span>
          <InputNumber
            id={`parameter-${d.key}`}
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
