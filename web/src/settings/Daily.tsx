import { TECHNIQUES } from '@tachymetra/core/registry'
import { InputNumber, Select } from 'antd'
import { Link } from 'react-router'
import { deckOptions } from '../words/decks.js'
import type { Section } from './section.js'

const ITEMS = [
  { value: 'facts', label: 'Facts' },
  ...TECHNIQUES.map(({ id, name }) => ({ value: id, label: name })),
]
const MIXED = { value: 'mixed', label: 'Several techniques mixed' }

/** How much is practised every day, when, and what the plan may choose from. */
export function Daily({ settings, change }: Section) {
  return (
    <section className="stack" aria-labelledby="daily">
      <h2 id="daily">Every day</h2>
      <div className="parameters">
        <label htmlFor="minutes">
          <span>Minutes a day</span>
          <InputNumber
            id="minutes"
            min={1}
            max={120}
            value={settings.minutes}
            onChange={(minutes) => minutes && change({ minutes })}
          />
        </label>
        <label htmlFor="at">
          <span>At about</span>
          <input
            id="at"
            type="time"
            className="time-field"
            value={settings.at}
            onChange={(event) => event.target.value && change({ at: event.target.value })}
          />
        </label>
      </div>
      <Many
        id="decks"
        label="Facts the plan draws from"
        value={settings.decks}
        options={deckOptions()}
        onChange={(decks) => change({ decks })}
      />
      <Many
        id="pinned"
        label="Pinned: every day"
        value={settings.pinned}
        options={ITEMS}
        onChange={(pinned) => change({ pinned, banned: settings.banned.filter((b) => !pinned.includes(b)) })}
      />
      <Many
        id="banned"
        label="Never planned"
        value={settings.banned}
        options={[...ITEMS, MIXED]}
        onChange={(banned) => change({ banned, pinned: settings.pinned.filter((p) => !banned.includes(p)) })}
      />
      <p className="faint">
        <Link to="/simulate">Estimate progress</Link>
      </p>
    </section>
  )
}

function Many(props: {
  readonly id: string
  readonly label: string
  readonly value: readonly string[]
  readonly options: { value: string; label: string }[]
  readonly onChange: (value: string[]) => void
}) {
  const { id, label, value, options, onChange } = props
  return (
    <label htmlFor={id} className="daily-number">
      <span>{label}</span>
      <Select
        id={id}
        mode="multiple"
        allowClear
        value={[...value]}
        options={options}
        onChange={onChange}
        optionFilterProp="label"
        placeholder="none"
        style={{ width: '100%', maxWidth: '46rem' }}
      />
    </label>
  )
}
