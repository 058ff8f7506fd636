export { freeTime, mergedBusy } from './agenda.js'
export {
  COVERAGE,
  type Forecast,
  forecast,
  LEAST_DAYS,
  type Outlook,
  paceOn,
} from './forecast.js'
export {
  FACT_SECONDS,
  itemName,
  minutesOf,
  nextSupport,
  type PlanInput,
  type PlanItem,
  planDay,
} from './today.js'
export { type PlanDay, planWeek, recalledOn } from './week.js'
