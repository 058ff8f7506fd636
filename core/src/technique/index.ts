export { usualValues } from './boards.js'
export {
  type Action,
  type AnswerCell,
  type AnswerLine,
  FAMILIES,
  type Held,
  type ParameterValues,
  type Picks,
  type Slip,
  type Spot,
  type Step,
  type Tally,
  type Technique,
  type Variant,
} from './contract.js'
export { momentAfter, type Trace, trace, variantOf, wayWords } from './driver.js'
export { type Effort, effortWords } from './effort.js'
export { lineOf } from './line.js'
