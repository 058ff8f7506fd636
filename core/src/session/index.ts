export { type AttemptEvent, durationOf } from './events.js'
export { type Keyed, keyedEvents } from './keyed.js'
export { currentSlip, eventsOfOlder, type OlderAttempt, type OlderEntry, RENAMED_SLIPS } from './older.js'
export {
  type Exercise,
  FIRST_JUDGE,
  JUDGE,
  type JudgedEntry,
  mistaken,
  moved,
  type Progress,
  passedOver,
  type Task,
} from './progress.js'
export type { DoneRecall, RecallRecord } from './recall.js'
export type { AttemptRecord, Outcome } from './record.js'
export { beginTask, happen, openQuestion, openStep, reduceEvents } from './reduce.js'
export { againWords, withRemarks } from './remarks.js'
export {
  type DoneAttempt,
  leftIn,
  resumed,
  type Stretch,
  type StretchEvent,
  stretchAfter,
} from './stretch.js'
export { SUPPORT_NAMES, SUPPORTS, type Support, WORKED_SUPPORTS, type WorkedSupport } from './support.js'
export {
  confirm,
  eraseKey,
  NOTHING_TYPED,
  type TypedFrom,
  type Typing,
  touched,
  typeKey,
  writtenBy,
} from './typing.js'
export {
  type Causes,
  causesOf,
  exerciseOf,
  figuresOf,
  finishedProgress,
  judgeRecord,
  progressOf,
  replayOf,
  type Verdict,
  verdictOf,
  wrongAnswers,
} from './verdict.js'
