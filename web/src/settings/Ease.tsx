import { EXTRA_TIMES, type LearnerSettings, TEXT_SIZES } from '@tachymetra/core/learner'
import { Select } from 'antd'
import type { Section } from './section.js'

const TIMES: Readonly<Record<number, string>> = {
  1: 'the usual',
  1.5: 'half as long again',
  2: 'twice as long',
  3: 'three times as long',
}

/** What makes practice easier to read and less hurried: suggested by an age once, changed here. */
export function Ease({ settings, change }: Section) {
  const choice = <Key extends 'extraTime' | 'textSize' | 'wording'>(
    key: Key,
    label: string,
    options: { value: LearnerSettings[Key]; label: string }[],
  ) => (
    <label htmlFor={key}>
      <span>{label}</span>
      <Select
        id={key}
        value={settings[key]}
        options={options}
        onChange={(value) => change({ [key]: value })}
        style={{ minWidth: '13rem' }}
      />
    </label>
  )
  return (
    <section className="stack" aria-labelledby="ease">
      <h2 id="ease">Size, time and words</h2>
      <div className="parameters">
        {choice(
          'textSize',
          'Text size',
          TEXT_SIZES.map((value) => ({ value, label: `${100 * value} %` })),
        )}
        {choice(
          'extraTime',
          'Targets and limits',
          EXTRA_TIMES.map((value) => ({ value, label: TIMES[value]! })),
        )}
        {choice('wording', 'Words', [
          { value: 'full', label: 'in full, with numbers' },
          { value: 'easy', label: 'few and easy' },
        ])}
      </div>
    </section>
  )
}
