import { FADE_LEVELS, type FadeLevel } from '@tachymetra/core/learner'
import { LEAST_RODS, MOST_RODS } from '@tachymetra/core/soroban'
import { InputNumber, Select } from 'antd'
import { setFade, useFade } from '../data/fade.js'
import { changeSettings, useSettings } from '../data/settings.js'
import { RestField } from '../forms/RestField.js'

const FADE_NAMES: Record<FadeLevel, string> = {
  beads: 'all its beads',
  ghosts: 'shadows of beads',
  empty: 'bare rods',
  none: 'no frame, only the mind',
}

/** How much of the frame is left, how strictly it is judged, and its size. */
export function FrameChoice(props: {
  readonly learnerId: string
  readonly technique: string
  readonly level: number
}) {
  const { learnerId, technique, level: of } = props
  const { rods, strict } = useSettings()
  const { level } = useFade(learnerId, technique, of)
  return (
    <>
      <div className="variant">
        <strong>The frame shows</strong>
        <Select
          aria-label="The frame shows"
          value={level}
          options={FADE_LEVELS.map((value) => ({ value, label: FADE_NAMES[value] }))}
          onChange={(value) => setFade(learnerId, technique, of, { level: value, run: 0 })}
          style={{ width: '100%' }}
        />
        <span className="faint">
          Five problems right first time in a row take some of it away, two that go wrong give it back. Each
          technique and level has its own.
        </span>
      </div>
      <label>
        <input
          type="checkbox"
          checked={strict}
          onChange={(event) => changeSettings({ strict: event.target.checked })}
        />{' '}
        Strict: check every bead and the order
      </label>
      <div className="row">
        <label htmlFor="frame-rods">
          <strong>Rods</strong>
        </label>
        <InputNumber
          id="frame-rods"
          min={LEAST_RODS}
          max={MOST_RODS}
          precision={0}
          value={rods}
          onChange={(n) => changeSettings({ rods: n ?? rods })}
          style={{ width: '5.5rem' }}
        />
      </div>
      <div className="row">
        <label htmlFor="frame-rest">
          <strong>Checked after a rest of</strong>
        </label>
        <RestField id="frame-rest" />
      </div>
    </>
  )
}
