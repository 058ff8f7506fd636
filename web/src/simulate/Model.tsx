import { KINDS, type Kind, type Traits } from '@tachymetra/core/simulate'
import { Checkbox, InputNumber, Select } from 'antd'

/** What is assumed of a simulated learner and of how long they practise. */
export interface Assumed {
  readonly kind: Kind
  readonly traits: Traits
  readonly extraTime: number
  /** Days of practice a week, on average. */
  readonly daysAWeek: number
  readonly weeks: number
  readonly fadeDays: number
  /** Beside the plan, practice at random and one technique after the other. */
  readonly compared: boolean
}

export function assumedOf(kind: Kind): Assumed {
  const { traits, extraTime } = kind
  return { kind, traits, extraTime, daysAWeek: 5, weeks: 26, fadeDays: 20, compared: false }
}

/** The kind of learner, how often they practise, and the numbers behind it. */
export function Model(props: { readonly assumed: Assumed; readonly onChange: (assumed: Assumed) => void }) {
  const { assumed, onChange } = props
  const { traits } = assumed
  const number = (
    id: string,
    name: string,
    value: number,
    [min, max, step]: readonly [number, number, number],
    set: (n: number) => Partial<Assumed>,
  ) => (
    <label htmlFor={id}>
      <span>{name}</span>
      <InputNumber
        {...{ id, min, max, step, value }}
        onChange={(n) => n !== null && onChange({ ...assumed, ...set(n) })}
        style={{ width: '7rem' }}
      />
    </label>
  )
  const trait = (part: Partial<Traits>) => ({ traits: { ...traits, ...part } })
  return (
    <div className="stack">
      <div className="parameters">
        <label htmlFor="sim-kind">
          <span>Learner</span>
          <Select
            id="sim-kind"
            value={assumed.kind.id}
            options={KINDS.map((k) => ({ value: k.id, label: k.name }))}
            onChange={(id) => {
              const kind = KINDS.find((k) => k.id === id)!
              onChange({ ...assumed, kind, traits: kind.traits, extraTime: kind.extraTime })
            }}
            style={{ minWidth: '11rem' }}
          />
        </label>
        {number('sim-days', 'Days a week', assumed.daysAWeek, [1, 7, 1], (daysAWeek) => ({ daysAWeek }))}
        {number('sim-weeks', 'Weeks at most', assumed.weeks, [1, 52, 1], (weeks) => ({ weeks }))}
      </div>
      <Checkbox
        checked={assumed.compared}
        onChange={(event) => onChange({ ...assumed, compared: event.target.checked })}
      >
        Compare with practice at random and one technique after the other
      </Checkbox>
      <p className="faint">
        Facts come faster with every use, down to a floor, and fade when left alone. A new technique is slow
        and goes wrong often at first. Some days are better than others. Targets are {assumed.extraTime} times
        the usual.
      </p>
      <div className="parameters">
        {number('sim-fact', 'Time for a fact at first, ms', traits.factMs, [200, 5000, 50], (factMs) =>
          trait({ factMs }),
        )}
        {number('sim-carry', 'Time for a carry at first, ms', traits.carryMs, [100, 5000, 50], (carryMs) =>
          trait({ carryMs }),
        )}
        {number('sim-slips', 'Mistakes in 100 steps', 100 * traits.slipRate, [0, 20, 0.1], (n) =>
          trait({ slipRate: n / 100 }),
        )}
        {number('sim-learns', 'How fast times fall', traits.practice, [0, 0.6, 0.01], (practice) =>
          trait({ practice }),
        )}
        {number('sim-key', 'Time for a key, ms', traits.keyMs, [20, 1000, 10], (keyMs) => trait({ keyMs }))}
        {number('sim-read', 'Time to read a question, ms', traits.readMs, [100, 10_000, 50], (readMs) =>
          trait({ readMs }),
        )}
        {number('sim-scatter', 'How much times vary', traits.scatter, [0, 1, 0.05], (scatter) =>
          trait({ scatter }),
        )}
        {number(
          'sim-fade',
          'Days until half a fact is forgotten',
          assumed.fadeDays,
          [1, 365, 1],
          (fadeDays) => ({
            fadeDays,
          }),
        )}
      </div>
    </div>
  )
}
