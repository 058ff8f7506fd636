/** The frame beside a problem on the bench: what stands on it, and whether the learner moves its beads. */
import { toText, ZERO } from '@tachymetra/core/number'
import type { Exercise } from '@tachymetra/core/session'
import { openStep } from '@tachymetra/core/session'
import {
  clearFrame,
  type Frame,
  frameOf,
  frameValue,
  isAbacus,
  isOnFrame,
  leftStanding,
} from '@tachymetra/core/soroban'
import { trace } from '@tachymetra/core/technique'
import { useMemo } from 'react'
import { useFade } from '../data/fade.js'
import { useNeeds } from '../data/needs.js'
import { useSettings } from '../data/settings.js'
import type { AttemptOnScreen } from '../practice/useAttempt.js'
import { type Beads, useBeads } from './beads.js'

/** Is a number on the frame to be read? Then nothing is moved on it, and it fades with nobody. */
function isReading({ technique, problem, variant }: Exercise): boolean {
  return isAbacus(technique) && trace(technique, problem, variant).steps[0]?.action === 'read'
}

export interface BenchFrame {
  readonly abacus: boolean
  readonly reading: boolean
  /** Is there a frame on screen? It is at hand unless it has been let go of; a number to be read always stands on it. */
  readonly framed: boolean
  /** Are beads moved now? What is decided before that is typed. */
  readonly onFrame: boolean
  readonly fade: ReturnType<typeof useFade>
  readonly start: Frame
  readonly beads: Beads
}

/** @param lit the place that may be shown */
export function useFrame(
  learnerId: string,
  exercise: Exercise,
  attempt: AttemptOnScreen,
  lit: number | undefined,
): BenchFrame {
  const { technique, problem, level } = exercise
  const { strict, restMs, rods } = useSettings()
  const { ownAbacus, extraTime } = useNeeds()
  const { progress } = attempt
  const step = openStep(progress)
  const fade = useFade(learnerId, technique.id, level)
  const abacus = isAbacus(technique)
  const reading = useMemo(() => isReading(exercise), [exercise])
  // On an abacus of one's own there is nothing to move here, and nothing to fade.
  const framed = abacus && (reading || (fade.level !== 'none' && !ownAbacus))
  const onFrame =
    framed && !reading && progress.outcome === undefined && (step === undefined || isOnFrame(step))
  const start = useMemo(() => frameOf(technique, problem, rods) ?? clearFrame(), [technique, problem, rods])
  const [walk] = progress.walks
  const last = progress.entries.at(-1)
  const beads = useBeads({
    start,
    step,
    at: lit,
    standing: abacus && walk ? (leftStanding(walk.steps, walk.entries) ?? frameValue(start)) : ZERO,
    active: onFrame,
    strict,
    restMs: extraTime === null ? undefined : restMs * extraTime,
    wrong: last && last.took === 0 ? last : undefined,
    onMove: attempt.touch,
    commit: (value) => attempt.enter(toText(value)),
  })
  return { abacus, reading, framed, onFrame, fade, start, beads }
}
