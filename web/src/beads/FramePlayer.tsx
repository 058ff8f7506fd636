import { applyMove, type BeadWork, type Frame, frameValue, setNumber } from '@tachymetra/core/soroban'
import { useEffect, useState } from 'react'
import { useSettings } from '../data/settings.js'
import { SorobanFrame } from './SorobanFrame.js'

/** Plays the bead moves of one step, one after another, at the chosen speed. */
export function FramePlayer({
  start,
  work,
  place,
  ms,
}: {
  readonly start: Frame
  readonly work: BeadWork
  readonly place: number
  /** From one bead to the next, where it is not as fast as is set for watching. */
  readonly ms?: number
}) {
  const settings = useSettings()
  const beadMs = ms ?? settings.beadMs
  const before = setNumber(start, frameValue(work.before))
  const [played, setPlayed] = useState(0)
  useEffect(() => {
    if (played >= work.moves.length) return
    const timer = setTimeout(() => setPlayed(played + 1), beadMs)
    return () => clearTimeout(timer)
  }, [played, work, beadMs])
  const frame = work.moves.slice(0, played).reduce(applyMove, before)
  return (
    <SorobanFrame
      frame={frame}
      lit={work.kind === 'read' ? undefined : (work.moves[played]?.place ?? place)}
      finger={played >= work.moves.length ? work.finger : undefined}
      label="the frame, its beads moving"
    />
  )
}
