export {
  CHECK_KINDS,
  type CheckItem,
  type CheckKind,
  checkQuestions,
  checkRemark,
  hasChecks,
  readChecking,
} from './checking.js'

export type { DrillItem } from './drill.js'
export { DRILL_IDS, type DrillId, drillById, practiceName } from './drills.js'

export { type FitItem, fitRemark, readFit, TRICKS } from './fits.js'
export { areWaysToChoose, choiceCosts, readWays, type WayItem, wayRemark } from './ways.js'
