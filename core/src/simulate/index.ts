export { BEGINNER, DEMO_COACH, demoLearners } from './demo.js'
export type { Habits } from './simulated.js'
export {
  goalReached,
  POLICIES,
  type Policy,
  type SimulatedDay,
  type SimulationInput,
  simulate,
} from './simulation.js'
