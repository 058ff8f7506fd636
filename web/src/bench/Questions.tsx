import { type DrillId, drillById } from '@tachymetra/core/drill'
import { readGrid } from '@tachymetra/core/flash'
import { OWN_LEVEL } from '@tachymetra/core/registry'
import { JUDGE, type Progress, verdictOf } from '@tachymetra/core/session'
import type { Recipe } from '@tachymetra/core/set'
import { useEffect, useState } from 'react'
import { useNeeds } from '../data/needs.js'
import type { LocalAttempt } from '../data/store.js'
import { GridTable } from '../parts/GridTable.js'
import { KeyButton } from '../parts/KeyButton.js'
import { Mark } from '../parts/Mark.js'
import { QuestionFlow, useQuestionKeys } from '../parts/QuestionFlow.js'
import { hush, speak } from '../parts/speech.js'
import { useAttempt } from '../parts/useAttempt.js'
import { aloud } from '../parts/words.js'
import { PaceHead } from './PaceHead.js'
import { useDeadline } from './timers.js'

interface Props {
  readonly drill: DrillId
  readonly text: string
  readonly n: number
  readonly at: number
  readonly of: number
  readonly sessionId: string
  readonly sessionStartedAt: string
  readonly recipe: Recipe
  readonly onDone: (attempt: LocalAttempt) => void
  readonly onNext: () => void
  readonly onStop: () => void
}

/** A table or finished work in a round: its questions one after another, until they are answered or the time is up. */
export function Questions(props: Props) {
  const { drill, text, n, at, of, sessionId, recipe, onNext, onStop } = props
  const [task] = useState(() => drillById(drill)!.read(text))
  const [begun] = useState(() => ({ id: crypto.randomUUID(), startedAt: new Date().toISOString() }))
  const attempt = useAttempt({
    task,
    onChange(events, progress) {
      if (progress.outcome === undefined) return
      const item = { technique: drill, variant: {}, level: OWN_LEVEL, expression: text }
      const record = { ...begun, sessionId, n, ...item, support: 'answer', judge: JUDGE, events } as const
      props.onDone({ record, verdict: verdictOf(progress) })
    },
  })
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
  const whole = { item: begun.startedAt, whole: props.sessionStartedAt }
  const deadline = useDeadline(recipe, whole, done ? undefined : 0, () => attempt.note('timed-out'))
  const stop = () => {
    if (!done && progress.entries.length > 0) attempt.note('stopped')
    onStop()
  }
  const target = useQuestionKeys(attempt, { n: () => !done && attempt.note('skipped'), Escape: stop }, onNext)
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
              <Mark right={progress.answered[i] === true} /> {question.ask}{' '}
              <strong>{question.kind.say(question.expect)}</strong>
            </li>
          ))}
        </ol>
      )}
      <div className="row keys-line">
        {done ? (
          <KeyButton label={at >= of ? 'Summary' : 'Next'} shortcut="Enter" onPress={onNext} main focused />
        ) : (
          <KeyButton label="Skip" shortcut="N" onPress={() => attempt.note('skipped')} />
        )}
        <KeyButton label="Stop" shortcut="Esc" onPress={stop} />
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
  if (drill !== 'grid') return <p className="problem-line">{says}</p>
  const found = (i: number) => progress.entries.findLast((e) => e.step === i + 1 && e.verdict === 'right')
  return <GridTable grid={readGrid(text)} sum={(i) => found(i)?.text ?? '?'} />
}
