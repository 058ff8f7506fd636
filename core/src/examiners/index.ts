export { type Answering, answers, type GivenAnswer } from './answers.js'
export { countingSteps, Examinee, type Mind, type WorkedProblem, type WorkedStep } from './examinee.js'
export { EXAMINEES, type ExamineeKind } from './kinds.js'
