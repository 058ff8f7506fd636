import type { Problem } from '@tachymetra/core/problem'
import { asDecimal } from '@tachymetra/core/question'
import {
  type AbacusTechnique,
  beadWorkOf,
  clearFrame,
  frameOf,
  frameValue,
  leftStanding,
  setNumber,
} from '@tachymetra/core/soroban'
import type { Trace } from '@tachymetra/core/technique'
import { useMemo } from 'react'
import { FramePlayer } from '../beads/FramePlayer.js'
import { SorobanFrame } from '../beads/SorobanFrame.js'
import { useSettings } from '../data/settings.js'

/** A whole room follows each bead. */
const SLOW_MS = 1100

/** The frame as it stands after so many steps; a step that is told moves its beads, one after another. */
export function Beads(props: {
  readonly technique: AbacusTechnique
  readonly problem: Problem
  readonly work: Trace
  readonly n: number
  readonly told: boolean
  readonly ended: boolean
}) {
  const { technique, problem, work, n, told, ended } = props
  const { rods } = useSettings()
  const start = useMemo(() => frameOf(technique, problem, rods) ?? clearFrame(), [technique, problem, rods])
  const step = work.steps[n]
  const beads = told && step ? beadWorkOf(step) : undefined
  if (step && beads) return <FramePlayer key={n} start={start} work={beads} place={step.place} ms={SLOW_MS} />
  const stands = ended ? asDecimal(work.answer) : leftStanding(work.steps.slice(0, n), work.entries)
  return <SorobanFrame frame={setNumber(start, stands ?? frameValue(start))} lit={step?.place} />
}
