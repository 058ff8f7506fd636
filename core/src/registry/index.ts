export {
  COURSE,
  levelOf,
  OWN_LEVEL,
  TECHNIQUES,
  techniqueById,
  withNeeds,
} from './techniques.js'
