import { isItem, type Problem } from '@tachymetra/core/problem'
import { asDecimal } from '@tachymetra/core/question'
import type { Progress } from '@tachymetra/core/session'
import { Fold } from '../frame/Fold.js'
import { Checks } from '../working/Checks.js'
import { answerGiven } from '../working/saying.js'

/** The answer checked without doing the work again, once the problem is done. */
export function Checking(props: {
  readonly problem: Problem
  readonly progress: Progress
  readonly open: boolean
  readonly onToggle: (open: boolean) => void
}) {
  const { problem, progress, open, onToggle } = props
  const answer = asDecimal(answerGiven(progress))
  // There are none for the items of a paper.
  if (!answer || isItem(problem)) return null
  return (
    <Fold summary="Quick checks (C)" open={open} onToggle={onToggle}>
      {() => (
        <>
          <h2 className="sr-only">Quick checks</h2>
          <Checks problem={problem} answer={answer} />
        </>
      )}
    </Fold>
  )
}
