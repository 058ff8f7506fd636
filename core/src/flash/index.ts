export { type Grid, gridQuestions, gridTarget, readGrid } from './grid.js'
export {
  FASTEST_MS,
  type FlashPace,
  flashList,
  MOST_FLASHED,
  onsets,
  SAFE_PER_SECOND,
  type Shown,
  SLOWEST_MS,
  type Staircase,
  safePace,
} from './list.js'
