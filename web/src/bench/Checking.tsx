import type { Problem } from '@tachymetra/core/problem'
import type { Progress } from '@tachymetra/core/session'
import { Checks } from '../parts/Checks.js'
import { Fold } from '../parts/Fold.js'
import { answerGiven } from '../parts/saying.js'

/** The answer checked without doing the work again, once the problem is done. */
export function Checking(props: {
  readonly problem: Problem
  readonly progress: Progress
  readonly open: boolean
  readonly onToggle: (open: boolean) => void
}) {
  const { problem, progress, open, onToggle } = props
  return (
    <Fold summary="Quick checks (C)" open={open} onToggle={onToggle}>
      {() => (
        <>
          <h2 className="sr-only">Quick checks</h2>
          <Checks problem={problem} answer={answerGiven(progress)} />
        </>
      )}
    </Fold>
  )
}
