export {
  GRID,
  levelOf,
  OWN_LEVEL,
  practiceName,
  TECHNIQUES,
  targetOf,
  techniqueById,
  withNeeds,
} from './techniques.js'
