export { BUG_DAYS } from './bugs.js'
export { FADE_LEVELS, type Fade, type FadeLevel, fadeAfter, fadeOf, fadesOfOlder, withFade } from './fade.js'
export { keyingOf, numbersToCopy } from './keying.js'
export {
  type Best,
  newBestOf,
  paceOf,
  rightPerMinute,
  shareRight,
  TELLING,
} from './pace.js'
export {
  COMMON_KEY_MS,
  checkFactRow,
  type FactMemory,
  type FactRow,
  isRecalled,
  judgeRecall,
  type Recall,
  type RecallPace,
  recalled,
  recallLimit,
  remember,
  toAsk,
} from './recall.js'
export {
  ALARMS,
  CONTRASTS,
  DEFAULT_SETTINGS,
  EXTRA_TIMES,
  type ExtraTime,
  KEYING_DAYS,
  KEYPAD_ORDERS,
  KEYPAD_SIDES,
  KEYPADS,
  keyingDue,
  type LearnerSettings,
  settingsForAge,
  TEXT_SIZES,
  ZEROS,
} from './settings.js'
export { suggestTarget } from './targets.js'
export {
  type Estimate,
  SLOW_SHARE,
  slowFacts,
  type Timed,
  type TimedAnswer,
  type Times,
  timedAnswer,
  timedRecall,
  timedSteps,
  timesOf,
} from './times.js'
