/** Where an answer is written at the bench, and from which end. */
import { type AnswerPlaces, answerPlaces } from '@tachymetra/core/problem'
import { type Exercise, openStep, type Progress, type TypedFrom } from '@tachymetra/core/session'
import { trace, writtenFromRight, type Zone, zoneOf } from '@tachymetra/core/technique'
import { useMemo } from 'react'
import { changeSettings, useSettings } from '../data/settings.js'

export interface Writing {
  readonly places: AnswerPlaces
  /** Decimals that are asked for, where the numbers do not say. */
  readonly decimals: number
  /** May the answer be typed from the right too? */
  readonly eitherWay: boolean
  readonly from: TypedFrom
  /** The other end first from now on. */
  turn(): void
}

/** @param alone only the answer is asked */
export function useWriting({ technique, variant, problem }: Exercise, alone: boolean): Writing {
  const { writtenFrom } = useSettings()
  const decimals = Number(variant.decimals ?? 0)
  const places = useMemo(() => answerPlaces(problem, decimals), [problem, decimals])
  const eitherWay = useMemo(
    () => alone && writtenFromRight(trace(technique, problem, variant), places),
    [alone, technique, problem, variant, places],
  )
  return {
    places,
    decimals,
    eitherWay,
    from: eitherWay ? writtenFrom : 'left',
    turn: () => changeSettings({ writtenFrom: writtenFrom === 'left' ? 'right' : 'left' }),
  }
}

/** The place that may be lit: none where a decision was not asked for, since it would show it. */
export function litPlace(progress: Progress): number | undefined {
  return hidesDecision(progress) ? undefined : openStep(progress)?.place
}

function hidesDecision({ support, walks }: Progress): boolean {
  return support === 'steps' && walks[0]?.steps.at(-1)?.decision !== undefined
}

/** Where what is typed stands on the place rule; undefined where it stands nowhere, or where that would tell a decision. */
export function useZone(progress: Progress, { problem }: Exercise, places: AnswerPlaces): Zone | undefined {
  const step = openStep(progress)
  const [done, hides] = [progress.outcome !== undefined, hidesDecision(progress)]
  return useMemo(() => {
    const found = done ? undefined : zoneOf(step, problem, places)
    return hides && found?.low !== places.low ? undefined : found
  }, [done, hides, step, problem, places])
}
