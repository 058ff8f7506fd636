import { Input } from 'antd'
import type { ReactNode } from 'react'
import { Trouble } from '../frame/Trouble.js'

/** The one thing asked of a learner: a name. Enter saves. */
export function NameForm(props: {
  readonly name: string
  readonly fault: Error | undefined
  readonly onName: (name: string) => void
  readonly onSave: () => void
  readonly children?: ReactNode
}) {
  const { name, fault, onName, onSave, children } = props
  return (
    <form
      className="stack"
      onSubmit={(event) => {
        event.preventDefault()
        onSave()
      }}
    >
      <label htmlFor="learner-name">Name or nickname</label>
      <Input
        id="learner-name"
        value={name}
        autoFocus
        autoComplete="off"
        aria-invalid={fault !== undefined}
        aria-describedby={fault ? 'learner-name-fault' : undefined}
        onChange={(event) => onName(event.target.value)}
      />
      <div id="learner-name-fault">{fault && <Trouble error={fault} />}</div>
      {children}
    </form>
  )
}
