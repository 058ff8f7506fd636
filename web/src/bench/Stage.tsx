import { lowestPlace } from '@tachymetra/core/number'
import { lowestOf, type Problem } from '@tachymetra/core/problem'
import { asDecimal } from '@tachymetra/core/question'
import { openStep } from '@tachymetra/core/session'
import { beadWorkOf, setNumber } from '@tachymetra/core/soroban'
import { lineOf, momentAfter, type Spot, type Zone } from '@tachymetra/core/technique'
import { useMemo } from 'react'
import { SorobanFrame } from '../beads/SorobanFrame.js'
import type { AttemptOnScreen } from '../practice/useAttempt.js'
import { PlaceRule } from '../working/PlaceRule.js'
import { answerGiven } from '../working/saying.js'
import { AbacusProblem } from './AbacusProblem.js'
import type { BenchFrame } from './useFrame.js'

const BLANK = { negative: false, cells: [] }

interface Props {
  readonly problem: Problem
  readonly attempt: AttemptOnScreen
  readonly frame: BenchFrame
  /** The place that is lit, and where an entry is written. */
  readonly lit: number | undefined
  readonly zone: Zone | undefined
  /** Decimals that are asked for, where the numbers do not say. */
  readonly decimals: number
  readonly rodValues: boolean
  readonly picked: readonly Spot[]
  readonly onPick: (change: (before: readonly Spot[]) => readonly Spot[]) => void
}

/** The problem with what stands written of its answer: on the place rule, or on the frame. */
export function Stage(props: Props) {
  const { problem, attempt, frame, lit, zone, decimals, rodValues, picked, onPick } = props
  const { progress, typing } = attempt
  const { abacus, reading, framed, onFrame, fade, start, beads } = frame
  const step = openStep(progress)
  const done = progress.outcome !== undefined
  const answer = progress.outcome === 'done' ? asDecimal(answerGiven(progress)) : undefined
  const [walk] = progress.walks
  const [lastStep, lastEntry] = [walk?.steps.at(-1), walk?.entries.at(-1)]
  const line = useMemo(() => {
    if (answer) return lineOf(answer, Math.min(lowestOf(problem), lowestPlace(answer)))
    return lastStep && lastEntry ? momentAfter(lastStep, lastEntry).writes : BLANK
  }, [problem, answer, lastStep, lastEntry])
  const pick = ([row, place]: Spot) =>
    onPick((before) => {
      const without = before.filter(([r]) => r !== row)
      return without.length < before.length ? without : [...before, [row, place] as const]
    })
  const guided = progress.support === 'guided'
  const hidden = done || reading
  return (
    <>
      {abacus ? (
        <AbacusProblem problem={problem} hidden={reading && !done} />
      ) : (
        <PlaceRule
          problem={problem}
          line={line}
          place={done ? undefined : lit}
          zone={zone}
          typing={typing.text}
          decimals={decimals}
          finished={answer !== undefined}
          links={guided ? step?.links : undefined}
          picks={step?.picks}
          picked={picked}
          onPick={pick}
        />
      )}
      {framed && (
        <SorobanFrame
          frame={done && answer ? setNumber(start, answer) : beads.frame}
          look={!hidden && (fade.level === 'ghosts' || fade.level === 'empty') ? fade.level : 'beads'}
          onChange={onFrame ? beads.change : undefined}
          chosen={onFrame ? beads.chosen : undefined}
          onChoose={beads.choose}
          lit={hidden ? undefined : lit}
          finger={guided && !done && lastStep ? beadWorkOf(lastStep)?.finger : undefined}
          values={onFrame && (rodValues || fade.level === 'empty')}
          right={beads.right}
          label={reading ? 'the frame to be read' : 'the frame'}
        />
      )}
    </>
  )
}
