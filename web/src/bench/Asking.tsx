import { toText } from '@tachymetra/core/number'
import { openStep } from '@tachymetra/core/session'
import { useNeeds } from '../data/needs.js'
import { Entry } from '../entry/Entry.js'
import { KeyButton } from '../entry/KeyButton.js'
import { Keypad } from '../entry/Keypad.js'
import type { AttemptOnScreen } from '../practice/useAttempt.js'
import { aloud } from '../words/words.js'
import { Done, FRAME_NOTES, FRAME_NOTES_ALONE, Hint, questionOf, Said } from '../working/saying.js'
import { Words } from '../written/Words.js'
import { written } from '../written/written.js'
import type { BenchFrame } from './useFrame.js'
import './bench.css'

/** What is asked, where it is entered, and what is said to it. */
export function Asking(props: {
  readonly attempt: AttemptOnScreen
  readonly explained: string | undefined
  readonly frame: BenchFrame
  /** What is typed stands on the place rule. */
  readonly inPlace: boolean
  readonly onKey: (key: string) => void
  readonly onEnter: () => void
}) {
  const { attempt, explained, frame, inPlace, onKey, onEnter } = props
  const { progress, typing, notice } = attempt
  const { onFrame, beads, fade } = frame
  const { keypad, calm, ownAbacus } = useNeeds()
  const step = openStep(progress)
  const kind = attempt.question()?.kind
  if (progress.outcome !== undefined || !kind)
    return (
      <div className="said" id="said">
        <Done progress={progress} calm={calm} />
      </div>
    )
  const question = questionOf(progress)
  return (
    <>
      <p className="question" id="question">
        <Words>{question}</Words>
        {progress.hintOpen && <Hint progress={progress} />}
      </p>
      {step?.picks && <p className="faint pick-note">Or tap the digits you take and press Enter.</p>}
      {frame.abacus && ownAbacus && !frame.reading && (
        <p className="faint pick-note frame-note">
          Move the beads on your own abacus and type what it shows.
        </p>
      )}
      {onFrame && (
        <p className="faint pick-note frame-note">
          <Words>{step ? FRAME_NOTES[fade.level] : FRAME_NOTES_ALONE[fade.level]}</Words>
        </p>
      )}
      <Entry
        kind={kind}
        text={onFrame ? toText(beads.value()) : typing.text}
        label={written(aloud(question)) || 'Your entry'}
        describedBy="problem"
        hidden={onFrame}
        inPlace={inPlace}
        onKey={onKey}
        onChoose={(letter) => {
          attempt.clear()
          attempt.press(letter)
          onEnter()
        }}
        onErase={attempt.erase}
        onEnter={onEnter}
      >
        <div className="said" id="said">
          {notice ? (
            <p className="said-slip">
              <Words>{notice}</Words>
            </p>
          ) : beads.said && onFrame ? (
            <p className="said-slip">
              <Words>{beads.said}</Words>
            </p>
          ) : (
            <Said progress={progress} explained={explained} />
          )}
        </div>
      </Entry>
      {onFrame &&
        keypad &&
        (step ? (
          <div className="row keys-line">
            <KeyButton label="Check" onPress={onEnter} main />
          </div>
        ) : (
          <Keypad
            keys={kind.keys}
            onKey={beads.digit}
            onErase={beads.erase}
            enter={{ label: 'Check', act: onEnter }}
          />
        ))}
    </>
  )
}
