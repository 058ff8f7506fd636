import { Select } from 'antd'
import { changeSettings, type Settings, useSettings } from '../data/settings.js'

const ONWARD: readonly { readonly value: Settings['onward']; readonly label: string }[] = [
  { value: 'enter', label: 'the next at Enter' },
  { value: 'itself', label: 'the next by itself' },
  { value: 'last-digit', label: 'the next by itself, no Enter at all' },
]

/** What follows a right answer. */
export function OnwardSelect({ id, width }: { readonly id: string; readonly width: string }) {
  const { onward } = useSettings()
  return (
    <Select
      id={id}
      value={onward}
      options={[...ONWARD]}
      onChange={(way) => changeSettings({ onward: way })}
      style={{ width }}
    />
  )
}
