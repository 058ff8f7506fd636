export { planCalendar, readBusy } from './calendar.js'
export { type AttemptRow, csvHead, csvRows, MOST_CSV, type ReadRow, readCsv } from './csv.js'
export { statementOf } from './statements.js'
export { dataPackage, factsHead, factsRows, levelsHead, levelsRows, TABLES } from './tables.js'
