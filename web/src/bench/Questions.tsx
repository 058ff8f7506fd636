import { type DrillId, drillById } from '@tachymetra/core/drill'
import { readGrid } from '@tachymetra/core/flash'
import type { Progress } from '@tachymetra/core/session'
import { useEffect, useState } from 'react'
import { useNeeds } from '../data/needs.js'
import { KeyButton } from '../entry/KeyButton.js'
import { QuestionFlow } from '../practice/QuestionFlow.js'
import { useDeadline } from '../practice/timers.js'
import { useAnswering } from '../practice/useAnswering.js'
import { type ItemGiven, useDrill } from '../practice/useItem.js'
import { hush, speak } from '../sound/speech.js'
import { aloud } from '../words/words.js'
import { GridTable } from '../working/GridTable.js'
import { Mark } from '../working/Mark.js'
import { Words } from '../written/Words.js'
import { PaceHead } from './PaceHead.js'

interface Props extends ItemGiven {
  readonly drill: DrillId
  readonly text: string
  readonly at: number
  readonly of: number
  readonly onNext: () => void
  readonly onStop: () => void
}

/** A table or finished work in a round: its questions one after another, until they are answered or the time is up. */
export function Questions(props: Props) {
  const { drill, text, at, of, session, onNext, onStop } = props
  const { recipe } = session
  const [task] = useState(() => drillById(drill)!.read(text))
  const { attempt, startedAt } = useDrill({ ...props, id: drill, task })
  const { readAloud } = useNeeds()
  const toHear =
    recipe.round?.aloud || readAloud
      ? [...new Set([task.says, task.questions[0]!.ask])].join('. ')
      : undefined
  useEffect(() => {
    if (toHear) speak(aloud(toHear))
    return hush
  }, [toHear])
  const { progress } = attempt
  const done = progress.outcome !== undefined
  const begun = { item: startedAt, whole: session.startedAt }
  const deadline = useDeadline(recipe, begun, done ? undefined : 0, () => attempt.note('timed-out'))
  const { act, target } = useAnswering(attempt, { offers: ['skip', 'clock', 'stop'], onNext, onStop })
  const last = progress.entries.at(-1)
  return (
    <div className="stack work">
      <PaceHead at={at} of={of} targetMs={undefined} support="answer" running={!done} deadline={deadline} />
      <Looked drill={drill} text={text} progress={progress} says={task.says} />
      <QuestionFlow
        attempt={attempt}
        target={target}
        remark={last && `${last.text} is not right. Try again.`}
        truth={done ? (progress.outcome === 'done' ? 'All answered.' : 'Time is up.') : ''}
      />
      {done && (
        <ol className="plain-list answers">
          {task.questions.map((question, i) => (
            <li key={question.ask}>
              <Mark right={progress.answered[i] === true} /> <Words>{question.ask}</Words>{' '}
              <strong>
                <Words>{question.kind.say(question.expect)}</Words>
              </strong>
            </li>
          ))}
        </ol>
      )}
      <div className="row keys-line">
        {done ? (
          <KeyButton label={at >= of ? 'Summary' : 'Next'} shortcut="Enter" onPress={onNext} main focused />
        ) : (
          <KeyButton label="Skip" shortcut="N" onPress={act.skip} />
        )}
        <KeyButton label="Stop" shortcut="Esc" onPress={act.stop} />
      </div>
    </div>
  )
}

/** What is looked at: a table with the sums found so far, or a problem in words. */
function Looked(props: {
  readonly drill: DrillId
  readonly text: string
  readonly says: string
  readonly progress: Progress
}) {
  const { drill, text, says, progress } = props
  // A fact is its own question.
  if (drill === 'fact') return null
  if (drill !== 'grid')
    return (
      <p className="problem-line">
        <Words>{says}</Words>
      </p>
    )
  const found = (i: number) => progress.entries.findLast((e) => e.step === i + 1 && e.verdict === 'right')
  return <GridTable grid={readGrid(text)} sum={(i) => found(i)?.text ?? '?'} />
}
