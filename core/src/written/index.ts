export type { PaperRow, PaperStep, Worked } from './sheet.js'
export { workedOnPaper } from './work.js'
