import { TECHNIQUES } from '@tachymetra/core/registry'
import { FAMILIES } from '@tachymetra/core/technique'
import { Select } from 'antd'

/** Numbers that come one by one have a page of their own. */
const APART = 'flash-sum'

/** Techniques by family, as they are taught. */
export const techniqueOptions = () =>
  FAMILIES.map((family) => ({
    label: family,
    options: TECHNIQUES.filter((t) => t.family === family && t.id !== APART).map((t) => ({
      value: t.id,
      label: t.name,
    })),
  })).filter((group) => group.options.length > 0)

/** One technique of all, found by typing a part of its name. */
export function TechniquePick(props: {
  readonly label: string
  readonly value: string
  readonly onChange: (id: string) => void
}) {
  const { label, value, onChange } = props
  return (
    <Select
      aria-label={label}
      showSearch={{ optionFilterProp: 'label' }}
      value={value}
      options={techniqueOptions()}
      onChange={onChange}
    />
  )
}
