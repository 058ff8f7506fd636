export { type LevelReason, levelReasonWords, MASTERY_NAMES } from './levels.js'
export { slipName } from './slips.js'
