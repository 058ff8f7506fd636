import { memo } from 'react'
import './pace-bar.css'

/** Elapsed time as a thin bar that is full at the target. The browser moves it; no code runs while it does. */
export const PaceBar = memo(function PaceBar({
  targetMs,
  running,
}: {
  readonly targetMs: number
  readonly running: boolean
}) {
  return (
    <div className="pace-bar" aria-hidden="true">
      <i className={running ? '' : 'still'} style={{ animationDuration: `${targetMs}ms` }} />
    </div>
  )
})
