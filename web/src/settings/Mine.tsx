import { Checkbox, Select } from 'antd'
import { changeSettings, type Settings, useSettings } from '../data/settings.js'
import { ONWARD } from '../parts/onward.js'

const THEMES: { value: Settings['theme']; label: string }[] = [
  { value: 'system', label: 'as the system has it' },
  { value: 'day', label: 'day' },
  { value: 'night', label: 'night' },
]

/** What holds in this browser, whoever practises in it. */
export default function Mine() {
  const { theme, onward, clock } = useSettings()
  return (
    <section className="stack" aria-labelledby="mine">
      <h2 id="mine">This browser</h2>
      <div className="parameters">
        <label htmlFor="theme">
          <span>Theme</span>
          <Select
            id="theme"
            value={theme}
            options={THEMES}
            onChange={(value) => changeSettings({ theme: value })}
            style={{ minWidth: '13rem' }}
          />
        </label>
        <label htmlFor="mine-onward">
          <span>After a right answer</span>
          <Select
            id="mine-onward"
            value={onward}
            options={[...ONWARD]}
            onChange={(value) => changeSettings({ onward: value })}
            style={{ minWidth: '13rem' }}
          />
        </label>
      </div>
      <Checkbox checked={clock} onChange={(event) => changeSettings({ clock: event.target.checked })}>
        Show the clock in practice
      </Checkbox>
    </section>
  )
}
