/** What today's plan is made from, and what it is made of. */
import type { Mastery } from '../curriculum/mastery.js'
import type { SlipCount } from '../learner/bugs.js'
import type { FactMemory, RecallFigures } from '../learner/recall.js'
import type { LearnerSettings } from '../learner/settings.js'
import type { Support } from '../session/support.js'
import type { WeakKind } from '../set/paper.js'

/** All the plan of a day goes by. */
export interface PlanInput {
  /** The settings the plan goes by. */
  readonly settings: Pick<
    LearnerSettings,
    | 'minutes'
    | 'decks'
    | 'pinned'
    | 'banned'
    | 'skipped'
    | 'targets'
    | 'extraTime'
    | 'ownPace'
    | 'rules'
    | 'wording'
    | 'calm'
  >
  /** The learner's own day (ISO date) and the instant. */
  readonly day: string
  /** ISO 8601, UTC. */
  readonly now: string
  /** Every fact that was recalled, with when it is due. */
  readonly memories: readonly FactMemory[]
  /** How facts alone come to the learner. */
  readonly recall: RecallFigures
  /** Facts found that slow you down, the slowest first. */
  readonly slow: readonly string[]
  /** How far the learner is with each technique, in teaching order. */
  readonly mastery: readonly Mastery[]
  /** Mistakes of the last BUG_DAYS. */
  readonly slips: readonly SlipCount[]
  /** Facts recalled today: they have had their turn. */
  readonly metToday: ReadonlySet<string>
  /** Minutes worked today by item, in the order begun. */
  readonly done: ReadonlyMap<string, number>
  /** Kinds that went badly on the latest papers, what cost most first. */
  readonly weak?: readonly WeakKind[]
  /** Techniques set by a coach, the most urgent first: they come before all others. */
  readonly assigned?: readonly string[]
}

/** A technique at a level. */
export interface Place {
  /** The technique. */
  readonly id: string
  readonly level: number
}

/** One thing to practise. */
export type PlanItem = { readonly minutes: number; readonly because: string; readonly pinned: boolean } & (
  | { readonly kind: 'facts'; readonly id: 'facts'; readonly facts: readonly string[] }
  | TechniqueItem
  /** Several techniques that are to be asked again, shuffled together. */
  | {
      readonly kind: 'mixed'
      readonly id: 'mixed'
      readonly of: readonly Place[]
      /** Of each. */
      readonly problems: number
    }
)

/** One technique: what is nearest to its target, something new, or what is to be asked again. */
export interface TechniqueItem extends Place {
  /** Why it comes: closest to its target, new, or to be asked again. */
  readonly kind: 'edge' | 'new' | 'review'
  /** How much help it is begun with. */
  readonly support: Support
  /** Of one session; another follows while there are minutes. */
  readonly problems: number
}
