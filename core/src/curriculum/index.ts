export { adviseLevel, type LatestAnswer, LEVEL_RULES, type LevelMove, type LevelRules } from './levels.js'
export { type Knowing, type Readiness, readiness } from './readiness.js'
export { type Stand, standsOf } from './stands.js'
