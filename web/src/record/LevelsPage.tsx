import { isKnown, masteryOf } from '@tachymetra/core/curriculum'
import { techniqueById } from '@tachymetra/core/registry'
import type { MoveWire } from '@tachymetra/core/wire'
import { count, levelReasonWords, MASTERY_NAMES } from '@tachymetra/core/words'
import { Button } from 'antd'
import { useState } from 'react'
import { PlainTable } from '../charts/PlainTable.js'
import { useLearnerSettings } from '../data/learnerSettings.js'
import { useMoveBack, useMoves, useProgress } from '../data/queries.js'
import { Loading } from '../frame/Loading.js'
import { Trouble } from '../frame/Trouble.js'
import { when } from '../words/words.js'
import { Words } from '../written/Words.js'
import { useItsLearner } from './Record.js'
import { TechniqueChoice } from './TechniqueChoice.js'
import { useChosenTechnique } from './useChosen.js'

const SHOWN_MOVES = 10

/** How far a learner is with every technique, and every change of level with its reason. */
export default function LevelsPage() {
  const learner = useItsLearner()
  const settings = useLearnerSettings(learner.id)
  const progress = useProgress(learner.id)
  const moves = useMoves(learner.id)
  const failed = [progress, moves].find((q) => q.isLoadingError)
  if (failed) return <Trouble error={failed.error!} retry={() => failed.refetch()} />
  if (!progress.data || !moves.data) return <Loading />
  const { latest, past, moves: current } = progress.data
  const now = new Date().toISOString()
  const begun = masteryOf({ ...settings, latest, past, now, moves: current }).filter((m) => m.worked)
  const known = begun.filter(isKnown).length
  return (
    <div className="side-by-side">
      <section className="stack" aria-labelledby="levels">
        <h2 id="levels">Levels now</h2>
        <p>
          {count(begun.length, 'technique')} practised, {known} of them known.
        </p>
        <PlainTable
          title="By technique"
          columns={['Technique', 'Level', 'How it stands']}
          rows={begun.map(({ technique, state, worked }) => {
            const level = current.find((m) => m.technique === technique.id)?.to ?? worked!.level
            return [technique.name, `${level} of ${technique.levels.length}`, MASTERY_NAMES[state]]
          })}
        />
      </section>
      <Moves all={moves.data} />
    </div>
  )
}

function Moves({ all }: { readonly all: readonly MoveWire[] }) {
  const learner = useItsLearner()
  const [technique, choose] = useChosenTechnique()
  const moveBack = useMoveBack(learner.id)
  const [whole, setWhole] = useState(false)
  const its = all.filter((m) => !technique || m.technique === technique)
  const latest = (m: MoveWire) => all.find((o) => o.technique === m.technique) === m
  return (
    <section className="stack" aria-labelledby="moves">
      <div className="row">
        <h2 id="moves">Changes of level</h2>
        <TechniqueChoice learner={learner} chosen={technique} all="all techniques" onChoose={choose} />
      </div>
      {its.length === 0 ? (
        <p>None yet.</p>
      ) : (
        <ul className="plain-list moves">
          {its.slice(0, whole ? its.length : SHOWN_MOVES).map((m) => (
            <li key={m.id}>
              <span className="faint">{when(m.at, learner.timeZone)}</span>{' '}
              <strong>
                {techniqueById(m.technique).name}: level {m.from} to {m.to}
              </strong>{' '}
              <Words>{levelReasonWords(m.reason)}</Words>{' '}
              {latest(m) && (
                <button type="button" className="key-button" onClick={() => moveBack.mutate(m)}>
                  Undo
                  <span className="sr-only">
                    : {techniqueById(m.technique).name} to level {m.from}
                  </span>
                </button>
              )}
            </li>
          ))}
        </ul>
      )}
      {its.length > SHOWN_MOVES && !whole && (
        <div>
          <Button onClick={() => setWhole(true)}>All {its.length}</Button>
        </div>
      )}
    </section>
  )
}
