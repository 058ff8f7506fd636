export { freeTime, mergedBusy } from './agenda.js'
export { factMinutes } from './facts.js'
export {
  COVERAGE,
  type Forecast,
  forecast,
  LEAST_DAYS,
  type Outlook,
  paceOn,
} from './forecast.js'
export type { PlanInput, PlanItem, TechniqueItem } from './input.js'
export { minutesOf, nextSupport } from './session.js'
export { itemName, planDay, restingWords } from './today.js'
export { type PlanDay, planWeek, recalledOn } from './week.js'
