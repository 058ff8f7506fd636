import { type ReactNode, useState } from 'react'
import { Words } from '../written/Words.js'

/** Something shown on request; its contents are made only then. */
export function Fold(props: {
  readonly summary: string
  readonly open?: boolean
  readonly onToggle?: (open: boolean) => void
  readonly children: () => ReactNode
}) {
  const [own, setOwn] = useState(false)
  const open = props.open ?? own
  return (
    <details
      open={open}
      onToggle={(event) => {
        const now = event.currentTarget.open
        setOwn(now)
        if (now !== open) props.onToggle?.(now)
      }}
    >
      <summary>
        <Words>{props.summary}</Words>
      </summary>
      {open && props.children()}
    </details>
  )
}
