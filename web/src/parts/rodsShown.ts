/** As many rods as still have beads that a finger hits, on a screen as narrow as a telephone's. */
const MOST_NARROW = 7

/** The rods of a frame to work on: those that are set, fewer on a narrow screen. A problem that needs more gets them. */
export const rodsShown = (rods: number): number =>
  matchMedia('(max-width: 30rem)').matches ? Math.min(rods, MOST_NARROW) : rods
