import { safePace } from '@tachymetra/core/flash'
import type { SumProblem } from '@tachymetra/core/problem'
import { type AttemptRecord, figuresOf, type Progress } from '@tachymetra/core/session'
import { type ItemAnswer, MOST_ITEMS, plainRecipe, type Recipe, stairOf } from '@tachymetra/core/set'
import { useEffect, useRef, useState } from 'react'
import { changeLearner, useLearnerSettings } from '../data/learnerSettings.js'
import { flush } from '../data/outbox.js'
import { changeSettings, type FlashSettings as Settings, useSettings } from '../data/settings.js'
import { beginVisit, finishVisited, keepVisited, type Visit } from '../data/visited.js'
import { OneLearner } from '../parts/OneLearner.js'
import { Player } from '../parts/Player.js'
import { wakeSound } from '../parts/sound.js'
import { Trouble } from '../parts/Trouble.js'
import { Answer, type ShownList } from './Answer.js'
import { FlashSettings } from './FlashSettings.js'

type Stage =
  | { readonly at: 'settings' }
  | { readonly at: 'showing'; readonly problem: SumProblem; readonly slow: boolean }
  | { readonly at: 'answer'; readonly list: ShownList }

/** Numbers that come one by one and are summed in the mind. */
export default function Flash() {
  return <OneLearner>{({ id, name }) => <Round key={id} learnerId={id} name={name} />}</OneLearner>
}

/** The set of lists as they are chosen: two right make them come faster, one wrong slower. */
function recipeOf({ digits, count: numbers, minus, showMs, run }: Settings): Recipe {
  const source = { kind: 'flash', digits, numbers, minus, count: MOST_ITEMS } as const
  return { ...plainRecipe([source], 'answer'), rule: { kind: 'staircase', showMs, run } }
}

/** The set that is practised: another one once lists are chosen otherwise, or all are done. */
function useFlashSet(learnerId: string, flash: Settings) {
  const visit = useRef<Visit>(undefined)
  const answers = useRef<readonly ItemAnswer[]>([])
  const shown = useRef(0)
  return {
    /** The next list: one that has been shown does not come again, answered or not. */
    next(): { readonly visit: Visit; readonly n: number; readonly problem: SumProblem } {
      const now = visit.current
      const stair = now && stairOf(now.start.recipe, answers.current)
      const [is, was] = [recipeOf(flash).sources, now?.start.recipe.sources]
      const same =
        JSON.stringify(is) === JSON.stringify(was) &&
        stair?.showMs === flash.showMs &&
        stair.run === flash.run &&
        shown.current < MOST_ITEMS
      if (!same) {
        visit.current = beginVisit(learnerId, recipeOf(flash))
        answers.current = []
        shown.current = 0
      }
      shown.current += 1
      const n = shown.current
      const item = visit.current!.items[n - 1]
      if (item?.kind !== 'problem' || item.problem.kind !== 'sum') throw new RangeError('A list is a sum.')
      return { visit: visit.current!, n, problem: item.problem }
    },
    /** One more answer: the next list may come faster or slower. */
    answered(n: number, right: boolean): void {
      answers.current = [...answers.current, { n, right }]
      const stair = stairOf(visit.current!.start.recipe, answers.current)
      if (stair) changeSettings({ flash: { ...flash, ...stair } })
    },
  }
}

function Round({ learnerId, name }: { readonly learnerId: string; readonly name: string }) {
  const { flash } = useSettings()
  const { cautions } = useLearnerSettings(learnerId)
  const [stage, setStage] = useState<Stage>({ at: 'settings' })
  const [trouble, setTrouble] = useState<Error>()
  const set = useFlashSet(learnerId, flash)
  const current = useRef<ReturnType<typeof set.next>>(undefined)
  const pace = cautions.lifted ? { showMs: flash.showMs, gapMs: flash.gapMs } : safePace(flash)

  // What a reload or another page has cut off is kept as it was left.
  useEffect(() => {
    void finishVisited().then(flush)
  }, [])
  const begin = () => {
    wakeSound()
    current.current = set.next()
    setStage({ at: 'showing', problem: current.current.problem, slow: false })
  }
  const again = (problem: SumProblem) => {
    wakeSound()
    setStage({ at: 'showing', problem, slow: true })
  }
  const keep = (progress: Progress, record: AttemptRecord) => {
    const { visit, n } = current.current!
    if (progress.outcome === 'done') set.answered(n, figuresOf(progress).right)
    keepVisited(visit, progress, record).catch(setTrouble)
  }

  if (stage.at === 'showing') {
    const { problem, slow } = stage
    return (
      <Player
        problem={problem}
        way={flash.way}
        pace={slow ? { showMs: 2 * pace.showMs, gapMs: 2 * pace.gapMs } : pace}
        sound={flash.sound}
        onStop={() => setStage({ at: 'settings' })}
        onDone={(shown) => {
          const { visit, n } = current.current!
          const list = { id: crypto.randomUUID(), sessionId: visit.id, n, problem, shown }
          setStage(slow ? { at: 'settings' } : { at: 'answer', list })
        }}
      />
    )
  }
  return (
    <div className="stack loose">
      <h1>
        Flash and tape <span className="faint aside">for {name}</span>
      </h1>
      {trouble && <Trouble error={trouble} />}
      {stage.at === 'answer' ? (
        <Answer
          key={stage.list.id}
          list={stage.list}
          onDone={keep}
          onNext={begin}
          onSlow={() => again(stage.list.problem)}
          onSettings={() => setStage({ at: 'settings' })}
        />
      ) : (
        <FlashSettings
          flash={flash}
          cautions={cautions}
          onCautions={(next) => changeLearner(learnerId, { cautions: next })}
          onStart={begin}
        />
      )}
    </div>
  )
}
