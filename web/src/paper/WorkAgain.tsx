import { type Exercise, openQuestion } from '@tachymetra/core/session'
import { Entry } from '../entry/Entry.js'
import { KeyButton } from '../entry/KeyButton.js'
import { useAnswering } from '../practice/useAnswering.js'
import { useAttempt } from '../practice/useAttempt.js'
import { aloud } from '../words/words.js'
import { Done, questionOf, Said } from '../working/saying.js'
import { Words } from '../written/Words.js'
import { written } from '../written/written.js'

/** An item worked once more where it is gone through, step by step; nothing of it is recorded. */
export function WorkAgain({ exercise }: { readonly exercise: Exercise }) {
  const attempt = useAttempt({ task: exercise })
  const { progress, typing, notice } = attempt
  const kind = openQuestion(progress)?.kind
  useAnswering(attempt, { active: progress.outcome === undefined })
  if (!kind) return <Done progress={progress} calm />
  return (
    <div className="asking again">
      <p className="question">
        <Words>{questionOf(progress)}</Words>
      </p>
      <Entry
        kind={kind}
        text={typing.text}
        label={written(aloud(questionOf(progress)))}
        onKey={attempt.press}
        onChoose={attempt.enter}
        onErase={attempt.erase}
        onEnter={() => attempt.confirm()}
      >
        <div className="said" role="status">
          {notice ? (
            <p className="said-slip">
              <Words>{notice}</Words>
            </p>
          ) : (
            <Said progress={progress} explained={undefined} />
          )}
        </div>
      </Entry>
      <KeyButton label="Show" onPress={() => attempt.note('given')} />
    </div>
  )
}
