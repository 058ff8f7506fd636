/** Letting go of the frame, a level at a time: moved by results, kept for each technique and level by itself. */

import { OWN_LEVEL, TECHNIQUES } from '../registry/techniques.js'
import { isAbacus } from '../soroban/step.js'

/** How much of the frame is left: beads, their shadows, the bare rods, nothing. */
export const FADE_LEVELS = ['beads', 'ghosts', 'empty', 'none'] as const
/** From all beads to an empty frame. */
export type FadeLevel = (typeof FADE_LEVELS)[number]

/** How much of the frame is left, and what has led there. */
export interface Fade {
  /** How much of the frame is left. */
  readonly level: FadeLevel
  /** Problems in a row that were clean, or (below 0) that were not right. */
  readonly run: number
}

/** By technique and level (OWN_LEVEL for one's own parameters); what is not there has not been begun. */
export type Fades = Readonly<Record<string, Readonly<Record<string, Fade>>>>

export const FIRST_FADE: Fade = { level: 'beads', run: 0 }

/** Clean problems in a row that take a level of support away, and failed ones that give it back (defaults, common practice). */
export const FADE_AFTER = 5
const RETURN_AFTER = 2

/** The fade after one more problem on the frame. */
export function fadeAfter(
  { level, run }: Fade,
  verdict: { readonly right: boolean; readonly clean: boolean },
): Fade {
  const at = FADE_LEVELS.indexOf(level)
  if (verdict.clean) {
    const clean = Math.max(0, run) + 1
    const on = FADE_LEVELS[at + 1]
    return clean >= FADE_AFTER && on ? { level: on, run: 0 } : { level, run: clean }
  }
  if (verdict.right) return { level, run: 0 }
  const failed = Math.min(0, run) - 1
  const back = FADE_LEVELS[at - 1]
  return -failed >= RETURN_AFTER && back ? { level: back, run: 0 } : { level, run: failed }
}

/** The fade of a technique at a level; where nothing is kept, the whole frame. */
export function fadeOf(fades: Fades, technique: string, level: number): Fade {
  return fades[technique]?.[level] ?? FIRST_FADE
}

/** The fades with one of them put in the place of what was there. */
export function withFade(fades: Fades, technique: string, level: number, fade: Fade): Fades {
  return { ...fades, [technique]: { ...fades[technique], [level]: fade } }
}

/** Before each technique and level had a fade of its own, one stood for all of them. */
export function fadesOfOlder(fade: Fade): Fades {
  if (fade.level === FIRST_FADE.level && fade.run === FIRST_FADE.run) return {}
  return Object.fromEntries(
    TECHNIQUES.filter(isAbacus).map(({ id, levels }) => [
      id,
      Object.fromEntries([OWN_LEVEL, ...levels.map((_, i) => i + 1)].map((level) => [level, fade])),
    ]),
  )
}
