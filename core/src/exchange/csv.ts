/** Attempts as comma-separated values (RFC 4180), by way of papaparse: written to be read again without loss. */

import { unmarked } from '../number/marks.js'
import { firstOf } from '../number/present.js'
import { InputError } from '../problem/error.js'
import { printProblem, problemWords, readProblem } from '../problem/expression.js'
import { isItem } from '../problem/problem.js'
import { type AttemptEvent, EVENT_KINDS, type EventKind } from '../session/events.js'
import { eventsOfOlder, type OlderEntry } from '../session/older.js'
import { FIRST_JUDGE } from '../session/progress.js'
import {
  type AttemptRecord,
  type Figures,
  JUDGED,
  OUTCOMES,
  type Outcome,
  RECORDED,
} from '../session/record.js'
import { finishedProgress } from '../session/verdict.js'
import { AS_RECORDED, withRecorded } from '../set/items.js'
import { type PracticeSet, plainRecipe } from '../set/recipe.js'
import { check } from '../wire/check.js'
import { attemptSchema, sessionStartSchema } from '../wire/schemas.js'
import type { BroughtIn, SessionStart } from '../wire/types.js'
import { bodyLines, type Cells, eachRow, headLine, nameCell, needColumns, readTable } from './cells.js'

/** An attempt with the session it belongs to: one row. */
export type AttemptRow = BroughtIn['rows'][number]

/** What a row shows besides, for people and spreadsheets; it is judged anew when read. */
export type RowVerdict = Figures & { readonly slips: readonly string[]; readonly verdicts: readonly string[] }

type RecordKey = keyof typeof RECORDED
const RECORD_KEYS = Object.keys(RECORDED) as RecordKey[]
const JUDGED_KEYS = Object.keys(JUDGED) as (keyof typeof JUDGED)[]
const columnOf = (key: RecordKey) => RECORDED[key].column

/** The columns, in order: whose it is, what was recorded, its session, and what the record was judged to be. */
export const CSV_HEADER: readonly string[] = [
  'learner',
  ...RECORD_KEYS.map(columnOf),
  'session_started',
  'recipe',
  'seed',
  'generator',
  ...JUDGED_KEYS.map((key) => JUDGED[key].column),
  'slips',
  'verdicts',
]

/** The header line. */
export const csvHead = (): string => headLine(CSV_HEADER)

/** Rows with the line breaks that end them. @param learner the name of whoever worked them */
export function csvRows(
  rows: readonly (AttemptRow & { readonly verdict: RowVerdict })[],
  learner: string,
): string {
  const cells = rows.map(({ attempt, session, verdict }) => [
    nameCell(learner),
    ...RECORD_KEYS.map((key) => printed(RECORDED[key].kind, attempt[key])),
    session.startedAt,
    JSON.stringify(session.recipe),
    session.seed,
    session.generator,
    ...JUDGED_KEYS.map((key) => printed(JUDGED[key].kind, verdict[key])),
    verdict.slips.join(' '),
    verdict.verdicts.join(' '),
  ])
  return bodyLines(cells)
}

/** A field as text, by its kind. */
function printed(kind: string, value: unknown): string {
  switch (kind) {
    case 'variant':
      return Object.entries(value as Record<string, string>)
        .map(([key, choice]) => `${key}=${choice}`)
        .join(' ')
    case 'events':
      return (value as readonly AttemptEvent[]).map(eventText).join(' ')
    case 'presentation':
      return value === undefined ? '' : JSON.stringify(value)
    case 'expression':
      return expressionCell(value as string)
    case 'flag':
      return value ? 'yes' : 'no'
    default:
      return String(value)
  }
}

/** A problem with true signs, so that no spreadsheet takes 12/3 or 13-12 for a date; a grid as it is. */
function expressionCell(expression: string): string {
  const problem = isProblem(expression) ? readProblem(expression) : undefined
  // An item of a paper is told as it is typed, so that it can be read back.
  const words = problem && !isItem(problem) ? unmarked(problemWords(problem)) : expression
  // A number alone with a point in it is a date to some spreadsheets.
  return /^\d+\.\d+$/.test(words) ? `'${words}` : words
}

/** The same as it is stored, whichever way it was written. */
function expressionFrom(cell: string): string {
  const text = cell.replace(/^'/, '')
  return isProblem(text) ? printProblem(readProblem(text)) : text
}

function isProblem(text: string): boolean {
  try {
    return readProblem(text) !== undefined
  } catch {
    return false
  }
}

/**
 * "entered=642@1500:1200-1480~300": the kind, its text, when it happened, when its first and last key fell, and the
 * longest pause between keys; "entered#2=" where it answers the third of several questions. Whatever is not known is
 * left out.
 */
function eventText({ kind, at, text, first, last, pause, of }: AttemptEvent): string {
  const keys = first === undefined ? '' : `:${first}-${last ?? first}`
  const which = of === undefined ? '' : `#${of}`
  return `${kind}${which}${text === undefined ? '' : `=${text}`}@${at ?? ''}${keys}${pause === undefined ? '' : `~${pause}`}`
}

const EVENT_TEXT = /^([a-z-]+)(?:#(\d{1,3}))?(?:=([^@]*))?@(\d{0,9})(?::(\d{1,9})-(\d{1,9}))?(?:~(\d{1,9}))?$/

function eventFrom(text: string): AttemptEvent {
  const found = EVENT_TEXT.exec(text)
  const [, kind, of, value, at, first, last, pause] = found ?? []
  if (!found || !EVENT_KINDS.includes(kind as EventKind))
    throw new InputError(`events: "${text.slice(0, 40)}" is not like entered=564@1200.`)
  return {
    kind: kind as EventKind,
    at: at === '' ? null : Number(at),
    ...(value !== undefined && { text: value }),
    ...(first !== undefined && { first: Number(first), last: Number(last) }),
    ...(pause !== undefined && { pause: Number(pause) }),
    ...(of !== undefined && { of: Number(of) }),
  }
}

/** What became of one line of a file. */
export type ReadRow = { readonly line: number } & (
  | { readonly row: AttemptRow; readonly expression: string }
  | { readonly error: string }
)

/** Columns without which nothing can be read; the last one of either version. */
const NEEDED = ['technique', 'support', 'expression', 'started']
const NEEDED_OLDER = ['entries', 'outcome', 'total_ms']

/**
 * Reads a file line by line: a line that cannot be read is told with its reason and leaves the others alone. Files
 * written before there were events are read too.
 * @param newId makes ids for rows that bring none; rows without a session are put together by technique, level and day
 * @throws InputError when the whole cannot be read: too large, no header, columns missing
 */
export function readCsv(text: string, newId: () => string): ReadRow[] {
  const table = readTable(text)
  const older = !table.columns.includes('events') && table.columns.includes('entries')
  needColumns(table, [...NEEDED, ...(older ? NEEDED_OLDER : ['events'])])
  const sessions = new Map<string, { id: string; startedAt: string; n: number }>()
  return eachRow(table, (cells) => {
    const row = readRow(cells, older, newId, sessions)
    return { row, expression: row.attempt.expression }
  })
}

function readRow(
  cells: Cells,
  older: boolean,
  newId: () => string,
  sessions: Map<string, { id: string; startedAt: string; n: number }>,
): AttemptRow {
  const technique = cells.text('technique')
  const level = cells.whole('level', 0)
  const startedAt = cells.instant('started')
  const own = `${technique} ${level} ${startedAt.slice(0, 10)}`
  const group = sessions.get(own) ?? { id: newId(), startedAt, n: 0 }
  const given: AttemptRecord = {
    id: cells.text('attempt') || newId(),
    sessionId: cells.text('session') || group.id,
    n: cells.whole('n', group.n + 1),
    technique,
    variant: Object.fromEntries(cells.words('variant').map((pair) => pair.split('=') as [string, string])),
    level,
    support: cells.text('support') as AttemptRecord['support'],
    expression: expressionFrom(cells.text('expression')),
    startedAt,
    judge: older ? FIRST_JUDGE : cells.whole('judge', FIRST_JUDGE),
    events: older ? olderEvents(cells) : cells.words('events').map(eventFrom),
    ...(cells.text('shown') && { shown: jsonFrom<NonNullable<AttemptRecord['shown']>>(cells, 'shown') }),
  }
  const checked = check(attemptSchema, given)
  if ('error' in checked) throw new InputError(inColumns(checked.error))
  // Folded here as the server will fold it, so that the preview says what will be stored.
  finishedProgress(checked.value)
  const startedAtAll = cells.instant('session_started') || group.startedAt
  const session = { startedAt: startedAtAll, ...setFrom(cells, checked.value) }
  const start: SessionStart = { learnerId: given.id, ...session }
  const fit = check(sessionStartSchema, start)
  if ('error' in fit) throw new InputError(inColumns(fit.error))
  if (cells.text('session') === '') sessions.set(own, { ...group, n: group.n + 1 })
  return { attempt: checked.value, session }
}

/** The set a row belongs to; one that is not told of is the list of what was recorded. */
function setFrom(cells: Cells, { n, technique, level, support, expression }: AttemptRecord): PracticeSet {
  const text = cells.text('recipe')
  if (text === '') {
    const recipe = withRecorded(plainRecipe([], support), n, { technique, level, expression })
    return { recipe, seed: 0, generator: AS_RECORDED }
  }
  const seed = cells.text('seed')
  if (!/^-?\d{1,10}$/.test(seed)) throw new InputError(`seed: "${seed.slice(0, 40)}" must be a whole number.`)
  return { recipe: jsonFrom(cells, 'recipe'), seed: Number(seed), generator: cells.whole('generator') }
}

/** The events of a row written before there were any. */
function olderEvents(cells: Cells): AttemptEvent[] {
  const outcome = cells.text('outcome') as Outcome
  if (!OUTCOMES.includes(outcome)) throw new InputError(`outcome: one of ${OUTCOMES.join(', ')}.`)
  const totalMs = cells.whole('total_ms')
  const thinkMs = cells.whole('think_ms', totalMs)
  return eventsOfOlder({
    entries: cells.words('entries').map(olderEntry),
    hints: cells.whole('hints', 0),
    outcome,
    thinkMs,
    keyMs: cells.whole('key_ms', Math.max(0, totalMs - thinkMs)),
    totalMs,
    idleMs: cells.whole('idle_ms', 0),
  })
}

/** "3=642@1500", with "*" behind it where the program showed the value. */
function olderEntry(text: string): OlderEntry {
  const found = /^(\d+)=(-?[\d.]+)@(\d+)(\*?)$/.exec(text)
  if (!found) throw new InputError(`entries: "${text.slice(0, 40)}" is not like 1=564@1200.`)
  const [, step, value, ms, program] = firstOf(3, found)
  return { step: Number(step), value, ms: Number(ms), by: program ? 'program' : 'learner' }
}

/** A message in the words of the columns rather than of the records: "startedAt" is "started". */
function inColumns(message: string): string {
  return RECORD_KEYS.filter((key) => columnOf(key) !== key).reduce(
    (text, key) => text.replaceAll(new RegExp(`\\b${key}\\b`, 'g'), columnOf(key)),
    message,
  )
}

function jsonFrom<T>(cells: Cells, name: string): T {
  try {
    return JSON.parse(cells.text(name))
  } catch {
    throw new InputError(`${name}: cannot be read.`)
  }
}
