/**
 * Kinds of learners to simulate, from what is commonly seen at their ages: children of nine recall sums about two to three
 * times as slowly as adults, of twelve about one and a half times (common practice, no published source). The targets
 * they are set are longer in the same way.
 */
import { settingsForAge } from '../learner/settings.js'
import { BEGINNER, type Traits } from './learner.js'

/** A kind of simulated learner. */
export interface Kind {
  /** Its id. */
  readonly id: string
  /** What it is called, as it is offered. */
  readonly name: string
  /** How such a learner learns and slips. */
  readonly traits: Traits
  /** Targets and limits are so many times as long. */
  readonly extraTime: number
}

const LEARNS = {
  floor: 0.35,
  fresh: { share: 0.9, slipRate: 0.09 },
  moods: 0.12,
  scatter: 0.35,
} as const

/** The first is taken unless another is chosen. */
export const KINDS: readonly [Kind, ...Kind[]] = [
  {
    id: 'nine',
    name: 'a child of nine',
    traits: {
      ...BEGINNER,
      ...LEARNS,
      factMs: 2000,
      carryMs: 1100,
      keyMs: 300,
      readMs: 2400,
      practice: 0.24,
      slipRate: 0.03,
    },
    extraTime: settingsForAge(9).extraTime,
  },
  {
    id: 'twelve',
    name: 'a child of twelve',
    traits: {
      ...BEGINNER,
      ...LEARNS,
      factMs: 1350,
      carryMs: 750,
      keyMs: 220,
      readMs: 1700,
      practice: 0.25,
      slipRate: 0.024,
    },
    extraTime: settingsForAge(12).extraTime,
  },
  {
    id: 'adult',
    name: 'an adult, new to it',
    traits: { ...BEGINNER, ...LEARNS, factMs: 900, carryMs: 500, practice: 0.25, slipRate: 0.02 },
    extraTime: 1,
  },
]
