export { planCalendar, readBusy } from './calendar.js'
export { MOST_CSV } from './cells.js'
export { type AttemptRow, csvHead, csvRows, readCsv } from './csv.js'
export { factsHead, factsRows, holdsFacts, readFacts } from './facts.js'
export {
  type OwnLine,
  readOwnFile,
  readOwnLines,
  readOwnTable,
  writeOwnFile,
  writeOwnTable,
} from './own.js'
export { statementOf } from './statements.js'
export { dataPackage, levelsHead, levelsRows, TABLES } from './tables.js'
