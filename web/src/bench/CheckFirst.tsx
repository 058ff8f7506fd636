import { checkRemark } from '@tachymetra/core/drill'
import { readDecimal, toWords } from '@tachymetra/core/number'
import { mistaken, moved } from '@tachymetra/core/session'
import { useState } from 'react'
import { Entry } from '../parts/Entry.js'
import { KeyButton } from '../parts/KeyButton.js'
import { Mark } from '../parts/Mark.js'
import { useAttempt } from '../parts/useAttempt.js'
import { useKeys } from '../parts/useKeys.js'
import { useTold } from '../parts/useTold.js'
import { aloud } from '../parts/words.js'
import type { Unsure } from './useCheckFirst.js'

/** The check of an answer before the verdict; nothing of it is kept. */
export function CheckFirst(props: {
  readonly unsure: Unsure
  readonly onHandIn: () => void
  readonly onChange: () => void
}) {
  const { unsure, onHandIn, onChange } = props
  const [task] = useState(() => ({ questions: unsure.questions, inOrder: true }))
  const attempt = useAttempt({ task })
  const { progress, typing, notice } = attempt
  const question = attempt.question()
  const last = progress.entries.at(-1)
  const wrong = last && mistaken(last)
  const press = (key: string) => {
    attempt.press(key)
    if (question?.kind.choices) attempt.confirm()
  }
  useKeys(
    {
      Enter: () => (question ? attempt.confirm() : unsure.passes ? onHandIn() : onChange()),
      Backspace: attempt.erase,
      Escape: onChange,
    },
    question && { keys: question.kind.keys, press },
    true,
  )
  const verdict = unsure.passes
    ? 'It agrees. That proves nothing, but nothing speaks against your answer.'
    : 'It differs: your answer is wrong somewhere.'
  const remark = wrong ? `That is not right. ${checkRemark(unsure)}` : notice
  const told = useTold(
    question ? [remark, question.ask].filter(Boolean).join(' ') : verdict,
    progress.entries.length,
  )
  return (
    <>
      <p className="faint pick-note">Check {toWords(readDecimal(unsure.text)!)} first. The clock rests.</p>
      <p className="sr-only" role="status">
        {aloud(told)}
      </p>
      <ul className="plain-list check-first">
        {progress.entries.filter(moved).map((entry) => {
          const { ask, kind } = task.questions[entry.step - 1]!
          return (
            <li key={entry.step}>
              <Mark right /> {ask} <strong>{kind.say(kind.read(entry.text))}</strong>
            </li>
          )
        })}
      </ul>
      {question ? (
        <div key={progress.answered.filter(Boolean).length}>
          <p className="question" id="check-question">
            {question.ask}
          </p>
          <Entry
            kind={question.kind}
            text={typing.text}
            labelledBy="check-question"
            onKey={press}
            onErase={attempt.erase}
            onEnter={() => attempt.confirm()}
          >
            <p className="said" aria-hidden="true">
              {remark && (
                <>
                  {wrong && <Mark right={false} />} {remark}
                </>
              )}
            </p>
          </Entry>
        </div>
      ) : (
        <p className="question">{verdict}</p>
      )}
      <div className="row keys-line">
        {!question && (
          <KeyButton label="Hand it in" onPress={onHandIn} main={unsure.passes} focused={unsure.passes} />
        )}
        <KeyButton
          label="Change the answer"
          shortcut="Esc"
          onPress={onChange}
          main={!question && !unsure.passes}
          focused={!question && !unsure.passes}
        />
      </div>
    </>
  )
}
