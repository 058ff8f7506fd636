import { checkRemark } from '@tachymetra/core/drill'
import { readDecimal, toWords } from '@tachymetra/core/number'
import { useState } from 'react'
import { KeyButton } from '../entry/KeyButton.js'
import { QuestionFlow } from '../practice/QuestionFlow.js'
import { useAnswering } from '../practice/useAnswering.js'
import { useAttempt } from '../practice/useAttempt.js'
import { Words } from '../written/Words.js'
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
  const { target } = useAnswering(attempt, {
    own: { stop: onChange },
    onNext: unsure.passes ? onHandIn : onChange,
  })
  const verdict = unsure.passes
    ? 'It agrees. Your answer may be right, but that proves nothing.'
    : 'It differs: your answer is wrong somewhere.'
  const over = target === undefined
  return (
    <>
      <p className="faint pick-note">
        Check <Words>{toWords(readDecimal(unsure.text)!)}</Words> first. The clock is stopped.
      </p>
      <QuestionFlow
        attempt={attempt}
        target={target}
        remark={`That is not right. ${checkRemark(unsure)}`}
        truth={verdict}
      />
      {over && <p className="question">{verdict}</p>}
      <div className="row keys-line">
        {over && (
          <KeyButton label="Hand it in" onPress={onHandIn} main={unsure.passes} focused={unsure.passes} />
        )}
        <KeyButton
          label="Change the answer"
          shortcut="Esc"
          onPress={onChange}
          main={over && !unsure.passes}
          focused={over && !unsure.passes}
        />
      </div>
    </>
  )
}
