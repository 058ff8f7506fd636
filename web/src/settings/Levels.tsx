import { LEVEL_RULES } from '@tachymetra/core/curriculum'
import { Button, InputNumber } from 'antd'
import type { Section } from './section.js'

/** When a level is moved up or back. */
export function Levels({ settings, change }: Section) {
  const { rules } = settings
  const number = (key: keyof typeof rules, label: string) => (
    <InputNumber
      aria-label={label}
      min={0}
      max={100}
      precision={0}
      value={rules[key]}
      onChange={(n) => n !== null && change({ rules: { ...rules, [key]: n } })}
      style={{ width: '4.5rem' }}
    />
  )
  return (
    <section className="stack" aria-labelledby="rules">
      <h2 id="rules">Level rules</h2>
      <p className="row">
        Up: of the last {number('upOf', 'Answers to move up')} answers without steps, at least{' '}
        {number('upRight', 'Right answers to move up')} right, and the median within the target.
      </p>
      <p className="row">
        Back: of the last {number('backOf', 'Answers to go back')} answers fewer than{' '}
        {number('backBelow', 'Right answers to stay')} right.
      </p>
      <div>
        <Button onClick={() => change({ rules: LEVEL_RULES })}>Defaults</Button>
      </div>
    </section>
  )
}
