import type { Decimal } from '@tachymetra/core/number'
import type { Problem } from '@tachymetra/core/problem'
import { asDecimal } from '@tachymetra/core/question'
import {
  beadWorkOf,
  clearFrame,
  frameOf,
  frameValue,
  isAbacus,
  leftStanding,
  setNumber,
} from '@tachymetra/core/soroban'
import type { Technique, Trace } from '@tachymetra/core/technique'
import { useMemo } from 'react'
import { FramePlayer } from '../../beads/FramePlayer.js'
import { SorobanFrame } from '../../beads/SorobanFrame.js'
import { changeSettings, useSettings } from '../../data/settings.js'
import { KeyButton } from '../../entry/KeyButton.js'
import { PlaceRule } from '../../working/PlaceRule.js'
import { AbacusProblem } from '../AbacusProblem.js'

/** Milliseconds a bead, and how that is called. */
const SPEEDS: readonly (readonly [number, string])[] = [
  [1100, 'Slow'],
  [550, 'Normal'],
  [220, 'Quick'],
]

/** What is watched: the problem with what stands written after the steps so far, or the beads as they move. */
export function WatchStage(props: {
  readonly technique: Technique
  readonly problem: Problem
  readonly work: Trace
  /** How many steps are over, and whether the value of the next is told. */
  readonly at: number
  readonly told: boolean
}) {
  const { technique, problem, work, at, told } = props
  const { steps } = work
  const step = steps[at]
  return (
    <div className="stage">
      {isAbacus(technique) ? (
        <Frame {...props} />
      ) : (
        <PlaceRule
          problem={problem}
          line={(told ? step : steps[at - 1])?.writes ?? { negative: false, cells: [] }}
          place={step?.place}
          links={step?.links}
          finished={!step}
        />
      )}
    </div>
  )
}

function Frame({ technique, problem, work, at, told }: Parameters<typeof WatchStage>[0]) {
  const { beadMs, rods } = useSettings()
  const start = useMemo(() => frameOf(technique, problem, rods) ?? clearFrame(), [technique, problem, rods])
  const step = work.steps[at]
  const beads = told && step ? beadWorkOf(step) : undefined
  const stands: Decimal | undefined = leftStanding(work.steps.slice(0, at), work.entries)
  return (
    <>
      <AbacusProblem problem={problem} hidden={false} />
      {step && beads ? (
        <FramePlayer key={at} start={start} work={beads} place={step.place} />
      ) : (
        <SorobanFrame
          frame={setNumber(start, (step ? stands : asDecimal(work.answer)) ?? frameValue(start))}
        />
      )}
      <div className="row keys-line">
        {SPEEDS.map(([ms, name]) => (
          <KeyButton
            key={ms}
            label={name}
            onPress={() => changeSettings({ beadMs: ms })}
            main={ms === beadMs}
          />
        ))}
      </div>
    </>
  )
}
