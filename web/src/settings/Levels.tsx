import { LEVEL_RULES, type LevelRules } from '@tachymetra/core/curriculum'
import { Button, InputNumber } from 'antd'
import type { Section } from './section.js'

/** When a level is moved up or back: how sure it must be, and of what. */
export function Levels({ settings, change }: Section) {
  const { rules } = settings
  const number = (
    key: keyof LevelRules,
    label: string,
    shown: { readonly in: number; readonly suffix: string },
  ) => (
    <InputNumber
      aria-label={label}
      min={key === 'odds' ? 2 : 1}
      max={key === 'odds' ? 100 : 99}
      precision={0}
      value={Math.round(rules[key] * shown.in)}
      suffix={shown.suffix}
      onChange={(n) => n !== null && change({ rules: { ...rules, [key]: n / shown.in } })}
      style={{ width: '6rem' }}
    />
  )
  const percent = (key: keyof LevelRules, label: string) => number(key, label, { in: 100, suffix: '%' })
  return (
    <section className="stack" aria-labelledby="rules">
      <h2 id="rules">Level rules</h2>
      <p>
        Each answer without steps says something. A learner who is ready for the next level is right nearly
        always and within the target; a level moves up as soon as that is likely enough, and back where it is
        too hard. What you skip counts as not right.
      </p>
      <p className="row">
        Up at {number('odds', 'How sure, to one', { in: 1, suffix: ': 1' })} that the learner is right{' '}
        {percent('good', 'Right when ready')} of the time and not only {percent('poor', 'Right too seldom')}.
      </p>
      <p className="row">Back where it looks like {percent('hard', 'Right where it is too hard')} or less.</p>
      <div>
        <Button onClick={() => change({ rules: LEVEL_RULES })}>Defaults</Button>
      </div>
    </section>
  )
}
