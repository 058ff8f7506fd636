import type { ReactNode } from 'react'

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
        <p>{about}</p>
        {why && <p className="faint">{why}</p>}
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
