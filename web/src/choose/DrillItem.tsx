import { type DrillId, drillById } from '@tachymetra/core/drill'
import type { Times } from '@tachymetra/core/learner'
import { mistaken, moved, openQuestion, type Progress } from '@tachymetra/core/session'
import { useState } from 'react'
import { Entry } from '../parts/Entry.js'
import { KeyButton } from '../parts/KeyButton.js'
import { Mark } from '../parts/Mark.js'
import { spoken } from '../parts/PlaceRule.js'
import { type AttemptOnScreen, useAttempt } from '../parts/useAttempt.js'
import { useKeys } from '../parts/useKeys.js'
import { useTold } from '../parts/useTold.js'
import { aloud } from '../parts/words.js'
import { DrillStage } from './DrillStage.js'
import { type Looked, lookedAt } from './looked.js'
import { Revealed } from './Revealed.js'

interface Props {
  readonly drill: DrillId
  readonly text: string
  readonly times: Times
  readonly onChange: (
    progress: Progress,
    begun: { readonly id: string; readonly startedAt: string },
    events: AttemptOnScreen['events'],
  ) => void
  readonly onNext: () => void
  readonly onStop: () => void
}

/** One item: what is looked at, its questions one after another, and what there is to say at the end. */
export function DrillItem({ drill, text, times, onChange, onNext, onStop }: Props) {
  const [looked] = useState(() => lookedAt(drill, text))
  const [task] = useState(() => drillById(drill)!.read(text))
  const [begun] = useState(() => ({ id: crypto.randomUUID(), startedAt: new Date().toISOString() }))
  const attempt = useAttempt({
    task,
    onChange: (events, progress) => onChange(progress, begun, events),
  })
  const { progress, typing, notice } = attempt
  const done = progress.outcome !== undefined
  const question = attempt.question()
  const remark = remarkOn(looked, progress)
  /** One of a few is taken at its key, a number with Enter. */
  const press = (key: string) => {
    attempt.press(key)
    if (question?.kind.choices) attempt.confirm()
  }
  const stop = () => {
    if (!done && progress.entries.length > 0) attempt.note('stopped')
    onStop()
  }
  useKeys(
    {
      Enter: () => (done ? onNext() : attempt.confirm()),
      Backspace: attempt.erase,
      s: () => !done && attempt.note('given'),
      Escape: stop,
    },
    question && { keys: question.kind.keys, press },
    true,
  )
  const told = useTold(
    done
      ? looked.truth
      : [remark, notice, progress.entries.length > 0 && !remark ? `Right. ${question?.ask}` : '']
          .filter(Boolean)
          .join(' ') || undefined,
    progress.entries.length,
  )
  return (
    <>
      <DrillStage looked={looked} />
      <p className="sr-only" id="looked">
        {spoken(looked.problem)}
      </p>
      <p className="sr-only" role="status">
        {told && aloud(told)}
      </p>
      <Answered progress={progress} />
      {question ? (
        <div className="asking" key={progress.answered.filter(Boolean).length}>
          <p className="question" id="question">
            {question.ask}
          </p>
          <Entry
            kind={question.kind}
            text={typing.text}
            labelledBy="question"
            describedBy="looked"
            onKey={press}
            onErase={attempt.erase}
            onEnter={() => attempt.confirm()}
          >
            <p className="said" aria-hidden="true">
              {remark && (
                <>
                  <Mark right={false} /> {remark}
                </>
              )}{' '}
              {notice}
            </p>
          </Entry>
        </div>
      ) : (
        <Revealed looked={looked} times={times} progress={progress} />
      )}
      <div className="row keys-line">
        {done ? (
          <KeyButton label="Next" shortcut="Enter" onPress={onNext} main focused />
        ) : (
          <KeyButton label="Show" shortcut="S" onPress={() => attempt.note('given')} />
        )}
        <KeyButton label="Stop" shortcut="Esc" onPress={stop} />
      </div>
    </>
  )
}

/** What is said to a wrong answer while its question is open. */
function remarkOn(looked: Looked, progress: Progress): string | undefined {
  const last = progress.entries.at(-1)
  if (!last || !mistaken(last) || progress.outcome !== undefined) return undefined
  const { kind } = openQuestion(progress)!
  const value = kind.read(last.text)
  const why = looked.remark(kind.choices ? value : undefined)
  return kind.choices && why ? why : [`${kind.say(value)} is not right.`, why].filter(Boolean).join(' ')
}

/** The questions answered so far, where there are several. */
function Answered({ progress }: { readonly progress: Progress }) {
  const { task } = progress
  if ('technique' in task || task.questions.length === 1) return null
  return (
    <ul className="plain-list answered">
      {progress.entries.filter(moved).map((entry) => {
        const { ask, kind } = task.questions[entry.step - 1]!
        return (
          <li key={entry.step}>
            <Mark right={entry.verdict !== 'given'} /> {ask}{' '}
            <strong>{kind.say(kind.read(entry.text))}</strong>
          </li>
        )
      })}
    </ul>
  )
}
