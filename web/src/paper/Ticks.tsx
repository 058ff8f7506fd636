import type { DoneAttempt } from '@tachymetra/core/session'
import { count } from '@tachymetra/core/words'

/** Every item as a tick of a rule: answered, skipped, or still to come; the one being worked is lit. */
export function Ticks(props: {
  readonly count: number
  readonly at: number
  readonly attempts: readonly DoneAttempt[]
  /** Goes to an item that was skipped; left out where one may not go back. */
  readonly onGo: ((n: number) => void) | undefined
}) {
  const { at, attempts, onGo } = props
  const done = new Set(attempts.flatMap((a) => (a.verdict.outcome === 'done' ? [a.record.n] : [])))
  const met = new Set(attempts.map((a) => a.record.n))
  const skipped = [...met].filter((n) => !done.has(n)).length
  return (
    <nav className="ticks" aria-label={`${count(done.size, 'item')} answered, ${skipped} skipped`}>
      {Array.from({ length: props.count }, (_, i) => {
        const n = i + 1
        const state = done.has(n) ? 'done' : met.has(n) ? 'skipped' : ''
        const lit = n === at ? ' lit' : ''
        return onGo && state === 'skipped' && n !== at ? (
          <button
            key={n}
            type="button"
            className={`tick ${state}`}
            aria-label={`back to item ${n}`}
            onClick={() => onGo(n)}
          />
        ) : (
          <span key={n} className={`tick ${state}${lit}`} aria-hidden="true" />
        )
      })}
    </nav>
  )
}
