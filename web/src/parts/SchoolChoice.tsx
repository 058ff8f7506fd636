import type { School, Technique } from '@tachymetra/core/technique'
import { Select } from 'antd'

/** Where practitioners differ: one choice an option, each value said in words. */
export function SchoolChoice(props: {
  readonly technique: Technique
  readonly school: School
  readonly onChange: (key: string, value: string) => void
}) {
  const { technique, school, onChange } = props
  return (
    <>
      {technique.schools.map((option) => (
        <div key={option.key} className="school">
          <strong>{option.name}</strong>
          <Select
            aria-label={option.name}
            value={school[option.key]!}
            options={option.values.map((value) => ({ value, label: option.words[value] ?? value }))}
            onChange={(value: string) => onChange(option.key, value)}
            popupMatchSelectWidth={false}
            style={{ width: '100%' }}
          />
        </div>
      ))}
    </>
  )
}
