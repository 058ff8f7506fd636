import { marked } from '@tachymetra/core/number'
import type { NumberSigns } from '@tachymetra/core/set'
import { Checkbox, Select } from 'antd'
import { changeSettings, type Settings, useSettings } from '../data/settings.js'
import { OnwardSelect } from '../forms/OnwardSelect.js'
import { Words } from '../written/Words.js'

const THEMES: { value: Settings['theme']; label: string }[] = [
  { value: 'system', label: 'as the system has it' },
  { value: 'day', label: 'day' },
  { value: 'night', label: 'night' },
]

const DECIMALS: { value: NumberSigns['decimal']; label: string }[] = [
  { value: '.', label: 'point' },
  { value: ',', label: 'comma' },
]
const GROUPINGS: { value: NumberSigns['grouping']; label: string }[] = [
  { value: 'space', label: 'thin space' },
  { value: 'none', label: 'nothing' },
  { value: 'sign', label: 'comma or point' },
  { value: 'apostrophe', label: 'apostrophe' },
  { value: 'pairs', label: 'in pairs: 12,34,567' },
]
const TIMES: NumberSigns['times'][] = ['×', '·', '*']
const OVERS: NumberSigns['over'][] = ['÷', ':', '/']

/** How numbers and signs are written, with one of each as it comes out. */
function Numbers() {
  const { numbers } = useSettings()
  const choice = <Key extends keyof NumberSigns>(
    key: Key,
    label: string,
    options: { value: NumberSigns[Key]; label: string }[],
  ) => (
    <label htmlFor={key}>
      <span>{label}</span>
      <Select
        id={key}
        value={numbers[key]}
        options={options}
        onChange={(value) => changeSettings({ numbers: { ...numbers, [key]: value } })}
        style={{ minWidth: '9rem' }}
      />
    </label>
  )
  return (
    <fieldset>
      <legend>Numbers</legend>
      <div className="parameters">
        {choice('decimal', 'Decimal sign', DECIMALS)}
        {choice('grouping', 'Between thousands', GROUPINGS)}
        {choice(
          'times',
          'Times',
          TIMES.map((value) => ({ value, label: value })),
        )}
        {choice(
          'over',
          'Divided by',
          OVERS.map((value) => ({ value, label: value })),
        )}
      </div>
      <p>
        <span className="mono">
          <Words>{marked('1\u2009234\u2009567.5 × 7')}</Words>
        </span>{' '}
        and{' '}
        <span className="mono">
          <Words>96 ÷ 8</Words>
        </span>
      </p>
    </fieldset>
  )
}

/** What holds in this browser, whoever practises in it. */
export default function Mine() {
  const { theme, clock, letterKeys, bell } = useSettings()
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
          <OnwardSelect id="mine-onward" width="13rem" />
        </label>
      </div>
      <Numbers />
      <Checkbox checked={clock} onChange={(event) => changeSettings({ clock: event.target.checked })}>
        Show the clock in practice
      </Checkbox>
      <Checkbox checked={bell} onChange={(event) => changeSettings({ bell: event.target.checked })}>
        Ring a bell when the time is up
      </Checkbox>
      <Checkbox
        checked={letterKeys}
        onChange={(event) => changeSettings({ letterKeys: event.target.checked })}
      >
        Single letters act in practice: H for a hint, S to show, N to skip
      </Checkbox>
    </section>
  )
}
