/** Whoever can be taken through weeks of practice: the simulated learner, or an examinee made otherwise. */
import type { Examinee } from '../examiners/examinee.js'
import { daysBetween } from '../number/days.js'
import { seeded } from '../number/random.js'
import type { Problem } from '../problem/problem.js'
import type { WorkedSupport } from '../session/support.js'
import type { Slip, Step, Technique } from '../technique/contract.js'
import { SimulatedLearner, type Traits } from './learner.js'

/** A problem as it was worked; times in milliseconds. */
export interface PupilWork {
  readonly steps: readonly { readonly step: Step; readonly ms: number; readonly slip: Slip | undefined }[]
  readonly totalMs: number
  readonly right: boolean
  readonly skipped: boolean
}

/** Days are ISO dates. */
export interface Pupil {
  /** Time to key one digit. */
  readonly keyMs: number
  /** Does practice take place? */
  comes(day: string): boolean
  /** A fact alone, without the time for keying. */
  recall(fact: string, day: string): { readonly thinkMs: number; readonly right: boolean }
  /** @param firm are the techniques it needs known? */
  work(
    technique: Technique,
    problem: Problem,
    support: WorkedSupport,
    at: { readonly day: string; readonly firm: boolean },
  ): PupilWork
}

/** A problem on ground that is not firm yet teaches so much of one. */
const SHAKY = 0.4

/** @param attendance the share of days on which there is practice at all */
export function simulatedPupil(traits: Traits, fadeDays: number, attendance: number, seed: number): Pupil {
  const random = seeded(seed)
  const learner = new SimulatedLearner(traits, random, fadeDays)
  return {
    keyMs: traits.keyMs,
    comes: () => random.unit() < attendance,
    recall: (fact, day) => learner.recall(fact, day),
    work(technique, problem, support, { day, firm }) {
      const worked = learner.work(technique, problem, support, day)
      learner.practised(technique.id, day, firm ? 1 : SHAKY)
      return { ...worked, skipped: false }
    },
  }
}

/** @param firstDay the first of the examinee's days */
export function examinedPupil(examinee: Examinee, firstDay: string): Pupil {
  const dayOf = (day: string) => daysBetween(firstDay, day) + 1
  return {
    keyMs: examinee.mind.handMs,
    comes: (day) => examinee.comes(dayOf(day)),
    recall: (fact, day) => examinee.recall(fact, dayOf(day)),
    work: (technique, problem, support, { day }) =>
      examinee.work(technique, problem, support !== 'answer', dayOf(day)),
  }
}
