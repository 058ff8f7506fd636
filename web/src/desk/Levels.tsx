import { adviseLevel, aimFor, aimOf } from '@tachymetra/core/curriculum'
import type { LearnerSettings } from '@tachymetra/core/learner'
import type { Technique } from '@tachymetra/core/technique'
import { levelReasonWords, ownAimWords, targetWords } from '@tachymetra/core/words'
import { useLayoutEffect, useRef } from 'react'
import { useLatest, useMoveBack, useMoveByHand, useMoves } from '../data/queries.js'
import { Words } from '../written/Words.js'
import './desk.css'

/** What the rules say of the chosen level, with their numbers; and the level in force, which may be set by hand. */
export function LevelMoves(props: {
  readonly learnerId: string
  readonly technique: Technique
  readonly level: number
  readonly inForce: number | undefined
  readonly settings: LearnerSettings
  readonly onMove: (level: number) => void
}) {
  const { learnerId, technique, level, inForce, settings, onMove } = props
  const latest = useLatest(learnerId, technique.id, level)
  const moveByHand = useMoveByHand(learnerId)
  const moveBack = useMoveBack(learnerId)
  const moved = useMoves(learnerId).data?.find((m) => m.technique === technique.id)
  if (!latest.data) return <p className="level-move faint"> </p>
  const usual = aimOf(settings, technique.id, level)
  const aim = aimFor(settings, technique.id, level, latest.data)
  const { reason } = adviseLevel(latest.data, aim, settings.rules)
  return (
    <p className="level-move">
      <Words>{levelReasonWords(reason, settings.calm)}</Words>{' '}
      <Words>
        {aim !== undefined &&
          usual !== undefined &&
          aim > usual &&
          !settings.calm &&
          `${ownAimWords(aim, usual)} `}
      </Words>
      {inForce !== undefined && inForce !== level && (
        <>
          <button type="button" className="key-button" onClick={() => onMove(inForce)}>
            Back to level {inForce}, the current one
          </button>{' '}
          <button
            type="button"
            className="key-button"
            onClick={() => moveByHand.mutate({ technique: technique.id, to: level })}
          >
            Make level {level} the current one
          </button>
        </>
      )}
      {moved && moved.to === inForce && moved.to === level && (
        <button
          type="button"
          className="key-button"
          onClick={() => {
            moveBack.mutate(moved)
            onMove(moved.from)
          }}
        >
          Undo: back to level {moved.from}, as before
        </button>
      )}
    </p>
  )
}

/** The levels of a technique, easy to hard. */
export function Ladder(props: {
  readonly technique: Technique
  readonly level: number
  readonly inForce: number | undefined
  /** The time to aim for, where that is shown. */
  readonly aim: (level: number) => number | undefined
  readonly onChange: (level: number) => void
}) {
  const { technique, level, inForce, aim, onChange } = props
  const ladder = useRef<HTMLDivElement>(null)
  // Another technique: bring its level into sight, without moving the page, before anybody can aim at a row.
  useLayoutEffect(() => {
    const box = ladder.current!
    const chosen = box.querySelector<HTMLElement>('label:has(:checked)')
    if (chosen) box.scrollTop = chosen.offsetTop - box.offsetTop - box.clientHeight / 2
  }, [technique])
  return (
    <div className="ladder" ref={ladder} role="radiogroup" aria-label="Level">
      {technique.levels.map((one, i) => (
        <label key={one.name}>
          <input type="radio" name="level" checked={i + 1 === level} onChange={() => onChange(i + 1)} />
          <span className="mono">{i + 1}</span>
          <span>
            {one.name}
            {i + 1 === inForce && <span className="faint"> (current)</span>}
          </span>
          <Aim ms={aim(i + 1)} />
        </label>
      ))}
    </div>
  )
}

function Aim({ ms }: { readonly ms: number | undefined }) {
  return ms === undefined ? null : (
    <span className="mono faint">
      <Words>{targetWords(ms)}</Words>
    </span>
  )
}
