import type { Shown } from '@tachymetra/core/flash'
import { add, type Decimal, fixedWords, toWords, ZERO } from '@tachymetra/core/number'
import { problemWords, type SumProblem, signed } from '@tachymetra/core/problem'
import { valueWords } from '@tachymetra/core/question'
import { OWN_LEVEL, techniqueById } from '@tachymetra/core/registry'
import { type Exercise, figuresOf } from '@tachymetra/core/session'
import { variantOf } from '@tachymetra/core/technique'
import { useState } from 'react'
import { Entry } from '../entry/Entry.js'
import { KeyButton } from '../entry/KeyButton.js'
import { Told } from '../practice/Told.js'
import { useAnswering } from '../practice/useAnswering.js'
import { type ItemGiven, useExercise } from '../practice/useItem.js'
import { aloud } from '../words/words.js'
import { Mark } from '../working/Mark.js'
import { answerGiven, Said, saidWords, verdictWords } from '../working/saying.js'
import { Words } from '../written/Words.js'
import './flash.css'

const technique = techniqueById('flash-sum')

/** A list that has been shown. */
export interface ShownList {
  readonly problem: SumProblem
  readonly shown: Shown
}

interface Props extends ItemGiven {
  readonly list: ShownList
  readonly onNext: () => void
  readonly onSlow: () => void
  readonly onSettings: () => void
}

/** The sum is asked; afterwards the list stands there with its running totals. */
export function Answer(props: Props) {
  const { list, onNext, onSlow, onSettings } = props
  const { problem, shown } = list
  const [exercise] = useState(
    (): Exercise => ({
      technique,
      variant: variantOf(technique),
      level: OWN_LEVEL,
      support: 'answer',
      problem,
    }),
  )
  const { attempt, explained } = useExercise({ ...props, exercise, support: 'answer', shown })
  const { progress } = attempt
  const done = progress.outcome !== undefined
  const kind = attempt.question()?.kind
  const { act } = useAnswering(attempt, {
    offers: ['show', 'stop'],
    more: done ? { r: onSlow } : {},
    onNext,
    onStop: onSettings,
  })
  const outcome = `${verdictWords(progress)}: ${valueWords(answerGiven(progress))}`
  const toTell = aloud(done ? `${outcome}.` : (attempt.notice ?? saidWords(progress, explained) ?? ''))
  const said = (
    <div className="said">
      {done && (
        <p className={figuresOf(progress).right ? 'said-right' : ''}>
          {figuresOf(progress).right && <Mark right />} <Words>{outcome}</Words>
        </p>
      )}
      {attempt.notice ? (
        <p className="said-slip">
          <Words>{attempt.notice}</Words>
        </p>
      ) : (
        <Said progress={progress} explained={explained} />
      )}
    </div>
  )
  return (
    <div className="stack flash-answer">
      <Told words={toTell} turn={progress.entries.length} />
      {kind ? (
        <>
          <p className="question" id="question">
            What is the sum?
          </p>
          <Entry
            kind={kind}
            text={attempt.typing.text}
            labelledBy="question"
            onKey={attempt.press}
            onErase={attempt.erase}
            onEnter={act.enter}
          >
            {said}
          </Entry>
          <div className="row keys-line">
            <KeyButton label="Show the sum" shortcut="S" onPress={() => attempt.note('given')} />
            <KeyButton label="Settings" shortcut="Esc" onPress={act.stop} />
          </div>
        </>
      ) : (
        <>
          {said}
          <Afterwards list={list} onNext={onNext} onSlow={onSlow} onSettings={onSettings} />
        </>
      )}
    </div>
  )
}

/** The list with its running totals, and what may come next. */
function Afterwards(props: {
  readonly list: ShownList
  readonly onNext: () => void
  readonly onSlow: () => void
  readonly onSettings: () => void
}) {
  const { list, onNext, onSlow, onSettings } = props
  const { problem, shown } = list
  return (
    <>
      <div className="row keys-line">
        <KeyButton label="Next list" shortcut="Enter" onPress={onNext} main focused />
        <KeyButton label="Again at half speed" shortcut="R" onPress={onSlow} />
        <KeyButton label="Settings" shortcut="Esc" onPress={onSettings} />
      </div>
      <RunningTotals problem={problem} />
      {shown.way === 'flash' && (
        <p className="faint">
          {shown.showMs} ms each, {shown.gapMs} ms between; shown within{' '}
          <Words>{fixedWords(shown.worstMs)}</Words> ms of plan.
        </p>
      )}
    </>
  )
}

function RunningTotals({ problem }: { readonly problem: SumProblem }) {
  let total: Decimal = ZERO
  return (
    <table className="running-totals mono">
      <caption className="sr-only">
        The list with its running totals: <Words>{problemWords(problem)}</Words>
      </caption>
      <thead>
        <tr>
          <th scope="col">number</th>
          <th scope="col">total</th>
        </tr>
      </thead>
      <tbody>
        {problem.terms.map((term, i) => {
          total = add(total, signed(term))
          return (
            <tr key={i}>
              <td>
                {term.sign < 0 ? '−' : ''}
                <Words>{toWords(term.size)}</Words>
              </td>
              <td>
                <Words>{toWords(total)}</Words>
              </td>
            </tr>
          )
        })}
      </tbody>
    </table>
  )
}
