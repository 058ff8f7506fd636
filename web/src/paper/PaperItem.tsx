import { type Exercise, openQuestion, passedOver } from '@tachymetra/core/session'
import { formAsked, isStarred } from '@tachymetra/core/set'
import { type Ref, useImperativeHandle } from 'react'
import { useNeeds } from '../data/needs.js'
import { changeSettings, useSettings } from '../data/settings.js'
import { Entry } from '../entry/Entry.js'
import { KeyButton } from '../entry/KeyButton.js'
import { Told } from '../practice/Told.js'
import { useAnswering } from '../practice/useAnswering.js'
import { type ItemGiven, useExercise } from '../practice/useItem.js'
import { spoken } from '../words/spoken.js'
import { aloud } from '../words/words.js'
import { ItemLine } from '../working/ItemLine.js'
import { saidWords } from '../working/saying.js'
import { Words } from '../written/Words.js'
import { useSeen } from './useAway.js'

interface Props extends ItemGiven {
  readonly ref: Ref<{ stop(): void }>
  readonly exercise: Exercise
  readonly onHandIn: () => void
  /** Keys act on the item; not while it is asked whether to hand in. */
  readonly keysOn: boolean
}

/** One item of a paper: the first answer stands, right or wrong. */
export function PaperItem(props: Props) {
  const { ref, exercise, n, onHandIn, keysOn } = props
  const { clock } = useSettings()
  const { calm } = useNeeds()
  const { attempt } = useExercise({ ...props, support: 'answer' })
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
  const kind = question?.kind
  const { act } = useAnswering(attempt, {
    offers: ['skip', 'clock'],
    own: { enter: confirm, stop: onHandIn },
    active: keysOn,
  })
  const said = attempt.notice ?? saidWords(attempt.progress, undefined)
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
          <Words>{formAsked(question.ask)}</Words>
        </p>
      </div>
      <Told
        words={said && aloud(said)}
        turn={attempt.progress.entries.length}
        first={`Item ${n}: ${spoken(exercise.problem)}. ${formAsked(question.ask)}`}
      />
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
            {said && (
              <p className="said-slip">
                <Words>{said}</Words>
              </p>
            )}
          </div>
        </Entry>
      </div>
      <div className="row keys-line">
        <KeyButton label="Skip" shortcut="N" onPress={act.skip} />
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
