export {
  beadsOf,
  clearFrame,
  type Frame,
  frameValue,
  highestRod,
  LEAST_RODS,
  lowestRod,
  MOST_RODS,
  rodAt,
  setNumber,
  setRod,
} from './frame.js'
export { applyMove, applyMoves, type BeadMove, fingerOf, movesBetween, moveWords, rodMove } from './moves.js'
export {
  type AbacusTechnique,
  type BeadWork,
  beadWorkOf,
  frameOf,
  isAbacus,
  isOnFrame,
  leftStanding,
} from './step.js'
export { keepsOrder, nextMove } from './strict.js'
