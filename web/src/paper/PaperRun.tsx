import { techniqueById } from '@tachymetra/core/registry'
import type { DoneAttempt, Exercise } from '@tachymetra/core/session'
import { deadlineOf, type Item } from '@tachymetra/core/set'
import { variantOf } from '@tachymetra/core/technique'
import { extraTimeWords } from '@tachymetra/core/words'
import { useMemo, useRef, useState } from 'react'
import { useNeeds } from '../data/needs.js'
import { useSettings } from '../data/settings.js'
import { Trouble } from '../frame/Trouble.js'
import type { LocalSession } from '../kept/store.js'
import { useTimeLimit } from '../practice/timers.js'
import type { Practice } from '../practice/usePractice.js'
import { Words } from '../written/Words.js'
import { HandIn } from './HandIn.js'
import { PaperItem } from './PaperItem.js'
import { Ticks } from './Ticks.js'
import { TimeBar } from './TimeBar.js'
import { useAway } from './useAway.js'

/** A paper being worked: item after item, nothing said, until all are done, the time is up or it is handed in. */
export function PaperRun({ practice }: { readonly practice: Practice }) {
  const { session, n = 0, items, item, turn } = practice
  const { recipe, attempts } = session
  const { clock } = useSettings()
  const { calm } = useNeeds()
  const exercise = useExerciseOf(session, item)
  const [handing, setHanding] = useState(false)
  const worked = useRef<{ stop(): void }>(null)
  const away = useAway(session, n)
  const over = useRef(false)
  const finish = () => {
    if (over.current) return
    over.current = true
    worked.current?.stop()
    practice.finish()
  }
  const begun = Date.parse(session.startedAt)
  const until = deadlineOf(recipe, { item: begun, whole: begun })
  useTimeLimit(until, finish)
  const extra = extraTimeWords(recipe.extraTime)
  if (!exercise) return null
  return (
    <div className="paper-run">
      <div className="row spread">
        <h1>
          <bdi>{recipe.paper!.name}</bdi>{' '}
          <span className="faint aside">
            item {n} of {items.length}
          </span>
        </h1>
        {until !== undefined && !calm && <TimeBar begun={begun} until={until} shown={clock} />}
      </div>
      {extra && (
        <p className="faint">
          <Words>{extra}</Words>
        </p>
      )}
      {practice.trouble && <Trouble error={practice.trouble} />}
      {away && (
        <p role="status" className="advice">
          <Words>{away}</Words>
        </p>
      )}
      <PaperItem
        key={turn}
        ref={worked}
        exercise={exercise}
        session={session}
        n={n}
        open={session.open?.n === n ? session.open : undefined}
        onHappened={(record, verdict) => {
          practice.happened(record, verdict)
          if (verdict && !over.current) practice.next()
        }}
        onHandIn={() => setHanding(!handing)}
        keysOn={!handing}
      />
      {handing && (
        <HandIn left={items.length - answered(attempts).size} onYes={finish} onNo={() => setHanding(false)} />
      )}
      <Ticks
        count={items.length}
        at={n}
        attempts={attempts}
        onGo={recipe.paper!.back ? practice.goTo : undefined}
      />
    </div>
  )
}

/** Items that have an answer. */
const answered = (attempts: readonly DoneAttempt[]) =>
  new Set(attempts.flatMap(({ record, verdict }) => (verdict.outcome === 'done' ? [record.n] : [])))

/** The item as it is worked by this learner; the same one as long as it stands there. */
function useExerciseOf({ variants }: LocalSession, item: Item | undefined): Exercise | undefined {
  return useMemo(() => {
    if (item?.kind !== 'problem') return undefined
    const technique = techniqueById(item.technique)
    const variant = variantOf(technique, variants?.[item.technique])
    return { technique, variant, level: item.level, support: 'answer', problem: item.problem }
  }, [variants, item])
}
