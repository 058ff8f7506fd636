import {
  CONTRASTS,
  EXTRA_TIMES,
  KEYPAD_ORDERS,
  KEYPAD_SIDES,
  KEYPADS,
  type LearnerSettings,
  TEXT_SIZES,
  ZEROS,
} from '@tachymetra/core/learner'
import { Checkbox, Select } from 'antd'
import type { ReactNode } from 'react'
import { RestField } from '../forms/RestField.js'
import { useVoice } from '../sound/speech.js'
import type { Section } from './section.js'

const TIMES: Readonly<Record<string, string>> = {
  null: 'no limit at all',
  1: 'the usual',
  1.5: 'half as long again',
  2: 'twice as long',
  3: 'three times as long',
}
const ZERO_NAMES = { plain: 'plain', slashed: 'with a stroke' } as const
const CONTRAST_NAMES = { usual: 'the usual', more: 'more' } as const
const KEYPAD_NAMES = { touch: 'where there is touch', always: 'always', never: 'never' } as const
const ORDER_NAMES = { calculator: '7 8 9 on top', telephone: '1 2 3 on top' } as const

type Named<Key extends keyof LearnerSettings> = { value: LearnerSettings[Key]; label: string }[]

const named = <T extends string>(values: readonly T[], names: Readonly<Record<T, string>>) =>
  values.map((value) => ({ value, label: names[value] }))

/** What makes practice easier to see, to hear, to answer, and less hurried. */
export function Ease({ settings, change }: Section) {
  const voice = useVoice()
  const choice = <Key extends keyof LearnerSettings>(key: Key, label: string, options: Named<Key>) => (
    <label htmlFor={key}>
      <span>{label}</span>
      <Select
        id={key}
        value={settings[key]}
        options={options as never}
        onChange={(value) => change({ [key]: value })}
        style={{ minWidth: '13rem' }}
      />
    </label>
  )
  const tick = (
    key: 'ownPace' | 'calm' | 'readAloud' | 'ownKeyboard' | 'ownAbacus',
    children: ReactNode,
    disabled = false,
  ) => (
    <Checkbox
      checked={settings[key]}
      disabled={disabled}
      onChange={(event) => change({ [key]: event.target.checked })}
    >
      {children}
    </Checkbox>
  )
  return (
    <>
      <section className="stack" aria-labelledby="ease">
        <h2 id="ease">Size, time and words</h2>
        <div className="parameters">
          {choice(
            'textSize',
            'Text size',
            TEXT_SIZES.map((value) => ({ value, label: `${100 * value} %` })),
          )}
          {choice('zero', 'Zero', named(ZEROS, ZERO_NAMES))}
          {choice('contrast', 'Contrast', named(CONTRASTS, CONTRAST_NAMES))}
          {choice(
            'extraTime',
            'Targets and limits',
            EXTRA_TIMES.map((value) => ({ value, label: TIMES[`${value}`]! })),
          )}
          {choice('wording', 'Words', [
            { value: 'full', label: 'in full, with numbers' },
            { value: 'easy', label: 'few and easy' },
          ])}
        </div>
        {tick('ownPace', 'Own pace: targets, and limits for facts, follow the learner’s own answers')}
        {tick('calm', 'Calm: no clock, no bar and no seconds, in practice and at the desk')}
        {tick(
          'readAloud',
          voice
            ? 'Read problem, question and remarks aloud'
            : 'Read problem, question and remarks aloud (this browser has no voice of its own)',
          !voice && !settings.readAloud,
        )}
      </section>
      <section className="stack" aria-labelledby="keys">
        <h2 id="keys">Keys and beads on screen</h2>
        <div className="parameters">
          {choice('keypad', 'Shown', named(KEYPADS, KEYPAD_NAMES))}
          {choice('keypadSide', 'Side', named(KEYPAD_SIDES, { right: 'right', left: 'left' }))}
          {choice('keypadOrder', 'Order', named(KEYPAD_ORDERS, ORDER_NAMES))}
        </div>
        <div className="parameters">
          <label htmlFor="rest">
            <span>Beads on screen are checked after a rest of</span>
            <RestField id="rest" />
          </label>
        </div>
        {tick('ownKeyboard', 'Answers may be typed on the system’s keyboard, dictated or written by hand')}
        {tick('ownAbacus', 'My own abacus: I move beads on a real frame and type the value')}
      </section>
    </>
  )
}
