export {
  checkLevel,
  levelOf,
  OWN_LEVEL,
  TECHNIQUES,
  targetOf,
  techniqueById,
  withNeeds,
} from './techniques.js'
