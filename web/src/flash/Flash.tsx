import { safePace } from '@tachymetra/core/flash'
import type { SumProblem } from '@tachymetra/core/problem'
import { type Item, MOST_ITEMS, plainRecipe, type Recipe, stairOf } from '@tachymetra/core/set'
import { type ReactNode, useEffect, useState } from 'react'
import { ownSession } from '../data/begin.js'
import { changeLearner, useLearnerSettings } from '../data/learnerSettings.js'
import {
  changeSettings,
  currentSettings,
  type FlashSettings as Settings,
  useSettings,
} from '../data/settings.js'
import { OneLearner } from '../frame/OneLearner.js'
import { Trouble } from '../frame/Trouble.js'
import { endHere } from '../kept/kept.js'
import type { LocalSession } from '../kept/store.js'
import { Player } from '../player/Player.js'
import { answersOf, usePractice } from '../practice/usePractice.js'
import { wakeSound } from '../sound/sound.js'
import { Answer, type ShownList } from './Answer.js'
import { FlashSettings } from './FlashSettings.js'

/** Numbers that come one by one and are summed in the mind. */
export default function Flash() {
  return <OneLearner>{({ id, name }) => <Round key={id} learnerId={id} name={name} />}</OneLearner>
}

/** The set of lists as they are chosen: two right make them come faster, one wrong slower. */
function recipeOf({ digits, count: numbers, minus, showMs, run }: Settings): Recipe {
  const source = { kind: 'flash', digits, numbers, minus, count: MOST_ITEMS } as const
  return { ...plainRecipe([source], 'answer'), rule: { kind: 'staircase', showMs, run } }
}

/** Is a set still the one that is chosen, with its lists coming as fast as they do by now? */
function isChosen({ recipe, attempts }: LocalSession, flash: Settings): boolean {
  const stair = stairOf(recipe, answersOf({ attempts }))
  return (
    JSON.stringify(recipeOf(flash).sources) === JSON.stringify(recipe.sources) &&
    stair?.showMs === flash.showMs &&
    stair.run === flash.run
  )
}

function Round({ learnerId, name }: { readonly learnerId: string; readonly name: string }) {
  const { flash } = useSettings()
  const { cautions } = useLearnerSettings(learnerId)
  // The set that is practised: another one once lists are chosen otherwise, or all are done.
  const [set, setSet] = useState<LocalSession>()
  const [choosing, setChoosing] = useState(true)
  // What a reload or another page has cut off is kept as it was left.
  useEffect(() => {
    void endHere()
  }, [])
  const another = () => {
    wakeSound()
    setSet(ownSession(learnerId, recipeOf(currentSettings().flash)))
    setChoosing(false)
  }
  const head = (
    <h1>
      Flash and tape{' '}
      <span className="faint aside">
        for <bdi>{name}</bdi>
      </span>
    </h1>
  )
  const settings = (start: () => void) => (
    <div className="stack loose">
      {head}
      <FlashSettings
        flash={flash}
        cautions={cautions}
        onCautions={(next) => changeLearner(learnerId, { cautions: next })}
        onStart={start}
      />
    </div>
  )
  if (!set) return settings(another)
  return (
    <Lists
      key={set.id}
      set={set}
      head={head}
      choosing={choosing ? settings : undefined}
      onChoosing={setChoosing}
      onOther={another}
    />
  )
}

type Stage =
  | { readonly at: 'showing'; readonly slow: boolean }
  | { readonly at: 'answer'; readonly list: ShownList }

const sumOf = (item: Item | undefined): SumProblem => {
  if (item?.kind !== 'problem' || item.problem.kind !== 'sum') throw new RangeError('A list is a sum.')
  return item.problem
}

/** One list of a set after another: one that has been shown does not come again, answered or not. */
function Lists(props: {
  readonly set: LocalSession
  readonly head: ReactNode
  /** What is chosen from, while that is looked at. */
  readonly choosing: ((start: () => void) => ReactNode) | undefined
  readonly onChoosing: (choosing: boolean) => void
  readonly onOther: () => void
}) {
  const { set, head, choosing, onChoosing, onOther } = props
  const { flash } = useSettings()
  const { cautions } = useLearnerSettings(set.learnerId)
  const practice = usePractice(set)
  const { session, n = 1, item, turn } = practice
  const [stage, setStage] = useState<Stage>({ at: 'showing', slow: false })
  const pace = cautions.lifted ? { showMs: flash.showMs, gapMs: flash.gapMs } : safePace(flash)
  const show = (slow: boolean) => {
    wakeSound()
    setStage({ at: 'showing', slow })
    onChoosing(false)
  }
  const next = () => {
    if (n >= MOST_ITEMS || !isChosen(practice.session, currentSettings().flash)) return onOther()
    practice.goTo(n + 1)
    show(false)
  }
  if (choosing) return choosing(next)
  if (stage.at === 'showing')
    return (
      <Player
        problem={sumOf(item)}
        way={flash.way}
        pace={stage.slow ? { showMs: 2 * pace.showMs, gapMs: 2 * pace.gapMs } : pace}
        sound={flash.sound}
        onStop={() => onChoosing(true)}
        onDone={(shown) => {
          if (stage.slow) onChoosing(true)
          else setStage({ at: 'answer', list: { problem: sumOf(item), shown } })
        }}
      />
    )
  return (
    <div className="stack loose">
      {head}
      {practice.trouble && <Trouble error={practice.trouble} />}
      <Answer
        key={turn}
        session={session}
        n={n}
        list={stage.list}
        onHappened={(record, verdict) => {
          practice.happened(record, verdict)
          if (verdict?.outcome !== 'done') return
          // The next list may come faster or slower.
          const stair = stairOf(set.recipe, [...answersOf(session), { n, right: verdict.right }])
          if (stair) changeSettings({ flash: { ...flash, ...stair } })
        }}
        onNext={next}
        onSlow={() => show(true)}
        onSettings={() => onChoosing(true)}
      />
    </div>
  )
}
