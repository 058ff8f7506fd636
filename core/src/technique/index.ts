export { usualValues } from './boards.js'
export {
  type Action,
  type AnswerCell,
  type AnswerLine,
  type DialValues,
  FAMILIES,
  type Held,
  type Picks,
  type School,
  type Slip,
  type Spot,
  type Step,
  type Tally,
  type Technique,
} from './contract.js'
export { momentAfter, schoolOf, type Trace, trace, wayWords } from './driver.js'
export { type Effort, effortWords } from './effort.js'
export { lineOf } from './line.js'
