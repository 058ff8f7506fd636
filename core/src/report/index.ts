export { type Comparison, compareWays, foreseenMs, quickestFor } from './compare.js'
export { listedOwn, misfitsOf } from './own.js'
export { type Sheet, type SheetTable, sheetOf } from './sheet.js'
export { inTwoWays, twoWaysOf, twoWaysVerdict } from './twoWays.js'
