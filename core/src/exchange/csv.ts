/** Attempts as comma-separated values (RFC 4180), by way of papaparse: written to be read again without loss. */
import Papa from 'papaparse'
import { type AttemptRecord, type Entered, judgeAttempt } from '../coach/attempt.js'
import { InputError } from '../problem/error.js'
import { attemptSchema, check, type SittingStart, sittingStartSchema } from './wire.js'

/** An attempt with the sitting it belongs to: one row. */
export interface AttemptRow {
  readonly attempt: AttemptRecord
  readonly planned: number
  readonly sittingStartedAt: string
}

/** What a row shows besides, for people and spreadsheets; it is judged anew when read. */
export interface RowVerdict {
  readonly right: boolean
  readonly clean: boolean
  readonly timed: boolean
  readonly slips: readonly string[]
}

/** Largest file read, in characters, and most rows. */
export const MOST_CSV = 20_000_000
export const MOST_ROWS = 20_000

/** The columns, in order. Those without which nothing can be read are marked. */
const COLUMNS = [
  ['attempt', false],
  ['sitting', false],
  ['sitting_started', false],
  ['planned', false],
  ['n', false],
  ['technique', true],
  ['school', false],
  ['level', false],
  ['support', true],
  ['expression', true],
  ['started', true],
  ['entries', true],
  ['hints', false],
  ['outcome', true],
  ['think_ms', false],
  ['key_ms', false],
  ['total_ms', true],
  ['idle_ms', false],
  ['shown', false],
  ['right', false],
  ['clean', false],
  ['timed', false],
  ['slips', false],
] as const
type Column = (typeof COLUMNS)[number][0]
export const CSV_HEADER: readonly Column[] = COLUMNS.map(([name]) => name)

/** The header line, with the line break that ends it. */
export function csvHead(): string {
  return `${CSV_HEADER.join(',')}\r\n`
}

/** Rows with the line breaks that end them. */
export function csvRows(rows: readonly (AttemptRow & { readonly verdict: RowVerdict })[]): string {
  const cells = rows.map(({ attempt: a, planned, sittingStartedAt, verdict }) => {
    const row: Record<Column, string | number> = {
      attempt: a.id,
      sitting: a.sittingId,
      sitting_started: sittingStartedAt,
      planned,
      n: a.n,
      technique: a.technique,
      school: Object.entries(a.school)
        .map(([key, value]) => `${key}=${value}`)
        .join(' '),
      level: a.level,
      support: a.support,
      expression: a.expression,
      started: a.startedAt,
      entries: a.entries.map(entryText).join(' '),
      hints: a.hints,
      outcome: a.outcome,
      think_ms: a.thinkMs,
      key_ms: a.keyMs,
      total_ms: a.totalMs,
      idle_ms: a.idleMs,
      shown: a.shown ? JSON.stringify(a.shown) : '',
      right: yes(verdict.right),
      clean: yes(verdict.clean),
      timed: yes(verdict.timed),
      slips: verdict.slips.join(' '),
    }
    return CSV_HEADER.map((name) => row[name])
  })
  return rows.length === 0 ? '' : `${Papa.unparse(cells, { newline: '\r\n', header: false })}\r\n`
}

const yes = (is: boolean) => (is ? 'yes' : 'no')

/** "3=642@1500", with "*" behind it where the program showed the value. */
function entryText({ step, value, ms, by }: Entered): string {
  return `${step}=${value}@${ms}${by === 'program' ? '*' : ''}`
}

/** What became of one line of a file. */
export type ReadRow = { readonly line: number } & (
  | { readonly row: AttemptRow; readonly expression: string }
  | { readonly error: string }
)

/**
 * Reads a file line by line: a line that cannot be read is told with its reason and leaves the others alone.
 * @param newId makes ids for rows that bring none; rows without a sitting are put together by technique, level and day
 * @throws InputError when the whole cannot be read: too large, no header, columns missing
 */
export function readCsv(text: string, newId: () => string): ReadRow[] {
  if (text.length > MOST_CSV) throw new InputError('The file is larger than 20 MB.')
  const { data, meta } = Papa.parse<Record<string, string>>(text.replace(/^\uFEFF/, ''), {
    header: true,
    skipEmptyLines: 'greedy',
  })
  const missing = COLUMNS.filter(([name, needed]) => needed && !meta.fields?.includes(name))
  if (missing.length > 0)
    throw new InputError(
      `The first line must name the columns; missing: ${missing.map(([n]) => n).join(', ')}.`,
    )
  if (data.length > MOST_ROWS)
    throw new InputError(`The file has ${data.length} rows; at most ${MOST_ROWS} are read.`)
  const sittings = new Map<string, { id: string; startedAt: string; n: number }>()
  return data.map((cells, i): ReadRow => {
    // The header is line 1; a quoted line break makes later numbers differ from an editor's.
    const line = i + 2
    try {
      const row = readRow(cells, newId, sittings)
      return { line, row, expression: row.attempt.expression }
    } catch (error) {
      if (error instanceof InputError) return { line, error: error.message }
      throw error
    }
  })
}

function readRow(
  cells: Record<string, string | undefined>,
  newId: () => string,
  sittings: Map<string, { id: string; startedAt: string; n: number }>,
): AttemptRow {
  const text = (name: Column) => (cells[name] ?? '').trim()
  const whole = (name: Column, otherwise?: number) => {
    if (text(name) === '' && otherwise !== undefined) return otherwise
    if (!/^\d{1,9}$/.test(text(name)))
      throw new InputError(`${name}: "${text(name).slice(0, 40)}" is no whole number.`)
    return Number(text(name))
  }
  const technique = text('technique')
  const level = whole('level', 0)
  const startedAt = text('started')
  const totalMs = whole('total_ms')
  const own = `${technique} ${level} ${startedAt.slice(0, 10)}`
  const group = sittings.get(own) ?? { id: newId(), startedAt, n: 0 }
  const thinkMs = whole('think_ms', totalMs)
  const given: AttemptRecord = {
    id: text('attempt') || newId(),
    sittingId: text('sitting') || group.id,
    n: whole('n', group.n + 1),
    technique,
    school: Object.fromEntries(
      text('school')
        .split(' ')
        .filter(Boolean)
        .map((pair) => pair.split('=') as [string, string]),
    ),
    level,
    support: text('support') as AttemptRecord['support'],
    expression: text('expression'),
    startedAt,
    entries: text('entries').split(' ').filter(Boolean).map(entryFrom),
    hints: whole('hints', 0),
    outcome: text('outcome') as AttemptRecord['outcome'],
    thinkMs,
    keyMs: whole('key_ms', Math.max(0, totalMs - thinkMs)),
    totalMs,
    idleMs: whole('idle_ms', 0),
    ...(text('shown') && { shown: shownFrom(text('shown')) }),
  }
  const checked = check(attemptSchema, given)
  if ('error' in checked) throw new InputError(inColumns(checked.error))
  // Judged here as the server will judge it, so that the preview says what will be stored.
  judgeAttempt(checked.value)
  const planned = whole('planned', 1)
  const sittingStartedAt = text('sitting_started') || group.startedAt
  const start: SittingStart = { learnerId: given.id, technique, level, planned, startedAt: sittingStartedAt }
  const sitting = check(sittingStartSchema, start)
  if ('error' in sitting) throw new InputError(inColumns(sitting.error))
  if (text('sitting') === '') sittings.set(own, { ...group, n: group.n + 1 })
  return { attempt: checked.value, planned, sittingStartedAt }
}

/** A message in the words of the columns rather than of the records: "startedAt" is "started". */
function inColumns(message: string): string {
  return message
    .replaceAll('sittingId', 'sitting')
    .replaceAll('startedAt', 'started')
    .replace(/\b(think|key|total|idle)Ms\b/g, '$1_ms')
}

function entryFrom(text: string): Entered {
  const found = /^(\d+)=(-?[\d.]+)@(\d+)(\*?)$/.exec(text)
  if (!found) throw new InputError(`entries: "${text.slice(0, 40)}" is not like 1=564@1200.`)
  const [, step, value, ms, program] = found
  return { step: Number(step), value: value!, ms: Number(ms), by: program ? 'program' : 'learner' }
}

function shownFrom(text: string): NonNullable<AttemptRecord['shown']> {
  try {
    return JSON.parse(text)
  } catch {
    throw new InputError('shown: cannot be read.')
  }
}
