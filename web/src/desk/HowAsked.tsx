import type { ExtraTime } from '@tachymetra/core/learner'
import { SUPPORT_NAMES, SUPPORTS, type Support } from '@tachymetra/core/session'
import { MOST_ITEMS, type Recipe, type SetClock } from '@tachymetra/core/set'
import { seconds } from '@tachymetra/core/words'
import { Checkbox, InputNumber, Select } from 'antd'
import type { ReactNode } from 'react'
import { OnwardSelect } from '../forms/OnwardSelect.js'
import { SUPPORT_ABOUT } from '../words/words.js'
import { Words } from '../written/Words.js'
import './desk.css'

/** How problems are asked: with which support, against which clock, and when it is said what was right. */
export interface HowAsked extends Pick<Recipe, 'clock' | 'answers'> {
  /** The check that is asked before each verdict. */
  readonly check: Recipe['check'] | 'none'
  readonly support: Support
}

export const NO_LIMIT: SetClock = { kind: 'none' }

const CLOCKS: readonly { readonly value: SetClock['kind']; readonly label: string }[] = [
  { value: 'none', label: 'as long as it takes' },
  { value: 'item', label: 'a limit for each problem' },
  { value: 'whole', label: 'a limit for all together' },
]

const CHECKS: readonly { readonly value: HowAsked['check']; readonly label: string }[] = [
  { value: 'none', label: 'no check is asked' },
  { value: 'nines', label: 'check by casting out nines' },
  { value: 'elevens', label: 'check by casting out elevens' },
]

/** Where a limit stands before it is changed: twice the target, or ten seconds; a minute for all. Extra time comes on top. */
const firstLimit = (kind: SetClock['kind'], targetMs: number, extraTime: ExtraTime): SetClock => {
  if (kind === 'none') return NO_LIMIT
  const ms = kind === 'whole' ? 60_000 : (2 * targetMs) / (extraTime ?? 1)
  return { kind, ms: Math.max(1000, 1000 * Math.round(ms / 1000)) }
}

/** @param props.children what else can be chosen of how it is worked */
export function Asked(props: {
  readonly how: HowAsked
  readonly targetMs: number | undefined
  readonly extraTime: ExtraTime
  readonly planned: number
  readonly onChange: (some: Partial<HowAsked>) => void
  readonly onPlanned: (n: number) => void
  readonly children: ReactNode
}) {
  const { how, targetMs, extraTime, planned, onChange, onPlanned, children } = props
  const { support, clock, answers, check } = how
  return (
    <>
      <fieldset>
        <legend>Support</legend>
        {SUPPORTS.map((s) => (
          <label key={s} className="support-choice">
            <input
              type="radio"
              name="support"
              checked={s === support}
              onChange={() => onChange({ support: s })}
            />
            <strong>{SUPPORT_NAMES[s]}</strong>
            <span className="faint">{SUPPORT_ABOUT[s]}</span>
          </label>
        ))}
      </fieldset>
      {children}
      <div className="row">
        <label htmlFor="planned">
          <strong>How many</strong>
        </label>
        <InputNumber
          id="planned"
          min={1}
          max={MOST_ITEMS}
          precision={0}
          value={planned}
          onChange={(value) => onPlanned(value ?? 5)}
          style={{ width: '5.5rem' }}
        />
      </div>
      <div className="row">
        <label htmlFor="clock">
          <strong>Time</strong>
        </label>
        <Select
          id="clock"
          value={clock.kind}
          options={[...CLOCKS]}
          onChange={(kind) => onChange({ clock: firstLimit(kind, targetMs ?? 5000, extraTime) })}
          style={{ minWidth: '11rem' }}
        />
        {clock.kind !== 'none' && (
          <InputNumber
            aria-label="Seconds"
            min={1}
            max={3600}
            precision={0}
            value={clock.ms / 1000}
            suffix="s"
            onChange={(value) => value && onChange({ clock: { ...clock, ms: value * 1000 } })}
            style={{ width: '6.5rem' }}
          />
        )}
        {clock.kind !== 'none' && extraTime !== 1 && (
          <span className="faint">
            <Words>
              {extraTime === null
                ? 'no limit, as is set for you'
                : `${seconds(clock.ms * extraTime)} with your extra time`}
            </Words>
          </span>
        )}
      </div>
      <label htmlFor="onward">
        <strong>After a right answer</strong>
        <OnwardSelect id="onward" width="100%" />
      </label>
      {support === 'answer' && (
        <Checkbox
          checked={answers === 'at-end'}
          onChange={(event) => onChange({ answers: event.target.checked ? 'at-end' : 'at-once' })}
        >
          Say what was right only at the end
        </Checkbox>
      )}
      {support === 'answer' && (
        <label htmlFor="check-first">
          <strong>Before the verdict</strong>
          <Select
            id="check-first"
            value={check}
            options={[...CHECKS]}
            onChange={(value) => onChange({ check: value })}
            style={{ width: '100%' }}
          />
        </label>
      )}
    </>
  )
}
