export type {
  Action,
  AnswerCell,
  AnswerLine,
  Held,
  ParameterValues,
  Picks,
  Slip,
  Spot,
  Step,
  Tally,
  Technique,
  Variant,
} from './contract.js'
export { FAMILIES } from './contract.js'
export {
  answerQuestion,
  momentAfter,
  readAnswerOf,
  type Trace,
  trace,
  variantOf,
  wayWords,
} from './driver.js'
export type { Effort } from './effort.js'
export { typedIn, writtenFromRight, type Zone, zoneOf } from './entering.js'
export { lineOf } from './line.js'
export type { Walk } from './listening/walks.js'
export { crossPattern } from './multiplication/special/pattern.js'
export { usualValues } from './quantities/boards.js'
