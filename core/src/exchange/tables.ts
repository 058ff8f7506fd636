/** Moves of level as a table, and what describes all tables to programs. */

import type { LevelMove } from '../curriculum/levels.js'
import { unmarked } from '../number/marks.js'
import { present } from '../number/present.js'
import { techniqueById } from '../registry/techniques.js'
import { levelReasonWords } from '../words/levels.js'
import { bodyLines, headLine, nameCell } from './cells.js'
import { CSV_HEADER } from './csv.js'
import { FACTS_HEADER } from './facts.js'

/** The tables, by the name their files begin with. */
export const TABLES = ['attempts', 'facts', 'levels'] as const

const LEVELS = ['learner', 'technique', 'name', 'from', 'to', 'moved', 'by', 'reason', 'why'] as const

/** The first line of levels.csv. */
export const levelsHead = (): string => headLine(LEVELS)

/** Moves of level as lines, each with the reason in words. */
export function levelsRows(moves: readonly LevelMove[], learner: string): string {
  return bodyLines(
    moves.map(({ technique, from, to, at, by, reason }) => [
      nameCell(learner),
      technique,
      techniqueById(technique).name,
      from,
      to,
      at,
      by,
      JSON.stringify(reason),
      unmarked(levelReasonWords(reason)),
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
  const columns = [CSV_HEADER, FACTS_HEADER, LEVELS]
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
      schema: { fields: present(columns[i]).map(fieldOf), missingValues: [''] },
    })),
  }
}
