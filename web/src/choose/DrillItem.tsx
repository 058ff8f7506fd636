import { type DrillId, drillById } from '@tachymetra/core/drill'
import type { Times } from '@tachymetra/core/learner'
import { mistaken, openQuestion, type Progress } from '@tachymetra/core/session'
import { useState } from 'react'
import { KeyButton } from '../entry/KeyButton.js'
import { QuestionFlow } from '../practice/QuestionFlow.js'
import { useAnswering } from '../practice/useAnswering.js'
import { type ItemGiven, useDrill } from '../practice/useItem.js'
import { spoken } from '../words/spoken.js'
import { Words } from '../written/Words.js'
import { DrillStage } from './DrillStage.js'
import { type Looked, lookedAt } from './looked.js'
import { Revealed } from './Revealed.js'

interface Props extends ItemGiven {
  readonly drill: DrillId
  readonly text: string
  readonly times: Times
  readonly onNext: () => void
  readonly onStop: () => void
}

/** One item: what is looked at, its questions one after another, and what there is to say at the end. */
export function DrillItem(props: Props) {
  const { drill, text, times, onNext, onStop } = props
  const [looked] = useState(() => lookedAt(drill, text))
  const [task] = useState(() => drillById(drill)!.read(text))
  const { attempt } = useDrill({ ...props, id: drill, task })
  const { progress } = attempt
  const done = progress.outcome !== undefined
  const { act, target } = useAnswering(attempt, { offers: ['show', 'stop'], onNext, onStop })
  return (
    <>
      <DrillStage looked={looked} />
      <p className="sr-only" id="looked">
        <Words>{spoken(looked.problem)}</Words>
      </p>
      <QuestionFlow
        attempt={attempt}
        target={target}
        describedBy="looked"
        remark={remarkOn(looked, progress)}
        truth={looked.truth}
      />
      {done && <Revealed looked={looked} times={times} progress={progress} />}
      <div className="row keys-line">
        {done ? (
          <KeyButton label="Next" shortcut="Enter" onPress={onNext} main focused />
        ) : (
          <KeyButton label="Show" shortcut="S" onPress={act.show} />
        )}
        <KeyButton label="Stop" shortcut="Esc" onPress={act.stop} />
      </div>
    </>
  )
}

/** What is said to a wrong answer while its question is open. */
function remarkOn(looked: Looked, progress: Progress): string | undefined {
  const last = progress.entries.at(-1)
  if (!last || !mistaken(last) || progress.outcome !== undefined) return undefined
  const { kind } = openQuestion(progress)!
  const value = kind.read(last.text)!
  const why = looked.remark(typeof value === 'string' ? value : undefined)
  return kind.choices && why ? why : [`${kind.say(value)} is not right.`, why].filter(Boolean).join(' ')
}
