import type { ReactNode } from 'react'
import { Words } from '../written/Words.js'

/** One thing to practise. */
export function DrillChoice(props: {
  readonly name: string
  readonly about: string
  /** Why it cannot be started. */
  readonly why?: string | undefined
  readonly onStart: () => void
  readonly children?: ReactNode
}) {
  const { name, about, why, onStart, children } = props
  return (
    <section className="drill-choice" aria-label={name}>
      <div>
        <h2>{name}</h2>
        <p>
          <Words>{about}</Words>
        </p>
        {why && (
          <p className="faint">
            <Words>{why}</Words>
          </p>
        )}
      </div>
      <div className="row">
        {children}
        <button
          type="button"
          className="key-button main"
          aria-label={`Start: ${name}`}
          disabled={why !== undefined}
          onClick={onStart}
        >
          Start
        </button>
      </div>
    </section>
  )
}
