/** Why a level is changed or kept, and how a learner stands at a technique. */

/** 4200 -> "4.2 s". */
const spent = (ms: number) => `${(ms / 1000).toFixed(1)} s`
const NOT_TIMED = 'not timed'

export const LEVEL = {
  back: (of: number, right: number, least: number) =>
    `Of the last ${of} answers ${right} were right, fewer than ${least}: a level back makes them sure again.`,
  early: (given: number, of: number, right: number, targetMs: number) =>
    `${given} of ${of} answers at this level: ${right} right and a median within ${spent(targetMs)} move up.`,
  found: (of: number, right: number, paceMs: number | undefined) =>
    `Of the last ${of} answers ${right} were right, the median ${paceMs === undefined ? NOT_TIMED : spent(paceMs)}`,
  up: (found: string, targetMs: number) => `${found}: both within the target of ${spent(targetMs)}.`,
  lackingRight: (right: number) => `${right} right`,
  lackingPace: (targetMs: number) => `a median within ${spent(targetMs)}`,
  hold: (found: string, lacking: readonly string[]) => `${found}; to move up: ${lacking.join(' and ')}.`,
} as const

export const STANDING = {
  moved: (to: number, byRule: boolean) => (byRule ? `moved up to level ${to}` : `level ${to} set by hand`),
  known: (level: number, words: string) => `At target on level ${level}: ${words}.`,
  practised: (words: string) => `In practice: ${words}.`,
  ready: (needs: boolean) => (needs ? 'Everything it needs is at target.' : 'It needs nothing else first.'),
  first: (missing: readonly string[]) => `First at target: ${missing.join(', ')}.`,
  missing: (name: string, words: string) => `${name} (${words})`,
  begun: (begun: boolean) => (begun ? 'not yet without steps' : 'not begun'),
  latest: (right: number, of: number, paceMs: number | null, targetMs: number) =>
    `${right} of the last ${of} right, ${paceMs === null ? NOT_TIMED : `${spent(paceMs)} for ${targetMs / 1000} s`}`,
} as const
