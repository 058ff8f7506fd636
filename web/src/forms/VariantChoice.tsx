import type { Technique, Variant } from '@tachymetra/core/technique'
import { Select } from 'antd'

/** Where practitioners differ: one choice an option, each value said in words. */
export function VariantChoice(props: {
  readonly technique: Technique
  readonly variant: Variant
  readonly onChange: (key: string, value: string) => void
}) {
  const { technique, variant, onChange } = props
  return (
    <>
      {technique.variants.map((option) => (
        <div key={option.key} className="variant">
          <strong>{option.name}</strong>
          <Select
            aria-label={option.name}
            value={variant[option.key]!}
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
