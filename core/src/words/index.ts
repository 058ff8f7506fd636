export { count, listed, seconds, targetWords, times } from './english.js'
export { PASSED_OVER } from './entry.js'
export {
  bestWords,
  extraTimeWords,
  type LevelReason,
  levelReasonWords,
  MASTERY_NAMES,
  newBestWords,
  ownAimWords,
} from './levels.js'
export { forecastWords } from './plan.js'
export { effortWords } from './report.js'
export { besideWords, resultWords, scoreWords } from './sets.js'
export { slipName } from './slips.js'
export { unwantedIn } from './unwanted.js'
