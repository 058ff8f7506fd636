/** The tables beside the attempts: recalls of facts and moves of level; and what describes them all to programs. */
import Papa from 'papaparse'
import type { LevelMove } from '../curriculum/levels.js'
import { factById } from '../facts/decks.js'
import { techniqueById } from '../registry/techniques.js'
import { levelReasonWords } from '../words/levels.js'
import { BYTE_ORDER_MARK, CSV_HEADER, nameCell } from './csv.js'

/** The tables, by the name their files begin with. */
export const TABLES = ['attempts', 'facts', 'levels'] as const

const FACTS = ['learner', 'fact', 'question', 'started', 'entry', 'right', 'total_ms', 'think_ms'] as const
const LEVELS = ['learner', 'technique', 'name', 'from', 'to', 'moved', 'by', 'reason', 'why'] as const

const head = (columns: readonly string[]) => `${BYTE_ORDER_MARK}${columns.join(',')}\r\n`
const lines = (cells: readonly (readonly (string | number)[])[]) =>
  cells.length === 0
    ? ''
    : `${Papa.unparse(cells as (string | number)[][], { newline: '\r\n', header: false })}\r\n`

export const factsHead = (): string => head(FACTS)
export const levelsHead = (): string => head(LEVELS)

/** A recall of a fact, as far as the table tells it. */
interface Recalled {
  readonly fact: string
  readonly at: string
  readonly entry: string | null
  readonly right: boolean
  readonly ms: number
  readonly thinkMs: number
}

/** Recalls as lines. @param learner the name of whoever recalled them */
export function factsRows(recalls: readonly Recalled[], learner: string): string {
  return lines(
    recalls.map(({ fact, at, entry, right, ms, thinkMs }) => [
      nameCell(learner),
      // The id of a fact is its sum as it is typed, which a spreadsheet may take for a date.
      fact.replace('-', '\u2212').replace('/', '\u00f7'),
      factById(fact)?.card.ask ?? '',
      at,
      entry ?? '',
      right ? 'yes' : 'no',
      ms,
      thinkMs,
    ]),
  )
}

/** Moves of level as lines, each with the reason in words. */
export function levelsRows(moves: readonly LevelMove[], learner: string): string {
  return lines(
    moves.map(({ technique, from, to, at, by, reason }) => [
      nameCell(learner),
      technique,
      techniqueById(technique).name,
      from,
      to,
      at,
      by,
      JSON.stringify(reason),
      levelReasonWords(reason),
    ]),
  )
}

/** Columns that are not text. */
const TYPES: Readonly<Record<string, string>> = {
  n: 'integer',
  level: 'integer',
  judge: 'integer',
  seed: 'integer',
  generator: 'integer',
  hints: 'integer',
  from: 'integer',
  to: 'integer',
  started: 'datetime',
  session_started: 'datetime',
  moved: 'datetime',
  right: 'boolean',
  clean: 'boolean',
  timed: 'boolean',
}

function fieldOf(name: string): object {
  const type = TYPES[name] ?? (name.endsWith('_ms') ? 'integer' : 'string')
  return { name, type, ...(type === 'boolean' && { trueValues: ['yes'], falseValues: ['no'] }) }
}

/**
 * A Frictionless data package (specs.frictionlessdata.io, version 1) that describes the tables of one learner.
 * @param files the names of the files, in the order of TABLES
 */
export function dataPackage(learner: string, day: string, files: readonly string[]): object {
  const columns = [CSV_HEADER, FACTS, LEVELS]
  return {
    profile: 'tabular-data-package',
    name: `practice-${day}`,
    title: `Practice of ${learner}`,
    created: `${day}T00:00:00Z`,
    resources: TABLES.map((table, i) => ({
      profile: 'tabular-data-resource',
      name: table,
      path: files[i],
      format: 'csv',
      mediatype: 'text/csv',
      encoding: 'utf-8',
      dialect: { delimiter: ',', lineTerminator: '\r\n', doubleQuote: true, header: true },
      schema: { fields: columns[i]!.map(fieldOf), missingValues: [''] },
    })),
  }
}
