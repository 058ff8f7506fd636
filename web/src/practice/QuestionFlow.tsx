import { mistaken, moved } from '@tachymetra/core/session'
import { Entry } from '../entry/Entry.js'
import type { KeyTarget } from '../entry/useKeys.js'
import { aloud } from '../words/words.js'
import { Mark } from '../working/Mark.js'
import { Words } from '../written/Words.js'
import { Told } from './Told.js'
import type { AttemptOnScreen } from './useAttempt.js'
import './question-flow.css'

/** What was answered so far, and the question that is open. */
export function QuestionFlow(props: {
  readonly attempt: AttemptOnScreen
  readonly target: KeyTarget | undefined
  /** Id of what describes what is looked at. */
  readonly describedBy?: string
  /** What is said to the last entry where it was wrong. */
  readonly remark: string | undefined
  /** What there is to say once all is answered. */
  readonly truth: string
}) {
  const { attempt, target, describedBy, remark, truth } = props
  const { progress, typing, notice } = attempt
  const question = attempt.question()
  const last = progress.entries.at(-1)
  const said = last && mistaken(last) ? remark : notice
  const right = last && moved(last) ? 'Right.' : undefined
  const words = question ? (said ?? (right && `${right} ${question.ask}`)) : truth
  const { task } = progress
  const answered = 'questions' in task && task.questions.length > 1 ? progress.entries.filter(moved) : []
  return (
    <>
      <Told words={words && aloud(words)} turn={progress.entries.length} />
      <ul className="plain-list answered">
        {answered.map((entry) => {
          const { ask, kind } = 'questions' in task ? task.questions[entry.step - 1]! : question!
          return (
            <li key={entry.step}>
              <Mark right /> <Words>{ask}</Words>{' '}
              <strong>
                <Words>{kind.say(kind.read(entry.text)!)}</Words>
              </strong>
              {entry.verdict === 'given' && <span className="faint"> shown</span>}
            </li>
          )
        })}
      </ul>
      {question && target && (
        <div key={progress.answered.filter(Boolean).length}>
          <p className="question" id="question">
            <Words>{question.ask}</Words>
          </p>
          <Entry
            kind={question.kind}
            text={typing.text}
            labelledBy="question"
            {...(describedBy && { describedBy })}
            onKey={target.press}
            onChoose={attempt.enter}
            onErase={attempt.erase}
            onEnter={() => attempt.confirm()}
          >
            <p className="said" aria-hidden="true">
              {said && said === remark && <Mark right={false} />} <Words>{said}</Words>
            </p>
          </Entry>
        </div>
      )}
    </>
  )
}
