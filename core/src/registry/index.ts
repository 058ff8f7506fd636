export {
  GRID,
  levelOf,
  OWN_LEVEL,
  practiceName,
  TECHNIQUES,
  techniqueById,
  withNeeds,
} from './techniques.js'
