import { Checkbox, Select } from 'antd'
import { changeSettings, useSettings } from '../../data/settings.js'
import { KeyButton } from '../../entry/KeyButton.js'
import { useVoice } from '../../sound/speech.js'
import type { useWatch } from './useWatch.js'

const PACES = [
  { value: 0, label: 'each at a press' },
  { value: 6000, label: 'by itself, slowly' },
  { value: 3500, label: 'by itself' },
  { value: 1800, label: 'by itself, quickly' },
]

/** At which pace it is watched, and whether it is read aloud. */
export function WatchPace({
  watch,
  over,
}: {
  readonly watch: ReturnType<typeof useWatch>
  readonly over: boolean
}) {
  const { watchMs, watchAloud } = useSettings()
  const voice = useVoice()
  return (
    <div className="row keys-line">
      <label htmlFor="watch-pace">Pace</label>
      <Select
        id="watch-pace"
        size="small"
        value={watchMs}
        options={PACES}
        onChange={(ms) => changeSettings({ watchMs: ms })}
        style={{ minWidth: '11rem' }}
      />
      {watch.byItself && !over && (
        <KeyButton label={watch.paused ? 'Go on' : 'Pause'} onPress={watch.pause} />
      )}
      {voice && (
        <Checkbox
          checked={watchAloud}
          onChange={(event) => changeSettings({ watchAloud: event.target.checked })}
        >
          Read aloud
        </Checkbox>
      )}
    </div>
  )
}
