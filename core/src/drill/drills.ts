/** The drills by their ids: what an attempt at one of their items names in place of a technique. */
import { gridQuestions, readGrid } from '../flash/grid.js'
import { techniqueById } from '../registry/techniques.js'
import { DRILL_NAMES } from '../words/drill.js'
import { readChecking } from './checking.js'
import type { Drill } from './drill.js'
import { readFact } from './fact.js'
import { readFit } from './fits.js'
import { readWays } from './ways.js'

/** The id of a drill. */
export type DrillId = keyof typeof DRILL_NAMES

const DRILLS: Readonly<Record<DrillId, Drill>> = {
  fact: { read: readFact },
  // Sums of a table, added as one likes.
  grid: { read: (text) => ({ questions: gridQuestions(readGrid(text)), inOrder: false, says: text }) },
  fits: { read: readFit },
  ways: { read: readWays },
  checking: { read: readChecking },
}

/** The ids of all drills. */
export const DRILL_IDS = Object.keys(DRILLS) as readonly DrillId[]

const isDrill = (id: string): id is DrillId => Object.hasOwn(DRILLS, id)

/** undefined for the id of a technique. */
export function drillById(id: string): Drill | undefined {
  return isDrill(id) ? DRILLS[id] : undefined
}

/** The name of a technique or a drill. @throws InputError for an unknown id. */
export function practiceName(id: string): string {
  return isDrill(id) ? DRILL_NAMES[id] : techniqueById(id).name
}
