export {
  adviseLevel,
  aimFor,
  aimOf,
  type LatestAnswer,
  LEVEL_RULES,
  type LevelMove,
  type LevelRules,
  LOOKED_BACK,
  rulesOfOlder,
} from './levels.js'
export { isKnown, type LatestAt, type Mastery, type MasteryState, masteryOf } from './mastery.js'
export { PAST_SESSIONS, type PastSession } from './retention.js'
