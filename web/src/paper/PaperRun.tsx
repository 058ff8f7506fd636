import { techniqueById } from '@tachymetra/core/registry'
import type { Exercise } from '@tachymetra/core/session'
import { deadlineOf, itemsOf } from '@tachymetra/core/set'
import { variantOf } from '@tachymetra/core/technique'
import { extraTimeWords } from '@tachymetra/core/words'
import { useEffect, useMemo, useRef, useState } from 'react'
import { useNeeds } from '../data/needs.js'
import { flush, handInAttempt } from '../data/outbox.js'
import { changeSettings, currentSettings, useSettings } from '../data/settings.js'
import { endSession, type LocalAttempt, type LocalSession } from '../data/store.js'
import { Trouble } from '../parts/Trouble.js'
import { useTimeLimit } from '../parts/useTimeLimit.js'
import { HandIn } from './HandIn.js'
import { PaperItem } from './PaperItem.js'
import { Ticks } from './Ticks.js'
import { TimeBar } from './TimeBar.js'
import { useAway } from './useAway.js'

/** A paper being worked: item after item, nothing said, until all are done, the time is up or it is handed in. */
export function PaperRun(props: {
  readonly session: LocalSession
  readonly onOver: (attempts: readonly LocalAttempt[]) => void
}) {
  const { session, onOver } = props
  const { recipe, learnerId } = session
  const { clock } = useSettings()
  const { calm } = useNeeds()
  const exercises = useExercises(session)
  const [attempts, setAttempts] = useState(session.attempts)
  const kept = useRef(session.attempts)
  const [open, setOpen] = useState(session.open)
  const [n, setN] = useState(
    () => session.open?.n ?? nextOf(session.attempts, exercises.length, 0, recipe.paper!.back) ?? 0,
  )
  const [handing, setHanding] = useState(false)
  const [trouble, setTrouble] = useState<Error>()
  const item = useRef<{ stop(): void }>(null)
  const over = useRef(false)
  const away = useAway(session, n)
  useEffect(() => {
    if (currentSettings().learnerId !== learnerId) changeSettings({ learnerId })
  }, [learnerId])
  const finish = () => {
    if (over.current) return
    over.current = true
    item.current?.stop()
    void endSession(session.id).then(() => flush())
    onOver(kept.current)
  }
  const begun = Date.parse(session.startedAt)
  const until = deadlineOf(recipe, { item: begun, whole: begun })
  useTimeLimit(until, finish)
  // All was done before the page was left.
  useEffect(() => {
    if (n === 0) finish()
  })
  const go = (all: readonly LocalAttempt[], from: number) => {
    const next = nextOf(all, exercises.length, from, recipe.paper!.back)
    if (next === undefined) finish()
    else setN(next)
  }
  const keep = (attempt: LocalAttempt) => {
    kept.current = [...kept.current, attempt]
    setAttempts(kept.current)
    setOpen(undefined)
    handInAttempt(attempt, { ...session, attempts: kept.current.slice(0, -1) }).catch(setTrouble)
    if (!over.current) go(kept.current, n)
  }
  const extra = extraTimeWords(recipe.extraTime)
  const exercise = exercises[n - 1]
  if (!exercise) return null
  return (
    <div className="paper-run">
      <div className="row spread">
        <h1>
          {recipe.paper!.name}{' '}
          <span className="faint aside">
            item {n} of {exercises.length}
          </span>
        </h1>
        {until !== undefined && !calm && <TimeBar begun={begun} until={until} shown={clock} />}
      </div>
      {extra && <p className="faint">{extra}</p>}
      {trouble && <Trouble error={trouble} />}
      {away && (
        <p role="status" className="advice">
          {away}
        </p>
      )}
      <PaperItem
        key={`${n} ${attempts.length}`}
        ref={item}
        exercise={exercise}
        n={n}
        sessionId={session.id}
        open={open?.n === n ? open : undefined}
        onDone={keep}
        onHandIn={() => setHanding(!handing)}
        keysOn={!handing}
      />
      {handing && (
        <HandIn
          left={exercises.length - answered(attempts).size}
          onYes={finish}
          onNo={() => setHanding(false)}
        />
      )}
      <Ticks
        count={exercises.length}
        at={n}
        attempts={attempts}
        onGo={recipe.paper!.back ? (to) => setN(to) : undefined}
      />
    </div>
  )
}

/** Items that have an answer. */
const answered = (attempts: readonly LocalAttempt[]) =>
  new Set(attempts.flatMap(({ record, verdict }) => (verdict.outcome === 'done' ? [record.n] : [])))

/** The item after one of them: the next that was not met yet, else, where one may go back, the next that was skipped. */
function nextOf(
  attempts: readonly LocalAttempt[],
  count: number,
  from: number,
  back: boolean,
): number | undefined {
  const met = new Set(attempts.map((a) => a.record.n))
  const done = answered(attempts)
  const all = Array.from({ length: count }, (_, i) => i + 1)
  const fresh = all.find((n) => !met.has(n))
  if (fresh !== undefined || !back) return fresh
  const skipped = all.filter((n) => !done.has(n))
  return skipped.find((n) => n > from) ?? skipped[0]
}

function useExercises(session: LocalSession): readonly Exercise[] {
  return useMemo(
    () =>
      itemsOf(session).flatMap((item): Exercise[] => {
        if (item?.kind !== 'problem') return []
        const technique = techniqueById(item.technique)
        const variant = variantOf(technique, session.variants?.[item.technique])
        return [{ technique, variant, level: item.level, support: 'answer', problem: item.problem }]
      }),
    [session],
  )
}
