/** The cells of a table that is read, and those that are written so that a spreadsheet leaves them as they are. */
import Papa from 'papaparse'
import { InputError } from '../problem/error.js'

/** Largest file read, in characters, and most rows. */
export const MOST_CSV = 20_000_000
const MOST_ROWS = 20_000

/** Tells spreadsheets that what follows is UTF-8. */
const BYTE_ORDER_MARK = '\uFEFF'

/** A name as a cell: none that a spreadsheet would take for a formula. */
export const nameCell = (name: string): string => (/^[=+\-@\t\r]/.test(name) ? `'${name}` : name)

/** A header line, with the mark before it and the line break that ends it. */
export const headLine = (columns: readonly string[]): string => `${BYTE_ORDER_MARK}${columns.join(',')}\r\n`

/** Lines with the line breaks that end them. */
export function bodyLines(cells: readonly (readonly (string | number)[])[]): string {
  if (cells.length === 0) return ''
  return `${Papa.unparse(cells as (string | number)[][], { newline: '\r\n', header: false })}\r\n`
}

/** A table as it is read: its columns, and its rows with the cells by the name of their column. */
export interface ReadTable {
  readonly columns: readonly string[]
  readonly rows: readonly Record<string, string>[]
}

/** @throws InputError for a text that is too large or has too many rows */
export function readTable(text: string): ReadTable {
  if (text.length > MOST_CSV) throw new InputError('The file is larger than 20 MB.')
  const { data, meta } = Papa.parse<Record<string, string>>(text.replace(/^\uFEFF/, ''), {
    header: true,
    skipEmptyLines: 'greedy',
  })
  if (data.length > MOST_ROWS)
    throw new InputError(`The file has ${data.length} rows; at most ${MOST_ROWS} are read.`)
  return { columns: meta.fields ?? [], rows: data }
}

/** @throws InputError that names the columns which are not there */
export function needColumns({ columns }: ReadTable, needed: readonly string[]): void {
  const missing = needed.filter((name) => !columns.includes(name))
  if (missing.length > 0)
    throw new InputError(`The first line must name the columns; missing: ${missing.join(', ')}.`)
}

/**
 * Each row read for itself: one that cannot be read is told with its reason and leaves the others alone. The header is
 * line 1; a quoted line break makes later numbers differ from an editor's.
 */
export function eachRow<T>(
  { rows }: ReadTable,
  read: (cells: Cells) => T,
): ({ readonly line: number } & (T | { readonly error: string }))[] {
  return rows.map((row, i) => {
    try {
      return { line: i + 2, ...read(new Cells(row)) }
    } catch (error) {
      if (error instanceof InputError) return { line: i + 2, error: error.message }
      throw error
    }
  })
}

/** Columns that had other names in earlier versions. */
const OLDER_COLUMNS: Readonly<Record<string, string>> = {
  session: 'sitting',
  session_started: 'sitting_started',
  variant: 'school',
}

/** The cells of a row, by the name of their column. */
export class Cells {
  constructor(private readonly cells: Record<string, string | undefined>) {}

  text(name: string): string {
    return (this.cells[name] ?? this.cells[OLDER_COLUMNS[name] ?? ''] ?? '').trim()
  }

  whole(name: string, otherwise?: number): number {
    const text = this.text(name)
    if (text === '' && otherwise !== undefined) return otherwise
    if (!/^\d{1,9}$/.test(text))
      throw new InputError(`${name}: "${text.slice(0, 40)}" must be a whole number from 0.`)
    return Number(text)
  }

  /** An instant; a spreadsheet may have written it with a space and without its zone, which is UTC. */
  instant(name: string): string {
    const text = this.text(name)
    const found = /^(\d{4}-\d{2}-\d{2})[T ](\d{2}:\d{2}:\d{2})(\.\d{1,3})?(?:Z| ?UTC)?$/.exec(text)
    if (!found && text !== '')
      throw new InputError(`${name}: "${text.slice(0, 40)}" must look like 2026-11-26T09:00:00Z.`)
    return found ? `${found[1]}T${found[2]}${(found[3] ?? '.').padEnd(4, '0')}Z` : ''
  }

  words(name: string): string[] {
    return this.text(name).split(' ').filter(Boolean)
  }

  /** "yes" or "no", whichever way a spreadsheet has written it. */
  flag(name: string): boolean {
    const text = this.text(name).toLowerCase()
    if (['yes', 'true', '1'].includes(text)) return true
    if (['no', 'false', '0'].includes(text)) return false
    throw new InputError(`${name}: "${text.slice(0, 40)}" must be yes or no.`)
  }
}
