export { BUG_DAYS } from './bugs.js'
export { FADE_LEVELS, type Fade, type FadeLevel, fadeAfter, fadeOf, fadesOfOlder, withFade } from './fade.js'
export { keyingOf, numbersToCopy } from './keying.js'
export { paceOf, perMinute, shareRight } from './pace.js'
export {
  COMMON_KEY_MS,
  type FactMemory,
  isRecalled,
  judgeRecall,
  type Recall,
  type RecallRecord,
  recalled,
  remember,
  toAsk,
} from './recall.js'
export {
  DEFAULT_SETTINGS,
  KEYING_DAYS,
  keyingDue,
  type LearnerSettings,
} from './settings.js'
export { suggestTarget } from './targets.js'
export {
  type Estimate,
  SLOW_SHARE,
  slowFacts,
  type Timed,
  type Times,
  timedAnswer,
  timedRecall,
  timedSteps,
  timesOf,
} from './times.js'
