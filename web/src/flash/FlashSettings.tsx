import { FASTEST_MS, MOST_FLASHED, SAFE_PER_SECOND, type Shown, SLOWEST_MS } from '@tachymetra/core/flash'
import type { LearnerSettings } from '@tachymetra/core/learner'
import { fixedWords } from '@tachymetra/core/number'
import { Button, Checkbox, InputNumber, Select } from 'antd'
import type { CSSProperties, ReactNode } from 'react'
import { Link } from 'react-router'
import { changeSettings, type FlashSettings as Settings } from '../data/settings.js'
import { useVoice } from '../sound/speech.js'
import { Words } from '../written/Words.js'
import '../player/player.css'
import './flash.css'

const WAYS: readonly { value: Shown['way']; label: string }[] = [
  { value: 'flash', label: 'Flash: one after another' },
  { value: 'tape-left', label: 'Tape: gliding to the left' },
  { value: 'tape-right', label: 'Tape: gliding to the right' },
  { value: 'tape-down', label: 'Tape: gliding down' },
  { value: 'still', label: 'Still list: nothing moves' },
]

/** Shown in the size that is chosen, so many digits of it. */
const SAMPLE = '736482'

/** How numbers come; what may flash is read before anything does. */
export function FlashSettings(props: {
  readonly flash: Settings
  readonly cautions: LearnerSettings['cautions']
  readonly onCautions: (cautions: LearnerSettings['cautions']) => void
  readonly onStart: () => void
}) {
  const { flash, cautions, onCautions, onStart } = props
  const change = (some: Partial<Settings>) => changeSettings({ flash: { ...flash, ...some } })
  const still = flash.way === 'still'
  const ready = cautions.read || still
  return (
    <form
      className="flash-choice"
      onSubmit={(event) => {
        event.preventDefault()
        if (ready) onStart()
      }}
    >
      <div className="stack flash-numbers">
        <Numbers flash={flash} change={change} />
        <Checkbox checked={flash.minus} onChange={(event) => change({ minus: event.target.checked })}>
          With subtraction; the total never goes below zero
        </Checkbox>
        <p className="faint">
          Two right in a row make it faster, one wrong slower. Any key stops at once; the sum is asked when
          all have been shown.
        </p>
        <p>
          <Link to="/grid">Numbers in a grid instead</Link>
        </p>
      </div>
      <div className="panel stack flash-sample">
        <p
          className="mono flash-number"
          aria-hidden="true"
          style={{ '--flash-size': `${still ? flash.size / 2 : flash.size}rem` } as CSSProperties}
        >
          {SAMPLE.slice(0, flash.digits)}
        </p>
        <p className="faint">
          {flash.count} numbers, {still ? 'all at once' : `${flash.showMs} ms each`}
        </p>
        {!still && (
          <Caution flash={flash} cautions={cautions} onCautions={onCautions}>
            <Button onClick={() => change({ way: 'still' })}>Use the still list</Button>
          </Caution>
        )}
        <Button type="primary" size="large" htmlType="submit" block disabled={!ready}>
          {still ? 'Show the list' : 'Start'}
        </Button>
      </div>
    </form>
  )
}

function Numbers(props: { readonly flash: Settings; readonly change: (some: Partial<Settings>) => void }) {
  const { flash, change } = props
  const voice = useVoice()
  return (
    <div className="parameters">
      <label htmlFor="flash-way">
        <span>How they come</span>
        <Select
          id="flash-way"
          value={flash.way}
          options={[...WAYS]}
          onChange={(way) => change({ way })}
          style={{ width: '18rem', maxWidth: '100%' }}
        />
      </label>
      <Figure
        id="digits"
        name="Digits"
        value={flash.digits}
        least={1}
        most={6}
        onChange={(digits) => change({ digits })}
      />
      <Figure
        id="count"
        name="Numbers"
        value={flash.count}
        least={2}
        most={MOST_FLASHED}
        onChange={(count) => change({ count })}
      />
      <Figure
        id="time"
        name="Time each, ms"
        value={flash.showMs}
        least={FASTEST_MS}
        most={SLOWEST_MS}
        onChange={(showMs) => change({ showMs, run: 0 })}
      />
      <Figure
        id="gap"
        name="Gap, ms"
        value={flash.gapMs}
        least={0}
        most={2000}
        onChange={(gapMs) => change({ gapMs })}
      />
      <Figure
        id="size"
        name="Number size"
        value={flash.size}
        least={4}
        most={16}
        onChange={(size) => change({ size })}
      />
      <label htmlFor="flash-sound">
        <span>Sound</span>
        <Select
          id="flash-sound"
          value={flash.sound}
          options={[
            { value: 'beep', label: 'a short beep' },
            {
              value: 'voice',
              label: voice ? 'spoken' : 'spoken (no voice here)',
              disabled: !voice,
            },
            { value: 'none', label: 'none' },
          ]}
          onChange={(sound) => change({ sound })}
          style={{ width: '18rem', maxWidth: '100%' }}
        />
      </label>
    </div>
  )
}

/** What is to be known before anything flashes. @param props.children the way around it */
function Caution(props: {
  readonly flash: Settings
  readonly cautions: LearnerSettings['cautions']
  readonly onCautions: (cautions: LearnerSettings['cautions']) => void
  readonly children: ReactNode
}) {
  const { flash, cautions, onCautions, children } = props
  const perSecond = 1000 / (flash.showMs + flash.gapMs)
  return (
    <section className="stack" aria-labelledby="caution">
      <h2 id="caution">Before anything flashes</h2>
      <p>
        Flashing pictures can provoke seizures in people who are sensitive to light. Numbers come at most{' '}
        {SAFE_PER_SECOND} a second here. Stop at any discomfort: any key ends it at once. In the still list
        nothing moves.
      </p>
      <Checkbox
        checked={cautions.read}
        onChange={(event) => onCautions({ ...cautions, read: event.target.checked })}
      >
        I have read this
      </Checkbox>
      {cautions.read && (
        <Checkbox
          checked={cautions.lifted}
          onChange={(event) => onCautions({ ...cautions, lifted: event.target.checked })}
        >
          I am the coach and allow more than {SAFE_PER_SECOND} a second
        </Checkbox>
      )}
      {!cautions.lifted && perSecond > SAFE_PER_SECOND && (
        <p className="faint">
          These times would be <Words>{fixedWords(perSecond)}</Words> a second; they are slowed down to{' '}
          {SAFE_PER_SECOND}.
        </p>
      )}
      {children}
    </section>
  )
}

function Figure(props: {
  readonly id: string
  readonly name: string
  readonly value: number
  readonly least: number
  readonly most: number
  readonly onChange: (n: number) => void
}) {
  const { id, name, value, least, most, onChange } = props
  return (
    <label htmlFor={`flash-${id}`}>
      <span>{name}</span>
      <InputNumber
        id={`flash-${id}`}
        min={least}
        max={most}
        precision={0}
        value={value}
        onChange={(n) => onChange(n ?? value)}
        style={{ width: '7rem' }}
      />
    </label>
  )
}
