export { InputError } from './error.js'
export {
  answerText,
  printProblem,
  problemWords,
  readProblem,
  solvedWords,
  trueRootWords,
} from './expression.js'
export { type AnswerPlaces, answerPlaces } from './places.js'
export {
  answerOf,
  asProduct,
  isItem,
  lowestOf,
  type Problem,
  type Row,
  rowsOf,
  type SumProblem,
  signed,
} from './problem.js'
export { draw, type ProblemSpace } from './space.js'
