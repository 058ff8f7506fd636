import { type Exercise, openQuestion, passedOver } from '@tachymetra/core/session'
import { formAsked, isStarred } from '@tachymetra/core/set'
import { type Ref, useImperativeHandle } from 'react'
import { useNeeds } from '../data/needs.js'
import { changeSettings, useSettings } from '../data/settings.js'
import type { LocalAttempt } from '../data/store.js'
import { Entry } from '../parts/Entry.js'
import { ItemLine } from '../parts/ItemLine.js'
import { KeyButton } from '../parts/KeyButton.js'
import { saidWords } from '../parts/saying.js'
import { spoken } from '../parts/spoken.js'
import { useKeys } from '../parts/useKeys.js'
import { useRecording } from '../parts/useRecording.js'
import { useTold } from '../parts/useTold.js'
import { aloud } from '../parts/words.js'
import { useSeen } from './useAway.js'

interface Props {
  readonly ref: Ref<{ stop(): void }>
  readonly exercise: Exercise
  readonly n: number
  readonly sessionId: string
  readonly open: LocalAttempt['record'] | undefined
  readonly onDone: (attempt: LocalAttempt) => void
  readonly onHandIn: () => void
  /** Keys act on the item; not while it is asked whether to hand in. */
  readonly keysOn: boolean
}

/** One item of a paper: the first answer stands, right or wrong. */
export function PaperItem(props: Props) {
  const { ref, exercise, n, sessionId, open, onDone, onHandIn, keysOn } = props
  const { clock } = useSettings()
  const { calm } = useNeeds()
  const { attempt } = useRecording({
    exercise,
    support: 'answer',
    n,
    sessionId,
    open,
    onOpen: () => undefined,
    onDone,
  })
  // What was begun when the time was up is kept as it was left.
  useImperativeHandle(ref, () => ({
    stop() {
      const { progress, typing } = attempt.latest()
      if (progress.outcome === undefined && (progress.entries.length > 0 || typing.text !== ''))
        attempt.note('timed-out')
    },
  }))
  useSeen((seen) => {
    if (attempt.latest().progress.outcome === undefined) attempt.note(seen ? 'back' : 'left')
  })
  const question = openQuestion(attempt.progress)
  const confirm = () => {
    attempt.confirm()
    handIn()
  }
  const handIn = () => {
    const { progress } = attempt.latest()
    const last = progress.entries.at(-1)
    // A right value in another form is told; anything else is the answer.
    if (progress.outcome === undefined && last && !passedOver(last)) attempt.note('handed-in')
  }
  const press = (key: string) => attempt.press(key)
  const choose = (letter: string) => {
    attempt.enter(letter)
    handIn()
  }
  const skip = () => attempt.progress.outcome === undefined && attempt.note('skipped')
  const kind = question?.kind
  useKeys(
    {
      n: skip,
      t: () => changeSettings({ clock: !clock }),
      Enter: confirm,
      Backspace: attempt.erase,
      Escape: onHandIn,
    },
    kind && { keys: [...kind.keys, ...(kind.alsoTyped ?? [])], press },
    keysOn,
  )
  const said = attempt.notice ?? saidWords(attempt.progress, undefined)
  const told = useTold(aloud(said ?? ''), attempt.progress.entries.length)
  if (!kind) return null
  const starred = isStarred({ technique: exercise.technique.id })
  return (
    <>
      <div className={`paper-item${starred ? ' starred' : ''}`}>
        {starred && (
          <span className="star" role="img" aria-label="an estimate">
            ★
          </span>
        )}
        <ItemLine problem={exercise.problem} />
        <p className="faint" id="asked">
          {formAsked(question.ask)}
        </p>
      </div>
      <p className="sr-only" role="status">
        {told || `Item ${n}: ${spoken(exercise.problem)}. ${formAsked(question.ask)}`}
      </p>
      <div className="asking">
        <Entry
          kind={kind}
          text={attempt.typing.text}
          label={`Item ${n}`}
          describedBy="asked"
          onKey={press}
          onChoose={choose}
          onErase={attempt.erase}
          onEnter={confirm}
        >
          <div className="said" id="said">
            {said && <p className="said-slip">{said}</p>}
          </div>
        </Entry>
      </div>
      <div className="row keys-line">
        <KeyButton label="Skip" shortcut="N" onPress={skip} />
        {!calm && (
          <KeyButton
            label={clock ? 'Hide the bar' : 'Show the bar'}
            shortcut="T"
            onPress={() => changeSettings({ clock: !clock })}
          />
        )}
        <KeyButton label="Hand in" shortcut="Esc" onPress={onHandIn} />
      </div>
    </>
  )
}
