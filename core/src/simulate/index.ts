export { demoLearners } from './demo.js'
export { KINDS, type Kind } from './kinds.js'
export { BEGINNER, type Traits } from './learner.js'
export {
  goalReached,
  POLICIES,
  type Policy,
  type SimulatedDay,
  type SimulationInput,
  simulate,
} from './weeks.js'
