/** How long a session of the plan is, and how much help it has. */
import type { Mastery } from '../curriculum/mastery.js'
import type { Support } from '../session/support.js'

/** Problems with support before it is seen whether they go well without. */
export const SUPPORTED = 3
/** Seconds between two problems: reading the verdict, going on. */
export const BETWEEN = 3
/** Fewer answers than this are not worth sitting down for. */
const LEAST_ANSWERS = 5
/** After about so many answers it may be known whether a level is the learner's. */
export const ENOUGH_ANSWERS = 18
/** So great a share right takes one level of support away; so small a one without steps gives the steps back. */
const LESS_SUPPORT = 0.8
const MORE_SUPPORT = 0.6
/** After so many problems with support a smaller share is enough: one learns to go without by going without. */
const LONG_SUPPORTED = 8
const LONG_ENOUGH = 0.5

/** Watching first; then one level of support less whenever the latest went well, and the steps back when it does not go without. */
export function nextSupport({ worked }: Pick<Mastery, 'worked'>): Support {
  if (!worked) return 'watch'
  const { answers, right } = worked.latest
  const well =
    (answers >= SUPPORTED && right >= LESS_SUPPORT * answers) ||
    (answers >= LONG_SUPPORTED && right >= LONG_ENOUGH * answers)
  const badly = answers >= 10 && right < MORE_SUPPORT * answers
  if (worked.support === 'guided') return well ? 'steps' : 'guided'
  if (worked.support === 'steps') return well ? 'answer' : 'steps'
  return badly ? 'steps' : 'answer'
}

/**
 * The most problems of one session: as many as must pass before support may change, or, without steps, before the
 * rules can decide on the level.
 */
export function sessionLength(support: Support, { worked }: Pick<Mastery, 'worked'>): number {
  if (support !== 'answer') return SUPPORTED
  const lacking = ENOUGH_ANSWERS - (worked?.support === 'answer' ? worked.latest.answers : 0)
  return Math.max(LEAST_ANSWERS, lacking > 0 ? lacking : ENOUGH_ANSWERS / 2)
}

/** Minutes of some problems, the pauses between them counted in. @param ms the time at work */
export function minutesOf({ attempts, ms }: { readonly attempts: number; readonly ms: number }): number {
  return (ms / 1000 + BETWEEN * attempts) / 60
}
