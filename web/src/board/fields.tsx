import type { BoardClock } from '@tachymetra/core/set'
import { Checkbox, Input, InputNumber } from 'antd'
import { useId } from 'react'

/** Problems that are typed. */
export function Problems({
  text,
  onChange,
}: {
  readonly text: string
  readonly onChange: (text: string) => void
}) {
  const id = useId()
  return (
    <label htmlFor={id} className="stack">
      Problems, one on each line
      <Input.TextArea
        id={id}
        className="mono"
        rows={3}
        value={text}
        spellCheck={false}
        onChange={(event) => onChange(event.target.value)}
      />
    </label>
  )
}

/** Seconds for a problem, and what happens when they are over. */
export function ClockFields(props: {
  readonly clock: BoardClock
  readonly onChange: (clock: BoardClock) => void
}) {
  const { clock, onChange } = props
  return (
    <div className="row">
      <Whole
        name="Seconds on the clock, 0 for none"
        value={clock.ms / 1000}
        least={0}
        most={600}
        onChange={(s) => onChange({ ...clock, ms: 1000 * s })}
      />
      <Checkbox
        checked={clock.round}
        onChange={(event) => onChange({ ...clock, round: event.target.checked })}
      >
        A round: at the bell the answer comes by itself
      </Checkbox>
    </div>
  )
}

/** A whole number. */
export function Whole(props: {
  readonly name: string
  readonly value: number
  readonly least?: number
  readonly most: number
  readonly onChange: (value: number) => void
}) {
  const { name, value, least = 1, most, onChange } = props
  const id = useId()
  return (
    <label htmlFor={id} className="row">
      {name}
      <InputNumber
        id={id}
        min={least}
        max={most}
        precision={0}
        value={value}
        onChange={(n) => n !== null && onChange(n)}
        style={{ width: '6rem' }}
      />
    </label>
  )
}
