/**
 * How much help stands on the bench, fading downwards: the whole working, each step asked in words, only the
 * place of each step, nothing but the problem.
 */
export const SUPPORTS = ['watch', 'guided', 'steps', 'answer'] as const
/** How much help is given, watching included. */
export type Support = (typeof SUPPORTS)[number]

/** What each support is called on screen. */
export const SUPPORT_NAMES: Record<Support, string> = {
  watch: 'Watch',
  guided: 'Guided',
  steps: 'Steps only',
  answer: 'Answer only',
}

/** Supports under which the learner does the work, so that an attempt is recorded; most help first. */
export const WORKED_SUPPORTS = ['guided', 'steps', 'answer'] as const
/** The same where something is entered. */
export type WorkedSupport = (typeof WORKED_SUPPORTS)[number]

/** The one of two supports that helps more. */
export function moreHelp(a: WorkedSupport, b: WorkedSupport): WorkedSupport {
  return WORKED_SUPPORTS.indexOf(a) < WORKED_SUPPORTS.indexOf(b) ? a : b
}
