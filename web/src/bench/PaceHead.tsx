import type { WorkedSupport } from '@tachymetra/core/session'
import { seconds } from '@tachymetra/core/words'
import { useEffect, useState } from 'react'
import { PaceBar } from '../charts/PaceBar.js'
import { useNeeds } from '../data/needs.js'
import { useSettings } from '../data/settings.js'
import { Words } from '../written/Words.js'

/** Asking and checking takes longer than working alone, so the target is stretched while there is support. */
const TARGET_STRETCH: Record<WorkedSupport, number> = { guided: 3, steps: 1.5, answer: 1 }

/** Which problem it is, and the time to aim for. */
export function PaceHead(props: {
  readonly at: number
  readonly of: number
  readonly targetMs: number | undefined
  readonly support: WorkedSupport
  readonly running: boolean
  /** When the time there is for it is up, in milliseconds since 1970. */
  readonly deadline: number | undefined
}) {
  const { at, of, targetMs, support, running, deadline } = props
  const { calm } = useNeeds()
  const clock = useSettings().clock && !calm
  const aim = targetMs && targetMs * TARGET_STRETCH[support]
  return (
    <>
      <div className="row spread faint">
        <span>
          Problem {at} of {of}
        </span>
        {deadline !== undefined && running ? (
          <TimeLeft deadline={deadline} />
        ) : (
          clock &&
          aim && (
            <span>
              aim for <Words>{seconds(aim)}</Words>
            </span>
          )
        )}
      </div>
      {clock && aim && <PaceBar targetMs={aim} running={running} />}
    </>
  )
}

/** The time there is left, second by second; not said aloud. */
function TimeLeft({ deadline }: { readonly deadline: number }) {
  const [now, setNow] = useState(() => Date.now())
  useEffect(() => {
    const timer = setInterval(() => setNow(Date.now()), 250)
    return () => clearInterval(timer)
  }, [])
  return <span role="timer">{Math.max(0, Math.ceil((deadline - now) / 1000))} s left</span>
}
