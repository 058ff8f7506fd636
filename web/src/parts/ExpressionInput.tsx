import { Input } from 'antd'

/** A field for a problem or a number, in figures that stand apart. */
export function ExpressionInput(props: {
  readonly id: string
  readonly value: string
  readonly onChange: (text: string) => void
  readonly wrong: boolean
  readonly width?: string
}) {
  const { id, value, onChange, wrong, width = '24rem' } = props
  return (
    <Input
      id={id}
      className="mono"
      value={value}
      onChange={(event) => onChange(event.target.value)}
      autoComplete="off"
      spellCheck={false}
      status={wrong ? 'error' : ''}
      style={{ width: `min(${width}, 100%)` }}
    />
  )
}
