import type { Progress } from '@tachymetra/core/session'
import { type Held, momentAfter } from '@tachymetra/core/technique'
import type { ReactNode } from 'react'
import { Link } from 'react-router'
import { useNeeds } from '../data/needs.js'
import { Hands } from '../working/Hand.js'
import { Steps, WayWorked } from '../working/saying.js'

const NOTHING: readonly Held[] = []

/** What is held in mind, and what has been entered so far. */
export function Side(props: {
  readonly progress: Progress
  readonly technique: string
  /** What is to be looked at when the problem is over. */
  readonly children: ReactNode
}) {
  const { progress, technique, children } = props
  const { calm } = useNeeds()
  const [walk] = progress.walks
  const [step, entry] = [walk?.steps.at(-1), walk?.entries.at(-1)]
  const holds = step && entry ? momentAfter(step, entry).holds : NOTHING
  return (
    <aside className="side stack" aria-label="What has been done">
      {progress.support === 'guided' && progress.outcome === undefined && (
        <>
          <h2>Held in mind</h2>
          <Hands holds={holds} />
        </>
      )}
      <h2>Steps so far</h2>
      <Steps entries={progress.entries} walk={progress.walks[0]} calm={calm} />
      {progress.support !== 'answer' && <WayWorked progress={progress} />}
      {children}
      <p>
        <Link to={`/learn/${technique}`}>How it is done</Link>
        {' · '}
        <Link to="/settings/learner">Reading and time</Link>
      </p>
    </aside>
  )
}
