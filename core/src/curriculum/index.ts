export {
  adviseLevel,
  aimOf,
  type LatestAnswer,
  LEVEL_RULES,
  type LevelMove,
  type LevelRules,
  lookedBackOn,
  type Targets,
} from './levels.js'
export { type LatestAt, type Mastery, type MasteryState, masteryOf } from './mastery.js'
