import { InputNumber } from 'antd'
import { changeSettings, useSettings } from '../data/settings.js'

/** How long a frame that is not right may stand still before it is checked, in seconds; of this browser. */
export function RestField({ id }: { readonly id: string }) {
  const { restMs } = useSettings()
  return (
    <InputNumber
      id={id}
      min={1}
      max={30}
      step={0.5}
      value={restMs / 1000}
      onChange={(s) => changeSettings({ restMs: s === null ? restMs : Math.round(s * 1000) })}
      suffix="s"
      style={{ width: '6.5rem' }}
    />
  )
}
