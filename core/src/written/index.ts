export type { PaperRow } from './sheet.js'
export { workedOnPaper } from './work.js'
