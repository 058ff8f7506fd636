/** Open formats in and out: kept apart from the rest, so that only what needs them loads them. */
export * from './calendar.js'
export * from './csv.js'
export * from './statements.js'
