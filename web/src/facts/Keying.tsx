import { keyingOf, numbersToCopy } from '@tachymetra/core/learner'
import { Button } from 'antd'
import { useState } from 'react'
import { freshRandom } from '../data/fresh.js'
import { changeLearner } from '../data/learnerSettings.js'
import { Entry } from '../entry/Entry.js'
import { KeyButton } from '../entry/KeyButton.js'
import { Told } from '../practice/Told.js'
import { useAnswering } from '../practice/useAnswering.js'
import { useAttempt } from '../practice/useAttempt.js'
import { Mark } from '../working/Mark.js'
import { Words } from '../written/Words.js'
import './facts.css'

/** Ten shown numbers are copied: what that takes a digit is keying and not thought. */
export function Keying({ learnerId, onEnd }: { readonly learnerId: string; readonly onEnd: () => void }) {
  const [task] = useState(() => ({
    questions: numbersToCopy(freshRandom()),
    inOrder: true,
  }))
  const [found, setFound] = useState<number>()
  const attempt = useAttempt({
    task,
    byItself: true,
    onChange(events, progress) {
      if (progress.outcome !== 'done') return
      const ms = keyingOf(events, progress)
      setFound(ms)
      changeLearner(learnerId, { keying: { ms, at: new Date().toISOString() } })
    },
  })
  const asked = attempt.question()
  const last = attempt.progress.entries.at(-1)
  const wrong = last?.verdict === 'wrong'
  const toTell = asked && last && `${wrong ? 'Not this number. Copy it again: ' : ''}${asked.ask}`
  useAnswering(attempt, { own: { enter: () => found !== undefined && onEnd(), stop: onEnd } })
  if (!asked)
    return (
      <div className="stack">
        <h1>{found} ms to key a digit</h1>
        <p>From now on facts are timed by the thinking alone.</p>
        <div>
          <Button type="primary" autoFocus onClick={onEnd}>
            Back to the facts
          </Button>
        </div>
      </div>
    )
  return (
    <div className="stack fact-drill">
      <p className="faint">
        Copy the number, no Enter: {attempt.progress.answered.filter((done) => !done).length} to go
      </p>
      <h1 className="sr-only">Typing speed</h1>
      <p className="fact-ask mono" id="copy">
        <Words>{asked.ask}</Words>
      </p>
      <Told words={toTell} turn={attempt.progress.entries.length} />
      <Entry
        kind={asked.kind}
        text={attempt.typing.text}
        labelledBy="copy"
        onKey={attempt.press}
        onErase={attempt.erase}
      >
        <p className="said">
          {wrong && (
            <>
              <Mark right={false} /> Not this number. Copy it again.
            </>
          )}
        </p>
      </Entry>
      <KeyButton label="Stop" shortcut="Esc" onPress={onEnd} />
    </div>
  )
}
