import { Input } from 'antd'

/** A field for a problem or a number, in figures that stand apart. */
export function ExpressionInput(props: {
  readonly id: string
  readonly value: string
  readonly onChange: (text: string) => void
  readonly wrong: boolean
  /** The id of what says why it is wrong. */
  readonly whyId?: string | undefined
  readonly width?: string
}) {
  const { id, value, onChange, wrong, whyId, width = '24rem' } = props
  return (
    <Input
      id={id}
      className="mono"
      value={value}
      onChange={(event) => onChange(event.target.value)}
      autoComplete="off"
      spellCheck={false}
      status={wrong ? 'error' : ''}
      aria-invalid={wrong}
      aria-describedby={wrong ? whyId : undefined}
      style={{ width: `min(${width}, 100%)` }}
    />
  )
}
