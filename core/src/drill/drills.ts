/** The drills by their ids: what an attempt at one of their items names in place of a technique. */
import { gridQuestions, readGrid } from '../flash/grid.js'
import { techniqueById } from '../registry/techniques.js'
import { DRILL_NAMES } from '../words/drill.js'
import { checkingDrill } from './checking.js'
import type { Drill } from './drill.js'
import { fitsDrill } from './fits.js'
import { waysDrill } from './ways.js'

/** Sums of a table, added as one likes. */
const gridDrill: Drill = {
  name: 'grid',
  read: (text) => ({ questions: gridQuestions(readGrid(text)), inOrder: false, says: text }),
}

const DRILLS: Readonly<Record<keyof typeof DRILL_NAMES, Drill>> = {
  grid: gridDrill,
  fits: fitsDrill,
  ways: waysDrill,
  checking: checkingDrill,
}

export type DrillId = keyof typeof DRILLS
export const DRILL_IDS = Object.keys(DRILLS) as readonly DrillId[]

/** undefined for the id of a technique. */
export function drillById(id: string): Drill | undefined {
  return DRILL_IDS.includes(id as DrillId) ? DRILLS[id as DrillId] : undefined
}

/** The name of a technique or a drill. @throws InputError for an unknown id. */
export function practiceName(id: string): string {
  const drill = drillById(id)
  return drill ? DRILL_NAMES[drill.name] : techniqueById(id).name
}
