export { type Comparison, compareWays, quickestFor } from './compare.js'
export { type Sheet, type SheetTable, sheetOf } from './sheet.js'
